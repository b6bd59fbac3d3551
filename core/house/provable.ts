import type { Assessment } from './assess';
import { isJointWay, type Job } from '../ground/job';
import { hashOf } from '../ground/quantity';
import { proofCases, wayContext } from '../rooms/thumb';
import { presser, type WayContext, type WayResult } from '../build/ways';

/** What a press is proven on: its chosen way, or the one that it borrows, as a circuit. */
export interface Provable {
  readonly context: WayContext;
  readonly way: WayResult;
  /** Key of the very circuit: a study holds for this one alone. */
  readonly basis: string;
}

/** The circuit of a press that can be simulated; null where its way is no such circuit, or none is chosen. */
export function provable(job: Job, a: Pick<Assessment, 'plans' | 'facts'>, press: string): Provable | null {
  const plan = a.plans.find((p) => p.press.id === press);
  const context = plan?.way ? wayContext(job, a.facts, plan.press, plan.wiresBefore) : null;
  if (!plan?.way || !context) return null;
  const target = presser(context, plan.way);
  if (!target.context.line || !target.way.applies || !isJointWay(target.way.way)) return null;
  const netlists = proofCases(target.context, target.way, 'key').map((c) => c.netlist);
  return { ...target, basis: hashOf(netlists.join('\n')) };
}
