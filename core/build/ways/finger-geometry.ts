import {
  atLeast,
  atMost,
  carried,
  constant,
  derive,
  derivedLimit,
  judged,
  type Finding,
  type Input,
  type Remedy,
} from '../../ground/finding';
import { depthStep, forceStep } from '../../engines/mechanics';
import { partInput, type TakenPart } from '../../engines/parts';
import type { WayContext } from './context';
import { BEARS } from './finger-moves';
import { givenBy, setPlan } from './finger-given';
import { fittedPlan, otherServo } from './finger-servo';

/** Force and travel of a button or rocker where nobody measured them, upper end of what is met (`button-force`). */
const USUAL = { button: { newtons: 2.6, metres: 0.3e-3 }, rocker: { newtons: 10, metres: 3e-3 } } as const;

/** A usual value is a guess until somebody says that it will do (`button-force`). */
const usualOrigin = (c: WayContext, path: string): Input['origin'] =>
  c.press.given.includes(path)
    ? { from: 'source', key: 'button-force' }
    : { from: 'default', what: 'usual upper end, common practice; nobody measured this one', path };

/** Force and travel of the control, measured in Probe or the usual ones. */
export function faceOf(c: WayContext): { newtons: Input; metres: Input } {
  const face = c.job.survey.faces.find((f) => f.control === c.control.id);
  const usual = USUAL[c.press.finger.on];
  const of = (
    symbol: string,
    name: string,
    path: string,
    value: number | null | undefined,
    other: number,
    unit: 'N' | 'm',
  ): Input =>
    value
      ? { symbol, name, value, unit, origin: { from: 'measured', at: '', what: 'measured in Probe' } }
      : {
          symbol,
          name: `${name}, usual upper end of a ${c.press.finger.on}`,
          value: other,
          unit,
          origin: usualOrigin(c, path),
        };
  return {
    newtons: of('F_b', 'force that it asks for', 'face.forceNewtons', face?.forceNewtons, usual.newtons, 'N'),
    metres: of('x_b', 'its own travel', 'face.travelMetres', face?.travelMetres, usual.metres, 'm'),
  };
}

/** The other side of a rocker: its own tip reaches it, and no further than a soft tip takes; the force is that of the horn. */
export function otherSide(c: WayContext): Finding[] {
  const plan = c.press.finger;
  if (plan.otherDegrees === null) return [];
  const { metres } = faceOf(c);
  const given = givenBy(c);
  // Seen from the other side, what turns away turns towards.
  const mirrored = { ...plan, pressDegrees: -plan.otherDegrees };
  const depth = depthStep(mirrored, 'press', (key) => given(key === 'pressDegrees' ? 'otherDegrees' : key));
  const beyond = derive('push beyond its travel', 'd_x', 'd_2 - x_b', 'm', [carried(depth), metres]);
  return [
    judged('thumb', 'finger.reach-other', {
      title: 'Tip on the other side, pressed, beyond the rocker’s travel',
      caption: 'reaches the other side',
      steps: [depth, beyond],
      limit: atLeast(0, 'm', 'the end of its travel', { from: 'computed', what: 'the travel itself is in the value' }),
      tightShare: 0.2,
      span: 1e-3,
      remedy: beyond.result.value < 0.2e-3 ? { text: 'A larger angle on the other side, or a longer horn.' } : null,
    }),
    judged('thumb', 'finger.over-travel-other', {
      title: 'Push beyond its travel on the other side',
      caption: 'over-travel, other side',
      steps: [depth, beyond],
      limit: atMost(SOFT_METRES, 'm', 'what a soft tip takes', { from: 'source', key: 'over-travel' }),
      tightShare: 0.1,
      remedy: beyond.result.value > SOFT_METRES ? { text: 'A smaller angle on the other side.' } : null,
    }),
  ];
}

