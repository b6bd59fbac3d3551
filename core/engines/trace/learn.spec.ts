import { describe, expect, it } from 'vitest';
import { SAID_UNITS } from '../../ground/job';
import { readText as read, rowsOf as rows, stepsOf as steps } from '../../testing/traces';
import {
  alikeSums,
  coarseOf,
  columnsOf,
  lookAt,
  noisyLevels,
  proposeBand,
  takenAs,
  thinnedCurve,
  holdCurve,
  type NoisyLevel,
} from '.';

describe('a threshold from recordings', () => {
  const quick = steps([300, 3], [400, 120], [60, 3], [300, 2000], [600, 3]);
  const long = steps([200, 3], [300, 110], [90, 3], [900, 130], [30, 3], [200, 2100], [900, 3]);

  it('is found in all of them together, and what it finds in each is what a hold is judged by', () => {
    const { bands, best, states } = proposeBand([
      { recording: quick, runs: 1 },
      { recording: long, runs: 1 },
    ]);
    expect(states.levels.length).toBeGreaterThanOrEqual(2);
    const band = bands[best]!;
    expect(band.under).toBeGreaterThan(4);
    expect(band.over).toBeLessThan(100);
    expect(lookAt(quick, band, 1).looked).toMatchObject({ runs: 1, restSeconds: 60, tailSeconds: 599, gapSeconds: 0 });
    expect(lookAt(long, band, 1).looked).toMatchObject({
      runs: 1,
      restSeconds: 90,
      below: expect.closeTo(3.1, 0),
      longestSeconds: 1520,
    });
    // 400 s at 120.1 W, 60 s at 3.1 W and 300 s at 2000.1 W.
    expect(lookAt(quick, band, 1).looked.joules! / (400 * 120.1 + 60 * 3.1 + 300 * 2000.1)).toBeCloseTo(1, 2);
  });

  it('is not one that a machine never falls under again: off before its run, standby behind it', () => {
    const standby = steps([600, 0], [400, 120], [60, 6], [300, 120], [900, 6]);
    const { bands, best } = proposeBand([{ recording: standby, runs: 1 }], 3);
    expect(bands).toHaveLength(2);
    expect(best).toBe(1);
    expect(lookAt(standby, bands[0]!, 1).looked.tailSeconds).toBe(0);
  });

  it('is none where all stands at one level', () => {
    expect(proposeBand([{ recording: steps([900, 40]), runs: null }])).toMatchObject({ bands: [], best: -1 });
  });

  it('tells what no sample covers within a run', () => {
    const list = Array.from({ length: 1200 }, (_, i): [number, number] => [i, i < 200 || i >= 1000 ? 1 : 100]);
    const holed = read(rows(list.filter(([t]) => t < 500 || t > 620)));
    expect(lookAt(holed, { over: 20, under: 10 }, 1).looked.gapSeconds).toBeCloseTo(122, 0);
  });

  it('is found under zero as well, where degrees have a scale of their own', () => {
    const freezer = read(
      rows(
        Array.from({ length: 1200 }, (_, i): [number, number] => [i, (i > 400 && i < 700 ? -6 : -19) + (i % 3) * 0.1]),
        'time,temp (°C)\n',
      ),
    );
    const { bands, best, states } = proposeBand([{ recording: freezer, runs: 1 }]);
    expect(states.levels.map((l) => Math.round(l.at))).toEqual([-19, -6]);
    expect(bands[best]!.over).toBeGreaterThan(-18);
    expect(bands[best]!.over).toBeLessThan(-7);
    expect(lookAt(freezer, bands[best]!, 1).looked).toMatchObject({ runs: 1, longestSeconds: 299 });
  });

  it('is looked at though it parts a recording into a hundred thousand runs, and its curve is drawn with a few points', () => {
    const many = read(rows(Array.from({ length: 400_000 }, (_, i): [number, number] => [i, i % 4 < 2 ? 1 : 100])));
    const { looked, finish } = lookAt(many, { over: 50, under: 40 }, 100_000);
    expect(looked.runs).toBe(100_000);
    // Two samples of 100 W and the ramp down to 1 W.
    expect(looked.joules).toBeCloseTo(100 + 50.5, 0);
    const ending = { name: 'a', dips: finish.runs.map((_, i) => i + 1), tailSeconds: 9 };
    expect(thinnedCurve(holdCurve([ending]), 300).length).toBeLessThanOrEqual(300);
  });

  it.each(SAID_UNITS.filter((u) => u !== ''))('knows %s, which a maker may say', (unit) => {
    expect(takenAs(unit)).toMatchObject({ unitGuessed: false });
  });

  it('takes numbers in the unit that the maker says', () => {
    expect(read('t,v\n0,1\n1,2\n')).toMatchObject({ unit: 'W', unitGuessed: true });
    const said = read('t,v\n0,1\n1,2\n', 100, takenAs('kW'));
    expect(said).toMatchObject({ unit: 'W', unitGuessed: false });
    expect([...said.values]).toEqual([1000, 2000]);
    expect(takenAs('furlongs')).toEqual({});
  });
});

describe('two machines on one meter', () => {
  const level = (at: number, noise: number): NoisyLevel => ({ at, noise });

  it('are told apart where no two sums lie closer than their noise', () => {
    expect(alikeSums([level(1, 0.1), level(100, 2)], [level(2, 0.1), level(700, 5)])).toEqual([]);
  });

  it('are not where the work of the one hides in the noise of the other, or both draw the same', () => {
    // 5 W of a lamp within the 20 W of a motor's noise.
    expect(
      alikeSums([level(0, 0), level(5, 0.1)], [level(1, 0.1), level(300, 20)]).map((x) => [x.one, x.other]),
    ).toEqual([
      [
        [0, 1],
        [1, 1],
      ],
    ]);
    // The one or the other of two that are alike.
    expect(alikeSums([level(0, 0), level(60, 1)], [level(0, 0), level(60, 1)]).map((x) => [x.one, x.other])).toEqual([
      [
        [0, 1],
        [1, 0],
      ],
    ]);
  });

  it('have their levels and noises read from a recording of each', () => {
    const r = steps([300, 3], [300, 120]);
    expect(noisyLevels(r).map((l) => Math.round(l.at / 3))).toEqual([1, 40]);
    expect(alikeSums(noisyLevels(r), noisyLevels(steps([300, 1], [300, 700])))).toEqual([]);
  });
});

describe('columns of a drawing', () => {
  it('hold the least and the greatest of every sample in them, whichever stretch is drawn', () => {
    const random = steps([700, 5], [333, 80], [999, 7], [1234, 2]);
    const coarse = coarseOf(random);
    for (const [from, to, n] of [
      [0, 3265, 300],
      [100, 2900, 7],
      [512, 1536, 1],
    ] as const) {
      const { least, most } = columnsOf(random, coarse, from, to, n);
      for (let c = 0; c < n; c++) {
        const [a, b] = [from + (c * (to - from)) / n, from + ((c + 1) * (to - from)) / n];
        const own = [...random.values].filter((_, i) => random.seconds[i]! >= a && random.seconds[i]! < b);
        expect([least[c], most[c]]).toEqual([Math.min(...own), Math.max(...own)]);
      }
    }
  });

  it('stand at the sample before where none lies in them, and are empty in a gap', () => {
    const rare = read('time,power (W)\n0,5\n10,6\n20,7\n30,8\n40,9\n50,10\n400,11\n410,12\n');
    const { least } = columnsOf(rare, coarseOf(rare), 0, 410, 82);
    expect(least[1]).toBe(5);
    expect(least[40]).toBeNaN();
  });
});
