import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { freshOf } from '../../ground/field';
import { chainFields, edited, reachLinkFields, tickedAt, type Job, type ReachLink } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import {
  apartOn,
  cureAll,
  curesFor,
  overWay,
  reopenedWords,
  apartReserve,
  standsOf,
  tickEdit,
  wayOf,
  withoutLink,
} from '.';

const NOW = '2026-03-02T14:00:00Z';
const findingOf = (job: Job, id: string) => assess(job).findings.find((f) => f.id === id);

describe('the chain from the wall to the load', () => {
  const washer = demoJob('glass-washer');
  const chain = { ...washer.guard.chains[0]! };
  it('reckons each link against the load at the lowest mains', () => {
    // 2600 W over 0.9 · 230 V.
    expect(findingOf(washer, 'guard.chain.cord')!.value!.value).toBeCloseTo(2600 / (0.9 * 230), 6);
    // BS 7671, table 4F3A: 1.5 mm² carries 16 A.
    expect(findingOf(washer, 'guard.chain.cord')!.limit!.value).toBe(16);
    const thin = edited(washer, { do: 'put', list: 'guard.chains', item: { ...chain, cord: 0.75e-6 } }, NOW);
    expect(findingOf(thin, 'guard.chain.cord')).toMatchObject({ verdict: 'stop', limit: { value: 6 } });
  });
  it('goes by gauge where mains is of 120 V', () => {
    const abroad = {
      ...edited(washer, { do: 'put', list: 'guard.chains', item: { ...chain, cord: 1.31e-6, plug: 'plug' } }, NOW),
      region: { ...washer.region, mainsVolts: 120 },
    };
    // NEC, table 400.5(A)(1), column B: 16 AWG carries 13 A.
    expect(findingOf(abroad, 'guard.chain.cord')!.limit!.value).toBe(13);
  });
  it('asks for what nobody said, and guesses none of it', () => {
    const none = edited(washer, { do: 'put', list: 'guard.chains', item: { ...freshOf(chainFields), press: '' } }, NOW);
    expect(findingOf(none, 'guard.chain.plug')!.verdict).toBe('unknown');
    expect(findingOf(none, 'guard.chain.cord')).toBeUndefined();
  });
});

describe('gates', () => {
  const pot = demoJob('rice-pot');
  it('are open again once what they rest on changes, and say what it was', () => {
    const closed = edited(pot, tickEdit('water', 'water', true, { by: 'the cook', reading: 'dry' }), NOW);
    expect(closed.guard.gates['water']).toMatchObject({ by: 'the cook', reading: 'dry' });
    expect(tickedAt(closed, 'water')).toBe(NOW);
    const noted = edited(closed, { do: 'note', text: 'x' }, NOW);
    expect(tickedAt(noted, 'water')).toBe(NOW);
    const changed = edited(closed, { do: 'set', at: 'wish', set: { hazards: ['mains'] } }, NOW);
    expect(tickedAt(changed, 'water')).toBeUndefined();
    expect(reopenedWords(changed, 'water')).toContain('the machine as it was told');
    // What a tick of before rests on was not kept: it stands.
    const old = edited(pot, { do: 'tick', step: 'water', title: 'x', on: true }, NOW);
    expect(tickedAt(edited(old, { do: 'set', at: 'wish', set: { hazards: ['mains'] } }, NOW), 'water')).toBe(NOW);
  });
});

describe('boards', () => {
  const gate = demoJob('yard-gate');
  const [board] = gate.guard.boards;
  it('are cured by what is tried on them first', () => {
    const bare = { ...board!, slots: [], cleared: [] };
    const stands = standsOf(gate);
    expect(apartReserve(apartOn(bare, stands).pairs[0]!)).toBe(-1);
    expect(curesFor(bare, stands).length).toBeGreaterThan(0);
    const cured = cureAll(bare, stands)!;
    expect(cured.words).toMatch(/copper|slot/);
    for (const p of apartOn(cured.board, stands).pairs) expect(apartReserve(p)).toBeGreaterThanOrEqual(0);
  });
  it('are told what is wrong with them, at the part', () => {
    const twice = { ...board!, parts: board!.parts.map((p) => (p.id === 'terminal' ? { ...p, column: 6 } : p)) };
    expect(apartOn(twice, standsOf(gate)).wrong.map((w) => w.of)).toContain('hole');
    const out = { ...board!, parts: board!.parts.map((p) => (p.id === 'header' ? { ...p, column: 90 } : p)) };
    expect(apartOn(out, standsOf(gate)).wrong[0]).toMatchObject({ of: 'outside', at: 'header' });
  });
});

describe('reach', () => {
  const link = (id: string, set: Partial<ReachLink>): ReachLink => ({
    ...freshOf(reachLinkFields),
    id,
    name: id,
    ...set,
  });
  const links = [
    link('net', { seconds: 0.2, lost: 0.1 }),
    link('broker', { over: 'net', seconds: 0.3, lost: 0.2 }),
    link('hand', { kind: 'hand' }),
  ];
  it('adds up delays and multiplies what arrives', () => {
    const way = wayOf(links, links[1]!)!;
    expect(way.map((l) => l.id)).toEqual(['net', 'broker']);
    expect(overWay(way).seconds).toBeCloseTo(0.5, 12);
    expect(overWay(way).arrive).toBeCloseTo(0.72, 12);
    expect(overWay(wayOf(links, links[2]!)!).seconds).toBeNull();
  });
  it('says what still presses with a link down, and what goes round', () => {
    expect(withoutLink(links, 'net').map((l) => l.id)).toEqual(['hand']);
    expect(wayOf([link('a', { over: 'b' }), link('b', { over: 'a' })], link('a', { over: 'b' }))).toBeNull();
    expect(wayOf([link('a', { over: 'gone' })], link('a', { over: 'gone' }))).toBeNull();
  });
});
