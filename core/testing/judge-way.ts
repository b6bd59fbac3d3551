import { assess } from '../house/assess';
import type { Finding } from '../ground/finding';
import type { ControlFact } from '../ground/facts';
import type { BenchPlan, Job, Press, Way } from '../ground/job';
import { contextIn, demoJob, pressed } from './jobs';
import { evaluateWay, type WayResult } from '../build/ways';

export const pot = demoJob('rice-pot');
export const shutter = demoJob('hatch-shutter');
export const proofer = demoJob('dough-proofer');
export const rocker = demoJob('extractor-rocker');
export const fan = demoJob('hood-fan');
const facts = new Map<Job, ReturnType<typeof assess>['facts']>();
export const factsOf = (job: Job) => facts.get(job) ?? facts.set(job, assess(job).facts).get(job)!;

/** One way on a demo job's control, with a plan and a fact of its own. */
export function judge(
  way: Way,
  base: Job,
  plan: Partial<Press> & Partial<BenchPlan> = {},
  fact: Partial<ControlFact> = {},
  edit: (j: Job) => Job = (j) => j,
): WayResult {
  const c = contextIn(edit(pressed(base, plan)), factsOf(base));
  return evaluateWay(way, { ...c, fact: { ...c.fact, ...fact } });
}
export const of = (r: WayResult, id: string): Finding => {
  const found = r.findings.find((f) => f.id === `thumb.${r.way}.${id}`);
  if (!found) throw new Error(`no ${id} among ${r.findings.map((f) => f.id).join(', ')}`);
  return found;
};
