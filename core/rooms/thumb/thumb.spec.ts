import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import type { Facts } from '../../ground/facts';
import { edited, type Job, type Way } from '../../ground/job';
import { bareJob, changed, chosenIn, contextIn, demoJob, findingOf, pressed, waysOf } from '../../testing/jobs';
import { jointOf } from '../../build/ways';

const pot = demoJob('rice-pot');
const withWay = (way: Way, job = pot): Job => pressed(job, { way, resistorOhms: null });
const resultOf = (way: Way, job = pot) => waysOf(withWay(way, job)).find((w) => w.way === way)!;

describe('ways of pressing the rice pot', () => {
  it('puts the isolated, silent, indifferent one first and the power relay last, with reasons', () => {
    const ways = waysOf(pot);
    expect(ways[0]!.way).toBe('solid-state-relay');
    const relay = ways.find((w) => w.way === 'relay-contact')!;
    expect(ways.filter((w) => w.verdict === 'settled')).not.toContain(relay);
    expect(relay.reason).toMatch(/passes 0\.\d+ mA; this contact wants 0\.1 A/);
    // What has nothing to do with a button stands below all that has.
    const applies = ways.map((w) => w.applies);
    expect(applies.indexOf(false)).toBeGreaterThan(applies.lastIndexOf(true));
    expect(ways.filter((w) => !w.applies).map((w) => w.way)).toEqual(
      expect.arrayContaining(['strobe-answer', 'reverse-motor', 'control-box']),
    );
    expect(ways.every((w) => w.reason.length > 10)).toBe(true);
  });

  // RB ≤ (VOH,min − VBE,sat)/(IC/β): 2 · 0.5 mA / 10 is below the least useful base current of 0.5 mA, so (2.9 − 0.85 −
  // 0.05 when cold)/0.5 mA = 4 kΩ, /1.05 = 3.81 kΩ, next E12 below: 3.3 kΩ.
  it('computes the base resistor of a transistor as done by hand', () => {
    const npn = resultOf('npn-to-ground');
    expect(npn.press.resistorOhms).toBe(3300);
    expect(npn.verdict).toBe('settled');
    expect(npn.wires.filter((w) => w.crosses)).toHaveLength(2);
  });

  // Twice 0.5 mA from a transfer of 0.5, three quarters of it when warm and half of that when aged, is 5.4 mA of LED:
  // (2.9 − 1.45)/5.4 mA, /1.05, about 220 Ω.
  it('gives the optocoupler enough LED current for an aged part at the low end', () => {
    const opto = resultOf('optocoupler');
    const sink = opto.findings.find((f) => f.id === 'thumb.optocoupler.sink')!;
    expect(sink.verdict).toBe('settled');
    expect(sink.value!.value).toBeGreaterThanOrEqual(sink.limit!.value);
    expect(sink.steps.map((s) => s.symbol)).toEqual(['I_F', 'I_sink']);
  });

  it('prefers a gold contact where a logic button passes too little for silver, and can be told so', () => {
    const job = withWay('relay-contact');
    const f = findingOf(job, 'thumb.relay-contact.minimum-load');
    expect(f.verdict).toBe('tight');
    const mended = edited(job, f.remedy!.edit!, '2026-03-02T14:00:00Z');
    expect(findingOf(mended, 'thumb.relay-contact.minimum-load').verdict).toBe('settled');
  });

  it('keeps a pressed level under the low level and explains both', () => {
    const f = findingOf(pot, 'thumb.solid-state-relay.pressed-level');
    expect(f.verdict).toBe('settled');
    expect(f.limit!.value).toBeCloseTo(0.3 * 4.9351, 2);
    expect(f.steps[0]!.inputs.find((i) => i.symbol === 'R')!.name).toMatch(/lowest/);
    expect(f.steps[0]!.inputs.find((i) => i.symbol === 'V_CC')!.origin).toMatchObject({ from: 'estimated' });
  });
});

