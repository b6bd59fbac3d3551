import type { Never } from './never';

export * from './never';

/** Where the machine stands. */
export interface Region {
  mainsVolts: number;
  mainsHertz: number;
  /** IANA name, as `Europe/London`. */
  timeZone: string;
  /** Degrees, north and east more than nothing; null where nobody said. */
  latitude: number | null;
  longitude: number | null;
}

/** What can hurt somebody at the machine. */
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
/** One of `HAZARDS`. */
export type Hazard = (typeof HAZARDS)[number];

/** One run of the machine as it was bought, noted before anybody opened it. */
export interface WholeRun {
  id: string;
  at: string;
  /** What was run, as `a whole wash` or `up and down`. */
  what: string;
  /** How long it took, and what it drew at most; null where that was not read. */
  seconds: number | null;
  watts: number | null;
  /** What it sounded and looked like. */
  noted: string;
}

/** What the addition does: it presses, moves or switches something, or it only listens, counts and tells. */
export const WISH_ROLES = ['acts', 'listens'] as const;
/** What is wished of the machine, and what must never happen. */
export interface Wish {
  role: (typeof WISH_ROLES)[number];
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
  /** What it did when it was whole. */
  whole: WholeRun[];
  /** It came broken, so that nobody could run it as it was bought. */
  cameBroken: boolean;
}

/** How much the many-presses test must show: reliability at a confidence, both as shares. */
export interface SheetPlan {
  reliability: number;
  confidence: number;
  /** Who tests, as it stands in the results. */
  by: string;
}

/** One go of a step of the test sheet. */
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
