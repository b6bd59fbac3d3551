import { describe, expect, it } from 'vitest';
import { benchJob } from '../../testing/jobs';
import { drawBuild, DRAW_DIMENSIONS } from '../../engines/circuit';
import { readNoteLine } from '../../ground/notes';
import { edited, CONTROL_KINDS, type Job } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { nextFor, specKey, surveyOf, takenFrom, warmUp } from '.';
import { readingsWorth } from './next/next';
import { beforeWith } from './inference/siblings';
import { wantedSpecs } from './next/wanted';

const CONTROL = 'control-it';
const T = (i: number): string => `2026-03-02T14:${String(i).padStart(2, '0')}:00Z`;
const jobWith = (...lines: string[]): Job =>
  lines.reduce(
    (job, line, i) => {
      const u = readNoteLine(line, job, { id: `r${i}`, now: T(i + 1) });
      if (!u.ok) throw new Error(`${line}: ${u.message}`);
      return edited(job, u.edit, T(i + 1));
    },
    edited(benchJob(), { do: 'add-control', id: CONTROL, name: 'it' }, T(0)),
  );
const SAFE = [
  'ground to mains off >20M',
  'it A to mains off >20M',
  'it B to mains off >20M',
  'it A to earth on 0.3 VAC',
  'it A to earth plug-turned 0.3 VAC',
];

describe('what may be asked', () => {
  it('never holds down what has nothing to press, and turns only what turns', () => {
    const states = (look: string): Set<string> => {
      const job = jobWith(...SAFE, `it look ${look}`);
      return new Set(readingsWorth(job, CONTROL, surveyOf(job, CONTROL).posterior).map((w) => w.spec.state));
    };
    expect(states('connector').has('pressed')).toBe(false);
    expect(states('two wires').has('moving')).toBe(true);
    expect(states('two wires').has('pressed')).toBe(false);
    expect(states('turns on').has('turning')).toBe(true);
    expect(states('springs back').has('turning')).toBe(false);
    expect(states('springs back').has('pressed')).toBe(true);
  });

  it('leaves out what was put off, and asks for a slip once more but not for ever', () => {
    const job = jobWith(...SAFE, 'it look springs back');
    const survey = surveyOf(job, CONTROL);
    const first = nextFor(job, survey)!;
    const second = nextFor(job, survey, new Set([specKey(first)]))!;
    expect(specKey(second)).not.toBe(specKey(first));
    const lines = [
      ...SAFE,
      'it look springs back',
      'it B to ground off 0.1 ohm',
      'it A-B pressed 0.4 ohm',
      'it A pressed 2 mV',
      'it short 0.5 mA',
    ];
    const odd = jobWith(...lines, 'it A idle -11 V');
    expect(readingsWorth(odd, CONTROL, surveyOf(odd, CONTROL).posterior).map((w) => specKey(w.spec))).toContain(
      'volts-dc|contactA|ground|idle',
    );
    const twice = jobWith(...lines, 'it A idle -11 V', 'it A idle -11 V');
    expect(readingsWorth(twice, CONTROL, surveyOf(twice, CONTROL).posterior).map((w) => specKey(w.spec))).not.toContain(
      'volts-dc|contactA|ground|idle',
    );
  });

  it('shorts no load, no bus and no pair whose kind is open', () => {
    for (const lines of [
      ['it look rocker', 'it A-B idle 12.1 V'],
      ['it look connector', 'it A idle 4.9 V'],
      ['it A idle 4.9 V'],
    ]) {
      const job = jobWith(...SAFE, ...lines);
      expect(readingsWorth(job, CONTROL, surveyOf(job, CONTROL).posterior).some((w) => w.spec.kind === 'amps')).toBe(
        false,
      );
    }
  });

  it('names for every kind the values that a way of pressing wants, and ends', () => {
    const random = seededRandom(21);
    for (const kind of CONTROL_KINDS) {
      const build = drawBuild(
        kind,
        Array.from({ length: DRAW_DIMENSIONS }, () => random.next()),
        0,
      );
      let job = jobWith();
      let n = 0;
      for (; n < 30; n++) {
        const next = nextFor(job, surveyOf(job, CONTROL));
        if (!next) break;
        // The question begins its own note line, and the line is understood as the question.
        const answer =
          next.kind === 'look'
            ? 'glass'
            : next.kind === 'ohms'
              ? '>20M'
              : next.kind === 'hertz'
                ? '60 Hz'
                : next.kind === 'duty'
                  ? '50 %'
                  : next.kind === 'amps'
                    ? '1 mA'
                    : next.kind === 'volts-ac'
                      ? '1 VAC'
                      : '1 V';
        const u = readNoteLine(`${next.notePrefix} ${answer}`, job, { id: 'q', now: T(1) });
        expect(u, next.notePrefix).toMatchObject({
          ok: true,
          edit: { reading: { kind: next.kind, state: next.state, from: next.from, to: next.to } },
        });
        job = edited(
          job,
          { do: 'add-reading', say: '', reading: takenFrom({ build, faults: [] }, next, `w${n}`, T(2), random) },
          T(2),
        );
      }
      expect(n, kind).toBeLessThan(22);
      expect(wantedSpecs(surveyOf(job, CONTROL).posterior, []).length, kind).toBeGreaterThan(0);
    }
  });
});

describe('what neighbours tell', () => {
  it('makes their kind likelier, three at most, and keeps the shares whole', () => {
    const { meter } = jobWith().survey;
    const none = beforeWith([], meter);
    const known = (n: number) =>
      beforeWith(
        Array.from(
          { length: n },
          (_, i) => ({ control: `c${i}`, kind: 'ladder', supplyVolts: i ? 5.02 : 4.98 }) as const,
        ),
        meter,
      );
    expect(known(1).kinds.ladder).toBeGreaterThan(2 * none.kinds.ladder);
    expect(known(5).kinds.ladder).toBeCloseTo(known(3).kinds.ladder, 9);
    expect(Object.values(known(3).kinds).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(known(3).supplyVolts).toBe(5.02);
    expect(none.supplyVolts).toBeNull();
  });
});

describe('warming up', () => {
  it('is done in small pieces and changes no answer', () => {
    const job = jobWith(...SAFE, 'it look membrane');
    const before = nextFor(job, surveyOf(job, CONTROL));
    let pieces = 0;
    for (const _ of warmUp(job.survey.meter)) pieces++;
    expect(pieces).toBeGreaterThan(200);
    expect(nextFor(structuredClone(job), surveyOf(structuredClone(job), CONTROL))).toEqual(before);
  });
});
