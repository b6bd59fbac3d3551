import { present } from '../../ground/lists';
import { BASE_TURN_ON_AMPS, LOGIC_LOW_VOLTS, LOGIC_PIN_AMPS } from './driver-levels';
import { motorEnd } from './motor-end';
import { GROUND, leg, legOf, pin, relayLeg, voltsEnd } from '../ends';
import type { Draw } from '../../ground/facts';
import { breakingStep } from '../../engines/electrics';
import {
  atLeast,
  atMost,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Input,
  type Remedy,
  type Step,
} from '../../ground/finding';
import { partsOf, partValue, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import {
  conductors,
  sequenceRules,
  WIRING_WORDS,
  reversingWiring,
  type ReversingWiring,
} from '../../engines/reversing';
import { coilDrive } from './coil';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { probed } from './line';
import { planned, stallRead } from './ratings';
import { forbiddenFindings } from './reversing';
import { requirements } from './requirements';
import { motorAsRead } from './read-motor';
import { noUse, result, takePart } from './result';
import { coilDraw, motorDraw } from './draws';

/**
 * Current of the stalled motor, A: entered, or supply over winding resistance; null where neither is known. Two motors
 * take twice as much.
 */
function stallStep(c: WayContext): Step | null {
  const plan = c.press.motor;
  const motors: Input = constant('k', plan.mirrored ? 'two motors' : 'one motor', plan.mirrored ? 2 : 1, '1', 'ohm');
  if (plan.stallAmps !== null)
    return derive('current when stalled', 'I_stall', 'k * I_1', 'A', [
      motors,
      planned(c, 'motor.stallAmps', 'I_1', 'of one motor, from its plate', plan.stallAmps, 'A'),
    ]);
  const volts = planned(c, 'motor.supplyVolts', 'V', 'motor supply', plan.supplyVolts, 'V');
  const winding = c.fact.parameters['windingOhms'];
  const ohms =
    plan.windingOhms !== null
      ? planned(c, 'motor.windingOhms', 'R_w', 'winding', plan.windingOhms, 'Ω')
      : winding && c.fact.read['windingOhms'] !== undefined
        ? {
            symbol: 'R_w',
            name: 'winding, lowest',
            value: winding.low,
            unit: 'Ω' as const,
            origin: probed(c.fact, 'windingOhms'),
          }
        : null;
  return ohms && derive('current when stalled', 'I_stall', 'k * V / R_w', 'A', [motors, volts, ohms]);
}

const noStall = (way: 'reverse-motor' | 'control-box'): Finding =>
  finding('thumb', `${way}.stall`, {
    verdict: 'unknown',
    title: 'What the motor draws when stalled is not known',
    caption: 'stall current?',
    source: ['stall-rating'],
    remedy: {
      text: 'Enter it from the plate, or measure the winding: supply over its resistance is what flows when it stands.',
    },
  });

const WAY = 'reverse-motor';

/** The bridge against the stalled motor, not the running one, and against its supply and the pins that drive it. */
function bridgeRatings(c: WayContext, part: TakenPart): Finding[] {
  const stall = stallStep(c);
  const peak = partValue(part, 'peakAmps');
  const volts = derive('motor supply', 'V', 'V_m', 'V', [
    planned(c, 'motor.supplyVolts', 'V_m', 'motor supply', c.press.motor.supplyVolts, 'V'),
  ]);
  const [least, most] = [partValue(part, 'leastVolts'), partValue(part, 'mostVolts')];
  const high = partValue(part, 'inputHighVolts');
  const pinStep = derive('pin high, lowest', 'V_pin', 'V_OH', 'V', [
    constant('V_OH', `pin high of the ${c.drive.controller}`, c.drive.highVolts.low, 'V', 'pin-drive'),
  ]);
  return [
    stall
      ? judged('thumb', `${WAY}.stall`, {
          title: 'Stalled motor against what the bridge bears for a second',
          caption: 'stall current',
          steps: [stall],
          limit: atMost(peak.value, 'A', 'peak rating of the bridge', peak.origin),
          source: ['stall-rating'],
          remedy:
            stall.result.value > NEAR_PEAK * peak.value
              ? takePart(
                  c,
                  'bridge',
                  'bridge-large',
                  'Take the large bridge',
                  'Take a bridge rated for the stalled motor.',
                )
              : null,
        })
      : noStall(WAY),
    ...lastingFinding(c, part, stall),
    judged('thumb', `${WAY}.most-volts`, {
      title: 'Motor supply under the most that the bridge bears',
      caption: 'bridge supply',
      steps: [volts],
      limit: atMost(most.value, 'V', 'highest supply of the bridge', most.origin),
      tightShare: 0.05,
    }),
    judged('thumb', `${WAY}.least-volts`, {
      title: 'Motor supply over the least that the bridge runs from',
      caption: 'bridge supply',
      steps: [volts],
      limit: atLeast(least.value, 'V', 'least supply of the bridge', least.origin),
      tightShare: 0.02,
    }),
    judged('thumb', `${WAY}.input`, {
      title: 'Pin level against what the bridge takes for high',
      caption: 'input level',
      steps: [pinStep],
      limit: atLeast(high.value, 'V', 'input high of the bridge', high.origin),
      tightShare: 0.05,
    }),
  ];
}
/** What the motor draws while it runs against what the bridge bears for long; what it draws stalled bounds it where nobody read it. */
function lastingFinding(c: WayContext, part: TakenPart, stall: Step | null): Finding[] {
  const plan = c.press.motor;
  const bears = partValue(part, 'motorAmps');
  const running =
    plan.runningAmps === null
      ? null
      : derive('current while it runs', 'I_run', 'k * I_r', 'A', [
          constant('k', plan.mirrored ? 'two motors' : 'one motor', plan.mirrored ? 2 : 1, '1', 'ohm'),
          planned(c, 'motor.runningAmps', 'I_r', 'of one motor, while it runs', plan.runningAmps, 'A'),
        ]);
  const step = running ?? (stall && stall.result.value <= LASTING_SHARE * bears.value ? stall : null);
  if (!step && !stall) return [];
  return [
    step
      ? judged('thumb', `${WAY}.lasting`, {
          title: 'Running motor against what the bridge bears for long',
          caption: 'running current',
          steps: [step],
          limit: atMost(bears.value, 'A', 'lasting rating of the bridge', bears.origin),
          tightShare: 1 - LASTING_SHARE,
          source: ['part-share'],
          remedy: step.result.value > LASTING_SHARE * bears.value ? largeBridge(c, step.result.value) : null,
        })
      : finding('thumb', `${WAY}.lasting`, {
          verdict: 'unknown',
          title:
            `What the motor draws while it runs is not known, and stalled it draws more than the ` +
            `${formatQuantity(bears.value, 'A')} that the bridge bears for long`,
          caption: 'running current?',
          source: ['part-share'],
          remedy: { text: 'Read it with the meter in its lead while it moves, and enter it; or take a larger bridge.' },
        }),
  ];
}
/** The large bridge, where it bears the current for long; else what is left. */
function largeBridge(c: WayContext, amps: number): Remedy {
  const large = present(partsOf(c.job, 'bridge').find((p) => p.id === 'bridge-large'));
  return amps <= LASTING_SHARE * valueOf(large, 'motorAmps')
    ? takePart(c, 'bridge', large.id, 'Take the large bridge', 'Take a bridge rated for the running motor.')
    : { text: 'No bridge of the table bears that for long: take relays, or a driver that is made for this motor.' };
}
/** Share of a lasting current up to which it is settled (`part-share`). */
const LASTING_SHARE = 0.8;

/** From this share of a bridge's peak on a larger one is offered; a finding is tight from there on. */
const NEAR_PEAK = 0.8;

/** The contacts against the stalled motor, not the running one, and the poles that the wiring takes. */
function contactRatings(c: WayContext, part: TakenPart): Finding[] {
  const plan = c.press.motor;
  const stall = stallStep(c);
  const breaks = breakingStep(partValue(part, 'contactAmps'), 'motor', plan.supplyVolts, true);
  const stalled = stall
    ? judged('thumb', `${WAY}.stall`, {
        title: 'Stalled motor against what the contact breaks of a DC motor; running current does not count',
        caption: 'stall current',
        steps: [stall],
        limit: derivedLimit('at most', [breaks], 'what it breaks of a motor'),
        source: ['stall-rating'],
        tightShare: 0.1,
        remedy:
          stall.result.value > breaks.result.value
            ? takePart(
                c,
                'relay',
                'relay-sixteen',
                'Take the 16 A relay',
                'Take a contact rated for the stalled motor.',
              )
            : null,
      })
    : noStall(WAY);
  return plan.wiring === 'double-pole' ? [stalled, polesFinding(c, part)] : [stalled];
}

function polesFinding(c: WayContext, part: TakenPart): Finding {
  const poles = partValue(part, 'poles');
  return judged('thumb', `${WAY}.poles`, {
    title: 'The direction relay has two changeover poles',
    caption: 'poles',
    steps: [derive('changeover poles', 'n', 'n_p', '1', [{ ...poles, symbol: 'n_p' }])],
    limit: atLeast(2, '1', 'poles that the direction takes', { from: 'source', key: 'terminal-numbers' }),
    tightShare: 'met',
    remedy:
      poles.value < 2
        ? takePart(c, 'relay', 'relay-double', 'Take a double-pole relay', 'The direction wants two changeover poles.')
        : null,
  });
}

/** A DC motor run both ways by contacts or by a bridge. */
export function reverseMotor(c: WayContext): WayResult {
  if (c.fact.leading !== 'motor-pair')
    return noUse(
      WAY,
      'This control is no pair of motor wires',
      'Choose this way for a pair of wires that drives a DC motor either way.',
    );
  const plan = c.press.motor;
  const wiring = reversingWiring(plan, WAY);
  return plan.wiring === 'bridge' ? byBridge(c, wiring) : byRelays(c, wiring);
}

/** What is judged of the motor and its wiring, whatever switches it. */
const motorFindings = (c: WayContext, wiring: ReversingWiring, part: TakenPart): Finding[] => [
  ...(part.kind === 'bridge' ? bridgeRatings : contactRatings)(c, part),
  ...stallRead(WAY, c),
  ...motorAsRead(WAY, c),
  ...forbiddenFindings(WAY, wiring, '', null),
  finding('thumb', `${WAY}.ends`, {
    verdict: 'settled',
    title: 'End switches of the machine stay in the motor’s circuit; the plan adds to them and replaces none',
    caption: 'end switches stay',
    source: ['cautions'],
  }),
];

const motorWires = (wiring: ReversingWiring): WireEnds[] =>
  conductors(wiring).map((w): WireEnds => [motorEnd(w.from), motorEnd(w.to)]);

/** What the motor takes. A bridge has one ground for its inputs and its motor; contacts keep the motor apart. */
function motorTakes(c: WayContext, sharesGround: boolean): Draw {
  const plan = c.press.motor;
  return motorDraw('motor', plan.mirrored ? 'both motors' : 'motor', plan.supplyVolts, {
    runAmps: plan.runningAmps === null ? null : plan.runningAmps * (plan.mirrored ? 2 : 1),
    stallAmps: stallStep(c)?.result.value ?? null,
    origin: { from: 'maker', what: 'the motor’s currents, in Thumb' },
    sharesGround,
  });
}

function byBridge(c: WayContext, wiring: ReversingWiring): WayResult {
  const part = takenPart(c.job, 'bridge');
  return result(
    WAY,
    [...requirements(WAY, c, 'apart', null), ...motorFindings(c, wiring, part)],
    [{ name: 'motor bridge', value: part.name, quantity: 1 }],
    wires(c, [
      ...motorWires(wiring),
      [pin(' 1', 'IN1'), legOf('module', 'module', 'IN1')],
      [pin(' 2', 'IN2'), legOf('module', 'module', 'IN2')],
      [GROUND, legOf('module', 'module', 'ground')],
    ]),
    ['bridge'],
    {
      turnOnVolts: LOGIC_LOW_VOLTS,
      turnOnAmps: BASE_TURN_ON_AMPS,
      pinAmps: LOGIC_PIN_AMPS,
      draws: [motorTakes(c, true)],
      outputs: wiring.coils.length,
      sequence: sequenceRules(c.press.motor, WAY),
    },
  );
}

function byRelays(c: WayContext, wiring: ReversingWiring): WayResult {
  const plan = c.press.motor;
  const part = takenPart(c.job, 'relay');
  const coils = wiring.coils.length;
  const drive = coilDrive(WAY, c, part, coils);
  const volts = valueOf(part, 'coilVolts');
  return result(
    WAY,
    [...requirements(WAY, c, 'apart', part), ...motorFindings(c, wiring, part), ...drive.findings],
    [{ name: 'relay', value: part.name, quantity: coils }, ...drive.parts],
    wires(c, [
      ...motorWires(wiring),
      ...wiring.coils.flatMap((k, i): WireEnds[] => [
        [pin(` ${i + 1}`, k), leg(`relay ${k}`, `base resistor of ${k}`)],
        [GROUND, leg(`relay ${k}`, `emitter of ${k}`)],
        [leg(`relay ${k}`, `collector of ${k}`), relayLeg(k, 'A2')],
        [voltsEnd(formatQuantity(volts, 'V')), relayLeg(k, 'A1')],
      ]),
    ]),
    ['relay', 'npn'],
    {
      turnOnVolts: drive.turnOnVolts,
      turnOnAmps: BASE_TURN_ON_AMPS,
      pinAmps: drive.pinAmps,
      draws: [
        coilDraw(`coils of ${WIRING_WORDS[plan.wiring].name.toLowerCase()}`, volts, drive.coil.result.value * coils),
        motorTakes(c, false),
      ],
      resistorOhms: drive.ohms,
      outputs: coils,
      sequence: sequenceRules(plan, WAY),
    },
  );
}
