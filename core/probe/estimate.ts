import { readingBounds } from '../circuit';
import { carried, chosen, constant, derive, measured, type Input, type Step } from '../finding';
import { sayValue, UNIT_OF, type ControlKind, type Reading } from '../job';
import type { Interval } from '../quantity';
import { fromWeights, shareWith, VALUE_NAMES, type BuildValue } from './grid-estimate';
import type { Posterior } from './posterior';

export interface Estimate {
  readonly value: Interval;
  /** How it follows from readings; empty where only the usual values of the kind speak. */
  readonly steps: readonly Step[];
  readonly at: string;
}

const latest = (list: readonly Reading[]): Reading | undefined => [...list].sort((a, b) => b.at.localeCompare(a.at))[0];
const input = (symbol: string, r: Reading): Input => measured(symbol, sayValue(r), r.value, UNIT_OF[r.kind], r.at, sayValue(r));

/** The readings of one control that can carry an estimate, and where its signal is. */
interface Source {
  readonly kind: ControlKind;
  readonly signal: 'A' | 'B';
  readonly usable: readonly Reading[];
  readonly p: Posterior;
  readonly bounds: (r: Reading) => [number, number];
}

/**
 * The values of a kind with their bounds: from the readings by closed form where one fits, from the kind's usual values otherwise.
 * @param signal the terminal that carries the signal.
 */
export function estimates(kind: ControlKind, signal: 'A' | 'B', readings: readonly Reading[], p: Posterior): Record<string, Estimate> {
  const usable = readings.filter((r) => r.relation === '=' && (p.slip[r.id] ?? 0) < 0.5);
  const source: Source = { kind, signal, usable, p, bounds: (r) => readingBounds(r, p.before.meter) };
  const out: Record<string, Estimate> = {};
  for (const [value, name] of Object.entries(VALUE_NAMES[kind])) out[name] = { value: fromWeights(kind, p, value as BuildValue), steps: [], at: '' };
  openVolts(source, out);
  closedButton(source, out);
  if (kind === 'motor-pair') winding(source, out);
  else {
    if (kind === 'ladder') keyUnplugged(source, out);
    thevenin(source, out);
    if (kind === 'ladder' && out['keyOhms']!.steps.length === 0) keyFromDivider(source, out);
  }
  if (out['periodSeconds']) scanTimes(source, out);
  return out;
}

/** The supply, loop or load voltage, from what stands there while nobody presses. */
function openVolts(s: Source, out: Record<string, Estimate>): void {
  const name = VALUE_NAMES[s.kind].supplyVolts!;
  const other = s.signal === 'A' ? 'B' : 'A';
  const steadySide = s.kind === 'high-when-pressed' || s.kind === 'scanned-matrix' ? other : s.signal;
  const shows = (r: Reading): boolean => {
    if (!r.kind.startsWith('volts') || Math.abs(r.value) < 0.3) return false;
    if (s.kind === 'motor-pair') return r.state === 'moving' || r.state === 'moving-back';
    if (r.state !== 'idle') return false;
    const across = r.from.kind === 'contact' && r.to.kind === 'contact';
    if (s.kind === 'dry-pair' || s.kind === 'switched-load') return across;
    if (across) return s.kind === 'low-when-pressed' || s.kind === 'high-when-pressed' || s.kind === 'latching-switch' || s.kind === 'ladder';
    return r.kind === 'volts-dc' && r.from.kind === 'contact' && r.to.kind === 'ground' && r.from.name === steadySide && s.kind !== 'serial-bus';
  };
  const r = latest(s.usable.filter(shows));
  if (!r) return;
  const [low, high] = s.bounds(r).map(Math.abs).sort((a, b) => a - b) as [number, number];
  // Behind a pull resistor the meter's own input takes its share; behind a strong source that share is nothing.
  const behind = r.to.kind === 'ground' && steadySide === s.signal ? fromWeights(s.kind, s.p, 'seriesOhms').nominal : 0;
  const factor = (behind + s.p.before.meter.inputOhms) / s.p.before.meter.inputOhms;
  const step = behind > 0
    ? derive('open-circuit voltage, without the meter', 'V_open', 'abs(V) * (R + R_meter) / R_meter', 'V', [input('V', r), constant('R', 'pull resistor, likeliest', behind, 'Ω', 'kind-priors'), chosen('R_meter', 'meter input', s.p.before.meter.inputOhms, 'Ω', 'the meter in hand')])
    : derive('open-circuit voltage', 'V_open', 'abs(V)', 'V', [input('V', r)]);
  out[name] = { value: { low: low * factor, nominal: step.result.value, high: high * factor }, steps: [step], at: r.at };
}

