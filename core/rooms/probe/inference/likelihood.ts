import { meterError, onScale } from '../../../engines/circuit';
import type { Meter, Reading } from '../../../ground/job';
import { normalCdf } from '../../../ground/quantity';

/**
 * One reading in fifty is a slip (`outliers`): this share of the noise is spread over the whole scale. Read again alike
 * it is hardly one.
 */
const OUTLIER_SHARE = 0.02;
const REPEATED_OUTLIER_SHARE = 0.002;
/** Share of volts read with the leads exchanged (`outliers`). */
const SWAPPED_SHARE = 0.01;
/** How wide the scale of each kind of reading is, base units. */
export const WHOLE_SCALE: Record<Reading['kind'], number> = {
  'volts-dc': 60,
  'volts-ac': 300,
  ohms: 18,
  continuity: 18,
  amps: 10,
  hertz: 14,
  duty: 2,
  jumper: 1,
  look: 1,
  insulation: 18,
  diode: 3,
  battery: 10,
};

const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);
/** Beyond so many standard deviations nothing is left of a normal density. */
const NOTHING_LEFT = 8;
/** A machine acts on a jumper: never surely, around this share of the open voltage, and this steeply: chosen, with no source. */
const ACTS = { never: 0.02, at: 0.42, steep: 22 } as const;
/** A beep is known to a tenth of where it begins; under so many volts exchanged leads cannot be told. */
const BEEP_SHARE = 0.1;
const SWAP_VOLTS = 0.3;
const DEGREES_OF_FREEDOM = 3;
/** The normal density at `z` standard deviations; nothing is left of it eight of them away. */
const bell = (z: number, sd: number): number =>
  Math.abs(z) > NOTHING_LEFT ? 0 : Math.exp((-z * z) / 2) / (sd * ROOT_TWO_PI);
/** Scale of Student's t with three degrees of freedom: its heavy tails stand for builds between the few hundred that are drawn. */
const T3 = 2 / (Math.PI * Math.sqrt(DEGREES_OF_FREEDOM));

/**
 * Share of machines that act on a jumper which leaves a share `left` of the open voltage: surely under a fifth, hardly
 * over seven tenths.
 */
export const actShare = (left: number): number =>
  ACTS.never + (1 - 2 * ACTS.never) / (1 + Math.exp((left - ACTS.at) * ACTS.steep));

/**
 * A reading made ready to be held against many predictions: how likely it is where `mean` and `modelSd` are predicted,
 * and the part of it that is a slip.
 */
export interface Likelihood {
  readonly slip: number;
  of(mean: number, modelSd: number): number;
}

/** @param repeated whether the same reading was taken again and agreed. */
export function likelihoodOf(r: Reading, meter: Meter, repeated = false): Likelihood {
  const share = repeated ? REPEATED_OUTLIER_SHARE : OUTLIER_SHARE;
  if (r.kind === 'jumper')
    return {
      slip: share / 2,
      of: (mean) => share / 2 + (1 - share) * (r.said === 'acts' ? actShare(mean) : 1 - actShare(mean)),
    };
  const beep = r.kind === 'continuity';
  const relation = beep ? (r.said === 'beep' ? '<' : '>') : r.relation;
  const value = beep ? meter.beepBelowOhms : r.kind === 'amps' ? Math.abs(r.value) : r.value;
  const error = meterError({ ...r, value, digit: beep ? value * BEEP_SHARE : r.digit }, meter);
  const y = onScale(r.kind, value);
  if (relation !== '=') {
    return {
      slip: share / 2,
      of: (mean, modelSd) => {
        const above = normalCdf((mean - y) / Math.sqrt(modelSd * modelSd + error * error));
        return share / 2 + (1 - share) * (relation === '>' ? above : 1 - above);
      },
    };
  }
  const slip = share / WHOLE_SCALE[r.kind];
  const rest = 1 - share;
  if (!r.kind.startsWith('volts')) {
    return {
      slip,
      // Resistors and periods are free, and their builds lie far apart.
      of: (mean, modelSd) => {
        const sd = Math.sqrt(modelSd * modelSd + error * error);
        const z = (y - mean) / sd;
        const tail = 1 + (z * z) / DEGREES_OF_FREEDOM;
        return slip + (rest * T3) / (sd * tail * tail);
      },
    };
  }
  // Volts of one board are tied together closely; with the leads exchanged they read the other way.
  const mayBeSwapped = r.kind === 'volts-dc' && Math.abs(y) > SWAP_VOLTS;
  return {
    slip,
    of: (mean, modelSd) => {
      const sd = Math.sqrt(modelSd * modelSd + error * error);
      const swapped = mayBeSwapped && mean * y < 0 ? SWAPPED_SHARE * bell((-y - mean) / sd, sd) : 0;
      return slip + rest * bell((y - mean) / sd, sd) + swapped;
    },
  };
}
