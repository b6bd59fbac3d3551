import type { ReadingSpec } from '../../../engines/circuit';
import type { Look, Point, Reading } from '../../../ground/job';
import { canDo } from './looks';
import type { Posterior } from './posterior';

const contact = (name: string): Point => ({ kind: 'contact', name });
const GROUND: Point = { kind: 'ground', name: '' };
const spec = (from: Point, to: Point, state: ReadingSpec['state'], kind: ReadingSpec['kind']): ReadingSpec => ({
  from,
  to,
  state,
  kind,
});
const [A, B] = [contact('A'), contact('B')];

/** A look has no tips; both stand for the control itself. */
export const LOOK_SPEC: ReadingSpec = spec(A, B, 'off', 'look');

/** Readings that can be asked of a control, each with its trouble (`reading-trouble`). */
export const MENU: readonly (readonly [ReadingSpec, number])[] = [
  [LOOK_SPEC, 0.5],
  [spec(B, GROUND, 'off', 'ohms'), 1],
  [spec(A, GROUND, 'off', 'ohms'), 1],
  [spec(A, B, 'off', 'ohms'), 1],
  [spec(A, B, 'pressed', 'ohms'), 1.2],
  [spec(A, B, 'released', 'ohms'), 1.2],
  [spec(A, B, 'turning', 'ohms'), 1.2],
  [spec(A, GROUND, 'idle', 'volts-dc'), 1.2],
  [spec(B, GROUND, 'idle', 'volts-dc'), 1.2],
  [spec(A, B, 'idle', 'volts-ac'), 1.4],
  [spec(A, B, 'idle', 'volts-dc'), 1.4],
  [spec(A, GROUND, 'idle', 'hertz'), 1.3],
  [spec(B, GROUND, 'idle', 'hertz'), 1.3],
  [spec(A, GROUND, 'idle', 'duty'), 1.5],
  [spec(B, GROUND, 'idle', 'duty'), 1.5],
  [spec(A, GROUND, 'pressed', 'volts-dc'), 1.5],
  [spec(B, GROUND, 'pressed', 'volts-dc'), 1.5],
  [spec(A, GROUND, 'neighbour', 'volts-dc'), 1.7],
  [spec(B, GROUND, 'neighbour', 'volts-dc'), 1.7],
  [spec(A, GROUND, 'turning', 'hertz'), 1.6],
  [spec(A, B, 'moving', 'volts-dc'), 2],
  [spec(A, B, 'moving-back', 'volts-dc'), 2.2],
  [spec(B, GROUND, 'turning', 'hertz'), 1.6],
  [spec(A, GROUND, 'pressed', 'hertz'), 1.8],
  [spec(B, GROUND, 'pressed', 'hertz'), 1.8],
  [spec(A, GROUND, 'idle', 'volts-ac'), 1.5],
  [spec(B, GROUND, 'idle', 'volts-ac'), 1.5],
  [spec(B, A, 'off', 'ohms'), 1.1],
  [spec(B, A, 'pressed', 'ohms'), 1.3],
  [spec(A, B, 'loaded-10k', 'volts-dc'), 1.6],
  [spec(A, B, 'loaded-10k', 'volts-ac'), 1.8],
  [spec(A, B, 'idle', 'amps'), 2.2],
  [spec(A, GROUND, 'loaded-10k', 'volts-dc'), 1.8],
  [spec(B, GROUND, 'loaded-10k', 'volts-dc'), 1.8],
];

const NEEDS: Partial<Record<ReadingSpec['state'], 'press' | 'turn' | 'run'>> = {
  pressed: 'press',
  released: 'press',
  neighbour: 'press',
  turning: 'turn',
  moving: 'run',
  'moving-back': 'run',
};

/** Whether there is something to hold in the state that a reading wants. A motor's polarity is read only where a motor is likely. */
export function possible(s: ReadingSpec, readings: readonly Reading[], p: Posterior): boolean {
  const look = readings.find((r) => r.kind === 'look')?.said as Look | undefined;
  const needs = NEEDS[s.state];
  if (needs === 'run' && p.kinds['motor-pair'] < 0.05) return false;
  if (s.kind === 'duty' && p.kinds['scanned-matrix'] + p.kinds['serial-bus'] < 0.5) return false;
  return needs === undefined || canDo(look, needs);
}
