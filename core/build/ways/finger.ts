import { LOGIC_PIN_AMPS } from './driver-levels';
import { GROUND, legOf, pin, voltsEnd } from '../ends';
import { atLeast, atMost, derive, finding, judged, type Finding } from '../../ground/finding';
import { forceStep, pullStep, travelStep } from '../../engines/mechanics';
import { partInput, partValue, takenPart, type TakenPart } from '../../engines/parts';
import type { FingerPlan } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { type WayContext, type WayResult, wires } from './context';
import { noUse, result } from './result';
import { geometry, otherSide } from './finger-geometry';
import { givenBy, setPlan } from './finger-given';
import { moves, pulsesOf } from './finger-moves';
import { servoDraw } from './draws';

/** What holds the servo to the front, and whether it fits there. */
function mounting(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.press.finger;
  const face = c.job.survey.faces.find((f) => f.control === c.control.id);
  const given = givenBy(c);
  const out: Finding[] = [];
  if (plan.mount === 'foam-tape') {
    if (face && (face.shape === 'curved' || face.shape === 'soft')) {
      out.push(
        finding('thumb', `${way}.front`, {
          verdict: 'stop',
          title: `Tape does not hold on a ${face.shape} front`,
          caption: `${face.shape} front`,
          source: ['finger-room'],
          remedy: setPlan(c, { mount: 'clamp' }, 'Use a clamp', 'A clamp or two screws hold there.'),
        }),
      );
    }
    const longer = { padLengthMetres: Math.ceil(plan.padLengthMetres * 1.4 * 1e3) / 1e3 };
    // The servo pushes with all it has until the button stops it: that is what the tape bears, and not the button's own force.
    const most = forceStep(plan, partInput(servo, 'torqueNewtonMetres'), given, 'highest');
    const pull = pullStep(plan, most, given);
    out.push(
      judged('thumb', `${way}.tape`, {
        title: 'Pull under the tape while it presses',
        caption: 'tape pull',
        steps: [most, pull],
        limit: atMost(30e3, 'Pa', 'what foam tape bears for some seconds', { from: 'source', key: 'tape-pull' }),
        remedy:
          pull.result.value > 24e3
            ? setPlan(
                c,
                longer,
                `Pad ${Math.round(longer.padLengthMetres * 1e3)} mm long`,
                'A longer pad bears a tilting pull far better; or use screws or a clamp.',
              )
            : null,
      }),
    );
  }
  if (face?.neighbourMetres !== null && face?.neighbourMetres !== undefined) {
    const room = derive('room beside it', 'b', 'b_n', 'm', [
      {
        symbol: 'b_n',
        name: 'to the nearest neighbour',
        value: face.neighbourMetres,
        unit: 'm',
        origin: { from: 'measured', at: '', what: 'measured in Probe' },
      },
    ]);
    out.push(
      judged('thumb', `${way}.room`, {
        title: 'Room for the tip beside its neighbour',
        caption: 'neighbour',
        steps: [room],
        limit: atLeast(4e-3, 'm', 'room for a tip', { from: 'source', key: 'finger-room' }),
        verdict: face.neighbourMetres >= 4e-3 ? 'settled' : 'tight',
      }),
    );
  }
  return out;
}

/** Kinds that have nothing a finger could push. */
const NO_FINGER: Partial<Record<WayContext['fact']['leading'], string>> = {
  'touch-pad': 'Glass feels skin and no force: a plastic finger does nothing there',
  'dry-pair': 'A pair of terminals has nothing to push',
  'motor-pair': 'A motor’s wires have nothing to push',
  'serial-bus': 'A bus has nothing to push',
  encoder: 'A knob is turned and not pushed',
  selector: 'A knob is turned and not pushed',
};

/** As far to the other side of its rest as the press lies on this one, °. */
const mirroredDegrees = ({ restDegrees, pressDegrees }: FingerPlan): number => 2 * restDegrees - pressDegrees;

/** A rocker of which one half is pressed: what was switched on so is switched off by nobody. */
function oneHalf(c: WayContext): Finding {
  const plan = c.press.finger;
  return finding('thumb', 'finger.rocker', {
    verdict: 'tight',
    title: 'Only one half of the rocker is pressed: the other half has no angle',
    caption: 'one half only',
    remedy: setPlan(
      c,
      { otherDegrees: mirroredDegrees(plan) },
      `Press the other half at ${formatQuantity(mirroredDegrees(plan), '°')}`,
      'As far to the other side of its rest as it presses on this one.',
    ),
  });
}

/** A servo's horn over a button, or over a rocker that it pushes either way. */
export function finger(c: WayContext): WayResult {
  const way = 'finger';
  const none = NO_FINGER[c.fact.leading];
  if (none) return noUse(way, none, 'Pick one of the ways that suit such a control.');
  const plan = c.press.finger;
  const servo = takenPart(c.job, 'servo');
  const findings = [...geometry(c, servo), ...otherSide(c), ...moves(c, servo), ...mounting(c, servo)];
  if (plan.on === 'button' && plan.otherDegrees !== null)
    findings.push(
      finding('thumb', `${way}.one-sided`, {
        verdict: 'tight',
        title: 'A button has one side; the angle on the other side presses nothing',
        caption: 'one side only',
        remedy: setPlan(
          c,
          { otherDegrees: null },
          'One side only',
          'Say that it is a rocker, or leave the other angle empty.',
        ),
      }),
    );
  if (plan.on === 'rocker' && plan.otherDegrees === null) findings.push(oneHalf(c));
  else if (plan.on === 'rocker') {
    const travel = travelStep(plan, givenBy(c));
    findings.push(
      finding('thumb', `${way}.rocker`, {
        verdict: 'settled',
        title:
          `From its middle it swings ${formatQuantity(travel.result.value, 'm')} one way and as far ` +
          'the other; it must come back to the middle so that a hand can use the rocker',
        caption: 'both ways',
        value: travel.result,
        steps: [travel],
      }),
    );
  }
  const volts = partValue(servo, 'supplyVolts').value;
  const amps = partValue(servo, 'stallAmps').value;
  return result(
    way,
    findings,
    [
      { name: 'servo', value: servo.name, quantity: 1 },
      { name: 'soft tip for the horn', value: 'silicone, 6 mm', quantity: plan.on === 'rocker' ? 2 : 1 },
      plan.mount === 'foam-tape'
        ? {
            name: 'acrylic foam tape',
            value: `${Math.round(plan.padLengthMetres * 1e3)} by ${Math.round(plan.padWidthMetres * 1e3)} mm`,
            quantity: 1,
          }
        : {
            name: plan.mount === 'screws' ? 'screws for the bracket' : 'clamp for the bracket',
            value: '',
            quantity: plan.mount === 'screws' ? 2 : 1,
          },
    ],
    wires(c, [
      [pin('', '', { sort: 'pulse-width' }), legOf('servo', 'servo', 'signal')],
      [GROUND, legOf('servo', 'servo', 'ground')],
      [voltsEnd(formatQuantity(volts, 'V')), legOf('servo', 'servo', 'supply')],
    ]),
    ['servo'],
    {
      input: 'pulses',
      pulses: pulsesOf(c, servo),
      draws: [servoDraw(volts, amps, servo.origin)],
      pinAmps: LOGIC_PIN_AMPS,
      jerks: true,
    },
  );
}
