import { present } from '../lists';
import { corners, type Interval, type Unit } from '../quantity';
import { derive } from './derive';
import type { Input, Origin, Step } from './finding';
import { evaluate, parseFormula } from './formula';

/** An input that is known between bounds only. */
export interface RangedInput {
  readonly symbol: string;
  readonly name: string;
  readonly range: Interval;
  readonly unit: Unit;
  readonly origin: Origin;
  /** Between which values a maker could have it. */
  readonly possible?: readonly [least: number, most: number];
}

/**
 * A step evaluated at the tolerance corner that makes its result highest or lowest; each input says which end it stands at.
 * @param fixed inputs without a tolerance, for instance the result of an earlier step.
 */
export function worst(
  end: 'highest' | 'lowest',
  what: string,
  symbol: string,
  formula: string,
  unit: Unit,
  ranged: readonly RangedInput[],
  fixed: readonly Input[] = [],
): Step {
  const tree = parseFormula(formula);
  const constants = Object.fromEntries(fixed.map((f) => [f.symbol, f.value]));
  const range = corners(Object.fromEntries(ranged.map((r) => [r.symbol, r.range])), (at) =>
    evaluate(tree, fixed.length ? { ...constants, ...at } : at),
  );
  const at: Readonly<Record<string, number>> = end === 'highest' ? range.atHigh : range.atLow;
  const inputs = ranged.map((r): Input => ({
    symbol: r.symbol,
    name: `${r.name}${endWord(r.range, present(at[r.symbol]))}`,
    ...(endWord(r.range, present(at[r.symbol])) ? { of: r.name } : {}),
    value: present(at[r.symbol]),
    unit: r.unit,
    origin: r.origin,
    usual: r.range.nominal,
    ...(r.possible ? { possible: r.possible } : {}),
  }));
  return derive(what, symbol, formula, unit, [...inputs, ...fixed]);
}

function endWord(range: Interval, value: number): string {
  if (range.low === range.high) return '';
  return value === range.low ? ', lowest' : value === range.high ? ', highest' : '';
}
