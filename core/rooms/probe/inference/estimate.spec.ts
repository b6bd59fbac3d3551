import { describe, expect, it } from 'vitest';
import { benchJob } from '../../../testing/jobs';
import { buildOf, DRAW_DIMENSIONS, drawBuild, type Build } from '../../../engines/circuit';
import { edited, CONTROL_KINDS, HAND_METER, type ControlKind, type Job } from '../../../ground/job';
import { seededRandom } from '../../../ground/quantity';
import { CONTROL as START, ISOLATED, jobWith } from '../../../testing/probe-jobs';
import { nextFor, surveyOf, takenFrom, type Candidate } from '..';

const CONTROL = 'control-it';
const T = (i: number): string => `2026-01-01T00:${String(i).padStart(2, '0')}:00Z`;

/** Follows every proposal to the end, values included. */
function measured(build: Build, seed: number): { job: Job; best: Candidate } {
  const random = seededRandom(seed);
  let job = edited(benchJob(), { do: 'add-control', id: CONTROL, name: 'it' }, T(0));
  for (let n = 1; n < 30; n++) {
    const next = nextFor(job, surveyOf(job, CONTROL));
    if (!next) break;
    job = edited(
      job,
      { do: 'add-reading', say: '', reading: takenFrom({ build, faults: [] }, next, `r${n}`, T(n), random) },
      T(n),
    );
  }
  return { job, best: surveyOf(job, CONTROL).candidates[0]! };
}

/** The truth behind each estimated value; a pull is what the button's terminals see, a resistor in the return included. */
const TRUTH: Record<string, (b: Build) => number> = {
  supplyVolts: (b) => b.supplyVolts,
  loopVolts: (b) => b.supplyVolts,
  loadVolts: (b) => b.supplyVolts,
  pullUpOhms: (b) => b.seriesOhms + b.returnOhms,
  pullDownOhms: (b) => b.seriesOhms + b.returnOhms,
  loopOhms: (b) => b.seriesOhms,
  contactOhms: (b) => b.contactOhms,
  keyOhms: (b) => b.keyOhms + 0.05,
  periodSeconds: (b) => b.periodSeconds,
  widthSeconds: (b) => b.periodSeconds * b.pulseShare,
  windingOhms: (b) => b.seriesOhms,
};

/** How many of a kind's measured values lie within their bounds, by name; bounds are widened by the resistance of wires and drivers. */
function coverage(kind: ControlKind, boards: number): Record<string, { held: number; of: number }> {
  const random = seededRandom(kind.length * 101);
  const out: Record<string, { held: number; of: number }> = {};
  for (let i = 0; i < boards; i++) {
    const build = drawBuild(
      kind,
      Array.from({ length: DRAW_DIMENSIONS }, () => random.next()),
      0,
    );
    const { best } = measured(build, i + 1);
    if (best.kind !== kind) continue;
    for (const [name, e] of Object.entries(best.estimates)) {
      const truth = TRUTH[name]?.(build);
      if (truth === undefined || e.steps.length === 0) continue;
      const row = (out[name] ??= { held: 0, of: 0 });
      row.of++;
      if (
        truth >= e.value.low * 0.99 - 0.2 * Number(name.endsWith('Ohms')) &&
        truth <= e.value.high * 1.01 + 0.2 * Number(name.endsWith('Ohms'))
      )
        row.held++;
    }
  }
  return out;
}

/** `COVERAGE_BOARDS` asks for more. */
const BOARDS = Number(process.env['COVERAGE_BOARDS'] ?? 6);

