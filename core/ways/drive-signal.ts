import { atLeast, atMost, carried, chosen, constant, derive, finding, judged, type Finding } from '../finding';
import type { SignalPlan } from '../job';
import { formatQuantity } from '../quantity';
import { clampAmps, fitLine, gainPair, pwmFilter, valueAt, type Line } from '../signal';
import { wires, type Part, type WayContext, type WayResult } from './context';
import { clampCurrent } from './drive';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';

/** Resistor of the filter that makes a level of pulses, and the one before the pin that pulses come back to, Ω. */
const FILTER_OHMS = 10e3;
const RETURN_OHMS = 10e3;
/** Pull-up of an open collector, Ω (`pull-up-usual`). */
const PULL_OHMS = 4700;

/** What the old knob still does once the signal is taken over. */
export const KNOB_WORDS: Readonly<Record<SignalPlan['knob'], { name: string; does: string; verdict: 'settled' | 'tight' | 'stop' }>> = {
  changeover: { name: 'a changeover contact chooses', does: 'A changeover contact chooses between knob and controller; at rest the knob rules, so the machine works when the controller is dead', verdict: 'settled' },
  removed: { name: 'the knob is taken out', does: 'The knob does nothing any more, and nobody can slow the machine by hand', verdict: 'tight' },
  'highest-wins': { name: 'diodes: the higher of the two wins', does: 'The higher of knob and controller wins: the knob sets the least that runs', verdict: 'settled' },
  parallel: { name: 'both on the same wire', does: 'Knob and controller drive the same wire against each other: neither value holds, and one may feed the other', verdict: 'stop' },
};

const unitOf = (plan: SignalPlan): 'V' | 'Hz' => (plan.what === 'level' ? 'V' : 'Hz');

/** The gain from the readings, and how well a straight line meets them. */
function fitFindings(plan: SignalPlan, line: Line | null): Finding[] {
  const way = 'drive-signal';
  const n = new Set(plan.points.map((p) => p.step)).size;
  if (!line) return [finding('thumb', `${way}.points`, { verdict: 'unknown', title: `${n} of at least two readings at different steps: the gain follows from them`, caption: 'two readings wanted', source: ['least-squares'], remedy: { text: 'Set the knob to two steps or more, measure the signal at each, and enter the pairs.' } })];
  const unit = unitOf(plan);
  const gain = derive('gain for one step', 'k', 'k_fit', unit, [chosen('k_fit', 'slope of the line', line.gain, unit, `least squares through ${line.points} readings`)]);
  const out: Finding[] = [finding('thumb', `${way}.gain`, { verdict: 'settled', title: `${formatQuantity(line.gain, unit)} for one step, ${formatQuantity(line.offset, unit)} at step 0`, caption: 'gain', value: gain.result, steps: [gain], source: ['least-squares'] })];
  const values = plan.points.map((p) => p.value);
  if (line.points > 2) {
    const share = derive('what the line misses, as a share of the span', 'e', '100 * s / span', '%', [chosen('s', 'standard deviation of what is left', line.residual, unit, `${line.points} readings`), chosen('span', 'span of the readings', Math.max(...values) - Math.min(...values), unit, 'readings')]);
    out.push(judged('thumb', `${way}.straight`, { title: 'A straight line meets the readings', caption: 'straight line', steps: [share], limit: atMost(3, '%', 'still a straight line', { from: 'source', key: 'gain-fit' }), verdict: share.result.value <= 3 ? 'settled' : 'tight', remedy: share.result.value <= 3 ? null : { text: 'Measure the steps again, or use only the part of the scale that is straight.' } }));
  } else out.push(finding('thumb', `${way}.straight`, { verdict: 'tight', title: 'Two readings always lie on a line; a third would show whether it is one', caption: 'third reading wanted', source: ['gain-fit'], remedy: { text: 'Measure one more step, in the middle.' } }));
  return out;
}

