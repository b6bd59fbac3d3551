import { itemAt, lastItem } from '../lists';
import type { Room } from '../job';
import { formatQuantity, type Unit } from '../quantity';
import {
  graver,
  type Finding,
  type Input,
  type Limit,
  type Measure,
  type Origin,
  type Step,
  type Verdict,
} from './finding';
import { evaluate, parseFormula, write } from './formula';
import { inputsOf, evidenceLevel } from './evidence-level';
import type { SourceKey } from '../sources';

/** A constant with its published, customary or remembered source. */
export const constant = (symbol: string, name: string, value: number, unit: Unit, key: SourceKey): Input => ({
  symbol,
  name,
  value,
  unit,
  origin: { from: 'source', key },
});

/** A value the maker chose. @param possible between which values it could be chosen. */
export const chosen = (
  symbol: string,
  name: string,
  value: number,
  unit: Unit,
  what = 'set in this job',
  possible?: readonly [number, number],
): Input => ({
  symbol,
  name,
  value,
  unit,
  origin: { from: 'maker', what },
  ...(possible ? { possible } : {}),
});

/** A value that was worked out elsewhere in the core, and is neither read nor chosen; `what` says how. */
export const computed = (symbol: string, name: string, value: number, unit: Unit, what: string): Input => ({
  symbol,
  name,
  value,
  unit,
  origin: { from: 'computed', what },
});

/** A value taken from a reading; `at` is the reading's ISO time, or empty when it rests on several. */
export const measured = (symbol: string, name: string, value: number, unit: Unit, at: string, what: string): Input => ({
  symbol,
  name,
  value,
  unit,
  origin: { from: 'measured', at, what },
});

/** The result of an earlier step as an input of the next. */
export const carried = (step: Step): Input => ({
  symbol: step.symbol,
  name: step.what,
  value: step.result.value,
  unit: step.result.unit,
  origin: { from: 'step' },
});

/**
 * Computes `symbol = formula` from its inputs and writes it out.
 * Throws ReferenceError where the formula names a symbol that no input gives.
 */
export function derive(what: string, symbol: string, formula: string, unit: Unit, inputs: readonly Input[]): Step {
  const values: Record<string, number> = {};
  for (const i of inputs) values[i.symbol] = i.value;
  return { what, symbol, formula, inputs, result: { value: evaluate(parseFormula(formula), values), unit } };
}

/** A step's formula with the numbers in it and the result, as one line. Written when somebody asks, since most never do. */
export function filledIn({ formula, inputs, result }: Step): string {
  const bySymbol = new Map(inputs.map((i) => [i.symbol, formatQuantity(i.value, i.unit)]));
  return `${write(parseFormula(formula), (s) => bySymbol.get(s) ?? s)} = ${formatQuantity(result.value, result.unit)}`;
}

/** Evaluates a chain of steps anew, with some of the first inputs replaced; gives the last step's result. */
export function reevaluate(steps: readonly Step[], overrides: Readonly<Record<string, number>>): number {
  const results: Record<string, number> = {};
  let last = Number.NaN;
  for (const step of steps) {
    const values: Record<string, number> = {};
    for (const i of step.inputs)
      values[i.symbol] = (i.origin.from === 'step' ? results[i.symbol] : overrides[i.symbol]) ?? i.value;
    last = evaluate(parseFormula(step.formula), values);
    results[step.symbol] = last;
  }
  return last;
}

/** A limit that a value must not exceed. */
export const atMost = (value: number, unit: Unit, name: string, origin: Origin): Limit => ({
  sense: 'at most',
  value,
  unit,
  name,
  origin,
});
/** A limit that a value must reach. */
export const atLeast = (value: number, unit: Unit, name: string, origin: Origin): Limit => ({
  sense: 'at least',
  value,
  unit,
  name,
  origin,
});
/** A limit that follows from inputs of its own: the result of the last of its steps. */
export function derivedLimit(sense: Limit['sense'], steps: readonly Step[], name: string): Limit {
  const { value, unit } = lastItem(steps).result;
  return { sense, value, unit, name, origin: { from: 'step' }, steps };
}

