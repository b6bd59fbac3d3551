import { carried, constant, derive, derivedLimit, finding, judged, type Finding, type Step } from '../finding';
import { endToEnd, fitOf, motorUnderLoad, neededTorque, rewired, standstillAmps, type Rewired } from '../mechanics';
import { partInput, partValue, takenPart, valueOf, type TakenPart } from '../parts';
import { formatQuantity } from '../quantity';
import { wires, type Part, type WayContext, type WayResult } from './context';
import { planOrigin } from './ratings';
import { noUse, result } from './result';

/** What cutting the centre tap of the taken stepper makes of it; null for one without a tap. */
function rewiredOf(part: TakenPart): Rewired | null {
  if (valueOf(part, 'centreTapped') !== 1) return null;
  return rewired({ fullSteps: partValue(part, 'fullSteps'), gear: partValue(part, 'gear'), phaseOhms: partValue(part, 'phaseOhms'), ratedVolts: partValue(part, 'ratedVolts'), torque: { ...partValue(part, 'torqueNewtonMetres'), value: partInput(part, 'torqueNewtonMetres').range.low } });
}

function gearMotor(c: WayContext, part: TakenPart, need: Step): Finding[] {
  const way = 'hand-mechanism';
  const plan = c.job.thumb.hand;
  const stall = partInput(part, 'stallNewtonMetres');
  const free = partInput(part, 'freeRpm');
  const bears = derive('torque that it gives for long', 'τ_long', 'τ_stall / c', 'N·m', [{ ...partValue(part, 'stallNewtonMetres', 'τ_stall'), name: `${stall.name}, lowest`, value: stall.range.low }, constant('c', 'for long', 3, '1', 'motor-torque')]);
  const { speed, amps } = motorUnderLoad(need, { free, stall, stallAmps: partValue(part, 'stallAmps', 'I_stall'), freeAmps: partValue(part, 'freeAmps', 'I_0') });
  const out = [
    judged('thumb', `${way}.torque`, { title: 'Torque that the mechanism asks for against a third of the stall torque', caption: 'torque', steps: [need], limit: derivedLimit('at most', [bears], 'a third of the stall torque'), tightShare: 0.1, source: ['motor-torque', 'dc-motor'], remedy: need.result.value > bears.result.value ? { text: 'Take a stronger or slower gear motor, or a gear between.' } : null }),
    finding('thumb', `${way}.amps`, { verdict: 'settled', title: 'Current under this load, at most', caption: 'current', value: amps.result, steps: [need, amps], source: ['dc-motor'] }),
  ];
  if (speed.result.value > 0) {
    const time = endToEnd(plan, speed);
    out.push(finding('thumb', `${way}.time`, { verdict: 'settled', title: `${plan.turns} turns from end to end take`, caption: 'travel time', value: time.result, steps: [need, speed, time], source: ['dc-motor'] }));
  }
  return out;
}

