import type { PinNeed } from '../../ground/facts';
import type { PinEnd } from '../ends';
import type { WayResult } from './context';

const needOf = ({ name, part, direction, sort, acts }: PinEnd): PinNeed => ({ end: name, part, direction, sort, acts });

/** The pins that a way takes, from its wires, outputs first; one level where nothing is wired yet. */
export function pinNeeds(r: WayResult): readonly PinNeed[] {
  const out = new Map<string, PinNeed>();
  for (const end of r.wires.flatMap((w) => w.ends))
    if (end.at === 'pin' && !out.has(end.name)) out.set(end.name, needOf(end));
  if (out.size === 0)
    return [
      {
        end: 'pin',
        part: '',
        direction: 'out',
        sort: r.press.input === 'pulses' ? 'pulse-width' : 'level',
        acts: true,
      },
    ];
  return [...out.values()].sort((a, b) => Number(a.direction === 'in') - Number(b.direction === 'in'));
}
