import { closedTimes, type Job, type MachinePart, type Timing } from '../../ground/job';
import { heedsOf } from './heard';

/** Role of the press that a timing is of, where the part moves for as long as it is held. */
const ROLE = { run: 'open', back: 'close' } as const;

/** A press that carries a part by time alone, over all the steps that it goes on through, s. */
export interface TimedPress {
  readonly name: string;
  readonly seconds: number;
}

/** Every press of the moves that carries a part there, or back, and that no sense ends. */
export function timedPresses(job: Job, p: MachinePart, of: Timing['of']): readonly TimedPress[] {
  const heeds = heedsOf(job, p).filter((h) => h.as === ROLE[of]);
  return job.act.moves.flatMap((m) =>
    closedTimes(m).flatMap((c) => {
      if (c.sensed || !heeds.some((h) => h.press === c.press && h.other === c.other)) return [];
      const [first, last] = c.steps;
      const steps = first === last ? `step ${first}` : `the press of steps ${first} to ${last}`;
      return [{ name: `${steps} of ${m.name}`, seconds: c.to - c.from }];
    }),
  );
}
