import type { ControlFact } from '../../ground/facts';
import type { Control } from '../../ground/job';
import { exactly, type Interval } from '../../ground/quantity';
import { AGREES_WITHIN, lineOf, type ControlLine } from '../ways';
import { over, resistorElement, shorted, type CircuitPiece, type UnreadElement } from './piece';

/** Mains over its nominal value, at its peak (`part-share`). */
const PEAK = 1.1 * Math.SQRT2;

/** The machine's side of a control: the higher and the lower of its two terminals, as nodes. */
export interface MachineSide extends CircuitPiece {
  readonly line: ControlLine;
  /** Most that its closed pair passes, by its line or as it was read, A. */
  readonly mostAmps: number;
  readonly upper: string;
  readonly lower: string;
  /** The plus of what feeds it, and its ground. */
  readonly supply: string;
  readonly ground: string;
}

/** What does not alternate for certain stands at its peak, either way round. */
function voltsOf({ alternating, supply }: ControlLine): Interval {
  if (alternating === 'no') return supply.range;
  const peak = over(supply.range, PEAK);
  return { ...peak, low: -peak.high };
}

/** A button's line as Probe has it; null for a control that has none. */
export function machineSide(control: Control, fact: ControlFact | undefined): MachineSide | null {
  const line = fact && lineOf(fact, control);
  if (!line) return null;
  const node = (what: string): string => `machine ${control.id} ${what}`;
  const [upper, lower, supply, ground] = [node('upper'), node('lower'), node('supply'), node('ground')];
  const [rail, pull] = [node('rail'), node('pull')];
  const unread = (element: string, what: string): UnreadElement => ({
    element,
    verdict: 'unknown',
    because: `nobody read the ${what} of ${control.name}`,
  });
  const own = line.supply.range.high / line.pull.range.low;
  const most = Math.max(own, fact.mostAmps ?? 0);
  return {
    line,
    mostAmps: most,
    upper,
    lower,
    supply,
    ground,
    parts: [],
    guesses: [
      ...(line.supply.origin.from === 'prior' ? [unread(rail, line.supply.name)] : []),
      ...(line.pull.origin.from === 'prior' ? [unread(pull, line.pull.name)] : []),
      // Read of another control, which this one is taken to be like.
      ...(fact.borrowed
        ? [rail, pull].map((element) => ({
            element,
            verdict: 'tight' as const,
            because: `${control.name} is taken to be like another`,
          }))
        : []),
      // What passed through the closed pair is more than its other readings give: one of them is wrong.
      ...(most > AGREES_WITHIN * own
        ? [{ element: pull, verdict: 'unknown' as const, because: `readings of ${control.name} contradict each other` }]
        : []),
    ],
    elements: (state) => [
      {
        is: 'source',
        id: rail,
        a: supply,
        b: ground,
        volts: state.machine ? voltsOf(line) : exactly(0),
        ohms: exactly(1e-3),
      },
      ...(line.polarity === 'low'
        ? [resistorElement(pull, supply, upper, line.pull.range), shorted(node('return'), lower, ground)]
        : [shorted(node('feed'), supply, upper), resistorElement(pull, lower, ground, line.pull.range)]),
    ],
  };
}
