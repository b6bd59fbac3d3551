import { PULLS_LOW, TAP_PULL_OHMS } from '../../engines/tap';
import type { Unit } from '../../ground/quantity';
import type { LineSort } from '../../ground/facts';
import {
  comesByMessage,
  isOfModule,
  type MachinePart,
  type PinAbility,
  type Sense,
  type SenseKind,
  type TraceKind,
} from '../../ground/job';

type Shows = MachinePart['shows'][number];

/** What a kind of sense is to all rooms but its name, which its field has. */
export interface SenseInfo {
  /** What it asks of its pin. */
  readonly asks: readonly PinAbility[];
  /** How its signal goes over its line; null where it comes without a wire. */
  readonly sort: LineSort | null;
  /** The part that is bought. */
  readonly part: string;
  /** Whether it stays as it is without power, as what stands at a lever does: what shines or sounds does not. */
  readonly stays: boolean;
  /** Whether the packed program reads it from its pin. */
  readonly readable: boolean;
  /** The number that it reads: its unit, and what recordings are of it; null where it says yes or no by itself. */
  readonly number: { readonly unit: Unit; readonly kind: TraceKind } | null;
  /** What a state of the machine must show for it to tell that state when nobody said what it means. */
  readonly tells: (shown: Shows) => boolean;
}

const nothing = (): boolean => false;

/** Every kind of sense in one place. */
export const SENSES: Readonly<Record<SenseKind, SenseInfo>> = {
  contact: {
    asks: ['input'],
    sort: 'level',
    part: 'contact, reed or micro switch',
    stays: true,
    readable: true,
    number: null,
    tells: nothing,
  },
  level: {
    asks: ['input'],
    sort: 'level',
    part: 'tap on a level',
    stays: false,
    readable: true,
    number: null,
    tells: nothing,
  },
  light: {
    asks: ['analogue'],
    sort: 'analogue',
    part: 'light sensor over a lamp',
    stays: false,
    readable: false,
    number: { unit: 'lux', kind: 'light' },
    tells: (s) => s.light,
  },
  lamp: {
    asks: ['input'],
    sort: 'level',
    part: 'tap on a lamp',
    stays: false,
    readable: true,
    number: null,
    tells: (s) => s.light,
  },
  beep: {
    asks: ['input', 'interrupt'],
    sort: 'level',
    part: 'tap on a beeper',
    stays: false,
    readable: false,
    number: null,
    tells: (s) => s.sound,
  },
  pulses: {
    asks: ['input', 'interrupt'],
    sort: 'pulses',
    part: 'pulse sensor',
    stays: false,
    readable: false,
    number: null,
    tells: nothing,
  },
  current: {
    asks: ['analogue'],
    sort: 'analogue',
    part: 'current sensor',
    stays: false,
    readable: false,
    number: { unit: 'A', kind: 'current' },
    tells: (s) => (s.watts ?? 0) > 0,
  },
  watts: {
    asks: [],
    sort: null,
    part: 'power meter',
    stays: false,
    readable: false,
    number: { unit: 'W', kind: 'power' },
    tells: (s) => (s.watts ?? 0) > 0,
  },
  flow: {
    asks: ['input', 'interrupt'],
    sort: 'pulses',
    part: 'flow sensor',
    stays: false,
    readable: false,
    number: { unit: 'l/min', kind: 'flow' },
    tells: nothing,
  },
  temperature: {
    asks: ['input', 'output'],
    sort: 'level',
    part: 'temperature sensor',
    stays: false,
    readable: false,
    number: { unit: '°C', kind: 'temperature' },
    tells: (s) => s.warm,
  },
  message: { asks: [], sort: null, part: 'message', stays: false, readable: false, number: null, tells: nothing },
};

/** Whether a sense says yes by a number that passes a threshold. */
export const readsNumber = (s: Pick<Sense, 'kind'>): boolean => SENSES[s.kind].number !== null;

/**
 * How long what a sense tells must stand before the controller hears it, s: a number under its threshold has to stay there for its hold
 * as well, whether that says so or not.
 */
export function heardAfter(s: Pick<Sense, 'kind' | 'limit' | 'closedThen' | 'debounceSeconds'>, is: boolean): number {
  const under = is !== s.closedThen;
  return s.debounceSeconds + (readsNumber(s) && under ? (s.limit?.holdSeconds ?? 0) : 0);
}

/** What brings no level of its own hangs on the pull-up of its pin: a contact, and what the machine only pulls low. */
export const isBare = (sense: Pick<Sense, 'kind' | 'highVolts' | 'signal'>): boolean =>
  sense.highVolts === null && (sense.kind === 'contact' || sense.signal?.nature === 'pulls-low');

/** Whether a transistor before the pin pulls it low while what comes in is so; it has a pull-up of its own. */
export const pulledLow = (sense: Pick<Sense, 'kind' | 'highVolts' | 'signal' | 'joint'>): boolean =>
  !isBare(sense) && PULLS_LOW[sense.joint];

/** The pull-up of thermometers on one wire, Ω, where nobody chose another (`one-wire`). */
const ONE_WIRE_OHMS = 4.7e3;
/** The pull-up of a sense’s own at its pin, Ω; null where the one inside the chip does, or none is wanted. */
export function ownPullOf(sense: Pick<Sense, 'kind' | 'highVolts' | 'signal' | 'joint' | 'lead'>): number | null {
  const own = sense.lead?.pullUpOhms ?? null;
  if (sense.kind === 'temperature') return own ?? ONE_WIRE_OHMS;
  return pulledLow(sense) ? (own ?? TAP_PULL_OHMS) : isBare(sense) ? own : null;
}

/** Whether a sense lies on a pin of the controller that is the job's to choose. */
export const needsPin = (sense: Pick<Sense, 'kind' | 'touches'>): boolean =>
  SENSES[sense.kind].sort !== null && !isOfModule(sense) && !comesByMessage(sense);

/** Whether runs and the packed program can read a sense; what they cannot a function of the maker's own reads. */
export const isReadable = (sense: Pick<Sense, 'kind' | 'touches'>): boolean =>
  SENSES[sense.kind].readable && !isOfModule(sense);
