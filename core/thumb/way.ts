import type { Finding, Verdict } from '../finding';
import type { Control, ControlFact, DriveFact, Job, PressFact, Way } from '../job';
import type { Line } from './line';

/** What an evaluator of one way is given. */
export interface WayContext {
  readonly job: Job;
  readonly control: Control;
  readonly fact: ControlFact;
  readonly drive: DriveFact;
  /** Null for a switched load. */
  readonly line: Line | null;
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
  /** One line: for or against, on this very control. */
  readonly reason: string;
  readonly findings: readonly Finding[];
  readonly parts: readonly Part[];
  readonly wires: readonly Wire[];
  readonly press: PressFact;
}

export const WAY_WORDS: Record<Way, { name: string; costs: string }> = {
  'relay-contact': { name: 'Relay contact', costs: 'any polarity, isolated; clicks, needs a driver and 5 V' },
  'npn-to-ground': { name: 'Transistor to ground', costs: 'cents and silent; shares the ground' },
  'nmos-to-ground': { name: 'MOSFET to ground', costs: 'cents and silent, takes no pin current; shares the ground' },
  optocoupler: { name: 'Optocoupler', costs: 'isolated, silent, small; polarity matters' },
  'solid-state-relay': { name: 'Solid-state relay', costs: 'any polarity, isolated, silent, no minimum current' },
};

/** A way's name inside a sentence: lower case, but for abbreviations. */
export const wayPhrase = (way: Way): string => WAY_WORDS[way].name.replace(/^[A-Z](?=[a-z])/, (c) => c.toLowerCase());

const WIRE_COLOURS = ['orange', 'black', 'green', 'grey', 'red'] as const;

/** Numbers wires and gives each the maker's colour or the next of the usual ones. */
export function wires(job: Job, list: readonly [from: string, to: string, crosses?: boolean][]): Wire[] {
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
