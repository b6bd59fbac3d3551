import type { Room } from './rooms';
import type { Survey } from './survey-types';
import type { BoardPlan, Hand, Sense, Sign } from './controller-types';
import type { ActPlan } from './act-types';
import type { Never } from './never-types';
import type { FeedPlan } from './feed-types';
import type { BenchPlan, Press } from './press-types';

export * from './act-types';
export * from './survey-types';
export * from './controller-types';
export * from './feed-types';
export * from './never-types';
export * from './press-types';

export const JOB_FORMAT = 'gentle-thumb/job';
export const JOB_VERSION = 8;

/** Everything known, decided and tested about one machine; one plain JSON document. Times are ISO 8601 with offset Z. */
export interface Job {
  format: typeof JOB_FORMAT;
  version: typeof JOB_VERSION;
  id: string;
  title: string;
  place: string;
  createdAt: string;
  touchedAt: string;
  archived: boolean;
  region: Region;
  wish: Wish;
  controls: Control[];
  readings: Reading[];
  survey: Survey;
  presses: Press[];
  bench: BenchPlan;
  senses: Sense[];
  hands: Hand[];
  signs: Sign[];
  board: BoardPlan;
  feed: FeedPlan;
  guard: GuardRecord;
  act: ActPlan;
  routine: RoutinePlan;
  sheet: SheetPlan;
  trials: Trial[];
  standin: StandinState;
  /** Append-only: undo adds an entry, it takes none away. */
  log: LogEntry[];
}

export interface Region {
  mainsVolts: number;
  mainsHertz: number;
  /** IANA name, as `Europe/London`. */
  timeZone: string;
}

export const HAZARDS = [
  'mains',
  'not-isolated',
  'pressure',
  'unattended-heat',
  'gas',
  'moving-door',
  'pinch',
  'water',
  'high-voltage',
  'lithium',
  'medical',
] as const;
export type Hazard = (typeof HAZARDS)[number];

export interface Wish {
  outcome: string;
  when: string;
  never: string;
  hazards: Hazard[];
  /** True once the maker has looked through the hazards, so that an empty list means "none" and not "not asked". */
  hazardsReviewed: boolean;
  /** Who else presses it. */
  others: string;
  /** What holds the machine to "never", in the maker's words; empty while nothing does. */
  heldBy: string;
  /** The same as conditions that a run can be held against. */
  nevers: Never[];
}

export const YES_NO = ['unknown', 'yes', 'no'] as const;
export const LOGIC_LEVELS = ['cmos', 'ttl', 'own'] as const;
export interface Control {
  id: string;
  name: string;
  /** Which input levels the appliance's own controller is taken to have. */
  levels: (typeof LOGIC_LEVELS)[number];
  /** Volts, used where `levels` is `own`. */
  lowBelowVolts: number | null;
  highAboveVolts: number | null;
}

export const POINT_KINDS = ['contact', 'ground', 'live', 'neutral', 'mains', 'earth', 'rail'] as const;
/** A place for a probe tip. `contact` is a terminal of a control, `mains` is live and neutral clipped together, `rail` a supply. */
export interface Point {
  kind: (typeof POINT_KINDS)[number];
  /** Terminal letter for a contact, name for a rail, else empty. */
  name: string;
}

export const STATES = [
  'off',
  'idle',
  'pressed',
  'released',
  'neighbour',
  'turning',
  'moving',
  'moving-back',
  'loaded',
  'running',
  'always',
  'plug-turned',
  'loaded-10k',
  'turned-10k',
] as const;
/**
 * `off` is unplugged and nobody presses; the others are powered but for ohms. `released` is after one press and letting go,
 * `neighbour` while another button of the same panel is held, `turning` while the knob goes round or stands elsewhere,
 * `moving` and `moving-back` while a motor runs one way and the other, `loaded` with 1 kΩ and `loaded-10k` with 10 kΩ across the tips,
 * `plug-turned` with live and neutral exchanged at the plug, `turned-10k` the same with 10 kΩ across the tips,
 * `always` marks a rail that never goes away.
 */
