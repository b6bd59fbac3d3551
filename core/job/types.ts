import type { Room } from '../finding';
import type { Survey } from './survey-types';
import type { ThumbPlan } from './thumb-types';

export * from './survey-types';
export * from './thumb-types';

export const JOB_FORMAT = 'gentle-thumb/job';
export const JOB_VERSION = 3;

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
  thumb: ThumbPlan;
  board: BoardPlan;
  feed: FeedPlan;
  guard: GuardRecord;
  sense: SensePlan;
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
  'mains', 'not-isolated', 'pressure', 'unattended-heat', 'gas', 'moving-door', 'pinch', 'water', 'high-voltage', 'lithium', 'medical',
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
}

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

export const STATES = ['off', 'idle', 'pressed', 'released', 'neighbour', 'turning', 'moving', 'moving-back', 'loaded', 'running', 'always'] as const;
/**
 * `off` is unplugged and nobody presses; the others are powered but for ohms. `released` is after one press and letting go,
 * `neighbour` while another button of the same panel is held, `turning` while the knob goes round or stands elsewhere,
 * `moving` and `moving-back` while a motor runs one way and the other, `loaded` with 1 kΩ across the tips,
 * `always` marks a rail that never goes away.
 */
export type MachineState = (typeof STATES)[number];

export const READING_KINDS = ['volts-dc', 'volts-ac', 'ohms', 'amps', 'continuity', 'hertz', 'duty', 'jumper', 'look'] as const;
/** `duty` is the share of time high; `jumper` joins the tips through a resistor and watches the machine; `look` is what eye and finger tell. */
export type ReadingKind = (typeof READING_KINDS)[number];

export const LOOKS = ['springs-back', 'membrane', 'glass', 'stays-down', 'rocker', 'turns-on', 'turns-to-stops', 'terminals', 'connector', 'two-wires'] as const;
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

export interface BoardPlan {
  profile: string;
  /** GPIO number per function, null where none is chosen. */
  pressPin: number | null;
  armPin: number | null;
  sensorPin: number | null;
  /** True where a high pin presses. */
  activeHigh: boolean;
  pullDown: boolean;
}

export interface FeedPlan {
  supply: string;
  volts: number | null;
  amps: number | null;
}

export interface GuardRecord {
  /** ISO time per ticked step. */
  ticks: Record<string, string>;
  /** The load that the machine's own contact carries, watts, for a switched load. */
  loadWatts: number | null;
  loadKind: 'resistive' | 'filament' | 'motor' | 'solenoid' | 'switched-mode' | 'transformer';
  contactAmps: number;
}

export interface SensePlan {
  /** Which end the one contact tells, or `none` for pressing blind. */
  contact: 'none' | 'at-rest' | 'at-work';
  restsClosed: boolean;
}

export const MACHINE_KINDS = ['starts-and-stops-itself', 'flips', 'open-stop-close-stop'] as const;
export interface MachineModel {
  kind: (typeof MACHINE_KINDS)[number];
  /** Presses shorter than this are not seen, seconds. */
  shortestPressSeconds: number;
  /** How long it runs (first kind), or travels end to end (last kind), seconds. */
  runSeconds: number;
  /** What a power cut leaves behind. */
  afterPowerCut: 'off' | 'as-before';
}

export interface ScriptStep {
  do: 'press' | 'wait';
  seconds: number;
}

export const FAULT_KINDS = ['missed-press', 'power-cut', 'hand-press'] as const;
export interface Fault {
  id: string;
  kind: (typeof FAULT_KINDS)[number];
  atSeconds: number;
  /** Length of a power cut; zero for the others. */
  seconds: number;
}

export interface ActPlan {
  machine: MachineModel;
  script: ScriptStep[];
  faults: Fault[];
}

/** "At 10:40 on Monday to Friday, if armed, press." Days are ISO weekdays, 1 is Monday. */
export interface Sentence {
  id: string;
  at: string;
  days: number[];
  ifArmed: boolean;
}

export interface RoutinePlan {
  sentences: Sentence[];
}

/** How much the many-presses test must show: reliability at a confidence, both as shares. */
export interface SheetPlan {
  reliability: number;
  confidence: number;
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
  on: 'hand' | 'standin';
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
