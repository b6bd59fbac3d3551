import type { Else, OpKind } from '../../engines/world';
import type { Sign } from '../../ground/job';
import type { HandDeed } from '../panel';

/** Pulse widths of a servo that stands for a level, s; `other` is a rocker’s other side. */
export interface ProgramPulses {
  readonly rest: number;
  readonly press: number;
  readonly other: number | null;
}

/** A press that the program can make. */
export interface ProgramPress {
  readonly id: string;
  readonly name: string;
  readonly pin: number;
  /** Pins that are driven with it. */
  readonly more: readonly number[];
  readonly pressesOn: 'high' | 'low';
  /** Null for a level. */
  readonly pulses: ProgramPulses | null;
  /** The other direction of a press that has two; null where it has one. */
  readonly order: ProgramOrder | null;
}

/** How two directions are driven: `pin` of the press is the first output, `second` the other. */
export interface ProgramOrder {
  /** `two`: each direction has an output. `direction`: the first says which way, the second gives the power. */
  readonly by: 'two' | 'direction';
  readonly second: number;
  readonly apartSeconds: number;
  readonly leadSeconds: number;
}

/** One side of what people move at the controller, on its pin; −1 for a command, which comes by message. */
export interface ProgramHand extends HandDeed {
  readonly pin: number;
  /** The level while it is moved. */
  readonly active: 'high' | 'low';
}

/** Where a sense comes from: a level on its pin, a message, a thermometer on one wire, or what only a function of the maker's own reads. */
export type SenseFrom = 'pin' | 'message' | 'one-wire' | 'own';

/** A sense that the program reads: on its pin, or, with −1, from elsewhere. */
export interface ProgramSense {
  readonly id: string;
  readonly name: string;
  readonly from: SenseFrom;
  readonly pin: number;
  /** The pin of its wire, whatever goes over it; −1 for none. */
  readonly wire: number;
  /** Topic of its messages; empty for none. */
  readonly topic: string;
  /** After so long without news nothing is known of it, s; null for never. */
  readonly staleSeconds: number | null;
  /** The level at which what it tells is so. */
  readonly yes: 'high' | 'low';
  /** How long it must stand before it is heard, by what it says, s. */
  readonly heardAfter: { readonly so: number; readonly notSo: number };
  /** Where it is a number: it says so over one value, or under the other; null where it is none. */
  readonly limit: {
    readonly over: number;
    readonly under: number;
    readonly soOver: boolean;
    readonly unit: string;
  } | null;
}

/** A sign that the program lights. */
export interface ProgramSign {
  readonly name: string;
  readonly pin: number;
  readonly means: Sign['means'];
  readonly dueAfterStarts: number | null;
}

/** What the clock shows where the controller stands, and what only a calendar tells, in whole seconds of universal time since 2000. */
export interface ProgramCalendar {
  /** When it was made, and as a date; nothing before it can be true. */
  readonly madeAt: number;
  readonly madeOn: string;
  /** The date until which the instants are told. */
  readonly until: string;
  /** From when on, and how far local time is before universal time then, s; the first row is that of the beginning. */
  readonly zones: readonly (readonly [at: number, seconds: number])[];
  /** Instants at which the sun, a calendar or a date has rules come true, in order, with the number of the rule. */
  readonly instants: readonly (readonly [at: number, rule: number])[];
  /** Rules of a clock time that take some dates only: the instants have them, not the week. */
  readonly dated: readonly number[];
}

/** A contact that stands closed from the start and that no move opens. */
export interface ProgramHeld {
  readonly name: string;
  readonly pin: number;
  /** The level that closes it. */
  readonly closesOn: 'high' | 'low';
}

/** What a program is made of beside the job: what lies on which pin. */
export interface ProgramPins {
  readonly presses: readonly ProgramPress[];
  readonly senses: readonly ProgramSense[];
  readonly signs: readonly ProgramSign[];
  readonly hands: readonly ProgramHand[];
  /** Contacts that it closes at the start and leaves closed. */
  readonly held: readonly ProgramHeld[];
  /** Whether it tells each change that it hears. */
  readonly listens: boolean;
  /** Pins that have a pull-up inside. */
  readonly pulled: readonly number[];
  readonly calendar: ProgramCalendar;
}

/** A contact that the program closes, with the level that closes it; 2 for a servo’s other side. */
export interface ProgramContact {
  /** Id and name of its press; `other` for the other side or direction. */
  readonly press: string;
  readonly name: string;
  readonly pin: number;
  readonly level: number;
  readonly other: boolean;
}

/** Two directions of one press. Masks have a bit for each contact, the first is bit 0. */
export interface OrderRow {
  readonly name: string;
  readonly sides: readonly [number, number];
  readonly apartMs: number;
  readonly leadMs: number;
  /** The pin that says which way, and its level for the other direction; −1 where each direction has a contact of its own. */
  readonly pin: number;
  readonly level: number;
}

/** A sense; numbers of senses are from 1, 0 is none. */
export interface SenseRow {
  readonly id: string;
  readonly name: string;
  readonly pin: number;
  readonly level: number;
  readonly soMs: number;
  readonly notMs: number;
  readonly limit: ProgramSense['limit'];
  readonly from: SenseFrom;
  readonly wire: number;
  readonly topic: string;
  readonly staleMs: number;
}

