import type { Reading } from '../../../ground/job';

/** One pair of terminals. Volts are from the first to the second. */
export interface Pair {
  readonly a: number;
  readonly b: number;
  readonly dcVolts: number | null;
  readonly acVolts: number | null;
  /** True where the volts were read across this very pair, false where they follow from others by difference. */
  readonly direct: boolean;
  /** Volts with 1 kΩ across, where read. */
  readonly loadedVolts: number | null;
  /** Source resistance from open and loaded volts, Ω. */
  readonly sourceOhms: number | null;
  readonly jumper: 'untried' | 'nothing-by-1k' | 'nothing-by-wire' | 'moves';
  /** Whether it may be joined at all, and why not. */
  readonly barred: string;
}

/** Under this a pair shows no voltage of its own. */
export const NO_VOLTS = 0.15;
/** Voltages that a listening loop has, V: common practice (`loop-volts`). */
const LOOP_VOLTS = [3, 40] as const;
/** A source stiffer than this is an output that feeds something, Ω, and is never joined by a wire. */
const STIFF_OHMS = 200;
const TEST_OHMS = 1000;
/** The number of a strip’s terminal; NaN where the point is none. */
export const terminalNumber = (p: Reading['from']): number => (p.kind === 'contact' ? Number(p.name) : Number.NaN);
const latest = (list: readonly Reading[]): Reading | undefined => [...list].sort((x, y) => y.at.localeCompare(x.at))[0];

/** What is known of every pair of a strip. */
export function pairTable(n: number, readings: readonly Reading[]): Pair[] {
  const out: Pair[] = [];
  const across = (a: number, b: number, kind: Reading['kind'], state: Reading['state']): Reading | undefined =>
    latest(
      readings.filter(
        (r) =>
          r.kind === kind &&
          r.state === state &&
          ((terminalNumber(r.from) === a && terminalNumber(r.to) === b) ||
            (terminalNumber(r.from) === b && terminalNumber(r.to) === a)),
      ),
    );
  const signed = (r: Reading | undefined, a: number): number | null =>
    r ? (terminalNumber(r.from) === a ? r.value : -r.value) : null;
  for (let a = 1; a <= n; a++) {
    for (let b = a + 1; b <= n; b++) {
      const dc = signed(across(a, b, 'volts-dc', 'idle'), a);
      const ac = across(a, b, 'volts-ac', 'idle')?.value ?? null;
      // Voltages add up along a way: what lies between two terminals follows from a third that was read against both.
      const third =
        dc === null
          ? Array.from({ length: n }, (_, i) => i + 1).find(
              (c) =>
                c !== a &&
                c !== b &&
                steady(across(a, c, 'volts-dc', 'idle')) &&
                steady(across(c, b, 'volts-dc', 'idle')),
            )
          : undefined;
      const dcVolts =
        dc ??
        (third === undefined
          ? null
          : signed(across(a, third, 'volts-dc', 'idle'), a)! + signed(across(third, b, 'volts-dc', 'idle'), third)!);
      const loaded = signed(across(a, b, 'volts-dc', 'loaded'), a) ?? across(a, b, 'volts-ac', 'loaded')?.value ?? null;
      const open = Math.abs(dcVolts ?? 0) >= NO_VOLTS ? Math.abs(dcVolts!) : (ac ?? 0);
      const sourceOhms =
        loaded !== null && Math.abs(loaded) > 1e-3
          ? Math.max(0, TEST_OHMS * (open / Math.abs(loaded) - 1))
          : loaded === null
            ? null
            : 1e9;
      const jumpers = readings.filter(
        (r) =>
          r.kind === 'jumper' &&
          [terminalNumber(r.from), terminalNumber(r.to)].sort((x, y) => x - y).join() === `${a},${b}`,
      );
      const jumper = jumpers.some((r) => r.said === 'acts')
        ? 'moves'
        : jumpers.some((r) => r.value === 0)
          ? 'nothing-by-wire'
          : jumpers.length
            ? 'nothing-by-1k'
            : 'untried';
      out.push({
        a,
        b,
        dcVolts,
        acVolts: ac,
        direct: dc !== null || ac !== null,
        loadedVolts: loaded,
        sourceOhms,
        jumper,
        barred: barredWhy(dcVolts, ac, sourceOhms),
      });
    }
  }
  return out;
}

/** Only pairs that show a voltage of their own can be added up; two that read nothing may float apart. */
const steady = (r: Reading | undefined): boolean =>
  r !== undefined && r.relation === '=' && Math.abs(r.value) >= NO_VOLTS;

function barredWhy(dc: number | null, ac: number | null, sourceOhms: number | null): string {
  const open = Math.max(Math.abs(dc ?? 0), ac ?? 0);
  if (dc === null && ac === null) return 'volts not known';
  if (Math.abs(dc ?? 0) > 60 || (ac ?? 0) > 25) return 'too high to join by hand';
  if (open < NO_VOLTS) return 'no voltage between them';
  if (open < LOOP_VOLTS[0] || open > LOOP_VOLTS[1]) return 'not the voltage of a listening loop';
  if (sourceOhms !== null && sourceOhms < STIFF_OHMS) return 'an output that feeds something';
  return '';
}
