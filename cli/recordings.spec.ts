import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { calledIn, root } from './called';

const { folder, gt, json } = calledIn();

describe('recordings and senses on the command line', () => {
  it('tells the runs of a recording, with their end and their price, and what travel times carry', () => {
    const steps = [
      ...Array(60).fill(1),
      ...Array(40).fill(2000),
      ...Array(6).fill(1),
      ...Array(40).fill(2000),
      ...Array(600).fill(1),
    ];
    writeFileSync(
      join(folder, 'wash.csv'),
      `time,power (W)\n${steps.map((w, i) => `${i},${w + (i % 2)}`).join('\n')}\n`,
    );
    const told = json<{ levels: { at: number }[]; finish: { shortestHoldSeconds: number; runs: { cost: number }[] } }>(
      'trace',
      'wash.csv',
      '--tariff',
      '0.3',
    );
    expect(told.levels).toHaveLength(2);
    expect(told.finish.shortestHoldSeconds).toBe(6);
    // 80 s at 2 kW and 6 s of rest with its two ramps: 0.045 kWh at 0.30.
    expect(told.finish.runs).toEqual([
      expect.objectContaining({ seconds: 86, rests: 1, cost: expect.closeTo(0.0135, 3) }),
    ]);
    const senses = json<{ part: string; sets: { added: unknown[]; pairsAlike: number }[] }[]>(
      'senses',
      join(root, 'demo/hatch-shutter.json'),
    );
    expect(senses[0]!.sets.length).toBeGreaterThan(1);
    expect(senses[0]!.sets[1]!.pairsAlike).toBeLessThan(senses[0]!.sets[0]!.pairsAlike);
    const warm = Array.from(
      { length: 400 },
      (_, i) => `${20 * i},${(60 - 40 * Math.exp((-20 * i) / 1500)).toFixed(2)}`,
    );
    writeFileSync(join(folder, 'cabinet.csv'), `time (s),temperature (°C)\n${warm.join('\n')}\n`);
    const cabinet = json<{ legs: { way: string; tauSeconds: number }[]; leastOnSeconds: number }>(
      'room',
      'cabinet.csv',
      '--low',
      '30',
      '--high',
      '40',
    );
    expect(cabinet.legs).toEqual([expect.objectContaining({ way: 'warmer', tauSeconds: expect.closeTo(1500, -1) })]);
    expect(cabinet.leastOnSeconds).toBeCloseTo(1500 * Math.log(30 / 20), -1);
    const reserve = json<{ allow: number }>('travel', '21.4', '21.6', '21.2', '21.5', '21.3s');
    expect(reserve.allow).toBeCloseTo(21.4 + 4.203 * 0.1581, 2);
  });

  it('tell what a meter that two machines hang on cannot tell apart', () => {
    const of = (watts: number, scatter: number): string =>
      Array.from({ length: 400 }, (_, i) => `${i},${(i < 200 ? 1 : watts) + scatter * (((7919 * i) % 97) / 97)}`).join(
        '\n',
      );
    writeFileSync(join(folder, 'lamp.csv'), `time,power (W)\n${of(12, 0.1)}\n`);
    writeFileSync(join(folder, 'motor.csv'), `time,power (W)\n${of(300, 60)}\n`);
    const told = json<{ told: boolean; alike: { one: number[]; other: number[] }[] }>(
      'together',
      'lamp.csv',
      'motor.csv',
    );
    expect(told.told).toBe(false);
    expect(told.alike).toContainEqual(expect.objectContaining({ one: [0, 1], other: [1, 1] }));
    expect(gt('together', 'lamp.csv').err).toMatch(/name two recordings/);
  });

  it('refuse a room of watts, in one line', () => {
    const { status, err } = gt('room', 'wash.csv');
    expect(status).toBe(2);
    expect(err).toMatch(/it is of W, and no temperature/);
  });
});
