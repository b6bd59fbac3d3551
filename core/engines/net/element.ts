import type { Interval } from '../../ground/quantity';

/** Zero volts of the whole circuit. A part of it that no conductor joins to this keeps a reference of its own. */
export const ZERO = '0';

interface Common {
  /** One of its own in the circuit. */
  readonly id: string;
}
/** Ω, over 0. */
interface Resistor extends Common {
  readonly is: 'resistor';
  readonly a: string;
  readonly b: string;
  readonly ohms: Interval;
}
/** A source of `volts`, plus at `a`, V, behind its own resistance, Ω, 0 and more. */
interface Source extends Common {
  readonly is: 'source';
  readonly a: string;
  readonly b: string;
  readonly volts: Interval;
  readonly ohms: Interval;
}
/** What draws `amps` from `a` to `b` whatever the volts, A. */
interface Drain extends Common {
  readonly is: 'drain';
  readonly a: string;
  readonly b: string;
  readonly amps: Interval;
}
/** A junction: nothing under `volts`, V, and from there a slope of `ohms`, Ω. */
interface Junction extends Common {
  readonly is: 'junction';
  /** Anode and cathode. */
  readonly a: string;
  readonly b: string;
  readonly volts: Interval;
  readonly ohms: Interval;
}
/**
 * A current that follows another one: what flows through a junction, times `gain`, from `a` to `b`, until no more than `leastVolts` are
 * left there, V, with a slope of `ohms`, Ω. The collector of a transistor follows its base so, that of a coupler its lamp.
 */
interface Follower extends Common {
  readonly is: 'follower';
  readonly a: string;
  readonly b: string;
  /** Id of the junction. */
  readonly of: string;
  readonly gain: Interval;
  readonly leastVolts: Interval;
  readonly ohms: Interval;
}
/**
 * A channel between `a` and `b` of `ohms`, Ω, once the gate stands `fullVolts` over `b`, V; none under `thresholdVolts`; between the two
 * its conductance grows in proportion.
 */
interface Channel extends Common {
  readonly is: 'channel';
  readonly a: string;
  readonly b: string;
  readonly gate: string;
  readonly thresholdVolts: Interval;
  readonly fullVolts: Interval;
  readonly ohms: Interval;
}
/** Makes `volts` between `out` and `b` of what stands between `a` and `b`: held while there is enough, else what comes less its drop. */
interface Converter extends Common {
  readonly is: 'converter';
  readonly a: string;
  readonly b: string;
  readonly out: string;
  readonly volts: Interval;
  readonly dropVolts: Interval;
  /** Share of the power that comes out; 0 where current goes through as it is, as in a linear regulator. */
  readonly efficiency: Interval;
  readonly idleAmps: Interval;
  /** Makes more of less; needs no headroom, but this much at least, V. */
  readonly startsAt: number | null;
}

/** One element of a circuit; each value lies between bounds. */
export type Element = Resistor | Source | Drain | Junction | Follower | Channel | Converter;

/** An element of one sort. */
export type ElementOf<S extends Element['is']> = Extract<Element, { readonly is: S }>;

/** Keys of an element that hold values with bounds. */
export const VALUES = {
  resistor: ['ohms'],
  source: ['volts', 'ohms'],
  drain: ['amps'],
  junction: ['volts', 'ohms'],
  follower: ['gain', 'leastVolts', 'ohms'],
  channel: ['thresholdVolts', 'fullVolts', 'ohms'],
  converter: ['volts', 'dropVolts', 'efficiency', 'idleAmps'],
} as const;

/** Bounds of one of an element's values. */
export const rangeOf = (e: Element, key: string): Interval =>
  (e as unknown as Readonly<Record<string, Interval>>)[key] as Interval;

/** The value of an element at a corner. */
export type Corner = (id: string, key: string, range: Interval) => number;
/** Every value as it usually is. */
export const usual: Corner = (_id, _key, range) => range.nominal;
