/** Something of the machine that no longer works once it is taken over. */
export interface Loss {
  id: string;
  what: string;
  /** It keeps somebody or something from harm: a cut-out, a door switch, an end switch. */
  safety: boolean;
  /** What takes its place; empty for nothing. */
  instead: string;
}

/** What a gate may rest on: what changes in it reopens the gate. */
export const GATE_GROUNDS = ['mains', 'loads', 'machine', 'program', 'wires', 'own'] as const;
/** One of `GATE_GROUNDS`. */
export type GateGround = (typeof GATE_GROUNDS)[number];
/** How a gate was closed. */
export interface Gate {
  /** Who closed it, and what was read or seen then; empty where nobody said. */
  by: string;
  reading: string;
  /** By what it rests on, a key of that as it was when the gate was closed. */
  rests: Record<string, string>;
}

/** How the mains lead of a load is joined to the wall. */
export const PLUGS = ['unknown', 'fused-plug', 'plug', 'fixed'] as const;
/** For how long at a time a load runs. */
export const DUTIES = ['unknown', 'short', 'hours'] as const;
/** What is put where a coil is switched. */
export const SUPPRESSORS = ['unknown', 'none', 'varistor', 'rc', 'diode'] as const;
/** Which conductor of mains a contact opens. */
export const OPENS = ['unknown', 'line', 'both', 'neutral'] as const;
/** What becomes of the protective earth of a load. */
export const LOAD_EARTHS = ['unknown', 'through', 'class-two', 'missing'] as const;
/** Every link from the wall to the load that one contact switches. What nobody said is null or unknown. */
export interface Chain {
  /** Id of the press; empty for the contact that no press closes. */
  press: string;
  plug: (typeof PLUGS)[number];
  /** What the outlet is made for, the fuse in its plug, and the breaker of its circuit, A. */
  outletAmps: number | null;
  plugFuse: number | null;
  breaker: number | null;
  /** Cross-section of the flexible cord and of the wires between terminals and contact, m². */
  cord: number | null;
  wires: number | null;
  /** What the smallest terminal on the way carries, A. */
  terminalAmps: number | null;
  duty: (typeof DUTIES)[number];
  /** Measured at the moment it comes on, A; null where it is reckoned from the kind of load. */
  inrush: number | null;
  suppressor: (typeof SUPPRESSORS)[number];
  /** A strain relief holds the cord, and its conductors have the colours of the region. */
  /** Which conductor the contact opens, and what becomes of the protective earth of the load. */
  opens: (typeof OPENS)[number];
  earth: (typeof LOAD_EARTHS)[number];
  strainRelief: 'unknown' | 'yes' | 'no';
  colours: 'unknown' | 'yes' | 'no';
}

/** Material groups of insulation, by how well they stand tracking. */
export const MATERIAL_GROUPS = ['unknown', 'I', 'II', 'III'] as const;
/** What keeps mains apart: overvoltage category, height over the sea, the board's material. */
export interface ApartPlan {
  category: 'unknown' | 'II' | 'III';
  /** m over the sea; null while nobody said. */
  altitude: number | null;
  group: (typeof MATERIAL_GROUPS)[number];
}

/** Which side of the insulation a net is on. */
export const NET_SIDES = ['unknown', 'mains', 'touchable'] as const;
/** What the copper of a board is: none, a ring at each hole, or strips along its rows. */
export const COPPERS = ['none', 'pads', 'strips'] as const;
/** A net of a board. */
export interface BoardNet {
  id: string;
  name: string;
  side: (typeof NET_SIDES)[number];
}
/** A hole that is taken by a pin, with its net; empty for a pin that is joined to nothing. */
export interface LaidPin {
  column: number;
  row: number;
  net: string;
}
/** A part that lies on a board: its pins from its first hole on. */
export interface LaidPart {
  id: string;
  name: string;
  column: number;
  row: number;
  pins: LaidPin[];
  /** What its own insulation keeps between its sides over its surface, m; null where nobody read it. */
  apart: number | null;
}
/** Copper that was laid from hole to hole: a track, a bridge of solder or a bare wire. */
export interface BoardTrack {
  id: string;
  net: string;
  fromColumn: number;
  fromRow: number;
  toColumn: number;
  toRow: number;
  /** How wide it is, m. */
  width: number;
}
/** A slot that was sawn, or an area without copper, between two places in holes. */
export interface BoardSlot {
  id: string;
  fromColumn: number;
  fromRow: number;
  toColumn: number;
  toRow: number;
  /** How wide it is, m; of an area without copper 0. */
  width: number;
}
/** A strip that is cut at a hole. */
export interface BoardCut {
  column: number;
  row: number;
}
/** A perforated board as it is to be built. */
export interface BoardLayout {
  id: string;
  name: string;
  columns: number;
  rows: number;
  /** From hole to hole, and across a ring or strip, m. */
  pitch: number;
  pad: number;
  copper: (typeof COPPERS)[number];
  /** Pitch and rings were measured on the board itself, and are not what such boards usually have. */
  measured: boolean;
  nets: BoardNet[];
  parts: LaidPart[];
  tracks: BoardTrack[];
  cuts: BoardCut[];
  slots: BoardSlot[];
  /** Areas that were freed of copper. */
  cleared: BoardSlot[];
}