export interface SignRow {
  readonly name: string;
  readonly pin: number;
  readonly means: Sign['means'];
  /** So many starts, where it means that care is due; Infinity where nobody said. */
  readonly after: number;
}

export interface HandRow {
  readonly name: string;
  readonly pin: number;
  readonly level: number;
  readonly ms: number;
  readonly does: HandDeed['does'];
  readonly stays: boolean;
  readonly presses: number;
  /** The first of its moves in `handMoves`, and how many take turns; or the mode that it puts on, from 1, 0 for none. */
  readonly first: number;
  readonly count: number;
  /** Starts that one arming lets go; 0 for as many as come. */
  readonly most: number;
  /** Topic of its messages, for a command. */
  readonly topic: string;
}

/** A step of a move; all moves stand in one row. */
export interface StepRow {
  readonly op: OpKind;
  readonly presses: number;
  readonly ms: number;
  readonly sense: number;
  readonly is: boolean;
  readonly otherwise: Else;
  /** The step that is gone back to, by its place in the row, and how often. */
  readonly to: number;
  readonly times: number;
  /** How long it lasts at least, though its sense says so sooner, ms. */
  readonly leastMs: number;
  /** In words, for a comment, and what a `tell` tells. */
  readonly words: string;
  readonly text: string;
}

/** A clock time on weekdays: bit 1 is Monday, bit 7 Sunday. */
export interface WeekRow {
  readonly rule: number;
  readonly days: number;
  readonly second: number;
  readonly ifArmed: boolean;
  readonly move: number;
  readonly words: string;
}

/** What a rule, in a row, comes true by, looks at and does; numbers of senses and modes are from 1, of moves from 0. */
export interface RuleRow {
  readonly edge: 'told' | 'sense' | 'mode';
  readonly of: number;
  readonly is: boolean;
  readonly standsMs: number;
  /** The first of what it looks at in `looks`, and how much that is. */
  readonly first: number;
  readonly count: number;
  readonly does: 'move' | 'mode-on' | 'mode-off' | 'call';
  readonly what: number;
  readonly tier: number;
  readonly ifArmed: boolean;
  /** Infinity for whenever it can be. */
  readonly lateMs: number;
  readonly gapMs: number;
  readonly aDay: number;
  readonly words: string;
}

export interface LookRow {
  readonly at: 'sense' | 'mode' | 'window';
  readonly of: number;
  readonly is: boolean;
}

export interface ModeRow {
  readonly name: string;
  readonly on: boolean;
  /** The tier under which all is held back while it is on. */
  readonly holds: number;
  readonly endsMs: number;
}

/** A stretch of the week, in seconds of the day; one that ends before it begins goes over midnight. */
export interface WindowRow {
  readonly days: number;
  readonly from: number;
  readonly until: number;
  readonly wholeDay: boolean;
}

/** Rules, modes and limits. */
export interface RulesPart {
  readonly rules: readonly RuleRow[];
  readonly looks: readonly LookRow[];
  readonly modes: readonly ModeRow[];
  readonly windows: readonly WindowRow[];
  /** By contact, ms. */
  readonly limits: readonly { readonly longestMs: number; readonly restMs: number }[];
  /** Masks of contacts that are never closed together. */
  readonly pairs: readonly (readonly [number, number])[];
  /** By move; `known` is the number of a sense, 0 for none. */
  readonly mayStart: readonly { readonly aDay: number; readonly armed: boolean; readonly known: number }[];
  readonly handHoldsMs: number;
  /** Limits in words. */
  readonly words: readonly string[];
  /** Rules that neither clock, sense nor mode brings about, by number: the sun, a calendar. */
  readonly told: readonly { readonly number: number; readonly words: string }[];
}

/**
 * The plan as every written program has it: one function makes it, every writer reads it and nothing else, and the engine runs the same.
 * Times are whole milliseconds; Infinity stands for “never” and for “as often as it comes”.
 */
export interface Program {
  readonly title: string;
  readonly outcome: string;
  readonly never: string;
  readonly heldBy: string;
  readonly contacts: readonly ProgramContact[];
  /** Servos among them: their names and pulse widths. */
  readonly servos: readonly { readonly name: string; readonly pin: number; readonly pulses: ProgramPulses }[];
  readonly orders: readonly OrderRow[];
  readonly senses: readonly SenseRow[];
  readonly signs: readonly SignRow[];
  readonly hands: readonly HandRow[];
  readonly handMoves: readonly number[];
  readonly moves: readonly string[];
  readonly steps: readonly StepRow[];
  /** Where each move begins in the steps; one more for where the last ends. */
  readonly begins: readonly number[];
  /** Whether a press may have to last though its sense says so. */
  readonly lasts: boolean;
  readonly week: readonly WeekRow[];
  readonly rules: RulesPart;
  /** Nothing but clock times that begin a move: no rule, mode or limit asks for more. */
  readonly plain: boolean;
  readonly held: readonly ProgramHeld[];
  readonly listens: boolean;
  /** A call that comes later than this ends what runs, ms. */
  readonly lateMs: number;
  /** Pins that it reads and that have a pull-up inside. */
  readonly pulled: readonly number[];
  readonly calendar: ProgramCalendar;
}