function closedButton(s: Source, out: Record<string, Estimate>): void {
  const r = latest(s.usable.filter((x) => x.kind === 'ohms' && x.state === 'pressed' && x.from.kind === 'contact' && x.to.kind === 'contact'));
  if (!r || !out['contactOhms']) return;
  const [low, high] = s.bounds(r);
  out['contactOhms'] = { value: { low: Math.max(0, low), nominal: r.value, high }, steps: [derive('resistance of the closed button', 'R_C', 'R', 'Ω', [input('R', r)])], at: r.at };
}

/** The resistance behind the button, from open volts and short-circuit current: Rth = Voc/Isc. */
function thevenin(s: Source, out: Record<string, Estimate>): void {
  const name = VALUE_NAMES[s.kind].seriesOhms;
  const r = latest(s.usable.filter((x) => x.kind === 'amps' && x.value > 0));
  // A short shows the resistor only where the button pulls against it, not where the pair carries a load or data.
  if (!r || !name || s.kind === 'switched-load' || s.kind === 'touch-pad' || s.kind === 'scanned-matrix') return;
  const v = out[VALUE_NAMES[s.kind].supplyVolts!]!;
  const [iLow, iHigh] = s.bounds(r);
  if (s.kind === 'dry-pair') out['loopAmps'] = { value: { low: iLow, nominal: r.value, high: iHigh }, steps: [derive('current of the closed loop', 'I_loop', 'I', 'A', [input('I', r)])], at: r.at };
  // Joining a pulled-down line to the supply through the meter passes the pull-down's own current.
  const vStep = v.steps[0] ?? derive('voltage, from its usual values', 'V_open', 'V', 'V', [constant('V', 'leading guess', v.value.nominal, 'V', 'kind-priors')]);
  const step = derive('resistance seen by the button (Thévenin)', 'R_th', 'V_open / I', 'Ω', [carried(vStep), input('I', r)]);
  const steps = [vStep, step];
  let own = 0;
  if (s.kind === 'ladder') {
    // On a ladder the short goes through this button's own resistor as well.
    const key = out['keyOhms']!;
    own = key.value.nominal;
    const keyInput = key.steps[0] ? carried(key.steps[0]) : constant('R_key', 'resistor of this button, likeliest', own, 'Ω', 'kind-priors');
    steps.push(...key.steps, derive('pull-up', 'R', 'R_th - R_key', 'Ω', [carried(step), { ...keyInput, symbol: 'R_key' }]));
  }
  const nominal = steps[steps.length - 1]!.result.value;
  out[name] = { value: { low: Math.max(1, v.value.low / iHigh - own), nominal, high: Math.max(1, v.value.high / Math.max(iLow, 1e-9) - own) }, steps, at: r.at };
}

/** This button's resistor of a ladder, read unplugged. */
function keyUnplugged(s: Source, out: Record<string, Estimate>): void {
  const other = s.signal === 'A' ? 'B' : 'A';
  const direct = latest(s.usable.filter((r) => r.kind === 'ohms' && r.state === 'off' && r.from.name === other && r.to.kind === 'ground'));
  if (!direct) return;
  const [low, high] = s.bounds(direct);
  out['keyOhms'] = { value: { low: Math.max(0, low), nominal: direct.value, high }, steps: [derive('resistor of this button, unplugged', 'R_key', 'R', 'Ω', [input('R', direct)])], at: direct.at };
}

