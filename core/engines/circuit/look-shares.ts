import { LOOKS, type Look } from '../../ground/job';
import type { ModelKind } from './model-kinds';

const HUNDREDTHS: Readonly<Record<ModelKind, Partial<Record<Look, number>>>> = {
  'low-when-pressed': { 'springs-back': 82, membrane: 11, terminals: 3, rocker: 1 },
  'high-when-pressed': { 'springs-back': 84, membrane: 9, terminals: 3, rocker: 1 },
  ladder: { 'springs-back': 83, membrane: 12, terminals: 2 },
  'scanned-matrix': { 'springs-back': 47, membrane: 47, connector: 2 },
  'dry-pair': { terminals: 88, 'springs-back': 8 },
  'switched-load': { rocker: 70, 'springs-back': 6, 'stays-down': 4, 'turns-to-stops': 10, terminals: 7 },
  'touch-pad': { glass: 92, membrane: 3 },
  'motor-pair': { 'two-wires': 92, terminals: 4 },
  'latching-switch': { 'stays-down': 88, rocker: 6 },
  selector: { 'turns-to-stops': 93, 'turns-on': 2 },
  encoder: { 'turns-on': 93, 'turns-to-stops': 3 },
  'serial-bus': { connector: 93, 'two-wires': 1, terminals: 2 },
  'opens-when-pressed': { 'springs-back': 76, membrane: 4, terminals: 12 },
  changeover: { 'springs-back': 50, rocker: 30, 'stays-down': 8 },
  'variable-resistor': { 'turns-to-stops': 84, 'turns-on': 6, connector: 2, terminals: 2 },
  sensor: { connector: 40, 'two-wires': 28, terminals: 24 },
  'lamp-across': { 'springs-back': 70, rocker: 20, 'stays-down': 5 },
  'two-levels': { 'springs-back': 80, membrane: 12 },
  indicator: { glass: 45, connector: 25, 'two-wires': 15, terminals: 4 },
  rails: { 'two-wires': 40, connector: 35, terminals: 18 },
  'fed-elsewhere': { terminals: 45, connector: 38, 'two-wires': 8 },
  output: { connector: 78, 'two-wires': 8, terminals: 8 },
  sounder: { 'two-wires': 50, terminals: 25, connector: 15 },
};

/** What a look that a kind is not known for still gets, hundredths: housings are made of what there is. */
const STRAY = 1;

/** Share of controls of a kind that look so (`look-shares`); nothing is impossible to the eye. */
export function lookShare(kind: ModelKind, look: Look): number {
  const given = HUNDREDTHS[kind];
  const sum = LOOKS.reduce((s, l) => s + (given[l] ?? STRAY), 0);
  return (given[look] ?? STRAY) / sum;
}
