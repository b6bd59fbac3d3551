import { atLeast, atMost, computed, constant, derive, derivedLimit, finding, judged, worst, type Finding, type Origin, type Step } from '../finding';
import { takenPart, partInput, partValue, type TakenPart } from '../parts';
import { hitSteps, injectorOf, runChance } from '../scan';
import { formatQuantity } from '../quantity';
import { wires, type WayContext, type WayResult } from './context';
import { clampCurrent, pinHigh } from './drive';
import { levelLimit, probed } from './line';
import { CLAMP_AMPS } from './practice';
import { planned, planOrigin } from './ratings';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';

/** Resistor in series with every line that is taken over, Ω: bears a mistake (`clamp`). */
const LINE_OHMS = 2200;
/** The same beside logic, whose inputs bear the pad's levels: only against ringing, Ω. */
const INJECT_OHMS = 220;

/** How the pad is scanned: from its capture, else from the readings at the key; null where neither tells. Seconds. */
export function scanOf(c: WayContext): { width: number; period: number; origin: Origin } | null {
  const pad = c.job.survey.keypads.find((k) => k.scan);
  if (pad?.scan) return { width: pad.scan.widthSeconds, period: pad.scan.periodSeconds, origin: { from: 'measured', at: '', what: `capture of ${pad.name}` } };
  const [width, period] = [c.fact.parameters['widthSeconds'], c.fact.parameters['periodSeconds']];
  return width && period ? { width: width.low, period: period.nominal, origin: probed(c.fact, 'widthSeconds') } : null;
}

const NOT_SCANNED = 'This key is not scanned: there is no strobe to answer';
const unread = (way: 'strobe-answer' | 'logic-injector'): Finding =>
  finding('thumb', `${way}.scan`, { verdict: 'unknown', title: 'How wide the strobe is has not been read', caption: 'strobe not read', remedy: { text: 'Read hertz and duty at the key, or load a capture of the pad, in Probe.' } });

/** The strobe's high level into a pin of lower supply, through the line's resistor. */
function strobeClamp(c: WayContext): Step {
  const volts = c.fact.parameters['supplyVolts']?.high ?? c.line?.supply.range.high ?? c.drive.highVolts.high;
  return derive('current into the pin’s clamp', 'I_cl', 'max(0, V_CC - V_pin - V_d) / R_line', 'A', [
    { symbol: 'V_CC', name: 'pad supply, highest', value: volts, unit: 'V', origin: probed(c.fact, 'supplyVolts') }, constant('V_pin', 'supply of the controller’s pins', c.drive.highVolts.high, 'V', 'pin-drive'), constant('V_d', 'drop of the clamp', 0.3, 'V', 'clamp'), constant('R_line', 'resistor in the line', LINE_OHMS, 'Ω', 'clamp'),
  ]);
}

/** The level that the answer brings the sense line to, through the line's resistor, against what the pad takes for pressed. */
function answerLevel(way: 'strobe-answer', c: WayContext): Finding[] {
  const { line } = c;
  if (!line) return [];
  const resistor = constant('R_line', 'resistor in the line', LINE_OHMS, 'Ω', 'clamp');
  if (line.polarity === 'low') {
    const level = worst('highest', 'level of the sense line while answered', 'V_answer', 'V_CC * R_line / (R + R_line)', 'V', [line.supply, line.pull], [resistor]);
    return [judged('thumb', `${way}.level`, { title: 'Level of the answer against what the pad takes for pressed', caption: 'answer level', steps: [level], limit: levelLimit('at most', line.lowBelow), tightShare: 0.1, span: line.supply.range.high, remedy: { text: 'The resistor that saves the pins is too much for this pull-up: a solid-state relay per key asks for no level.' } })];
  }
  const level = worst('lowest', 'level of the sense line while answered', 'V_answer', 'V_OH * R / (R + R_line)', 'V', [pinHigh(c.drive), line.pull], [resistor]);
  return [judged('thumb', `${way}.level`, { title: 'Level of the answer against what the pad takes for pressed', caption: 'answer level', steps: [level], limit: levelLimit('at least', line.highAbove), tightShare: 0.1, span: line.supply.range.high, remedy: { text: 'The pin does not reach this pad’s high level: a solid-state relay per key asks for no level.' } })];
}

