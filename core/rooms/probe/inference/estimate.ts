import { lastItem, present } from '../../../ground/lists';
import { readingBounds } from '../../../engines/circuit';
import { carried, chosen, constant, derive, type Input, type Step } from '../../../ground/finding';
import { isStated, type ControlKind, type Reading } from '../../../ground/job';
import { within, type Interval } from '../../../ground/quantity';
import { farSideOf, fromWeights, shareWith, VALUE_NAMES, type BuildValue } from './grid-estimate';
import { TEST_LOAD_OHMS } from '../isolation/ac-checks';
import { LOW_INPUT_OHMS } from './particles';
import type { Posterior } from './posterior';
import { type Estimate, type EstimateReadings, input, isAcross, latest } from './estimate-parts';
import { keyFromDivider, keyUnplugged, scanTimes } from './estimate-key';

/**
 * The values of a kind with their bounds: from the readings by closed form where one fits, from the kind's usual values otherwise.
 * @param signal the terminal that carries the signal.
 */
export function estimates(
  kind: ControlKind,
  signal: 'A' | 'B',
  readings: readonly Reading[],
  p: Posterior,
): Record<string, Estimate> {
  const usable = readings.filter((r) => r.relation === '=' && (p.slip[r.id] ?? 0) < 0.5);
  const source: EstimateReadings = { kind, signal, usable, p, bounds: (r) => readingBounds(r, p.before.meter) };
  const out: Record<string, Estimate> = {};
  for (const [value, name] of Object.entries(VALUE_NAMES[kind]))
    out[name] = { value: fromWeights(kind, p, value as BuildValue), steps: [], at: '' };
  openVolts(source, out);
  closedButton(source, out);
  if (kind === 'motor-pair') winding(source, out);
  else {
    // Only a resistor between button and ground shows itself to an ohmmeter and divides as reckoned here.
    const plain = kind === 'ladder' && shareWith(kind, p, (b) => b.layout === 'usual') > 0.95;
    if (plain) keyUnplugged(source, out);
    thevenin(source, out);
    if (plain && present(out['keyOhms']).steps.length === 0) keyFromDivider(source, out);
  }
  loadedPull(source, out);
  if (out['periodSeconds']) scanTimes(source, out);
  return out;
}

/** Under this nothing stands there, V. */
const LEAST_OPEN_VOLTS = 0.3;
/** A short must pass this many times what the meter took. */
const CLEAR_OF_METER = 1.2;
/** Kinds with two wires and nothing beside them to read against. */
const ACROSS_ALONE: readonly ControlKind[] = ['dry-pair', 'switched-load'];
/** Kinds whose open contact bears their supply. */
const BEARS_SUPPLY: readonly ControlKind[] = ['low-when-pressed', 'high-when-pressed', 'latching-switch', 'ladder'];

/** Whether a reading shows the voltage that stands there while nobody presses; of a motor, while it moves. */
function showsOpenVolts(s: EstimateReadings, r: Reading, steadySide: string): boolean {
  if (!r.kind.startsWith('volts') || Math.abs(r.value) < LEAST_OPEN_VOLTS) return false;
  if (s.kind === 'motor-pair') return r.state === 'moving' || r.state === 'moving-back';
  if (r.state !== 'idle') return false;
  const across = r.from.kind === 'contact' && r.to.kind === 'contact';
  if (across || ACROSS_ALONE.includes(s.kind)) return across && [...ACROSS_ALONE, ...BEARS_SUPPLY].includes(s.kind);
  const toGround = r.from.kind === 'contact' && r.from.name === steadySide && r.to.kind === 'ground';
  return toGround && r.kind === 'volts-dc' && s.kind !== 'serial-bus';
}

/** What a line picks up on the other setting of a meter is no supply: less than this share of what stands there. */
const STRAY_SHARE = 0.1;
/** The last reading of what stands there, on the setting on which it stands: a stray of the other one is left out. */
function standing(list: readonly Reading[]): Reading | undefined {
  const [dc, ac] = (['volts-dc', 'volts-ac'] as const).map((kind) => latest(list.filter((r) => r.kind === kind)));
  if (!dc || !ac) return dc ?? ac;
  const [x, y] = [Math.abs(dc.value), Math.abs(ac.value)];
  return y < STRAY_SHARE * x ? dc : x < STRAY_SHARE * y ? ac : latest([dc, ac]);
}