/** Share of the limit still free: positive inside, negative outside; relative to `span` (default: the limit's own size). */
export function marginShare(value: number, limit: Limit, span = Math.abs(limit.value)): number {
  const gap = limit.sense === 'at most' ? limit.value - value : value - limit.value;
  return span > 0 ? gap / span : gap >= 0 ? 1 : -1;
}

/** Least share of a limit that counts as a margin at all. */
const LEAST_MARGIN = 0.01;

/**
 * The verdict of a value against its limit: stop beyond it, tight within `tightShare` of it, settled else; unknown
 * where one of them is no number.
 * @param tightShare share of the span under which a margin is called tight; 0.2 unless a room has a reason. Under a
 * hundredth nothing is a margin;
 * `met` says that meeting the limit is enough: it is a count, or holds its margin already.
 */
export function against(value: number, limit: Limit, tightShare: number | 'met' = 0.2, span?: number): Verdict {
  // No number is no margin: it must not pass for one that is met.
  if (Number.isNaN(value) || Number.isNaN(limit.value)) return 'unknown';
  const share = marginShare(value, limit, span);
  if (share < 0) return 'stop';
  return tightShare === 'met' || share >= Math.max(tightShare, LEAST_MARGIN) ? 'settled' : 'tight';
}

/** Every number that a finding shows, its limit and all steps among them. */
function* numbersOf({ value, limit, steps }: Finding): Generator<number> {
  if (value) yield value.value;
  if (limit) yield limit.value;
  for (const list of [steps, limit?.steps ?? []])
    for (const step of list) {
      yield step.result.value;
      for (const i of step.inputs) yield i.value;
    }
}

function isWorkedOut(f: Finding): boolean {
  for (const n of numbersOf(f)) if (!Number.isFinite(n)) return false;
  return true;
}

/**
 * Fills in what a finding leaves out. Every finding of every room is made here, and none says more than unknown where a number that it
 * shows is none.
 */
export function finding(
  room: Room,
  id: string,
  parts: Partial<Finding> & Pick<Finding, 'verdict' | 'title' | 'caption'>,
): Finding {
  const whole: Finding = {
    id: `${room}.${id}`,
    room,
    value: null,
    limit: null,
    steps: [],
    source: [],
    remedy: null,
    sums: false,
    ...parts,
  };
  if (whole.verdict === 'unknown' || isWorkedOut(whole)) return whole;
  return { ...whole, verdict: 'unknown' };
}

/** The finding that sums a room up. */
export const summary: typeof finding = (room, id, parts) => finding(room, id, { ...parts, sums: true });

/**
 * A finding whose value is the result of its last step. Whatever its margin, it is no better than what it rests on: unknown where
 * nobody read an input of value or limit, tight where one is a default that nobody confirmed.
 */
export function judged(
  room: Room,
  id: string,
  parts: {
    title: string;
    caption: string;
    steps: readonly Step[];
    limit: Limit;
    verdict?: Verdict;
    tightShare?: number | 'met';
    span?: number;
  } & Partial<Pick<Finding, 'remedy' | 'source' | 'about' | 'holds'>>,
): Finding {
  const value: Measure = itemAt(parts.steps, parts.steps.length - 1).result;
  const { tightShare, span, ...rest } = parts;
  const inputs = inputsOf(parts.steps, parts.limit);
  const worked = parts.verdict ?? against(value.value, parts.limit, tightShare, span);
  const ground = evidenceLevel(inputs, parts.limit.origin);
  // What nobody read cannot stop anything either: the stop may be as much of a guess as the pass.
  const verdict = ground === 'unknown' ? 'unknown' : graver(worked, ground);
  const source = new Set(parts.source);
  for (const o of [...inputs.map((i) => i.origin), parts.limit.origin])
    if (o.from === 'source' || o.from === 'class') source.add(o.key);
  return finding(room, id, { ...rest, verdict, value, source: [...source] });
}
