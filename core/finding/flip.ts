import { reevaluate } from './derive';
import type { Finding, Input } from './finding';

/** How far one input would have to move for the value to meet its limit exactly. */
export interface Flip {
  readonly input: Input;
  readonly to: number;
}

const SCALES = Array.from({ length: 81 }, (_, i) => 10 ** ((i - 40) / 20));

/**
 * For each first input of a finding's arithmetic, the nearest value (within a hundredth to a hundred times) at which
 * the verdict would turn. Inputs that cannot turn it alone are left out; nearest in ratio first.
 */
export function flips(finding: Finding): Flip[] {
  const { limit, steps } = finding;
  if (!limit || steps.length === 0) return [];
  const first = new Map(steps.flatMap((s) => s.inputs).filter((i) => i.origin.from !== 'step').map((i) => [i.symbol, i]));
  const excess = (input: Input, value: number): number => reevaluate(steps, { [input.symbol]: value }) - limit.value;
  const out: Flip[] = [];
  for (const input of first.values()) {
    if (!(input.value !== 0) || !Number.isFinite(input.value)) continue;
    const now = Math.sign(excess(input, input.value));
    const scale = SCALES.filter((s) => Number.isFinite(excess(input, input.value * s)) && Math.sign(excess(input, input.value * s)) !== now).sort(
      (a, b) => Math.abs(Math.log(a)) - Math.abs(Math.log(b)),
    )[0];
    if (scale === undefined) continue;
    let [inside, outside] = [scale > 1 ? scale / 10 ** (1 / 20) : scale * 10 ** (1 / 20), scale];
    for (let i = 0; i < 40; i++) {
      const mid = Math.sqrt(inside * outside);
      if (Math.sign(excess(input, input.value * mid)) === now) inside = mid;
      else outside = mid;
    }
    out.push({ input, to: input.value * outside });
  }
  return out.sort((a, b) => Math.abs(Math.log(a.to / a.input.value)) - Math.abs(Math.log(b.to / b.input.value)));
}
