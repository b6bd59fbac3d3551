import type { ControlKind, Reading } from '../job';

/** One fully specified way that a control might be built; each kind reads the fields that it has a use for. */
export interface Build {
  readonly kind: ControlKind;
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
  /** Period of whatever pulses, s, and the share of it spent at the other level. */
  readonly periodSeconds: number;
  readonly pulseShare: number;
  /** Whether strobes go low; whether a selector or an encoder rests closed; whether a bus has its ground at B. */
  readonly flag: boolean;
}

/** A build from what matters about it; the rest is as usual. */
export const buildOf = (set: Pick<Build, 'kind'> & Partial<Build>): Build => ({
  signal: 'A', supplyVolts: 5, alternating: false, seriesOhms: 10e3, contactOhms: 0.4, mainsOhms: 150e6, groundOhms: 0.05, boardOhms: 3e3,
  keyOhms: 0.05, neighbourOhms: 2.2e3, periodSeconds: 0.016, pulseShare: 0.125, flag: true, ...set,
});

/** Where, in which state and with which setting: a reading without its value. */
export type ReadingSpec = Pick<Reading, 'from' | 'to' | 'state' | 'kind'>;

/** Whether a tip stands on a mains pin or on earth. */
export const touchesPins = (spec: Pick<ReadingSpec, 'from' | 'to'>): boolean => [spec.from, spec.to].some((p) => p.kind === 'live' || p.kind === 'neutral' || p.kind === 'mains' || p.kind === 'earth');

/** Kinds that an unpowered meter setting reads: the circuit is at rest then. */
export const unpoweredSetting = (kind: Reading['kind']): boolean => kind === 'ohms' || kind === 'continuity';
