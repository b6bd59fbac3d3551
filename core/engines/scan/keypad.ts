import { firstItem, itemAt } from '../../ground/lists';
import type { CaptureTiming } from '../capture';
import type { PadScan } from '../../ground/job';
import { overlapShare, pulsingLines, scanOf, strobeOrder, type PulsingLine } from './scan-lines';

/** A capture with what was done meanwhile: `idle` or the name of the key that was held. */
export interface LabelledTiming {
  readonly label: string;
  readonly timing: CaptureTiming;
}

/** A key as found: the strobe and the sense line that it joins. */
export interface FoundKey {
  readonly label: string;
  readonly strobe: string;
  readonly sense: string;
  /** Share of the sense line's active time that lies within the strobe. */
  readonly overlap: number;
}

/** What was decoded of a pad: its lines and keys, and what could not be told. */
export interface KeypadMap {
  readonly scan: PadScan | null;
  readonly keys: readonly FoundKey[];
  /** What could not be told, in words, by capture. */
  readonly problems: readonly { readonly label: string; readonly text: string }[];
}

const isIdle = (label: string): boolean => /^(idle|none|rest)$/i.test(label);
/** A sense line follows a strobe for at least this share of its own pulses. */
const LEAST_OVERLAP = 0.8;

/**
 * Strobes, senses, order and the key map from captures of the lines, one while nobody presses and one per key held.
 * A line that pulses in every capture is a strobe; one that pulses only while a key is held is a sense line.
 * Throws RangeError without any capture.
 */
export function decodeKeypad(captures: readonly LabelledTiming[]): KeypadMap {
  if (captures.length === 0) throw new RangeError('a keypad is read from at least one capture');
  const problems: { label: string; text: string }[] = [];
  const pulsing = captures.map((c) => pulsingLines(c.timing));
  const idle = captures.findIndex((c) => isIdle(c.label));
  const everywhere = (p: PulsingLine): boolean => pulsing.every((list) => list.some((q) => q.name === p.name));
  const reference = idle >= 0 ? idle : 0;
  const strobes = itemAt(pulsing, reference).filter((p) => idle >= 0 || everywhere(p));
  if (strobes.length === 0) {
    return {
      scan: null,
      keys: [],
      problems: [
        {
          label: itemAt(captures, reference).label,
          text:
            'No line pulses steadily: the pad is not scanned, or the capture is ' +
            'shorter than a few periods. Check each key by continuity instead.',
        },
      ],
    };
  }
  if (idle < 0 && captures.length === 1)
    problems.push({
      label: firstItem(captures).label,
      text: 'From one capture with a key held a strobe cannot be told from its sense line. Take one more while nobody presses.',
    });
  const held = strobes.map((s) => s.polarity).filter((p) => p !== firstItem(strobes).polarity);
  if (held.length)
    problems.push({
      label: itemAt(captures, reference).label,
      text: 'Some strobes pulse low and some high; the longer part of an even square wave cannot be told. Take the levels with a meter.',
    });

  const senses = new Set<string>();
  const keys: FoundKey[] = [];
  captures.forEach((c, i) => {
    if (isIdle(c.label)) return;
    const extra = itemAt(pulsing, i).filter((p) => !strobes.some((s) => s.name === p.name));
    if (extra.length === 0) {
      problems.push({
        label: c.label,
        text: `While ${c.label} was held no further line pulsed: press harder, or probe the line that is missing.`,
      });
      return;
    }
    for (const sense of extra) {
      const now = itemAt(pulsing, i).filter((p) => strobes.some((s) => s.name === p.name));
      const ranked = now
        .map((strobe) => ({ strobe, overlap: overlapShare(c.timing, { ...sense, polarity: strobe.polarity }, strobe) }))
        .sort((a, b) => b.overlap - a.overlap);
      const best = ranked[0];
      if (!best || best.overlap < LEAST_OVERLAP) {
        problems.push({
          label: c.label,
          text: `${sense.name} pulses while ${c.label} is held, yet with no strobe: is it another circuit?`,
        });
        continue;
      }
      senses.add(sense.name);
      keys.push({ label: c.label, strobe: best.strobe.name, sense: sense.name, overlap: best.overlap });
    }
    if (extra.length > 1)
      problems.push({
        label: c.label,
        text: `Holding ${c.label} makes ${extra.map((e) => e.name).join(' and ')} pulse: two keys were held, or ghosts through a third.`,
      });
  });
  const first = itemAt(captures, reference).timing;
  const ordered = strobeOrder(first, strobes);
  return {
    scan: scanOf(
      ordered,
      first.lines.filter((l) => senses.has(l.name)),
    ),
    keys,
    problems,
  };
}