describe('estimated values hold the truth within their bounds', () => {
  it.each<[ControlKind, string[]]>([
    ['low-when-pressed', ['supplyVolts', 'pullUpOhms', 'contactOhms']],
    ['high-when-pressed', ['supplyVolts', 'pullDownOhms', 'contactOhms']],
    ['ladder', ['supplyVolts', 'contactOhms']],
    ['scanned-matrix', ['supplyVolts', 'periodSeconds', 'contactOhms']],
    ['dry-pair', ['loopVolts', 'loopOhms', 'contactOhms']],
    ['latching-switch', ['supplyVolts', 'pullUpOhms', 'contactOhms']],
  ])('%s: %j', (kind, names) => {
    const found = coverage(kind, BOARDS);
    for (const name of names) {
      expect(found[name], `${name} was measured`).toBeDefined();
      const { held, of } = found[name]!;
      expect(of, `${name} was measured often enough`).toBeGreaterThanOrEqual(5);
      // One miss of a handful is no more than chance.
      expect(of - held, `${name}: ${held} of ${of}`).toBeLessThanOrEqual(Math.max(1, 0.1 * of));
    }
  });

  it('takes no stray of tenths of a volt AC for the supply where 24 V DC stand, in whichever order they were read', () => {
    const lines = ['start look springs back', 'start A-B idle 24 V', 'start A-B idle 5.1 mA'];
    for (const stray of [1, 2, 3]) {
      const noted = [...lines.slice(0, stray), 'start A-B idle 0.3 VAC', ...lines.slice(stray)];
      const { estimates } = surveyOf(jobWith(...ISOLATED, ...noted), START).candidates[0]!;
      const volts = estimates['supplyVolts'] ?? estimates['loopVolts'];
      expect(volts!.value.nominal).toBeCloseTo(24, 0);
    }
  });

  it('has words, a unit and finite bounds for every value of every kind', async () => {
    const { PARAMETER_WORDS, parameterUnit } = await import('..');
    const random = seededRandom(8);
    for (const kind of CONTROL_KINDS) {
      const build = drawBuild(
        kind,
        Array.from({ length: DRAW_DIMENSIONS }, () => random.next()),
        0,
      );
      for (const [name, e] of Object.entries(measured(build, 3).best.estimates)) {
        expect(PARAMETER_WORDS[name], name).toBeDefined();
        expect(parameterUnit(name)).toMatch(/^(V|A|Ω|s|1)$/);
        expect(e.value.low).toBeLessThanOrEqual(e.value.high);
        expect([e.value.low, e.value.nominal, e.value.high].every(Number.isFinite)).toBe(true);
      }
    }
  });
});

describe('values that a structure hides', () => {
  const after = (build: Build): Candidate => measured(build, 9).best;
  it('are not estimated: a winding behind relays at rest or an end switch, the width of pulses that sleep', () => {
    const motor = buildOf({ kind: 'motor-pair', supplyVolts: 12, seriesOhms: 14, groundOhms: 30e3 });
    expect(after(motor).estimates['windingOhms']!.steps.length).toBe(1);
    expect(after({ ...motor, layout: 'relay' }).estimates['windingOhms']!.steps).toEqual([]);
    expect(after({ ...motor, dropVolts: 0.6, keyOhms: 4e6 }).estimates['windingOhms']!.steps).toEqual([]);
    const pad = buildOf({ kind: 'scanned-matrix', seriesOhms: 47e3, contactOhms: 90 });
    expect(after(pad).estimates['widthSeconds']?.steps.length).toBeGreaterThan(0);
    expect(after({ ...pad, layout: 'asleep' }).estimates['widthSeconds']).toBeUndefined();
  });

  it(
    'give bounds that hold the pull of a ladder with its resistor to ' +
      'ground, and what a load leaves gives a pull-up as a short does',
    () => {
      const found = after(buildOf({ kind: 'low-when-pressed', seriesOhms: 10e3 })).estimates['pullUpOhms']!;
      expect(found.steps.at(-1)!.formula).toBe('R_load * (V_open / abs(V) - 1)');
      expect(found.value.low).toBeLessThan(10e3);
      expect(found.value.high).toBeGreaterThan(10e3);
      // The clip resistor within 5 % and a meter that nobody described widen it; it is no guess all the same.
      expect(found.value.high / found.value.low).toBeLessThan(1.25);
    },
  );
});

describe('what the meter does to a reading', () => {
  // A line of 5 V behind 1 MΩ read with 10 MΩ shows 5·10/11 = 4.545 V; the estimate takes the meter out again.
  it('is taken out of the estimate', () => {
    const build = drawBuild('low-when-pressed', [0.6, 0.5, 0.2, 0.5, 0.9, 0.5, 0.5, 0.1, 0.5, 0.5, 0.5, 0.1], 0);
    const weak = { ...build, supplyVolts: 5, seriesOhms: 180e3 };
    const { best, job } = measured(weak, 4);
    const shown = job.readings.find(
      (r) => r.kind === 'volts-dc' && r.state === 'idle' && r.from.name === 'A' && r.to.kind === 'ground',
    )!.value;
    expect(shown).toBeLessThan(4.96);
    expect(Math.abs(best.estimates['supplyVolts']!.value.nominal - 5)).toBeLessThan(Math.abs(shown - 5));
  });

  it('changes what is expected: a poor meter of 1 MΩ is believed with its loading', () => {
    const job = edited(benchJob(), { do: 'add-control', id: CONTROL, name: 'it' }, T(0));
    const poor = edited(
      job,
      { do: 'set', at: 'survey', set: { meter: { ...HAND_METER, inputOhms: 1e6 } }, say: '' },
      T(1),
    );
    expect(surveyOf(poor, CONTROL).posterior.before.meter.inputOhms).toBe(1e6);
    expect(surveyOf(poor, CONTROL)).not.toBe(surveyOf(job, CONTROL));
    expect(surveyOf(job, CONTROL)).toBe(surveyOf(structuredClone(job), CONTROL));
  });
});
