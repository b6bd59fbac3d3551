// Conductors against the tables of their standards, a junction and the life of two cells against sums worked by hand.
import { describe, expect, it } from 'vitest';
import { bearsAmps, leadFor, nearestGauge, ohmsPerMetre } from '../core/engines/electrics';
import type { Facts } from '../core/ground/facts';
import { feedFindings } from '../core/rooms/feed';
import { edited, freshConverter, freshJob, freshSource, type Job } from '../core/ground/job';
import { awgAreaSquareMetres } from '../core/ground/quantity';

describe('conductors against their standards', () => {
  // IEC 60228:2004, tables 1 and 3, as remembered: Ω/km at 20 °C of plain copper.
  it.each([
    [0.5, 36.0, 39.0],
    [0.75, 24.5, 26.0],
    [1, 18.1, 19.5],
    [1.5, 12.1, 13.3],
    [2.5, 7.41, 7.98],
    [4, 4.61, 4.95],
  ])('%s mm²: %s Ω/km solid, %s Ω/km flexible, and no less than copper of that size has', (size, solid, flexible) => {
    expect(ohmsPerMetre(size * 1e-6, 'solid') * 1000).toBeCloseTo(solid, 6);
    expect(ohmsPerMetre(size * 1e-6, 'flexible') * 1000).toBeCloseTo(flexible, 6);
    expect(solid).toBeGreaterThan(17.241 / size);
  });

  // ASTM B258: nominal diameters in mils, as published in every wire table.
  it.each([
    [0, 324.9],
    [10, 101.9],
    [14, 64.1],
    [18, 40.3],
    [22, 25.3],
    [24, 20.1],
    [28, 12.6],
    [30, 10.0],
  ])('gauge %s is %s mil thick', (gauge, mils) => {
    const area = (Math.PI / 4) * (mils * 25.4e-6) ** 2;
    expect(Math.abs(awgAreaSquareMetres(gauge) / area - 1)).toBeLessThan(0.012);
    expect(nearestGauge(area)).toBe(gauge);
  });

  it('proposes the thinnest lead that bears and drops no more than was asked', () => {
    for (const amps of [0.3, 1, 2.5, 5, 9])
      for (const metres of [0.5, 2, 8]) {
        const size = leadFor(amps, amps, metres, 0.36, 'flexible', false);
        if (size === null) continue;
        expect(bearsAmps(size)).toBeGreaterThanOrEqual(amps);
        expect(2 * metres * ohmsPerMetre(size, 'flexible') * amps).toBeLessThanOrEqual(0.36);
      }
  });
});

const at = '2026-03-02T14:00:00Z';
const FACTS: Facts = {
  controls: {},
  presses: [],
  drive: {
    controller: 'controller',
    source: 'board-own',
    highVolts: { low: 1.8, nominal: 3, high: 3.3 },
    limitAmps: 0.01,
    meanAmps: 0.01,
    peakAmps: 0.02,
    supplyVolts: { low: 4.5, nominal: 5, high: 5.5 },
    chipVolts: { low: 1.8, nominal: 3, high: 3.6 },
    pinVolts: 3,
    regulator: 'none',
    dropVolts: null,
    sleepAmps: null,
    chipSleepAmps: 50e-6,
    module: null,
    moduleContact: null,
  },
};
const job = (...edits: Parameters<typeof edited>[1][]): Job =>
  edits.reduce((j, e) => edited(j, e, at), freshJob({ title: 'x' }, 'x', at));
const found = (j: Job, facts: Facts, id: string) => feedFindings(j, facts).find((f) => f.id === id)!;

describe('a junction', () => {
  // Horowitz and Hill, The Art of Electronics, third edition, section 9.4: T_J = T_A + P·θ_JA, about 62.5 K/W for a TO-220 in free air
  // (from memory). 12 V to 5 V at 50 mA is 0.35 W, 22 K over a room of 25 °C.
  it('is as warm as the textbook has it', () => {
    const box = { widthMetres: 10, heightMetres: 10, depthMetres: 10, roomCelsius: 25 };
    const j = job(
      { do: 'set', at: 'feed.box', set: box },
      { do: 'put', list: 'feed.sources', item: { ...freshSource('s', 's'), volts: 12 / 1.05, amps: 5 } },
      {
        do: 'put',
        list: 'feed.converters',
        item: { ...freshConverter('r', 'r', 'linear', 's'), package: 'to-220', idleAmps: 0, mostVolts: 30, amps: 1 },
      },
    );
    const warm = found(j, { ...FACTS, drive: { ...FACTS.drive!, meanAmps: 0.05, peakAmps: 0.05 } }, 'feed.heat@r');
    expect(Math.abs((warm.value!.value - 25) / ((12 - 5) * 0.05 * 62.5) - 1)).toBeLessThan(0.05);
  });
});

describe('cells', () => {
  // Linden and Reddy, Handbook of Batteries, third edition, chapter 10: an alkaline AA cell holds 2.85 Ah and loses about 3 % a year
  // (from memory). Asleep 50 µA; 24 wakes of 5 s at 10 mA are 13.8 µA; 3 % a year of it is 9.75 µA: 73.6 µA, and 38 700 h.
  it('last as long as a sum by hand has it', () => {
    const j = job(
      {
        do: 'put',
        list: 'feed.sources',
        item: { ...freshSource('cells', 'cells', 'cells'), cellAmpHours: 2.85, series: 2 },
      },
      {
        do: 'set',
        at: 'feed.duty',
        set: { into: 'chip', sleeps: 'yes', wakesPerDay: 24, wakeSeconds: 5, sleepAmps: 50e-6 },
      },
    );
    const life = found(j, FACTS, 'feed.life');
    const usable = found(j, FACTS, 'feed.usable').value!.value / 100;
    const average = 50e-6 + (24 * 5 * (10e-3 - 50e-6)) / 86400 + (2.85 * 0.03) / 8766;
    expect(average).toBeCloseTo(73.6e-6, 7);
    expect(life.value!.value).toBeCloseTo((2.85 * usable) / average / (8766 / 12), 2);
    // Two cells of 0.9 V with half an ohm each behind a burst of 20 mA: all but the last hundredth is used.
    expect(usable).toBeGreaterThan(0.98);
    expect(usable).toBeLessThan(1);
  });
});
