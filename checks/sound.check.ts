// Jobs that are drawn to be sound: every value lies where handbooks and data sheets want it. None of them may be stopped.
import { expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import type { Job, Way } from '../core/ground/job';
import { seededRandom, type Random } from '../core/ground/quantity';
import { fed, machined, onPin, pressed, scripted } from '../core/testing/jobs';
import { APART, dryPair, finished, lowButton, put, said } from './bench-jobs';
import { hand, sense, sign } from './situations/situation';

const SEED = 20261201;
/** `SOUND_JOBS` asks for more. */
const JOBS = Number(process.env['SOUND_JOBS'] ?? 300);

const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;
const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();

/** Switches that bear a button of some volts and a milliampere, each with the part that does. */
const SWITCHES: readonly (readonly [Way, Record<string, string>])[] = [
  ['solid-state-relay', { 'solid-state-relay': 'ssr-60' }],
  ['solid-state-relay', { 'solid-state-relay': 'ssr-400' }],
  ['relay-contact', { relay: 'relay-signal' }],
  ['relay-contact', { relay: 'relay-reed' }],
  ['optocoupler', { optocoupler: 'opto-ranked' }],
  ['npn-to-ground', { npn: 'npn-small' }],
  ['npn-to-ground', { npn: 'npn-medium' }],
  ['nmos-to-ground', { nmos: 'nmos-logic' }],
];
/** Those that keep the sides apart, for a pair of terminals of which neither is ground. */
const APART_SWITCHES = SWITCHES.filter(([way]) => ['solid-state-relay', 'relay-contact'].includes(way));
/** What a coupler of 100 % pulls for certain, aged and warm, with what a pin gives to its lamp, A. */
const COUPLER_AMPS = 0.6e-3;
const WITHOUT_COUPLER = SWITCHES.filter(([way]) => way !== 'optocoupler');

const bases = new Map<string, Job>();
function base(r: Random): { job: Job; switches: typeof SWITCHES } {
  const pair = r.next() < 0.25;
  const [volts, ohms] = [pick(r, [3.31, 4.98, 11.98]), pick(r, [4.7e3, 10e3, 22e3, 47e3])];
  const lines = pair
    ? pick(r, [dryPair('11.6 V', 8.2), dryPair('5.10 V', 3.04), dryPair('24.1 V', 9.1)])
    : lowButton(volts, ohms);
  const key = lines.join();
  const job = bases.get(key) ?? finished(said([...APART, ...lines]));
  bases.set(key, job);
  return { job, switches: pair ? APART_SWITCHES : volts / ohms > COUPLER_AMPS ? WITHOUT_COUPLER : SWITCHES };
}

/** A sound job, drawn. */
function sound(r: Random): Job {
  const { job: begun, switches } = base(r);
  const [way, picks] = pick(r, switches);
  let job = pressed(begun, { way, picks, pullDown: true });
  job = onPin(job, pick(r, [4, 5]));
  job = fed(
    job,
    { volts: 5, amps: pick(r, [2, 3]), isolated: 'yes', polarity: pick(r, ['read', 'keyed'] as const) },
    { metres: between(r, 0.2, 1.5), squareMetres: pick(r, [0.5e-6, 0.75e-6, 1e-6]) },
  );
  const shortest = pick(r, [0.02, 0.04, 0.08]);
  job = machined(job, {
    kind: pick(r, ['starts-and-stops-itself', 'steps'] as const),
    shortestPressSeconds: shortest,
    longestPressSeconds: pick(r, [2, 3, 5]),
    runSeconds: between(r, 20, 600),
    afterPowerCut: 'off',
  });
  // Twice the shortest, what a relay takes, and well under half of the longest.
  job = scripted(job, [{ do: 'press', seconds: Number(between(r, 2 * shortest + 0.05, 0.9).toFixed(2)) }]);
  job = put(job, 'guard', { place: 'dry', cutOff: pick(r, ['none', 'one-shot'] as const), loadWatts: null });
  job = put(job, 'wish', { hazards: [], hazardsReviewed: true });
  const beside = pick(r, ['sense', 'hand', 'sign', 'nothing'] as const);
  if (beside === 'sense')
    job = sense(job, { kind: 'contact', tells: 'at-rest', highVolts: null, debounceSeconds: 0.05 });
  if (beside === 'hand') job = hand(job, { pullUpOhms: pick(r, [1e3, 4700, 10e3]) });
  if (beside === 'sign') job = sign(job, { forwardVolts: pick(r, [1.8, 2, 2.1]), amps: pick(r, [0.002, 0.004]) });
  if (r.next() < 0.3)
    job = put(job, 'feed', {
      box: {
        widthMetres: between(r, 0.1, 0.3),
        heightMetres: between(r, 0.06, 0.2),
        depthMetres: between(r, 0.1, 0.3),
        roomCelsius: between(r, 15, 35),
      },
    });
  return job;
}

it(`${JOBS} jobs drawn to be sound are not stopped`, () => {
  const random = seededRandom(SEED);
  const stopped = new Map<string, string>();
  for (let n = 0; n < JOBS; n++) {
    const job = sound(random);
    for (const f of assess(job).findings)
      if (f.verdict === 'stop' && !stopped.has(f.id)) stopped.set(f.id, `${n}, ${job.presses[0]!.way}: ${f.title}`);
  }
  expect(Object.fromEntries(stopped)).toEqual({});
});
