/** What Act holds: the machine as parts with their behaviours, the moves of the controller, and the faults that a run is tried with. */

export const MACHINE_KINDS = [
  'starts-and-stops-itself',
  'flips',
  'open-stop-close-stop',
  'steps',
  'on-and-off',
  'opens-and-closes',
  'while-held',
  'travels-while-held',
  'in-turn',
] as const;
/** What a press does to a part of the machine. */
export type MachineKind = (typeof MACHINE_KINDS)[number];

/** What a press is to the part that obeys it. */
export const HEED_ROLES = ['press', 'on', 'off', 'open', 'close', 'stop'] as const;
/** One of `HEED_ROLES`. */
export type HeedRole = (typeof HEED_ROLES)[number];
/** A press that reaches a part, and as what. */
export interface Heed {
  /** Id of the press. */
  press: string;
  /** The other side of a rocker. */
  other: boolean;
  as: HeedRole;
}

/** Who does what a machine asks for. */
export const ASK_ANSWERS = ['hand', 'itself'] as const;
/** What a part that asks in turn asks for between two of its presses, as a lid or water, or what it does by itself before it goes on. */
export interface MachineAsk {
  /** After so many of its presses; past the last one counts as after the last. */
  after: number;
  /** What it asks for or does, in the maker's words. */
  word: string;
  /** Who sees to it: somebody at the machine, or it goes on by itself. */
  by: (typeof ASK_ANSWERS)[number];
  /** How long that takes; null is not known. */
  seconds: number | null;
}

/** A cell of the state table that the maker set: in this state, at this event, it goes there. */
export interface CellEdit {
  state: string;
  event: string;
  /** Key of the next state; empty where the event is overlooked. */
  to: string;
}

/** What a state shows to the world. */
export interface Shown {
  state: string;
  watts: number | null;
  light: boolean;
  sound: boolean;
  warm: boolean;
}

/** Times of a machine that can be measured. */
export const TIMED = ['run', 'back'] as const;
/** One timing of its run, or of its way there, or of its way back. */
export interface Timing {
  of: (typeof TIMED)[number];
  seconds: number;
}

/** What a long press does. */
export const LONG_PRESSES = ['same', 'off', 'nothing'] as const;
/** What a part does when something is in its way. */
export const WHEN_BLOCKED = ['goes-on', 'stops', 'goes-back'] as const;
/** What a part does when power comes back. */
export const AFTER_CUTS = ['off', 'as-before', 'on'] as const;
/** A part of the machine: what its presses do to it, with its times; null is not known. */
export interface MachinePart {
  id: string;
  name: string;
  kind: MachineKind | 'unknown';
  /** Which presses reach it; none takes the first press of the job. */
  heeds: Heed[];
  shortestPressSeconds: number | null;
  /** The longest press that it still takes as this one and no harm comes of, seconds. */
  longestPressSeconds: number | null;
  /** How long it runs, or travels from end to end. */
  runSeconds: number | null;
  /** How long it travels back; null where it is as long as there. */
  backSeconds: number | null;
  /** Names of the modes that it steps through. */
  modes: string[];
  /** What stands between its presses, where it asks for them in turn. */
  asks: MachineAsk[];
  afterPowerCut: (typeof AFTER_CUTS)[number];
  /** The first press only wakes it; it sleeps again after so long without one. */
  firstPressWakes: boolean;
  awakeSeconds: number | null;
  /** What a press longer than `longestPressSeconds` does. */
  longPress: (typeof LONG_PRESSES)[number];
  /** Its own timer: so long after it came on or opened it goes off or closes by itself. */
  timerSeconds: number | null;
  /** Presses closer together than this are overlooked. */
  leastGapSeconds: number | null;
  /** Presses are overlooked while it runs or moves. */
  deafWhileBusy: boolean;
  /** What its own safety does where something is in the way. */
  whenBlocked: (typeof WHEN_BLOCKED)[number];
  cells: CellEdit[];
  shows: Shown[];
  /** How long it took when it was timed at the machine. */
  timings: Timing[];
  /** It is to stand between its ends, by time; null where it goes from end to end. */
  between: PartBetween | null;
  /** Passes at the screws that set its ends, in their order. */
  screws: ScrewTurn[];
}