function stepper(c: WayContext, part: TakenPart, need: Step): Finding[] {
  const way = 'hand-mechanism';
  const plan = c.job.thumb.hand;
  const after = plan.rewired ? rewiredOf(part) : null;
  if (plan.rewired && !after) return [finding('thumb', `${way}.tap`, { verdict: 'stop', title: 'This stepper has no centre tap to cut', caption: 'no centre tap', remedy: { text: 'It is a bipolar one already: drive it as it is.', label: 'Leave it as it is', edit: { do: 'change', section: 'thumb', set: { hand: { ...plan, rewired: false } }, say: 'stepper as it is' } } })];
  const torque = partInput(part, 'torqueNewtonMetres');
  const has = after?.torque ?? derive('torque at the shaft', 'τ', 'τ_s', 'N·m', [{ ...partValue(part, 'torqueNewtonMetres', 'τ_s'), name: `${torque.name}, lowest`, value: torque.range.low }]);
  const half = derive('torque that it gives without losing steps', 'τ_sure', 'τ / c', 'N·m', [carried(has), constant('c', 'margin against lost steps', 2, '1', 'force-margin')]);
  const steps = derive('full steps for one turn of the shaft', 'n', 'n_m * i', '1', [partValue(part, 'fullSteps', 'n_m'), partValue(part, 'gear', 'i')]);
  // Torque and speed must hold together: above the rate that the torque is stated at, it is less.
  const speed = derive('speed at which that torque holds', 'n_r', 'c * min(f, f_τ) / n', 'rpm', [constant('c', 'seconds of a minute', 60, '1', 'si'), partValue(part, 'stepRateHertz', 'f'), partValue(part, 'torqueHertz', 'f_τ'), carried(steps)]);
  const time = endToEnd(plan, { ...speed, symbol: 'n' });
  const out: Finding[] = [
    judged('thumb', `${way}.torque`, { title: 'Torque that the mechanism asks for against half of what the stepper gives', caption: 'torque', steps: [need], limit: derivedLimit('at most', [...(after ? [after.torque] : [has]), half], 'half its torque'), tightShare: 0.1, source: after ? ['stepper-rewired', 'force-margin'] : ['force-margin'], remedy: need.result.value > half.result.value ? { text: after ? 'Take a stronger motor or a gear between.' : 'Cut the centre tap: a bipolar driver gets √2 the torque at the same heat. Or take a stronger motor.' } : null }),
    finding('thumb', `${way}.steps`, { verdict: 'settled', title: 'Full steps for one turn', caption: 'steps', value: steps.result, steps: [steps] }),
    finding('thumb', `${way}.time`, { verdict: 'settled', title: `${plan.turns} turns from end to end take`, caption: 'travel time', value: time.result, steps: [steps, speed, time] }),
  ];
  if (after) {
    const limit = after.amps;
    const most = standstillAmps(plan.driverVolts, after.ohms);
    out.push(
      judged('thumb', `${way}.driver`, { title: 'Winding current at standstill if the driver has no limit', caption: 'driver current', steps: [after.ohms, after.unipolarAmps, after.amps, most], limit: derivedLimit('at most', [after.unipolarAmps, after.amps], 'current for the same heat'), source: ['stepper-rewired'], verdict: most.result.value > limit.result.value ? 'tight' : 'settled', remedy: most.result.value > limit.result.value ? { text: `Set the driver’s current limit to ${formatQuantity(limit.result.value, 'A')} at most.` } : null }),
      finding('thumb', `${way}.heat`, { verdict: 'settled', title: 'Heat of a winding at that current', caption: 'heat', value: after.heat.result, steps: [after.ohms, after.unipolarAmps, after.amps, after.heat], source: ['stepper-rewired'] }),
    );
  }
  return out;
}

const FIT_WORDS = { loose: ['tight', 'rattles: fill the gap or make a sleeve'], slides: ['settled', 'slides in; a screw or a pin must carry the torque'], unsure: ['tight', 'may slide or may not: measure again, or sand to fit'], press: ['settled', 'sits by its own press'], 'will not go': ['stop', 'cannot be pressed together by hand'] } as const;

function fitFindings(c: WayContext): Finding[] {
  const piece = (id: string) => c.job.survey.pieces.find((p) => p.id === id);
  return c.job.thumb.hand.fits.flatMap(({ inner, outer }, i): Finding[] => {
    const [a, b] = [piece(inner), piece(outer)];
    const fit = a && b ? fitOf(a, b) : null;
    if (!fit) return [finding('thumb', `hand-mechanism.fit-${i}`, { verdict: 'unknown', title: `${a?.name ?? 'One piece'} in ${b?.name ?? 'the other'}: one of the two has no reading`, caption: 'size not read', remedy: { text: 'Measure both with a caliper in Probe.' } })];
    const [verdict, words] = FIT_WORDS[fit.verdict];
    const step = fit.steps[1]!;
    return [finding('thumb', `hand-mechanism.fit-${i}`, { verdict, title: `${fit.inner.name} in ${fit.outer.name}, play from ${formatQuantity(fit.least, 'm')} to ${formatQuantity(fit.most, 'm')}: ${words}`, caption: fit.verdict, value: step.result, steps: fit.steps, source: ['gum', 'fit-classes'] })];
  });
}

