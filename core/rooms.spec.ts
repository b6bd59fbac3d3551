import { describe, expect, it } from 'vitest';
import { loadsOf } from './feed';
import { cautionsOf, CAUTIONS, needsProveDead } from './guard';
import { HAZARDS } from './job';
import { assess } from './assess';
import { changed, demoJob, findingOf } from './testing/jobs';

const pot = demoJob('rice-pot');

describe('Wish', () => {
  it('counts what is not said, and tells "none" from "not asked"', () => {
    const bare = changed(pot, 'wish', { when: ' ', hazards: [], hazardsReviewed: false });
    expect(findingOf(bare, 'wish.questions')).toMatchObject({ verdict: 'unknown', title: 'Not yet said: when' });
    expect(findingOf(bare, 'wish.hazards').verdict).toBe('unknown');
    expect(findingOf(changed(bare, 'wish', { hazardsReviewed: true }), 'wish.hazards')).toMatchObject({ verdict: 'settled', title: expect.stringContaining('none named') });
  });
});

describe('Feed', () => {
  it('adds up mean and peak and names the spare', () => {
    const loads = loadsOf(pot, assess(pot).facts);
    expect(loads[0]).toMatchObject({ meanAmps: 0.075, peakAmps: 0.4 });
    const peak = findingOf(pot, 'feed.peak');
    expect(peak.value!.value).toBeCloseTo(loads.reduce((s, l) => s + l.peakAmps, 0), 9);
    expect(findingOf(pot, 'feed.spare').value!.value).toBeCloseTo(100 * (1 - peak.value!.value), 6);
  });

  it('stops a supply that cannot feed the bursts, and a coil on the wrong voltage', () => {
    expect(findingOf(changed(pot, 'feed', { amps: 0.3 }), 'feed.peak').verdict).toBe('stop');
    expect(findingOf(changed(pot, 'feed', { amps: 0.53 }), 'feed.peak').verdict).toBe('tight');
    const relay = changed(changed(pot, 'thumb', { way: 'relay-contact' }), 'feed', { volts: 12 });
    expect(findingOf(relay, 'feed.coil-volts').verdict).toBe('stop');
    expect(findingOf(changed(pot, 'feed', { volts: null }), 'feed.supply').verdict).toBe('unknown');
  });
});

describe('Guard', () => {
  it('has cautions for every hazard, and none of them says that anything is safe', () => {
    for (const h of HAZARDS) {
      expect(CAUTIONS[h].length).toBeGreaterThan(0);
      for (const c of CAUTIONS[h]) expect(`${c.what} ${c.prevents}`).not.toMatch(/\bis safe\b|safely/i);
    }
    for (const f of assess(pot).findings) expect(f.title).not.toMatch(/\bmains\b.*\bis safe\b/i);
  });

  it('asks in order of harm, and for proving dead where mains may be inside', () => {
    expect(cautionsOf(changed(pot, 'wish', { hazards: ['water', 'medical', 'mains'] }))[0]!.id).toBe('medical');
    expect(needsProveDead(pot)).toBe(true);
    expect(needsProveDead(changed(pot, 'wish', { hazards: ['water'] }))).toBe(false);
    expect(needsProveDead(changed(pot, 'wish', { hazards: [], hazardsReviewed: false }))).toBe(true);
  });

  it('keeps the date of a tick and leaves the rest open', () => {
    const some = changed(pot, 'guard', { ticks: { 'heat-dry': '2026-03-02T14:00:00Z' } });
    expect(findingOf(some, 'guard.ticks')).toMatchObject({ verdict: 'unknown', caption: '1 of 9 in place' });
    expect(findingOf(some, 'guard.heat-dry').verdict).toBe('settled');
    expect(findingOf(some, 'guard.heat-cutout').remedy?.edit).toMatchObject({ do: 'tick', step: 'heat-cutout' });
  });

  // 2.2 kW at 230 V is 9.57 A: a 10 A contact is tight; 3 kW is 13.04 A: stop (worked out by hand).
  it.each([[2200, 'tight', 9.57], [3000, 'stop', 13.04], [1000, 'settled', 4.35]] as const)('rates a 10 A contact against %i W', (loadWatts, verdict, amps) => {
    const load = {
      ...changed(pot, 'guard', { loadWatts, contactAmps: 10 }),
      readings: [{ ...pot.readings[0]!, id: 'ac', control: 'control-start', from: { kind: 'contact' as const, name: 'A' }, to: { kind: 'contact' as const, name: 'B' }, state: 'idle' as const, kind: 'volts-ac' as const, relation: '=' as const, value: 229, digit: 1 }],
    };
    const f = findingOf(load, 'guard.contact');
    expect(f.verdict).toBe(verdict);
    expect(f.value!.value).toBeCloseTo(amps, 2);
    expect(findingOf({ ...load, guard: { ...load.guard, loadKind: 'switched-mode' } }, 'guard.inrush').steps.at(-1)!.formula).toBe('k * I');
  });
});

describe('Sense', () => {
  it('names what pressing blind leaves unknown, and what one contact tells', () => {
    expect(findingOf(changed(pot, 'sense', { contact: 'none' }), 'sense.blind')).toMatchObject({ verdict: 'tight', caption: 'pressing blind' });
    expect(findingOf(pot, 'sense.contact').title).toMatch(/cannot tell how far/);
  });
});
