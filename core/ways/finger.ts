import { atLeast, atMost, carried, constant, derive, derivedLimit, finding, judged, type Finding, type Input, type Remedy } from '../finding';
import type { FingerPlan } from '../job';
import { depthStep, forceStep, pullStep, pulseStep, swingStep, travelStep, type GivenFinger } from '../mechanics';
import { partInput, partValue, takenPart, type TakenPart } from '../parts';
import { formatQuantity } from '../quantity';
import type { WayContext, WayResult } from './context';
import { wires } from './context';
import { planOrigin } from './ratings';
import { noUse, result, takePart } from './result';

/** Force and travel of a button or rocker where nobody measured them, upper end of what is met (`button-force`). */
const USUAL = { button: { newtons: 2.6, metres: 0.3e-3 }, rocker: { newtons: 10, metres: 3e-3 } } as const;

/** A usual value is a guess until somebody says that it will do (`button-force`). */
const usualOrigin = (c: WayContext, path: string): Input['origin'] => (c.job.thumb.given.includes(path) ? { from: 'source', key: 'button-force' } : { from: 'default', what: 'usual upper end, common practice; nobody measured this one', path });

/** Force and travel of the control, measured in Probe or the usual ones. */
export function pressOf(c: WayContext): { newtons: Input; metres: Input } {
  const face = c.job.survey.faces.find((f) => f.control === c.control.id);
  const usual = USUAL[c.job.thumb.finger.on];
  const of = (symbol: string, name: string, path: string, value: number | null | undefined, other: number, unit: 'N' | 'm'): Input =>
    value ? { symbol, name, value, unit, origin: { from: 'measured', at: '', what: 'measured in Probe' } } : { symbol, name: `${name}, usual upper end of a ${c.job.thumb.finger.on}`, value: other, unit, origin: usualOrigin(c, path) };
  return { newtons: of('F_b', 'force that it asks for', 'face.forceNewtons', face?.forceNewtons, usual.newtons, 'N'), metres: of('x_b', 'its own travel', 'face.travelMetres', face?.travelMetres, usual.metres, 'm') };
}

const givenBy = (c: WayContext): GivenFinger => (key) => planOrigin(c, `finger.${key}`);

const setPlan = (c: WayContext, set: Partial<FingerPlan>, label: string, text: string) => ({ text, label, edit: { do: 'change', section: 'thumb', set: { finger: { ...c.job.thumb.finger, ...set } }, say: label.toLowerCase() } });

