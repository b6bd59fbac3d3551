import { describe, expect, it } from 'vitest';
import type { Build, ProbedKind } from '../circuit';
import { applyEdit, freshJob, readNoteLine, type Job } from '../job';
import { seededRandom, type Random } from '../quantity';
import { readStandin, type Standin } from '../standin';
import { controlFacts, isolationOf, nextFor, probeFindings, surveyOf, type NextReading } from '.';
import { GRIDS, PRIOR, spread } from './grid';
import { allowed } from './next';
import { entropyBits, normalCdf, posteriorOf } from './posterior';

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
  it('begins with the shares in which kinds are met', () => {
    const start = posteriorOf([]).kinds;
    for (const [kind, share] of Object.entries(PRIOR)) expect(start[kind as ProbedKind]).toBeCloseTo(share, 9);
    expect(Object.values(GRIDS).map((g) => g.reduce((s, p) => s + p.weight, 0)).every((sum) => Math.abs(sum - 1) < 1e-9)).toBe(true);
  });

  it.each<[ProbedKind, string[]]>([
    ['low-when-pressed', ['start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start A pressed 3 mV']],
    ['low-when-pressed', ['start A to ground off 0.1 ohm', 'start B idle 3.31 V', 'start B pressed 0 V']],
    ['high-when-pressed', ['start A idle 0.00 V', 'start B idle 3.29 V', 'start A pressed 3.28 V']],
    ['dry-pair', ['start B to ground off >20M', 'start A-B idle 23.8 V', 'start short 9.1 mA']],
    ['switched-load', ['start A-B idle 229 VAC', 'start A to neutral off 24 ohm']],
  ])('is %s after %j', (kind, lines) => {
    const found = kindOf(jobWith(...ISOLATED, ...lines));
    expect(found.kind).toBe(kind);
    expect(found.p).toBeGreaterThan(0.95);
  });

  // One reading, one parameter left: worked by hand with the densities written out, so that the sum over the grid is checked.
  it('agrees with Bayes done by hand', () => {
    const job = jobWith('start B to ground off 0.10 ohm');
    const [r] = job.readings;
    const y = Math.log(0.1 + 0.5);
    const error = (0.1 * 0.01 + 0.01 * 3) / 2 / 0.6;
    const density = (mean: number, sd: number): number => {
      const s = Math.hypot(sd, error);
      return 0.02 / 18 + (0.98 * Math.exp(-(((y - mean) / s) ** 2) / 2)) / (s * Math.sqrt(2 * Math.PI));
    };
    // B is the ground side for half the prior (wire of 0.05 Ω); for the other half it stands behind the pull-up R and a dead board of 3 kΩ.
    const by = (kind: 'low-when-pressed'): number =>
      GRIDS[kind].reduce((sum, p) => {
        const ohms = p.build.signal === 'A' ? 0.05 : p.build.seriesOhms + 3000;
        return sum + p.weight * density(Math.log(ohms + 0.5), spread('ohms', kind, ohms, false));
      }, 0);
    const posterior = posteriorOf([r!]);
    const low = by('low-when-pressed');
    // The other kinds' evidence follows from the ratio that the posterior must keep.
    const odds = posterior.kinds['low-when-pressed'] / posterior.kinds['high-when-pressed'];
    const high = GRIDS['high-when-pressed'].reduce((sum, p) => {
      const ohms = p.build.signal === 'B' ? p.build.seriesOhms : 3000;
      return sum + p.weight * density(Math.log(1 / (1 / ohms + 1e-12) + 0.5), spread('ohms', 'high-when-pressed', ohms, false));
    }, 0);
    expect(odds / ((low * PRIOR['low-when-pressed']) / (high * PRIOR['high-when-pressed']))).toBeCloseTo(1, 1);
  });

  it('is not turned by one wrong reading, and names the pair that disagrees', () => {
    const good = [...ISOLATED, 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start short 0.498 mA'];
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
    const { s } = kindOf(jobWith(...ISOLATED, 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start short 0.498 mA', 'start A-B pressed 0.4 ohm'));
    const e = s.candidates[0]!.estimates;
    expect(e['supplyVolts']!.value.nominal).toBeCloseTo(4.98, 6);
    expect(e['pullUpOhms']!.value.nominal).toBeCloseTo(10_000, -1);
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
    const posterior = posteriorOf([]);
    const short = { from: { kind: 'contact', name: 'A' }, to: { kind: 'contact', name: 'B' }, state: 'idle', kind: 'amps' } as const;
    const volts = { ...short, kind: 'volts-dc' } as const;
    expect(allowed(volts, [], posterior, false)).toBe(false);
    expect(allowed(volts, [], posterior, true)).toBe(true);
    expect(allowed(short, [], posterior, true)).toBe(false);
    expect(allowed({ ...short, kind: 'ohms', state: 'off' }, [], posterior, false)).toBe(true);
  });

  it('says what each answer would mean and begins its note line', () => {
    const job = jobWith(...ISOLATED, 'start B to ground off 0.1 ohm');
    const next = nextFor(job, surveyOf(job, CONTROL))!;
    expect(next.expectations.length).toBeGreaterThan(0);
    expect(next.gainBits).toBeGreaterThan(0.05);
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

describe('a walk over boards drawn at random', () => {
  const pick = <X>(r: Random, list: readonly X[]): X => list[Math.floor(r.next() * list.length)]!;
  const log = (r: Random, low: number, high: number): number => low * (high / low) ** r.next();

  function draw(r: Random): Build {
    const kind = pick(r, ['low-when-pressed', 'low-when-pressed', 'high-when-pressed', 'dry-pair'] as const);
    const dry = kind === 'dry-pair';
    return {
      kind, signal: pick(r, ['A', 'B'] as const), alternating: false, supplyVolts: (dry ? pick(r, [12, 15, 24]) : pick(r, [3.3, 5, 5])) * (0.98 + 0.04 * r.next()),
      seriesOhms: dry ? log(r, 600, 8e3) : log(r, 2e3, 90e3), contactOhms: log(r, 0.1, 60), mainsOhms: 150e6, groundOhms: dry ? 100e6 : 0.05,
    };
  }

  it('comes to know the kind in few readings, rightly, and never asks for an unsafe one', () => {
    const r = seededRandom(2026);
    const counts: number[] = [];
    let wrong = 0;
    const boards = 60;
    for (let b = 0; b < boards; b++) {
      const build = draw(r);
      const standin = { build } as Standin;
      let job = jobWith();
      for (let n = 0; n < 14; n++) {
        const survey = surveyOf(job, CONTROL);
        const isolation = isolationOf(job, CONTROL);
        if (isolation.verdict === 'isolated' && survey.known) {
          counts.push(job.readings.length - 4);
          if (survey.candidates[0]!.kind !== build.kind) wrong++;
          break;
        }
        const next: NextReading | null = nextFor(job, survey);
        if (!next) break;
        if (next.kind !== 'ohms' && isolation.verdict !== 'isolated') expect(next.to.kind).toBe('earth');
        const shown = readStandin(standin, next, r);
        job = applyEdit(job, { do: 'add-reading', say: '', reading: { id: `b${n}`, at: T(n), control: next.from.kind === 'ground' ? '' : CONTROL, from: next.from, to: next.to, state: next.state, kind: next.kind, by: 'standin', struck: false, ...shown } }, T(n));
      }
    }
    counts.sort((a, b) => a - b);
    expect(counts.length / boards).toBeGreaterThan(0.9);
    expect(counts[Math.floor(counts.length / 2)]).toBeLessThanOrEqual(5);
    expect(wrong / counts.length).toBeLessThanOrEqual(0.05);
  });
});

describe('facts for the other rooms', () => {
  it('hands on the kind only once it is known', () => {
    const early = jobWith();
    expect(controlFacts(early, [surveyOf(early, CONTROL)])[CONTROL]).toMatchObject({ kind: null, leading: 'low-when-pressed', isolation: 'unknown' });
    const late = jobWith(...ISOLATED, 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm');
    expect(controlFacts(late, [surveyOf(late, CONTROL)])[CONTROL]).toMatchObject({ kind: 'low-when-pressed', isolation: 'isolated', signal: 'A' });
  });
});
