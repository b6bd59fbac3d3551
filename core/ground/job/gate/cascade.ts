import { withoutGone } from '../../field';
import type { ListName } from '../document/places';
import type { Job } from '../document/types';
import { JOB_FIELDS, SORT_OF } from './references';

/**
 * The job after an item of a list is gone: what names it is cleared or goes with it, as its field says, and as the pins of a press do.
 * What says something of its own about it, as a script that presses it, stays and has the edit refused.
 */
export function cascaded(job: Job, list: ListName, key: string): Job {
  const sort = SORT_OF[list];
  if (!sort) return job;
  const left = withoutGone(JOB_FIELDS, job, (what) => what.id === key && what.sort === sort);
  return list.startsWith('feed.')
    ? { ...left, feed: { ...left.feed, shifts: left.feed.shifts.filter(names(key)) } }
    : left;
}

/** A reading between two grounds is known by both of them. */
const names =
  (key: string) =>
  ({ id }: Job['feed']['shifts'][number]): boolean =>
    !id.split('~').includes(key);
