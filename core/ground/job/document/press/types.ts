/** What Thumb records: presses, each with its way and the plan of each way that has one, and what they share. Angles in degrees. */

export const JOINT_WAYS = [
  'relay-contact',
  'relay-module',
  'npn-to-ground',
  'nmos-to-ground',
  'optocoupler',
  'solid-state-relay',
  'analogue-switch',
] as const;
/** Ways that stand for the closed button as one circuit between a pin and two terminals. */
export type JointWay = (typeof JOINT_WAYS)[number];

/** Ways of pressing. */
export const WAYS = [
  ...JOINT_WAYS,
  'strobe-answer',
  'logic-injector',
  'spare-terminals',
  'spare-remote',
  'finger',
  'reverse-motor',
  'control-box',
  'drive-signal',
  'switched-supply',
  'module-contact',
  'hand-mechanism',
] as const;
/** One of `WAYS`. */
export type Way = (typeof WAYS)[number];

/** Ways that touch the machine from outside: nothing of them goes to its inside, so nothing in it has to be read for them. */
const OUTSIDE_WAYS: readonly Way[] = ['finger', 'hand-mechanism', 'spare-remote', 'module-contact'];
/** Whether a way leaves the machine closed. */
export const isFromOutside = (way: Way | null): boolean => way !== null && OUTSIDE_WAYS.includes(way);

/** True for a way that is one circuit between a pin and two terminals. */
export const isJointWay = (way: Way): way is JointWay => (JOINT_WAYS as readonly string[]).includes(way);

/** What a maker may wish of a way. */
export const WAY_WISHES = [
  'isolated',
  'silent',
  'any-polarity',
  'few-parts',
  'small',
  'cheap',
  'reversible',
  'moisture-proof',
  'sure-contact',
  'unopened',
  'hand-switch',
] as const;
/** One of `WAY_WISHES`. */
export type WayWish = (typeof WAY_WISHES)[number];

/** Kinds of parts that ways take. */
export const PART_KINDS = [
  'npn',
  'nmos',
  'optocoupler',
  'solid-state-relay',
  'relay',
  'relay-module',
  'analogue-switch',
  'logic',
  'bridge',
  'servo',
  'stepper',
  'gear-motor',
] as const;
/** One of `PART_KINDS`. */
export type PartKind = (typeof PART_KINDS)[number];

/** A value known between bounds: lowest, usual, highest; three equal numbers where it is exact. Base units. */
export type Bounds = [lowest: number, usual: number, highest: number];

/** A part by its values, which fields it has is told by its kind. */
export interface OwnPart {
  id: string;
  kind: PartKind;
  name: string;
  values: Record<string, Bounds>;
}

/** What a line of the parts list costs and how many are at hand. */
export interface StockLine {
  name: string;
  price: number | null;
  have: number;
}

/** How a bracket is held. */
export const MOUNTS = ['foam-tape', 'screws', 'clamp'] as const;
/** A finger on a servo beside a button. */
export interface FingerPlan {
  /** A button is pressed one way, a rocker either way from a middle. */
  on: 'button' | 'rocker';
  hornMetres: number;
  /** From the servo's axis straight to the button's face at rest. */
  axisMetres: number;
  /** Angles of the horn from parallel to the front, towards the button. */
  restDegrees: number;
  pressDegrees: number;
  /** The horn's angle on a rocker's other side; null where only one side is pressed. */
  otherDegrees: number | null;
  mount: (typeof MOUNTS)[number];
  /** The pad on the front: along the lever, and across it. */
  padLengthMetres: number;
  padWidthMetres: number;
  /** From the middle of the pad to the line of the press. */
  leverMetres: number;
}

/** Wirings that run a DC motor both ways. */
export const MOTOR_WIRINGS = ['double-pole', 'two-changeovers', 'bridge'] as const;
/** Wirings that replace a mains control box. */
export const BOX_WIRINGS = ['box-interlocked', 'box-plain'] as const;
/** A motor that runs both ways. */
export interface MotorPlan {
  wiring: (typeof MOTOR_WIRINGS)[number];
  boxWiring: (typeof BOX_WIRINGS)[number];
  supplyVolts: number;
  runningAmps: number | null;
  /** Null takes supply over winding resistance. */
  stallAmps: number | null;
  windingOhms: number | null;
  /** How long it still turns after its power is taken. */
  coastSeconds: number;
  /** Up and down exchanged by wiring. */
  swapped: boolean;
  /** A second motor that faces the first. */
  mirrored: boolean;
  /** A mains motor with a run capacitor puts more than mains on an open contact. */
  runCapacitor: 'unknown' | 'yes' | 'no';
}

