import { describe, expect, it } from 'vitest';
import { buildOf, lookShare, predict, STRANGER_KINDS, type ReadingSpec } from '../circuit';
import { CONTROL_KINDS, HAND_METER, LOOKS, type Look } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { buildFor, crossing, isPractice, padCapture, PROOFER_PAD, readStandin, STANDINS, standinOf } from '.';

const A = { kind: 'contact', name: 'A' } as const;
const B = { kind: 'contact', name: 'B' } as const;
const G = { kind: 'ground', name: '' } as const;
const across: ReadingSpec = { from: A, to: B, state: 'pressed', kind: 'ohms' };
const line = buildOf({ kind: 'low-when-pressed', contactOhms: 0.5 });

describe('stand-ins', () => {
  it('know their own controls, and give their main one for any other name', () => {
    const alarm = STANDINS['cold-room-alarm']!;
    expect(buildFor(alarm, 'test').kind).toBe('ladder');
    expect(buildFor(alarm, 'mute')).toBe(alarm.build);
    expect(standinOf({ model: 'cold-room-alarm', seed: 1 })).toBe(alarm);
    expect(standinOf({ model: 'none', seed: 1 })).toBeUndefined();
    expect(standinOf({ model: 'from a later version', seed: 1 })).toBeUndefined();
  });

  it('of the practice shelf are drawn from the seed, isolated, every kind now and then, with a fault where one is asked for', () => {
    expect(standinOf({ model: 'practice', seed: 7 })).toEqual(standinOf({ model: 'practice', seed: 7 }));
    const drawn = Array.from({ length: 120 }, (_, seed) => standinOf({ model: 'practice', seed })!);
    expect(new Set(drawn.map((s) => s.build.kind)).size).toBe(CONTROL_KINDS.length);
    expect(drawn.every((s) => s.build.mainsOhms > 20e6 && s.faults.length === 0)).toBe(true);
    const faulty = Array.from({ length: 40 }, (_, seed) => standinOf({ model: 'practice-faulty', seed })!);
    expect(new Set(faulty.map((s) => s.faults[0]!.fault)).size).toBe(2);
    const strange = Array.from({ length: 120 }, (_, seed) => standinOf({ model: 'practice-strange', seed })!);
    expect(new Set(strange.map((s) => s.build.kind))).toEqual(new Set(STRANGER_KINDS));
    expect(isPractice('practice-faulty')).toBe(true);
    expect(isPractice('rice-pot')).toBe(false);
  });
});

describe('what is wrong with a control', () => {
  it('a dirty contact closes with another resistance at every press', () => {
    const random = seededRandom(3);
    const shown = Array.from(
      { length: 12 },
      () => readStandin({ build: line, faults: [{ fault: 'dirty-contact', upToOhms: 3000 }] }, across, random).value,
    );
    expect(new Set(shown.map((v) => Math.round(v))).size).toBeGreaterThan(6);
    expect(Math.min(...shown)).toBeGreaterThan(0.9);
    expect(Math.max(...shown)).toBeLessThan(3100);
  });

  it('a broken trace leaves the contact itself whole and its terminal loose', () => {
    const cut = { build: line, faults: [{ fault: 'broken-trace', terminal: 'A' } as const] };
    const random = seededRandom(4);
    expect(readStandin(cut, across, random).value).toBeCloseTo(0.5, 0);
    expect(readStandin(cut, { ...across, state: 'off' }, random)).toMatchObject({ relation: '>' });
    expect(readStandin(cut, { from: A, to: G, state: 'idle', kind: 'volts-dc' }, random).value).toBeCloseTo(0, 2);
    // B still stands on ground.
    expect(readStandin(cut, { from: B, to: G, state: 'off', kind: 'ohms' }, random).value).toBeLessThan(1);
    expect(predict(line, { from: A, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(4.995, 2);
  });
});

describe('the virtual meter on settings without a number', () => {
  it('beeps under its limit, acts where little of the voltage is left, looks as the kind looks', () => {
    const random = seededRandom(5);
    expect(readStandin({ build: line, faults: [] }, { ...across, kind: 'continuity' }, random).said).toBe('beep');
    expect(readStandin({ build: line, faults: [] }, { ...across, kind: 'continuity', state: 'off' }, random).said).toBe(
      'silent',
    );
    expect(
      readStandin({ build: line, faults: [] }, { from: A, to: B, state: 'idle', kind: 'jumper' }, random).said,
    ).toBe('acts');
    expect(
      readStandin(
        { build: buildOf({ kind: 'touch-pad', supplyVolts: 0.4, seriesOhms: 5e6 }), faults: [] },
        { from: A, to: B, state: 'idle', kind: 'jumper' },
        random,
      ).said,
    ).toBe('nothing');
    expect(
      readStandin({ build: line, faults: [], look: 'membrane' }, { from: A, to: B, state: 'off', kind: 'look' }, random)
        .said,
    ).toBe('membrane');
    const looks = Array.from(
      { length: 3000 },
      () =>
        readStandin(
          { build: buildOf({ kind: 'scanned-matrix' }), faults: [] },
          { from: A, to: B, state: 'off', kind: 'look' },
          random,
        ).said as Look,
    );
    for (const look of LOOKS)
      expect(looks.filter((l) => l === look).length / looks.length).toBeCloseTo(lookShare('scanned-matrix', look), 1);
  });

  it('keeps to the ranges of the meter in hand', () => {
    const short = { ...HAND_METER, mostOhms: 600e3 };
    expect(
      readStandin(
        { build: line, faults: [] },
        { from: A, to: { kind: 'mains', name: '' }, state: 'off', kind: 'ohms' },
        seededRandom(1),
        short,
      ),
    ).toEqual({ value: 600e3, digit: 0, relation: '>', said: '' });
  });
});

describe('captures of a pad without hardware', () => {
  it('strobe each line once a period in order, and join the held key to its sense line', () => {
    const text = padCapture(PROOFER_PAD, '6', 4, seededRandom(2));
    const falls = [...text.matchAll(/^#(\d+)\n0(.)(?:\n0(.))?/gm)];
    expect(falls.map((m) => m[2])).toEqual(Array.from({ length: 4 }, () => ['!', '"', '#', '$']).flat());
    expect(falls.filter((m) => m[3]).map((m) => `${m[2]}${m[3]}`)).toEqual(Array.from({ length: 4 }, () => '"\''));
    expect(crossing(PROOFER_PAD, '6')).toEqual({ strobe: 1, sense: 2 });
    expect(() => crossing(PROOFER_PAD, 'none')).toThrow(RangeError);
  });
});
