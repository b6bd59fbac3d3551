/** What stands at the controller: what it senses, what people move, what it shows, and its board with who lies on which pin. */

export const SENSE_KINDS = [
  'contact',
  'level',
  'light',
  'lamp',
  'beep',
  'pulses',
  'current',
  'watts',
  'flow',
  'temperature',
  'message',
] as const;
/** One of `SENSE_KINDS`. */
export type SenseKind = (typeof SENSE_KINDS)[number];
/** Which state of the machine a sense tells. */
export const SENSE_TELLS = ['at-rest', 'at-work', 'at-end', 'other'] as const;
/** What a run takes something for that no state of the machine tells, as whether a cup stands there. */
export const TAKEN_FOR = ['unknown', 'yes', 'no'] as const;
/** What the wires of a sense touch. */
export const SENSE_TOUCHES = ['unknown', 'own', 'machine', 'coupled', 'module'] as const;
/** How the controller learns something about the machine. */
export interface Sense {
  id: string;
  name: string;
  kind: SenseKind;
  /**
   * What its wires touch: a part of its own that nothing joins to the machine, the machine's own circuit, that circuit over an
   * optocoupler, or nothing at all where it is the own meter of a bought module.
   */
  touches: (typeof SENSE_TOUCHES)[number];
  /**
   * Which state of the machine it tells: where its part rests, anywhere but there, at the far end of its way, or `other`, which are
   * `states` or something in the world.
   */
  tells: (typeof SENSE_TELLS)[number];
  /** Id of the part of the machine that it tells of; empty for the first. */
  part: string;
  /** Words of the states of its part in which it says yes, where it tells `other`; none is those that its kind shows, or none at all. */
  states: string[];
  /** What runs take it for where it tells of no state of the machine. */
  takenFor: (typeof TAKEN_FOR)[number];
  /** What it tells in the maker's words, as “tank full”. */
  meaning: string;
  /** True where the contact is closed, or the line is high, while what it tells is so. */
  closedThen: boolean;
  debounceSeconds: number;
  /** After so long without news nothing is known; null where it is read at every look. */
  staleSeconds: number | null;
  /** It must wake a sleeping controller. */
  wakes: boolean;
  /** Where a number says yes and where no; null where it reads no number, or nobody said. */
  limit: SenseLimit | null;
  /** High level of what comes in, V; of what alternates its whole swing; null for a contact against the controller's own pull-up. */
  highVolts: number | null;
  /** What stands between what comes in and the pin. */
  joint: SenseJoint;
  /** What comes in beside its high level; null while nobody read it. */
  signal: SenseSignal | null;
  /** How a current is read round its lead; null while nobody said. */
  coil: SenseCoil | null;
  /** Its lead to the controller; null while nobody said. */
  lead: SenseLead | null;
  /** A magnet and the contact that it closes; null where there is none, or nobody measured them. */
  magnet: SenseMagnet | null;
  /** What it counts; null where it counts nothing. */
  count: SenseCount | null;
  /** Where a thermometer sits. */
  place: (typeof SENSE_PLACES)[number];
  /** Topic of the message, for a message. */
  topic: string;
}

/** What may stand between what a machine gives and a pin. */
export const SENSE_JOINTS = ['direct', 'divider', 'coupler', 'pump', 'hold'] as const;
/**
 * `direct` is a wire, `divider` two resistors, `coupler` an optocoupler, `pump` a capacitor with two diodes and a transistor for what
 * alternates, `hold` a diode and a transistor that keep what flickers.
 */
export type SenseJoint = (typeof SENSE_JOINTS)[number];
/** What a reading of it on both ranges, DC and AC, showed. */
export const SIGNAL_NATURES = ['unknown', 'steady', 'alternating', 'flickering', 'pulls-low'] as const;
/** What a sense is given by the machine; null where nobody read it. */
export interface SenseSignal {
  /**
   * Steady, up and down about zero or about a level, up and down between low and high while it is so, or open and only pulled low.
   */
  nature: (typeof SIGNAL_NATURES)[number];
  /** Its low level, V. */
  lowVolts: number | null;
  /** What stands behind it, Ω. */
  sourceOhms: number | null;
  /** How often it goes up and down while it is so, Hz, at its slowest. */
  hertz: number | null;
  /** Share of each turn that it is up, at its least. */
  duty: number | null;
  /** How long it is so at its shortest, s: one beep, one pulse. */
  shortestSeconds: number | null;
}

/** What a current transformer is put round. */
export const COIL_ROUND = ['unknown', 'one-lead', 'whole-cord'] as const;
/** Whether a current alternates. */
export const COIL_CURRENTS = ['unknown', 'alternating', 'direct'] as const;
/** A current transformer round a lead. */
export interface SenseCoil {
  round: (typeof COIL_ROUND)[number];
  current: (typeof COIL_CURRENTS)[number];
  /** How often the lead goes through it. */
  turns: number;
  /** Turns of its own winding for one of the lead; null while nobody read its plate. */
  ratio: number | null;
  /** The resistor across its winding, Ω; null where there is none. */
  burdenOhms: number | null;
  /** The most that flows through the lead, A; null while nobody said. */
  mostAmps: number | null;
}

