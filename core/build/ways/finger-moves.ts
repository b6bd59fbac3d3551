import { firstItem } from '../../ground/lists';
import type { PressFact } from '../../ground/facts';
import { atLeast, atMost, carried, derive, derivedLimit, judged, type Finding, type Step } from '../../ground/finding';
import { stepsOf, type FingerPlan, machineOf, pressedFor } from '../../ground/job';
import { pulseStep, swingStep } from '../../engines/mechanics';
import { partInput, partValue, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import type { WayContext } from './context';
import { givenBy } from './finger-given';

/** Steady push that a button or a rocker bears, N (`button-bears`), and how long a servo may stand against it, s (`stall-time`). */
export const BEARS = { button: 30, rocker: 50 } as const;
const STALL_SECONDS = 10;

/** What a plan changes of another, as it is said on a button. */
export function turned(
  plan: FingerPlan,
  better: Pick<FingerPlan, 'hornMetres' | 'pressDegrees' | 'restDegrees' | 'otherDegrees'>,
): string {
  const words = [
    better.hornMetres === plan.hornMetres ? '' : `horn of ${formatQuantity(better.hornMetres, 'm')}`,
    `press at ${better.pressDegrees}°${better.otherDegrees === plan.otherDegrees ? '' : ` and ${better.otherDegrees}°`}`,
    better.restDegrees === plan.restDegrees ? '' : `rest at ${better.restDegrees}°`,
  ]
    .filter(Boolean)
    .join(', ');
  return firstItem(words).toUpperCase() + words.slice(1);
}

/** Horns that are tried, mm from the first to the last, and what a fit keeps clear of its limits by. */
const HORNS_MM = { from: 8, to: 80 } as const;
const DEGREE = Math.PI / 180;
/** Share of what a button bears; the push beyond the travel aimed at, its least and its most, m; the sine that an angle may reach. */
const FIT = { force: 0.9, aim: 0.5e-3, least: 0.2e-3, most: 1.3e-3, reach: 0.98, rest: 0.95 } as const;
/** The hand wants 15 mm where the axis gives them, m (`finger-clear`), and a little over. */
const HAND_METRES = 15.2e-3;

/**
 * A horn and angles that meet force, most force, reach and over-travel together, with room at rest; the horn that is
 * there first, then those like it. Null where none do.
 */
export function fitting(
  c: WayContext,
  servo: TakenPart,
  newtons: number,
  travel: number,
): Pick<FingerPlan, 'hornMetres' | 'pressDegrees' | 'restDegrees' | 'otherDegrees'> | null {
  const plan = c.press.finger;
  const both = plan.otherDegrees !== null;
  const torque = partInput(servo, 'torqueNewtonMetres').range;
  const others = Array.from({ length: HORNS_MM.to - HORNS_MM.from + 1 }, (_, i) => (HORNS_MM.from + i) / 1e3).sort(
    (a, b) => Math.abs(a - plan.hornMetres) - Math.abs(b - plan.hornMetres),
  );
  for (const r of [plan.hornMetres, ...others]) {
    if (torque.low / r < 2 * newtons || torque.high / r > FIT.force * BEARS[plan.on]) continue;
    const reach = (plan.axisMetres + travel + FIT.aim) / r;
    const pressDegrees = reach < FIT.reach ? Math.round(Math.asin(reach) / DEGREE) : null;
    if (pressDegrees === null) continue;
    const fits = (degrees: number): boolean => {
      const beyond = r * Math.sin(degrees * DEGREE) - plan.axisMetres - travel;
      return beyond >= FIT.least && beyond <= FIT.most;
    };
    if (!fits(pressDegrees)) continue;
    const room = Math.min(FIT.rest, Math.max(-FIT.rest, (plan.axisMetres - HAND_METRES) / r));
    return {
      hornMetres: r,
      pressDegrees,
      // Over a rocker the horn rests in the middle, and reaches as far to the other side.
      restDegrees: both ? plan.restDegrees : Math.min(plan.restDegrees, Math.floor(Math.asin(room) / DEGREE)),
      otherDegrees:
        plan.otherDegrees !== null && fits(-plan.otherDegrees) ? plan.otherDegrees : both ? -pressDegrees : null,
    };
  }
  return null;
}

/** The servo's two pulses and its swing from one to the other, as steps. */
function pulseSteps(c: WayContext, servo: TakenPart) {
  const plan = c.press.finger;
  const ends = {
    least: partValue(servo, 'leastPulseSeconds'),
    most: partValue(servo, 'mostPulseSeconds'),
    range: partValue(servo, 'rangeDegrees'),
  };
  const given = givenBy(c);
  return {
    ends,
    rest: pulseStep(plan, ends, 'rest', given),
    press: pulseStep(plan, ends, 'press', given),
    other: plan.otherDegrees === null ? null : pulseStep(plan, ends, 'other', given),
    swing: swingStep(plan, partInput(servo, 'secondsPer60'), given),
  };
}

/** What the pin gives for a press of the finger, s. */
export function pulsesOf(c: WayContext, servo: TakenPart): PressFact['pulses'] {
  const { rest, press, other, swing } = pulseSteps(c, servo);
  return {
    rest: rest.result.value,
    press: press.result.value,
    other: other?.result.value ?? null,
    swing: swing.result.value,
  };
}

const WAY = 'finger';

/** Pulses within the servo's ends, and a press that is long enough to swing and to be seen. */
export function moves(c: WayContext, servo: TakenPart): Finding[] {
  const presses = stepsOf(c.job, c.press.id).map((s) => s.seconds);
  const pulses = pulseSteps(c, servo);
  return [
    ...pulseFindings(pulses),
    ...(presses.length > 0
      ? [dwellFinding(c, pulses.swing, Math.min(...presses)), stallFinding(Math.max(...presses))]
      : []),
  ];
}

function pulseFindings({ ends, rest, press, other }: ReturnType<typeof pulseSteps>): Finding[] {
  const least = atLeast(ends.least.value, 's', 'pulse at the servo’s other end', ends.least.origin);
  const both = [
    judged('thumb', `${WAY}.pulse-press`, {
      title: 'Pulse width, pressed',
      caption: 'pulse width',
      steps: [press],
      limit: atMost(ends.most.value, 's', 'pulse at the servo’s end', ends.most.origin),
      tightShare: 'met',
    }),
    judged('thumb', `${WAY}.pulse-rest`, {
      title: 'Pulse width, at rest',
      caption: 'pulse width',
      steps: [rest],
      limit: least,
      tightShare: 'met',
    }),
  ];
  if (!other) return both;
  return [
    ...both,
    judged('thumb', `${WAY}.pulse-other`, {
      title: 'Pulse width, pressed on the other side',
      caption: 'pulse width, other side',
      steps: [other],
      limit: least,
      tightShare: 'met',
      remedy:
        other.result.value < ends.least.value
          ? { text: 'Smaller angles, or a servo that turns further between its ends.' }
          : null,
    }),
  ];
}

const ofScript = (symbol: string, name: string, result: string, seconds: number): Step =>
  derive(name, result, symbol, 's', [
    { symbol, name: 'press', value: seconds, unit: 's', origin: { from: 'maker', what: 'press script, in Act' } },
  ]);

/** What a machine that nobody asked obeys, s: common practice. */
const USUAL_SHORTEST_SECONDS = 0.1;
/** How much longer than needed a press is offered, in steps of so many a second, and from when on it is. */
const OFFERED = 1.2;
const STEPS_A_SECOND = 20;
const NEAR = 1.1;

/** The shortest press against the time to swing and to be seen. */
function dwellFinding(c: WayContext, swing: Step, dwell: number): Finding {
  const shortest = machineOf(c.job).shortestPressSeconds;
  const need = derive('swing and the machine’s own shortest press', 't_need', 't + t_least', 's', [
    carried(swing),
    {
      symbol: 't_least',
      name: 'shortest press that it obeys',
      value: shortest ?? USUAL_SHORTEST_SECONDS,
      unit: 's',
      origin:
        shortest === null
          ? { from: 'prior', what: 'nobody said how short a press the machine obeys' }
          : { from: 'maker', what: 'machine, in Act' },
    },
  ]);
  const long = Math.ceil(need.result.value * OFFERED * STEPS_A_SECOND) / STEPS_A_SECOND;
  const said = formatQuantity(long, 's');
  return judged('thumb', `${WAY}.dwell`, {
    title: 'Press of the script against the time to swing and to be seen',
    caption: 'dwell',
    steps: [ofScript('t_s', 'shortest press of the script', 't_press', dwell)],
    limit: derivedLimit('at least', [swing, need], 'swing and shortest press'),
    tightShare: 0.1,
    remedy:
      dwell < need.result.value * NEAR
        ? {
            text: `A finger needs its way there: press for ${said}.`,
            label: `Press for ${said}`,
            edit: pressedFor(c.job, c.press.id, long, `press for ${said}`),
          }
        : null,
  });
}

const stallFinding = (longest: number): Finding =>
  judged('thumb', `${WAY}.stall-time`, {
    title: 'Longest press, for which the servo pushes against a stop',
    caption: 'stalled for',
    steps: [ofScript('t_l', 'longest press of the script', 't_stall', longest)],
    limit: atMost(STALL_SECONDS, 's', 'a servo left stalled', { from: 'source', key: 'stall-time' }),
    tightShare: 0.1,
    remedy: {
      text: 'A servo that pushes for long burns out. For a machine that runs while it is held, take a contact.',
    },
  });
