import {
  inPlan,
  carried,
  chosen,
  constant,
  derive,
  worst,
  type Input,
  type Origin,
  type RangedInput,
  type Step,
} from '../../ground/finding';
import type { HandPlan } from '../../ground/job';

/** Torque that the mechanism asks for, N·m: what hangs on a tube at half its diameter, or the crank's force at its length. */
export function neededTorque(plan: HandPlan, given: (key: keyof HandPlan) => Origin): Step {
  const set = (
    symbol: string,
    name: string,
    key: 'loadKilograms' | 'tubeMetres' | 'crankNewtons' | 'crankMetres',
    unit: Input['unit'],
  ): Input => inPlan({ symbol, name, value: plan[key], unit, origin: given(key) }, `hand.${key}`);
  return plan.drive === 'tube'
    ? derive('torque that the tube asks for', 'τ_need', 'm * g * D / 2', 'N·m', [
        set('m', 'what hangs on the tube', 'loadKilograms', 'kg'),
        constant('g', 'standard gravity, newtons a kilogram', 9.80665, '1', 'gravity'),
        set('D', 'diameter of the tube', 'tubeMetres', 'm'),
      ])
    : derive('torque that the crank asks for', 'τ_need', 'F * l', 'N·m', [
        set('F', 'force on the handle', 'crankNewtons', 'N'),
        set('l', 'length of the crank', 'crankMetres', 'm'),
      ]);
}

/** A DC motor under load: its speed falls and its current rises in a straight line from free to stalled. Source: `dc-motor`. */
export function motorUnderLoad(
  torque: Step,
  motor: { free: RangedInput; stall: RangedInput; stallAmps: Input; freeAmps: Input },
): { speed: Step; amps: Step } {
  const load = carried(torque);
  const speed = worst(
    'lowest',
    'speed under load',
    'n',
    `n_0 * (1 - ${torque.symbol} / τ_stall)`,
    'rpm',
    [motor.free, { ...motor.stall, symbol: 'τ_stall' }],
    [load],
  );
  const amps = worst(
    'highest',
    'current under load',
    'I',
    `I_0 + (I_stall - I_0) * ${torque.symbol} / τ_stall`,
    'A',
    [{ ...motor.stall, symbol: 'τ_stall' }],
    [motor.freeAmps, motor.stallAmps, load],
  );
  return { speed, amps };
}

/** Time from end to end at a speed, s. */
export const endToEnd = (plan: HandPlan, speed: Step): Step =>
  derive('time from end to end', 't', 'c * N / n', 's', [
    constant('c', 'seconds of a minute', 60, '1', 'si'),
    chosen('N', 'turns from end to end', plan.turns, '1', 'set in Thumb'),
    carried(speed),
  ]);
