import { present } from '../../../ground/lists';
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
/** Under this the resistor takes all of the voltage, V, and what is behind is told as endless, Ω. */
const LEAST_LOADED_VOLTS = 1e-3;
const ENDLESS_OHMS = 1e9;
/** What may be joined by hand: extra-low voltage of dry places, V (IEC 61140; `loop-volts`). */
const HAND_VOLTS = { dc: 60, ac: 25 } as const;
/** The number of a strip’s terminal; NaN where the point is none. */
export const terminalNumber = (p: Reading['from']): number => (p.kind === 'contact' ? Number(p.name) : Number.NaN);
const latest = (list: readonly Reading[]): Reading | undefined => [...list].sort((x, y) => y.at.localeCompare(x.at))[0];

/** Whether a reading was taken between these two terminals, either way round. */
const between = (r: Reading, a: number, b: number): boolean => {
  const [from, to] = [terminalNumber(r.from), terminalNumber(r.to)];
  return (from === a && to === b) || (from === b && to === a);
};

const signed = (r: Reading | undefined, a: number): number | null =>
  r ? (terminalNumber(r.from) === a ? r.value : -r.value) : null;

type Across = (a: number, b: number, kind: Reading['kind'], state: Reading['state']) => Reading | undefined;

/** What is known of every pair of a strip. */
export function pairTable(n: number, readings: readonly Reading[]): Pair[] {
  const across: Across = (a, b, kind, state) =>
    latest(readings.filter((r) => r.kind === kind && r.state === state && between(r, a, b)));
  const all = Array.from({ length: n }, (_, i) => i + 1);
  const levels = levelsOf(n, readings);
  return all.flatMap((a) => all.filter((b) => b > a).map((b) => pairOf(a, b, levels, across, readings)));
}

function pairOf(a: number, b: number, levels: Levels, across: Across, readings: readonly Reading[]): Pair {
  const dc = signed(across(a, b, 'volts-dc', 'idle'), a);
  const ac = across(a, b, 'volts-ac', 'idle')?.value ?? null;
  const dcVolts = dc ?? byLevels(levels, a, b);
  const loaded = signed(across(a, b, 'volts-dc', 'loaded'), a) ?? across(a, b, 'volts-ac', 'loaded')?.value ?? null;
  const direct = Math.abs(dcVolts ?? 0);
  const sourceOhms = loaded === null ? null : ohmsBehind(direct >= NO_VOLTS ? direct : (ac ?? 0), Math.abs(loaded));
  return {
    a,
    b,
    dcVolts,
    acVolts: ac,
    direct: dc !== null || ac !== null,
    loadedVolts: loaded,
    sourceOhms,
    jumper: triedBetween(readings.filter((r) => r.kind === 'jumper' && between(r, a, b))),
    barred: barredWhy(dcVolts, ac, sourceOhms),
  };
}

/** A terminal's level among those that steady readings tie together: which group it is of, by its first terminal, and V over that one. */
export type Levels = ReadonlyMap<number, { readonly of: number; readonly volts: number }>;

/** Voltages add up along a way: terminals that readings with a voltage of their own tie together stand at known levels to each other. */
export function levelsOf(n: number, readings: readonly Reading[]): Levels {
  const ties = readings.filter((r) => r.kind === 'volts-dc' && r.state === 'idle' && steady(r));
  const out = new Map<number, { of: number; volts: number }>();
  for (let first = 1; first <= n; first++) {
    if (out.has(first)) continue;
    out.set(first, { of: first, volts: 0 });
    const open = [first];
    for (let t = open.pop(); t !== undefined; t = open.pop()) {
      const { volts } = present(out.get(t));
      for (const r of ties) {
        const [from, to] = [terminalNumber(r.from), terminalNumber(r.to)];
        const other = from === t ? to : to === t ? from : 0;
        if (!(other >= 1 && other <= n) || out.has(other)) continue;
        // From one terminal to another is how far the first stands over the second.
        out.set(other, { of: first, volts: from === t ? volts - r.value : volts + r.value });
        open.push(other);
      }
    }
  }
  return out;
}

/** Volts from one terminal to another that are tied together; null where they are not. */
function byLevels(levels: Levels, a: number, b: number): number | null {
  const [x, y] = [levels.get(a), levels.get(b)];
  return x && y && x.of === y.of ? x.volts - y.volts : null;
}

/** Resistance behind a pair that falls from one voltage to the other under the test resistor, Ω. */
const ohmsBehind = (open: number, loaded: number): number =>
  loaded > LEAST_LOADED_VOLTS ? Math.max(0, TEST_OHMS * (open / loaded - 1)) : ENDLESS_OHMS;

function triedBetween(jumpers: readonly Reading[]): Pair['jumper'] {
  if (jumpers.some((r) => r.said === 'acts')) return 'moves';
  if (jumpers.some((r) => r.value === 0)) return 'nothing-by-wire';
  return jumpers.length > 0 ? 'nothing-by-1k' : 'untried';
}

/** Only pairs that show a voltage of their own can be added up; two that read nothing may float apart. */
const steady = (r: Reading | undefined): boolean =>
  r !== undefined && r.relation === '=' && Math.abs(r.value) >= NO_VOLTS;

function barredWhy(dc: number | null, ac: number | null, sourceOhms: number | null): string {
  const open = Math.max(Math.abs(dc ?? 0), ac ?? 0);
  if (dc === null && ac === null) return 'volts not known';
  if (Math.abs(dc ?? 0) > HAND_VOLTS.dc || (ac ?? 0) > HAND_VOLTS.ac) return 'too high to join by hand';
  if (open < NO_VOLTS) return 'no voltage between them';
  if (open < LOOP_VOLTS[0] || open > LOOP_VOLTS[1]) return 'not the voltage of a listening loop';
  if (sourceOhms !== null && sourceOhms < STIFF_OHMS) return 'an output that feeds something';
  return '';
}
