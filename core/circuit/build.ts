import { ampsBetween, ohmsBetween, voltsBetween, type Branch } from './linear';
import type { ControlKind, MachineState, Point, Reading } from '../job';
import { HAND_METER, type Meter } from './meter';

/** The kinds that this room tells apart from readings with a meter. */
export const PROBED_KINDS = ['low-when-pressed', 'high-when-pressed', 'dry-pair', 'switched-load'] as const satisfies readonly ControlKind[];
export type ProbedKind = (typeof PROBED_KINDS)[number];

/** One fully specified way that a control might be built; unused fields of a kind are left out by its grid. */
export interface Build {
  readonly kind: ProbedKind;
  /** The terminal that carries the signal (or the loop's positive side). */
  readonly signal: 'A' | 'B';
  readonly supplyVolts: number;
  /** True where the supply alternates. */
  readonly alternating: boolean;
  /** Pull resistor, loop source resistance or load, Ω. */
  readonly seriesOhms: number;
  readonly contactOhms: number;
  /** Low-voltage ground to the mains pins, Ω. */
  readonly mainsOhms: number;
  /** Loop return to the ground that the black tip stands on, Ω; only a dry pair may float. */
  readonly groundOhms: number;
}

const OPEN_OHMS = 2e9;
const WIRE_OHMS = 0.05;
/** What an unpowered board shows between its supply and ground: common practice, hundreds of ohms to tens of kilohms. */
const DEAD_BOARD_OHMS = 3e3;

/** The node a probe tip stands on. */
const nodeOf = (p: Point): string => (p.kind === 'contact' ? p.name : p.kind === 'rail' ? 'supply' : p.kind);

/**
 * Plain circuit of a build in a state; nodes are A, B, ground, supply and, unless left out, live, neutral, mains, earth.
 * @param withPins false where no tip stands on a mains pin: on an isolated side the pins then change nothing.
 */
export function circuitOf(build: Build, state: MachineState, kind: Reading['kind'], withPins = true): Branch[] {
  const s = build.signal;
  const c = s === 'A' ? 'B' : 'A';
  const powered = state !== 'off' && kind !== 'ohms';
  const volts = powered && build.alternating === (kind === 'volts-ac') ? build.supplyVolts : 0;
  const contact: Branch = { a: s, b: c, ohms: state === 'pressed' ? build.contactOhms : OPEN_OHMS };
  const mains: Branch[] = !withPins ? [] : [
    { a: 'neutral', b: 'ground', ohms: build.mainsOhms },
    { a: 'live', b: 'neutral', ohms: kind === 'ohms' ? 2e3 : OPEN_OHMS },
    { a: 'earth', b: 'ground', ohms: 200e6 },
    { a: 'mains', b: 'neutral', ohms: WIRE_OHMS },
  ];
  const source: Branch = { a: 'supply', b: 'ground', ohms: powered ? 0.5 : DEAD_BOARD_OHMS, volts };
  switch (build.kind) {
    case 'low-when-pressed':
      return [source, { a: 'supply', b: s, ohms: build.seriesOhms }, { a: c, b: 'ground', ohms: WIRE_OHMS }, contact, ...mains];
    case 'high-when-pressed':
      return [source, { a: s, b: 'ground', ohms: build.seriesOhms }, { a: c, b: 'supply', ohms: WIRE_OHMS }, contact, ...mains];
    case 'dry-pair':
      return [{ a: s, b: c, ohms: build.seriesOhms, volts }, { a: c, b: 'ground', ohms: build.groundOhms }, contact, ...mains];
    case 'switched-load':
      return build.alternating
        ? [
            { a: s, b: 'neutral', ohms: build.seriesOhms },
            { a: c, b: 'live', ohms: WIRE_OHMS },
            { a: 'live', b: 'neutral', ohms: powered ? 0.5 : OPEN_OHMS, volts },
            { a: 'neutral', b: 'earth', ohms: powered ? 1 : OPEN_OHMS },
            { a: 'earth', b: 'ground', ohms: 1e6 },
            { a: 'mains', b: 'neutral', ohms: WIRE_OHMS },
            contact,
          ]
        : [source, { a: s, b: 'ground', ohms: build.seriesOhms }, { a: c, b: 'supply', ohms: WIRE_OHMS }, contact, ...mains];
  }
}

/** Where, in which state and with which setting: a reading without its value. */
export type ReadingSpec = Pick<Reading, 'from' | 'to' | 'state' | 'kind'>;

/** Whether a tip stands on a mains pin or on earth. */
export const touchesPins = (spec: ReadingSpec): boolean => [spec.from, spec.to].some((p) => p.kind !== 'contact' && p.kind !== 'ground' && p.kind !== 'rail');

/** What a meter would show for this build: volts, ohms or amperes. */
export function predict(build: Build, spec: ReadingSpec, meter: Meter = HAND_METER): number {
  const state = spec.state === 'always' || spec.state === 'running' ? 'idle' : spec.state;
  const circuit = circuitOf(build, state, spec.kind, touchesPins(spec));
  const [from, to] = [nodeOf(spec.from), nodeOf(spec.to)];
  switch (spec.kind) {
    case 'ohms':
      return ohmsBetween(circuit, from, to);
    case 'amps':
      return Math.abs(ampsBetween(circuit, from, to, meter.burdenOhms));
    case 'volts-ac':
      return Math.abs(voltsBetween(circuit, from, to, meter.inputOhms));
    case 'volts-dc':
      return voltsBetween(circuit, from, to, meter.inputOhms);
  }
}
