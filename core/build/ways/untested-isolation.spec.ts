import { describe, expect, it } from 'vitest';
import { guardFindings } from '../../rooms/guard';
import { factsOf, judge, of, pot } from '../../testing/judge-way';

const low = { isolation: 'low-voltage' as const };

describe('a control of which isolation was read at low voltage alone', () => {
  it('is joined to no ground of ours', () => {
    for (const way of ['npn-to-ground', 'nmos-to-ground'] as const) {
      const r = judge(way, pot, {}, low);
      expect(r.verdict, way).toBe('unknown');
      expect(of(r, 'ground').remedy?.text).toContain('500 V');
    }
  });

  it('is kept apart by what a tied one would be kept apart by, no less', () => {
    for (const way of ['relay-contact', 'optocoupler', 'solid-state-relay'] as const) {
      const [untested, tied] = [judge(way, pot, {}, low), judge(way, pot, {}, { isolation: 'not-isolated' })];
      expect(untested.verdict, way).toBe(tied.verdict);
      expect(untested.verdict, way).not.toBe('settled');
      for (const id of ['isolation-volts', 'creepage']) expect(of(untested, id)).toEqual(of(tied, id));
    }
  });

  it('is a stop in Guard where a press would join the grounds all the same, and never settled', () => {
    const facts = factsOf(pot);
    const [id, fact] = Object.entries(facts.controls)[0]!;
    const with_ = (sharesGround: boolean) =>
      guardFindings(
        pot,
        {
          ...facts,
          controls: { [id]: { ...fact, ...low } },
          presses: facts.presses.map((p) => ({ ...p, sharesGround })),
        },
        false,
      ).find((f) => f.id === `guard.isolation.${id}`)!.verdict;
    expect([with_(true), with_(false)]).toEqual(['stop', 'tight']);
  });
});