/** Looked for over horn and angle together: a horn that pushes harder must still reach. */
function turnRemedy(c: WayContext, servo: TakenPart, newtons: number, metres: number): Remedy {
  const fit = fittedPlan(c, servo, newtons, metres);
  if (!fit)
    return (
      otherServo(c, servo, newtons, metres) ?? {
        text: 'No horn and no angle of any servo here meet force, reach and travel together: mount it nearer, or enter your own.',
      }
    );
  return setPlan(
    c,
    fit.set,
    fit.words,
    'With these the tip pushes hard enough, reaches just beyond the travel, and leaves what room there is.',
  );
}

/** What the soft tip takes beyond the travel, m (`over-travel`), and the room for a fingertip, m (`finger-clear`). */
const SOFT_METRES = 1.5e-3;
const CLEAR_METRES = 15e-3;

/** Where the tip stands at rest and pressed, and with which force. */
export function geometry(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.press.finger;
  const { newtons, metres } = faceOf(c);
  const need = derive('twice the force that it asks for', 'F_need', 'k * F_b', 'N', [
    constant('k', 'margin', 2, '1', 'force-margin'),
    newtons,
  ]);
  const given = givenBy(c);
  const torque = partInput(servo, 'torqueNewtonMetres');
  const force = forceStep(plan, torque, given);
  const most = forceStep(plan, torque, given, 'highest');
  const depth = depthStep(plan, 'press', given);
  const beyond = derive('push beyond its travel', 'd_x', 'd_2 - x_b', 'm', [carried(depth), metres]);
  const atRest = depthStep(plan, 'rest', given);
  const gap = derive('gap at rest', 'g', '-d_1', 'm', [carried(atRest)]);
  const turn = turnRemedy(c, servo, newtons.value, metres.value);
  return [
    judged('thumb', `${way}.force`, {
      title: 'Force at the tip against twice what the button asks for',
      caption: 'force',
      steps: [force],
      limit: derivedLimit('at least', [need], 'twice its force'),
      tightShare: 'met',
      source: ['force-margin'],
      remedy: force.result.value >= need.result.value ? null : turn,
    }),
    judged('thumb', `${way}.most-force`, {
      title: 'Force where the servo stalls, against what the button bears',
      caption: 'most force',
      steps: [most],
      limit: atMost(BEARS[plan.on], 'N', `what a ${plan.on} bears`, { from: 'source', key: 'button-bears' }),
      tightShare: 0.1,
      remedy: most.result.value > BEARS[plan.on] ? turn : null,
    }),
    judged('thumb', `${way}.reach`, {
      title: 'Tip, pressed, beyond the button’s travel',
      caption: 'reaches it',
      steps: [depth, beyond],
      limit: atLeast(0, 'm', 'the end of its travel', { from: 'computed', what: 'the travel itself is in the value' }),
      tightShare: 0.2,
      span: 1e-3,
      remedy: beyond.result.value < 0.2e-3 ? turn : null,
    }),
    judged('thumb', `${way}.over-travel`, {
      title: 'Push beyond its travel, which the soft tip must take',
      caption: 'over-travel',
      steps: [depth, beyond],
      limit: atMost(SOFT_METRES, 'm', 'what a soft tip takes', { from: 'source', key: 'over-travel' }),
      tightShare: 0.1,
      remedy: beyond.result.value > SOFT_METRES ? turn : null,
    }),
    judged('thumb', `${way}.gap`, {
      title: 'Room for a hand while the finger rests',
      caption: 'room for a hand',
      steps: [atRest, gap],
      limit: atLeast(CLEAR_METRES, 'm', 'room for a fingertip', { from: 'source', key: 'finger-clear' }),
      verdict: gap.result.value >= CLEAR_METRES ? 'settled' : gap.result.value >= 0 ? 'tight' : 'stop',
      remedy: {
        text:
          plan.otherDegrees === null
            ? 'Let it rest at a smaller or negative angle, or mount the servo further out.'
            : 'Mount the servo further out: over a rocker it rests in the middle.',
      },
    }),
  ];
}
