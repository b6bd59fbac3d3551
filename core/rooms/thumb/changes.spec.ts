import { describe, expect, it } from 'vitest';
import { turns } from '../../ground/finding';
import { assess } from '../../house/assess';
import { edited, WAYS, type Job, type BenchPlan, type Press, type Way } from '../../ground/job';
import { contextIn, demoJob, pressed, waysOf } from '../../testing/jobs';
import { evaluateWay } from '../../build/ways';
import { changesFor, compareWays, contextOf, reasonsOf, tightestMargin } from '.';
import { usualMs } from '../../testing/pace';

const NOW = '2026-03-02T14:00:00Z';
function of(way: Way, job: Job, plan: Partial<Press> & Partial<BenchPlan> = {}) {
  const changedJob = pressed(job, plan);
  const c = contextOf(contextIn(changedJob), way);
  return { c, job: changedJob, result: evaluateWay(way, c) };
}

describe('what would have to change', () => {
  it('is nothing for a way that passes', () => {
    const { c, result } = of('solid-state-relay', demoJob('rice-pot'));
    expect(changesFor(c, result)).toEqual({ against: [], single: [], flips: [] });
  });

  it('is another part, tried out; doing it makes the way pass', () => {
    const { c, job, result } = of('relay-contact', demoJob('rice-pot'));
    expect(result.verdict).toBe('tight');
    const changes = changesFor(c, result);
    const best = changes.single[0]!;
    expect(best.after).toBe('settled');
    expect(changes.single.map((s) => s.say)).toEqual(
      expect.arrayContaining(['Take 0.5 A, 5 V coil, sealed reed contact']),
    );
    expect(of('relay-contact', edited(job, best.edit!, NOW)).result.verdict).toBe('settled');
  });

  it('is a reading where one is missing, and says what it would come to', () => {
    const pot = demoJob('rice-pot');
    const ground = pot.readings.find((r) => r.from.kind === 'ground' && r.to.kind === 'mains')!;
    const { c, result } = of('npn-to-ground', edited(pot, { do: 'strike-reading', id: ground.id, struck: true }, NOW));
    expect(result.verdict).toBe('unknown');
    const read = changesFor(c, result).single.find((s) => s.edit === null)!;
    expect(read).toMatchObject({ say: expect.stringContaining('isolated from mains'), after: 'settled' });
  });

  it('names the number at which a margin turns, and that number turns it', () => {
    const { c, result } = of('analogue-switch', demoJob('rice-pot'));
    const { flips } = changesFor(c, result);
    // A pin of 2.9 V is high to a switch on a supply of 2.9/0.7 = 4.14 V: the supply was read, the pin's level is its
    // class's and no choice.
    expect(flips.map((x) => x.flip.input.symbol)).toContain('V_CC');
    expect(flips.every((x) => x.flip.input.symbol !== 'V_OH')).toBe(true);
    for (const x of flips) expect(turns(x.finding, x.flip)).toBe(true);
  });

  it('leaves out what does not help', () => {
    const { c, result } = of('relay-module', demoJob('rice-pot'));
    for (const s of changesFor(c, result).single) expect(['settled', 'tight']).toContain(s.after);
  });
});

describe('reasons for and against', () => {
  it('are every finding once, on its side, then the wishes in the maker’s order', () => {
    const { result } = of('relay-contact', demoJob('rice-pot'));
    const { for: pro, against } = reasonsOf(result, ['silent', 'isolated', 'small', 'cheap']);
    expect(
      [...pro, ...against]
        .filter((r) => r.finding)
        .map((r) => r.finding!.id)
        .sort(),
    ).toEqual(result.findings.map((f) => f.id).sort());
    expect(pro.at(-1)!.text).toBe('wished: the two sides stay apart');
    // A relay clicks; it is neither small nor large enough to be called either.
    expect(against.at(-1)!.text).toBe('wished, and not so: makes no sound');
    expect(against[0]!.finding!.id).toBe('thumb.relay-contact.minimum-load');
  });
});

describe('two ways side by side', () => {
  const pot = demoJob('rice-pot');
  const [ssr, npn] = [of('solid-state-relay', pot).result, of('npn-to-ground', pot).result];
  it('differ where the wishes say so, and the order of rows is the maker’s', () => {
    const rows = compareWays(ssr, npn, ['cheap', 'isolated']);
    expect(rows.slice(-2)).toEqual([
      { what: 'cheap', a: 'partly', b: 'fully', better: 'b' },
      { what: 'the two sides stay apart', a: 'fully', b: 'no', better: 'a' },
    ]);
    expect(rows.find((r) => r.what === 'wires that join the sides')).toMatchObject({ a: 'none', b: '2', better: 'a' });
  });
  it('swap their sides with everything else', () => {
    const turned = compareWays(npn, ssr, pot.bench.wishes);
    compareWays(ssr, npn, pot.bench.wishes).forEach((r, i) =>
      expect(turned[i]).toEqual({
        what: r.what,
        a: r.b,
        b: r.a,
        better: r.better === null ? null : r.better === 'a' ? 'b' : 'a',
      }),
    );
  });
  it('are told apart by their least margin', () => {
    expect(tightestMargin(ssr)!.share).toBeGreaterThan(0);
    expect(tightestMargin({ ...ssr, findings: [] })).toBeNull();
  });
});

describe('the ranking', () => {
  it('holds every way once, those that have nothing to do with the control last', () => {
    for (const name of ['rice-pot', 'hatch-shutter', 'dough-proofer', 'hood-fan'] as const) {
      const job = demoJob(name);
      const ways = waysOf(job);
      expect(ways.map((w) => w.way).sort()).toEqual([...WAYS].sort());
      const applies = ways.map((w) => w.applies);
      expect(applies.indexOf(false)).toBeGreaterThan(applies.lastIndexOf(true));
      for (const w of ways)
        expect(
          w.findings.some((f) => f.title.includes('NaN') || f.title.includes('undefined')),
          `${name} ${w.way}`,
        ).toBe(false);
    }
  });

  it('is made anew within 16 ms', () => {
    const job = demoJob('dough-proofer');
    const { facts } = assess(job);
    for (let i = 0; i < 5; i++) waysOf(job, { facts });
    expect(usualMs(() => void waysOf(job, { facts }), 10)).toBeLessThan(16);
  });
});
