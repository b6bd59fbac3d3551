import type { ControlFact } from '../../ground/facts';
import type { Control } from '../../ground/job';
import { exactly } from '../../ground/quantity';
import { lineOf, type ControlLine } from '../ways';
import { over, resistorElement, shorted, type CircuitPiece } from './piece';

/** Mains over its nominal value, at its peak (`part-share`). */
const PEAK = 1.1 * Math.SQRT2;

/** The machine's side of a control: the higher and the lower of its two terminals, as nodes. */
export interface MachineSide extends CircuitPiece {
  readonly line: ControlLine;
  readonly upper: string;
  readonly lower: string;
}

/** A button's line as Probe has it; null for a control that has none. What alternates stands at its peak. */
export function machineSide(control: Control, fact: ControlFact | undefined): MachineSide | null {
  const line = fact && lineOf(fact, control);
  if (!line) return null;
  const node = (what: string): string => `machine ${control.id} ${what}`;
  const [upper, lower, supply, ground] = [node('upper'), node('lower'), node('supply'), node('ground')];
  const volts = line.alternating === 'yes' ? over(line.supply.range, PEAK) : line.supply.range;
  return {
    line,
    upper,
    lower,
    parts: [],
    elements: (state) => [
      {
        is: 'source',
        id: node('rail'),
        a: supply,
        b: ground,
        volts: state.machine ? volts : exactly(0),
        ohms: exactly(1e-3),
      },
      ...(line.polarity === 'low'
        ? [resistorElement(node('pull-up'), supply, upper, line.pull.range), shorted(node('return'), lower, ground)]
        : [shorted(node('feed'), supply, upper), resistorElement(node('pull-down'), lower, ground, line.pull.range)]),
    ],
  };
}
