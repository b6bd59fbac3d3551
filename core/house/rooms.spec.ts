import { describe, expect, it } from 'vitest';
import { directShare, oneShot } from '../engines/electrics';
import { cautionsOf, CAUTIONS, guardFindings, hazardsOf, needsProveDead } from '../rooms/guard';
import type { ContactFact, ControlFact } from '../ground/facts';
import { edited, HAZARDS, UNKNOWN_MAINS, type Job } from '../ground/job';
import { assess } from './assess';
import { changed, demoJob, findingOf, machined, pressed, scripted, withoutSense } from '../testing/jobs';

const pot = demoJob('rice-pot');

const { facts } = assess(pot);

describe('Wish', () => {
  it('counts what is not said, and tells "none" from "not asked"', () => {
    const bare = changed(pot, 'wish', { when: ' ', hazards: [], hazardsReviewed: false });
    expect(findingOf(bare, 'wish.questions')).toMatchObject({ verdict: 'unknown', title: 'Not yet said: when' });
    expect(findingOf(bare, 'wish.hazards').verdict).toBe('unknown');
    expect(findingOf(changed(bare, 'wish', { hazardsReviewed: true }), 'wish.hazards')).toMatchObject({
      verdict: 'settled',
      title: expect.stringContaining('none named'),
    });
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
    expect(cautionsOf(changed(pot, 'wish', { hazards: ['water', 'medical', 'mains'] }), facts)[0]!.id).toBe('medical');
    expect(needsProveDead(pot, facts)).toBe(true);
    expect(needsProveDead(changed(pot, 'wish', { hazards: [], hazardsReviewed: false }), facts)).toBe(true);
    // A plug means mains inside, ticked or not; without plug, charger and cable there is none.
    const bare = changed(pot, 'wish', { hazards: ['water'] });
    expect(needsProveDead(bare, facts)).toBe(true);
    const battery = changed(bare, 'survey', {
      mains: { ...UNKNOWN_MAINS, feed: 'none', cables: 'none' },
    });
    expect(needsProveDead(battery, facts)).toBe(false);
    const tied = {
      ...facts,
      controls: { 'control-start': { ...facts.controls['control-start']!, isolation: 'not-isolated' as const } },
    };
    expect(hazardsOf(battery, tied)).toEqual(['mains', 'not-isolated', 'water']);
    expect(hazardsOf(battery, { ...facts, presses: [{ ...facts.presses[0]!, mains: true }] })).toContain('mains');
  });

  it('is never settled over an empty list: one caution holds for every machine', () => {
    const none = changed(changed(pot, 'wish', { hazards: [], hazardsReviewed: true }), 'survey', {
      mains: { ...UNKNOWN_MAINS, feed: 'none', cables: 'none' },
    });
    expect(cautionsOf(none, facts).map((c) => c.id)).toEqual(['own-devices']);
    expect(findingOf({ ...none, guard: { ...none.guard, ticks: {} } }, 'guard.ticks')).toMatchObject({
      verdict: 'unknown',
      caption: '0 of 1 in place',
    });
  });

  it('keeps the date of a tick and leaves the rest open', () => {
    const some = changed(pot, 'guard', { ticks: { 'heat-dry': '2026-03-02T14:00:00Z' } });
    expect(findingOf(some, 'guard.ticks')).toMatchObject({ verdict: 'unknown', caption: '1 of 10 in place' });
    expect(findingOf(some, 'guard.heat-dry').verdict).toBe('settled');
    expect(findingOf(some, 'guard.heat-cutout').remedy?.edit).toMatchObject({ do: 'tick', step: 'heat-cutout' });
  });

  /** The load findings of a contact before a load. */
  const load = (
    guard: Partial<Job['guard']>,
    contact: Partial<ContactFact> = {},
    control: Partial<ControlFact> = {},
  ) => {
    const of = {
      name: 'a 10 A contact',
      amps: 10,
      inrushAmps: 25,
      volts: 250,
      origin: { from: 'class', key: 'parts-relay', part: 'test' },
      ...contact,
    } as const;
    const found = guardFindings(
      changed(pot, 'guard', guard),
      {
        ...facts,
        controls: { 'control-start': { ...facts.controls['control-start']!, ...control } },
        presses: [{ ...facts.presses[0]!, contact: of }],
      },
      true,
    );
    return (id: string) => found.find((f) => f.id === `guard.${id}`)!;
  };
  // 2.2 kW at 230 V is 9.57 A: a 10 A contact is tight; 3 kW is 13.04 A: stop (worked out by hand).
  it.each([
    [2200, 'tight', 9.57],
    [3000, 'stop', 13.04],
    [1000, 'settled', 4.35],
  ] as const)('rates a 10 A contact against %i W of heat', (loadWatts, verdict, amps) => {
    const f = load({ loadWatts, loadKind: 'resistive' })('contact');
    expect(f.verdict).toBe(verdict);
    expect(f.value!.value).toBeCloseTo(amps, 2);
  });
  // A 10 A relay switches about 0.37 kW of single-phase motor (from memory): some 2.5 A, and 10 times that when it starts.
  it('does not pass a motor for a heater, nor a load of which the kind is not said', () => {
    expect(load({ loadWatts: 1800, loadKind: 'motor' })('contact').verdict).toBe('stop');
    expect(load({ loadWatts: 250, loadKind: 'motor' })('contact').verdict).not.toBe('stop');
    expect(load({ loadWatts: 500, loadKind: 'motor' })('inrush').verdict).toBe('stop');
    expect(load({ loadWatts: 1000, loadKind: 'unknown' })('contact').verdict).toBe('unknown');
    expect(load({ loadWatts: null })('contact').verdict).toBe('unknown');
  });
  // 200 W at 24 V are 8.33 A and not the 0.87 A of 230 V; silver breaks all of its rating at 30 V DC, 0.15 of it at 48 V.
  it('takes the volts that were read, and the curve of direct current', () => {
    const direct = (volts: number): Partial<ControlFact> => ({
      leading: 'switched-load',
      kind: 'switched-load',
      alternating: 'no',
      parameters: { loadVolts: { low: volts, nominal: volts, high: volts } },
      read: { loadVolts: '2026-03-02T14:00:00Z' },
    });
    expect(load({ loadWatts: 200, loadKind: 'resistive' }, {}, direct(24))('contact')).toMatchObject({
      verdict: 'tight',
      value: { value: expect.closeTo(8.33, 2) },
      limit: { value: 10 },
    });
    expect(load({ loadWatts: 200, loadKind: 'resistive' }, {}, direct(48))('contact')).toMatchObject({
      verdict: 'stop',
      limit: { value: expect.closeTo(1.5, 6) },
    });
    expect(directShare(110)).toBeCloseTo(0.03, 9);
    // Current at the lowest voltage, arc and rating at the highest.
    const wide: Partial<ControlFact> = { ...direct(48), parameters: { loadVolts: { low: 24, nominal: 36, high: 48 } } };
    expect(load({ loadWatts: 200, loadKind: 'resistive' }, {}, wide)('contact')).toMatchObject({
      verdict: 'stop',
      value: { value: expect.closeTo(8.33, 2) },
      limit: { value: expect.closeTo(1.5, 6) },
    });
    expect(load({ loadWatts: 100, loadKind: 'resistive' }, { volts: 60 })('contact-volts').verdict).toBe('stop');
  });
  it('stops what a hung controller would hold and no monostable cuts off, until it was tried', () => {
    const shutter = demoJob('hatch-shutter');
    const end = findingOf(shutter, 'guard.press-end');
    expect(end).toMatchObject({ verdict: 'stop', remedy: { label: 'It was tried' } });
    const tried = edited(shutter, end.remedy!.edit!, '2026-03-02T14:00:00Z');
    expect(findingOf(tried, 'guard.press-end').verdict).toBe('tight');
    expect(findingOf(machined(shutter, { kind: 'unknown' }), 'guard.press-end').verdict).toBe('unknown');
    expect(findingOf(machined(shutter, { kind: 'open-stop-close-stop' }), 'guard.press-end').verdict).toBe('tight');
  });
  it('stops a contact that is closed at rest before a heater, and the remedy opens it', () => {
    const closed = pressed(pot, { way: 'switched-supply', supply: { resumes: 'yes', atRest: 'closed' } });
    const end = findingOf(closed, 'guard.press-end');
    expect(end.verdict).toBe('stop');
    expect(findingOf(edited(closed, end.remedy!.edit!, '2026-03-02T14:00:00Z'), 'guard.press-end').verdict).toBe(
      'settled',
    );
  });
  it('believes no message for ever: an age ends it', () => {
    const item = {
      ...pot.senses[0]!,
      kind: 'message' as const,
      topic: 'pot/rest',
      highVolts: null,
      staleSeconds: null,
    };
    const told = edited(pot, { do: 'put', list: 'senses', item }, '2026-03-02T14:00:00Z');
    const stale = findingOf(told, 'sense.stale.rest');
    expect(stale.verdict).toBe('tight');
    const aged = edited(told, stale.remedy!.edit!, '2026-03-02T14:00:00Z');
    expect(assess(aged).findings.some((f) => f.id === 'sense.stale.rest')).toBe(false);
  });
  it('asks for a circuit that ends a press where heat, a door or pressure is at stake, and reckons its parts', () => {
    expect(findingOf(changed(pot, 'guard', { cutOff: 'none' }), 'guard.press-end')).toMatchObject({
      verdict: 'stop',
      remedy: { label: 'Add a one-shot' },
    });
    const safe = changed(changed(pot, 'wish', { hazards: [] }), 'guard', { cutOff: 'none' });
    expect(findingOf(safe, 'guard.press-end').verdict).toBe('settled');
    expect(findingOf(changed(safe, 'wish', { hazardsReviewed: false }), 'guard.press-end').verdict).toBe('unknown');
    // Nobody ticked a door, and it is one.
    expect(findingOf(machined(safe, { kind: 'open-stop-close-stop' }), 'guard.press-end').verdict).toBe('stop');
    expect(findingOf(pot, 'guard.press-end').verdict).toBe('settled');
    expect(findingOf(pot, 'guard.press-whole').verdict).toBe('settled');
    expect(findingOf(scripted(pot, [{ do: 'press', seconds: 3600 }]), 'guard.press-end').verdict).toBe('stop');
    // Every press from 10 ms to a minute: no sooner than the press at the fastest corner of the parts, no later than twice at the slowest.
    for (const seconds of [0.01, 0.05, 0.18, 0.33, 0.5, 1, 2.2, 5, 12, 30, 60]) {
      const p = oneShot(seconds);
      expect(0.63 * p.ohms * 0.95 * p.farads * 0.9).toBeGreaterThanOrEqual(seconds);
      expect(0.77 * p.ohms * 1.05 * p.farads * 1.1).toBeLessThanOrEqual(2 * seconds);
    }
  });
  it('shows "never" as held by something or by nothing, in Guard and in Act', () => {
    const held = changed(pot, 'wish', { heldBy: '', nevers: [] });
    expect(findingOf(held, 'guard.never')).toMatchObject({
      verdict: 'unknown',
      title: expect.stringContaining('held by nothing'),
    });
    expect(findingOf(held, 'act.never').verdict).toBe('unknown');
    expect(findingOf(pot, 'guard.never')).toMatchObject({
      verdict: 'settled',
      title: expect.stringContaining('held by the arm switch'),
    });
    expect(findingOf({ ...pot, trials: [] }, 'guard.never').verdict).toBe('tight');
  });
});

describe('Sense', () => {
  it('names what pressing blind leaves unknown, and what one contact tells', () => {
    expect(findingOf(withoutSense(pot), 'sense.blind')).toMatchObject({
      verdict: 'tight',
      caption: 'pressing blind',
    });
    // No move looks at it: it settles nothing.
    expect(findingOf(pot, 'sense.contact')).toMatchObject({
      verdict: 'tight',
      title: expect.stringMatching(/cannot tell how far.*No move looks at it yet/),
    });
    const strange = machined(withoutSense(pot), { kind: 'unknown' });
    expect(findingOf(strange, 'sense.blind')).toMatchObject({
      verdict: 'unknown',
      title: expect.not.stringContaining('no harm'),
    });
  });
});
