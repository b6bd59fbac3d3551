import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { suppliesOf, VARIANTS, type StrangerKind } from '../../engines/circuit';
import { readNoteLine } from '../../ground/notes';
import { edited, HAND_METER, isStated, type Job, type Reading } from '../../ground/job';
import { benchJob } from '../../testing/jobs';
import {
  againstLeader,
  assumptions,
  chanceWords,
  contactView,
  isolationOf,
  misfitWords,
  nextFor,
  surveyOf,
  tellMore,
} from '.';
import { STRANGER_THEN } from './kind-words';
import { hangsOn } from './next/confirm';
import { likelihoodOf } from './inference/likelihood';
import { particles } from './inference/builds';
import { predictions } from './inference/particles';
import { posteriorOf } from './inference/posterior';
import { evidenceOf } from './inference/repeats';
import { namedSupplies, SupplyState } from './inference/supply';

const IT = 'control-it';
const APART = [
  'ground to mains off >20M',
  'it A to mains off >20M',
  'it B to mains off >20M',
  'it A to earth on 0.3 VAC',
  'it A to earth plug-turned 0.3 VAC',
];
const said = (...lines: string[]): Job =>
  lines.reduce(
    (job, line, i) => {
      const u = readNoteLine(line, job, { id: `r${i}`, now: `2026-01-01T00:00:${String(i).padStart(2, '0')}Z` });
      if (!u.ok) throw new Error(`${line}: ${u.message}`);
      return edited(job, u.edit, '2026-01-01T00:01:00Z');
    },
    edited(benchJob(), { do: 'add-control', id: IT, name: 'it' }, '2026-01-01T00:00:00Z'),
  );
const button = ['it look springs back', 'it B to ground off 0.1 ohm', 'it A idle 4.98 V', 'it A-B pressed 0.4 ohm'];

describe('what is read again at one place', () => {
  const readings = (...lines: string[]): readonly Reading[] => said(...lines).readings;
  it('is one piece of evidence with less noise where it agrees, and either one where it does not', () => {
    const [same] = evidenceOf(
      readings('it A idle 4.98 V', 'it A idle 4.96 V', 'it A idle 4.97 V', 'it A idle 4.97 V'),
      HAND_METER,
    );
    expect(same!.agreed).toHaveLength(1);
    expect(same!.agreed[0]!.reading.value).toBeCloseTo(4.97, 9);
    expect(same!.agreed[0]!.reading.digit).toBeCloseTo(0.01 / 2, 9);
    const [two] = evidenceOf(readings('it A idle 4.98 V', 'it A idle 0.02 V'), HAND_METER);
    expect(two!.agreed.map((a) => a.share)).toEqual([0.5, 0.5]);
    const [three] = evidenceOf(readings('it A idle 4.98 V', 'it A idle 0.02 V', 'it A idle 4.97 V'), HAND_METER);
    expect(three!.agreed[0]!.share).toBeGreaterThan(0.9);
    expect(evidenceOf(readings('it A idle 4.98 V', 'it B idle 4.98 V'), HAND_METER)).toHaveLength(2);
    const [over] = evidenceOf(readings('it A-B off >20M', 'it A-B off 20M'), HAND_METER);
    expect(over!.agreed).toHaveLength(1);
    expect(over!.agreed[0]!.reading).toMatchObject({ relation: '=', value: 20e6 });
    const [odds] = evidenceOf(readings('it A-B off >20M', 'it A-B off 4k7'), HAND_METER);
    expect(odds!.agreed).toHaveLength(2);
    expect(surveyOf(said('it A-B off >20M', 'it A-B off 4k7'), IT).contradictions[0]!.readings).toHaveLength(2);
  });

  it('does not count twice: three like readings of a misfit do not shut out a kind three times', () => {
    const odd = [...button, 'it A pressed 2.1 V'];
    const once = posteriorOf(said(...odd).readings);
    const thrice = posteriorOf(said(...odd, 'it A pressed 2.1 V', 'it A pressed 2.1 V').readings);
    const bits = (p: typeof once): number => Math.log2(p.kinds['low-when-pressed'] / p.kinds.ladder);
    // Taken as fresh evidence each time it would be three times as much; as a slip that is now less likely it is some bits more.
    expect(Math.abs(bits(thrice))).toBeLessThan(Math.abs(bits(once)) + 5);
  });

  it('is asked for where a verdict hangs on one reading alone, once', () => {
    const known = said(...APART, ...button, 'it A neighbour 4.98 V');
    expect(surveyOf(known, IT).known).toBe(true);
    const own = known.readings.filter((r) => r.control === IT && r.to.kind !== 'mains' && r.to.kind !== 'earth');
    const spec = hangsOn(own, surveyOf(known, IT).posterior)!;
    const next = nextFor(known, surveyOf(known, IT))!;
    expect(next).toMatchObject({
      from: spec.from,
      state: spec.state,
      kind: spec.kind,
      tellsKind: true,
      why: expect.stringContaining('hangs on this one reading'),
    });
    const taken = own.find((r) => r.state === spec.state && r.kind === spec.kind && r.from.name === spec.from.name)!;
    const again = edited(
      known,
      { do: 'add-reading', say: '', reading: { ...taken, id: 'again' } },
      '2026-01-01T00:02:00Z',
    );
    expect(hangsOn([...own, { ...taken, id: 'again' }], surveyOf(again, IT).posterior)).not.toMatchObject({
      state: spec.state,
      from: spec.from,
      kind: spec.kind,
    });
  });
});

