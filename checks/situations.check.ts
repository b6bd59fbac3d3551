// A list of situations that must never be green, written from handbooks, standards and failures before the code was looked at: each is put
// into a job that is otherwise sound, and a room that it concerns must say so. Two of them at once must not hide each other.
import { describe, expect, it } from 'vitest';
import { assess, type Assessment } from '../core/house/assess';
import { threadOf } from '../core/house/thread';
import { isGraver, type Finding } from '../core/ground/finding';
import type { Job } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { OF_BEFORE } from './situations/before';
import { OF_PINS } from './situations/board';
import { OF_CIRCUITS } from './situations/circuits';
import { OF_CONVERTERS } from './situations/converters';
import { OF_ENERGY } from './situations/energy';
import { OF_COUNTS } from './situations/counted';
import { OF_SUPPLIES } from './situations/feed';
import { OF_LEADS } from './situations/leads';
import { OF_LINES } from './situations/lines';
import { OF_LISTENING } from './situations/listening';
import { OF_LOADS } from './situations/loads';
import { OF_MECHANICS } from './situations/mechanics';
import { OF_MODULES } from './situations/modules';
import { OF_PRESSES } from './situations/motion';
import { OF_PEOPLE } from './situations/people';
import { OF_RULES } from './situations/rules';
import { OF_BOARDS } from './situations/boards';
import { OF_GUARD } from './situations/guarded';
import { OF_WARMTH } from './situations/warmth';
import { OF_PROGRAMMING } from './situations/programming';
import { OF_SWITCHED } from './situations/switched';
import { OF_STRANGERS } from './situations/strangers';
import { OF_TAPS } from './situations/taps';
import { OF_TIMERS } from './situations/timers';
import { OF_RECORDINGS } from './situations/recordings';
import { OF_TRAVEL } from './situations/travel';
import { OF_UNTESTED } from './situations/untested';
import { BUTTON, KEY, LOOP, RELAY, type Situation } from './situations/situation';

const ALL: readonly Situation[] = [
  ...OF_SUPPLIES,
  ...OF_CONVERTERS,
  ...OF_PINS,
  ...OF_PRESSES,
  ...OF_LOADS,
  ...OF_MECHANICS,
  ...OF_CIRCUITS,
  ...OF_LINES,
  ...OF_SWITCHED,
  ...OF_ENERGY,
  ...OF_PEOPLE,
  ...OF_RULES,
  ...OF_WARMTH,
  ...OF_GUARD,
  ...OF_BOARDS,
  ...OF_PROGRAMMING,
  ...OF_MODULES,
  ...OF_LISTENING,
  ...OF_BEFORE,
  ...OF_STRANGERS,
  ...OF_TIMERS,
  ...OF_UNTESTED,
  ...OF_RECORDINGS,
  ...OF_TRAVEL,
  ...OF_TAPS,
  ...OF_LEADS,
  ...OF_COUNTS,
];
const SEED = 20261130;
/** `SITUATION_PAIRS` asks for more of them. */
const PAIRS = Number(process.env['SITUATION_PAIRS'] ?? 500);

const sound = new Map<Job, Assessment>();
const assessed = (job: Job): Assessment => {
  const known = sound.get(job) ?? assess(job);
  sound.set(job, known);
  return known;
};
/** Findings of the rooms concerned that are graver than in the sound job. */
function said(s: Situation, job: Job): readonly Finding[] {
  const was = new Map(assessed(s.sound).findings.map((f) => [f.id, f.verdict]));
  return assess(job).findings.filter(
    (f) => s.rooms.includes(f.room) && isGraver(f.verdict, was.get(f.id) ?? 'settled'),
  );
}

describe('what must never be green', () => {
  it('are two hundred at least, each with where it is known from', () => {
    expect(ALL.length).toBeGreaterThanOrEqual(200);
    for (const s of ALL) expect(s.source.length, s.what).toBeGreaterThan(6);
    expect(new Set(ALL.map((s) => s.what)).size).toBe(ALL.length);
  });

  it.each([
    ['a button', BUTTON],
    ['a loop', LOOP],
    ['a relay', RELAY],
    ['a key', KEY],
  ])('is put into jobs that are not stopped: %s', (_, job) => {
    expect(
      assess(job).findings.filter((f) => f.verdict === 'stop' && !['try', 'pack', 'guard', 'routine'].includes(f.room)),
    ).toEqual([]);
  });

  it.each(ALL.map((s) => [s.what, s] as const))('%s', (_, s) => {
    const job = s.make(s.sound);
    const found = said(s, job);
    expect(found.map((f) => f.id)).not.toEqual([]);
    const rooms = threadOf(assess(job).findings).filter((b) => found.some((f) => f.room === b.room));
    for (const b of rooms) expect(b.verdict, b.room).not.toBe('settled');
    if (s.worst) for (const f of found) expect(isGraver(f.verdict, s.worst), `${f.id} is ${f.verdict}`).toBe(false);
  });

  it(`is not hidden by another one that comes with it, in ${PAIRS} pairs`, () => {
    const random = seededRandom(SEED);
    const pairs = ALL.flatMap((one) =>
      ALL.flatMap((other) => (one !== other && one.sound === other.sound ? [{ one, other, at: random.next() }] : [])),
    ).sort((a, b) => a.at - b.at);
    let [tried, refused] = [0, 0];
    const hidden: string[] = [];
    for (const { one, other } of pairs.slice(0, PAIRS)) {
      let job: Job;
      try {
        job = one.make(other.make(one.sound));
      } catch {
        // The border refuses what makes no job.
        refused++;
        continue;
      }
      if (one.holds && !one.holds(job)) continue;
      tried++;
      if (said(one, job).length === 0) hidden.push(`${one.what}, with ${other.what}`);
    }
    console.log(
      `${ALL.length} situations; ${tried} of ${pairs.length} pairs of them, ${refused} refused at the border`,
    );
    expect(hidden).toEqual([]);
    expect(tried).toBeGreaterThan(PAIRS / 3);
  });
});