/** How the controller's pin becomes the machine's signal: parts and margins. */
function shiftFindings(c: WayContext, plan: SignalPlan, line: Line | null): { findings: Finding[]; parts: Part[] } {
  const way = 'drive-signal';
  const findings: Finding[] = [];
  const parts: Part[] = [];
  const top = line && valueAt(line, plan.topStep, unitOf(plan));
  const pin = c.drive.highVolts.low;
  if (plan.what === 'level') {
    const filter = pwmFilter(plan.pwmHertz, c.drive.highVolts.nominal, FILTER_OHMS);
    parts.push(resistorPart('filter', FILTER_OHMS), { name: 'capacitor, filter', value: formatQuantity(filter.farads.result.value, 'F'), quantity: 1 });
    findings.push(judged('thumb', `${way}.ripple`, { title: 'Ripple that is left of the pulses', caption: 'ripple', steps: [filter.farads, filter.ripple], limit: atMost(0.01 * c.drive.highVolts.nominal, 'V', 'a hundredth of the swing', { from: 'source', key: 'pwm-filter' }), tightShare: 0, source: ['low-pass'] }));
    findings.push(finding('thumb', `${way}.settles`, { verdict: 'settled', title: 'A new level stands to a hundredth after', caption: 'settling', value: filter.settles.result, steps: [filter.farads, filter.settles], source: ['low-pass'] }));
    if (top) {
      findings.push(judged('thumb', `${way}.top`, { title: 'Level at the highest step against what the original gave', caption: 'highest level', steps: [top], limit: atMost(plan.highVolts, 'V', 'high level of the original', { from: 'maker', what: 'set in Thumb' }), tightShare: 0 }));
      const wanted = derive('gain that the pin’s level wants', 'G', 'U / V_OH', '1', [carried(top), constant('V_OH', 'pin high, lowest', pin, 'V', 'pin-drive')]);
      const pair = gainPair(wanted.result.value);
      if (pair) {
        parts.push({ name: 'operational amplifier, rail to rail', value: `from ${formatQuantity(Math.ceil(plan.highVolts * 1.1), 'V')}`, quantity: 1 }, resistorPart('feedback', pair.feedback), resistorPart('to ground', pair.ground));
        findings.push(judged('thumb', `${way}.amplifier`, { title: `An amplifier of 1 + ${formatQuantity(pair.feedback, 'Ω')} / ${formatQuantity(pair.ground, 'Ω')} reaches the highest step`, caption: 'amplifier', steps: [top, wanted, derive('gain of the E24 pair', 'G_is', '1 + R_f / R_g', '1', [chosen('R_f', 'feedback', pair.feedback, 'Ω', 'E24'), chosen('R_g', 'to ground', pair.ground, 'Ω', 'E24')])], limit: atLeast(wanted.result.value, '1', 'gain wanted', { from: 'source', key: 'iec-60063' }), tightShare: 0 }));
      } else {
        const loaded = derive('share that the load leaves of an unbuffered level', 's', 'R_L / (R_L + R_F)', '1', [chosen('R_L', 'load of the signal', plan.loadOhms, 'Ω', 'set in Thumb'), constant('R_F', 'filter resistor', FILTER_OHMS, 'Ω', 'pwm-filter')]);
        findings.push(judged('thumb', `${way}.loaded`, { title: 'What the machine’s input leaves of the level without an amplifier', caption: 'load', steps: [loaded], limit: atLeast(0.97, '1', 'a straight line within 3 %', { from: 'source', key: 'gain-fit' }), tightShare: 0, verdict: loaded.result.value >= 0.97 ? 'settled' : 'tight', remedy: { text: 'Follow the filter with an amplifier of gain one.' } }));
      }
    }
  } else if (plan.highVolts > pin) {
    parts.push({ name: 'NPN transistor, open collector', value: '40 V, 200 mA', quantity: 1 }, resistorPart('base', 10e3), resistorPart('pull-up to the original’s high level', PULL_OHMS));
    const step = derive('high level through the pull-up', 'V_high', 'V_o * R_L / (R_L + R_p)', 'V', [chosen('V_o', 'high level of the original', plan.highVolts, 'V', 'set in Thumb'), chosen('R_L', 'load of the signal', plan.loadOhms, 'Ω', 'set in Thumb'), constant('R_p', 'pull-up', PULL_OHMS, 'Ω', 'pull-up-usual')]);
    findings.push(judged('thumb', `${way}.shift`, { title: 'An open collector with a pull-up gives the original’s high level', caption: 'level shift', steps: [step], limit: atLeast(0.7 * plan.highVolts, 'V', 'seven tenths of it', { from: 'source', key: 'cmos-levels' }), tightShare: 0.05, remedy: { text: 'A smaller pull-up, or a driver with two outputs.' } }));
  }
  return { findings, parts };
}