/** The supply, loop or load voltage, from what stands there while nobody presses. */
function openVolts(s: EstimateReadings, out: Record<string, Estimate>): void {
  // Without volts there is nothing to estimate, and where the far side stands is dear to know.
  if (!s.usable.some((r) => r.kind.startsWith('volts'))) return;
  const name = present(VALUE_NAMES[s.kind].supplyVolts);
  const other = s.signal === 'A' ? 'B' : 'A';
  const steadySide = farSideOf(s.kind, s.p) === 'supply' || s.kind === 'scanned-matrix' ? other : s.signal;
  const shows = (r: Reading): boolean => showsOpenVolts(s, r, steadySide);
  const r = standing(s.usable.filter(shows));
  if (!r) return;
  const [low, high] = s
    .bounds(r)
    .map(Math.abs)
    .sort((a, b) => a - b) as [number, number];
  // Behind a pull resistor the meter's own input takes its share; behind a strong source that share is nothing.
  const behind =
    (r.to.kind === 'contact' && s.kind !== 'switched-load') || (r.to.kind === 'ground' && steadySide === s.signal)
      ? fromWeights(s.kind, s.p, 'seriesOhms').nominal
      : 0;
  const { meter } = s.p.before;
  const factor = (ohms: number): number => (behind + ohms) / ohms;
  const own = isStated(meter)
    ? chosen('R_meter', 'meter input', meter.inputOhms, 'Ω', 'the meter in hand')
    : constant('R_meter', 'input of a usual meter; nobody said which is in hand', meter.inputOhms, 'Ω', 'meter-hand');
  const short = behind > 0 ? shortBeside(s, r) : undefined;
  if (short) {
    out[name] = withShort(s, r, [low, high], short, own);
    return;
  }
  const step =
    behind > 0
      ? derive('open-circuit voltage, without the meter', 'V_open', 'abs(V) * (R + R_meter) / R_meter', 'V', [
          input('V', r),
          constant('R', 'pull resistor, likeliest', behind, 'Ω', 'kind-priors'),
          own,
        ])
      : derive('open-circuit voltage', 'V_open', 'abs(V)', 'V', [input('V', r)]);
  // A meter that nobody described may take ten times as much.
  out[name] = {
    value: {
      low: low * factor(meter.inputOhms),
      nominal: step.result.value,
      high: high * factor(isStated(meter) ? meter.inputOhms : Math.min(LOW_INPUT_OHMS, meter.inputOhms)),
    },
    steps: [step],
    at: r.at,
  };
}

/** Kinds of which a short shows what stands behind the button: not those that carry a load or data. */
const showsBehind = (kind: ControlKind): boolean =>
  VALUE_NAMES[kind].seriesOhms !== undefined && !['switched-load', 'touch-pad', 'scanned-matrix'].includes(kind);
/** The short of a control beside its open volts; one that passes hardly more than the meter took contradicts it, and tells nothing. */
function shortBeside(s: EstimateReadings, open: Reading): Reading | undefined {
  const short = showsBehind(s.kind) ? latest(s.usable.filter((x) => x.kind === 'amps' && x.value !== 0)) : undefined;
  const took = Math.abs(open.value) / s.p.before.meter.inputOhms;
  return short && Math.abs(short.value) > CLEAR_OF_METER * took ? short : undefined;
}

/**
 * The open voltage where a short was read as well: both together give the resistor and what the meter took, without a guess. Of I through
 * the short, V over the meter is what the meter drew: V_open = V·I / (I − V/R_meter).
 */
function withShort(
  s: EstimateReadings,
  r: Reading,
  [low, high]: readonly [number, number],
  short: Reading,
  own: Input,
): Estimate {
  const { meter } = s.p.before;
  const [iLow, iHigh] = s
    .bounds(short)
    .map(Math.abs)
    .sort((a, b) => a - b) as [number, number];
  const open = (v: number, i: number, ohms: number): number => (i > v / ohms ? (v * i) / (i - v / ohms) : v);
  const step = derive(
    'open-circuit voltage, without the meter',
    'V_open',
    'abs(V) * abs(I) / (abs(I) - abs(V) / R_meter)',
    'V',
    [input('V', r), input('I', short), own],
  );
  // A meter that nobody described may take ten times as much, as far as the short still allows that.
  const other = isStated(meter) ? meter.inputOhms : Math.min(LOW_INPUT_OHMS, meter.inputOhms);
  return {
    value: {
      low: open(low, iHigh, meter.inputOhms),
      nominal: step.result.value,
      high: Math.max(open(high, iLow, meter.inputOhms), open(high, iLow, other)),
    },
    steps: [step],
    at: r.at > short.at ? r.at : short.at,
  };
}

