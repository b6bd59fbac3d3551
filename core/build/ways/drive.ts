import {
  atMost,
  carried,
  constant,
  derivedLimit,
  judged,
  worst,
  type Finding,
  type RangedInput,
  type Remedy,
  type Step,
} from '../../ground/finding';
import type { DriveFact } from '../../ground/facts';
import type { Press, Way } from '../../ground/job';
import { formatQuantity, nextBelow, within } from '../../ground/quantity';
import { CLAMP_AMPS, RESISTOR_SHARE } from './practice';

/** The pin's high level as an input at the corners. */
export const pinHigh = (drive: DriveFact): RangedInput => ({
  symbol: 'V_OH',
  name: `pin high of the ${drive.controller}`,
  range: drive.highVolts,
  unit: 'V',
  origin: { from: 'source', key: 'pin-drive' },
});

/** A series resistor: the standard value below what is wanted, or the maker's own. */
export function seriesResistor(wantedOhms: number, own: number | null): { ohms: number; input: RangedInput } {
  // The next value below what even a resistor at its upper tolerance must not exceed; a few ohms where nothing is left for it.
  const ohms = own ?? (wantedOhms > 1 ? nextBelow(wantedOhms / (1 + RESISTOR_SHARE), 'E12') : 1);
  return {
    ohms,
    input: {
      symbol: 'R_S',
      name: own ? 'series resistor, your choice, ±5 %' : 'series resistor, next E12 value below what is wanted, ±5 %',
      range: within(ohms, RESISTOR_SHARE),
      unit: 'Ω',
      origin: own
        ? { from: 'maker', what: 'chosen in Thumb' }
        : { from: 'computed', what: 'next standard value of IEC 60063' },
      possible: [1, 10e6],
    },
  };
}

/** The resistor remedy: back to the computed standard value. */
export function resistorRemedy(press: Press, computed: number): Remedy | null {
  const own = press.resistorOhms;
  if (own === null || own === computed) return null;
  const value = formatQuantity(computed, 'Ω');
  return {
    text: `${formatQuantity(own, 'Ω')} was chosen by hand; ${value} is the standard value that the corners ask for.`,
    label: `Use ${value}`,
    edit: { do: 'set', at: 'press', of: press.id, set: { resistorOhms: computed }, say: `series resistor ${value}` },
  };
}

/** Forced gain of a transistor: what small ones take, a tenth of its least gain where that is more, as for a Darlington. */
export const forcedGain = (usual: number, leastGain: number): number => Math.max(usual, leastGain / 10);

const pinLimit = (drive: DriveFact) =>
  atMost(drive.limitAmps, 'A', `pin limit of the ${drive.controller}`, { from: 'source', key: drive.source });

/** Current out of the pin through the resistor and a junction, at its highest, against the pin's limit. */
export function pinCurrent(
  way: Way,
  drive: DriveFact,
  junction: RangedInput,
  resistor: RangedInput,
  remedy: Remedy | null,
): Finding {
  const step = worst('highest', 'current out of the pin', 'I_pin', `(V_OH - ${junction.symbol}) / R_S`, 'A', [
    pinHigh(drive),
    junction,
    resistor,
  ]);
  return judged('thumb', `${way}.pin-current`, {
    title: 'Pin current under what the pin may give',
    caption: 'pin current',
    steps: [step],
    tightShare: 0.1,
    limit: pinLimit(drive),
    remedy,
  });
}

/** Current that a transistor can sink with its base driven hard, at its lowest, against what it must sink. */
export function baseDrive(
  way: Way,
  drive: DriveFact,
  base: RangedInput,
  resistor: RangedInput,
  forcedGain: number,
  needed: readonly Step[],
  name: string,
  remedy: Remedy | null,
): Finding {
  const ib = worst('lowest', 'base current', 'I_B', '(V_OH - V_BE) / R_S', 'A', [pinHigh(drive), base, resistor]);
  const gain = constant('β_forced', 'forced gain', forcedGain, '1', 'forced-gain');
  const sink = worst(
    'lowest',
    'current it sinks for certain',
    'I_sink',
    'I_B * β_forced',
    'A',
    [],
    [carried(ib), gain],
  );
  return judged('thumb', `${way}.sink`, {
    title: `Current it can sink against ${name}`,
    caption: 'sink current',
    steps: [ib, sink],
    limit: derivedLimit('at least', needed, name),
    remedy,
    // What is needed already holds the margin, so meeting it is enough.
    tightShare: 'met',
  });
}

/** What a pin takes in, from the machine or from a module, against what it may; `step` is the current at its highest, A. */
export const pinTakes = (
  way: Way,
  id: string,
  title: string,
  drive: DriveFact,
  step: ReturnType<typeof worst>,
): Finding =>
  judged('thumb', `${way}.${id}`, {
    title,
    caption: 'pin current',
    steps: [step],
    limit: pinLimit(drive),
    tightShare: 0.1,
  });

/** Current into the clamp diode of a pin that a higher level reaches, against what it bears. */
export const clampCurrent = (way: Way, step: ReturnType<typeof worst>, remedy: Remedy | null = null): Finding =>
  judged('thumb', `${way}.clamp`, {
    title: 'Current into the pin’s clamp diode',
    caption: 'clamp current',
    steps: [step],
    limit: atMost(CLAMP_AMPS, 'A', 'what a clamp bears', { from: 'source', key: 'clamp' }),
    tightShare: 0.1,
    remedy,
  });
