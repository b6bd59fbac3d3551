import type { Input, Limit, Origin, Step, Verdict } from './finding';

/** Every input of a value and of its limit that is no result of an earlier step. */
export function inputsOf(steps: readonly Step[], limit: Limit | null): Input[] {
  const out: Input[] = [];
  for (const list of [steps, limit?.steps ?? []])
    for (const step of list) for (const i of step.inputs) if (i.origin.from !== 'step') out.push(i);
  return out;
}

const OF_ORIGIN: Partial<Record<Origin['from'], Verdict>> = { prior: 'unknown', default: 'tight' };

/**
 * The best verdict that numbers of such origins can carry: unknown with one that nobody read, tight with one that
 * nobody confirmed, else settled.
 */
export function evidenceLevel(inputs: readonly Input[], limit?: Origin): Verdict {
  const is = (verdict: Verdict): boolean =>
    inputs.some((i) => OF_ORIGIN[i.origin.from] === verdict) ||
    (limit !== undefined && OF_ORIGIN[limit.from] === verdict);
  return is('unknown') ? 'unknown' : is('tight') ? 'tight' : 'settled';
}