/** A step of the knob and the signal that was read there. */
export interface SignalPoint {
  step: number;
  /** Volts or hertz. */
  value: number;
}
/** What becomes of the old knob. */
export const KNOBS = ['changeover', 'removed', 'highest-wins', 'parallel'] as const;
/** A drive signal that is taken over from a knob or a controller. */
export interface SignalPlan {
  what: 'level' | 'frequency';
  points: SignalPoint[];
  /** The highest step that will be asked for. */
  topStep: number;
  /** High level of the original's signal and of its enable line. */
  highVolts: number;
  enable: 'none' | 'high' | 'low';
  /** Resistance that the signal has to drive. */
  loadOhms: number;
  /** High level of pulses that come back, or null where nothing does. */
  returnVolts: number | null;
  /** Frequency of the controller's pulse width output, for a level. */
  pwmHertz: number;
  knob: (typeof KNOBS)[number];
}

/** The machine's supply switched. */
export interface SupplyPlan {
  resumes: 'untested' | 'yes' | 'no';
  atRest: 'open' | 'closed';
}

/** A hand mechanism with a motor. */
export interface HandPlan {
  drive: 'tube' | 'crank';
  motor: 'gear-motor' | 'stepper';
  /** What hangs on the tube, and the tube's diameter. */
  loadKilograms: number;
  tubeMetres: number;
  /** Force on the crank's handle, and its length. */
  crankNewtons: number;
  crankMetres: number;
  /** Turns from end to end. */
  turns: number;
  /** A stepper's centre tap is cut. */
  rewired: boolean;
  /** Supply of the stepper's driver. */
  driverVolts: number;
  /** A second motor that faces the first. */
  mirrored: boolean;
  /** Pairs of pieces, by id, that sit one in the other. */
  fits: { inner: string; outer: string }[];
}

/** How a scanned key would be answered. */
export interface ScanPlan {
  /** Label of the key on the pad; empty takes the one that is called as the press or its control. */
  key: string;
  /** Response of the controller to a strobe: median, and the time that 95 % stay below. */
  medianSeconds: number;
  mostSeconds: number;
  /** The machine looks at its sense lines this long before the strobe ends. */
  leadSeconds: number;
  /** Scans in a row in which the machine must see the key. */
  scansNeeded: number;
  holdSeconds: number;
}

/** A spare remote. */
export interface RemotePlan {
  has: 'unknown' | 'yes' | 'no';
  batteryVolts: number;
  pullOhms: number;
}

/** What a relay module’s own jumpers or switches may make of its input. */
export const MODULE_MODES = ['unknown', 'momentary', 'latching', 'timed'] as const;
/** What a module's own jumpers or switches make of its input. */
export type ModuleMode = (typeof MODULE_MODES)[number];

/** One press of the machine and the plan of its way; a control may have several, and a press may take several lines. */
export interface Press {
  id: string;
  /** What it is called at the bench: `open`, `lid`, `power`. */
  name: string;
  /** The control that it presses, or empty for a motor, a supply or a drive signal that no button belongs to. */
  control: string;
  way: Way | null;
  /** Base or LED series resistor, ohms; null takes the computed standard value. */
  resistorOhms: number | null;
  /** Length of the shared ground wire in metres. */
  groundWireMetres: number;
  /** A resistor from its pin to ground. */
  pullDown: boolean;
  /** A second contact in series, on a pin of its own, so that one stuck contact does not press. */
  twoContacts: boolean;
  /** How the module's own jumpers stand, where a module is taken. */
  moduleMode: ModuleMode;
  finger: FingerPlan;
  motor: MotorPlan;
  signal: SignalPlan;
  supply: SupplyPlan;
  hand: HandPlan;
  scan: ScanPlan;
  remote: RemotePlan;
  /** Values of the plans above that the maker gave or confirmed, as `finger.hornMetres`; the others stand as they begin. */
  given: string[];
}

/** Whether one of several machines is built as drawn or mirrored. */
export const UNIT_SIDES = ['as drawn', 'mirrored'] as const;
/** One of the machines alike, by what is not alike. */
export interface AlikeUnit {
  id: string;
  name: string;
  /** A mirrored unit runs its motor the other way. */
  side: (typeof UNIT_SIDES)[number];
  /** Its place in the order of work, from 1. */
  order: number;
  /** Whatever else differs, in the maker's words. */
  differs: string;
  /** Chip number per line that lies on another pin here. */
  pins: Record<string, number>;
}

/** What all presses share. */
export interface BenchPlan {
  /** Colour chosen per wire number. */
  colours: Record<string, string>;
  /** What the maker wishes of a way, most wanted first; all wishes, each once. */
  wishes: WayWish[];
  /** Own parts of this job, and which part is taken of each kind, by id. */
  parts: OwnPart[];
  picks: Partial<Record<PartKind, string>>;
  stock: StockLine[];
  /** ISO 4217. */
  currency: string;
  /** How many identical machines are fitted. */
  machines: number;
  /** Those of them that differ in something. */
  units: AlikeUnit[];
}

/** The parts of the plan whose values begin with a guess. */
export const GUESSED_PLANS = ['finger', 'motor', 'signal', 'hand', 'scan', 'remote'] as const;