/** What is asked of a part that stands between its ends. */
export interface PartBetween {
  /** How far it may miss its place, as a share of its whole way. */
  mayMiss: number;
  /** By how much its starts and stops together vary, s; null while nobody watched them. */
  startsSeconds: number | null;
}
/** Ends of a motor that have a screw each. */
export const SCREW_ENDS = ['far', 'rest'] as const;
/** One pass at an end screw: turned by so much, and then missed by so much. */
export interface ScrewTurn {
  end: (typeof SCREW_ENDS)[number];
  /** Turns since the pass before, over 0 the way that is called plus. */
  turns: number;
  /** Over 0 where it went too far, under 0 where it stopped short, m. */
  missMetres: number;
}

/** A machine of one button as a stand-in has it: everything is known. */
export interface MachineModel {
  kind: 'starts-and-stops-itself' | 'flips' | 'open-stop-close-stop';
  /** Presses shorter than this are not seen, seconds. */
  shortestPressSeconds: number;
  /** How long it runs (first kind), or travels end to end (last kind), seconds. */
  runSeconds: number;
  /** What a power cut leaves behind. */
  afterPowerCut: 'off' | 'as-before';
}

/** A step of the plain script: what is pressed and waited for. */
export interface ScriptStep {
  do: 'press' | 'wait';
  /** Id of the press; empty for a wait. */
  press: string;
  /** The other side of a rocker, where a finger reaches both. */
  other: boolean;
  seconds: number;
}

/** What a step of a move does. */
export const STEP_KINDS = ['press', 'wait', 'hold', 'until', 'look', 'again', 'warn', 'tell', 'call'] as const;
/** One of `STEP_KINDS`. */
export type StepKind = (typeof STEP_KINDS)[number];
/** What a step does when what it waits for does not come. */
export const STEP_ELSES = ['go-on', 'end', 'call'] as const;
/**
 * A step of a move. `press` for so long; `hold` a press until a sense says so, at most so long; `wait`; wait `until` a sense says so, at
 * most so long; `look` and go on only if; go back to a step unless a sense says so, so often (`again`); `warn` for so long; `tell` a
 * message; `call` for help and stop. Which of its values count is told by its kind.
 */
export interface MoveStep {
  do: StepKind;
  press: string;
  /** Presses that are made at the same time. */
  also: string[];
  other: boolean;
  /** Those at the same time press their other side too. */
  alsoOther: boolean;
  seconds: number;
  sense: string;
  /** What the sense must say: that what it tells is so, or that it is not. */
  is: boolean;
  orElse: (typeof STEP_ELSES)[number];
  /** The step that is gone back to, by number from 1. */
  to: number;
  times: number;
  text: string;
}

/** What a move is to bring about. */
export const MOVE_PURPOSES = ['start', 'stop', 'open', 'close', 'other'] as const;
/** A named press script. */
export interface Move {
  id: string;
  name: string;
  purpose: (typeof MOVE_PURPOSES)[number];
  steps: MoveStep[];
}

/** What can go wrong in a run. */
export const FAULT_KINDS = [
  'missed-press',
  'power-cut',
  'hand-press',
  'seen-twice',
  'plug-out',
  'controller-out',
  'restart',
  'welded',
  'dirty',
  'stuck-sense',
  'late-sense',
  'reversed-sense',
  'obstacle',
  'wrong-moment',
  'hand-moved',
  'nobody-came',
  'moved-sense',
  'lost-message',
  'false-no',
  'silent-sense',
  'not-answered',
  'hung',
  'says-so',
  'end-fails',
  'cut-out-fails',
] as const;
/** One of `FAULT_KINDS`. */
export type FaultKind = (typeof FAULT_KINDS)[number];
/** A fault that lies on the lanes. */
export interface Fault {
  id: string;
  kind: FaultKind;
  atSeconds: number;
  /** How long the power is away or a hand is held, or by how much a sense is late; zero for the others. */
  seconds: number;
  /** Id of the press, sense, part, move or hand that it befalls; empty for the first. */
  of: string;
}

/** What Act holds: parts, moves and faults. */
export interface ActPlan {
  parts: MachinePart[];
  moves: Move[];
  faults: Fault[];
}
