// The packed keypad injector under an independent Verilog simulator, against its own test bench and against a pad controller written here.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import type { Job, Keypad } from '../core/ground/job';
import { injectorOf } from '../core/engines/scan';
import { changed, demoJob } from '../core/testing/jobs';
import { inFolder, runProgram } from './programs';

const proofer = demoJob('dough-proofer');
const pad = proofer.survey.keypads[0]!;

/** A controller that scans on a clock of its own, latches the sense lines in the middle of each strobe and names what it saw. */
function controller(low: boolean, strobes: number, senses: number, keys: number, bits: number): string {
  const idle = low ? `${strobes}'b${'1'.repeat(strobes)}` : `${strobes}'b${'0'.repeat(strobes)}`;
  return `
\`timescale 1us/1ns
module controller;
  reg [${strobes - 1}:0] strobe = ${idle};
  reg [${bits - 1}:0] select = 0;
  wire [${senses - 1}:0] sense;
  ${Array.from({ length: senses }, (_, i) => `${low ? 'pullup' : 'pulldown'} (sense[${i}]);`).join(' ')}
  key_injector dut (strobe, select, sense);
  integer k, n, r, c;
  initial begin
    for (k = 0; k <= ${keys}; k = k + 1) begin
      select = k;
      for (n = 0; n < 3; n = n + 1)
        for (r = 0; r < ${strobes}; r = r + 1) begin
          #1500 strobe[r] = ${low ? 0 : 1};
          #1000 for (c = 0; c < ${senses}; c = c + 1) if (sense[c] === ${low ? "1'b0" : "1'b1"}) $display("saw %0d %0d %0d", k, r, c);
          #1000 strobe[r] = ${low ? 1 : 0};
        end
    end
    $finish;
  end
endmodule
`;
}

function packed(job: Job): { rtl: string; bench: string; csv: string } {
  const files = filesOf(job, assess(job));
  const of = (name: string): string => files.find((f) => f.name === name)!.text;
  return { rtl: of('key_injector.v'), bench: of('key_injector_tb.v'), csv: of('key_injector.csv') };
}

function run(...sources: readonly string[]): string {
  return inFolder((folder) => {
    const files = sources.map((text, i) => {
      const file = join(folder, `s${i}.v`);
      writeFileSync(file, text);
      return file;
    });
    runProgram('iverilog', ['-g2001', '-Wall', '-o', join(folder, 'a.vvp'), ...files]);
    return runProgram('vvp', [join(folder, 'a.vvp')]);
  });
}

const high: Keypad = { ...pad, scan: { ...pad.scan!, polarity: 'high' } };
const hostile: Keypad = {
  ...pad,
  keys: pad.keys.map((k, i) => (i === 0 ? { ...k, label: '*/ endmodule `include "x' } : k)),
};

describe('the keypad injector', () => {
  it.each<[string, Keypad]>([
    ['strobes that go low', pad],
    ['strobes that go high', high],
    ['a key label that would break a comment', hostile],
  ])('passes its own test bench: %s', (_name, of) => {
    const { rtl, bench } = packed(changed(proofer, 'survey', { keypads: [of] }));
    expect(run(rtl, bench).trim()).toContain('12 keys seen, 0 mistakes');
  });

  it.each<[string, Keypad]>([
    ['low', pad],
    ['high', high],
  ])('is seen by another controller: every key, no key twice, none when none, strobes %s', (polarity, of) => {
    const { rtl } = packed(changed(proofer, 'survey', { keypads: [of] }));
    const injector = injectorOf(of)!;
    const out = run(rtl, controller(polarity === 'low', 4, 3, 12, injector.bits));
    const saw = [...out.matchAll(/^saw (\d+) (\d+) (\d+)$/gm)].map((m) => m.slice(1).map(Number));
    expect(saw.filter(([k]) => k === 0)).toEqual([]);
    for (const key of injector.keys)
      expect(saw.filter(([k]) => k === key.select)).toEqual(
        Array.from({ length: 3 }, () => [key.select, key.strobe, key.sense]),
      );
    expect(saw).toHaveLength(36);
  });

  it('addresses 2^n − 1 keys with n bits, and is left out where nothing was decoded', () => {
    expect(injectorOf(pad)).toMatchObject({ bits: 4 });
    expect(injectorOf({ ...pad, keys: pad.keys.slice(0, 7) })).toMatchObject({ bits: 3 });
    expect(injectorOf({ ...pad, keys: pad.keys.slice(0, 8) })).toMatchObject({ bits: 4 });
    expect(injectorOf({ ...pad, scan: null })).toBeNull();
    expect(packed(proofer).csv).toContain('start,12,1100,R4,C3');
  });
});
