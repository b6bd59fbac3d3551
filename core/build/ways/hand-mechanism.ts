import { itemAt } from '../../ground/lists';
import { BASE_TURN_ON_AMPS, LOGIC_LOW_VOLTS, LOGIC_PIN_AMPS } from './driver-levels';
import { GROUND, leg, legOf, MINUS, pin, PLUS } from '../ends';
import { finding, type Finding } from '../../ground/finding';
import { sizeFit, neededTorque } from '../../engines/mechanics';
import { takenPart, valueOf, type TakenPart } from '../../engines/parts';
import type { HandPlan } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { wires, type Part, type WayContext, type WayResult, type WireEnds } from './context';
import { planOrigin } from './ratings';
import { noUse, result } from './result';
import { gearMotor, rewiredOf, stepper } from './hand-drives';
import { motorDraw } from './draws';

const FIT_WORDS = {
  loose: ['tight', 'rattles: fill the gap or make a sleeve'],
  slides: ['settled', 'slides in; a screw or a pin must carry the torque'],
  unsure: ['tight', 'may slide or may not: measure again, or sand to fit'],
  press: ['settled', 'sits by its own press'],
  'will not go': ['stop', 'cannot be pressed together by hand'],
} as const;

function fitFindings(c: WayContext): Finding[] {
  const piece = (id: string) => c.job.survey.pieces.find((p) => p.id === id);
  return c.press.hand.fits.flatMap(({ inner, outer }, i): Finding[] => {
    const [a, b] = [piece(inner), piece(outer)];
    const fit = a && b ? sizeFit(a, b) : null;
    if (!fit)
      return [
        finding('thumb', `hand-mechanism.fit-${i}`, {
          about: { fit: i },
          verdict: 'unknown',
          title: `${a?.name ?? 'One piece'} in ${b?.name ?? 'the other'}: one of the two has no reading`,
          caption: 'size not read',
          remedy: { text: 'Measure both with a caliper in Probe.' },
        }),
      ];
    const [verdict, words] = FIT_WORDS[fit.verdict];
    const step = itemAt(fit.steps, 1);
    return [
      finding('thumb', `hand-mechanism.fit-${i}`, {
        about: { fit: i },
        verdict,
        title:
          `${fit.inner.name} in ${fit.outer.name}, play from ` +
          `${formatQuantity(fit.least, 'm')} to ${formatQuantity(fit.most, 'm')}: ` +
          `${words}`,
        caption: fit.verdict,
        value: step.result,
        steps: fit.steps,
        source: ['gum', 'fit-classes'],
      }),
    ];
  });
}

/** A motor on a tube or a crank that a hand used to turn. */
/** A stepper: step and direction to its driver, and an end switch at either end of the way. */
function stepperWires(mirrored: boolean): WireEnds[] {
  const driver = (of: string) => legOf('stepper driver', 'driver', of);
  const winding = (words: string) => leg('stepper', words);
  const endSwitch = (side: 'up' | 'down', n: number): WireEnds => [
    leg('end switches', `end switch ${side}`),
    pin(` ${n}`, `end ${side}`, { direction: 'in', note: ', to ground when reached' }),
  ];
  return [
    [pin(' 1', 'step', { sort: 'pulses' }), driver('step')],
    [pin(' 2', 'direction', { acts: false }), driver('direction')],
    [GROUND, driver('ground')],
    [PLUS, driver('supply +')],
    endSwitch('up', 3),
    endSwitch('down', 4),
    [GROUND, leg('end switches', 'end switches, common')],
    [MINUS, driver('supply −')],
    [driver('1A'), winding('winding 1, start')],
    [driver('1B'), winding('winding 1, end')],
    [driver('2A'), winding(mirrored ? 'winding 2, start (second motor: end)' : 'winding 2, start')],
    [driver('2B'), winding(mirrored ? 'winding 2, end (second motor: start)' : 'winding 2, end')],
  ];
}

/** A gear motor on a bridge: an end switch in each of its wires, with a diode across that lets it come back. */
function motorWires(mirrored: boolean): WireEnds[] {
  const module = (of: string) => legOf('module', 'module', of);
  const at = (words: string) => leg('end switches', words);
  const motor = (name: string, of: string) => legOf(`motor ${name}`, name, of);
  return [
    [pin(' 1', 'IN1'), module('IN1')],
    [pin(' 2', 'IN2'), module('IN2')],
    [GROUND, module('ground')],
    [PLUS, module('supply +')],
    [MINUS, module('supply −')],
    [module('OUT1'), at('end switch up, common')],
    [at('end switch up, rest'), motor('M1', '+')],
    [module('OUT2'), at('end switch down, common')],
    [at('end switch down, rest'), motor('M1', '−')],
    [at('end switch up, rest'), at('diode 1, anode')],
    [at('diode 1, cathode'), at('end switch up, common')],
    [at('end switch down, rest'), at('diode 2, anode')],
    [at('diode 2, cathode'), at('end switch down, common')],
    ...(mirrored
      ? ([
          [motor('M1', '+'), motor('M2', '−')],
          [motor('M1', '−'), motor('M2', '+')],
        ] satisfies WireEnds[])
      : []),
  ];
}

