import { atLeast, atMost, chosen, constant, derive, finding, judged, type Finding, type Origin, type Step } from '../finding';
import { takenPart, partInput, partValue } from '../parts';
import { hitSteps, injectorOf, runChance } from '../scan';
import { formatQuantity } from '../quantity';
import { wires, type WayContext, type WayResult } from './context';
import { clampCurrent } from './drive';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';

/** Resistor in series with every line that is taken over, Ω: bears a mistake (`clamp`). */
const LINE_OHMS = 2200;

/** How the pad is scanned: from its capture, else from the readings at the key; null where neither tells. Seconds. */
export function scanOf(c: WayContext): { width: number; period: number; origin: Origin } | null {
  const pad = c.job.survey.keypads.find((k) => k.scan);
  if (pad?.scan) return { width: pad.scan.widthSeconds, period: pad.scan.periodSeconds, origin: { from: 'measured', at: '', what: `capture of ${pad.name}` } };
  const [width, period] = [c.fact.parameters['widthSeconds'], c.fact.parameters['periodSeconds']];
  return width && period ? { width: width.low, period: period.nominal, origin: { from: 'measured', at: c.fact.lastReadingAt, what: 'hertz and duty in Probe' } } : null;
}

const NOT_SCANNED = 'This key is not scanned: there is no strobe to answer';
const unread = (way: 'strobe-answer' | 'logic-injector'): Finding =>
  finding('thumb', `${way}.scan`, { verdict: 'unknown', title: 'How wide the strobe is has not been read', caption: 'strobe not read', remedy: { text: 'Read hertz and duty at the key, or load a capture of the pad, in Probe.' } });

/** The strobe's high level into a pin of lower supply, through the line's resistor. */
function strobeClamp(c: WayContext): Step {
  const volts = c.fact.parameters['supplyVolts']?.high ?? c.line?.supply.range.high ?? c.drive.highVolts.high;
  return derive('current into the pin’s clamp', 'I_cl', 'max(0, V_CC - V_pin - V_d) / R_line', 'A', [
    { symbol: 'V_CC', name: 'pad supply, highest', value: volts, unit: 'V', origin: { from: 'measured', at: c.fact.lastReadingAt, what: 'estimated in Probe' } }, constant('V_pin', 'supply of the controller’s pins', c.drive.highVolts.high, 'V', 'pin-drive'), constant('V_d', 'drop of the clamp', 0.3, 'V', 'clamp'), constant('R_line', 'resistor in the line', LINE_OHMS, 'Ω', 'clamp'),
  ]);
}

