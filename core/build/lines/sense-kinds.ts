import type { LineSort } from '../../ground/facts';
import { isOfModule, type MachinePart, type PinAbility, type Sense, type SenseKind } from '../../ground/job';

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
  /** Whether runs and the packed program can read it. */
  readonly readable: boolean;
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
    tells: nothing,
  },
  light: {
    asks: ['analogue'],
    sort: 'analogue',
    part: 'light sensor over a lamp',
    stays: false,
    readable: false,
    tells: (s) => s.light,
  },
  beep: {
    asks: ['input', 'interrupt'],
    sort: 'level',
    part: 'tap on a beeper',
    stays: false,
    readable: false,
    tells: (s) => s.sound,
  },
  pulses: {
    asks: ['input', 'interrupt'],
    sort: 'pulses',
    part: 'pulse sensor',
    stays: false,
    readable: false,
    tells: nothing,
  },
  current: {
    asks: ['analogue'],
    sort: 'analogue',
    part: 'current sensor',
    stays: false,
    readable: false,
    tells: (s) => (s.watts ?? 0) > 0,
  },
  temperature: {
    asks: ['input', 'output'],
    sort: 'level',
    part: 'temperature sensor',
    stays: false,
    readable: false,
    tells: (s) => s.warm,
  },
  message: { asks: [], sort: null, part: 'message', stays: false, readable: false, tells: nothing },
};

/** A contact that brings no level of its own hangs on the pull-up of its pin. */
export const isBare = (sense: Pick<Sense, 'kind' | 'highVolts'>): boolean =>
  SENSES[sense.kind].stays && sense.highVolts === null;

/** Whether a sense lies on a pin of the controller that is the job's to choose. */
export const needsPin = (sense: Pick<Sense, 'kind' | 'touches'>): boolean =>
  SENSES[sense.kind].sort !== null && !isOfModule(sense);

/** Whether runs and the packed program can read a sense; what they cannot a function of the maker's own reads. */
export const isReadable = (sense: Pick<Sense, 'kind' | 'touches'>): boolean =>
  SENSES[sense.kind].readable && !isOfModule(sense);