/** What runs beside a lead. */
export const SENSE_LEAD_BESIDE = ['unknown', 'apart', 'mains-or-motor'] as const;
/** The lead of a sense. */
export interface SenseLead {
  metres: number;
  beside: (typeof SENSE_LEAD_BESIDE)[number];
  /** A pull-up of its own at the controller, Ω; null takes the one inside. */
  pullUpOhms: number | null;
  /** A resistor and a capacitor before the pin. */
  filtered: boolean;
  /** Thermometers on this one wire. */
  devices: number;
}

/** A magnet and its contact, all distances in m; null while nobody measured them. */
export interface SenseMagnet {
  /** The contact closes when the magnet comes this near, and opens again when it is this far, as its plate or a trial says. */
  closesMetres: number | null;
  opensMetres: number | null;
  /** How far the magnet stands where the contact has to be closed, and where it has to be open, at the least. */
  nearMetres: number | null;
  farMetres: number | null;
  /** How far it may pass beside the middle, and how far it shakes either way. */
  sideMetres: number | null;
  shakeMetres: number | null;
}

/** What a sense counts, against a budget. */
export interface SenseCount {
  /** In what it counts, as litres, turns or runs. */
  unit: string;
  /** What one yes or one pulse of it is worth, in that unit; null while nobody measured it. */
  worth: number | null;
  /** How far that may be off, as a share, as a bucket test or its plate says; null while nobody said. */
  off: number | null;
  /** What it may come to, and in what that is said. */
  budget: number | null;
  budgetUnit: string;
  /** How many counts there are on a day, at the most. */
  perDay: number | null;
  /** It is saved every so many counts. */
  saveEvery: number;
  /** How often one page of the memory can be written, and over how many pages it is spread. */
  endurance: number;
  pages: number;
}

/** Where a thermometer sits. */
export const SENSE_PLACES = ['unknown', 'at-it', 'apart', 'with-electronics'] as const;

/** Where what a sense reads counts as so; in the unit of its kind. */
export interface SenseLimit {
  /** Over this it says so. */
  over: number;
  /** Under this it says not so, once it stood there for the hold; in between it goes on saying what it said. */
  under: number;
  /** How long it must stand under before it counts as over, s: longer than every rest within a run. */
  holdSeconds: number;
}

/** What a hand at the controller is for. */
export const HAND_KINDS = ['arm', 'button', 'rocker', 'stop', 'answer', 'mode', 'command'] as const;
/** One of `HAND_KINDS`. */
export type HandKind = (typeof HAND_KINDS)[number];
/**
 * What people move at the controller; `answer` says that somebody came: what calls or is due goes out. A `command` is moved from
 * afar, by a message: it has no wires, and no length.
 */
export interface Hand {
  id: string;
  name: string;
  kind: HandKind;
  /** Stays where it is put. */
  latching: boolean;
  debounceSeconds: number;
  /** A pull-up of its own outside the chip, Ω; null takes the one inside. */
  pullUpOhms: number | null;
  /** The presses that it makes while it is held, by id: one for a button, up and down for a rocker; empty for a side that makes none. */
  asks: string[];
  /** Id of the mode that it puts on and off, for one that does. */
  mode: string;
  /** The moves that it begins in their place, by id: those of a button or a command take turns, a rocker's are up and down. */
  begins: string[];
  /** Starts that one arming lets go before it has to be armed again; null for as many as come. */
  startsPerArming: number | null;
  wakes: boolean;
  /** Topic of its messages, for a command. */
  topic: string;
}

/** What a sign is. */
export const SIGN_KINDS = ['lamp', 'beeper'] as const;
/** What a sign tells. */
export const SIGN_MEANINGS = ['armed', 'about-to-move', 'call', 'due'] as const;
/** What the controller shows to people. */
export interface Sign {
  id: string;
  name: string;
  kind: (typeof SIGN_KINDS)[number];
  means: (typeof SIGN_MEANINGS)[number];
  /** Forward voltage of a lamp, V. */
  forwardVolts: number;
  /** Current of the lamp or the beeper, A. */
  amps: number;
  /** Series resistor, Ω; null takes the computed standard value. */
  resistorOhms: number | null;
  /** What it works on where a transistor switches it, V; null where nobody said. */
  volts: number | null;
  /** Starts after which care is due; null where nothing is counted. */
  dueAfterStarts: number | null;
}

/** What a pin can do. */
export const PIN_ABILITIES = [
  'output',
  'input',
  'pull-up',
  'interrupt',
  'wake',
  'analogue',
  'pulse-width',
  'five-volt',
] as const;
/** What a pin can do; `five-volt` withstands 5 V. */
export type PinAbility = (typeof PIN_ABILITIES)[number];
/** Levels that a pin can have. */
export const LEVELS = ['low', 'high', 'weak-low', 'weak-high', 'float', 'toggles', 'program', 'kept'] as const;
/**
 * `weak-…` is a pull inside the chip, `toggles` any traffic, `float` an input without a pull, `program` as the program sets it,
 * `kept` as it was before.
 */
