import { atLeast, atMost, carried, computed, constant, derive, derivedLimit, finding, judged, worst, type Finding, type Input } from '../finding';
import type { SignalPlan } from '../job';
import { partsOf, valueOf, type TakenPart } from '../parts';
import { formatQuantity, within } from '../quantity';
import { clampAmps, fitLine, gainPair, pwmFilter, valueAt, type Line } from '../signal';
import { coilDrive } from './coil';
import { wires, type Part, type WayContext, type WayResult, type WireEnds } from './context';
import { clampCurrent } from './drive';
import { RESISTOR_SHARE } from './practice';
import { planned, planOrigin } from './ratings';
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
  const gain = derive('gain for one step', 'k', 'k_fit', unit, [computed('k_fit', 'slope of the line', line.gain, unit, `least squares through ${line.points} readings`)]);
  const out: Finding[] = [finding('thumb', `${way}.gain`, { verdict: 'settled', title: `${formatQuantity(line.gain, unit)} for one step, ${formatQuantity(line.offset, unit)} at step 0`, caption: 'gain', value: gain.result, steps: [gain], source: ['least-squares'] })];
  const values = plan.points.map((p) => p.value);
  if (line.points > 2) {
    const share = derive('what the line misses, as a share of the span', 'e', '100 * s / span', '%', [computed('s', 'standard deviation of what is left', line.residual, unit, `${line.points} readings`), computed('span', 'span of the readings', Math.max(...values) - Math.min(...values), unit, 'readings')]);
    out.push(judged('thumb', `${way}.straight`, { title: 'A straight line meets the readings', caption: 'straight line', steps: [share], limit: atMost(3, '%', 'still a straight line', { from: 'source', key: 'gain-fit' }), verdict: share.result.value <= 3 ? 'settled' : 'tight', remedy: share.result.value <= 3 ? null : { text: 'Measure the steps again, or use only the part of the scale that is straight.' } }));
  } else out.push(finding('thumb', `${way}.straight`, { verdict: 'tight', title: 'Two readings always lie on a line; a third would show whether it is one', caption: 'third reading wanted', source: ['gain-fit'], remedy: { text: 'Measure one more step, in the middle.' } }));
  return out;
}