describe('the supply of a build', () => {
  it('follows volts as the product of normal distributions does', () => {
    const kind = 'low-when-pressed';
    const supply = SupplyState.begun(kind, null);
    const spec = {
      from: { kind: 'contact', name: 'A' },
      to: { kind: 'ground', name: '' },
      state: 'idle',
      kind: 'volts-dc',
    } as const;
    const table = predictions(kind, spec);
    const set = particles(kind);
    const i = set.weights.findIndex((_, k) => set.build(k).signal === 'A' && k % 7 !== 0);
    table.need(i);
    const ratio = supply.ratio(table, i);
    const [sd, error] = [0.02, 0.015];
    supply.learn(ratio, sd, i, 4.9, error);
    supply.learn(ratio, sd, i, 5.0, error);
    const noise = sd ** 2 + error ** 2;
    const five = namedSupplies(suppliesOf(VARIANTS[kind][0]!)!, null).find((n) => n.volts === 5)!;
    const precision = 1 / five.variance + (2 * ratio ** 2) / noise;
    expect(supply.variance[i]).toBeCloseTo(1 / precision, 9);
    expect(supply.volts[i]).toBeCloseTo((5 / five.variance + (ratio * 9.9) / noise) / precision, 9);
  });

  it('is one of those that are met, a neighbour’s more than all others', () => {
    const alone = namedSupplies(
      {
        list: [
          [5, 1],
          [12, 3],
        ],
        within: 0.1,
      },
      null,
    );
    expect(alone.reduce((s, n) => s + n.weight, 0)).toBeCloseTo(1, 9);
    const shared = namedSupplies({ list: [[5, 1]], within: 0.1 }, 3.3);
    expect(shared[0]).toMatchObject({ volts: 3.3, weight: 0.9 });
    expect(shared.reduce((s, n) => s + n.weight, 0)).toBeCloseTo(1, 9);
  });

  it('is found with the leads exchanged throughout', () => {
    const job = said(
      ...APART,
      'it look springs back',
      'it B to ground off 0.1 ohm',
      'it A idle -4.98 V',
      'it A neighbour -4.98 V',
      'it A-B pressed 0.4 ohm',
      'it A pressed -3 mV',
    );
    const p = surveyOf(job, IT);
    expect(assumptions(job, p).join()).toMatch(/leads exchanged/);
    expect(p.candidates[0]!.kind).toBe('low-when-pressed');
    expect(p.candidates[0]!.probability).toBeGreaterThan(0.8);
  });

  it('amperes have no sign, volts may be exchanged', () => {
    const r = said('it short -0.5 mA').readings[0]!;
    const l = likelihoodOf(r, HAND_METER);
    expect(l.of(Math.log(0.5e-3 + 20e-6), 0.2)).toBeGreaterThan(100 * l.slip);
  });
});