/** Where the tip stands at rest and pressed, and with which force. */
function geometry(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.job.thumb.finger;
  const { newtons, metres } = pressOf(c);
  const need = derive('twice the force that it asks for', 'F_need', 'k * F_b', 'N', [constant('k', 'margin', 2, '1', 'force-margin'), newtons]);
  const given = givenBy(c);
  const torque = partInput(servo, 'torqueNewtonMetres');
  const force = forceStep(plan, torque, given);
  const most = forceStep(plan, torque, given, 'highest');
  const depth = depthStep(plan, 'press', given);
  const beyond = derive('push beyond its travel', 'd_x', 'd_2 - x_b', 'm', [carried(depth), metres]);
  const atRest = depthStep(plan, 'rest', given);
  const gap = derive('gap at rest', 'g', '-d_1', 'm', [carried(atRest)]);
  // The remedy is looked for over horn and angle together: a horn that pushes harder must still reach.
  const better = fitting(c, servo, newtons.value, metres.value);
  const turn: Remedy = better
    ? setPlan(c, better, turned(plan, better), 'With these the tip pushes hard enough, reaches just beyond the travel, and leaves what room there is.')
    : { text: 'No horn and no angle of this servo meet force, reach and travel together: take a stronger servo, or mount it nearer.' };
  return [
    judged('thumb', `${way}.force`, {
      title: 'Force at the tip against twice what the button asks for', caption: 'force', steps: [force], limit: derivedLimit('at least', [need], 'twice its force'), tightShare: 'met', source: ['force-margin'], remedy: force.result.value >= need.result.value ? null : turn,
    }),
    judged('thumb', `${way}.most-force`, {
      title: 'Force where the servo stalls, against what the button bears', caption: 'most force', steps: [most], limit: atMost(BEARS[plan.on], 'N', `what a ${plan.on} bears`, { from: 'source', key: 'button-bears' }), tightShare: 0.1,
      remedy: most.result.value > BEARS[plan.on] ? takePart(c, 'servo', 'servo-micro', 'Take the micro servo', 'A weaker servo or a longer horn: what stalls against a button breaks it.') : null,
    }),
    judged('thumb', `${way}.reach`, { title: 'Tip, pressed, beyond the button’s travel', caption: 'reaches it', steps: [depth, beyond], limit: atLeast(0, 'm', 'the end of its travel', { from: 'computed', what: 'the travel itself is in the value' }), tightShare: 0.2, span: 1e-3, remedy: beyond.result.value < 0.2e-3 ? turn : null }),
    judged('thumb', `${way}.over-travel`, { title: 'Push beyond its travel, which the soft tip must take', caption: 'over-travel', steps: [depth, beyond], limit: atMost(1.5e-3, 'm', 'what a soft tip takes', { from: 'source', key: 'over-travel' }), tightShare: 0.1, remedy: beyond.result.value > 1.5e-3 ? turn : null }),
    judged('thumb', `${way}.gap`, {
      title: 'Room for a hand while the finger rests', caption: 'room for a hand', steps: [atRest, gap], limit: atLeast(15e-3, 'm', 'room for a fingertip', { from: 'source', key: 'finger-clear' }), verdict: gap.result.value >= 15e-3 ? 'settled' : gap.result.value >= 0 ? 'tight' : 'stop',
      remedy: { text: 'Let it rest at a smaller or negative angle, or mount the servo further out.' },
    }),
  ];
}

/** Steady push that a button or a rocker bears, N (`button-bears`), and how long a servo may stand against it, s (`stall-time`). */
const BEARS = { button: 30, rocker: 50 } as const;
const STALL_SECONDS = 10;

/** What a plan changes of another, as it is said on a button. */
function turned(plan: FingerPlan, better: Pick<FingerPlan, 'hornMetres' | 'pressDegrees' | 'restDegrees'>): string {
  const words = [better.hornMetres === plan.hornMetres ? '' : `horn of ${formatQuantity(better.hornMetres, 'm')}`, `press at ${better.pressDegrees}°`, better.restDegrees === plan.restDegrees ? '' : `rest at ${better.restDegrees}°`].filter(Boolean).join(', ');
  return words[0]!.toUpperCase() + words.slice(1);
}

/** A horn and angles that meet force, most force, reach and over-travel together, with room at rest; the horn that is there first, then those like it. Null where none do. */
function fitting(c: WayContext, servo: TakenPart, newtons: number, travel: number): { hornMetres: number; pressDegrees: number; restDegrees: number } | null {
  const plan = c.job.thumb.finger;
  const torque = partInput(servo, 'torqueNewtonMetres').range;
  const rad = Math.PI / 180;
  const others = Array.from({ length: 73 }, (_, i) => (8 + i) / 1e3).sort((a, b) => Math.abs(a - plan.hornMetres) - Math.abs(b - plan.hornMetres));
  for (const r of [plan.hornMetres, ...others]) {
    if (torque.low / r < 2 * newtons || torque.high / r > 0.9 * BEARS[plan.on]) continue;
    const reach = (plan.axisMetres + travel + 0.5e-3) / r;
    const pressDegrees = reach < 0.98 ? Math.round(Math.asin(reach) / rad) : null;
    if (pressDegrees === null) continue;
    const beyond = r * Math.sin(pressDegrees * rad) - plan.axisMetres - travel;
    if (beyond < 0.2e-3 || beyond > 1.3e-3) continue;
    // The hand wants 15 mm where the axis gives them.
    const room = Math.min(0.95, Math.max(-0.95, (plan.axisMetres - 15.2e-3) / r));
    return { hornMetres: r, pressDegrees, restDegrees: Math.min(plan.restDegrees, Math.floor(Math.asin(room) / rad)) };
  }
  return null;
}

