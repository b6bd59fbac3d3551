import type { MachineTable } from './table';

/** How a contact, or a thumb on the same button, reaches a part of the machine. */
export interface Channel {
  /** Which output of the controller closes it, by number. */
  readonly line: number;
  readonly part: number;
  /** What the part meets once it was closed for `least` seconds, when it lets go, and once it was closed for `long`; empty for nothing. */
  readonly down: string;
  readonly up: string;
  readonly held: string;
  readonly least: number;
  /** Infinity where a long press is no other than a short one. */
  readonly long: number;
  /** A press that follows the last one that was obeyed closer than this is overlooked, s. */
  readonly gap: number;
}

/** What the controller is told of a part. */
export interface SenseWire {
  /** Number of the part; −1 where it tells of nothing that this world holds: the controller never learns it. */
  readonly part: number;
  /** The states, by key, in which it says yes. */
  readonly yes: readonly string[];
  /** What a plan takes for true when it reads yes, and when it reads no; states by key, empty where that tells nothing of the part. */
  readonly taken: readonly [yes: string, no: string];
  /** How long what it tells must stand before the controller hears that it is so, s. */
  readonly delay: number;
  /** How long before it hears that it is not, s. */
  readonly hold: number;
  /** After how long without news nothing of it is known, s; null where it is read at each look. */
  readonly stale: number | null;
  /** What it says once it has moved away from its place. */
  readonly away: boolean;
}

/** Two directions of one press: outputs that are never closed together, nor one soon after the other. */
export interface Apart {
  readonly lines: readonly [number, number];
  /** From letting go of one until the other may begin, s. */
  readonly seconds: number;
  /** What says which way is moved so long before the power, s. */
  readonly lead: number;
}

export const HAND_DEEDS = ['stop', 'arm', 'press', 'begin', 'answer', 'mode', 'command'] as const;
/** One side of what people move at the controller. */
export interface HandWire {
  readonly does: (typeof HAND_DEEDS)[number];
  /** Stays where it is put; else it lets go by itself. */
  readonly latching: boolean;
  /** Output that it closes while it is held; −1 for none. */
  readonly line: number;
  /** Moves that it begins, in turn. */
  readonly moves: readonly number[];
  /** How long it must stand before the controller feels it, s. */
  readonly delay: number;
  /** Starts that one arming lets go; Infinity where as many as come. */
  readonly most: number;
  /** Number of the mode that it puts on and off, for one that does. */
  readonly mode?: number;
}

export const OPS = ['press', 'wait', 'hold', 'until', 'look', 'again', 'warn', 'tell', 'call'] as const;
/** What one step of a move does. */
export type OpKind = (typeof OPS)[number];
export const ELSES = ['go-on', 'end', 'call'] as const;
export type Else = (typeof ELSES)[number];

/** A step of a move, as the controller takes it. */
export interface Op {
  readonly do: OpKind;
  /** Outputs that are closed for it, by number. */
  readonly lines: readonly number[];
  /** How long it lasts, or at most lasts, s. */
  readonly seconds: number;
  /** For a `hold`: at least so long, though its sense says so sooner, s. */
  readonly least?: number;
  /** Number of the sense that is read, and what it must say; −1 for none. */
  readonly sense: number;
  readonly is: boolean;
  readonly orElse: Else;
  /** The step that is gone back to, by number from 0, and how often. */
  readonly to: number;
  readonly times: number;
}

/** States of one part, or of what the plan believes of it; an output that is closed; a sense that says yes. */
export type Clue =
  | { readonly of: 'part' | 'belief'; readonly part: number; readonly keys: readonly string[] }
  | { readonly of: 'line'; readonly line: number }
  | { readonly of: 'sense'; readonly sense: number };

/**
 * What must never happen: all clues at once for longer than so many seconds; a part that begins to move unwarned; too many starts; a
 * loop that gets warmer, or colder, than so many °C.
 */
export type Monitor =
  | { readonly kind: 'together'; readonly clues: readonly Clue[]; readonly seconds: number }
  | { readonly kind: 'unwarned'; readonly part: number; readonly keys: readonly string[]; readonly seconds: number }
  | { readonly kind: 'starts'; readonly most: number }
  | { readonly kind: 'heat'; readonly loop: number; readonly over: boolean; readonly degrees: number };

/** What an output does when its controller comes up, from the moment that it gets power or is reset, s; null where it keeps still. */
export interface Twitch {
  readonly from: number;
  readonly to: number;
}

