import type { YES_NO } from '../yes-no';

/** What Feed records: a tree of sources, converters, fuses and leads, and what hangs on it. */

export const SOURCE_KINDS = ['plug-in', 'rail', 'cells', 'bank', 'mains-module'] as const;
/** One of `SOURCE_KINDS`. */
export type SourceKind = (typeof SOURCE_KINDS)[number];
/** What cells are made of. */
export const CHEMISTRIES = [
  'alkaline',
  'lithium-iron',
  'nickel',
  'lithium-ion',
  'iron-phosphate',
  'coin',
  'lead-acid',
] as const;
/** One of `CHEMISTRIES`. */
export type Chemistry = (typeof CHEMISTRIES)[number];
/** Direct or alternating. */
export const CURRENTS = ['dc', 'ac'] as const;
/** How it is known which conductor is plus. */
export const POLARITIES = ['unknown', 'read', 'keyed', 'reversed'] as const;

/** Where power comes from. */
export interface FeedSource {
  id: string;
  name: string;
  kind: SourceKind;
  /** What it gives, V; null takes what Probe read of a rail, or what the cells give. */
  volts: number | null;
  /** Most that it gives for long, A; null where nobody said. */
  amps: number | null;
  current: (typeof CURRENTS)[number];
  /** Which conductor is plus: read with a meter, told by a plug that goes in one way only, or the wrong way round. */
  polarity: (typeof POLARITIES)[number];
  /** Whether it keeps mains away: class II with a safety mark, or no mains in it at all. */
  isolated: (typeof YES_NO)[number];
  /** Id of the machine's rail, for a rail. */
  rail: string;
  /** Resistance of the source, Ω; null takes what Probe read, what such cells have, or none for one that regulates. */
  ohms: number | null;
  chemistry: Chemistry;
  /** Cells one behind the other, and such rows side by side. */
  series: number;
  parallel: number;
  /** Of one cell, A·h; null takes what such cells hold. */
  cellAmpHours: number | null;
  /** A bank switches off under this draw, A; null takes what such banks want. */
  holdAmps: number | null;
}

/** How a converter makes one voltage of another. */
export const CONVERTER_KINDS = ['linear', 'step-down', 'step-up'] as const;
/** One of `CONVERTER_KINDS`. */
export type ConverterKind = (typeof CONVERTER_KINDS)[number];
/** Cases of regulators. */
export const PACKAGES = ['to-220', 'sot-223', 'module'] as const;
/** Makes one voltage of another. */
export interface FeedConverter {
  id: string;
  name: string;
  kind: ConverterKind;
  /** Id of what it hangs on; empty where it hangs on nothing. */
  from: string;
  volts: number;
  /** Most that it gives, A. */
  amps: number | null;
  package: (typeof PACKAGES)[number];
  /** A linear regulator needs this much above its output, a step-down converter as well, V; null takes what its sort needs. */
  dropVolts: number | null;
  /** As a share; null takes what such converters reach. */
  efficiency: number | null;
  /** Most that its input bears, V. */
  mostVolts: number | null;
  /** Its own draw, A; null takes what its sort draws. */
  idleAmps: number | null;
}

/** What stands between a source and its loads. */
export const LINK_KINDS = ['fuse', 'lead', 'capacitor'] as const;
/** One of `LINK_KINDS`. */
export type LinkKind = (typeof LINK_KINDS)[number];
/** Solid or stranded. */
export const STRANDS = ['flexible', 'solid'] as const;
/** What a lead ends in. */
export const CONNECTORS = ['none', 'barrel', 'header', 'wire-to-wire', 'screw', 'usb'] as const;
/** What lies between: a fuse, a lead of two conductors, or a capacitor across both. */
export interface FeedLink {
  id: string;
  name: string;
  kind: LinkKind;
  from: string;
  /** Rating of a fuse, A. */
  amps: number | null;
  /** A lead: its length, m, and the cross-section of one conductor, m²; null where nobody said. */
  metres: number | null;
  squareMetres: number | null;
  strand: (typeof STRANDS)[number];
  connector: (typeof CONNECTORS)[number];
  /** A capacitor and its series resistance, F and Ω. */
  farads: number | null;
  ohms: number | null;
  /** What a capacitor is marked for, V; null where nobody said. */
  bearsVolts: number | null;
}

/** A load of the maker's own beside those that follow from presses, signs and the controller. */
export interface FeedLoad {
  id: string;
  name: string;
  leastVolts: number;
  mostVolts: number;
  current: (typeof CURRENTS)[number];
  /** Drawn at rest, at work, and for a moment at the start, A; the moment, s. */
  idleAmps: number;
  amps: number;
  startAmps: number | null;
  startSeconds: number;
  /** Id of the press that it runs with; empty where it may run at any time. */
  runsWith: string;
}

/** Where a load hangs. */
export interface FeedHang {
  /** `controller`, the id of a press, `press/motor`, or of an own load. */
  load: string;
  /** Id of a source, converter, fuse or lead. */
  node: string;
}

/** Presses that may run at the same time. */
export interface FeedGroup {
  id: string;
  name: string;
  presses: string[];
  /** How many start at once, and how long until the next ones do. */
  atOnce: number;
  staggerSeconds: number;
  /** How long each of them runs. */
  runSeconds: number;
}

/** A reading between two grounds before they are joined: volts across 1 kΩ, the higher of AC and DC. */
export interface GroundShift {
  /** Both ends, as `supply~machine`. */
  id: string;
  volts: number;
}

/** Where the controller is fed. */
export const INPUTS = ['board', 'chip'] as const;
/** What a controller on cells does with its time. */
export interface FeedDuty {
  /** Which input is fed: that of the board's regulator, or the pins' own supply behind it. */
  into: (typeof INPUTS)[number];
  sleeps: (typeof YES_NO)[number];
  wakesPerDay: number | null;
  wakeSeconds: number | null;
  /** Draw of the sleeping controller as measured, A; null takes what the board's values say. */
  sleepAmps: number | null;
}

/** Where it all sits, and what stands around it. */
export interface FeedBox {
  widthMetres: number | null;
  heightMetres: number | null;
  depthMetres: number | null;
  roomCelsius: number;
}

/** The machine's draw at the plug, at rest, without and with the addition, W, and what energy costs. */
export interface FeedStanding {
  withoutWatts: number | null;
  withWatts: number | null;
  pricePerKilowattHour: number | null;
}

/** What Feed holds: the tree, what hangs on it, and what is read of it. */
export interface FeedPlan {
  sources: FeedSource[];
  converters: FeedConverter[];
  links: FeedLink[];
  loads: FeedLoad[];
  hangs: FeedHang[];
  groups: FeedGroup[];
  shifts: GroundShift[];
  duty: FeedDuty;
  box: FeedBox;
  standing: FeedStanding;
}