function closedButton(s: EstimateReadings, out: Record<string, Estimate>): void {
  const r = latest(s.usable.filter((x) => x.kind === 'ohms' && x.state === 'pressed' && isAcross(s, x)));
  if (!r || !out['contactOhms']) return;
  const [low, high] = s.bounds(r);
  out['contactOhms'] = {
    value: { low: Math.max(0, low), nominal: r.value, high },
    steps: [derive('resistance of the closed button', 'R_C', 'R', 'Ω', [input('R', r)])],
    at: r.at,
  };
}

/** What stands behind the button: of a short, Rth = Voc/Isc, or of what 1 kΩ or 10 kΩ across the tips leave, Rth = R_load·(Voc/V − 1). */
function thevenin(s: EstimateReadings, out: Record<string, Estimate>): void {
  const name = VALUE_NAMES[s.kind].seriesOhms;
  // A short shows the resistor only where the button pulls against it, not where the pair carries a load or data.
  if (!name || !showsBehind(s.kind)) return;
  const v = present(out[present(VALUE_NAMES[s.kind].supplyVolts)]);
  const vStep =
    v.steps[0] ??
    derive('voltage, from its usual values', 'V_open', 'V', 'V', [
      constant('V', 'leading guess', v.value.nominal, 'V', 'kind-priors'),
    ]);
  const behind = fromShort(s, v.value, vStep) ?? fromLoad(s, v.value, vStep);
  if (!behind) return;
  const { reading: r, step } = behind;
  // Joining a pulled-down line to the supply through the meter passes the pull-down's own current.
  if (s.kind === 'dry-pair') out['loopAmps'] = loopAmps(s, r, v.value, vStep, behind);
  const steps = [vStep, step];
  let own = { low: 0, nominal: 0, high: 0 };
  if (s.kind === 'ladder') {
    // On a ladder the current goes through this button's own resistor as well.
    const key = present(out['keyOhms']);
    own = key.value;
    const keyInput = key.steps[0]
      ? carried(key.steps[0])
      : constant('R_key', 'resistor of this button, likeliest', own.nominal, 'Ω', 'kind-priors');
    steps.push(
      ...key.steps,
      derive('pull-up', 'R', 'R_th - R_key', 'Ω', [carried(step), { ...keyInput, symbol: 'R_key' }]),
    );
  }
  const nominal = lastItem(steps).result.value;
  out[name] = {
    value: { low: Math.max(1, behind.low - own.high), nominal, high: Math.max(1, behind.high - own.low) },
    steps,
    at: r.at,
    ...(v.steps.length === 0 || v.guessed || (s.kind === 'ladder' && present(out['keyOhms']).steps.length === 0)
      ? { guessed: true }
      : {}),
  };
}

/** A resistance with its bounds, Ω, and how it follows. */
interface Behind {
  readonly reading: Reading;
  readonly step: Step;
  readonly low: number;
  readonly high: number;
}

function fromShort(s: EstimateReadings, volts: Interval, vStep: Step): Behind | undefined {
  const r = latest(s.usable.filter((x) => x.kind === 'amps' && x.value !== 0));
  if (!r) return undefined;
  const [iLow, iHigh] = s
    .bounds(r)
    .map(Math.abs)
    .sort((a, b) => a - b) as [number, number];
  return {
    reading: r,
    step: derive('resistance seen by the button (Thévenin)', 'R_th', 'V_open / abs(I)', 'Ω', [
      carried(vStep),
      input('I', r),
    ]),
    low: volts.low / iHigh,
    high: volts.high / Math.max(iLow, 1e-9),
  };
}

