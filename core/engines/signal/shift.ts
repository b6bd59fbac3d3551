import { carried, chosen, computed, constant, derive, type Input, type Step } from '../../ground/finding';
import { decadeOf, nextAbove } from '../../ground/quantity';

/** Two resistors for a non-inverting amplifier, Ω. */
export interface GainPair {
  readonly feedback: number;
  readonly ground: number;
  readonly gain: number;
}

/**
 * The E24 pair around 10 kΩ whose gain 1 + Rf/Rg is the least at or above the wanted one even at its worst corner; null
 * for a gain of one or less, which needs none. @param share tolerance of the resistors.
 */
export function gainPair(wanted: number, share = 0): GainPair | null {
  if (wanted <= 1) return null;
  const values = decadeOf('E24').flatMap((m) => [m * 1e3, m * 1e4]);
  let best: GainPair | null = null;
  for (const ground of values)
    for (const feedback of values) {
      const gain = 1 + feedback / ground;
      const least = 1 + (feedback * (1 - share)) / (ground * (1 + share));
      if (least >= wanted * (1 - 1e-9) && (!best || gain < best.gain)) best = { feedback, ground, gain };
    }
  return best;
}

/** Largest ripple that is left of a pulse width output behind R and C, as a share of its swing. */
const RIPPLE_SHARE = 0.01;

/**
 * R and C that turn a pulse width output into a level: the ripple at half duty is V/(4·f·R·C), the level settles to 1 % in 4.6·R·C.
 * Source: first-order low-pass; the triangle approximation holds for R·C far above the period.
 */
export function pwmFilter(pwmHertz: Input, swing: Input, ohms: number): { farads: Step; ripple: Step; settles: Step } {
  const R: Input = constant('R', 'filter resistor', ohms, 'Ω', 'pwm-filter');
  const f: Input = { ...pwmHertz, symbol: 'f' };
  const least = 1 / (4 * pwmHertz.value * ohms * RIPPLE_SHARE);
  const farads = derive('capacitor, next standard value', 'C', 'C_std', 'F', [
    computed(
      'C_std',
      `E6 value from ${least.toExponential(1)} F up`,
      nextAbove(least, 'E6'),
      'F',
      'chosen from R, the frequency and the ripple; standard value of IEC 60063',
    ),
  ]);
  const ripple = derive('ripple, peak to peak', 'ΔV', 'V / (4 * f * R * C)', 'V', [
    { ...swing, symbol: 'V' },
    f,
    R,
    carried(farads),
  ]);
  const settles = derive('settled to 1 %', 't_s', 'ln(c) * R * C', 's', [
    constant('c', 'a hundredth is left', 100, '1', 'pwm-filter'),
    R,
    carried(farads),
  ]);
  return { farads, ripple, settles };
}

/** Current into a pin's clamp from a higher level through a resistor, A. */
export const clampAmps = (fromVolts: number, pinVolts: number, ohms: number): Step =>
  derive('current into the pin’s clamp', 'I', 'max(0, V_in - V_pin - V_d) / R', 'A', [
    chosen('V_in', 'high level that comes back', fromVolts, 'V', 'set in Thumb'),
    chosen('V_pin', 'supply of the controller', pinVolts, 'V', 'of the controller'),
    constant('V_d', 'drop of the clamp', 0.3, 'V', 'clamp'),
    constant('R', 'series resistor', ohms, 'Ω', 'clamp'),
  ]);
