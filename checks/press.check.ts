// One press over time, 50 random joints of every way in native ngspice: settled levels and times against the closed form.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import {
  LINE_FARADS,
  PRESS_TIMES,
  pressNetlist,
  pullInSeconds,
  readPress,
  settledLevels,
  type PressReading,
} from '../core/engines/circuit';
import { JOINT_WAYS } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { drawJointAt } from './draw-joint';
import { inFolder, runProgram } from './programs';

/** Runs every netlist in one go; each writes its line and pin over time into a file of its own. */
function waves(netlists: readonly string[]): { seconds: number[]; line: number[]; pin: number[] }[] {
  return inFolder((folder) => {
    const script = ['* all presses', '.control', 'set noaskquit'];
    netlists.forEach((text, i) => {
      writeFileSync(join(folder, `p${i}.cir`), text);
      script.push(
        `source ${join(folder, `p${i}.cir`)}`,
        'run',
        `wrdata ${join(folder, `p${i}`)} v(sig) v(pin)`,
        'destroy all',
        'remcirc',
      );
    });
    script.push('quit 0', '.endc', '.end', '');
    writeFileSync(join(folder, 'main.cir'), script.join('\n'));
    runProgram('ngspice', ['-b', join(folder, 'main.cir')]);
    return netlists.map((_, i) => {
      const rows = readFileSync(join(folder, `p${i}`), 'utf8')
        .trim()
        .split('\n')
        .map((l) => l.trim().split(/\s+/).map(Number));
      return { seconds: rows.map((r) => r[0]!), line: rows.map((r) => r[1]!), pin: rows.map((r) => r[3]!) };
    });
  });
}

describe('a press over time', () => {
  const random = seededRandom(1954);
  it.each(JOINT_WAYS)('%s: 50 random joints, levels within 2 percent of supply, times within 10 percent', (way) => {
    const joints = Array.from({ length: 50 }, () => drawJointAt(random, way));
    const all = waves(joints.map((j, i) => pressNetlist(j, `c${i}`, i % 2 ? 100e3 : null)));
    let worst = 0;
    let late = 0;
    joints.forEach((j, i) => {
      const [lowBelow, highAbove] = [0.3 * j.supplyVolts, 0.7 * j.supplyVolts];
      const low = j.polarity === 'low';
      const wave = all[i]!;
      expect(wave.seconds.at(-1), `${way} ${i} runs to its end`).toBeGreaterThan(PRESS_TIMES.end * 0.999);
      const read: PressReading = readPress(wave, low, lowBelow, highAbove);
      const closed = settledLevels(j);
      for (const [got, form] of [
        [read.pressedVolts, closed.pressed],
        [read.idleVolts, closed.idle],
      ] as const) {
        worst = Math.max(worst, Math.abs(got - form) / j.supplyVolts);
        expect(
          Math.abs(got - form) / j.supplyVolts,
          `${way} ${JSON.stringify(j)}: ${got} against ${form}`,
        ).toBeLessThan(0.02);
      }
      if (way === 'relay-contact') {
        // t = −L/R·ln(1 − I·R/V) until the coil pulls in.
        const share = Math.abs(read.seenAfter! / pullInSeconds(j) - 1);
        late = Math.max(late, share);
        expect(share, JSON.stringify(j)).toBeLessThan(0.1);
      }
      if (way === 'solid-state-relay' || way === 'analogue-switch') {
        // The line returns through its own resistor: t = R·C·ln(1/(1 − 0.7)); the simulator's step is allowed on top.
        const form = j.pullOhms * LINE_FARADS * Math.log(1 / 0.3);
        const share = Math.max(0, Math.abs(read.goneAfter! - form) - PRESS_TIMES.step) / form;
        late = Math.max(late, share);
        expect(share, `${read.goneAfter} against ${form}`).toBeLessThan(0.1);
        // From 10 to 90 % in ln 9 time constants.
        const rise = j.pullOhms * LINE_FARADS * Math.log(9);
        expect(
          Math.max(0, Math.abs(read.releaseEdge! - rise) - PRESS_TIMES.step) / rise,
          `${read.releaseEdge} against ${rise}`,
        ).toBeLessThan(0.1);
      }
    });
    console.log(
      `${way}: levels at most ${(100 * worst).toFixed(2)} % of supply apart, times ${(100 * late).toFixed(1)} %`,
    );
  });
});
