import { HAND_METER, PROBED_KINDS, readingBounds, type Meter, type ProbedKind } from '../circuit';
import { carried, constant, derive, measured, type Step } from '../finding';
import { sayValue, type Reading } from '../job';
import type { Interval } from '../quantity';
import { GRIDS } from './grid';
import type { Posterior } from './posterior';

export interface Estimate {
  readonly value: Interval;
  /** How it follows from readings; empty where only the grid speaks. */
  readonly steps: readonly Step[];
  readonly at: string;
}

const latest = (list: readonly Reading[]): Reading | undefined => [...list].sort((a, b) => b.at.localeCompare(a.at))[0];

type GridValue = 'supplyVolts' | 'seriesOhms' | 'contactOhms';

/** Grid points in the order of one value; the grids never change, so neither does the order. */
const ORDER = Object.fromEntries(
  PROBED_KINDS.map((kind) => [kind, Object.fromEntries(
    (['supplyVolts', 'seriesOhms', 'contactOhms'] as const).map((value) => [value, GRIDS[kind].map((_, i) => i).sort((a, b) => GRIDS[kind][a]!.build[value] - GRIDS[kind][b]!.build[value])]),
  )]),
) as Record<ProbedKind, Record<GridValue, number[]>>;

function fromGrid(kind: ProbedKind, posterior: Posterior, value: GridValue): Estimate {
  const order = ORDER[kind][value];
  const weights = posterior.weights[kind];
  const wanted = [0.025, 0.5, 0.975];
  const found: number[] = [];
  let sum = 0;
  for (const i of order) {
    sum += weights[i]!;
    while (found.length < 3 && sum >= wanted[found.length]!) found.push(GRIDS[kind][i]!.build[value]);
  }
  const top = GRIDS[kind][order[order.length - 1]!]!.build[value];
  return { value: { low: found[0] ?? top, nominal: found[1] ?? top, high: found[2] ?? top }, steps: [], at: '' };
}

const input = (symbol: string, r: Reading) => measured(symbol, sayValue(r), r.value, r.kind === 'amps' ? 'A' : r.kind === 'ohms' ? 'Ω' : 'V', r.at, sayValue(r));

/**
 * The values of the leading kind with their bounds: from the readings by closed form where one fits, from the grid otherwise.
 * @param signal the terminal that carries the signal.
 */
export function estimates(kind: ProbedKind, signal: 'A' | 'B', readings: readonly Reading[], posterior: Posterior, meter: Meter = HAND_METER): Record<string, Estimate> {
  const usable = readings.filter((r) => r.relation === '=' && (posterior.slip[r.id] ?? 0) < 0.5);
  const short = latest(usable.filter((r) => r.kind === 'amps' && r.value > 0));
  const closed = latest(usable.filter((r) => r.kind === 'ohms' && r.state === 'pressed'));
  const other = signal === 'A' ? 'B' : 'A';
  const source = latest(usable.filter((r) => r.kind !== 'ohms' && r.kind !== 'amps' && Math.abs(r.value) > 0.3 && openVolts(kind, signal, other, r)));
  const volts = kind === 'dry-pair' ? 'loopVolts' : kind === 'switched-load' ? 'loadVolts' : 'supplyVolts';
  const ohms = kind === 'dry-pair' ? 'loopOhms' : kind === 'switched-load' ? 'loadOhms' : kind === 'high-when-pressed' ? 'pullDownOhms' : 'pullUpOhms';
  const gridVolts = fromGrid(kind, posterior, 'supplyVolts');
  const gridOhms = fromGrid(kind, posterior, 'seriesOhms');
  const out: Record<string, Estimate> = { [volts]: gridVolts, [ohms]: gridOhms, contactOhms: fromGrid(kind, posterior, 'contactOhms') };
  if (source) {
    const [low, high] = readingBounds(source, meter).map(Math.abs).sort((a, b) => a - b) as [number, number];
    out[volts] = { value: { low, nominal: Math.abs(source.value), high }, steps: [derive('open-circuit voltage', 'V_open', 'abs(V)', 'V', [input('V', source)])], at: source.at };
  }
  // A short across the button shows the pull resistor only where the button pulls against it, not where it joins two sources.
  if (short && kind !== 'high-when-pressed' && kind !== 'switched-load') {
    const v = out[volts]!;
    const [iLow, iHigh] = readingBounds(short, meter);
    const vStep = v.steps[0] ?? derive('voltage, from its usual values', 'V_open', 'V', 'V', [constant('V', 'leading guess', v.value.nominal, 'V', 'kind-priors')]);
    const step = derive('resistance seen by the button (Thévenin)', 'R_th', 'V_open / I', 'Ω', [carried(vStep), input('I', short)]);
    out[ohms] = { value: { low: v.value.low / iHigh, nominal: step.result.value, high: v.value.high / Math.max(iLow, 1e-9) }, steps: [vStep, step], at: short.at };
    if (kind === 'dry-pair') out['loopAmps'] = { value: { low: iLow, nominal: short.value, high: iHigh }, steps: [], at: short.at };
  }
  if (closed) {
    const [low, high] = readingBounds(closed, meter);
    out['contactOhms'] = { value: { low: Math.max(0, low), nominal: closed.value, high }, steps: [], at: closed.at };
  }
  return out;
}

/** Whether a voltage reading shows the open-circuit volts of a kind. */
function openVolts(kind: ProbedKind, signal: string, other: string, r: Reading): boolean {
  const across = (r.from.name === 'A' && r.to.name === 'B') || (r.from.name === 'B' && r.to.name === 'A');
  if (r.state === 'pressed' || r.state === 'off') return false;
  if (across) return true;
  if (r.from.kind !== 'contact' || r.to.kind !== 'ground') return false;
  return r.from.name === (kind === 'high-when-pressed' ? other : signal) && kind !== 'switched-load';
}

/** The terminal with more weight as the signal side. */
export function signalSide(kind: ProbedKind, posterior: Posterior): 'A' | 'B' {
  const a = GRIDS[kind].reduce((s, p, i) => (p.build.signal === 'A' ? s + posterior.weights[kind][i]! : s), 0);
  return a >= 0.5 ? 'A' : 'B';
}