/** Torque, time, fits, whether it holds by itself, what ends it, and how a second one faces the first. */
function mechanismFindings(c: WayContext, part: TakenPart): Finding[] {
  const plan = c.press.hand;
  const need = neededTorque(plan, (key) => planOrigin(c, `hand.${key}`));
  const holds = plan.motor === 'gear-motor' && valueOf(part, 'selfLocking') === 1;
  return [
    ...(plan.motor === 'gear-motor' ? gearMotor(c, part, need) : stepper(c, part, need)),
    ...fitFindings(c),
    ...(plan.drive === 'tube' && !holds ? [FALLS_BACK] : []),
    plan.motor === 'gear-motor' ? ENDS_IN_CIRCUIT : ENDS_BY_SOFTWARE,
    ...(plan.mirrored ? [facing(plan.motor)] : []),
  ];
}

const FALLS_BACK = finding('thumb', 'hand-mechanism.holds', {
  verdict: 'tight',
  title: 'What hangs on the tube turns this motor back when it is off',
  caption: 'falls back',
  remedy: { text: 'A worm gear holds by itself; else a brake.' },
});
const ENDS_IN_CIRCUIT = finding('thumb', 'hand-mechanism.ends', {
  verdict: 'settled',
  title:
    'End switches stop it at both ends, in its own circuit and whatever the program does; a diode across each lets it come back',
  caption: 'end switches',
  source: ['cautions'],
});
const ENDS_BY_SOFTWARE = finding('thumb', 'hand-mechanism.ends', {
  verdict: 'tight',
  title:
    'End switches of a stepper are read by the program and cut nothing: with ' +
    'the program stuck it runs on against the end and loses steps',
  caption: 'ends by software',
  source: ['cautions'],
  remedy: { text: 'A gear motor with end switches in its own circuit stops whatever the program does.' },
});
const facing = (motor: HandPlan['motor']): Finding =>
  finding('thumb', 'hand-mechanism.mirrored', {
    verdict: 'settled',
    title:
      motor === 'stepper'
        ? 'The second motor faces the first: exchange the two wires of one of its windings'
        : 'The second motor faces the first: exchange its two wires',
    caption: 'mirror image',
  });

/** Motor, driver, bracket and end switches. @param count motors. */
function mechanismParts(c: WayContext, part: TakenPart, count: number): Part[] {
  const plan = c.press.hand;
  const stepping = plan.motor === 'stepper';
  const diode = (): Part => ({
    name: 'diode across an end switch',
    value: `${Math.ceil(valueOf(part, 'stallAmps') * count)} A, 50 V or more`,
    quantity: 2,
  });
  return [
    { name: stepping ? 'stepper' : 'gear motor', value: part.name, quantity: count },
    {
      name: stepping ? 'stepper driver with current limit' : 'motor bridge',
      value: stepping ? '' : takenPart(c.job, 'bridge').name,
      quantity: count,
    },
    {
      name: 'bracket and coupling',
      value: plan.drive === 'tube' ? 'for the tube' : 'for the crank’s square',
      quantity: count,
    },
    { name: 'end switch', value: 'changeover, 5 A', quantity: 2 },
    ...(stepping ? [] : [diode()]),
  ];
}

/** A motor on the crank or in the tube of a machine that is turned by hand. */
export function handMechanism(c: WayContext): WayResult {
  const way = 'hand-mechanism';
  const plan = c.press.hand;
  const turned = c.job.survey.pieces.some((p) => p.kind === 'crank' || p.kind === 'tube' || p.kind === 'shaft');
  if (c.press.way !== way && !turned)
    return noUse(
      way,
      'No crank, tube or shaft has been measured here',
      'Measure it with a caliper in Probe; torque and fit follow.',
    );
  const part = takenPart(c.job, plan.motor);
  const findings = mechanismFindings(c, part);
  const count = plan.mirrored ? 2 : 1;
  const parts = mechanismParts(c, part, count);
  const list: readonly WireEnds[] = plan.motor === 'stepper' ? stepperWires(plan.mirrored) : motorWires(plan.mirrored);
  const stall =
    part.kind === 'stepper'
      ? (rewiredOf(part)?.amps.result.value ?? valueOf(part, 'ratedVolts') / valueOf(part, 'phaseOhms')) * 2
      : valueOf(part, 'stallAmps');
  return result(
    way,
    findings,
    parts,
    wires(c, list),
    [plan.motor, ...(plan.motor === 'gear-motor' ? ['bridge' as const] : [])],
    {
      turnOnVolts: LOGIC_LOW_VOLTS,
      turnOnAmps: BASE_TURN_ON_AMPS,
      pinAmps: LOGIC_PIN_AMPS,
      draws: [
        motorDraw(
          'motor',
          plan.motor === 'stepper' ? 'stepper' : 'gear motor',
          plan.motor === 'stepper' ? plan.driverVolts : valueOf(part, 'ratedVolts'),
          { runAmps: runningAmps(findings, count), stallAmps: stall * count, origin: part.origin, sharesGround: true },
        ),
      ],
      outputs: 2,
      input: plan.motor === 'stepper' ? 'pulses' : 'level',
      sequence:
        plan.motor === 'stepper'
          ? []
          : [
              {
                first: 'IN1 and IN2 both low',
                then: 'the other one high',
                waitSeconds: 0.5,
                why: 'the motor stops before it is sent back',
              },
            ],
    },
  );
}

/** What the motor draws under its load, as it was worked out; null for a stepper, which draws the same at any load. */
function runningAmps(findings: readonly Finding[], count: number): number | null {
  const amps = findings.find((f) => f.id === 'thumb.hand-mechanism.amps')?.value?.value;
  return amps === undefined ? null : amps * count;
}
