import { formatQuantity } from '../quantity';
import { reevaluate } from './derive';
import type { Finding, Input } from './finding';
import { inputsOf } from './evidence-level';

/** The nearest possible value of one input at which the verdict would turn. */
export interface Flip {
  readonly input: Input;
  /** The input's own value, not an end of its tolerance. */
  readonly now: number;
  readonly to: number;
}

/** A value that was read is taken to be off by no more than this factor: beyond it the reading is wrong and not the margin. */
const READ_WITHIN = 2;

/**
 * Between which values an input may be looked for: what can be chosen, or what a reading may still be; null for what is
 * neither read nor chosen.
 */
function range(input: Input): readonly [number, number] | null {
  const { from } = input.origin;
  if (from === 'measured' || from === 'estimated') {
    const ends = [input.value / READ_WITHIN, input.value * READ_WITHIN].sort((a, b) => a - b) as [number, number];
    return input.possible ? [Math.max(ends[0], input.possible[0]), Math.min(ends[1], input.possible[1])] : ends;
  }
  // What can be chosen says so itself, with its bounds.
  return (from === 'maker' || from === 'default') && input.possible ? input.possible : null;
}

const POINTS = 64;
const HAIR = 1e-9;

/** Values on either side of the present one, nearest first on each side: even in ratio where the range allows, else even in distance. */
function walk(now: number, end: number): number[] {
  const ratio = now !== 0 && end !== 0 && Math.sign(now) === Math.sign(end);
  return Array.from({ length: POINTS }, (_, i) => (i + 1) / POINTS).map((u) =>
    ratio ? now * (end / now) ** u : now + (end - now) * u,
  );
}

/**
 * For each measured or chosen input of a finding's value and limit, the nearest possible value at which the verdict would turn;
 * value and limit are worked out anew each time. Inputs that turn nothing inside what is possible are left out; nearest in ratio first.
 */
export function flips(finding: Finding): Flip[] {
  const { limit, steps } = finding;
  if (!limit || steps.length === 0) return [];
  const first = new Map(inputsOf(steps, limit).map((i) => [i.symbol, i]));
  return [...first.values()].flatMap((input) => flipOf(finding, input) ?? []).sort((a, b) => far(a) - far(b));
}

/** The nearest possible value of one input at which the verdict turns; null where none does. */
function flipOf(finding: Finding, input: Input): Flip | null {
  const possible = range(input);
  const now = met(finding, input, input.value);
  if (!possible || !Number.isFinite(input.value) || now === null) return null;
  const turned = (value: number): boolean => met(finding, input, value) === !now;
  const found = possible.flatMap((end) => edgeTowards(input.value, end, turned) ?? []);
  if (found.length === 0) return null;
  const nearest = found.reduce((a, b) => (Math.abs(a - input.value) <= Math.abs(b - input.value) ? a : b));
  const own = input.usual ?? input.value;
  // A tolerance moves with its value: the maker chooses the value, not its corner.
  const scale = input.value !== 0 ? own / input.value : 1;
  const to = beyond(nearest, input, scale, input.unit === '1' && Number.isInteger(own));
  if (to < possible[0] * Math.min(1, scale) || to > possible[1] * Math.max(1, scale)) return null;
  if (formatQuantity(to, input.unit) === formatQuantity(own, input.unit)) return null;
  const flip = { input, now: own, to };
  return turns(finding, flip) ? flip : null;
}

/** Where the verdict turns on the way from one value to another; null where it does not. */
function edgeTowards(now: number, end: number, turned: (value: number) => boolean): number | null {
  let before = now;
  for (const value of walk(now, end)) {
    if (turned(value)) return halve(before, value, turned);
    before = value;
  }
  return null;
}

/** A value a hair beyond an edge, so that it still turns the verdict after it was scaled and scaled back; the next whole one of a count. */
function beyond(edge: number, input: Input, scale: number, whole: boolean): number {
  const up = edge > input.value;
  if (whole) return up ? Math.ceil(edge * scale) : Math.floor(edge * scale);
  return edge * scale * (1 + (up === edge > 0 ? HAIR : -HAIR));
}

/** Between a value that does not turn it and one that does, the nearest that does. */
function halve(inside: number, outside: number, turned: (value: number) => boolean): number {
  for (let i = 0; i < 50; i++) {
    const middle = (inside + outside) / 2;
    if (turned(middle)) outside = middle;
    else inside = middle;
  }
  return outside;
}

const far = ({ now, to }: Flip): number =>
  now !== 0 && to / now > 0 ? Math.abs(Math.log(to / now)) : Math.abs(to - now);

/** Whether a finding's limit is met with one input at another value, value and limit worked out anew; null where that gives no number. */
function met({ steps, limit }: Finding, { symbol }: Input, value: number): boolean | null {
  if (!limit) return null;
  const at = { [symbol]: value };
  const x = reevaluate(steps, at) - (limit.steps ? reevaluate(limit.steps, at) : limit.value);
  return Number.isFinite(x) ? (limit.sense === 'at most' ? x <= 0 : x >= 0) : null;
}

/** Whether a finding's limit is met with one of its inputs at another value, its tolerance moved with it; null where nobody can say. */
export const metWith = (finding: Finding, input: Input, value: number): boolean | null => {
  const own = input.usual ?? input.value;
  return met(finding, input, own === 0 ? value : (value * input.value) / own);
};

/** Whether a flip really turns its finding: worked out anew at its value, its tolerance moved with it. */
export function turns(finding: Finding, { input, now, to }: Flip): boolean {
  if (!finding.limit) return false;
  const before = met(finding, input, input.value);
  return before !== null && met(finding, input, now === 0 ? to : (to * input.value) / now) === !before;
}
