/** What begins a rule: a time of the clock, the sun, something in a calendar, what a sense says, a mode. */
export const RULE_EDGES = ['clock', 'sun', 'event', 'sense', 'mode'] as const;
/** One of `RULE_EDGES`. */
export type RuleEdgeKind = (typeof RULE_EDGES)[number];
/** Instants of the sun: its upper rim at the horizon, and six degrees below it. */
export const SUN_EVENTS = ['rise', 'set', 'dawn', 'dusk'] as const;
/** One of `SUN_EVENTS`. */
export type SunEvent = (typeof SUN_EVENTS)[number];
/** Which dates a rule takes. */
export const RULE_DATES = ['any', 'holidays', 'others'] as const;
/** What a rule looks at beside its day. */
export const RULE_LOOKS = ['window', 'sense', 'mode'] as const;
/** What a rule does. */
export const RULE_DEEDS = ['move', 'mode-on', 'mode-off', 'call'] as const;
/** Who asks, the lower first: a higher tier holds a lower one back. */
export const RULE_TIERS = ['comfort', 'hand', 'lock-out', 'safety'] as const;
/** One of `RULE_TIERS`. */
export type RuleTier = (typeof RULE_TIERS)[number];
/** What becomes of a move that was held back. */
export const RULE_HELD = ['dropped', 'late', 'kept'] as const;
/** What a mode holds back while it is on. */
export const MODE_HOLDS = ['nothing', 'comfort', 'hands'] as const;
/** What the controller keeps, whoever asks. */
export const LIMIT_KINDS = [
  'longest-on',
  'least-on',
  'least-off',
  'never-both',
  'a-day',
  'only-armed',
  'only-known',
] as const;
/** One of `LIMIT_KINDS`. */
export type LimitKind = (typeof LIMIT_KINDS)[number];

/** Something that must be so, or must not, for a rule to act. Which of its values count is told by its kind. */
export interface RuleIf {
  kind: (typeof RULE_LOOKS)[number];
  /** False for what must not be so: “unless”. */
  is: boolean;
  /** Clock times of a window; one that ends before it begins goes over midnight. */
  from: string;
  until: string;
  /** Id of a sense, or of a mode. */
  sense: string;
  mode: string;
}

/** "At 10:40 on Monday to Friday, if armed, start." Days are ISO weekdays, 1 is Monday. */
export interface Sentence {
  id: string;
  when: RuleEdgeKind;
  /** Clock time of a clock's edge. */
  at: string;
  sun: SunEvent;
  /** After it; before it where this is less than nothing. */
  offsetSeconds: number;
  /** Clock times between which an edge of the sun is kept; empty for none. */
  notBefore: string;
  notAfter: string;
  /** What stands in the name of an event of the calendar; empty for any. */
  event: string;
  aheadSeconds: number;
  /** Id of the sense, what it says, and for how long it has said so. */
  sense: string;
  says: boolean;
  forSeconds: number;
  /** Id of the mode; it comes on where `says` is true, else it goes off. */
  mode: string;
  days: number[];
  dates: (typeof RULE_DATES)[number];
  ifArmed: boolean;
  ifs: RuleIf[];
  does: (typeof RULE_DEEDS)[number];
  /** Id of the move that it begins; empty for the first. */
  move: string;
  /** Id of the mode that it puts on or off. */
  sets: string;
  tier: RuleTier;
  whenHeld: (typeof RULE_HELD)[number];
  /** At most so late, where it is made up for late. */
  lateSeconds: number;
  /** From one time that it acts to the next at least, s; and so often a day at most, null for as often as it comes true. */
  gapSeconds: number;
  aDay: number | null;
}

/** A way that things are, as “away” or “cleaning”, that rules put on and off and look at. */
export interface Mode {
  id: string;
  name: string;
  /** On when the controller starts. */
  on: boolean;
  holds: (typeof MODE_HOLDS)[number];
  /** It goes off by itself after so long; null for never. */
  endsSeconds: number | null;
}

/** What the controller keeps, whoever asks. Which of its values count is told by its kind. */
export interface RoutineLimit {
  id: string;
  kind: LimitKind;
  press: string;
  otherPress: string;
  /** Id of a move; empty for every move. */
  move: string;
  sense: string;
  seconds: number;
  count: number;
}

/** What a loop does to what its sense reads. */
export const LOOP_WAYS = ['warms', 'cools'] as const;
/** A part of the machine that warms or cools what a thermometer reads, and the room, cabinet or water between the two. */
export interface Loop {
  id: string;
  name: string;
  /** Id of the thermometer, and of the part of the machine that warms or cools while it is at work; empty for the first. */
  sense: string;
  part: string;
  way: (typeof LOOP_WAYS)[number];
  /** How far it takes it from what is around, were it left at work for good, K. */
  kelvin: number | null;
  /** Time constant, s: after it 63 % of the way are gone. */
  tauSeconds: number | null;
  /** From its beginning or end until the thermometer begins to tell, s. */
  deadSeconds: number;
  /** What is around it, °C: where it comes to when nothing works. Null while nobody said. */
  around: number | null;
  /** What is around it goes with the weather, the year's mean where `around` is. */
  weather: boolean;
  /** What it may never come under, as frost, and never over, °C; null for no such bound. */
  lowest: number | null;
  highest: number | null;
  /** Its own regulator or thermal cut-out stays in series with its part and opens at this, °C; null for none. */
  cutsOffAt: number | null;
  /** Where that closes again by itself, °C; null where somebody has to reset it. */
  backAt: number | null;
  /** Id of the recording that its numbers were taken from; empty where they were typed. */
  recording: string;
}

/** One trial of how much flows: so many litres in so many seconds. */
export interface Pour {
  litres: number;
  seconds: number;
}

/** An amount that is let flow by time. */
export interface Amount {
  id: string;
  name: string;
  /** Id of the press that opens it, and the litres that are wanted of each time. */
  press: string;
  litres: number | null;
  /** How far the jug or scale of the trials may be off, as a share. */
  off: number;
  pours: Pour[];
  /** More than this never fits, litres; null where it runs to waste without harm. */
  fits: number | null;
  /** What is wanted of a day, litres; null where each time is enough. */
  aDay: number | null;
}

/** Something in the calendar, at its beginning. */
export interface CalendarEvent {
  id: string;
  name: string;
  at: string;
}

/** What Routine holds. */
export interface RoutinePlan {
  sentences: Sentence[];
  modes: Mode[];
  limits: RoutineLimit[];
  loops: Loop[];
  amounts: Amount[];
  events: CalendarEvent[];
  /** Local dates, as `2026-12-25`. */
  holidays: string[];
  /** For how long a hand at the controller holds comfort back; null for as long as it presses. */
  handHoldsSeconds: number | null;
}
