import type { Job, Point } from '../document/types';

const PINS: readonly Point['kind'][] = ['live', 'neutral', 'mains', 'earth'];
/** Longest title, characters. */
const TITLE = 200;

const retitled = (title: string, more: string): string => `${title.slice(0, TITLE - more.length)}${more}`;

/**
 * The same content as a job of its own, beside the one that it was taken from.
 * @param id unique; @param now ISO time; @param more what the title says of it, as `, copy`; @param why the line that the log gets.
 */
export const copyOf = (job: Job, id: string, now: string, more: string, why: string): Job => ({
  ...job,
  id,
  title: retitled(job.title, more),
  touchedAt: now,
  log: [...job.log, { at: now, room: '', text: why }],
});

/**
 * The same job for another unit of the same machine. What was proven on the first proves nothing of the second: its isolation
 * readings are withdrawn, its ticks and trials begin anew, and how its main switch stood is asked again. Everything else is kept.
 * @param id unique; @param now ISO time.
 */
export function anotherUnit(job: Job, id: string, now: string): Job {
  const why = `the same again, from ${job.title}; isolation, tests and ticks begin anew`;
  return {
    ...copyOf(job, id, now, ', again', why),
    createdAt: now,
    archived: false,
    trials: [],
    guard: { ...job.guard, ticks: {}, gates: {}, drills: [], accepted: [] },
    feed: { ...job.feed, shifts: [] },
    survey: {
      ...job.survey,
      mains: { ...job.survey.mains, mainSwitch: job.survey.mains.mainSwitch === 'none' ? 'none' : 'unknown' },
    },
    readings: job.readings.map((r) =>
      PINS.includes(r.from.kind) || PINS.includes(r.to.kind) ? { ...r, struck: true } : r,
    ),
  };
}