/** Who asks, the lower first: what is nice to have, whoever stands there, what locks out, what keeps from harm. */
export const TIERS = ['comfort', 'hand', 'lock-out', 'safety'] as const;
export type Tier = (typeof TIERS)[number];
/** The number of a tier: a higher one holds a lower one back. */
export const TIER = { comfort: 0, hand: 1, 'lock-out': 2, safety: 3 } as const satisfies Record<Tier, number>;

/** What makes a rule come true: an instant that is given, a sense that has said so for a time, a mode that comes on or goes off. */
export type RuleEdge =
  | { readonly of: 'given' }
  | { readonly of: 'sense'; readonly sense: number; readonly is: boolean; readonly seconds: number }
  | { readonly of: 'mode'; readonly mode: number; readonly is: boolean };

/** What must hold for a rule to act: a sense that is heard so, a mode, a stretch of the calendar that is given. */
export interface RuleCondition {
  readonly of: 'sense' | 'mode' | 'flag';
  readonly index: number;
  readonly is: boolean;
}

/** A rule of the routine. One above comfort with a sense or a mode for its edge holds lower tiers back for as long as that stands. */
export interface RuleWire {
  readonly edge: RuleEdge;
  readonly ifs: readonly RuleCondition[];
  readonly does: 'move' | 'mode-on' | 'mode-off' | 'call';
  /** Number of the move or of the mode; −1 for a call. */
  readonly what: number;
  readonly tier: number;
  readonly ifArmed: boolean;
  /** For how long what was held back is made up for, s: 0 for never, Infinity for whenever it can be. */
  readonly late: number;
  /** From one time that it acted until it may act again, s. */
  readonly gap: number;
  /** Times that it acts from one midnight to the next; Infinity for as many as come. */
  readonly aDay: number;
}

/** A mode: tiers under `holds` are held back while it is on. */
export interface ModeWire {
  readonly on: boolean;
  readonly holds: number;
  /** After so long it goes off by itself, s; Infinity for never. */
  readonly seconds: number;
}

/** What a move asks before it starts, whoever asks for it. */
export interface MayStart {
  readonly aDay: number;
  readonly armed: boolean;
  /** Number of the sense that must be known; −1 for none. */
  readonly fresh: number;
}

/** Rules, modes and limits of a controller. */
export interface RoutineWire {
  readonly rules: readonly RuleWire[];
  readonly modes: readonly ModeWire[];
  /** How many stretches of the calendar come and go. */
  readonly flags: number;
  /** A hand holds comfort back for so long, s. */
  readonly handHolds: number;
  /** By output, s: how long it is closed at most, and open at least before it closes again. */
  readonly longest: readonly number[];
  readonly leastOff: readonly number[];
  /** Outputs that are never closed together. */
  readonly apart: readonly (readonly [number, number])[];
  /** By move. */
  readonly mayStart: readonly MayStart[];
}

/** What became of a rule that came true. */
export const FATES = [
  'done',
  'waits',
  'held-back',
  'busy',
  'stopped',
  'not-armed',
  'not-so',
  'too-soon',
  'enough-today',
  'limit',
  'dead',
  'too-late',
] as const;
export type Fate = (typeof FATES)[number];

/** Who asks for a move or holds one back: nobody who is known, a hand, then the modes, then the rules. */
export const WHO = { nobody: 0, hand: 1, modes: 2 } as const;
/** A line of the log tells what became of a rule, and above this who held it back. */
const BY_WHOM = 16;
/** What became of a rule and who held it back, as one number of the log. */
export const fateNumber = (fate: Fate, who: number = WHO.nobody): number => FATES.indexOf(fate) + BY_WHOM * who;
/** What became of a rule, by a number of the log. */
export const fateIn = (value: number): Fate => FATES[value % BY_WHOM] ?? 'done';
/** Who held a rule back, by a number of the log. */
export const whoIn = (value: number): number => Math.floor(value / BY_WHOM);

/**
 * What a part of the machine warms or cools, with the thermometer in it: from the dead time on it goes to its end as one exponential.
 */
