import { describe, expect, it } from 'vitest';
import { KIND_SHARES } from '../circuit';
import { applyEdit, CONTROL_KINDS, freshJob, HAND_METER, readNoteLine, type ControlKind, type Job } from '../job';
import { controlFacts, isolationOf, nextFor, probeFindings, surveyOf, surveysOf, tieOf } from '.';
import { boardOrder } from './board-order';
import { meaningsOf, outcomesOf } from './information';
import { allowed, LOOK_SPEC } from './menu';
import { normalCdf } from '../quantity';
import { entropyBits } from './entropy';
import { particles, spread } from './particles';
import { posteriorOf } from './posterior';

const T = (i: number): string => `2026-03-02T14:${String(i).padStart(2, '0')}:00Z`;
const CONTROL = 'control-start';

function jobWith(...lines: string[]): Job {
  let job = applyEdit(freshJob({ title: 'Pot' }, 'j', T(0)), { do: 'add-control', id: CONTROL, name: 'start' }, T(0));
  lines.forEach((line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: T(i + 1) });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    job = applyEdit(job, u.edit, T(i + 1));
  });
  return job;
}
const ISOLATED = ['ground to mains off >20M', 'start A to mains off >20M', 'start B to mains off >20M', 'start A to earth on 0.3 VAC'];
const kindOf = (job: Job) => {
  const s = surveyOf(job, CONTROL);
  return { kind: s.candidates[0]!.kind, p: s.candidates[0]!.probability, s };
};

