import { readFileSync } from 'node:fs';
import { assess, type Assessment } from '../house/assess';
import type { Finding } from '../ground/finding';
import type { Facts } from '../ground/facts';
import {
  BENCH_MAINS,
  edited,
  freshJob,
  freshLink,
  freshPress,
  freshSource,
  loadJob,
  restContact,
  stepOf,
  withMachine,
  withSteps,
  type BenchPlan,
  type FeedLink,
  type FeedSource,
  type Job,
  type JobEdit,
  type MachinePart,
  type Press,
  type Section,
} from '../ground/job';
import { rankWays, wayContext } from '../rooms/thumb';
import type { WayContext, WayResult } from '../build/ways';

/** For tests: a demo job from its file. */
export function demoJob(
  name:
    | 'rice-pot'
    | 'yard-gate'
    | 'larder-dehumidifier'
    | 'dough-proofer'
    | 'cold-room-alarm'
    | 'hatch-shutter'
    | 'extractor-rocker'
    | 'glass-washer'
    | 'hood-fan'
    | 'steam-flaps'
    | 'ice-bath-valve'
    | 'proving-cabinet',
  root: string | URL = new URL('../../', import.meta.url),
): Job {
  const loaded = loadJob(
    readFileSync(typeof root === 'string' ? `${root}demo/${name}.json` : new URL(`demo/${name}.json`, root), 'utf8'),
  );
  if (!loaded.ok) throw new Error(loaded.problem.what);
  return loaded.job;
}

/** For tests: a job about a machine on the bench, its mains side answered, with nothing read. */
export const benchJob = (title = 'x', id = 'x', now = '2026-03-02T14:00:00Z'): Job => {
  const job = freshJob({ title }, id, now);
  return { ...job, survey: { ...job.survey, mains: { ...BENCH_MAINS } } };
};

/** For tests: a job of which only the wish and the name of one control are known. */
export const bareJob = (control = 'power'): Job =>
  edited(
    freshJob({ title: 'Larder dehumidifier', outcome: 'it runs again' }, 'bare', '2026-03-02T14:00:00Z'),
    { do: 'add-control', id: `control-${control}`, name: control },
    '2026-03-02T14:00:00Z',
  );

/** For tests: the job with one section changed. */
export const changed = <S extends Section>(job: Job, section: S, set: Partial<Job[S]>): Job =>
  edited(job, { do: 'set', at: section, set, say: 'test' } as JobEdit, '2026-03-02T14:00:00Z');

/** For tests: the job with its first source and its first lead changed; a job without them gets a supply that is described whole. */
export function fed(job: Job, source: Partial<FeedSource>, lead: Partial<FeedLink> = {}): Job {
  const at = '2026-03-02T14:00:00Z';
  const s = job.feed.sources[0] ?? {
    ...freshSource('supply', 'own plug-in supply'),
    volts: 5,
    amps: 1,
    isolated: 'yes' as const,
    polarity: 'read' as const,
  };
  const l = job.feed.links.find((x) => x.kind === 'lead') ?? {
    ...freshLink('lead', 'lead', 'lead', s.id),
    metres: 1,
    squareMetres: 0.08e-6,
  };
  return edited(
    job,
    {
      do: 'several',
      edits: [
        { do: 'put', list: 'feed.sources', item: { ...s, ...source } },
        { do: 'put', list: 'feed.links', item: { ...l, ...lead } },
      ],
    },
    at,
  );
}

/** For tests: the job with its first press changed, or what presses share; a job without one gets a press of its first control. */
export function pressed(job: Job, set: Partial<Press> & Partial<BenchPlan>): Job {
  const at = '2026-03-02T14:00:00Z';
  const first = job.presses[0];
  const has = first
    ? job
    : edited(job, { do: 'put', list: 'presses', item: freshPress('press', 'press', job.controls[0]?.id ?? '') }, at);
  const of = (inBench: boolean): object =>
    Object.fromEntries(Object.entries(set).filter(([key]) => key in job.bench === inBench));
  return edited(
    has,
    {
      do: 'several',
      edits: [
        { do: 'set', at: 'press', of: has.presses[0]!.id, set: of(false), say: 'test' },
        { do: 'set', at: 'bench', set: of(true), say: 'test' },
      ],
    },
    at,
  );
}

/** For tests: the job with its first press, or another line, on a pin. */
export function onPin(job: Job, gpio: number | null, line = job.presses[0]!.id): Job {
  const at = '2026-03-02T14:00:00Z';
  if (gpio !== null) return edited(job, { do: 'put', list: 'board.pins', item: { line, gpio, fixed: true } }, at);
  return job.board.pins.some((p) => p.line === line)
    ? edited(job, { do: 'drop', list: 'board.pins', key: line }, at)
    : job;
}

/** For tests: the job with a script of its first press. */
export const scripted = (
  job: Job,
  script: readonly { readonly do: 'press' | 'wait'; readonly seconds: number }[],
): Job =>
  edited(
    job,
    withSteps(
      job,
      script.map((s) => stepOf(s.do, { press: s.do === 'press' ? job.presses[0]!.id : '', seconds: s.seconds })),
      'a script',
    ),
    '2026-03-02T14:00:00Z',
  );

/** For tests: the job with more said of the first part of its machine. */
export const machined = (job: Job, set: Partial<MachinePart>): Job =>
  edited(job, withMachine(job, set), '2026-03-02T14:00:00Z');

/** For tests: the job before anything of its machine, moves or routine was said. */
export const unmoved = (job: Job): Job => {
  const { routine } = freshJob({ title: 'x', outcome: '' }, 'x', job.createdAt);
  const hands = job.hands.map((h) => (h.kind === 'mode' ? { ...h, kind: 'stop' as const, mode: '' } : h));
  return { ...job, hands, routine, act: { ...job.act, parts: [], moves: [] } };
};

/** For tests: the job with one contact that tells the rest, or pressed blind. */
export const withSense = (job: Job): Job => edited({ ...job, senses: [] }, restContact(job), '2026-03-02T14:00:00Z');
export const withoutSense = (job: Job): Job =>
  job.senses.reduce((j, s) => edited(j, { do: 'drop', list: 'senses', key: s.id }, '2026-03-02T14:00:00Z'), job);

/** For tests: all ways of the job's first press, best first. */
export const waysOf = (job: Job, a: Pick<Assessment, 'facts'> = assess(job)): WayResult[] => {
  const press = job.presses[0];
  return press ? rankWays(wayContext(job, a.facts, press)) : [];
};

/** For tests: the context of the job's first press, and its chosen way. */
export const contextIn = (job: Job, facts: Facts = assess(job).facts): WayContext =>
  wayContext(job, facts, job.presses[0]!)!;
export const chosenIn = (job: Job): WayResult => assess(job).plans[0]!.way!;

/** For tests: one finding by its id, or a clear failure. */
export function findingOf(a: Assessment | Job, id: string): Finding {
  const all = 'findings' in a ? a.findings : assess(a).findings;
  const found = all.find((f) => f.id === id);
  if (!found) throw new Error(`no finding ${id}; there are ${all.map((f) => f.id).join(', ')}`);
  return found;
}