describe('a control that is none of the kinds', () => {
  const opener = said(
    ...APART,
    'it look springs back',
    'it B to ground off 0.05 ohm',
    'it A to ground off 0.3 ohm',
    'it A-B off 0.3 ohm',
    'it A-B pressed 15k',
    'it A-B pressed 15.1k',
    'it A-B released 0.3 ohm',
    'it B-A pressed 15k',
    'it B-A pressed 15.1k',
  );
  const s = surveyOf(opener, IT);

  it('leaves the remainder in the lead, with what fits nothing and what would tell more', () => {
    expect(s.remainder.leads).toBe(true);
    expect(s.known).toBe(false);
    // Unplugged, a changeover that rests on ground reads the same.
    expect(s.remainder.as).toBeNull();
    expect(misfitWords(opener, s)).toEqual([expect.stringContaining('A to B'), expect.stringContaining('B to A')]);
    expect(tellMore(s)).toHaveLength(4);
    expect(assess(opener).findings.find((f) => f.id === `probe.${IT}.kind`)).toMatchObject({
      verdict: 'unknown',
      caption: 'not one of these',
      title: expect.stringContaining('15.1 kΩ'),
    });
    expect(assess(opener).facts.controls[IT]!.kind).toBeNull();
  });

  it.each<[string, string[], StrangerKind]>([
    [
      'a button that opens',
      ['it look springs back', 'it A-B off 0.3 ohm', 'it A-B pressed 15k', 'it A idle 0 V', 'it A pressed 4.97 V'],
      'opens-when-pressed',
    ],
    [
      'a changeover',
      [
        'it look springs back',
        'it A idle 0 V',
        'it B idle 4.98 V',
        'it A pressed 4.98 V',
        'it A to ground off 0.3 ohm',
        'it A-B pressed 0.3 ohm',
      ],
      'changeover',
    ],
    [
      'a pair of supply wires',
      ['it look two wires', 'it A idle 5.02 V', 'it A loaded-10k 5.02 V', 'it A-B off 4.2k'],
      'rails',
    ],
    [
      'a variable resistor',
      ['it look turns to stops', 'it A idle 2.1 V', 'it A-B off 4.2k', 'it A-B turning 7.3k'],
      'variable-resistor',
    ],
    ['a sounder', ['it look two wires', 'it A-B off 32 ohm', 'it A idle 5 V', 'it B idle 5 V'], 'sounder'],
  ])('is called %s where that is likely, and no kind', (called, lines, kind) => {
    const ground = kind === 'sounder' || kind === 'changeover' ? [] : ['it B to ground off 0.1 ohm'];
    const job = said(...APART, ...ground, ...lines);
    const found = surveyOf(job, IT);
    expect(found.remainder.as).toBe(kind);
    expect(tellMore(found)[0]).toBe(STRANGER_THEN[kind]);
    expect(assess(job).facts.controls[IT]!.kind).toBeNull();
    expect(assess(job).findings.find((f) => f.id === `probe.${IT}.kind`)).toMatchObject({
      verdict: 'unknown',
      caption: called,
    });
  });

  it('is hardly thought of where a kind fits as a whole', () =>
    expect(surveyOf(said(...APART, ...button), IT).remainder.probability).toBeLessThan(0.03));
});

