// The fewest answers of a failure drill against every set of answers, tried one by one, and chances against the product of
// probabilities drawn at random.
import { describe, expect, it } from 'vitest';
import { edited, freshNever, type Job, type JobEdit } from '../core/ground/job';
import { seededRandom, type Random } from '../core/ground/quantity';
import { wiredOf } from '../core/house/assess';
import { chanceOf } from '../core/house/drill/chance';
import { drillAnswers } from '../core/house/drill/drill-answers';
import { drillOf, runDrill, type DrillStory } from '../core/house/drill/drill';
import { jobWith, smallestSet, type DrillAnswer } from '../core/house/drill/smallest';
import { demoJob } from '../core/testing/jobs';

/** `DRILL_PLANS=200` tries more of them. */
const PLANS = Number(process.env['DRILL_PLANS'] ?? 60);
const SEED = 20261202;
const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;

/** A plan without days: its moves one after the other, some of its answers given already, conditions at random. */
function planFrom(r: Random): Job {
  const base = demoJob(pick(r, ['yard-gate', 'ice-bath-valve'] as const));
  const gate = base.id.includes('gate');
  const press = base.presses[0]!.id;
  const never = (id: string, ...kind: Parameters<typeof freshNever> extends [string, infer K] ? [K] : never) =>
    freshNever(id, ...kind);
  const nevers = [
    { ...never('long', 'output-longer'), press, seconds: pick(r, [1, 20, 400]) },
    { ...never('state', 'lasts-longer'), state: gate ? 'closing' : 'on', seconds: pick(r, [5, 30, 300]) },
    { ...never('warned', 'no-warning'), state: gate ? 'closing' : 'on', seconds: 2 },
  ].filter(() => r.next() < 0.6);
  const edits: JobEdit[] = [
    { do: 'set', at: 'routine', set: { sentences: [], loops: [], amounts: [] } },
    {
      do: 'set',
      at: 'wish',
      set: { nevers: nevers.length > 0 ? nevers : [{ ...never('long', 'output-longer'), press }] },
    },
    {
      do: 'set',
      at: 'guard',
      set: {
        cutOff: pick(r, ['none', 'none', 'one-shot'] as const),
        watchdogSeconds: pick(r, [null, 8]),
        accepted: [],
      },
    },
    { do: 'set', at: 'press', of: press, set: { twoContacts: r.next() < 0.3 } },
  ];
  return edits.reduce((j, e) => edited(j, e, j.touchedAt), base);
}

/** All subsets of so many numbers, the smaller ones first. */
const subsets = (count: number): number[][] =>
  Array.from({ length: 2 ** count }, (_, bits) =>
    Array.from({ length: count }, (_x, i) => i).filter((i) => (bits >> i) & 1),
  ).sort((a, b) => a.length - b.length);

/** The stories of a job with some answers; null where they cannot be given together. */
function storiesWith(job: Job, set: readonly DrillAnswer[]): readonly DrillStory[] | null {
  const now = jobWith(job, set);
  const drill = now && drillOf(now, wiredOf(now));
  return drill ? runDrill(drill, 1).stories : null;
}

describe('the fewest answers of a drill', () => {
  it(`are no more than any set needs that leaves as little, in ${PLANS} random plans`, () => {
    const r = seededRandom(SEED);
    let [answered, none, open] = [0, 0, 0];
    for (let n = 0; n < PLANS; n++) {
      const job = planFrom(r);
      const wiring = wiredOf(job);
      const drill = drillOf(job, wiring)!;
      const found = runDrill(drill, 1);
      const all = drillAnswers(job, wiring, found.stories);
      const answers = all.filter((a) => a.needs < 0).slice(0, 5);
      const { answers: set, left, ended } = smallestSet(job, answers, found, 1);
      expect(ended, `plan ${n} of seed ${SEED}`).toBe(false);
      const key = (s: DrillStory): string => `${s.story.never.never.id} ${s.key}`;
      const aside = new Set(left.map(key));
      // By exhaustion: the first set, in order of size, that leaves nothing but what no answer cures.
      const least = subsets(answers.length).find((bits) => {
        const stories = storiesWith(
          job,
          bits.map((i) => answers[i]!),
        );
        return stories !== null && stories.every((s) => aside.has(key(s)));
      });
      const where = `plan ${n} of seed ${SEED}: ${set?.map((a) => a.words).join('; ') ?? 'none'}`;
      expect(set?.length ?? null, where).toBe(least ? least.length : null);
      if (found.stories.length === 0) none++;
      else if (set && set.length > 0) answered++;
      else open++;
    }
    console.log(`${PLANS} plans: ${answered} answered, ${none} with nothing to answer, ${open} that nothing answers`);
    expect(answered).toBeGreaterThan(PLANS / 10);
  });
});

describe('the chance of a story', () => {
  it('of two contacts in series is the product of their probabilities, as drawn from a model of years', () => {
    const welded = { kind: 'welded', of: 'x', id: 'a', atSeconds: 0, seconds: 0 } as const;
    const closures = 20_000;
    const one = chanceOf({ faults: [welded] }, closures)!;
    const two = chanceOf({ faults: [welded, { ...welded, id: 'b' }] }, closures)!;
    // Each fails by itself in a year with the same rate; the other one must fail within the time that the first stands unfound, a year.
    const r = seededRandom(SEED);
    const rate = one.most;
    const years = 400_000;
    const fails = (): number => -Math.log(1 - r.next()) / rate;
    let both = 0;
    for (let y = 0; y < years; y++) if (fails() < 1 && fails() < 1) both++;
    const drawn = both / years;
    // Orders of magnitude: a factor of three either way is the same.
    expect(two.most / drawn).toBeGreaterThan(1 / 3);
    expect(two.most / drawn).toBeLessThan(3);
    expect(two.least).toBeLessThan(two.most);
    expect(two.most).toBeLessThan(one.most);
  });
});