export interface LoopWire {
  /** Number of the sense, which no part stands behind. */
  readonly sense: number;
  readonly part: number;
  /** The states of the part, by key, in which it works. */
  readonly works: readonly string[];
  /** How far its work takes it from what is around in the end, K; less than nothing where it cools. */
  readonly kelvin: number;
  /** Time constant and dead time, s. */
  readonly tau: number;
  readonly dead: number;
  /** What is around it at the beginning, and how warm it is itself then, °C. */
  readonly around: number;
  /** Over and under these the sense changes its mind, °C, and whether it says yes while it is over. */
  readonly over: number;
  readonly under: number;
  readonly saysOver: boolean;
  /** A regulator of its own in series with its part opens at this, °C, and closes again at that; Infinity for one that is reset by hand. */
  readonly cutOff?: { readonly at: number; readonly back: number };
}

/**
 * What ends the closure of an output though the controller does not: a monostable before its driver, which a contact that sticks passes
 * by, or a timer in series with its contact, which ends that as well.
 */
export interface OutputEnd {
  readonly by: 'one-shot' | 'timer';
  /** After so long, s. */
  readonly seconds: number;
}

/** A machine with its controller: everything that `World` runs. */
export interface WorldPlan {
  readonly parts: readonly { readonly name: string; readonly table: MachineTable }[];
  readonly lines: number;
  /** How many contacts lie in series on each output: so many must stick before it is closed for good. */
  readonly contacts: readonly number[];
  readonly channels: readonly Channel[];
  readonly senses: readonly SenseWire[];
  readonly aparts: readonly Apart[];
  readonly hands: readonly HandWire[];
  readonly moves: readonly (readonly Op[])[];
  readonly monitors: readonly Monitor[];
  /** By output. */
  readonly twitches: readonly (Twitch | null)[];
  /** From power or reset until the program is in charge, s. */
  readonly readySeconds: number;
  /** By output; left out where nothing ends one but the controller. */
  readonly ends?: readonly (OutputEnd | null)[];
  /** A watchdog restarts a program that hangs after so long, s; left out where there is none. */
  readonly watchdog?: number;
  /** Left out where it has no rules, modes or limits. */
  readonly routine?: RoutineWire;
  /** Left out where nothing is warmed or cooled. */
  readonly loops?: readonly LoopWire[];
}

export const WORLD_EVENTS = [
  'start',
  'stop',
  'arm',
  'disarm',
  'thumb',
  'meets',
  'cut',
  'plug-out',
  'controller-out',
  'restart',
  'missed',
  'misses',
  'twice',
  'welded',
  'dirty',
  'stuck',
  'reversed',
  'late',
  'well',
  'moved',
  'lost',
  'dips',
  'silent',
  'hand',
  'let-go',
  'nobody',
  'fires',
  'flag',
  'mode',
  'reads',
  'midnight',
  'around',
  'hangs',
  'end-fails',
  'cut-fails',
] as const;
/**
 * What comes from outside. `start` begins move `of` (`how` 1: only if armed), `thumb` closes channel `of` for `how` seconds, `meets` has
 * part `of` meet event `how`, `cut`, `plug-out` and `controller-out` take the power of all, of the machine or of the controller for `how`
 * seconds, `missed` and `twice` befall the next closure of output `of`, `misses` says in bits (`how`) which of the next ones are,
 * `welded` has one contact of output `of` stick closed, `dirty` keeps it open, `stuck` and `reversed` befall sense `of`, `late` delays
 * it by `how` seconds, `moved` takes it from its place, `lost` loses the next news of it, `dips` has it say no at once
 * though it is so, until it has stood as so again, `silent` has it say nothing more, `well` has it mended; `hand` moves side `of`
 * at the controller, for `how` seconds where it does not stay, `let-go` puts one that stays back, `nobody` has the next such move left
 * out; `fires` has rule `of` come true, `flag` has a stretch of the calendar begin or end (`how` 1 or 0), `mode` puts a mode on or off,
 * `reads` has a sense that no part of the machine stands behind say yes, no or nothing (`how` 1, 0 or 2), `midnight` begins a day,
 * `around` has what is around loop `of` be as warm as `how`, °C; `hangs` has the program stand still with its outputs as they are;
 * `end-fails` has what ends output `of` by itself never act again, `cut-fails` the regulator in series with the loop of sense `of`.
 */
export type WorldEventKind = (typeof WORLD_EVENTS)[number];
/** Something that comes from outside at an instant, s. */
export interface WorldEvent {
  readonly at: number;
  readonly what: WorldEventKind;
  readonly of: number;
  readonly how: number;
}

/** What may go wrong, at any instant. */
export interface Disturbance {
  readonly what: WorldEventKind;
  readonly of: number;
  readonly how: number;
}