/** The controller off and the pad on: what flows into the dead pins, and where that leaves the sense line. */
function unpowered(way: 'strobe-answer', c: WayContext): Finding[] {
  const { line } = c;
  if (!line) return [];
  const drop = constant('V_dead', 'clamp of a dead pin', 0.6, 'V', 'unpowered');
  const resistor = constant('R_line', 'resistor in the line', LINE_OHMS, 'Ω', 'clamp');
  const amps = worst('highest', 'current into a dead pin', 'I_dead', '(V_CC - V_dead) / R_line', 'A', [line.supply], [drop, resistor]);
  const out = [judged('thumb', `${way}.dead-pin`, { title: 'Controller off, pad on: current into its dead pins', caption: 'controller off', steps: [amps], limit: atMost(CLAMP_AMPS, 'A', 'what a dead side bears', { from: 'source', key: 'unpowered' }), tightShare: 0.1, remedy: { text: 'Feed the controller from the pad’s own supply, so that both are on or off, or keep the sides apart with a solid-state relay per key.' } })];
  if (line.polarity === 'low') {
    const level = worst('lowest', 'sense line while the controller is off', 'V_sense', 'V_dead + (V_CC - V_dead) * R_line / (R + R_line)', 'V', [line.supply, line.pull], [drop, resistor]);
    out.push(judged('thumb', `${way}.dead-level`, { title: 'Controller off, pad on: the sense line must still rest', caption: 'controller off', steps: [level], limit: levelLimit('at least', line.highAbove), tightShare: 0.1, span: line.supply.range.high, remedy: { text: 'While the controller is off its pins press: feed it from the pad’s own supply, or keep the sides apart.' } }));
  }
  return out;
}

/** The controller itself watches the strobe and drives the sense line in time. */
export function strobeAnswer(c: WayContext): WayResult {
  const way = 'strobe-answer';
  if (c.fact.leading !== 'scanned-matrix') return noUse(way, NOT_SCANNED, 'Press it with a contact across the button.');
  const plan = c.job.thumb.scan;
  const scan = scanOf(c);
  const findings: Finding[] = [...requirements(way, c, 'ground'), clampCurrent(way, strobeClamp(c)), ...answerLevel(way, c), ...unpowered(way, c)];
  if (scan) {
    const steps = hitSteps(plan, scan.width, scan.origin, (key) => planOrigin(c, `scan.${key}`));
    const p = steps[2]!.result.value;
    const scans = derive('scans while the key is held', 'n', 't_hold / T', '1', [planned(c, 'scan.holdSeconds', 't_hold', 'press', plan.holdSeconds, 's'), { symbol: 'T', name: 'scan period', value: scan.period, unit: 's', origin: scan.origin }]);
    const whole = Math.floor(scans.result.value);
    const seen = derive('presses that are seen', 'P', '100 * P_run', '%', [computed('P_run', `at least ${plan.scansNeeded} answered scans in a row within ${whole}, each answered with ${formatQuantity(100 * p, '%')}`, runChance(p, plan.scansNeeded, whole), '1', 'runs of successes, state by state')]);
    findings.push(judged('thumb', `${way}.seen`, {
      title: `With a strobe of ${formatQuantity(scan.width, 's')}, ${formatQuantity(100 * p, '%')} of scans are answered in time; presses that are seen`, caption: 'answered in time', steps: [...steps, scans, seen], limit: atLeast(99.9, '%', 'one press in a thousand may go unseen', { from: 'source', key: 'hit-wanted' }), tightShare: 'met', span: 100, source: ['log-normal', 'success-runs'],
      remedy: { text: 'A closed bidirectional contact at the crossing needs no timing at all; a small logic chip answers in nanoseconds.' },
    }));
  } else findings.push(unread(way));
  return result(way, findings, [resistorPart('in each line', LINE_OHMS, 2)], wires(c.job, [['pin, input', 'strobe line, by resistor', true], ['pin, output', 'sense line, by resistor', true], ['controller ground', 'pad ground', true]]), [], {
    sharesGround: true, galvanicallyApart: false, input: 'pulses', outputs: 2, pinAmps: 1e-3,
  });
}

/** The logic runs from the controller's 3.3 V, and its outputs reach no more than that; to pull a line low that is enough. */
function logicSupply(c: WayContext, part: TakenPart): Finding[] {
  const way = 'logic-injector';
  const most = partValue(part, 'mostVolts');
  const fed = worst('highest', 'supply of the logic', 'V_logic', 'V_OH', 'V', [pinHigh(c.drive)]);
  const out = [judged('thumb', `${way}.fed`, { title: 'The controller’s own supply under the most that the logic runs from', caption: 'logic supply', steps: [fed], limit: atMost(most.value, 'V', 'highest supply of the logic', most.origin), tightShare: 0.02 })];
  if (c.line?.polarity === 'high') {
    const level = worst('lowest', 'its high level', 'V_high', 'V_OH', 'V', [pinHigh(c.drive)]);
    out.push(judged('thumb', `${way}.level`, { title: 'High level of the logic against what the pad takes for pressed', caption: 'answer level', steps: [level], limit: levelLimit('at least', c.line.highAbove), tightShare: 0.05, remedy: { text: 'A pad that is pressed by a high level over 3.3 V wants one solid-state relay per key, or a level shifter per sense line.' } }));
  } else if (c.line) {
    const out_ = partInput(part, 'onOhms');
    const level = worst('highest', 'level of the sense line while answered', 'V_answer', 'V_CC * (R_out + R_line) / (R + R_out + R_line)', 'V', [c.line.supply, c.line.pull, { ...out_, symbol: 'R_out' }], [constant('R_line', 'resistor in the line', INJECT_OHMS, 'Ω', 'clamp')]);
    out.push(judged('thumb', `${way}.level`, { title: 'Low level of the logic against what the pad takes for pressed', caption: 'answer level', steps: [level], limit: levelLimit('at most', c.line.lowBelow), tightShare: 0.1, span: c.line.supply.range.high }));
  }
  return out;
}