/** The servo itself: pulses within its range, and time to swing against the press of the script. */
function moves(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.job.thumb.finger;
  const ends = { least: partValue(servo, 'leastPulseSeconds'), most: partValue(servo, 'mostPulseSeconds'), range: partValue(servo, 'rangeDegrees') };
  const given = givenBy(c);
  const [rest, press] = [pulseStep(plan, ends, 'rest', given), pulseStep(plan, ends, 'press', given)];
  const swing = swingStep(plan, partInput(servo, 'secondsPer60'), given);
  const shortest = c.job.act.machine.shortestPressSeconds;
  const need = derive('swing and the machine’s own shortest press', 't_need', 't + t_least', 's', [carried(swing), { symbol: 't_least', name: 'shortest press that it obeys', value: shortest ?? 0.1, unit: 's', origin: shortest === null ? { from: 'prior', what: 'nobody said how short a press the machine obeys' } : { from: 'maker', what: 'machine, in Act' } }]);
  const dwell = c.job.act.script.filter((s) => s.do === 'press').reduce((least, s) => Math.min(least, s.seconds), Number.POSITIVE_INFINITY);
  const out = [
    judged('thumb', `${way}.pulse-press`, { title: 'Pulse width, pressed', caption: 'pulse width', steps: [press], limit: atMost(ends.most.value, 's', 'pulse at the servo’s end', ends.most.origin), tightShare: 'met' }),
    judged('thumb', `${way}.pulse-rest`, { title: 'Pulse width, at rest', caption: 'pulse width', steps: [rest], limit: atLeast(ends.least.value, 's', 'pulse at the servo’s other end', ends.least.origin), tightShare: 'met' }),
  ];
  if (Number.isFinite(dwell)) {
    const step = derive('shortest press of the script', 't_press', 't_s', 's', [{ symbol: 't_s', name: 'press', value: dwell, unit: 's', origin: { from: 'maker', what: 'press script, in Act' } }]);
    const long = Math.ceil(need.result.value * 1.2 * 20) / 20;
    out.push(judged('thumb', `${way}.dwell`, {
      title: 'Press of the script against the time to swing and to be seen', caption: 'dwell', steps: [step], limit: derivedLimit('at least', [swing, need], 'swing and shortest press'), tightShare: 0.1,
      remedy: dwell < need.result.value * 1.1 ? { text: `A finger needs its way there: press for ${formatQuantity(long, 's')}.`, label: `Press for ${formatQuantity(long, 's')}`, edit: { do: 'change', section: 'act', set: { script: c.job.act.script.map((s) => (s.do === 'press' ? { ...s, seconds: Math.max(s.seconds, long) } : s)) }, say: `press for ${formatQuantity(long, 's')}` } } : null,
    }));
    const longest = c.job.act.script.filter((s) => s.do === 'press').reduce((most, s) => Math.max(most, s.seconds), 0);
    const stalls = derive('longest press of the script', 't_stall', 't_l', 's', [{ symbol: 't_l', name: 'press', value: longest, unit: 's', origin: { from: 'maker', what: 'press script, in Act' } }]);
    out.push(judged('thumb', `${way}.stall-time`, { title: 'Longest press, for which the servo pushes against a stop', caption: 'stalled for', steps: [stalls], limit: atMost(STALL_SECONDS, 's', 'a servo left stalled', { from: 'source', key: 'stall-time' }), tightShare: 0.1, remedy: { text: 'A servo that pushes for long burns out. For a machine that runs while it is held, take a contact.' } }));
  }
  return out;
}

