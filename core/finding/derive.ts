import { formatQuantity, type Unit } from '../quantity';
import type { Finding, Input, Limit, Measure, Origin, Room, Step, Verdict } from './finding';
import { evaluate, parseFormula, write } from './formula';
import type { SourceKey } from './sources';

/** A constant with its published, customary or remembered source. */
export const constant = (symbol: string, name: string, value: number, unit: Unit, key: SourceKey): Input => ({
  symbol, name, value, unit, origin: { from: 'source', key },
});

/** A value the maker chose. */
export const chosen = (symbol: string, name: string, value: number, unit: Unit, what = 'set in this job'): Input => ({
  symbol, name, value, unit, origin: { from: 'maker', what },
});

/** A value taken from a reading; `at` is the reading's ISO time, or empty when it rests on several. */
export const measured = (symbol: string, name: string, value: number, unit: Unit, at: string, what: string): Input => ({
  symbol, name, value, unit, origin: { from: 'measured', at, what },
});

/** The result of an earlier step as an input of the next. */
export const carried = (step: Step): Input => ({
  symbol: step.symbol, name: step.what, value: step.result.value, unit: step.result.unit, origin: { from: 'step' },
});

/**
 * Computes `symbol = formula` from its inputs and writes it out.
 * Throws ReferenceError where the formula names a symbol that no input gives.
 */
export function derive(what: string, symbol: string, formula: string, unit: Unit, inputs: readonly Input[]): Step {
  const tree = parseFormula(formula);
  const value = evaluate(tree, Object.fromEntries(inputs.map((i) => [i.symbol, i.value])));
  const bySymbol = new Map(inputs.map((i) => [i.symbol, formatQuantity(i.value, i.unit)]));
  const numbers = write(tree, (s) => bySymbol.get(s) ?? s);
  return { what, symbol, formula, inputs, result: { value, unit }, filled: `${numbers} = ${formatQuantity(value, unit)}` };
}

/** Evaluates a chain of steps anew, with some of the first inputs replaced; gives the last step's result. */
export function reevaluate(steps: readonly Step[], overrides: Readonly<Record<string, number>>): number {
  const results: Record<string, number> = {};
  let last = Number.NaN;
  for (const step of steps) {
    const values: Record<string, number> = {};
    for (const i of step.inputs) values[i.symbol] = (i.origin.from === 'step' ? results[i.symbol] : overrides[i.symbol]) ?? i.value;
    last = evaluate(parseFormula(step.formula), values);
    results[step.symbol] = last;
  }
  return last;
}

/** A limit that a value must not exceed. */
export const atMost = (value: number, unit: Unit, name: string, origin: Origin): Limit => ({ sense: 'at most', value, unit, name, origin });
/** A limit that a value must reach. */
export const atLeast = (value: number, unit: Unit, name: string, origin: Origin): Limit => ({ sense: 'at least', value, unit, name, origin });

/** Share of the limit still free: positive inside, negative outside; relative to `span` (default: the limit's own size). */
export function marginShare(value: number, limit: Limit, span = Math.abs(limit.value)): number {
  const gap = limit.sense === 'at most' ? limit.value - value : value - limit.value;
  return span > 0 ? gap / span : gap >= 0 ? 1 : -1;
}

/**
 * The verdict of a value against its limit: stop beyond it, tight within `tightShare` of it, settled else; unknown where one of them is no number.
 * @param tightShare share of the span under which a margin is called tight; 0.2 unless a room has a reason.
 */
export function against(value: number, limit: Limit, tightShare = 0.2, span?: number): Verdict {
  // No number is no margin: it must not pass for one that is met.
  if (Number.isNaN(value) || Number.isNaN(limit.value)) return 'unknown';
  const share = marginShare(value, limit, span);
  return share < 0 ? 'stop' : share < tightShare ? 'tight' : 'settled';
}

/** Fills in what a finding leaves out. */
export function finding(room: Room, id: string, parts: Partial<Finding> & Pick<Finding, 'verdict' | 'title' | 'caption'>): Finding {
  return { id: `${room}.${id}`, room, value: null, limit: null, steps: [], source: [], remedy: null, ...parts };
}

/** A finding whose value is the result of its last step. */
export function judged(
  room: Room,
  id: string,
  parts: { title: string; caption: string; steps: readonly Step[]; limit: Limit; verdict?: Verdict; tightShare?: number; span?: number } & Partial<Pick<Finding, 'remedy' | 'source'>>,
): Finding {
  const value: Measure = parts.steps[parts.steps.length - 1]!.result;
  const { tightShare, span, ...rest } = parts;
  const verdict = parts.verdict ?? against(value.value, parts.limit, tightShare, span);
  const inputSources = parts.steps.flatMap((s) => s.inputs).flatMap((i) => (i.origin.from === 'source' ? [i.origin.key] : []));
  const limitSources = parts.limit.origin.from === 'source' ? [parts.limit.origin.key] : [];
  const source = [...new Set([...(parts.source ?? []), ...inputSources, ...limitSources])];
  return finding(room, id, { ...rest, verdict, value, source });
}