/** Small programmable logic watches every strobe and answers for the selected key. */
export function logicInjector(c: WayContext): WayResult {
  const way = 'logic-injector';
  if (c.fact.leading !== 'scanned-matrix') return noUse(way, NOT_SCANNED, 'Press it with a contact across the button.');
  const part = takenPart(c.job, 'logic');
  const scan = scanOf(c);
  const pad = c.job.survey.keypads.find((k) => k.scan);
  const injector = pad ? injectorOf(pad) : null;
  const findings: Finding[] = [...requirements(way, c, 'ground')];
  if (scan) {
    const room = derive('time left for the answer', 't_room', 'w - t_lead', 's', [{ symbol: 'w', name: 'strobe width', value: scan.width, unit: 's', origin: scan.origin }, planned(c, 'scan.leadSeconds', 't_lead', 'the machine looks this long before the strobe ends', c.job.thumb.scan.leadSeconds, 's', [0, 1])]);
    const late = partInput(part, 'delaySeconds');
    const delay = derive('latest answer', 't_pd', 't_pd_max', 's', [{ ...partValue(part, 'delaySeconds'), symbol: 't_pd_max', name: `${late.name}, highest`, value: late.range.high }]);
    findings.push(judged('thumb', `${way}.delay`, { title: 'Answer of the logic within the strobe', caption: 'answers in time', steps: [delay], limit: derivedLimit('at most', [room], 'strobe less the machine’s look') }));
  } else findings.push(unread(way));
  const supply = c.fact.parameters['supplyVolts'] ?? c.line?.supply.range;
  if (supply) {
    const high = derive('pad supply', 'V_CC', 'V_pad', 'V', [{ symbol: 'V_pad', name: 'pad supply, highest', value: supply.high, unit: 'V', origin: probed(c.fact, 'supplyVolts') }]);
    const bears = partValue(part, 'inputVolts');
    findings.push(...logicSupply(c, part), judged('thumb', `${way}.supply`, { title: 'Pad levels under what the logic’s inputs bear', caption: 'pad levels', steps: [high], limit: atMost(bears.value, 'V', 'highest level at its inputs', bears.origin), tightShare: 0.02, remedy: { text: 'A pad over that wants a level shifter per line, or one solid-state relay per key.' } }));
  }
  if (injector) {
    const count = derive('lines it takes', 'n', 'n_strobe + n_sense + n_select', '1', [
      computed('n_strobe', 'strobe lines', injector.strobes.length, '1', 'decoded from the capture'), computed('n_sense', 'sense lines', injector.senses.length, '1', 'decoded from the capture'), computed('n_select', `select bits for ${injector.keys.length} keys and none`, injector.bits, '1', 'n bits address 2^n − 1 keys'),
    ]);
    const lines = partValue(part, 'lines');
    findings.push(judged('thumb', `${way}.lines`, { title: `${injector.keys.length} keys and none want ${injector.bits} select bits; lines of the logic`, caption: 'lines', steps: [count], limit: atMost(lines.value, '1', 'lines that it has', lines.origin), tightShare: 'met' }));
  } else findings.push(finding('thumb', `${way}.pad`, { verdict: 'unknown', title: 'Which key joins which lines is not known yet', caption: 'no key map', remedy: { text: 'Load a capture of the pad in Probe; the key map follows from it.' } }));
  const bits = injector?.bits ?? 1;
  const list: [string, string, boolean?][] = [
    ...Array.from({ length: bits }, (_, i): [string, string] => [`pin, select ${i}`, `logic select[${i}]`]),
    ...(injector?.strobes ?? []).map((s, i): [string, string, boolean] => [`logic strobe[${i}]`, s, true]),
    ...(injector?.senses ?? []).map((s, i): [string, string, boolean] => [`logic sense[${i}]`, s, true]),
    ['controller ground', 'pad ground', true], ['3.3 V of the controller', 'logic supply'],
  ];
  return result(way, findings, [{ name: 'programmable logic', value: part.name, quantity: 1 }, ...(injector ? [resistorPart('in each line', INJECT_OHMS, injector.strobes.length + injector.senses.length)] : [])], wires(c.job, list), ['logic'], {
    sharesGround: true, galvanicallyApart: false, input: 'level', outputs: bits, turnOnVolts: 1, turnOnAmps: 1e-6, pinAmps: 1e-4,
  });
}
