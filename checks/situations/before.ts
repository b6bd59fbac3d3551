import { freshPress, type GuardRecord, type Job } from '../../core/ground/job';
import { demoJob, machined } from '../../core/testing/jobs';
import { HEATER } from './switched';
import { BUTTON, EMPTY, edit, onPin, pressed, put, type Situation } from './situation';

const HOOD = demoJob('hood-fan');
/** Two loads of their own on 24 V, each behind a relay, each said, each on a supply of its own. */
const LOADS: Job = put(
  edit(
    EMPTY,
    ...['hot', 'cold'].map((id) => ({
      do: 'put' as const,
      list: 'presses' as const,
      item: { ...freshPress(id, id), way: 'relay-contact' as const },
    })),
  ),
  'guard',
  {
    cutOff: 'none',
    loads: ['hot', 'cold'].map((press) => ({ press, watts: 60, kind: 'resistive', volts: 24, current: 'ac' })),
  },
);
const cold = (job: Job, set: Partial<GuardRecord['loads'][number]>): Job =>
  put(job, 'guard', { loads: job.guard.loads.map((l) => (l.press === 'cold' ? { ...l, ...set } : l)) });
/** Whether the second load still hangs behind its relay. */
const byRelay = (job: Job): boolean => job.presses[1]?.way === 'relay-contact';
const END = edit(put(BUTTON, 'guard', { cutOff: 'own-end' }), {
  do: 'tick',
  step: 'press-hung-tried',
  title: 'x',
  on: true,
});

/** What must never be green of what is asked before the first screw and the first cut, and of loads of their own. */
export const OF_BEFORE: readonly Situation[] = [
  {
    what: 'a safety device that no longer works once it is taken over, whatever takes its place',
    source: 'ISO 12100: protective devices of a machine stay in function',
    sound: HOOD,
    make: (j) =>
      put(j, 'guard', {
        losses: [{ id: 'x', what: 'the cut-out', safety: true, instead: 'the program' }],
        lossesReviewed: true,
      }),
    rooms: ['guard'],
  },
  {
    what: 'a machine that is taken over, of which nobody asked what is lost',
    source: 'common practice',
    sound: HOOD,
    make: (j) => put(j, 'guard', { losses: [], lossesReviewed: false }),
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a lead of a mains machine that is switched, of which nobody asked what is lost: its clock, its own after-run',
    source: 'common practice',
    sound: put(pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' } }), 'guard', { lossesReviewed: true }),
    make: (j) => put(j, 'guard', { lossesReviewed: false }),
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a machine that is opened, of which nothing was kept while it was whole',
    source: 'common practice',
    sound: edit(BUTTON, {
      do: 'put',
      list: 'wish.whole',
      item: { id: 'r', at: '2026-03-02T14:00:00Z', what: 'a run', seconds: 60, watts: null, noted: '' },
    }),
    make: (j) => put(j, 'wish', { whole: [] }),
    rooms: ['guard'],
    worst: 'tight',
  },
  {
    what: 'two contacts that carry loads, and one number for both',
    source: 'what nobody said of the second is a guess',
    sound: LOADS,
    make: (j) => put(j, 'guard', { loads: [], loadWatts: 60, loadKind: 'resistive', loadVolts: 24 }),
    rooms: ['guard'],
    holds: (j) => j.guard.loads.length === 0 && byRelay(j),
  },
  {
    what: 'a second load of 600 W on 24 V behind a contact of 10 A, beside a small one',
    source: '600/24 = 25 A',
    sound: LOADS,
    make: (j) => cold(j, { watts: 600 }),
    holds: (j) => byRelay(j) && j.guard.loads.length > 0,
    rooms: ['guard'],
  },
  {
    what: 'a load of 24 V on a supply of which nobody said whether it is isolated from mains',
    source: 'IEC 61140: extra-low voltage is safe from an isolated source alone',
    sound: edit(LOADS, { do: 'tick', step: 'own-supply.cold', title: 'x', on: true }),
    make: (j) => edit(j, { do: 'tick', step: 'own-supply.cold', title: 'x', on: false }),
    holds: byRelay,
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a load of 60 W of which nobody said on how many volts it runs',
    source: '60 W are a quarter of an ampere on mains and five on 12 V',
    sound: LOADS,
    make: (j) => cold(j, { volts: null }),
    rooms: ['guard', 'thumb'],
  },
  {
    what: 'a valve on mains behind a relay on a maker’s own board',
    source: 'IEC 61140; licensed work',
    sound: LOADS,
    make: (j) => cold(j, { volts: 230 }),
    holds: (j) => byRelay(j) && j.guard.loads.length > 0,
    rooms: ['thumb'],
  },
  {
    what: 'a brake of 100 V of direct current on a contact for mains',
    source: 'IEC 60947-5-1 DC-13: direct current of a coil is hard to break',
    sound: LOADS,
    make: (j) => cold(j, { volts: 100, current: 'dc', kind: 'solenoid', watts: 150 }),
    rooms: ['guard'],
  },
  {
    what: 'an end of the machine’s own that nobody tried with the program stopped',
    source: 'IEC 60335-1 §22: a failed controller must not lead to harm',
    sound: END,
    make: (j) => edit(j, { do: 'tick', step: 'press-hung-tried', title: 'x', on: false }),
    rooms: ['guard'],
  },
  {
    what: 'an end of the machine’s own where it goes on for as long as it is pressed',
    source: 'IEC 60335-1 §22: a failed controller must not lead to harm',
    sound: END,
    make: (j) => machined(j, { kind: 'while-held' }),
    rooms: ['guard'],
  },
  {
    what: 'an outlet that is wired to a pin of a bare board, with no bought switch',
    source: 'a board has no contact of its own',
    sound: LOADS,
    make: (j) =>
      onPin(edit(j, { do: 'put', list: 'presses', item: { ...j.presses[1]!, way: 'module-contact' } }), 14, 'cold'),
    rooms: ['thumb'],
  },
];
