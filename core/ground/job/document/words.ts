import { formatQuantity, type Unit } from '../../quantity';
import type { Hazard, MachineState, Point, Reading, ReadingKind } from './types';

/** The unit of each kind of reading. */
export const UNIT_OF: Record<ReadingKind, Unit> = {
  'volts-dc': 'V',
  'volts-ac': 'V',
  ohms: 'Ω',
  amps: 'A',
  continuity: 'Ω',
  hertz: 'Hz',
  duty: '%',
  jumper: 'Ω',
  look: '1',
  insulation: 'Ω',
  diode: 'V',
  battery: 'V',
};
const SUFFIX: Partial<Record<ReadingKind, string>> = {
  'volts-dc': ' DC',
  'volts-ac': ' AC',
  duty: ' high',
  insulation: ' at 500 V',
  diode: ' on the diode range',
  battery: ' with the battery in series',
};

/** A reading's value as a person would say it: `4.98 V DC`, `> 20 MΩ`, `beeps`, `springs back`. */
export function sayValue(r: Pick<Reading, 'kind' | 'relation' | 'value'> & Partial<Pick<Reading, 'said'>>): string {
  if (r.kind === 'look') return (r.said ?? '').replace(/-/g, ' ');
  if (r.kind === 'continuity') return r.said === 'beep' ? 'beeps' : 'silent';
  if (r.kind === 'jumper')
    return `${r.said === 'acts' ? 'it acts' : 'nothing'}, ${r.value === 0 ? 'wire' : formatQuantity(r.value, 'Ω')}`;
  const value = r.kind === 'duty' ? r.value * 100 : r.value;
  return `${r.relation === '=' ? '' : `${r.relation} `}${formatQuantity(value, UNIT_OF[r.kind])}${SUFFIX[r.kind] ?? ''}`;
}

/** A point as it is said at a bench. */
export function sayPoint(p: Point): string {
  if (p.kind === 'contact') return p.name;
  if (p.kind === 'rail') return `supply ${p.name}`;
  return p.kind === 'mains' ? 'live and neutral together' : p.kind;
}

const STATE_WORDS: Record<MachineState, string> = {
  off: 'unplugged',
  idle: 'nobody presses',
  pressed: 'held pressed',
  released: 'pressed and let go',
  neighbour: 'a neighbour held',
  turning: 'turned',
  moving: 'running one way',
  'plug-turned': 'nobody presses, the plug turned round',
  'loaded-10k': 'with 10 kΩ across',
  'turned-10k': 'with 10 kΩ across, the plug turned round',
  'loaded-100k': 'with 100 kΩ across',
  'turned-100k': 'with 100 kΩ across, the plug turned round',
  'moving-back': 'running the other way',
  loaded: 'with 1 kΩ across',
  running: 'while running',
  always: 'always there',
};
/** How the machine stands, as it is said. */
export const sayState = (s: MachineState): string => STATE_WORDS[s];

/** Where and in which state: `A to ground, nobody presses`. A short-circuit reading is named as such. */
export function sayPlace(r: Pick<Reading, 'from' | 'to' | 'state' | 'kind'>): string {
  if (r.kind === 'look') return 'eye and finger';
  if (r.kind === 'jumper') return `${sayPoint(r.from)} joined to ${sayPoint(r.to)}`;
  if (r.kind === 'amps') return `${sayPoint(r.from)} shorted to ${sayPoint(r.to)}, ${sayState(r.state)}`;
  return `${sayPoint(r.from)} to ${sayPoint(r.to)}, ${sayState(r.state)}`;
}

/** What can hurt someone, in words. */
export const HAZARD_WORDS: Record<Hazard, string> = {
  mains: 'mains inside',
  'not-isolated': 'low voltage not isolated from mains',
  pressure: 'pressure vessel',
  'unattended-heat': 'heat while nobody watches',
  gas: 'gas',
  'moving-door': 'lifting or closing door',
  pinch: 'something can be pinched',
  water: 'water near a supply',
  'high-voltage': 'high-voltage capacitor (microwave)',
  lithium: 'lithium cells',
  medical: 'medical or life-safety use',
};