/** The controller itself watches the strobe and drives the sense line in time. */
export function strobeAnswer(c: WayContext): WayResult {
  const way = 'strobe-answer';
  if (c.fact.leading !== 'scanned-matrix') return noUse(way, NOT_SCANNED, 'Press it with a contact across the button.');
  const plan = c.job.thumb.scan;
  const scan = scanOf(c);
  const findings: Finding[] = [...requirements(way, c, 'ground'), clampCurrent(way, strobeClamp(c))];
  if (scan) {
    const steps = hitSteps(plan, scan.width, scan.origin);
    const p = steps[2]!.result.value;
    const scans = derive('scans while the key is held', 'n', 't_hold / T', '1', [chosen('t_hold', 'press', plan.holdSeconds, 's', 'set in Thumb'), { symbol: 'T', name: 'scan period', value: scan.period, unit: 's', origin: scan.origin }]);
    const whole = Math.floor(scans.result.value);
    const seen = derive('presses that are seen', 'P', '100 * P_run', '%', [constant('P_run', `at least ${plan.scansNeeded} answered scans in a row within ${whole}, each answered with ${formatQuantity(100 * p, '%')}`, runChance(p, plan.scansNeeded, whole), '1', 'success-runs')]);
    findings.push(judged('thumb', `${way}.seen`, {
      title: `With a strobe of ${formatQuantity(scan.width, 's')}, ${formatQuantity(100 * p, '%')} of scans are answered in time; presses that are seen`, caption: 'answered in time', steps: [...steps, scans, seen], limit: atLeast(99.9, '%', 'one press in a thousand may go unseen', { from: 'source', key: 'hit-wanted' }), tightShare: 0, span: 100, source: ['log-normal', 'success-runs'],
      remedy: { text: 'A closed bidirectional contact at the crossing needs no timing at all; a small logic chip answers in nanoseconds.' },
    }));
  } else findings.push(unread(way));
  return result(way, findings, [resistorPart('in each line', LINE_OHMS, 2)], wires(c.job, [['pin, input', 'strobe line, by resistor', true], ['pin, output', 'sense line, by resistor', true], ['controller ground', 'pad ground', true]]), [], {
    sharesGround: true, galvanicallyApart: false, input: 'pulses', outputs: 2, pinAmps: 1e-3,
  });
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
    const room = derive('time left for the answer', 't_room', 'w - t_lead', 's', [{ symbol: 'w', name: 'strobe width', value: scan.width, unit: 's', origin: scan.origin }, chosen('t_lead', 'the machine looks this long before the strobe ends', c.job.thumb.scan.leadSeconds, 's', 'set in Thumb')]);
    const late = partInput(part, 'delaySeconds');
    const delay = derive('latest answer', 't_pd', 't_pd_max', 's', [{ ...partValue(part, 'delaySeconds'), symbol: 't_pd_max', name: `${late.name}, highest`, value: late.range.high }]);
    findings.push(judged('thumb', `${way}.delay`, { title: 'Answer of the logic within the strobe', caption: 'answers in time', steps: [delay], limit: atMost(room.result.value, 's', 'strobe less the machine’s look', { from: 'measured', at: c.fact.lastReadingAt, what: room.filled }) }));
  } else findings.push(unread(way));
  const supply = c.fact.parameters['supplyVolts'] ?? c.line?.supply.range;
  if (supply) {
    const high = derive('pad supply', 'V_CC', 'V_pad', 'V', [{ symbol: 'V_pad', name: 'pad supply, highest', value: supply.high, unit: 'V', origin: { from: 'measured', at: c.fact.lastReadingAt, what: 'estimated in Probe' } }]);
    const most = partValue(part, 'mostVolts');
    findings.push(judged('thumb', `${way}.supply`, { title: 'Pad levels under what the logic bears', caption: 'pad supply', steps: [high], limit: atMost(most.value, 'V', 'highest level of the logic', most.origin), tightShare: 0.02, remedy: { text: 'A pad over that wants a level shifter per line, or one solid-state relay per key.' } }));
  }
  if (injector) {
    const count = derive('lines it takes', 'n', 'n_strobe + n_sense + n_select', '1', [
      chosen('n_strobe', 'strobe lines', injector.strobes.length, '1', 'decoded from the capture'), chosen('n_sense', 'sense lines', injector.senses.length, '1', 'decoded from the capture'), chosen('n_select', `select bits for ${injector.keys.length} keys and none`, injector.bits, '1', 'n bits address 2^n − 1 keys'),
    ]);
    const lines = partValue(part, 'lines');
    findings.push(judged('thumb', `${way}.lines`, { title: `${injector.keys.length} keys and none want ${injector.bits} select bits; lines of the logic`, caption: 'lines', steps: [count], limit: atMost(lines.value, '1', 'lines that it has', lines.origin), tightShare: 0 }));
  } else findings.push(finding('thumb', `${way}.pad`, { verdict: 'unknown', title: 'Which key joins which lines is not known yet', caption: 'no key map', remedy: { text: 'Load a capture of the pad in Probe; the key map follows from it.' } }));
  const bits = injector?.bits ?? 1;
  const list: [string, string, boolean?][] = [
    ...Array.from({ length: bits }, (_, i): [string, string] => [`pin, select ${i}`, `logic select[${i}]`]),
    ...(injector?.strobes ?? []).map((s, i): [string, string, boolean] => [`logic strobe[${i}]`, s, true]),
    ...(injector?.senses ?? []).map((s, i): [string, string, boolean] => [`logic sense[${i}]`, s, true]),
    ['controller ground', 'pad ground', true], ['pad supply', 'logic supply', true],
  ];
  return result(way, findings, [{ name: 'programmable logic', value: part.name, quantity: 1 }, ...(injector ? [resistorPart('in each line', 220, injector.strobes.length + injector.senses.length)] : [])], wires(c.job, list), ['logic'], {
    sharesGround: true, galvanicallyApart: false, input: 'level', outputs: bits, turnOnVolts: 1, turnOnAmps: 1e-6, pinAmps: 1e-4,
  });
}
