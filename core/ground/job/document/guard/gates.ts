import type { AnyField, AnyFields } from '../../../field';
import { hashOf } from '../../../quantity';
import { jobFields } from '../fields';
import { matterOf } from '../matter';
import type { GateGround, Job } from '../types';

/** The value at a path of the document with its field. */
function at(job: Job, path: string): readonly [field: AnyField, value: unknown] {
  let field: AnyField = { is: 'group', fields: jobFields as unknown as AnyFields, label: '', usual: null };
  let value: unknown = job;
  for (const key of path.split('.')) {
    if (field.is !== 'group') throw new RangeError(`${path} is no path of groups`);
    field = field.fields[key] as AnyField;
    value = (value as Readonly<Record<string, unknown>>)[key];
  }
  return [field, value];
}
const matter = (job: Job, paths: readonly string[]): unknown => paths.map((p) => matterOf(...at(job, p)));

/** Of each press, how it is joined to the machine: its length does not matter to insulation. */
const joints = (job: Job): unknown => job.presses.map((p) => [p.id, p.control, p.way, p.twoContacts]);

/** What lies under each ground. */
const UNDER: Readonly<Record<GateGround, (job: Job) => unknown>> = {
  mains: (job) => [
    joints(job),
    matter(job, ['region.mainsVolts', 'survey.mains', 'guard.place', 'guard.apart', 'guard.boards', 'feed.sources']),
    // A reading that was taken or withdrawn at a pin of mains.
    job.readings
      .filter((r) => !r.struck && [r.from.kind, r.to.kind].some((k) => MAINS_PINS.includes(k)))
      .map((r) => r.id),
  ],
  loads: (job) => [
    joints(job),
    matter(job, [
      'guard.loadWatts',
      'guard.loadKind',
      'guard.loadVolts',
      'guard.loadCurrent',
      'guard.loads',
      'guard.chains',
    ]),
  ],
  machine: (job) => [matter(job, ['wish.hazards', 'act.parts']), job.presses.map((p) => [p.id, p.control])],
  program: (job) => matter(job, ['act.moves', 'routine', 'hands', 'signs', 'senses', 'guard.cutOff', 'guard.endTimer']),
  own: (job) => matter(job, ['guard.own']),
  wires: (job) => [joints(job), matter(job, ['board', 'feed.sources', 'senses'])],
};
const MAINS_PINS: readonly string[] = ['live', 'neutral', 'mains', 'earth'];

/** A key of what lies under a ground as it stands: the same key, nothing changed. */
const groundKey = (job: Job, ground: GateGround): string => hashOf(JSON.stringify(UNDER[ground](job)));

/** The keys of some grounds as they stand. */
export const groundKeys = (job: Job, grounds: readonly GateGround[]): Record<string, string> =>
  Object.fromEntries(grounds.map((g) => [g, groundKey(job, g)]));

/** The grounds of a step that changed since it was ticked; none for one that was not, or of which that was not kept. */
export function reopenedBy(job: Job, step: string): readonly GateGround[] {
  const gate = Object.hasOwn(job.guard.gates, step) ? job.guard.gates[step] : undefined;
  if (!gate || job.guard.ticks[step] === undefined) return [];
  return (Object.keys(UNDER) as GateGround[]).filter(
    (g) => gate.rests[g] !== undefined && gate.rests[g] !== groundKey(job, g),
  );
}

/** When a step was ticked; undefined where it was not, or where what it rests on has changed since. */
export const tickedAt = (job: Job, step: string): string | undefined =>
  reopenedBy(job, step).length > 0 ? undefined : job.guard.ticks[step];
