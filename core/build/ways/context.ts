import { firstItem, itemAt } from '../../ground/lists';
import type { Finding, Verdict } from '../../ground/finding';
import type { ControlFact, DriveFact, PressFact } from '../../ground/facts';
import type { Control, Job, PartKind, Press, Way } from '../../ground/job';
import { conductorOf, sayEnd, terminal, type End, type TerminalEnd } from '../ends';
import { coloursFor, type Role } from './colours';
import type { ControlLine } from './line';

/** What an evaluator of one way is given. */
export interface WayContext {
  readonly job: Job;
  /** The press that is planned. */
  readonly press: Press;
  /** How many wires of the job are numbered before those of this press. */
  readonly wiresBefore: number;
  readonly control: Control;
  readonly fact: ControlFact;
  readonly drive: DriveFact;
  /** Null for a control that has no logic line, for instance a switched load. */
  readonly line: ControlLine | null;
  /** What is known of the job's other controls, by their ids. */
  readonly others: Readonly<Record<string, ControlFact>>;
}

/** A line of the parts list. */
export interface Part {
  readonly name: string;
  readonly value: string;
  readonly quantity: number;
  /** One serves both of two contacts in series. */
  readonly shared?: true;
}

/** One wire of the joint; `crosses` marks a conductor that joins the controller's side to the appliance's. */
export interface Wire {
  readonly number: number;
  /** Its ends, and what they are called. */
  readonly ends: readonly [End, End];
  readonly from: string;
  readonly to: string;
  readonly colour: string;
  readonly crosses: boolean;
  readonly role: Role;
  /** Colours that it may have. */
  readonly colours: readonly string[];
}

/** What came of judging one way on one control. */
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

/** A wire of a way: its ends, whether it joins the sides, and what it is for where its ends do not say so. */
export type WireEnds = readonly [from: End, to: End, crosses?: boolean, role?: Role];

/** Whose wires are numbered, and after how many others. */
export interface WireContext {
  readonly job: Job;
  readonly press: { readonly id: string };
  readonly wiresBefore: number;
}

/** How the colour of the nth wire of a press is kept: by whose it is, so that it stays when another press grows by a wire. */
export const colourKey = (c: WireContext, n: number): string => `${c.press.id}/${n}`;

/** Numbers wires and gives each the colour that its function asks for, the maker's where that is one of those. */
export function wires(c: WireContext, list: readonly WireEnds[], say: (end: End) => string = sayEnd): Wire[] {
  const { job } = c;
  const roles = list.map(([from, to, , role]) => role ?? conductorOf(from, to) ?? 'signal');
  const besideMains = roles.some((r) => r !== 'signal');
  let signals = 0;
  return list.map(([from, to, crosses = false], i) => {
    const role = itemAt(roles, i);
    const colours = coloursFor(job, role, besideMains);
    const wish = job.bench.colours[colourKey(c, i + 1)];
    const usual = role === 'signal' ? itemAt(colours, signals++ % colours.length) : firstItem(colours);
    // A colour that is no name of a mains conductor is the maker's own affair on a low-voltage wire.
    const allowed =
      wish !== undefined && (colours.includes(wish) || (role === 'signal' && !besideMains && wish !== 'green-yellow'));
    return {
      number: c.wiresBefore + i + 1,
      ends: [from, to],
      from: say(from),
      to: say(to),
      crosses,
      role,
      colours,
      colour: allowed ? wish : usual,
    };
  });
}

/** Colours that the maker chose and that a conductor must not have. */
export const refusedColours = (c: WireContext, list: readonly Wire[]): { wire: Wire; wish: string; key: string }[] =>
  list.flatMap((wire, i) => {
    const key = colourKey(c, i + 1);
    const wish = c.job.bench.colours[key];
    return wish !== undefined && wish !== wire.colour ? [{ wire, wish, key }] : [];
  });

/** The two terminals in the order higher side, lower side. */
export function sides(context: WayContext): { upper: TerminalEnd; lower: TerminalEnd } {
  const { signal, leading, strobesLow, farSide } = context.fact;
  const other = signal === 'A' ? 'B' : 'A';
  // A strobe that goes low draws the pulled-up sense line down: the sense line is the higher side.
  const [u, l] =
    farSide === 'supply' || (leading === 'scanned-matrix' && strobesLow !== 'no') ? [other, signal] : [signal, other];
  return { upper: terminal(context.control, u), lower: terminal(context.control, l) };
}
