import { atLeast, atMost, carried, constant, derive, finding, judged, type Finding, type Input } from '../finding';
import type { FingerPlan } from '../job';
import { depthStep, forceStep, pullStep, pulseStep, swingStep, travelStep } from '../mechanics';
import { partInput, partValue, takenPart, type TakenPart } from '../parts';
import { formatQuantity } from '../quantity';
import type { WayContext, WayResult } from './context';
import { wires } from './context';
import { noUse, result } from './result';

/** Force and travel of a button or rocker where nobody measured them, upper end of what is met (`button-force`). */
const USUAL = { button: { newtons: 2.6, metres: 0.3e-3 }, rocker: { newtons: 10, metres: 3e-3 } } as const;

/** Force and travel of the control, measured in Probe or the usual ones. */
export function pressOf(c: WayContext): { newtons: Input; metres: Input } {
  const face = c.job.survey.faces.find((f) => f.control === c.control.id);
  const usual = USUAL[c.job.thumb.finger.on];
  const of = (symbol: string, name: string, value: number | null | undefined, other: number, unit: 'N' | 'm'): Input =>
    value ? { symbol, name, value, unit, origin: { from: 'measured', at: '', what: 'measured in Probe' } } : constant(symbol, `${name}, usual upper end`, other, unit, 'button-force');
  return { newtons: of('F_b', 'force that it asks for', face?.forceNewtons, usual.newtons, 'N'), metres: of('x_b', 'its own travel', face?.travelMetres, usual.metres, 'm') };
}

const setPlan = (c: WayContext, set: Partial<FingerPlan>, label: string, text: string) => ({ text, label, edit: { do: 'change', section: 'thumb', set: { finger: { ...c.job.thumb.finger, ...set } }, say: label.toLowerCase() } });

/** Where the tip stands at rest and pressed, and with which force. */
function geometry(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.job.thumb.finger;
  const { newtons, metres } = pressOf(c);
  const need = derive('twice the force that it asks for', 'F_need', 'k * F_b', 'N', [constant('k', 'margin', 2, '1', 'force-margin'), newtons]);
  const force = forceStep(plan, partInput(servo, 'torqueNewtonMetres'));
  const depth = depthStep(plan, 'press');
  const beyond = derive('push beyond its travel', 'd_x', 'd_2 - x_b', 'm', [carried(depth), metres]);
  const gap = derive('gap at rest', 'g', '-d_1', 'm', [carried(depthStep(plan, 'rest'))]);
  const shorter = 0.95 * partInput(servo, 'torqueNewtonMetres').range.low / need.result.value;
  // The pressed angle at which the tip stands half a millimetre beyond the travel.
  const reach = (plan.axisMetres + metres.value + 0.5e-3) / plan.hornMetres;
  const angle = reach < 1 ? Math.ceil((180 / Math.PI) * Math.asin(reach)) : null;
  const turn = angle === null ? { text: `The horn is too short for this distance: it wants more than ${formatQuantity(plan.axisMetres + metres.value, 'm')}.` } : setPlan(c, { pressDegrees: angle }, `Press at ${angle}°`, `At ${angle}° the tip stands half a millimetre beyond its travel.`);
  return [
    judged('thumb', `${way}.force`, {
      title: 'Force at the tip against twice what the button asks for', caption: 'force', steps: [force], limit: atLeast(need.result.value, 'N', 'twice its force', newtons.origin), tightShare: 0, source: ['force-margin'],
      remedy: force.result.value >= need.result.value ? null : setPlan(c, { hornMetres: Math.floor(shorter * 1e3) / 1e3 }, `Horn of ${Math.floor(shorter * 1e3)} mm`, 'A shorter horn pushes harder, over less travel; or take a stronger servo.'),
    }),
    judged('thumb', `${way}.reach`, { title: 'Tip, pressed, beyond the button’s travel', caption: 'reaches it', steps: [depth, beyond], limit: atLeast(0, 'm', 'the end of its travel', metres.origin), tightShare: 0.2, span: 1e-3, remedy: beyond.result.value < 0.2e-3 ? turn : null }),
    judged('thumb', `${way}.over-travel`, { title: 'Push beyond its travel, which the soft tip must take', caption: 'over-travel', steps: [depth, beyond], limit: atMost(1.5e-3, 'm', 'what a soft tip takes', { from: 'source', key: 'over-travel' }), tightShare: 0.1, remedy: beyond.result.value > 1.5e-3 ? turn : null }),
    judged('thumb', `${way}.gap`, {
      title: 'Room for a hand while the finger rests', caption: 'room for a hand', steps: [gap], limit: atLeast(15e-3, 'm', 'room for a fingertip', { from: 'source', key: 'finger-clear' }), tightShare: 0, verdict: gap.result.value >= 15e-3 ? 'settled' : gap.result.value >= 0 ? 'tight' : 'stop',
      remedy: { text: 'Let it rest at a smaller or negative angle, or mount the servo further out.' },
    }),
  ];
}

