import { freshMove, machineOf, pressedBy } from '../document/act/steps';
import { freeId, freshSense } from '../document/owners';
import type { Job, MachinePart, MoveStep, Timing } from '../document/types';
import type { JobEdit } from './edit';

/** The edit that gives the first move these steps; a job without a move gets one. */
export const withSteps = (job: Pick<Job, 'act'>, steps: readonly MoveStep[], say: string): JobEdit => ({
  do: 'put',
  list: 'act.moves',
  item: { ...(job.act.moves[0] ?? freshMove('move', 'start')), steps: [...steps] },
  say,
});

/** The edit that says more of the first part; a job without a part gets one. */
export const withMachine = (job: Pick<Job, 'act'>, set: Partial<MachinePart>, say?: string): JobEdit => ({
  do: 'put',
  list: 'act.parts',
  item: { ...machineOf(job), ...set },
  ...(say === undefined ? {} : { say }),
});

/** A part with one more timing; its time is their mean. @param seconds over 0 */
export function withTiming(part: MachinePart, of: Timing['of'], seconds: number): MachinePart {
  const timings = [...part.timings, { of, seconds }];
  const own = timings.filter((t) => t.of === of).map((t) => t.seconds);
  const mean = Number((own.reduce((s, v) => s + v, 0) / own.length).toPrecision(4));
  return { ...part, timings, ...(of === 'back' ? { backSeconds: mean } : { runSeconds: mean }) };
}

/** The edit that makes every press of this one last at least so long, in all moves. */
export const pressedFor = (job: Pick<Job, 'act'>, press: string, seconds: number, say: string): JobEdit => ({
  do: 'several',
  say,
  edits: job.act.moves
    .filter((m) => m.steps.some((s) => pressedBy(s).includes(press)))
    .map((m): JobEdit => ({
      do: 'put',
      list: 'act.moves',
      item: {
        ...m,
        steps: m.steps.map((s) => (pressedBy(s).includes(press) ? { ...s, seconds: Math.max(s.seconds, seconds) } : s)),
      },
    })),
});

/** One contact of one's own that tells the rest of the machine: what most begin with. */
export const restContact = (job: Job): JobEdit => ({
  do: 'put',
  list: 'senses',
  item: {
    ...freshSense(freeId(job, 'rest contact'), 'rest contact'),
    kind: 'contact',
    touches: 'own',
    tells: 'at-rest',
  },
  say: 'one contact at rest',
});