function fromLoad(s: EstimateReadings, volts: Interval, vStep: Step): Behind | undefined {
  const r = latest(
    s.usable.filter(
      (x) => x.kind.startsWith('volts') && TEST_LOADS[x.state] !== undefined && isAcross(s, x) && x.value !== 0,
    ),
  );
  return r && Math.abs(r.value) < volts.nominal
    ? behindLoad(s, r, volts, vStep, 'resistance seen by the button (Thévenin), from what a load leaves')
    : undefined;
}

/** How far a clip resistor may lie from its name (`test-load`). */
const TEST_LOAD_SHARE = 0.05;

/** Resistors across the tips by the state that they make, Ω. */
const TEST_LOADS: Readonly<Partial<Record<Reading['state'], number>>> = { loaded: 1e3, 'loaded-10k': TEST_LOAD_OHMS };

/** What stands behind a point that a resistor loads: R_load·(Voc/V − 1), at the corners of both readings and of the resistor. */
function behindLoad(s: EstimateReadings, r: Reading, volts: Interval, vStep: Step, name: string): Behind {
  const [low, high] = s
    .bounds(r)
    .map(Math.abs)
    .sort((a, b) => a - b) as [number, number];
  const across = TEST_LOADS[r.state] ?? TEST_LOAD_OHMS;
  const load = constant('R_load', 'load across the tips', across, 'Ω', 'test-load');
  const ohms = within(across, TEST_LOAD_SHARE);
  return {
    reading: r,
    step: derive(name, 'R_th', 'R_load * (V_open / abs(V) - 1)', 'Ω', [carried(vStep), load, input('V', r)]),
    low: ohms.low * Math.max(1e-4, volts.low / high - 1),
    high: ohms.high * (volts.high / Math.max(low, 1e-3) - 1),
  };
}

/** The current that the contact of a loop carries: as read, or as its volts push it through what stands behind. */
function loopAmps(s: EstimateReadings, r: Reading, volts: Interval, vStep: Step, behind: Behind): Estimate {
  if (r.kind === 'amps') {
    const [low, high] = s
      .bounds(r)
      .map(Math.abs)
      .sort((a, b) => a - b) as [number, number];
    return {
      value: { low, nominal: Math.abs(r.value), high },
      steps: [derive('current of the closed loop', 'I_loop', 'abs(I)', 'A', [input('I', r)])],
      at: r.at,
    };
  }
  const step = derive('current of the closed loop', 'I_loop', 'V_open / R_th', 'A', [
    carried(vStep),
    carried(behind.step),
  ]);
  return {
    value: { low: volts.low / behind.high, nominal: step.result.value, high: volts.high / behind.low },
    steps: [vStep, behind.step, step],
    at: r.at,
  };
}

/** The pull resistor of a scanned key's sense line, which no short shows: from what 10 kΩ to ground leave of its level. */
function loadedPull(s: EstimateReadings, out: Record<string, Estimate>): void {
  if (s.kind !== 'scanned-matrix') return;
  const sense = s.signal === 'A' ? 'B' : 'A';
  const supply = present(out['supplyVolts']);
  const r = latest(
    s.usable.filter(
      (x) =>
        x.kind === 'volts-dc' &&
        x.state === 'loaded-10k' &&
        x.from.name === sense &&
        x.to.kind === 'ground' &&
        x.value > 0,
    ),
  );
  if (!r || !supply.steps[0] || r.value >= supply.value.low) return;
  const { step, low, high } = behindLoad(s, r, supply.value, supply.steps[0], 'pull resistor, from what a load leaves');
  out['pullUpOhms'] = { value: { low, nominal: step.result.value, high }, steps: [supply.steps[0], step], at: r.at };
}

function winding(s: EstimateReadings, out: Record<string, Estimate>): void {
  const r = latest(
    s.usable.filter(
      (x) => x.kind === 'ohms' && x.state === 'off' && x.from.kind === 'contact' && x.to.kind === 'contact',
    ),
  );
  // Relays at rest join both ends, and an end switch leaves its diode: what an ohmmeter shows then is not the winding.
  if (!r || shareWith(s.kind, s.p, (b) => b.layout === 'relay' || b.dropVolts > 0) > 0.05) return;
  const [low, high] = s.bounds(r);
  out['windingOhms'] = {
    value: { low: Math.max(0, low), nominal: r.value, high },
    steps: [derive('resistance of the winding', 'R_w', 'R', 'Ω', [input('R', r)])],
    at: r.at,
  };
}