/** The servo itself: pulses within its range, and time to swing against the press of the script. */
function moves(c: WayContext, servo: TakenPart): Finding[] {
  const way = 'finger';
  const plan = c.job.thumb.finger;
  const ends = { least: partValue(servo, 'leastPulseSeconds'), most: partValue(servo, 'mostPulseSeconds'), range: partValue(servo, 'rangeDegrees') };
  const [rest, press] = [pulseStep(plan, ends, plan.restDegrees, 'rest'), pulseStep(plan, ends, plan.pressDegrees, 'pressed')];
  const swing = swingStep(plan, partInput(servo, 'secondsPer60'));
  const need = derive('swing and the machine’s own shortest press', 't_need', 't + t_least', 's', [carried(swing), { symbol: 't_least', name: 'shortest press that it obeys', value: c.job.act.machine.shortestPressSeconds, unit: 's', origin: { from: 'maker', what: 'machine, in Act' } }]);
  const dwell = c.job.act.script.filter((s) => s.do === 'press').reduce((least, s) => Math.min(least, s.seconds), Number.POSITIVE_INFINITY);
  const out = [
    judged('thumb', `${way}.pulse-press`, { title: 'Pulse width, pressed', caption: 'pulse width', steps: [press], limit: atMost(ends.most.value, 's', 'pulse at the servo’s end', ends.most.origin), tightShare: 0 }),
    judged('thumb', `${way}.pulse-rest`, { title: 'Pulse width, at rest', caption: 'pulse width', steps: [rest], limit: atLeast(ends.least.value, 's', 'pulse at the servo’s other end', ends.least.origin), tightShare: 0 }),
  ];
  if (Number.isFinite(dwell)) {
    const step = derive('shortest press of the script', 't_press', 't_s', 's', [{ symbol: 't_s', name: 'press', value: dwell, unit: 's', origin: { from: 'maker', what: 'press script, in Act' } }]);
    const long = Math.ceil(need.result.value * 1.2 * 20) / 20;
    out.push(judged('thumb', `${way}.dwell`, {
      title: 'Press of the script against the time to swing and to be seen', caption: 'dwell', steps: [swing, need, step], limit: atLeast(need.result.value, 's', 'swing and shortest press', { from: 'source', key: 'parts-servo' }), tightShare: 0.1,
      remedy: dwell < need.result.value * 1.1 ? { text: `A finger needs its way there: press for ${formatQuantity(long, 's')}.`, label: `Press for ${formatQuantity(long, 's')}`, edit: { do: 'change', section: 'act', set: { script: c.job.act.script.map((s) => (s.do === 'press' ? { ...s, seconds: Math.max(s.seconds, long) } : s)) }, say: `press for ${formatQuantity(long, 's')}` } } : null,
    }));
  }
  return out;
}

/** What holds the servo to the front, and whether it fits there. */
function mounting(c: WayContext): Finding[] {
  const way = 'finger';
  const plan = c.job.thumb.finger;
  const face = c.job.survey.faces.find((f) => f.control === c.control.id);
  const { newtons } = pressOf(c);
  const out: Finding[] = [];
  if (plan.mount === 'foam-tape') {
    if (face && (face.shape === 'curved' || face.shape === 'soft')) {
      out.push(finding('thumb', `${way}.front`, { verdict: 'stop', title: `Tape does not hold on a ${face.shape} front`, caption: `${face.shape} front`, source: ['finger-room'], remedy: setPlan(c, { mount: 'clamp' }, 'Use a clamp', 'A clamp or two screws hold there.') }));
    }
    const longer = { padLengthMetres: Math.ceil(plan.padLengthMetres * 1.4 * 1e3) / 1e3 };
    const pull = pullStep(plan, 2 * newtons.value);
    out.push(judged('thumb', `${way}.tape`, {
      title: 'Pull under the tape while it presses', caption: 'tape pull', steps: [pull], limit: atMost(30e3, 'Pa', 'what foam tape bears', { from: 'source', key: 'tape-pull' }),
      remedy: pull.result.value > 24e3 ? setPlan(c, longer, `Pad ${Math.round(longer.padLengthMetres * 1e3)} mm long`, 'A longer pad bears a tilting pull far better; or use screws or a clamp.') : null,
    }));
  }
  if (face?.neighbourMetres !== null && face?.neighbourMetres !== undefined) {
    const room = derive('room beside it', 'b', 'b_n', 'm', [{ symbol: 'b_n', name: 'to the nearest neighbour', value: face.neighbourMetres, unit: 'm', origin: { from: 'measured', at: '', what: 'measured in Probe' } }]);
    out.push(judged('thumb', `${way}.room`, { title: 'Room for the tip beside its neighbour', caption: 'neighbour', steps: [room], limit: atLeast(4e-3, 'm', 'room for a tip', { from: 'source', key: 'finger-room' }), tightShare: 0, verdict: face.neighbourMetres >= 4e-3 ? 'settled' : 'tight' }));
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
  const findings = [...geometry(c, servo), ...moves(c, servo), ...mounting(c)];
  if (plan.on === 'rocker') {
    const travel = travelStep(plan);
    findings.push(finding('thumb', `${way}.rocker`, { verdict: 'settled', title: `From its middle it swings ${formatQuantity(travel.result.value, 'm')} one way and as far the other; it must come back to the middle so that a hand can use the rocker`, caption: 'both ways', value: travel.result, steps: [travel] }));
  }
  const volts = partValue(servo, 'supplyVolts').value;
  const amps = partValue(servo, 'stallAmps').value;
  return result(way, findings, [
    { name: 'servo', value: servo.name, quantity: 1 }, { name: 'soft tip for the horn', value: 'silicone, 6 mm', quantity: plan.on === 'rocker' ? 2 : 1 },
    plan.mount === 'foam-tape' ? { name: 'acrylic foam tape', value: `${Math.round(plan.padLengthMetres * 1e3)} by ${Math.round(plan.padWidthMetres * 1e3)} mm`, quantity: 1 } : { name: plan.mount === 'screws' ? 'screws for the bracket' : 'clamp for the bracket', value: '', quantity: plan.mount === 'screws' ? 2 : 1 },
  ], wires(c.job, [['pin', 'servo signal'], ['controller ground', 'servo ground'], [formatQuantity(volts, 'V'), 'servo supply']]), ['servo'], {
    input: 'pulses', supplyAmps: amps, peakAmps: amps, load: 'servo', needsVolts: volts, pinAmps: 1e-4,
  });
}
