import { itemAt } from '../../ground/lists';
import type { Random } from '../../ground/quantity';

/** A scanned pad for captures without hardware. */
export interface PadModel {
  readonly strobes: readonly string[];
  readonly senses: readonly string[];
  /** The key at each crossing, by strobe then sense. */
  readonly keys: readonly (readonly string[])[];
  readonly periodSeconds: number;
  readonly widthSeconds: number;
  readonly polarity: 'low' | 'high';
}

/** The dough proofer's membrane: four strobes of 2 ms every 16 ms that go low, three sense lines. Invented. */
export const PROOFER_PAD: PadModel = {
  strobes: ['R1', 'R2', 'R3', 'R4'],
  senses: ['C1', 'C2', 'C3'],
  keys: [
    ['1', '2', '3'],
    ['4', '5', '6'],
    ['7', '8', '9'],
    ['warm', '0', 'start'],
  ],
  periodSeconds: 16e-3,
  widthSeconds: 2e-3,
  polarity: 'low',
};

/** The strobe and sense line of a key. Throws RangeError for a key that the pad does not have. */
export function crossing(pad: PadModel, key: string): { strobe: number; sense: number } {
  const strobe = pad.keys.findIndex((row) => row.includes(key));
  if (strobe < 0) throw new RangeError(`the pad has no key ${key}`);
  return { strobe, sense: itemAt(pad.keys, strobe).indexOf(key) };
}

/** The first printable character of a dump's codes; where in its slot a strobe begins, and its jitter, µs. */
const FIRST_CODE = 33;
const BEGINS_AT = 0.25;
const JITTER_MICROSECONDS = 3;

/** What a logic analyser would save of the pad's lines, as a value change dump with microseconds, with a little jitter. */
export function padCapture(pad: PadModel, held: string | null, periods: number, random: Random): string {
  const at = held === null ? null : crossing(pad, held);
  const names = [...pad.strobes, ...pad.senses];
  const code = (i: number): string => String.fromCharCode(FIRST_CODE + i);
  const active = pad.polarity === 'low' ? 0 : 1;
  const lines = [
    '$timescale 1 us $end',
    '$scope module pad $end',
    ...names.map((n, i) => `$var wire 1 ${code(i)} ${n} $end`),
    '$upscope $end',
    '$enddefinitions $end',
    '#0',
    '$dumpvars',
    ...names.map((_, i) => `${1 - active}${code(i)}`),
    '$end',
  ];
  const slot = pad.periodSeconds / pad.strobes.length;
  for (let p = 0; p < periods; p++) {
    pad.strobes.forEach((_, s) => {
      const start = Math.round(
        1e6 * (p * pad.periodSeconds + (s + BEGINS_AT) * slot) + JITTER_MICROSECONDS * random.normal(),
      );
      const end = start + Math.round(1e6 * pad.widthSeconds + random.normal());
      const joined = at?.strobe === s ? [pad.strobes.length + at.sense] : [];
      lines.push(
        `#${start}`,
        `${active}${code(s)}`,
        ...joined.map((k) => `${active}${code(k)}`),
        `#${end}`,
        `${1 - active}${code(s)}`,
        ...joined.map((k) => `${1 - active}${code(k)}`),
      );
    });
  }
  lines.push(`#${Math.round(1e6 * periods * pad.periodSeconds)}`, '');
  return lines.join('\n');
}