export type MachineState = (typeof STATES)[number];

export const READING_KINDS = [
  'volts-dc',
  'volts-ac',
  'ohms',
  'amps',
  'continuity',
  'hertz',
  'duty',
  'jumper',
  'look',
  'insulation',
] as const;
/**
 * `insulation` is ohms by a tester with 500 V DC, done by whoever may; `duty` is the share of time high; `jumper` joins
 * the tips through a resistor and watches the machine; `look` is what eye and finger tell.
 */
export type ReadingKind = (typeof READING_KINDS)[number];

export const LOOKS = [
  'springs-back',
  'membrane',
  'glass',
  'stays-down',
  'rocker',
  'turns-on',
  'turns-to-stops',
  'terminals',
  'connector',
  'two-wires',
] as const;
/** What a control does under the finger, or what there is instead of one. */
export type Look = (typeof LOOKS)[number];
export const SAID = ['', 'beep', 'silent', 'acts', 'nothing', ...LOOKS] as const;

export interface Reading {
  id: string;
  at: string;
  /** Id of the control, or empty for readings of the whole machine. */
  control: string;
  from: Point;
  to: Point;
  state: MachineState;
  kind: ReadingKind;
  relation: '=' | '>' | '<';
  /** Volts, ohms, amperes, hertz, share; the resistor of a jumper; 0 for a look. */
  value: number;
  /** Last digit shown, same unit. */
  digit: number;
  by: 'hand' | 'standin' | 'capture';
  /** The answer of a reading that is no number: continuity, jumper, look; empty for the others. */
  said: (typeof SAID)[number];
  /** Withdrawn readings stay in the record and count for nothing. */
  struck: boolean;
}

export const PLACES = ['unknown', 'dry', 'damp'] as const;
export const CUT_OFFS = ['none', 'one-shot'] as const;
export const LOAD_KINDS = [
  'unknown',
  'resistive',
  'filament',
  'motor',
  'solenoid',
  'switched-mode',
  'transformer',
] as const;
export interface GuardRecord {
  /** ISO time per ticked step. */
  ticks: Record<string, string>;
  /** The load that the contact switches, watts. */
  loadWatts: number | null;
  loadKind: (typeof LOAD_KINDS)[number];
  /** Where it stands: a dry room, or one with steam, condensation or splashes. */
  place: (typeof PLACES)[number];
  /** What ends a press if the controller does not. */
  cutOff: (typeof CUT_OFFS)[number];
}

/** "At 10:40 on Monday to Friday, if armed, start." Days are ISO weekdays, 1 is Monday. */
export interface Sentence {
  id: string;
  at: string;
  days: number[];
  ifArmed: boolean;
  /** Id of the move that it begins; empty for the first. */
  move: string;
}

export interface RoutinePlan {
  sentences: Sentence[];
}

/** How much the many-presses test must show: reliability at a confidence, both as shares. */
export interface SheetPlan {
  reliability: number;
  confidence: number;
  /** Who tests, as it stands in the results. */
  by: string;
}

export interface Trial {
  id: string;
  step: string;
  at: string;
  outcome: 'as-expected' | 'not-as-expected';
  /** How many repeats were made in this go, and how many failed. */
  count: number;
  failed: number;
  observed: string;
  /** On the machine itself, or on a stand-in. */
  on: 'hand' | 'standin';
  /** Who did it; empty where nobody said. */
  by: string;
  /** What was tried, as a short key of way, parts, wires, pin and script: a trial of another joint counts for nothing. */
  basis: string;
}

/** Which stand-in is measured and pressed: `none`, a model's key, or `practice` for a control drawn from the seed. */
export interface StandinState {
  model: string;
  seed: number;
}

export interface LogEntry {
  at: string;
  room: Room | '';
  text: string;
}
