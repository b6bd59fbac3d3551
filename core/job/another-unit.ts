import type { Job, Point } from './types';

const PINS: readonly Point['kind'][] = ['live', 'neutral', 'mains', 'earth'];

/**
 * The same job for another unit of the same machine. What was proven on the first proves nothing of the second: its isolation
 * readings are withdrawn, its ticks and trials begin anew, and how its main switch stood is asked again. Everything else is kept.
 * @param id unique; @param now ISO time.
 */
export function anotherUnit(job: Job, id: string, now: string): Job {
  return {
    ...job,
    id,
    title: `${job.title}, again`.slice(0, 200),
    createdAt: now,
    touchedAt: now,
    archived: false,
    trials: [],
    guard: { ...job.guard, ticks: {} },
    survey: {
      ...job.survey,
      mains: { ...job.survey.mains, mainSwitch: job.survey.mains.mainSwitch === 'none' ? 'none' : 'unknown' },
    },
    readings: job.readings.map((r) =>
      PINS.includes(r.from.kind) || PINS.includes(r.to.kind) ? { ...r, struck: true } : r,
    ),
    log: [
      ...job.log,
      { at: now, room: '', text: `the same again, from ${job.title}; isolation, tests and ticks begin anew` },
    ],
  };
}
