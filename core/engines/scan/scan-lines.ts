import { firstItem, itemAt, lastItem } from '../../ground/lists';
import type { LineTiming, CaptureTiming } from '../capture';
import type { PadScan } from '../../ground/job';

/** What one capture says of each line: whether it pulses at the common period, and which way. */
export interface PulsingLine {
  readonly index: number;
  readonly name: string;
  readonly periodSeconds: number;
  readonly widthSeconds: number;
  /** The level of the short part. */
  readonly polarity: 'low' | 'high';
}

/** Fewer periods than this are no evidence of a scan. */
const LEAST_PERIODS = 4;

/** The pulsing lines of a capture: those whose falls return at a steady period. */
export function pulsingLines(t: CaptureTiming): PulsingLine[] {
  return t.lines.flatMap((l, index) => {
    if (
      l.periodSeconds === null ||
      l.falls < LEAST_PERIODS ||
      l.lowWidthSeconds === null ||
      l.highWidthSeconds === null
    )
      return [];
    const polarity = l.lowWidthSeconds <= l.highWidthSeconds ? 'low' : 'high';
    return [
      {
        index,
        name: l.name,
        periodSeconds: l.periodSeconds,
        widthSeconds: polarity === 'low' ? l.lowWidthSeconds : l.highWidthSeconds,
        polarity,
      },
    ];
  });
}

/** Share of a line's active time during which another line is active too. */
export function overlapShare(t: CaptureTiming, line: PulsingLine, other: PulsingLine): number {
  const active = (mask: number, p: PulsingLine): boolean => ((mask >> p.index) & 1) === (p.polarity === 'high' ? 1 : 0);
  let own = 0;
  let both = 0;
  for (const [mask, seconds] of t.together) {
    if (!active(mask, line)) continue;
    own += seconds;
    if (active(mask, other)) both += seconds;
  }
  return own > 0 ? both / own : 0;
}

/** Strobe lines in the order in which they become active, beginning with the first that the file names. */
export function strobeOrder(t: CaptureTiming, strobes: readonly PulsingLine[]): PulsingLine[] {
  if (strobes.length < 2) return [...strobes];
  const next = firstItem(strobes).polarity === 'low' ? t.nextFall : t.nextRise;
  const senses = t.lines.map((_, i) => i).filter((i) => !strobes.some((s) => s.index === i));
  const out = [firstItem(strobes)];
  while (out.length < strobes.length) {
    const from = lastItem(out);
    const left = strobes.filter((s) => !out.includes(s));
    // Sense lines may fall between strobes, so the count goes through them as well, but never through another strobe.
    const count = (to: PulsingLine): number => follows(next, from.index, to.index, senses);
    const best = left.reduce((a, b) => (count(b) > count(a) ? b : a));
    out.push(best);
  }
  return out;
}

/** How often `to` came next after `from`, straight away or with one sense line between. */
const follows = (next: readonly (readonly number[])[], from: number, to: number, senses: readonly number[]): number =>
  itemAt(itemAt(next, from), to) +
  senses.reduce((s, k) => s + Math.min(itemAt(itemAt(next, from), k), itemAt(itemAt(next, k), to)), 0);

const median = (list: readonly number[]): number =>
  itemAt(
    [...list].sort((a, b) => a - b),
    list.length >> 1,
  );

/** The scan that a set of strobes and senses makes. */
export const scanOf = (strobes: readonly PulsingLine[], senses: readonly LineTiming[]): PadScan => ({
  periodSeconds: median(strobes.map((s) => s.periodSeconds)),
  widthSeconds: median(strobes.map((s) => s.widthSeconds)),
  polarity: firstItem(strobes).polarity,
  strobes: strobes.map((s) => s.name),
  senses: senses.map((l) => l.name),
});