describe('what rules a way out', () => {
  const strike = (job: Job, ...ids: string[]): Job =>
    ids.reduce((j, id) => edited(j, { do: 'strike-reading', id, struck: true }, '2026-03-02T14:00:00Z'), job);
  const ground = pot.readings.find((r) => r.from.kind === 'ground' && r.to.kind === 'mains')!;

  it('waits with a transistor until isolation is proven', () => {
    expect(resultOf('npn-to-ground', strike(pot, ground.id))).toMatchObject({
      verdict: 'unknown',
      reason: expect.stringContaining('isolation'),
    });
  });

  it('stops a transistor where the low-voltage side is tied to mains', () => {
    const tied = {
      ...pot,
      readings: pot.readings.map((r) => (r.id === ground.id ? { ...r, relation: '=' as const, value: 120e3 } : r)),
    };
    expect(resultOf('npn-to-ground', tied)).toMatchObject({
      verdict: 'stop',
      reason: expect.stringContaining('mains'),
    });
    // A safety-rated optocoupler bears 5 kV over 7 mm: short of the 8 mm of a damp place, enough for the 5 mm of a dry one; tight at best.
    expect(resultOf('optocoupler', tied).findings.find((f) => f.id.endsWith('.creepage'))).toMatchObject({
      verdict: 'stop',
      limit: { value: 8e-3 },
    });
    expect(resultOf('optocoupler', changed(tied, 'guard', { place: 'dry' })).verdict).toBe('tight');
    expect(resultOf('optocoupler', changed(tied, 'guard', { place: 'unknown' })).verdict).toBe('unknown');
    // The default solid-state relay bears 1 500 V, and a reed relay no more: under the 3 000 V of reinforced insulation.
    for (const [way, picks] of [
      ['solid-state-relay', {}],
      ['relay-contact', { relay: 'relay-reed' }],
      ['relay-module', {}],
    ] as const)
      expect(
        resultOf(way, pressed(changed(tied, 'guard', { place: 'dry' }), { picks })).findings.find((f) =>
          f.id.endsWith('.isolation-volts'),
        ),
        way,
      ).toMatchObject({ verdict: 'stop', limit: { value: 3000 } });
    expect(findingOf(withWay('npn-to-ground', tied), 'guard.isolation.control-start').verdict).toBe('stop');
  });

  it('has no transistor to ground for a button that is high when pressed', () => {
    const facts = assess(pot).facts;
    const high: Facts = {
      ...facts,
      controls: {
        'control-start': {
          ...facts.controls['control-start']!,
          kind: 'high-when-pressed',
          leading: 'high-when-pressed',
          farSide: 'supply',
          parameters: {
            supplyVolts: { low: 3.2, nominal: 3.3, high: 3.4 },
            pullDownOhms: { low: 9e3, nominal: 10e3, high: 11e3 },
          },
          read: { supplyVolts: '2026-03-02T14:00:00Z', pullDownOhms: '2026-03-02T14:00:00Z' },
        },
      },
    };
    const ways = waysOf(pot, { facts: high });
    expect(ways.find((w) => w.way === 'npn-to-ground')!.verdict).toBe('stop');
    const ssr = ways.find((w) => w.way === 'solid-state-relay')!;
    expect(ssr.findings.find((f) => f.id.endsWith('pressed-level'))).toMatchObject({
      verdict: 'settled',
      limit: { sense: 'at least' },
    });
    expect(ssr.wires[2]!.to).toBe('start B');
  });

  it('leaves a switched load to a relay and to Guard', () => {
    const facts = assess(pot).facts;
    const load: Facts = {
      ...facts,
      controls: {
        'control-start': {
          ...facts.controls['control-start']!,
          kind: 'switched-load',
          leading: 'switched-load',
          parameters: {},
        },
      },
    };
    const verdicts = Object.fromEntries(waysOf(pot, { facts: load }).map((w) => [w.way, w.verdict]));
    expect(verdicts).toMatchObject({
      'relay-contact': 'unknown',
      'npn-to-ground': 'stop',
      optocoupler: 'stop',
      'solid-state-relay': 'stop',
    });
  });

  it('flags a resistor chosen by hand that starves the LED, and offers the computed one', () => {
    // (2.9 − 1.5 − 0.05 when cold)/(3 mA · 4/3) = 337 Ω, /1.05, next E12 below: 270 Ω.
    const f = findingOf(pressed(pot, { resistorOhms: 1000 }), 'thumb.solid-state-relay.led');
    expect(f.verdict).toBe('stop');
    expect(f.remedy?.label).toBe('Use 270 Ω');
  });

  it('says nothing before there is a control', () => {
    const empty = bareJob();
    expect(waysOf({ ...empty, controls: [] })).toEqual([]);
    expect(findingOf(empty, 'thumb.choice').remedy?.label).toMatch(/^Use /);
  });
});

describe('the joint for the simulator', () => {
  it('carries what was measured on the appliance side', () => {
    const joint = jointOf(contextIn(pot), chosenIn(pot))!;
    expect(joint).toMatchObject({ way: 'solid-state-relay', polarity: 'low', onOhms: 1 });
    expect(joint.supplyVolts).toBeCloseTo(4.98, 1);
    expect(joint.pullOhms).toBeCloseTo(10_000, -2);
  });
});
