import { itemAt } from '../../ground/lists';
import type { Keypad } from '../../ground/job';

/** A key that the injector can press: its select value, and where it stands in the lists of strobes and senses. */
export interface InjectorKey {
  readonly label: string;
  readonly select: number;
  readonly strobe: number;
  readonly sense: number;
}

/** The logic that presses keys of a pad: its lines and what each key number joins. */
export interface Injector {
  readonly strobes: readonly string[];
  readonly senses: readonly string[];
  readonly activeLow: boolean;
  /** Select bits: n bits address 2^n − 1 keys, and zero presses none. */
  readonly bits: number;
  readonly keys: readonly InjectorKey[];
}

/** The injector of a pad whose scan and lines are known; null where they are not. */
export function injectorOf(pad: Keypad): Injector | null {
  const { scan } = pad;
  if (!scan || scan.strobes.length === 0 || scan.senses.length === 0) return null;
  const keys = pad.keys
    .flatMap((k) => {
      const strobe = scan.strobes.findIndex((s) => k.lines.includes(s));
      const sense = scan.senses.findIndex((s) => k.lines.includes(s));
      return strobe >= 0 && sense >= 0 ? [{ label: k.label, strobe, sense }] : [];
    })
    .map((k, i) => ({ ...k, select: i + 1 }));
  return keys.length
    ? {
        strobes: scan.strobes,
        senses: scan.senses,
        activeLow: scan.polarity === 'low',
        bits: Math.ceil(Math.log2(keys.length + 1)),
        keys,
      }
    : null;
}

/** The key that a press is: the one that it names, else the one that is called as the press or its control; null where there is none. */
export function injectorKey(
  inj: Injector,
  press: { readonly name: string; readonly scan: { readonly key: string } },
  control: string,
): InjectorKey | null {
  const called = (label: string): InjectorKey | undefined =>
    inj.keys.find((k) => k.label.toLowerCase() === label.trim().toLowerCase());
  const { key } = press.scan;
  return (key === '' ? (called(press.name) ?? called(control)) : called(key)) ?? null;
}

/** Text from outside stands only in comments, and there without anything that could end them. */
const remark = (text: string): string => text.replace(/[^\w .,+-]/g, '?').slice(0, 40);

/**
 * The injector as Verilog (IEEE 1364-2001): while its strobe is active, the selected key's sense line is driven to the active
 * level; at all other times it is let go. Pure logic, so it answers within nanoseconds of the strobe.
 */
export function injectorVerilog(inj: Injector): string {
  const active = inj.activeLow ? "1'b0" : "1'b1";
  const drives = inj.senses.map((name, s) => {
    const terms = inj.keys
      .filter((k) => k.sense === s)
      .map((k) => `(select == ${inj.bits}'d${k.select} && strobe[${k.strobe}] == ${active})`);
    return (
      `  // ${remark(name)}\n  assign sense[${s}] = ` +
      `(${terms.length ? terms.join(' ||\n                     ') : "1'b0"}) ? ` +
      `${active} : 1'bz;`
    );
  });
  return [
    '// Presses one key of a scanned pad. select = 0 presses none.',
    ...inj.keys.map((k) => {
      const [strobe, sense] = [itemAt(inj.strobes, k.strobe), itemAt(inj.senses, k.sense)];
      return `//   ${String(k.select).padStart(2)}  ${remark(k.label)}: ${remark(strobe)} to ${remark(sense)}`;
    }),
    "// Run it from the pad's own supply and share its ground only where Guard " +
      'allows it. A series resistor of 220 ohms a line bears mistakes.',
    'module key_injector (',
    `  input  wire [${inj.strobes.length - 1}:0] strobe,`,
    `  input  wire [${inj.bits - 1}:0] select,`,
    `  output wire [${inj.senses.length - 1}:0] sense`,
    ');',
    ...drives,
    'endmodule',
    '',
  ].join('\n');
}

/** A test bench for the injector: a scanning pad controller that must see each key at its crossing, nothing else, and nothing for none. */
export function injectorBench(inj: Injector): string {
  const [n, m] = [inj.strobes.length, inj.senses.length];
  const rest = inj.activeLow ? `{${n}{1'b1}}` : `{${n}{1'b0}}`;
  const pulls = inj.senses.map((_, s) => `  ${inj.activeLow ? 'pullup' : 'pulldown'} (sense[${s}]);`);
  const active = inj.activeLow ? "1'b0" : "1'b1";
  const expected = inj.keys.map(
    (k) => `      ${inj.bits}'d${k.select}: expected = (r == ${k.strobe} && c == ${k.sense});`,
  );
  return [
    "// Scans like the pad's controller and counts what it sees. Ends with one line: keys seen and mistakes.",
    '`timescale 1us/1ns',
    'module key_injector_tb;',
    `  reg  [${n - 1}:0] strobe = ${rest};`,
    `  reg  [${inj.bits - 1}:0] select = 0;`,
    `  wire [${m - 1}:0] sense;`,
    '  integer k, r, c, seen, mistakes;',
    '  reg expected;',
    ...pulls,
    '  key_injector dut (.strobe(strobe), .select(select), .sense(sense));',
    '  initial begin',
    '    seen = 0;',
    '    mistakes = 0;',
    `    for (k = 0; k <= ${inj.keys.length}; k = k + 1) begin`,
    '      select = k;',
    `      for (r = 0; r < ${n}; r = r + 1) begin`,
    `        strobe = ${rest};`,
    `        strobe[r] = ${active};`,
    '        #1;',
    `        for (c = 0; c < ${m}; c = c + 1) begin`,
    '          case (select)',
    ...expected.map((e) => `    ${e}`),
    '            default: expected = 0;',
    '          endcase',
    `          if ((sense[c] === ${active}) != expected) mistakes = mistakes + 1;`,
    '          else if (expected) seen = seen + 1;',
    '        end',
    `        strobe = ${rest};`,
    '        #1;',
    `        for (c = 0; c < ${m}; c = c + 1) if (sense[c] === ${active}) mistakes = mistakes + 1;`,
    '      end',
    '    end',
    '    $display("%0d keys seen, %0d mistakes", seen, mistakes);',
    '    $finish;',
    '  end',
    'endmodule',
    '',
  ].join('\n');
}