/** How the controller's pin becomes the machine's signal: parts and margins. */
function shiftFindings(c: WayContext, plan: SignalPlan, line: Line | null): { findings: Finding[]; parts: Part[] } {
  const way = 'drive-signal';
  const findings: Finding[] = [];
  const parts: Part[] = [];
  const set = (symbol: string, name: string, key: 'highVolts' | 'loadOhms' | 'pwmHertz', unit: 'V' | 'Ω' | 'Hz', possible: readonly [number, number]): Input => planned(c, `signal.${key}`, symbol, name, plan[key], unit, possible);
  const highVolts = set('V_o', 'high level of the original', 'highVolts', 'V', [1, 100]);
  const top = line && valueAt(line, plan.topStep, unitOf(plan), planOrigin(c, 'signal.topStep'));
  const pin = c.drive.highVolts.low;
  const swing = constant('V', 'swing of the pin', c.drive.highVolts.nominal, 'V', 'pin-drive');
  if (plan.what === 'level') {
    const filter = pwmFilter(set('f', 'pulse frequency', 'pwmHertz', 'Hz', [1, 1e7]), swing, FILTER_OHMS);
    parts.push(resistorPart('filter', FILTER_OHMS), { name: 'capacitor, filter', value: formatQuantity(filter.farads.result.value, 'F'), quantity: 1 });
    findings.push(judged('thumb', `${way}.ripple`, { title: 'Ripple that is left of the pulses', caption: 'ripple', steps: [filter.farads, filter.ripple], limit: derivedLimit('at most', [derive('a hundredth of the swing', 'ΔV_most', 'k_r * V', 'V', [constant('k_r', 'share of the swing', 0.01, '1', 'pwm-filter'), swing])], 'a hundredth of the swing'), tightShare: 'met', source: ['low-pass'] }));
    findings.push(finding('thumb', `${way}.settles`, { verdict: 'settled', title: 'A new level stands to a hundredth after', caption: 'settling', value: filter.settles.result, steps: [filter.farads, filter.settles], source: ['low-pass'] }));
    if (top) {
      findings.push(judged('thumb', `${way}.top`, { title: 'Level at the highest step against what the original gave', caption: 'highest level', steps: [top], limit: derivedLimit('at most', [derive('high level of the original', 'V_most', 'V_o', 'V', [highVolts])], 'high level of the original'), tightShare: 0.01 }));
      const wanted = derive('gain that the pin’s level wants', 'G', 'U / V_OH', '1', [carried(top), constant('V_OH', 'pin high, lowest', pin, 'V', 'pin-drive')]);
      const pair = gainPair(wanted.result.value, RESISTOR_SHARE);
      if (pair) {
        const supply = planned(c, 'signal.highVolts', 'V_op', 'supply of the amplifier: the original’s high level', plan.highVolts, 'V', [1, 100]);
        parts.push({ name: 'operational amplifier, rail to rail', value: `fed with ${formatQuantity(plan.highVolts, 'V')} or more`, quantity: 1 }, resistorPart('feedback', pair.feedback), resistorPart('to ground', pair.ground));
        const is = worst('lowest', 'gain of the E24 pair, at its worst', 'G_is', '1 + R_f / R_g', '1', [{ symbol: 'R_f', name: 'feedback', range: within(pair.feedback, RESISTOR_SHARE), unit: 'Ω', origin: { from: 'computed', what: 'standard value of IEC 60063' } }, { symbol: 'R_g', name: 'to ground', range: within(pair.ground, RESISTOR_SHARE), unit: 'Ω', origin: { from: 'computed', what: 'standard value of IEC 60063' } }]);
        findings.push(
          judged('thumb', `${way}.amplifier`, { title: `An amplifier of 1 + ${formatQuantity(pair.feedback, 'Ω')} / ${formatQuantity(pair.ground, 'Ω')} reaches the highest step with resistors of 5 %`, caption: 'amplifier', steps: [is], limit: derivedLimit('at least', [top, wanted], 'gain wanted'), tightShare: 'met' }),
          judged('thumb', `${way}.amplifier-supply`, { title: 'The amplifier’s own supply over the highest level it must give', caption: 'amplifier supply', steps: [derive('highest level it gives', 'V_gives', 'V_op - V_rail', 'V', [supply, constant('V_rail', 'rail to rail leaves', 0.1, 'V', 'amplifier-supply')])], limit: derivedLimit('at least', [top], 'level at the highest step'), tightShare: 0.01, remedy: { text: 'Feed the amplifier from a supply of half a volt over the highest level: the controller’s own 5 V does not make 10 V.' } }),
          ...supplyOfAmplifier(c, plan),
        );
      } else {
        const loaded = derive('share that the load leaves of an unbuffered level', 's', 'R_L / (R_L + R_F)', '1', [set('R_L', 'load of the signal', 'loadOhms', 'Ω', [10, 1e9]), constant('R_F', 'filter resistor', FILTER_OHMS, 'Ω', 'pwm-filter')]);
        findings.push(judged('thumb', `${way}.loaded`, { title: 'What the machine’s input leaves of the level without an amplifier', caption: 'load', steps: [loaded], limit: atLeast(0.97, '1', 'a straight line within 3 %', { from: 'source', key: 'gain-fit' }), verdict: loaded.result.value >= 0.97 ? 'settled' : 'tight', remedy: { text: 'Follow the filter with an amplifier of gain one.' } }));
      }
    }
  } else if (plan.highVolts > pin) {
    parts.push({ name: 'NPN transistor, open collector', value: '40 V, 200 mA', quantity: 1 }, resistorPart('base', 10e3), resistorPart('pull-up to the original’s high level', PULL_OHMS));
    const step = derive('high level through the pull-up', 'V_high', 'V_o * R_L / (R_L + R_p)', 'V', [highVolts, set('R_L', 'load of the signal', 'loadOhms', 'Ω', [10, 1e9]), constant('R_p', 'pull-up', PULL_OHMS, 'Ω', 'pull-up-usual')]);
    findings.push(judged('thumb', `${way}.shift`, { title: 'An open collector with a pull-up gives the original’s high level', caption: 'level shift', steps: [step], limit: derivedLimit('at least', [derive('seven tenths of it', 'V_want', 'k_h * V_o', 'V', [constant('k_h', 'share', 0.7, '1', 'cmos-levels'), highVolts])], 'seven tenths of it'), tightShare: 0.05, remedy: { text: 'A smaller pull-up, or a driver with two outputs.' } }));
  }
  return { findings, parts };
}

