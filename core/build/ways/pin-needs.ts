import type { LineSort, PinNeed } from '../../ground/facts';
import type { Way } from '../../ground/job';
import type { WayResult } from './context';

/** A pin by the end of a wire: `pin`, `pin 2`, `pin, enable`; null for an end that is none. */
const pinEnd = (end: string): string | null => /^pin(?: \d+|, [a-z]+(?: \d+)?)?(?=$|,)/.exec(end)?.[0] ?? null;

/** Signals that are no level, by the way and the part. */
const SORTS: Partial<Record<Way, Readonly<Record<string, LineSort>>>> = {
  finger: { '': 'pulse-width' },
  'drive-signal': { signal: 'frequency', back: 'pulses' },
  'hand-mechanism': { step: 'pulses' },
};
/** Parts that move nothing by themselves. */
const IDLE = /^(direction|enable|select \d+|changeover)$/;

/** What a pin is for, by the other end of its wire: `K1` of `base resistor of K1`, `step` of `driver step`. */
function partOf(end: string, other: string): string {
  const named = /^pin, (.+)$/.exec(end);
  if (named) return named[1]!;
  if (end === 'pin') return '';
  return (/([A-Z]+\d+|step|direction|up|down)(?:,|$)/.exec(other)?.[1] ?? end.replace('pin ', '')).trim();
}

/** The pins that a way takes, from its wires; one level where nothing is wired yet. */
export function pinNeeds(r: WayResult): readonly PinNeed[] {
  const out = new Map<string, PinNeed>();
  for (const w of r.wires) {
    for (const [end, other, direction] of [
      [pinEnd(w.from), w.to, 'out'],
      [pinEnd(w.to), w.from, 'in'],
    ] as const) {
      if (end === null || out.has(end)) continue;
      // An input that the way writes first, as the strobe that it watches.
      const into = direction === 'in' || end === 'pin, input';
      const part = direction === 'in' ? backPart(end, other) : partOf(end, other);
      out.set(end, {
        end,
        part,
        direction: into ? 'in' : 'out',
        sort: SORTS[r.way]?.[part] ?? 'level',
        acts: !into && !IDLE.test(part),
      });
    }
  }
  return out.size > 0
    ? [...out.values()].sort((a, b) => Number(a.direction === 'in') - Number(b.direction === 'in'))
    : [
        {
          end: 'pin',
          part: '',
          direction: 'out',
          sort: r.press.input === 'pulses' ? 'pulse-width' : 'level',
          acts: true,
        },
      ];
}

/** An input by what comes: pulses back, or an end switch. */
const backPart = (end: string, other: string): string =>
  other.startsWith('pulses')
    ? 'back'
    : /^end switch (.+)$/.exec(other)
      ? other.replace('end switch ', 'end ')
      : end.replace('pin ', 'in ');