export type Level = (typeof LEVELS)[number];
/** Phases of a controller in which its pins have levels of their own. */
export const PHASES = ['rising', 'boot', 'programming', 'running', 'reset', 'sleep'] as const;
/** One of `PHASES`. */
export type Phase = (typeof PHASES)[number];
/** How a board makes the supply of its pins. */
export const REGULATORS = ['unknown', 'none', 'linear', 'switching'] as const;
/** How a value of a board is known. */
export const TAGS = ['published', 'practice', 'memory', 'measured'] as const;
/** Where a value comes from. */
export type Tag = (typeof TAGS)[number];

/** One pin of a board. */
export interface BoardPin {
  /** The chip's own number. */
  gpio: number;
  /** What is printed beside it. */
  label: string;
  /** Its place on the header or along the edge, as `J1-7`; empty where it is not led out. */
  header: string;
  can: PinAbility[];
  /** The level that it must have while the chip comes out of reset. */
  strap: 'high' | 'low' | null;
  levels: Record<Phase, Level>;
  /** What it does at the beginning of the boot before the level above, and for how long; null where it does nothing else. */
  pulse: Level | null;
  pulseSeconds: number;
  nature: string;
  tag: Tag;
}

/** How a bought switch module is fitted. */
export const MODULE_FITS = ['plug-in', 'wired-in'] as const;
/** How a program comes into a bought module. */
export const MODULE_LOADS = ['over-the-air', 'lead-outside', 'lead-inside'] as const;
/** What stands between mains and the pins of a bought module. */
export const MODULE_INSULATIONS = ['unknown', 'none', 'reinforced'] as const;
/** What its contact does when mains comes back, before the program runs. */
export const MODULE_RETURNS = ['unknown', 'open', 'closed', 'as-before'] as const;
/** A switch as it is bought: contact, supply, controller and often button, lamp and meter in one casing. */
export interface SwitchModule {
  fit: (typeof MODULE_FITS)[number];
  /** Between which mains voltages it runs, V. */
  mainsVolts: [least: number, most: number];
  /** The contact: the pin that closes it, at which level, and what it bears: resistive load, inrush, voltage. */
  contactGpio: number;
  contactOn: 'high' | 'low';
  contactAmps: number;
  inrushAmps: number;
  contactVolts: number;
  /** It opens both conductors, or one of them. */
  poles: 'one' | 'both';
  /** What the contact does when mains comes back, until the program sets it. */
  returns: (typeof MODULE_RETURNS)[number];
  /** Pins of its own button and lamp; null where it has none. */
  buttonGpio: number | null;
  lampGpio: number | null;
  /** Whether it measures what goes through its contact. */
  meters: boolean;
  insulation: (typeof MODULE_INSULATIONS)[number];
  loads: (typeof MODULE_LOADS)[number];
  /** Made for where it may be damp. */
  splashProof: boolean;
}

/** A controller board as data. */
export interface BoardProfile {
  key: string;
  name: string;
  /** Supply of the pins. */
  volts: number;
  /** Level of a pin driven high under load, lowest, usual, highest. */
  highVolts: [number, number, number];
  pinAmps: number;
  /** All pins together; null where nobody says. */
  allPinsAmps: number | null;
  /** The pull inside the chip from part to part, weakest last. */
  weakOhms: [number, number];
  /** Between which voltages it may be fed. */
  supplyVolts: [number, number, number];
  meanAmps: number;
  peakAmps: number;
  /** What stands between its input and the supply of the chip, and how much it needs above that, V. */
  regulator: (typeof REGULATORS)[number];
  dropVolts: number | null;
  /** Between which voltages the chip itself runs, for a supply that goes round the regulator; null where nobody says. */
  chipLeastVolts: number | null;
  chipMostVolts: number | null;
  /** Draw in deep sleep: of the whole board with its lamp and regulator, and of the chip by itself; null where it has none. */
  sleepAmps: number | null;
  chipSleepAmps: number | null;
  /** From power rising until the supply stands, until the program has set its pins, of a reset, of programming. */
  riseSeconds: number;
  readySeconds: number;
  resetSeconds: number;
  programSeconds: number;
  /** Where each value above comes from; what is not named comes from memory. */
  tags: Record<string, Tag>;
  /** What makes it a bought switch; null for a bare board. */
  module: SwitchModule | null;
  pins: BoardPin[];
}

/** A line on a pin. */
export interface PinChoice {
  /** Id of the line. */
  line: string;
  gpio: number;
  /** Chosen by hand: the search keeps it. */
  fixed: boolean;
}

/** What Board holds: the board, own boards, and the pin of each line. */
export interface BoardPlan {
  /** Key of the profile. */
  profile: string;
  /** The maker's own boards. */
  profiles: BoardProfile[];
  pins: PinChoice[];
}
