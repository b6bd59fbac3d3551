import type { Finding, Verdict } from '../finding';
import type { Control, ControlFact, DriveFact, Job, PartKind, PressFact, Way } from '../job';
import type { Line } from './line';

/** What an evaluator of one way is given. */
export interface WayContext {
  readonly job: Job;
  readonly control: Control;
  readonly fact: ControlFact;
  readonly drive: DriveFact;
  /** Null for a control that has no logic line, for instance a switched load. */
  readonly line: Line | null;
  /** What is known of the job's other controls, by their ids. */
  readonly others: Readonly<Record<string, ControlFact>>;
}

export interface Part {
  readonly name: string;
  readonly value: string;
  readonly quantity: number;
}

/** One wire of the joint; `crosses` marks a conductor that joins the controller's side to the appliance's. */
export interface Wire {
  readonly number: number;
  readonly from: string;
  readonly to: string;
  readonly colour: string;
  readonly crosses: boolean;
}

export interface WayResult {
  readonly way: Way;
  readonly verdict: Verdict;
  /** False where this control is of a sort that the way has nothing to do with. */
  readonly applies: boolean;
  /** One line: for or against, on this very control. */
  readonly reason: string;
  readonly findings: readonly Finding[];
  /** For one machine. */
  readonly parts: readonly Part[];
  readonly wires: readonly Wire[];
  /** Kinds of parts of which it takes one class or another. */
  readonly kinds: readonly PartKind[];
  readonly press: PressFact;
}

const WIRE_COLOURS = ['orange', 'black', 'green', 'grey', 'red', 'blue', 'brown', 'yellow', 'violet', 'white'] as const;

/** Numbers wires and gives each the maker's colour or the next of the usual ones. */
export function wires(job: Job, list: readonly (readonly [from: string, to: string, crosses?: boolean])[]): Wire[] {
  return list.map(([from, to, crosses = false], i) => ({
    number: i + 1, from, to, crosses, colour: job.thumb.colours[String(i + 1)] ?? WIRE_COLOURS[i % WIRE_COLOURS.length]!,
  }));
}

/** The two terminals in the order higher side, lower side. */
export function sides(context: WayContext): { upper: string; lower: string } {
  const { signal, leading } = context.fact;
  const other = signal === 'A' ? 'B' : 'A';
  const [u, l] = leading === 'high-when-pressed' ? [other, signal] : [signal, other];
  return { upper: `${context.control.name} ${u}`, lower: `${context.control.name} ${l}` };
}
