// Taps on what a machine gives against native ngspice: levels, and how soon a tap tells.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { seededRandom, type Random } from '../core/ground/quantity';
import {
  tapCourseOf,
  designedTap,
  PULLS_LOW,
  readTap,
  tapLevels,
  tapNetlist,
  tapTimes,
  type Tap,
  type TapCourse,
  type TapJoint,
  type TapReading,
} from '../core/engines/tap';
import { inFolder, runProgram } from './programs';

const JOINTS: readonly TapJoint[] = ['direct', 'divider', 'coupler', 'pump', 'hold'];
/** What a pin of 3.3 V takes for low and for high (`cmos-levels`). */
const [LOW, HIGH] = [0.3 * 3.3, 0.7 * 3.3];

/** The worst of each course as the simulator gives it. */
function simulated(taps: readonly { readonly tap: Tap; readonly course: TapCourse }[]): TapReading[] {
  return inFolder((folder) => {
    const script = ['* all taps', '.control', 'set noaskquit', 'set wr_vecnames', 'set wr_singlescale'];
    taps.forEach(({ tap, course }, i) => {
      const file = join(folder, `t${i}.cir`);
      writeFileSync(file, tapNetlist(tap, course, `t${i}`));
      script.push(`source ${file}`, 'run', `wrdata ${join(folder, `t${i}.out`)} v(sig) v(pin)`, 'destroy all');
    });
    script.push('quit 0', '.endc', '.end', '');
    const main = join(folder, 'main.cir');
    writeFileSync(main, script.join('\n'));
    runProgram('ngspice', ['-b', main]);
    return taps.map(({ tap, course }, i) => {
      const rows = runProgram('cat', [join(folder, `t${i}.out`)])
        .split('\n')
        .slice(1)
        .map((line) => line.trim().split(/\s+/).map(Number))
        .filter((row) => row.length === 3);
      const wave = { seconds: rows.map((r) => r[0]!), line: rows.map((r) => r[1]!), pin: rows.map((r) => r[2]!) };
      return readTap(wave, course, PULLS_LOW[tap.joint], LOW, HIGH);
    });
  });
}

const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();
/** A machine that gives something, and a tap that fits it. */
function drawn(r: Random, joint: TapJoint): Tap {
  const turns = joint === 'pump' || (joint === 'hold' && r.next() < 0.7) || (joint === 'coupler' && r.next() < 0.3);
  const highVolts = joint === 'direct' ? between(r, 2.6, 3.4) : between(r, 4, 26);
  const hertz = !turns
    ? null
    : joint === 'pump'
      ? between(r, 800, 5000)
      : joint === 'coupler'
        ? between(r, 45, 120)
        : between(r, 60, 500);
  const pull = between(r, 10e3, 100e3);
  const tap = designedTap({
    joint,
    signal: {
      highVolts,
      lowVolts: between(r, 0, 0.15),
      sourceOhms: between(r, 0, 500),
      hertz,
      duty: joint === 'hold' && turns ? between(r, 0.2, 0.9) : joint === 'pump' ? 0.5 : 1,
    },
    pinVolts: 3.3,
    pullOhms: pull,
  });
  return { ...tap, leakAmps: between(r, 0, 1e-6), gain: between(r, 100, 400), transfer: between(r, 0.5, 3) };
}

describe('taps against native ngspice', () => {
  it.each(JOINTS)(
    '%s: the closed form is no kinder than the simulation by 3 % of the pin’s supply, and a third of its times',
    (joint) => {
      const random = seededRandom(60747);
      const taps = Array.from({ length: 30 }, () => {
        const tap = drawn(random, joint);
        return { tap, course: tapCourseOf(tap, tapTimes(tap, LOW, HIGH)) };
      });
      const read = simulated(taps);
      let [kinder, late] = [-Infinity, -Infinity];
      taps.forEach(({ tap, course }, i) => {
        const form = tapLevels(tap);
        const times = tapTimes(tap, LOW, HIGH);
        const r = read[i]!;
        const said = JSON.stringify({ tap, form, times, r });
        const sign = PULLS_LOW[joint] ? 1 : -1;
        // How much kinder the closed form is than the simulation: nearer to what the pin wants.
        kinder = Math.max(kinder, (sign * (r.on - form.on)) / tap.pinVolts, (sign * (form.off - r.off)) / tap.pinVolts);
        expect(kinder, said).toBeLessThan(0.03);
        expect(r.seen === null, said).toBe(!Number.isFinite(times.seen));
        expect(r.gone === null, said).toBe(!Number.isFinite(times.gone));
        const turn = tap.signal.hertz === null ? 0 : 1 / tap.signal.hertz;
        for (const [stated, found] of [
          [times.seen, r.seen],
          [times.gone, r.gone],
        ] as const) {
          if (found === null || stated === Infinity) continue;
          late = Math.max(late, (found - turn - course.step) / Math.max(stated, course.step) - 1);
          expect(late, said).toBeLessThan(1 / 3);
        }
      });
      console.log(
        `${joint}: closed form kinder by ${(100 * kinder).toFixed(2)} % of the supply at most, ` +
          `told ${(100 * late).toFixed(0)} % later than stated`,
      );
    },
  );
});
