import { describe, expect, it } from 'vitest';
import { armingsFor, startsAsHappenings } from '../../rooms/act';
import { assess } from '../../house/assess';
import { edited, freshNever, type Never } from '../../ground/job';
import { searchOf } from '../../house/stories';
import { disturbancesOf } from '../../house/what-befalls';
import { demoJob } from '../../testing/jobs';
import { relevantOnes } from './relevant';
import { begin, disturb, happeningsOf, runTo, worldOf } from './run';
import { happeningNumber } from './happen';

const NOW = '2026-03-02T14:00:00Z';
const never = (kind: Never['kind'], set: Partial<Never>): Never => ({ ...freshNever('x', kind), ...set });

type Case = readonly [demo: Parameters<typeof demoJob>[0], condition: Never];
const CASES: readonly Case[] = [
  ['dough-proofer', never('starts-per-arming', { count: 1 })],
  ['larder-dehumidifier', never('lasts-longer', { state: 'on', seconds: 3600 })],
  ['larder-dehumidifier', never('output-longer', { press: 'power', seconds: 0.1 })],
  ['yard-gate', never('lasts-longer', { state: 'open', seconds: 3600 })],
];

describe('disturbances that bear on no condition', () => {
  it.each(CASES)('leave every break of %s where it was, at whatever instant they come', (name, condition) => {
    const demo = demoJob(name);
    const job = edited(
      { ...demo, wish: { ...demo.wish, nevers: [] } },
      { do: 'put', list: 'wish.nevers', item: condition },
      NOW,
    );
    const search = searchOf(job, assess(job))!;
    const { plan } = search.scene.world;
    const all = disturbancesOf(search.scene, search.starts);
    const kept = relevantOnes(plan, all);
    const dropped = all.filter((d) => !kept.includes(d));
    const given = happeningsOf([...armingsFor(search.scene, search.starts), ...startsAsHappenings(search.starts)]);
    const s = worldOf(search.scene.world, given);
    runTo(s, search.end, given);
    const base = [...s.brokenAt];
    // As many instants before, in and after the moves as there are, and all over the run.
    const instants = search.starts.flatMap((x) => [-1, 0, 0.1, 0.3, 1, 3].map((d) => x.at + d));
    for (let i = 1; i < 20; i++) instants.push((search.end * i) / 20);
    for (const d of dropped)
      for (const at of instants) {
        begin(s, given);
        runTo(s, at, given);
        disturb(s, happeningNumber(d.what), d.of, d.how, at);
        runTo(s, search.end, given);
        expect([...s.brokenAt], `${d.what} ${d.of} at ${at}`).toEqual(base);
      }
    expect(name === 'yard-gate' || dropped.length > 3, `${dropped.length} dropped`).toBe(true);
    expect(kept.some((d) => d.what === 'restart')).toBe(true);
  });
});
