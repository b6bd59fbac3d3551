import { ownerOf } from '../document/line-id';
import type { ListName } from '../document/places';
import type { FeedPlan, Job } from '../document/types';

const OWNERS: readonly ListName[] = ['presses', 'senses', 'hands', 'signs'];

/**
 * The job after an item of a list is gone: what names only where the item lay goes with it, as the pins of a press do. What says
 * something of its own about it, as a script that presses it, stays and has the edit refused.
 */
export function cascaded(job: Job, list: ListName, key: string): Job {
  if (list.startsWith('feed.')) return { ...job, feed: withoutNode(job.feed, key) };
  if (list === 'act.parts') return withoutPart(job, key);
  if (list === 'act.moves') return { ...job, act: withoutFaults(job, key) };
  if (!OWNERS.includes(list)) return job;
  return {
    ...job,
    act: {
      ...job.act,
      parts: job.act.parts.map((p) => ({ ...p, heeds: p.heeds.filter((h) => h.press !== key) })),
      faults: job.act.faults.filter((f) => ownerOf(f.of) !== key),
    },
    feed: {
      ...job.feed,
      hangs: job.feed.hangs.filter((h) => ownerOf(h.load) !== key),
      loads: job.feed.loads.map((l) => (l.runsWith === key ? { ...l, runsWith: '' } : l)),
      groups: job.feed.groups.map((g) => ({ ...g, presses: g.presses.filter((p) => p !== key) })),
    },
    board: { ...job.board, pins: job.board.pins.filter((p) => ownerOf(p.line) !== key) },
    bench: {
      ...job.bench,
      units: job.bench.units.map((u) => ({
        ...u,
        pins: Object.fromEntries(Object.entries(u.pins).filter(([line]) => ownerOf(line) !== key)),
      })),
    },
  };
}

const withoutFaults = (job: Job, key: string): Job['act'] => ({
  ...job.act,
  faults: job.act.faults.filter((f) => f.of !== key),
});

/** What tells of a part of the machine that is gone tells of the first. */
const withoutPart = (job: Job, key: string): Job => ({
  ...job,
  act: withoutFaults(job, key),
  senses: job.senses.map((s) => (s.part === key ? { ...s, part: '' } : s)),
});

/**
 * The tree of supplies after one of its parts or loads is gone: its branches hang on nothing until somebody says on what; loads that
 * hung on it fall to the end of the tree where there is but one, and are judged there.
 */
function withoutNode(feed: FeedPlan, id: string): FeedPlan {
  const loose = <T extends { from: string }>(x: T): T => (x.from === id ? { ...x, from: '' } : x);
  return {
    ...feed,
    converters: feed.converters.map(loose),
    links: feed.links.map(loose),
    hangs: feed.hangs.filter((h) => h.load !== id && h.node !== id),
    shifts: feed.shifts.filter((s) => !s.id.split('~').includes(id)),
  };
}
