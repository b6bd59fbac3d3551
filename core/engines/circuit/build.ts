import type { Reading } from '../../ground/job';
import type { ModelKind } from './model-kinds';

/**
 * How the parts of a kind stand; each kind knows some of these, and `usual` is its plainest.
 * Ladders: `at-line` has this button's resistor on the line's side, `chain` is one tap of several, `to-supply` joins to the supply.
 * Keypads: `released` strobes float between their turns, `asleep` ones wait for a key without pulsing.
 * Pairs: `unfiltered` is a rectified supply without its capacitor. Loads: `low-side` has its contact at ground.
 * Selectors and encoders: `driven` lines come from outputs; `common` has one tip on the common of an encoder.
 * Buttons that open: in a `loop` of their own supply. Variable resistors: `behind-pull` has no end of its own at the other rail.
 * Pads: `driven` to a level, `oscillating`, or with the `output` of their chip. Buses: `open-drain`. Motors: `brakes` or a `relay` bridge.
 */
export type Layout =
  | 'usual'
  | 'at-line'
  | 'chain'
  | 'to-supply'
  | 'to-supply-at-line'
  | 'released'
  | 'asleep'
  | 'unfiltered'
  | 'low-side'
  | 'driven'
  | 'common'
  | 'common-to-supply'
  | 'common-driven'
  | 'oscillating'
  | 'output'
  | 'open-drain'
  | 'brakes'
  | 'relay'
  | 'loop'
  | 'behind-pull';

/** One fully specified way that a control might be built; each kind reads the fields that it has a use for. */
export interface Build {
  readonly kind: ModelKind;
  readonly layout: Layout;
  /** The terminal that carries the signal: the line that is pulled, the strobe, the loop's positive side. */
  readonly signal: 'A' | 'B';
  readonly supplyVolts: number;
  /** True where the supply alternates. */
  readonly alternating: boolean;
  /** Pull resistor, loop source resistance, load, winding, or what a touch pad hangs on, Ω. */
  readonly seriesOhms: number;
  readonly contactOhms: number;
  /** Low-voltage ground to the mains pins, Ω. */
  readonly mainsOhms: number;
  /** Loop return to the ground that the black tip stands on, Ω; only a dry pair may float. */
  readonly groundOhms: number;
  /** What the unpowered board shows between its supply and ground, Ω. */
  readonly boardOhms: number;
  /** Resistor of this button of a ladder, Ω, and of a neighbour. */
  readonly keyOhms: number;
  readonly neighbourOhms: number;
  /** Period of whatever pulses, s, and the share of it spent at the other level; of a variable resistor, where its wiper stands. */
  readonly periodSeconds: number;
  readonly pulseShare: number;
  /**
   * Whether strobes go low; whether a selector or an encoder's first contact rests closed; whether a bus has its ground
   * at B; whether a load's switch stays where it was put.
   */
  readonly flag: boolean;
  /** Whether an encoder's second contact rests closed, and whether its next step moves the first. */
  readonly second: boolean;
  readonly movesFirst: boolean;
  /** The contact's far side to its rail, Ω: a wire, or a resistor in the return or in the supply leg. */
  readonly returnOhms: number;
  /** Whether the pull is inside the chip, and gone when unplugged. */
  readonly inChip: boolean;
  /** What a chip's pin shows to its supply when unplugged, under the red tip, Ω. */
  readonly pinOhms: number;
  /** The same from its ground to the pin, under the black tip: a second junction, which only some ohmmeters open. */
  readonly pinBackOhms: number;
  /** What junctions in the path take, V: a key's diode, the LEDs of a load; 0 without. */
  readonly dropVolts: number;
}

/** What is usual where a draw says nothing else (`builds-met`). */
const USUAL: Omit<Build, 'kind'> = {
  layout: 'usual',
  signal: 'A',
  supplyVolts: 5,
  alternating: false,
  seriesOhms: 10e3,
  contactOhms: 0.4,
  mainsOhms: 150e6,
  groundOhms: 0.05,
  boardOhms: 3e3,
  keyOhms: 0.05,
  neighbourOhms: 2.2e3,
  periodSeconds: 0.016,
  pulseShare: 0.125,
  flag: true,
  second: false,
  movesFirst: true,
  returnOhms: 0.05,
  inChip: false,
  pinOhms: 300e6,
  pinBackOhms: 300e6,
  dropVolts: 0,
};

/**
 * A build from what matters about it; the rest is as usual. Each is written out field by field: tens of thousands are
 * drawn, and objects of one shape are read several times as fast as those of many.
 */
// eslint-disable-next-line complexity -- nothing is decided here: one usual value for each field
export const buildOf = (set: Pick<Build, 'kind'> & Partial<Build>): Build => ({
  kind: set.kind,
  layout: set.layout ?? USUAL.layout,
  signal: set.signal ?? USUAL.signal,
  supplyVolts: set.supplyVolts ?? USUAL.supplyVolts,
  alternating: set.alternating ?? USUAL.alternating,
  seriesOhms: set.seriesOhms ?? USUAL.seriesOhms,
  contactOhms: set.contactOhms ?? USUAL.contactOhms,
  mainsOhms: set.mainsOhms ?? USUAL.mainsOhms,
  groundOhms: set.groundOhms ?? USUAL.groundOhms,
  boardOhms: set.boardOhms ?? USUAL.boardOhms,
  keyOhms: set.keyOhms ?? USUAL.keyOhms,
  neighbourOhms: set.neighbourOhms ?? USUAL.neighbourOhms,
  periodSeconds: set.periodSeconds ?? USUAL.periodSeconds,
  pulseShare: set.pulseShare ?? USUAL.pulseShare,
  flag: set.flag ?? USUAL.flag,
  second: set.second ?? USUAL.second,
  movesFirst: set.movesFirst ?? USUAL.movesFirst,
  returnOhms: set.returnOhms ?? USUAL.returnOhms,
  inChip: set.inChip ?? USUAL.inChip,
  pinOhms: set.pinOhms ?? USUAL.pinOhms,
  pinBackOhms: set.pinBackOhms ?? USUAL.pinBackOhms,
  dropVolts: set.dropVolts ?? USUAL.dropVolts,
});

/** Where, in which state and with which setting: a reading without its value. */
export type ReadingSpec = Pick<Reading, 'from' | 'to' | 'state' | 'kind'>;

/** Whether a tip stands on a mains pin or on earth. */
export const touchesPins = (spec: Pick<ReadingSpec, 'from' | 'to'>): boolean =>
  [spec.from, spec.to].some(
    (p) => p.kind === 'live' || p.kind === 'neutral' || p.kind === 'mains' || p.kind === 'earth',
  );

/** Kinds that an unpowered meter setting reads: the circuit is at rest then. */
export const unpoweredSetting = (kind: Reading['kind']): boolean =>
  kind === 'ohms' || kind === 'continuity' || kind === 'insulation' || kind === 'diode' || kind === 'battery';
