import { itemAt, present } from '../../../lists';
import { nodesIn } from './fresh';
import { lineId, ownerOf } from '../line-id';
import type { LoadProblem } from '../problem';
import type { FeedPlan, Job } from '../types';

const no = (what: string, where: string, todo: string): LoadProblem => ({ what, where: `field "${where}"`, todo });

/** The load that the controller is. */
export const CONTROLLER = 'controller';

/** Loads that a job can have besides its own: the controller, and what a press or its motor draws. */
const isLoad = (job: Job, load: string): boolean =>
  load === CONTROLLER ||
  job.feed.loads.some((l) => l.id === load) ||
  job.presses.some((p) => p.id === ownerOf(load) && (load === p.id || load.length > lineId(p.id).length + 1));

/** What makes a tree of supplies no tree: two of one id, a branch on what is not there, a loop, a load that nobody has. */
export function feedProblem(job: Job): LoadProblem | null {
  const { feed } = job;
  const nodes = nodesIn(feed);
  const ids = new Set<string>();
  for (const { id, name } of [...nodes, ...feed.loads, ...feed.groups]) {
    if (ids.has(id) || id === CONTROLLER || id.includes('/') || id.includes('~'))
      return no(
        ids.has(id) ? `Two things are called ${JSON.stringify(id)}.` : `The id ${JSON.stringify(id)} means something.`,
        `id of ${name} in feed`,
        'Give each source, converter, fuse, lead, load and group an id of its own, without a stroke.',
      );
    ids.add(id);
  }
  return branchesOf(feed) ?? loopOf(feed) ?? hangsOf(job) ?? groupsOf(job);
}

const gone = (id: string, where: string, todo: string): LoadProblem =>
  no(`There is no ${JSON.stringify(id)} in this job.`, where, todo);

function branchesOf(feed: FeedPlan): LoadProblem | null {
  const nodes = new Set(nodesIn(feed).map((n) => n.id));
  for (const list of ['converters', 'links'] as const)
    for (const [i, x] of feed[list].entries())
      if (x.from !== '' && !nodes.has(x.from))
        return gone(x.from, `feed.${list}[${i}].from`, 'Name a source, a converter, a fuse or a lead that is there.');
  return null;
}

function loopOf(feed: FeedPlan): LoadProblem | null {
  const above = new Map([...feed.converters, ...feed.links].map((x) => [x.id, x]));
  for (const list of ['converters', 'links'] as const)
    for (const [i, x] of feed[list].entries()) {
      const seen = new Set<string>();
      for (let at = above.get(x.id); at; at = above.get(at.from)) {
        if (seen.has(at.id))
          return no(
            `${x.name} feeds itself: ${[...seen].map((id) => present(above.get(id)).name).join(', ')} and back.`,
            `feed.${list}[${i}].from`,
            'Let one of them hang on a source.',
          );
        seen.add(at.id);
      }
    }
  return null;
}

function hangsOf(job: Job): LoadProblem | null {
  const nodes = new Set(nodesIn(job.feed).map((n) => n.id));
  for (const [i, h] of job.feed.hangs.entries()) {
    if (!nodes.has(h.node)) return gone(h.node, `feed.hangs[${i}].node`, 'Hang it on something that is there.');
    if (!isLoad(job, h.load))
      return gone(h.load, `feed.hangs[${i}].load`, 'Name the controller, a press, or a load that the job has.');
  }
  const rail = job.feed.sources.findIndex((s) => s.rail !== '' && !job.survey.rails.some((r) => r.id === s.rail));
  return rail < 0
    ? null
    : gone(itemAt(job.feed.sources, rail).rail, `feed.sources[${rail}].rail`, 'Take another supply in Feed first.');
}

function groupsOf(job: Job): LoadProblem | null {
  const presses = new Set(job.presses.map((p) => p.id));
  for (const [i, g] of job.feed.groups.entries()) {
    const lost = g.presses.find((p) => !presses.has(p));
    if (lost !== undefined) return gone(lost, `feed.groups[${i}].presses`, 'Name presses that the job has.');
  }
  const load = job.feed.loads.findIndex((l) => l.runsWith !== '' && !presses.has(l.runsWith));
  if (load >= 0)
    return gone(
      itemAt(job.feed.loads, load).runsWith,
      `feed.loads[${load}].runsWith`,
      'Name a press that the job has.',
    );
  const wrong = job.feed.loads.findIndex((l) => l.leastVolts > l.mostVolts);
  return wrong < 0
    ? null
    : no(
        `${itemAt(job.feed.loads, wrong).name} runs from more than it bears.`,
        `feed.loads[${wrong}].leastVolts`,
        'Give the lower voltage first.',
      );
}
