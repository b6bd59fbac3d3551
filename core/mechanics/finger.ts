import { chosen, constant, derive, worst, type Input, type RangedInput, type Step } from '../finding';
import type { FingerPlan } from '../job';

/** Lengths in metres, angles in degrees from parallel to the front, positive towards the button. */
const horn = (plan: FingerPlan) => chosen('r', 'length of the horn', plan.hornMetres, 'm', 'set in Thumb');

/** How far the tip moves towards the button between rest and press, m. */
export const travelStep = (plan: FingerPlan): Step =>
  derive('travel of the tip', 'x', 'r * (sin(θ_2) - sin(θ_1))', 'm', [horn(plan), chosen('θ_2', 'pressed angle', plan.pressDegrees, '°', 'set in Thumb'), chosen('θ_1', 'rest angle', plan.restDegrees, '°', 'set in Thumb')]);

/** How deep the tip would stand below the button's face at rest, m; a negative depth is a gap. `angle` is `rest` or `press`. */
export const depthStep = (plan: FingerPlan, angle: 'rest' | 'press'): Step =>
  derive(angle === 'press' ? 'tip below the face, pressed' : 'tip below the face, at rest', angle === 'press' ? 'd_2' : 'd_1', 'r * sin(θ) - D', 'm', [
    horn(plan), chosen('θ', angle === 'press' ? 'pressed angle' : 'rest angle', angle === 'press' ? plan.pressDegrees : plan.restDegrees, '°', 'set in Thumb'), chosen('D', 'axis above the button’s face', plan.axisMetres, 'm', 'set in Thumb'),
  ]);

/** Force at the tip for certain, N: torque over the horn's length, which holds at any angle. */
export const forceStep = (plan: FingerPlan, torque: RangedInput): Step => worst('lowest', 'force at the tip', 'F', 'τ / r', 'N', [torque], [horn(plan)]);

/** Time to swing between the two angles at the slowest, s. */
export const swingStep = (plan: FingerPlan, secondsPer60: RangedInput): Step =>
  worst('highest', 'time to swing', 't', 't_60 * abs(θ_2 - θ_1) / c', 's', [secondsPer60], [
    chosen('θ_2', 'pressed angle', plan.pressDegrees, '°', 'set in Thumb'), chosen('θ_1', 'rest angle', plan.restDegrees, '°', 'set in Thumb'), constant('c', 'angle that the time is stated for', 60, '°', 'parts-servo'),
  ]);

/** Pulse width that holds an angle, s: the middle between the two angles stands at the middle of the servo's range. */
export function pulseStep(plan: FingerPlan, servo: { least: Input; most: Input; range: Input }, degrees: number, name: string): Step {
  const middle = (plan.restDegrees + plan.pressDegrees) / 2;
  return derive(`pulse width, ${name}`, 't_p', '(t_0 + t_1) / 2 + (θ - θ_m) * (t_1 - t_0) / A', 's', [
    servo.least, servo.most, chosen('θ', `angle, ${name}`, degrees, '°', 'set in Thumb'),
    chosen('θ_m', 'middle between rest and press', middle, '°', 'the horn is put on there'), { ...servo.range, symbol: 'A' },
  ]);
}

/**
 * Greatest pull under the pad that holds the servo, Pa: the reaction pulls the pad off and tilts it.
 * σ = F/A + 6·F·L/(w·l²), a stiff rectangle under a force beside its middle. Source: any text on strength of materials (bending of a rectangle).
 */
export const pullStep = (plan: FingerPlan, newtons: number): Step =>
  derive('greatest pull under the pad', 'σ', 'F / (w * l) + c * F * L / (w * l^2)', 'Pa', [
    chosen('F', 'force on the button, with its margin', newtons, 'N', 'from the button’s force'), chosen('w', 'width of the pad', plan.padWidthMetres, 'm', 'set in Thumb'), chosen('l', 'length of the pad along the lever', plan.padLengthMetres, 'm', 'set in Thumb'),
    chosen('L', 'from the middle of the pad to the press', plan.leverMetres, 'm', 'set in Thumb'), constant('c', 'bending of a rectangle', 6, '1', 'beam-bending'),
  ]);