/** The machine's own drive signal made by the controller instead of by its knob. */
export function driveSignal(c: WayContext): WayResult {
  const way = 'drive-signal';
  const plan = c.job.thumb.signal;
  if (plan.points.length === 0 && !['selector', 'encoder', 'serial-bus'].includes(c.fact.leading)) return noUse(way, 'No signal that sets a speed or a level has been read here', 'Measure the signal at two steps of its knob and enter the pairs in the plan of this way.');
  const line = fitLine(plan.points);
  const shift = shiftFindings(c, plan, line);
  const knob = KNOB_WORDS[plan.knob];
  const findings: Finding[] = [
    // Its readings say what it is; the kind of the control does not matter.
    ...requirements(way, c, 'ground').filter((f) => f.id !== `thumb.${way}.known`), ...fitFindings(plan, line), ...shift.findings,
    finding('thumb', `${way}.knob`, { verdict: knob.verdict, title: knob.does, caption: 'old knob', remedy: knob.verdict === 'settled' ? null : { text: 'A changeover contact leaves the knob in charge at rest.', label: 'Use a changeover', edit: { do: 'change', section: 'thumb', set: { signal: { ...plan, knob: 'changeover' } }, say: 'changeover between knob and controller' } } }),
  ];
  if (plan.returnVolts !== null) findings.push(clampCurrent(way, clampAmps(plan.returnVolts, c.drive.highVolts.high, RETURN_OHMS)));
  const enable = plan.enable === 'none' ? [] : [['pin, enable', `enable, ${plan.enable}`, true] as [string, string, boolean]];
  const shaper = plan.what === 'level' ? 'filter' : 'level shift';
  const parts = [...shift.parts, ...(plan.enable !== 'none' && plan.highVolts > c.drive.highVolts.low ? [{ name: 'NPN transistor, enable', value: '40 V, 200 mA', quantity: 1 }] : []), ...(plan.returnVolts === null ? [] : [resistorPart('before the pulse input', RETURN_OHMS)]), ...(plan.knob === 'changeover' ? [{ name: 'signal relay, changeover', value: 'gold contact', quantity: 1 }] : [])];
  return result(way, findings, parts, wires(c.job, [
    ['pin, signal', shaper], ...(plan.knob === 'changeover' ? [[shaper, 'changeover, work'], ['changeover, common', 'signal input', true], ['old knob', 'changeover, rest', true]] : [[shaper, 'signal input', true]]) as [string, string, boolean?][], ...enable, ...(plan.returnVolts === null ? [] : [['pulses back', 'pin, by resistor', true] as [string, string, boolean]]), ['controller ground', 'machine’s ground', true],
  ]), [], {
    sharesGround: true, galvanicallyApart: false, input: 'pulses', outputs: 1 + enable.length + (plan.knob === 'changeover' ? 1 : 0), pinAmps: c.drive.highVolts.nominal / FILTER_OHMS,
  });
}