/** Who or what is hurt by what must never happen, the gravest first. */
export const HARMS = ['unsaid', 'person', 'machine', 'goods', 'nuisance'] as const;
/** One of `HARMS`. */
export type Harm = (typeof HARMS)[number];
/** A hazard that was added by hand. */
export interface OwnHazard {
  id: string;
  what: string;
  harm: Harm;
  prevents: string;
}

/** A story that a named person accepts as it is. */
export interface Accepted {
  id: string;
  /** Id of the condition that it breaks, and what goes wrong in it, as a key. */
  never: string;
  story: string;
  by: string;
  at: string;
  why: string;
  /** A key of the plan that it rests on. */
  basis: string;
}

/** What a failure drill came to, and of which plan. */
export interface DrillRecord {
  at: string;
  /** Things going wrong together at most, stories told, and how many of them break a condition. */
  most: number;
  stories: number;
  broken: number;
  /** Of those, by the ids under which somebody accepts them, the ones that stop. */
  stops: string[];
  verdict: (typeof DRILL_VERDICTS)[number];
  /** A key of the plan that was drilled. */
  basis: string;
}
/** What a drill may come to. */
export const DRILL_VERDICTS = ['settled', 'tight', 'stop', 'unknown'] as const;

/** What a link of the reach may be. */
export const REACH_KINDS = [
  'hand',
  'wire',
  'radio',
  'home-network',
  'broker',
  'port',
  'remote-login',
  'account',
] as const;
/** One way on which somebody can press. */
export interface ReachLink {
  id: string;
  name: string;
  kind: (typeof REACH_KINDS)[number];
  /** Id of the link that it comes over before; empty where whoever presses stands at its end. */
  over: string;
  /** How long a command takes over it, s, and how many of them are lost, as a share; null while nobody said. */
  seconds: number | null;
  lost: number | null;
  /** Who may use it has a password of their own. */
  ownPassword: 'unknown' | 'yes' | 'no';
}

/** How damp it is where the machine stands. */
export const PLACES = ['unknown', 'dry', 'damp'] as const;
/**
 * What ends a press if the controller does not: nothing, a monostable before the driver, a timer relay before what is switched, or the
 * machine by itself.
 */
export const CUT_OFFS = ['none', 'one-shot', 'timer-relay', 'own-end'] as const;
/** A timer relay that closes when it is fed and opens after a time, whatever feeds it on. */
export interface EndTimer {
  /** What it is set to, s; null while nobody said. */
  seconds: number | null;
  /** What its contact carries of a resistive load, A, as its plate says; null while nobody said. */
  amps: number | null;
}
/** What a load is, as far as it matters to the contact that switches it. */
export const LOAD_KINDS = [
  'unknown',
  'resistive',
  'filament',
  'motor',
  'solenoid',
  'switched-mode',
  'transformer',
] as const;
/** What a load runs on. */
export const LOAD_CURRENTS = ['ac', 'dc'] as const;
/** What the contact of one press carries, where presses carry different loads. */
export interface Load {
  /** Id of the press. */
  press: string;
  watts: number | null;
  kind: (typeof LOAD_KINDS)[number];
  volts: number | null;
  current: (typeof LOAD_CURRENTS)[number];
}

/** What Guard holds. */
export interface GuardRecord {
  /** ISO time per ticked step. */
  ticks: Record<string, string>;
  /** The load that the contact switches, watts. */
  loadWatts: number | null;
  loadKind: (typeof LOAD_KINDS)[number];
  /** What it runs on, V, and of which sort; null where Probe read it, or where it is mains of the region. */
  loadVolts: number | null;
  loadCurrent: (typeof LOAD_CURRENTS)[number];
  /** Loads of presses that carry another than that one. */
  loads: Load[];
  /** What no longer works once it is taken over; reviewed once somebody looked through it, so that an empty list means none. */
  losses: Loss[];
  lossesReviewed: boolean;
  /** Where it stands: a dry room, or one with steam, condensation or splashes. */
  place: (typeof PLACES)[number];
  /** What ends a press if the controller does not. */
  cutOff: (typeof CUT_OFFS)[number];
  endTimer: EndTimer;
  /** A watchdog starts a program anew that hangs, after so long, s; null for none. */
  watchdogSeconds: number | null;
  /** Links of the mains lead before a contact, by press. */
  chains: Chain[];
  apart: ApartPlan;
  boards: BoardLayout[];
  /** What else can hurt, added by hand. */
  own: OwnHazard[];
  /** By ticked step, who ticked it, on which reading, and what it rests on. */
  gates: Record<string, Gate>;
  /** The last failure drill; none before the first. */
  drills: DrillRecord[];
  accepted: Accepted[];
  links: ReachLink[];
}