describe('how a control stands', () => {
  it('says chance in words', () =>
    expect([0.995, 0.96, 0.85, 0.6, 0.3, 0.1, 0.01].map(chanceWords)).toEqual([
      'as good as certain',
      'nearly sure',
      'likely',
      'more likely than not',
      'possible',
      'unlikely',
      'hardly',
    ]));

  it('tells whether a bare contact would do although the kind is open', () => {
    const lines = [...button, 'it A-B released >20M', 'it A-B loaded-10k 2.5 V'];
    const view = (job: Job) => contactView(job, surveyOf(job, IT));
    expect(surveyOf(said(...APART, ...lines), IT).known).toBe(false);
    expect(view(said(...APART, ...lines))).toMatchObject({ suits: true, notFor: [], apart: true });
    expect(view(said(...lines))).toMatchObject({ suits: true, apart: false });
    expect(view(said(...APART))).toMatchObject({ suits: false });
  });

  it('names what speaks against the leader and what was taken for granted', () => {
    const odd = said(...APART, ...button, 'it A neighbour 2.4 V');
    expect(againstLeader(odd, surveyOf(odd, IT))).toBeTruthy();
    expect(assumptions(odd, surveyOf(odd, IT)).join()).toMatch(/usual one/);
    const stated = edited(
      odd,
      { do: 'set', at: 'survey', set: { meter: { ...HAND_METER, stated: true } }, say: '' },
      '2026-01-01T00:02:00Z',
    );
    expect(assumptions(stated, surveyOf(stated, IT)).join()).not.toMatch(/usual one/);
    expect(isStated({ ...HAND_METER, inputOhms: 1e6 })).toBe(true);
  });

  it('knows where the far side of a contact stands, and keeps a transistor to ground from a switch to the supply', () => {
    const latch = said(
      ...APART,
      'it look stays down',
      'it A-B released 0.2 ohm',
      'it A idle 0 V',
      'it B idle 5 V',
      'it A released 5 V',
      'it A-B off 14k',
      'it A to ground off 10k',
    );
    expect(surveyOf(latch, IT).candidates[0]!.kind).toBe('latching-switch');
    expect(assess(latch).facts.controls[IT]!.farSide).toBe('supply');
    const planned = edited(
      latch,
      { do: 'set', at: 'press', of: latch.presses[0]!.id, set: { way: 'npn-to-ground' }, say: '' },
      '2026-01-01T00:02:00Z',
    );
    expect(assess(planned).findings.find((f) => f.id === 'thumb.npn-to-ground.ground-side')).toMatchObject({
      verdict: 'stop',
    });
  });
});

describe('isolation that ohms do not prove', () => {
  const asks = (job: Job): string => nextFor(job, surveyOf(job, IT))!.notePrefix;
  const between = ['ground to mains off 3.1M', 'it A to mains off >20M', 'it B to mains off >20M'];
  it('exchanges the leads between 1 and 10 MΩ, then has the insulation tested, and only then goes on to live readings', () => {
    expect(asks(said(...between))).toBe('mains to ground off');
    const swapped = said(...between, 'mains to ground off 3.3M');
    expect(asks(swapped)).toBe('ground to mains insulation');
    const tested = said(
      ...between,
      'mains to ground off 3.3M',
      'ground to mains insulation 300M',
      'it A to mains insulation 300M',
      'it B to mains insulation 300M',
    );
    expect(asks(tested)).toBe('it A to earth loaded-100k');
    expect(isolationOf(said(...between, 'mains to ground off 0.4M'), IT).verdict).toBe('not-isolated');
  });

  it('has a way out where the meter ends too low', () => {
    const low = (job: Job): Job =>
      edited(
        job,
        { do: 'set', at: 'survey', set: { meter: { ...HAND_METER, mostOhms: 2e6 } }, say: '' },
        '2026-01-01T00:02:00Z',
      );
    const job = low(said('ground to mains off >2M', 'it A to mains off >2M', 'it B to mains off >2M'));
    expect(asks(job)).toBe('ground to mains insulation');
    expect(isolationOf(job, IT).verdict).toBe('unknown');
  });
});
