import { LOOKS, type ControlKind, type Look } from '../../ground/job';

const HUNDREDTHS: Readonly<Record<ControlKind, Partial<Record<Look, number>>>> = {
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
};

/** What a look that a kind is not known for still gets, hundredths: housings are made of what there is. */
const STRAY = 1;

/** Share of controls of a kind that look so (`look-shares`); nothing is impossible to the eye. */
export function lookShare(kind: ControlKind, look: Look): number {
  const given = HUNDREDTHS[kind];
  const sum = LOOKS.reduce((s, l) => s + (given[l] ?? STRAY), 0);
  return (given[look] ?? STRAY) / sum;
}