/** What holds the servo to the front, and whether it fits there. */
function mounting(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.job.thumb.finger;
  const face = c.job.survey.faces.find((f) => f.control === c.control.id);
  const given = givenBy(c);
  const out: Finding[] = [];
  if (plan.mount === 'foam-tape') {
    if (face && (face.shape === 'curved' || face.shape === 'soft')) {
      out.push(finding('thumb', `${way}.front`, { verdict: 'stop', title: `Tape does not hold on a ${face.shape} front`, caption: `${face.shape} front`, source: ['finger-room'], remedy: setPlan(c, { mount: 'clamp' }, 'Use a clamp', 'A clamp or two screws hold there.') }));
    }
    const longer = { padLengthMetres: Math.ceil(plan.padLengthMetres * 1.4 * 1e3) / 1e3 };
    // The servo pushes with all it has until the button stops it: that is what the tape bears, and not the button's own force.
    const most = forceStep(plan, partInput(servo, 'torqueNewtonMetres'), given, 'highest');
    const pull = pullStep(plan, most, given);
    out.push(judged('thumb', `${way}.tape`, {
      title: 'Pull under the tape while it presses', caption: 'tape pull', steps: [most, pull], limit: atMost(30e3, 'Pa', 'what foam tape bears for some seconds', { from: 'source', key: 'tape-pull' }),
      remedy: pull.result.value > 24e3 ? setPlan(c, longer, `Pad ${Math.round(longer.padLengthMetres * 1e3)} mm long`, 'A longer pad bears a tilting pull far better; or use screws or a clamp.') : null,
    }));
  }
  if (face?.neighbourMetres !== null && face?.neighbourMetres !== undefined) {
    const room = derive('room beside it', 'b', 'b_n', 'm', [{ symbol: 'b_n', name: 'to the nearest neighbour', value: face.neighbourMetres, unit: 'm', origin: { from: 'measured', at: '', what: 'measured in Probe' } }]);
    out.push(judged('thumb', `${way}.room`, { title: 'Room for the tip beside its neighbour', caption: 'neighbour', steps: [room], limit: atLeast(4e-3, 'm', 'room for a tip', { from: 'source', key: 'finger-room' }), verdict: face.neighbourMetres >= 4e-3 ? 'settled' : 'tight' }));
  }
  return out;
}

/** Kinds that have nothing a finger could push. */
const NO_FINGER: Partial<Record<WayContext['fact']['leading'], string>> = {
  'touch-pad': 'Glass feels skin and no force: a plastic finger does nothing there', 'dry-pair': 'A pair of terminals has nothing to push', 'motor-pair': 'A motor’s wires have nothing to push', 'serial-bus': 'A bus has nothing to push', encoder: 'A knob is turned and not pushed', selector: 'A knob is turned and not pushed',
};

/** A servo's horn over a button, or over a rocker that it pushes either way. */
export function finger(c: WayContext): WayResult {
  const way = 'finger';
  const none = NO_FINGER[c.fact.leading];
  if (none) return noUse(way, none, 'Pick one of the ways that suit such a control.');
  const plan = c.job.thumb.finger;
  const servo = takenPart(c.job, 'servo');
  const findings = [...geometry(c, servo), ...moves(c, servo), ...mounting(c, servo)];
  if (plan.on === 'rocker') {
    const travel = travelStep(plan, givenBy(c));
    findings.push(finding('thumb', `${way}.rocker`, { verdict: 'settled', title: `From its middle it swings ${formatQuantity(travel.result.value, 'm')} one way and as far the other; it must come back to the middle so that a hand can use the rocker`, caption: 'both ways', value: travel.result, steps: [travel] }));
  }
  const volts = partValue(servo, 'supplyVolts').value;
  const amps = partValue(servo, 'stallAmps').value;
  return result(way, findings, [
    { name: 'servo', value: servo.name, quantity: 1 }, { name: 'soft tip for the horn', value: 'silicone, 6 mm', quantity: plan.on === 'rocker' ? 2 : 1 },
    plan.mount === 'foam-tape' ? { name: 'acrylic foam tape', value: `${Math.round(plan.padLengthMetres * 1e3)} by ${Math.round(plan.padWidthMetres * 1e3)} mm`, quantity: 1 } : { name: plan.mount === 'screws' ? 'screws for the bracket' : 'clamp for the bracket', value: '', quantity: plan.mount === 'screws' ? 2 : 1 },
  ], wires(c.job, [['pin', 'servo signal'], ['controller ground', 'servo ground'], [formatQuantity(volts, 'V'), 'servo supply']]), ['servo'], {
    input: 'pulses', supplyAmps: amps, peakAmps: amps, load: 'servo', needsVolts: volts, pinAmps: 1e-4, jerks: true,
  });
}
