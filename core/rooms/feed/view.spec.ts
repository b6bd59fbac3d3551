import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, type Job } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { feedRows, findingsOf, supplyRun } from '.';

const flaps = demoJob('steam-flaps');

describe('rows of the tree', () => {
  const rows = (job: Job) => {
    const a = assess(job);
    return { a, rows: feedRows(job, supplyRun(job, a.facts), a.findings) };
  };
  const lampOf = (job: Job, id: string): boolean => job.signs.some((s) => s.id === id);

  it.each(['rice-pot', 'yard-gate', 'larder-dehumidifier', 'hatch-shutter', 'hood-fan', 'steam-flaps'] as const)(
    'of %s are green for what was judged alone',
    (name) => {
      const job = demoJob(name);
      const { a, rows: all } = rows(job);
      expect(all.length).toBeGreaterThan(0);
      for (const row of all)
        if (row.verdict === 'settled' && !lampOf(job, row.id))
          expect(findingsOf(a.findings, row.id).length, row.name).toBeGreaterThan(0);
    },
  );

  it('are unknown while nothing feeds them, and for a sign that hangs on a supply nobody judged', () => {
    expect(rows(demoJob('larder-dehumidifier')).rows.map((r) => r.verdict)).toEqual(['unknown']);
    const gate = demoJob('yard-gate');
    const [lamp, beeper] = gate.signs;
    const of = (job: Job, id: string) => rows(job).rows.find((r) => r.id === id)!.verdict;
    expect([of(gate, lamp!.id), of(gate, 'controller'), of(gate, beeper!.id)]).toEqual([
      'settled',
      'settled',
      'settled',
    ]);
    // On what volts it works decides it: where that is not said, nobody judged it.
    const unsaid = edited(
      gate,
      { do: 'put', list: 'signs', item: { ...beeper!, volts: null } },
      '2026-03-02T14:00:00Z',
    );
    expect(of(unsaid, beeper!.id)).toBe('unknown');
  });

  it('share what is judged of several alike: where the first has too little, the others are not green', () => {
    const item = { ...flaps.feed.sources[0]!, volts: 6 };
    const weak = edited(flaps, { do: 'put', list: 'feed.sources', item }, '2026-03-02T14:00:00Z');
    const motors = rows(weak).rows.filter((r) => r.name.endsWith('motor'));
    expect(motors.length).toBeGreaterThan(2);
    expect(new Set(motors.map((r) => r.verdict))).toEqual(new Set([motors[0]!.verdict]));
    expect(motors[0]!.verdict).not.toBe('settled');
  });
});
