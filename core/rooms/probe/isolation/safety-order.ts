import type { ReadingSpec } from '../../../engines/circuit';
import type { Reading } from '../../../ground/job';
import { ELV_AC_VOLTS } from '../../../engines/electrics';
import { TEST_LOAD_OHMS } from './ac-checks';

/** Above this no pair is loaded or joined through a meter, V DC and AC: inside extra-low voltage (`short-limit`). */
const SHORT_BELOW_VOLTS = 60;
const SHORT_BELOW_VOLTS_AC = 25;
/**
 * A milliampere jack is put across a pair only where 10 kΩ took at least this share of its volts: then some 200 Ω stand
 * behind it (`short-limit`).
 */
const SAG_SHARE = 0.02;
/** What such a short may pass at most, A: half of what a jack and a track bear for certain (`short-limit`). */
const SHORT_MOST_AMPS = 0.1;
/** Under this a pair shows nothing on a setting, V: what alternates may still stand there, and no sag can be told. */
const SHOWS_VOLTS = 1;

type Setting = 'volts-dc' | 'volts-ac';

/**
 * Whether the safety order lets a reading be taken now: nothing powered before isolation from mains is read, no load across a pair
 * before its volts are, and no short before its volts on both settings and what stands behind them.
 */
export function allowed(s: ReadingSpec, readings: readonly Reading[], isolated: boolean): boolean {
  if (s.kind === 'ohms' || s.kind === 'continuity' || s.kind === 'look') return true;
  if (!isolated) return false;
  if (s.state === 'loaded-10k') return loadAllowed(s, readings);
  return s.kind === 'amps' || s.kind === 'jumper' ? shortAllowed(s, readings) : true;
}

/** What was read between the places of a spec on a setting, in a state, V without sign. */
function between(
  s: Pick<ReadingSpec, 'from' | 'to'>,
  readings: readonly Reading[],
  kind: Setting,
  state: Reading['state'],
): number[] {
  const places = [s.from, s.to]
    .map((p) => `${p.kind}${p.name}`)
    .sort()
    .join();
  return readings
    .filter(
      (r) =>
        r.kind === kind &&
        r.state === state &&
        r.relation === '=' &&
        [r.from, r.to]
          .map((p) => `${p.kind}${p.name}`)
          .sort()
          .join() === places,
    )
    .map((r) => Math.abs(r.value));
}

/** 10 kΩ between two points: their volts are known to be low, on the other setting too where this one shows nothing. */
function loadAllowed(s: ReadingSpec, readings: readonly Reading[]): boolean {
  const [dc, ac] = (['volts-dc', 'volts-ac'] as const).map((kind) => between(s, readings, kind, 'idle')) as [
    number[],
    number[],
  ];
  const own = s.kind === 'volts-ac' ? ac : dc;
  const low = readings
    .filter((r) => r.state === 'idle')
    .every(
      (r) =>
        Math.abs(r.value) <=
        (r.kind === 'volts-dc' ? SHORT_BELOW_VOLTS : r.kind === 'volts-ac' ? ELV_AC_VOLTS : Number.POSITIVE_INFINITY),
    );
  return low && own.length > 0 && (Math.max(...own) >= SHOWS_VOLTS || (dc.length > 0 && ac.length > 0));
}

/** A short between the terminals: both settings read low, and on each that shows anything 10 kΩ told that a resistor stands behind. */
function shortAllowed(s: ReadingSpec, readings: readonly Reading[]): boolean {
  const settings = (
    [
      ['volts-dc', SHORT_BELOW_VOLTS],
      ['volts-ac', SHORT_BELOW_VOLTS_AC],
    ] as const
  ).map(([kind, most]) => {
    const open = between(s, readings, kind, 'idle');
    return { open, most, left: between(s, readings, kind, 'loaded-10k') };
  });
  if (settings.some(({ open, most }) => open.length === 0 || Math.max(...open) > most)) return false;
  const showing = settings.filter(({ open }) => Math.max(...open) >= SHOWS_VOLTS);
  return (
    showing.length > 0 &&
    showing.every(({ open, left }) => left.length > 0 && sagged(Math.min(...open), Math.max(...left)))
  );
}

/** Whether 10 kΩ took enough of the volts that what stands behind them passes little. */
const sagged = (open: number, left: number): boolean =>
  left <= open * (1 - SAG_SHARE) && (open * left) / (TEST_LOAD_OHMS * (open - left)) <= SHORT_MOST_AMPS;
