/** Input levels that a machine’s own controller may have. */
export const LOGIC_LEVELS = ['cmos', 'ttl', 'own'] as const;
/** What closing a pair lets current into. */
export const PAIR_FEEDS = ['unknown', 'electronics', 'coil', 'coil-with-diode', 'lamp'] as const;
/** A button, switch, pad or connector that is to be pressed. */
export interface Control {
  id: string;
  name: string;
  /** Which input levels the appliance's own controller is taken to have. */
  levels: (typeof LOGIC_LEVELS)[number];
  /** Volts, used where `levels` is `own`. */
  lowBelowVolts: number | null;
  highAboveVolts: number | null;
  /** The strip that it lies on, by its id, with the numbers of its terminals, A first; empty where it lies on none. */
  strip: string;
  terminals: number[];
  /** The control that this one is taken to be like, by its id; empty for one that is read by itself. */
  like: string;
  /** What the pair switches in the machine. */
  feeds: (typeof PAIR_FEEDS)[number];
}

/** Where a probe tip may lie. */
export const POINT_KINDS = ['contact', 'ground', 'live', 'neutral', 'mains', 'earth', 'rail'] as const;
/** A place for a probe tip. `contact` is a terminal of a control, `mains` is live and neutral clipped together, `rail` a supply. */
export interface Point {
  kind: (typeof POINT_KINDS)[number];
  /** Terminal letter for a contact, name for a rail, else empty. */
  name: string;
}

/** How the machine stands while a reading is taken. */
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
  'loaded-100k',
  'turned-100k',
] as const;
/**
 * `off` is unplugged and nobody presses; the others are powered but for ohms. `released` is after one press and letting go,
 * `neighbour` while another button of the same panel is held, `turning` while the knob goes round or stands elsewhere,
 * `moving` and `moving-back` while a motor runs one way and the other, `loaded` with 1 kΩ and `loaded-10k` with 10 kΩ across the tips,
 * `plug-turned` with live and neutral exchanged at the plug, `turned-10k` the same with 10 kΩ across the tips,
 * `loaded-100k` and `turned-100k` with 100 kΩ that were clipped across before it was plugged in,
 * `always` marks a rail that never goes away.
 */
export type MachineState = (typeof STATES)[number];

/** What is read. */
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
  'diode',
  'battery',
] as const;
/**
 * `insulation` is ohms by a tester with 500 V DC, done by whoever may; `diode` is volts on the meter's diode range; `battery` is volts DC
 * with a small battery in series with the meter, which tells what lies between the places from the meter's own input; `duty` is the share
 * of time high; `jumper` joins the tips through a resistor and watches the machine; `look` is what eye and finger tell.
 */
export type ReadingKind = (typeof READING_KINDS)[number];

/** What a control does under the finger. */
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
/** Answers that are no number; empty where there is one. */
export const SAID = ['', 'beep', 'silent', 'acts', 'nothing', ...LOOKS] as const;

/** One reading as it was taken. */
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