/** The amplifier hangs on a supply: the one in Feed where that is high enough, else one is missing. */
function supplyOfAmplifier(c: WayContext, plan: SignalPlan): Finding[] {
  const { volts } = c.job.feed;
  if (volts !== null && volts >= plan.highVolts) return [];
  return [finding('thumb', 'drive-signal.amplifier-fed', { verdict: volts === null ? 'unknown' : 'stop', title: volts === null ? 'Nothing is known yet that feeds the amplifier' : `The supply in Feed gives ${formatQuantity(volts, 'V')}; the amplifier wants ${formatQuantity(plan.highVolts, 'V')} or more`, caption: 'amplifier unfed', remedy: { text: 'Take its supply from the machine’s own rail of that level, or a converter, and enter it in Feed.' } })];
}

/** What the old knob takes besides the shaper: a driven relay, or two diodes. */
function knobParts(c: WayContext, plan: SignalPlan): { parts: Part[]; wires: WireEnds[]; findings: Finding[]; amps: number; coilVolts: number } {
  const none = { parts: [], wires: [], findings: [], amps: 0, coilVolts: 0 };
  if (plan.knob === 'changeover') {
    const relay = signalRelay(c);
    const drive = coilDrive('drive-signal', c, relay);
    return {
      parts: [{ name: 'signal relay, changeover', value: 'gold contact', quantity: 1 }, ...drive.parts], findings: [...drive.findings], amps: drive.coil.result.value, coilVolts: valueOf(relay, 'coilVolts'),
      wires: [['pin, changeover', 'base resistor'], ['controller ground', 'emitter'], [formatQuantity(valueOf(relay, 'coilVolts'), 'V'), 'changeover A1, diode’s cathode'], ['collector', 'changeover A2, diode’s anode']],
    };
  }
  if (plan.knob === 'highest-wins') {
    return { ...none, parts: [{ name: 'Schottky diode', value: '30 V, 0.2 A', quantity: 2 }], findings: [finding('thumb', 'drive-signal.diodes', { verdict: 'tight', title: 'Each diode takes 0.2 to 0.4 V off its level: the machine sees that much less than either asks for', caption: 'diode drop', remedy: { text: 'Raise the level by the drop, or take a changeover contact.' } })] };
  }
  return none;
}

/** The gold relay that carries a signal, whatever power relay is picked for other ways. */
const signalRelay = (c: WayContext): TakenPart => partsOf(c.job, 'relay').find((p) => p.id === 'relay-signal')!;

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
  const enable: WireEnds[] = plan.enable === 'none' ? [] : [['pin, enable', `enable, ${plan.enable}`, true]];
  const shaper = plan.what === 'level' ? 'filter' : 'level shift';
  const old = knobParts(c, plan);
  findings.push(...old.findings);
  const parts = [...shift.parts, ...(plan.enable !== 'none' && plan.highVolts > c.drive.highVolts.low ? [{ name: 'NPN transistor, enable', value: '40 V, 200 mA', quantity: 1 }] : []), ...(plan.returnVolts === null ? [] : [resistorPart('before the pulse input', RETURN_OHMS)]), ...old.parts];
  const joined: Readonly<Record<SignalPlan['knob'], WireEnds[]>> = {
    changeover: [[shaper, 'changeover, work'], ['changeover, common', 'signal input', true], ['old knob', 'changeover, rest', true]],
    'highest-wins': [[shaper, 'diode 1, anode'], ['old knob', 'diode 2, anode', true], ['diode 1, cathode', 'signal input', true], ['diode 2, cathode', 'signal input', true]],
    removed: [[shaper, 'signal input', true]], parallel: [[shaper, 'signal input', true]],
  };
  return result(way, findings, parts, wires(c.job, [
    ['pin, signal', shaper], ...joined[plan.knob], ...old.wires, ...enable, ...(plan.returnVolts === null ? [] : [['pulses back', 'pin, by resistor', true] as WireEnds]), ['controller ground', 'machine’s ground', true],
  ]), [], {
    sharesGround: true, galvanicallyApart: false, input: 'pulses', outputs: 1 + enable.length + (plan.knob === 'changeover' ? 1 : 0), pinAmps: c.drive.highVolts.nominal / FILTER_OHMS, supplyAmps: old.amps, peakAmps: old.amps, load: old.amps > 0 ? 'changeover relay' : 'the press', needsVolts: old.coilVolts,
  });
}
