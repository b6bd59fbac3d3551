import { itemAt, present } from '../../../lists';
import { nodesIn } from './fresh';
import type { LoadProblem } from '../problem';
import type { FeedPlan, Job } from '../types';

const no = (what: string, where: string, todo: string): LoadProblem => ({ what, where: `field "${where}"`, todo });

/** The load that the controller is. */
export const CONTROLLER = 'controller';

/** What makes a tree of supplies no tree: two of one id, a loop, a load that runs from more than it bears. */
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
  return loopOf(feed) ?? voltsOf(feed);
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

function voltsOf({ loads }: FeedPlan): LoadProblem | null {
  const i = loads.findIndex((l) => l.leastVolts > l.mostVolts);
  return i < 0
    ? null
    : no(
        `${itemAt(loads, i).name} runs from more than it bears.`,
        `feed.loads[${i}].leastVolts`,
        'Give the lower voltage first.',
      );
}
