import { freshSense, type Job, type MachinePart, type Sense, type SenseCount } from '../../core/ground/job';
import { BUTTON, edit, machine, moves, onPin, pressed, type Situation } from './situation';

const COUNT: SenseCount = {
  unit: 'l',
  worth: 0.0022,
  off: 0.03,
  budget: 500,
  budgetUnit: 'l',
  perDay: 5000,
  saveEvery: 1000,
  endurance: 100_000,
  pages: 4,
};
/** A flow meter of one’s own that counts litres. */
const COUNTS = onPin(
  edit(pressed(BUTTON, {}), {
    do: 'put',
    list: 'senses',
    item: {
      ...freshSense('told', 'flow'),
      kind: 'flow',
      touches: 'own',
      tells: 'at-work',
      highVolts: 3.3,
      count: COUNT,
    },
  }),
  13,
  'told',
);
const count = (job: Job, set: Partial<SenseCount>): Job =>
  edit(job, {
    do: 'put',
    list: 'senses',
    item: { ...(job.senses.find((s) => s.id === 'told') as Sense), count: { ...COUNT, ...set } },
  });

const times = (mean: number, of: 'run' | 'back') => [-0.2, 0.1, 0.2, -0.1, 0].map((d) => ({ of, seconds: mean + d }));
/** A shutter that is timed both ways and stands half-way, by a press of half its way. */
const between = (set: Partial<MachinePart>, seconds = 10): Job =>
  moves(
    machine({
      kind: 'travels-while-held',
      runSeconds: 20,
      backSeconds: 19,
      timings: [...times(20, 'run'), ...times(19, 'back')],
      between: { mayMiss: 0.1, startsSeconds: 0.1 },
      ...set,
    })(pressed(BUTTON, {})),
    ['press', seconds],
  );

/** What must never be green of what is counted, and of what stands between its ends by time. */
export const OF_COUNTS: readonly Situation[] = [
  {
    what: 'a budget in another unit than what is counted',
    source: 'litres are no turns',
    sound: COUNTS,
    make: (j) => count(j, { budgetUnit: 'turns' }),
    rooms: ['sense'],
  },
  {
    what: 'a counter of which nobody measured what one count is worth',
    source: 'bucket test of flow meters',
    sound: COUNTS,
    make: (j) => count(j, { worth: null }),
    rooms: ['sense'],
  },
  {
    what: 'a memory that is written at each count',
    source: 'a page of flash bears 10 000 or 100 000 writes',
    sound: COUNTS,
    make: (j) => count(j, { saveEvery: 1 }),
    rooms: ['sense'],
  },
  {
    what: 'a counter of nobody knows how many counts a day',
    source: 'a page of flash bears 10 000 or 100 000 writes',
    sound: COUNTS,
    make: (j) => count(j, { perDay: null }),
    rooms: ['sense'],
  },
  {
    what: 'a place by time that misses by more than it may at once',
    source: 'variances add',
    sound: between({}),
    make: () => between({ between: { mayMiss: 0.005, startsSeconds: 0.1 } }),
    rooms: ['act'],
  },
  {
    what: 'a place by time whose ways nobody timed',
    source: 'from fewer than three no spread follows',
    sound: between({}),
    make: () => between({ timings: times(20, 'run').slice(0, 2) }),
    rooms: ['act'],
  },
  {
    what: 'a place by time whose starts and stops nobody watched',
    source: 'motors run on; each start adds its own',
    sound: between({}),
    make: () => between({ between: { mayMiss: 0.1, startsSeconds: null } }),
    rooms: ['act'],
  },
  {
    what: 'a part that is to stand between its ends, and no press stops it there',
    source: 'what runs from end to end stands at an end',
    sound: between({}),
    make: () => between({}, 25),
    rooms: ['act'],
  },
];
