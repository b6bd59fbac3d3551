// Settled levels of every joint against native ngspice, on netlists of 50 random parts sets.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { netlistOf, settledLevels, type Joint } from '../core/engines/circuit';
import { JOINT_WAYS } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { drawJointAt } from './draw-joint';
import { inFolder, runProgram } from './programs';

/** All operating points of a list of joints in one run of the simulator: one line `level N value` each. */
function simulated(joints: readonly { joint: Joint; pressed: boolean }[]): number[] {
  return inFolder((folder) => {
    const script = ['* all joints', '.control', 'set noaskquit'];
    joints.forEach(({ joint, pressed }, i) => {
      const file = join(folder, `j${i}.cir`);
      writeFileSync(file, netlistOf(joint, pressed));
      script.push(`source ${file}`, 'op', `echo level ${i} $&v(sig)`);
    });
    script.push('quit 0', '.endc', '.end', '');
    const main = join(folder, 'main.cir');
    writeFileSync(main, script.join('\n'));
    const out = runProgram('ngspice', ['-b', main]);
    const found = new Map([...out.matchAll(/^level (\d+) (\S+)/gm)].map((m) => [Number(m[1]), Number(m[2])]));
    return joints.map((_, i) => found.get(i) ?? Number.NaN);
  });
}

describe('closed form against native ngspice', () => {
  const random = seededRandom(60063);
  it.each(JOINT_WAYS)('%s: 50 random parts sets, pressed and idle, within 2 percent of supply', (way) => {
    const joints = Array.from({ length: 50 }, () => drawJointAt(random, way));
    const pressed = simulated(joints.map((joint) => ({ joint, pressed: true })));
    const idle = simulated(joints.map((joint) => ({ joint, pressed: false })));
    let worst = 0;
    joints.forEach((joint, i) => {
      const closed = settledLevels(joint);
      for (const [form, level, simulation] of [
        ['pressed', closed.pressed, pressed[i]!],
        ['idle', closed.idle, idle[i]!],
      ] as const) {
        const share = Math.abs(level - simulation) / joint.supplyVolts;
        worst = Math.max(worst, share);
        expect(share, `${form} of ${JSON.stringify(joint)}: ${level} against ${simulation}`).toBeLessThan(0.02);
      }
    });
    console.log(`${way}: worst difference ${(100 * worst).toFixed(2)} % of supply over ${2 * joints.length} levels`);
  });
});