/** The same from the divider while the button is held. */
function keyFromDivider(s: Source, out: Record<string, Estimate>): void {
  const held = latest(s.usable.filter((r) => r.kind === 'volts-dc' && r.state === 'pressed' && r.from.name === s.signal && r.to.kind === 'ground'));
  const supply = out['supplyVolts']!.value;
  const pull = out['pullUpOhms']!;
  if (!held || held.value >= supply.low) return;
  const step = derive('resistor of this button, from the divider', 'R_key', 'R * V / (V_CC - V)', 'Ω', [chosen('R', 'pull-up', pull.value.nominal, 'Ω', 'estimated beside this'), chosen('V_CC', 'supply', supply.nominal, 'V', 'estimated beside this'), input('V', held)]);
  const share = step.result.value / pull.value.nominal;
  out['keyOhms'] = { value: { low: pull.value.low * share * 0.97, nominal: step.result.value, high: pull.value.high * share * 1.03 }, steps: [step], at: held.at };
}

/** Period and width of the pulses, from a counter and from the mean of the line. */
function scanTimes(s: Source, out: Record<string, Estimate>): void {
  const f = latest(s.usable.filter((r) => r.kind === 'hertz' && r.value > 0));
  if (!f) return;
  const [low, high] = s.bounds(f);
  const period = derive('period', 'T', '1 / f', 's', [input('f', f)]);
  out['periodSeconds'] = { value: { low: 1 / high, nominal: period.result.value, high: 1 / Math.max(low, 1e-9) }, steps: [period], at: f.at };
  if (s.kind === 'encoder') return;
  const low_ = shareWith(s.kind, s.p, (b) => b.flag) >= 0.5 || s.kind === 'serial-bus';
  const duty = latest(s.usable.filter((r) => r.kind === 'duty' && r.value > 0 && r.value < 1 && r.from.name === s.signal));
  const mean = latest(s.usable.filter((r) => r.kind === 'volts-dc' && r.state === 'idle' && r.from.name === s.signal && r.to.kind === 'ground'));
  const supply = out['supplyVolts']!.value;
  const width = duty
    ? derive('width of a pulse', 'w', low_ ? 'T * (1 - D)' : 'T * D', 's', [carried(period), input('D', duty)])
    : mean && derive('width of a pulse, from the mean of the line', 'w', low_ ? 'T * (1 - V / V_CC)' : 'T * V / V_CC', 's', [carried(period), input('V', mean), chosen('V_CC', 'supply', supply.nominal, 'V', 'estimated beside this')]);
  if (!width || width.result.value <= 0) return;
  // The short part is what is left of nearly the whole: a small error of the share or of the mean is a large one of the width.
  const [shortest, longest] = shareBounds(s, duty, mean, supply, low_);
  const T = out['periodSeconds']!.value;
  out['widthSeconds'] = { value: { low: T.low * shortest, nominal: width.result.value, high: T.high * longest }, steps: [period, width], at: (duty ?? mean)!.at };
}

/** Bounds of the pulse's share of the period, from the counter's share or from the mean of the line. */
function shareBounds(s: Source, duty: Reading | undefined, mean: Reading | undefined, supply: Interval, low: boolean): [number, number] {
  const clamp = (x: number): number => Math.min(1, Math.max(0, x));
  const [a, b] = duty ? s.bounds(duty) : [s.bounds(mean!)[0] / supply.high, s.bounds(mean!)[1] / supply.low];
  return low ? [clamp(1 - b), clamp(1 - a)] : [clamp(a), clamp(b)];
}

function winding(s: Source, out: Record<string, Estimate>): void {
  const r = latest(s.usable.filter((x) => x.kind === 'ohms' && x.state === 'off' && x.from.kind === 'contact' && x.to.kind === 'contact'));
  if (!r) return;
  const [low, high] = s.bounds(r);
  out['windingOhms'] = { value: { low: Math.max(0, low), nominal: r.value, high }, steps: [derive('resistance of the winding', 'R_w', 'R', 'Ω', [input('R', r)])], at: r.at };
}
