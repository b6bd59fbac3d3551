import { freshOf } from '../../field';
import { jobFields } from '../document/fields';
import { controlFields } from '../document/readings/fields';
import type { Control, Job } from '../document/types';

/** What is known when a job is begun. */
export interface FreshWish {
  title: string;
  place?: string;
  outcome?: string;
  when?: string;
  never?: string;
  timeZone?: string;
}

/** A control with the usual assumption about its input levels. */
export const freshControl = (id: string, name: string): Control => ({ ...freshOf(controlFields), id, name });

/**
 * A job about which only the wish is known.
 * @param id unique; @param now ISO time; both come from the caller, since the core has neither clock nor chance.
 */
export function freshJob(wish: FreshWish, id: string, now: string): Job {
  const job = freshOf(jobFields);
  const title = wish.title.trim();
  return {
    ...job,
    id,
    title,
    place: wish.place ?? '',
    createdAt: now,
    touchedAt: now,
    region: { ...job.region, ...(wish.timeZone === undefined ? {} : { timeZone: wish.timeZone }) },
    wish: { ...job.wish, outcome: wish.outcome ?? '', when: wish.when ?? '', never: wish.never ?? '' },
    log: [{ at: now, room: 'wish', text: `job begun: ${title}` }],
  };
}
