import { formatQuantity, type Unit } from '../quantity';
import type { MachineState, Point, Reading, ReadingKind } from './types';

export const UNIT_OF: Record<ReadingKind, Unit> = { 'volts-dc': 'V', 'volts-ac': 'V', ohms: 'Ω', amps: 'A' };
const SUFFIX: Record<ReadingKind, string> = { 'volts-dc': ' DC', 'volts-ac': ' AC', ohms: '', amps: '' };

/** A reading's value as a person would say it: `4.98 V DC`, `> 20 MΩ`. */
export function sayValue(r: Pick<Reading, 'kind' | 'relation' | 'value'>): string {
  return `${r.relation === '=' ? '' : `${r.relation} `}${formatQuantity(r.value, UNIT_OF[r.kind])}${SUFFIX[r.kind]}`;
}

export function sayPoint(p: Point): string {
  if (p.kind === 'contact') return p.name;
  if (p.kind === 'rail') return `supply ${p.name}`;
  return p.kind === 'mains' ? 'live and neutral together' : p.kind;
}

const STATE_WORDS: Record<MachineState, string> = {
  off: 'unplugged', idle: 'nobody presses', pressed: 'held pressed', running: 'while running', always: 'always there',
};
export const sayState = (s: MachineState): string => STATE_WORDS[s];

/** Where and in which state: `A to ground, nobody presses`. A short-circuit reading is named as such. */
export function sayPlace(r: Pick<Reading, 'from' | 'to' | 'state' | 'kind'>): string {
  if (r.kind === 'amps') return `${sayPoint(r.from)} shorted to ${sayPoint(r.to)}, ${sayState(r.state)}`;
  return `${sayPoint(r.from)} to ${sayPoint(r.to)}, ${sayState(r.state)}`;
}