describe('what a control is', () => {
  it('begins with the shares in which kinds are met, and weights that add up to one', () => {
    const start = posteriorOf([]).kinds;
    for (const [kind, share] of Object.entries(KIND_SHARES)) expect(start[kind as ControlKind]).toBeCloseTo(share, 9);
    for (const kind of CONTROL_KINDS) expect(particles(kind).weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });

  it.each<[ControlKind, string[]]>([
    ['low-when-pressed', ['start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start A pressed 3 mV']],
    ['low-when-pressed', ['start look springs back', 'start A to ground off 0.1 ohm', 'start B idle 3.31 V', 'start B pressed 0 V', 'start B neighbour 3.31 V']],
    ['high-when-pressed', ['start look springs back', 'start A idle 0.00 V', 'start B idle 3.29 V', 'start A pressed 3.28 V', 'start A-B released 14k']],
    ['ladder', ['start look springs back', 'start A idle 5.02 V', 'start A pressed 1.61 V', 'start A neighbour 2.97 V', 'start B to ground off 2.2k']],
    ['scanned-matrix', ['start look membrane', 'start A idle 4.35 V', 'start A idle 62.4 Hz', 'start B idle 4.96 V', 'start B pressed 4.35 V']],
    ['dry-pair', ['start look terminals', 'start B to ground off >20M', 'start A-B idle 23.8 V', 'start short 9.1 mA']],
    ['switched-load', ['start look rocker', 'start A-B idle 229 VAC', 'start A to neutral off 24 ohm']],
    ['touch-pad', ['start look glass', 'start A idle 0.31 V', 'start A-B pressed >20M']],
    ['motor-pair', ['start look two wires', 'start A-B off 4.7 ohm', 'start A-B moving 11.4 V', 'start A-B moving-back -11.5 V']],
    ['latching-switch', ['start look stays down', 'start A-B released 0.3 ohm', 'start A idle 4.97 V', 'start B idle 0 V']],
    ['selector', ['start look turns to stops', 'start A-B off 0.2 ohm', 'start A-B turning >20M', 'start B to ground off 0.1 ohm']],
    ['encoder', ['start look turns on', 'start A turning 12 Hz', 'start A-B pressed >1M']],
    ['serial-bus', ['start look connector', 'start A idle 3.1 V', 'start A idle 480 Hz', 'start B idle 0 V']],
  ])('is %s after %j', (kind, lines) => {
    const found = kindOf(jobWith(...ISOLATED, ...lines));
    expect(found.kind).toBe(kind);
    expect(found.p).toBeGreaterThan(0.95);
  });

  // Bayes by hand, every number written out. Of 100 touch pads 92 show glass, 3 a membrane and each other look 0.4 on the same
  // scale, so P(glass | touch pad) = 92/98.2; every other kind shows it with 0.4 over its own sum.
  it('agrees with Bayes done by hand on one look', () => {
    const sums: Record<ControlKind, number> = {
      'low-when-pressed': 82 + 11 + 3 + 1 + 6 * 0.4, 'high-when-pressed': 84 + 9 + 3 + 1 + 6 * 0.4, ladder: 83 + 12 + 2 + 7 * 0.4, 'scanned-matrix': 47 + 47 + 2 + 7 * 0.4, 'dry-pair': 88 + 8 + 8 * 0.4,
      'switched-load': 70 + 6 + 4 + 10 + 7 + 5 * 0.4, 'touch-pad': 92 + 3 + 8 * 0.4, 'motor-pair': 92 + 4 + 8 * 0.4, 'latching-switch': 88 + 6 + 8 * 0.4, selector: 93 + 2 + 8 * 0.4, encoder: 93 + 3 + 8 * 0.4, 'serial-bus': 93 + 1 + 2 + 7 * 0.4,
    };
    const joint = CONTROL_KINDS.map((k) => KIND_SHARES[k] * ((k === 'touch-pad' ? 92 : 0.4) / sums[k]));
    const byHand = joint[CONTROL_KINDS.indexOf('touch-pad')]! / joint.reduce((a, b) => a + b, 0);
    expect(byHand).toBeCloseTo(0.8779, 3);
    expect(posteriorOf(jobWith('start look glass').readings).kinds['touch-pad']).toBeCloseTo(byHand, 9);
  });

  // One number, the density written out: 0.2 Ω from B to ground under "low when pressed", where B is ground itself (0.05 Ω of
  // wire) for half of the builds and stands behind the pull-up and the dead board for the other half.
  it('agrees with the density worked by hand on one number', () => {
    const job = jobWith('start B to ground off 0.20 ohm');
    const y = Math.log(0.2 + 0.5);
    const error = (0.2 * 0.01 + 0.01 * 3) / 2 / 0.7;
    const density = (ohms: number): number => {
      const sd = Math.hypot(spread('ohms', ohms, false), error);
      const z = (y - Math.log(ohms + 0.5)) / sd;
      return 0.02 / 18 + (0.98 * 2) / (Math.PI * Math.sqrt(3) * sd * (1 + (z * z) / 3) ** 2);
    };
    const { builds, weights } = particles('low-when-pressed');
    const low = builds.reduce((s, b, i) => s + weights[i]! * density(b.signal === 'A' ? 0.05 : b.seriesOhms + b.boardOhms), 0);
    const pads = particles('touch-pad');
    const touch = pads.builds.reduce((s, b, i) => s + pads.weights[i]! * density((b.signal === 'A' ? 1.3 : 1) * b.seriesOhms + b.boardOhms), 0);
    const p = posteriorOf(job.readings).kinds;
    expect(p['low-when-pressed'] / p['touch-pad']).toBeCloseTo((KIND_SHARES['low-when-pressed'] * low) / (KIND_SHARES['touch-pad'] * touch), 1);
  });

  it('is not turned by one wrong reading, and names the pair that disagrees', () => {
    const good = [...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start short 0.498 mA'];
    const { kind, s } = kindOf(jobWith(...good, 'start A idle 0.02 V'));
    expect(kind).toBe('low-when-pressed');
    expect(s.contradictions).toHaveLength(1);
    expect(s.contradictions[0]!.readings).toHaveLength(2);
    expect(s.contradictions[0]!.text).toMatch(/cannot both be right/);
    expect(kindOf(jobWith(...good)).s.contradictions).toEqual([]);
  });

  it('forgets a withdrawn reading', () => {
    const job = jobWith(...ISOLATED, 'start A idle 4.98 V');
    const without = applyEdit(job, { do: 'strike-reading', id: 'r4', struck: true }, T(30));
    expect(surveyOf(without, CONTROL).posterior.kinds).toEqual(surveyOf(jobWith(...ISOLATED), CONTROL).posterior.kinds);
  });

  it('estimates supply and pull-up with bounds that hold the truth', () => {
    const { s } = kindOf(jobWith(...ISOLATED, 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start short 0.498 mA', 'start A-B pressed 0.4 ohm', 'start look springs back'));
    const e = s.candidates[0]!.estimates;
    expect(e['supplyVolts']!.value.nominal).toBeCloseTo(4.985, 2);
    expect(Math.abs(e['pullUpOhms']!.value.nominal - 10_000)).toBeLessThan(30);
    expect(e['pullUpOhms']!.value.low).toBeLessThan(10_000);
    expect(e['pullUpOhms']!.value.high).toBeGreaterThan(10_000);
    expect(e['pullUpOhms']!.steps.at(-1)!.formula).toBe('V_open / I');
  });

  it('refuses a control that is not there', () => expect(() => surveyOf(jobWith(), 'no')).toThrow(RangeError));
});

describe('isolation from mains', () => {
  it('is proven only by every reading', () => {
    for (let n = 0; n < ISOLATED.length; n++) expect(isolationOf(jobWith(...ISOLATED.slice(0, n)), CONTROL).verdict).toBe('unknown');
    expect(isolationOf(jobWith(...ISOLATED), CONTROL)).toMatchObject({ verdict: 'isolated', missing: [] });
  });

  it('takes a contact tied to ground as ground, and live and neutral one by one', () => {
    const job = jobWith('ground to live off 40M', 'ground to neutral off >20M', 'start B to ground off 0.1 ohm', 'start A to live off >20M', 'start A to neutral off 30M', 'start A to earth on 0.2 VAC');
    expect(isolationOf(job, CONTROL).verdict).toBe('isolated');
  });

  it('knows a tie to mains, and what lies between', () => {
    expect(isolationOf(jobWith('ground to mains off 180k'), CONTROL).verdict).toBe('not-isolated');
    expect(isolationOf(jobWith(...ISOLATED.slice(1), 'ground to mains off 4M'), CONTROL).verdict).toBe('unknown');
    expect(isolationOf(jobWith(...ISOLATED.slice(1), 'ground to mains off >2M'), CONTROL).verdict).toBe('unknown');
    const stop = probeFindings(jobWith('ground to mains off 180k'), [surveyOf(jobWith('ground to mains off 180k'), CONTROL)]).find((f) => f.verdict === 'stop');
    expect(stop?.remedy?.text).toMatch(/No shared ground/);
  });

  // IEC 61140: extra-low voltage ends at 50 V AC.
  it('takes more than 50 V AC for the dangerous side and proposes nothing more', () => {
    const job = jobWith(...ISOLATED.slice(0, 3), 'start A to earth on 112 VAC');
    expect(isolationOf(job, CONTROL)).toMatchObject({ verdict: 'not-isolated', dangerous: true });
    expect(nextFor(job, surveyOf(job, CONTROL))).toBeNull();
  });
});

describe('the next reading', () => {
  it('asks for isolation first, unplugged before powered', () => {
    const asked: string[] = [];
    for (let n = 0; n < ISOLATED.length; n++) {
      const job = jobWith(...ISOLATED.slice(0, n));
      asked.push(nextFor(job, surveyOf(job, CONTROL))!.notePrefix);
    }
    expect(asked).toEqual(['ground to mains off', 'start A to mains off', 'start B to mains off', 'start A to earth idle']);
  });

  it('never proposes a live reading before isolation, nor a short before the volts are known', () => {
    const short = { from: { kind: 'contact', name: 'A' }, to: { kind: 'contact', name: 'B' }, state: 'idle', kind: 'amps' } as const;
    const volts = { ...short, kind: 'volts-dc' } as const;
    const nothing = posteriorOf([]);
    expect(allowed(volts, [], nothing, false)).toBe(false);
    expect(allowed(volts, [], nothing, true)).toBe(true);
    expect(allowed(short, [], nothing, true)).toBe(false);
    expect(allowed({ ...short, kind: 'ohms', state: 'off' }, [], nothing, false)).toBe(true);
    const { readings } = jobWith('start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm');
    expect(allowed(short, readings, posteriorOf(readings), true)).toBe(true);
    const loads = jobWith('start look rocker', 'start A-B idle 12.1 V').readings;
    expect(allowed(short, loads, posteriorOf(loads), true)).toBe(false);
  });

  it('says what each answer would mean and begins its note line', () => {
    const job = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm');
    const next = nextFor(job, surveyOf(job, CONTROL))!;
    expect(next.expectations.length).toBeGreaterThan(0);
    expect(next.gainBits).toBeGreaterThan(0.01);
    const u = readNoteLine(`${next.notePrefix} 4.98 V`, job, { id: 'x', now: T(9) });
    expect(u).toMatchObject({ ok: true, edit: { reading: { from: next.from, to: next.to, state: next.state } } });
  });

  it('measures uncertainty in bits', () => {
    expect(entropyBits([0.5, 0.5])).toBe(1);
    expect(entropyBits([1, 0])).toBe(0);
    // Abramowitz and Stegun, table 26.1: Φ(1) = 0.8413, Φ(−1.96) = 0.0250.
    expect(normalCdf(1)).toBeCloseTo(0.8413, 4);
    expect(normalCdf(-1.96)).toBeCloseTo(0.025, 4);
  });
});

describe('what each answer would mean', () => {
  it('is told before the look is taken: each choice with the kind that would lead', () => {
    const p = posteriorOf([]);
    const meanings = meaningsOf(LOOK_SPEC, p);
    expect(meanings[0]).toMatchObject({ look: 'springs-back', kind: 'low-when-pressed' });
    expect(meanings.find((m) => m.look === 'glass')!.kind).toBe('touch-pad');
    expect(meanings.reduce((s, m) => s + m.chance, 0)).toBeGreaterThan(0.95);
  });

  it('gives answers whose shares add up to one for every kind', () => {
    const p = posteriorOf(jobWith('start A idle 4.98 V').readings);
    const { shares } = outcomesOf({ from: { kind: 'contact', name: 'A' }, to: { kind: 'ground', name: '' }, state: 'pressed', kind: 'volts-dc' }, p);
    for (const kind of CONTROL_KINDS) expect(Math.abs(shares[kind].reduce((a, b) => a + b, 0) - 1)).toBeLessThan(0.005);
  });

  it('comes true: the kind that was announced for an answer leads after it', () => {
    const job = jobWith(...ISOLATED, 'start look springs back');
    const next = nextFor(job, surveyOf(job, CONTROL))!;
    const likely = next.meanings[0]!;
    const after = jobWith(...ISOLATED, 'start look springs back', `${next.notePrefix} ${((likely.low + likely.high) / 2).toFixed(3)}`);
    expect(surveyOf(after, CONTROL).candidates[0]!.kind).toBe(likely.kind);
  });
});

describe('several controls of one board', () => {
  const three = (): Job => {
    let job = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 3.31 V', 'start A-B pressed 0.4 ohm', 'start A neighbour 3.31 V');
    for (const name of ['stop', 'door']) job = applyEdit(job, { do: 'add-control', id: `control-${name}`, name }, T(20));
    return job;
  };

  it('lean towards what their neighbours are, and share the supply', () => {
    const stop = surveysOf(three()).find((s) => s.control === 'control-stop')!;
    expect(stop.candidates[0]!.kind).toBe('low-when-pressed');
    expect(stop.candidates[0]!.probability).toBeGreaterThan(KIND_SHARES['low-when-pressed'] + 0.1);
    expect(stop.posterior.before.supplyVolts).toBeCloseTo(3.31, 1);
    expect(surveyOf(three(), CONTROL).posterior.before.supplyVolts).toBeNull();
  });

  it('are planned together, unplugged readings first and isolation before all', () => {
    const plan = boardOrder(three(), 6);
    expect(plan).toHaveLength(6);
    expect(plan[0]!.reading.to.kind).toBe('mains');
    const firstPowered = plan.findIndex((p) => p.reading.kind !== 'ohms' && p.reading.kind !== 'look');
    expect(plan.slice(0, firstPowered < 0 ? 6 : firstPowered).every((p) => p.reading.kind === 'ohms' || p.reading.kind === 'look')).toBe(true);
    expect(new Set(plan.map((p) => p.reading.notePrefix)).size).toBe(6);
  });

  it('judges with the meter in hand: a poor one leaves wider bounds', () => {
    const job = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm');
    const poor = applyEdit(job, { do: 'change', section: 'survey', set: { meter: { ...HAND_METER, voltsShare: 0.05 } }, say: 'a poor meter' }, T(30));
    const width = (j: Job): number => {
      const e = surveyOf(j, CONTROL).candidates[0]!.estimates['supplyVolts']!.value;
      return e.high - e.low;
    };
    expect(width(poor)).toBeGreaterThan(3 * width(job));
  });

  it('reports a tie only where nothing is left to read', () => expect(tieOf(three(), surveyOf(three(), CONTROL))).toEqual([]));
});

describe('facts for the other rooms', () => {
  it('hands on the kind only once it is known', () => {
    const early = jobWith();
    expect(controlFacts(early, [surveyOf(early, CONTROL)])[CONTROL]).toMatchObject({ kind: null, leading: 'low-when-pressed', isolation: 'unknown' });
    const late = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm');
    expect(controlFacts(late, [surveyOf(late, CONTROL)])[CONTROL]).toMatchObject({ kind: 'low-when-pressed', isolation: 'isolated', signal: 'A' });
  });
});
