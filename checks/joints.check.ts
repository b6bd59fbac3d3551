// Settled levels of the four joints against native ngspice, on netlists of 50 random parts sets.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { netlistOf, NOMINAL_PARTS, settledLevels, type Joint } from '../core/circuit';
import { WAYS, type Way } from '../core/job';
import { seededRandom, type Random } from '../core/quantity';
import { inFolder, runProgram } from './programs';

const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();
const decade = (r: Random, low: number, high: number): number => low * (high / low) ** r.next();

/** A joint at random, starved ones included: an optocoupler with too little LED current must be told as it is. */
function draw(r: Random, way: Way): Joint {
  const supplyVolts = [1.8, 3.3, 5, 12][Math.floor(r.next() * 4)]! * between(r, 0.95, 1.05);
  const pullOhms = decade(r, 2e3, 100e3);
  return {
    ...NOMINAL_PARTS, way, supplyVolts, pullOhms,
    polarity: way !== 'npn-to-ground' && r.next() < 0.5 ? 'high' : 'low',
    pinHighVolts: between(r, 2.9, 3.4),
    seriesOhms: way === 'npn-to-ground' ? decade(r, 1e3, 3.9e3) : way === 'relay-contact' ? between(r, 220, 470) : between(r, 180, 680),
    onOhms: way === 'solid-state-relay' ? between(r, 5, 35) : between(r, 0.02, 0.5),
    offOhms: 1e9, coilOhms: [70, 167][Math.floor(r.next() * 2)]!,
    gainForward: between(r, 100, 400), gainReverse: between(r, 2, 8), transferRatio: between(r, 1, 4), groundWireOhms: between(r, 0.01, 0.3),
  };
}

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
  it.each(WAYS)('%s: 50 random parts sets, pressed and idle, within 2 percent of supply', (way) => {
    const joints = Array.from({ length: 50 }, () => draw(random, way));
    const pressed = simulated(joints.map((joint) => ({ joint, pressed: true })));
    const idle = simulated(joints.map((joint) => ({ joint, pressed: false })));
    let worst = 0;
    joints.forEach((joint, i) => {
      const closed = settledLevels(joint);
      for (const [form, level, simulation] of [['pressed', closed.pressed, pressed[i]!], ['idle', closed.idle, idle[i]!]] as const) {
        const share = Math.abs(level - simulation) / joint.supplyVolts;
        worst = Math.max(worst, share);
        expect(share, `${form} of ${JSON.stringify(joint)}: ${level} against ${simulation}`).toBeLessThan(0.02);
      }
    });
    console.log(`${way}: worst difference ${(100 * worst).toFixed(2)} % of supply over ${2 * joints.length} levels`);
  });
});
