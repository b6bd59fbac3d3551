import { edited, stepOf, withSteps, type Job, type MachinePart, type Timing } from '../../core/ground/job';
import { machine, RELAY, type Situation } from './situation';

const NOW = '2026-03-02T14:00:00Z';
/** A cover that travels for as long as its press is held, timed and pressed for so long. */
const cover = (timings: readonly Timing[], press: number): Job => {
  const set: Partial<MachinePart> = {
    kind: 'travels-while-held',
    runSeconds: 20,
    backSeconds: 20,
    shortestPressSeconds: 0.1,
    timings: [...timings],
    heeds: [{ press: RELAY.presses[0]!.id, other: false, as: 'open' }],
  };
  const job = machine(set)(RELAY);
  return edited(job, withSteps(job, [stepOf('press', { press: job.presses[0]!.id, seconds: press })], 'open'), NOW);
};
const runs = (...seconds: number[]): Timing[] => seconds.map((s) => ({ of: 'run', seconds: s }));
const FIVE = runs(20, 20.2, 19.9, 20.1, 20);
const SOUND = cover(FIVE, 23);

/** What must never be green of ways that are gone by time. */
export const OF_TRAVEL: readonly Situation[] = [
  {
    what: 'a press that is to carry a cover to its end, shorter than one of its timings',
    source: 'arithmetic: what took 20.2 s once is not there after 20.1 s',
    sound: SOUND,
    make: () => cover(FIVE, 20.1),
    rooms: ['act'],
  },
  {
    what: 'a press that is to carry a cover to its end, longer than each timing and within their spread',
    source: 'ISO 16269-6: five timings ask for 4.2 times their spread over their mean',
    sound: SOUND,
    make: () => cover(FIVE, 20.3),
    rooms: ['act'],
    worst: 'tight',
  },
  {
    what: 'a press that is to carry a cover to its end, timed once',
    source: 'from one timing no spread follows',
    sound: SOUND,
    make: () => cover(runs(20), 23),
    rooms: ['act'],
  },
  {
    what: 'a press that is to carry a cover to its end, timed twice',
    source: 'ISO 16269-6: from two, the factor is 26',
    sound: SOUND,
    make: () => cover(runs(20, 20.1), 23),
    rooms: ['act'],
  },
  {
    what: 'timings of a cover that grows stiff: one of them far from the others',
    source: 'a spread of seconds asks for a reserve of many',
    sound: SOUND,
    make: () => cover(runs(20, 20.2, 24, 20.1, 20), 24.5),
    rooms: ['act'],
  },
];