/** A motor on a tube or a crank that a hand used to turn. */
export function handMechanism(c: WayContext): WayResult {
  const way = 'hand-mechanism';
  const plan = c.job.thumb.hand;
  const turned = c.job.survey.pieces.some((p) => p.kind === 'crank' || p.kind === 'tube' || p.kind === 'shaft');
  if (c.job.thumb.way !== way && !turned) return noUse(way, 'No crank, tube or shaft has been measured here', 'Measure it with a caliper in Probe; torque and fit follow.');
  const part = takenPart(c.job, plan.motor);
  const need = neededTorque(plan, (key) => planOrigin(c, `hand.${key}`));
  const findings: Finding[] = [...(plan.motor === 'gear-motor' ? gearMotor(c, part, need) : stepper(c, part, need)), ...fitFindings(c)];
  const holds = plan.motor === 'gear-motor' && valueOf(part, 'selfLocking') === 1;
  if (plan.drive === 'tube' && !holds) findings.push(finding('thumb', `${way}.holds`, { verdict: 'tight', title: 'What hangs on the tube turns this motor back when it is off', caption: 'falls back', remedy: { text: 'A worm gear holds by itself; else a brake.' } }));
  findings.push(plan.motor === 'gear-motor'
    ? finding('thumb', `${way}.ends`, { verdict: 'settled', title: 'End switches stop it at both ends, in its own circuit and whatever the program does; a diode across each lets it come back', caption: 'end switches', source: ['cautions'] })
    : finding('thumb', `${way}.ends`, { verdict: 'tight', title: 'End switches of a stepper are read by the program and cut nothing: with the program stuck it runs on against the end and loses steps', caption: 'ends by software', source: ['cautions'], remedy: { text: 'A gear motor with end switches in its own circuit stops whatever the program does.' } }));
  if (plan.mirrored) findings.push(finding('thumb', `${way}.mirrored`, { verdict: 'settled', title: plan.motor === 'stepper' ? 'The second motor faces the first: exchange the two wires of one of its windings' : 'The second motor faces the first: exchange its two wires', caption: 'mirror image' }));
  const count = plan.mirrored ? 2 : 1;
  const parts: Part[] = [
    { name: plan.motor === 'stepper' ? 'stepper' : 'gear motor', value: part.name, quantity: count }, { name: plan.motor === 'stepper' ? 'stepper driver with current limit' : 'motor bridge', value: plan.motor === 'stepper' ? '' : takenPart(c.job, 'bridge').name, quantity: count },
    { name: 'bracket and coupling', value: plan.drive === 'tube' ? 'for the tube' : 'for the crank’s square', quantity: count }, { name: 'end switch', value: 'changeover, 5 A', quantity: 2 }, ...(plan.motor === 'gear-motor' ? [{ name: 'diode across an end switch', value: `${Math.ceil(valueOf(part, 'stallAmps') * count)} A, 50 V or more`, quantity: 2 }] : []),
  ];
  const list: [string, string][] = plan.motor === 'stepper'
    ? [['pin 1', 'driver step'], ['pin 2', 'driver direction'], ['controller ground', 'driver ground'], ['supply +', 'driver supply +'], ['end switch up', 'pin 3, to ground when reached'], ['end switch down', 'pin 4, to ground when reached'], ['controller ground', 'end switches, common'], ['supply −', 'driver supply −'], ['driver 1A', 'winding 1, start'], ['driver 1B', 'winding 1, end'], ['driver 2A', plan.mirrored ? 'winding 2, start (second motor: end)' : 'winding 2, start'], ['driver 2B', plan.mirrored ? 'winding 2, end (second motor: start)' : 'winding 2, end']]
    : [['pin 1', 'module IN1'], ['pin 2', 'module IN2'], ['controller ground', 'module ground'], ['supply +', 'module supply +'], ['supply −', 'module supply −'], ['module OUT1', 'end switch up, common'], ['end switch up, rest', 'M1 +'], ['module OUT2', 'end switch down, common'], ['end switch down, rest', 'M1 −'], ['end switch up, rest', 'diode 1, anode'], ['diode 1, cathode', 'end switch up, common'], ['end switch down, rest', 'diode 2, anode'], ['diode 2, cathode', 'end switch down, common'], ...(plan.mirrored ? [['M1 +', 'M2 −'], ['M1 −', 'M2 +']] as [string, string][] : [])];
  const stall = part.kind === 'stepper' ? (rewiredOf(part)?.amps.result.value ?? valueOf(part, 'ratedVolts') / valueOf(part, 'phaseOhms')) * 2 : valueOf(part, 'stallAmps');
  return result(way, findings, parts, wires(c.job, list), [plan.motor, ...(plan.motor === 'gear-motor' ? ['bridge' as const] : [])], {
    turnOnVolts: 0.8, turnOnAmps: 5e-6, pinAmps: 1e-4, supplyAmps: stall * count, peakAmps: stall * count, load: plan.motor === 'stepper' ? 'stepper' : 'gear motor', needsVolts: plan.motor === 'stepper' ? plan.driverVolts : valueOf(part, 'ratedVolts'), outputs: 2, input: plan.motor === 'stepper' ? 'pulses' : 'level',
    sequence: plan.motor === 'stepper' ? [] : [{ first: 'IN1 and IN2 both low', then: 'the other one high', waitSeconds: 0.5, why: 'the motor stops before it is sent back' }],
  });
}
