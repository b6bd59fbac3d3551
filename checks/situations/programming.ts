import { edited, type Job } from '../../core/ground/job';
import { BUTTON, source, type Situation } from './situation';
import { CELLS, RAIL } from './energy';
import { HEATER } from './switched';

const isTaken = (job: Job): boolean => job.guard.ticks['lead-apart'] === undefined;
const untick = (job: Job, step: string): Job =>
  edited(job, { do: 'tick', step, title: 'x', on: false }, '2026-03-02T14:00:00Z');
const tick = (job: Job, step: string): Job => edited(job, { do: 'tick', step, title: 'x', on: true }, job.touchedAt);
const beside = (job: Job): Job => untick(job, 'lead-apart');

/** What must never be green of the lead by which the controller is programmed. */
export const OF_PROGRAMMING: readonly Situation[] = [
  {
    what: 'a programming lead beside a supply of 5 V on the same conductor',
    source: 'USB 2.0, 7.2.1: no current back into the host',
    sound: BUTTON,
    make: beside,
    holds: isTaken,
    rooms: ['feed'],
    worst: 'tight',
  },
  {
    what: 'a programming lead into the chip’s pin that cells feed',
    source: 'IEC 60086-4: primary cells must not be charged',
    sound: CELLS,
    make: beside,
    holds: isTaken,
    rooms: ['feed'],
    worst: 'tight',
  },
  {
    what: 'a programming lead that feeds the machine’s own rail while it is off',
    source: 'back feed, common practice',
    sound: RAIL,
    make: beside,
    holds: isTaken,
    rooms: ['feed'],
    worst: 'unknown',
  },
  {
    what: 'a programming lead while a mains module stands on the same board',
    source: 'IEC 61010-1: accessible conductors under a single fault; common practice',
    sound: tick(source(BUTTON, { kind: 'mains-module', isolated: 'yes' }), 'programming-mains'),
    make: (j) => untick(j, 'programming-mains'),
    holds: (j) => j.guard.ticks['programming-mains'] === undefined,
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a programming lead while a contact on the same board carries mains',
    source: 'IEC 61010-1: accessible conductors under a single fault; common practice',
    sound: tick(HEATER, 'programming-mains'),
    make: (j) => untick(j, 'programming-mains'),
    holds: (j) => j.guard.ticks['programming-mains'] === undefined,
    rooms: ['guard'],
    worst: 'unknown',
  },
];
