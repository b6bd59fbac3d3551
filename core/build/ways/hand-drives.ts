import {
  carried,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Step,
} from '../../ground/finding';
import { endToEnd, motorUnderLoad, rewired, standstillAmps, type Rewired } from '../../engines/mechanics';
import { partInput, partValue, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import type { WayContext } from './context';

/** What cutting the centre tap of the taken stepper makes of it; null for one without a tap. */
export function rewiredOf(part: TakenPart): Rewired | null {
  if (valueOf(part, 'centreTapped') !== 1) return null;
  return rewired({
    fullSteps: partValue(part, 'fullSteps'),
    gear: partValue(part, 'gear'),
    phaseOhms: partValue(part, 'phaseOhms'),
    ratedVolts: partValue(part, 'ratedVolts'),
    torque: { ...partValue(part, 'torqueNewtonMetres'), value: partInput(part, 'torqueNewtonMetres').range.low },
  });
}

/** A gear motor under the load of its mechanism: torque, speed, current and time. */
export function gearMotor(c: WayContext, part: TakenPart, need: Step): Finding[] {
  const way = 'hand-mechanism';
  const plan = c.press.hand;
  const stall = partInput(part, 'stallNewtonMetres');
  const free = partInput(part, 'freeRpm');
  const bears = derive('torque that it gives for long', 'τ_long', 'τ_stall / c', 'N·m', [
    { ...partValue(part, 'stallNewtonMetres', 'τ_stall'), name: `${stall.name}, lowest`, value: stall.range.low },
    constant('c', 'for long', 3, '1', 'motor-torque'),
  ]);
  const { speed, amps } = motorUnderLoad(need, {
    free,
    stall,
    stallAmps: partValue(part, 'stallAmps', 'I_stall'),
    freeAmps: partValue(part, 'freeAmps', 'I_0'),
  });
  const out = [
    judged('thumb', `${way}.torque`, {
      title: 'Torque that the mechanism asks for against a third of the stall torque',
      caption: 'torque',
      steps: [need],
      limit: derivedLimit('at most', [bears], 'a third of the stall torque'),
      tightShare: 0.1,
      source: ['motor-torque', 'dc-motor'],
      remedy:
        need.result.value > bears.result.value
          ? { text: 'Take a stronger or slower gear motor, or a gear between.' }
          : null,
    }),
    finding('thumb', `${way}.amps`, {
      verdict: 'settled',
      title: 'Current under this load, at most',
      caption: 'current',
      value: amps.result,
      steps: [need, amps],
      source: ['dc-motor'],
    }),
  ];
  if (speed.result.value > 0) {
    const time = endToEnd(plan, speed);
    out.push(
      finding('thumb', `${way}.time`, {
        verdict: 'settled',
        title: `${plan.turns} turns from end to end take`,
        caption: 'travel time',
        value: time.result,
        steps: [need, speed, time],
        source: ['dc-motor'],
      }),
    );
  }
  return out;
}

const WAY = 'hand-mechanism';

/** A stepper under the load of its mechanism: torque at its speed, current and time. */
export function stepper(c: WayContext, part: TakenPart, need: Step): Finding[] {
  const plan = c.press.hand;
  const after = plan.rewired ? rewiredOf(part) : null;
  if (plan.rewired && !after)
    return [
      finding('thumb', `${WAY}.tap`, {
        verdict: 'stop',
        title: 'This stepper has no centre tap to cut',
        caption: 'no centre tap',
        remedy: {
          text: 'It is a bipolar one already: drive it as it is.',
          label: 'Leave it as it is',
          edit: { do: 'set', at: 'press.hand', of: c.press.id, set: { rewired: false }, say: 'stepper as it is' },
        },
      }),
    ];
  const torque = partInput(part, 'torqueNewtonMetres');
  const has =
    after?.torque ??
    derive('torque at the shaft', 'τ', 'τ_s', 'N·m', [
      { ...partValue(part, 'torqueNewtonMetres', 'τ_s'), name: `${torque.name}, lowest`, value: torque.range.low },
    ]);
  const half = derive('torque that it gives without losing steps', 'τ_sure', 'τ / c', 'N·m', [
    carried(has),
    constant('c', 'margin against lost steps', 2, '1', 'force-margin'),
  ]);
  const steps = derive('full steps for one turn of the shaft', 'n', 'n_m * i', '1', [
    partValue(part, 'fullSteps', 'n_m'),
    partValue(part, 'gear', 'i'),
  ]);
  // Torque and speed must hold together: above the rate that the torque is stated at, it is less.
  const speed = derive('speed at which that torque holds', 'n_r', 'c * min(f, f_τ) / n', 'rpm', [
    constant('c', 'seconds of a minute', 60, '1', 'si'),
    partValue(part, 'stepRateHertz', 'f'),
    partValue(part, 'torqueHertz', 'f_τ'),
    carried(steps),
  ]);
  const time = endToEnd(plan, { ...speed, symbol: 'n' });
  const out: Finding[] = [
    judged('thumb', `${WAY}.torque`, {
      title: 'Torque that the mechanism asks for against half of what the stepper gives',
      caption: 'torque',
      steps: [need],
      limit: derivedLimit('at most', [...(after ? [after.torque] : [has]), half], 'half its torque'),
      tightShare: 0.1,
      source: after ? ['stepper-rewired', 'force-margin'] : ['force-margin'],
      remedy:
        need.result.value > half.result.value
          ? {
              text: after
                ? 'Take a stronger motor or a gear between.'
                : 'Cut the centre tap: a bipolar driver gets √2 the torque at the same heat. Or take a stronger motor.',
            }
          : null,
    }),
    finding('thumb', `${WAY}.steps`, {
      verdict: 'settled',
      title: 'Full steps for one turn',
      caption: 'steps',
      value: steps.result,
      steps: [steps],
    }),
    finding('thumb', `${WAY}.time`, {
      verdict: 'settled',
      title: `${plan.turns} turns from end to end take`,
      caption: 'travel time',
      value: time.result,
      steps: [steps, speed, time],
    }),
  ];
  return after ? [...out, ...rewiredFindings(plan.driverVolts, after)] : out;
}

/** The windings of a stepper without its tap: their current at standstill, and their heat. */
function rewiredFindings(driverVolts: number, after: NonNullable<ReturnType<typeof rewiredOf>>): Finding[] {
  const limit = after.amps;
  const most = standstillAmps(driverVolts, after.ohms);
  const over = most.result.value > limit.result.value;
  return [
    judged('thumb', `${WAY}.driver`, {
      title: 'Winding current at standstill if the driver has no limit',
      caption: 'driver current',
      steps: [after.ohms, after.unipolarAmps, after.amps, most],
      limit: derivedLimit('at most', [after.unipolarAmps, after.amps], 'current for the same heat'),
      source: ['stepper-rewired'],
      verdict: over ? 'tight' : 'settled',
      remedy: over
        ? { text: `Set the driver’s current limit to ${formatQuantity(limit.result.value, 'A')} at most.` }
        : null,
    }),
    finding('thumb', `${WAY}.heat`, {
      verdict: 'settled',
      title: 'Heat of a winding at that current',
      caption: 'heat',
      value: after.heat.result,
      steps: [after.ohms, after.unipolarAmps, after.amps, after.heat],
      source: ['stepper-rewired'],
    }),
  ];
}
