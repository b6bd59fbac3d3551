// What Probe predicts for a meter on every kind of control, against native ngspice with the meter's resistance in the netlist.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import {
  MODEL_KINDS,
  type ModelKind,
  DRAW_DIMENSIONS,
  drawVariant,
  meterNetlist,
  nodeOf,
  predict,
  VARIANTS,
  type Build,
  type ReadingSpec,
  type Variant,
} from '../core/engines/circuit';
import { HAND_METER, type Point } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { inFolder, runProgram } from './programs';

/** Builds of each structure; `FORWARD_CASES` asks for more. */
const CASES = Number(process.env['FORWARD_CASES'] ?? 8);
const A: Point = { kind: 'contact', name: 'A' };
const B: Point = { kind: 'contact', name: 'B' };
const GROUND: Point = { kind: 'ground', name: '' };
const still: readonly ReadingSpec[] = [
  { from: A, to: GROUND, state: 'idle', kind: 'volts-dc' },
  { from: B, to: GROUND, state: 'idle', kind: 'volts-dc' },
  { from: A, to: B, state: 'idle', kind: 'volts-dc' },
  { from: A, to: GROUND, state: 'pressed', kind: 'volts-dc' },
  { from: A, to: GROUND, state: 'neighbour', kind: 'volts-dc' },
  { from: A, to: B, state: 'moving', kind: 'volts-dc' },
  { from: A, to: B, state: 'idle', kind: 'amps' },
  { from: A, to: GROUND, state: 'released', kind: 'volts-dc' },
  { from: B, to: GROUND, state: 'pressed', kind: 'volts-dc' },
  { from: B, to: GROUND, state: 'neighbour', kind: 'volts-dc' },
];
const turning: ReadingSpec = { from: A, to: GROUND, state: 'turning', kind: 'volts-dc' };

interface Case {
  readonly build: Build;
  readonly spec: ReadingSpec;
}

/** The mean voltage across the meter of each case, all in one run of the simulator. */
function simulated(cases: readonly Case[]): number[] {
  return inFolder((folder) => {
    const script = ['* all meters', '.control', 'set noaskquit'];
    cases.forEach(({ build, spec }, i) => {
      const file = join(folder, `m${i}.cir`);
      writeFileSync(file, meterNetlist(build, spec));
      const period = build.periodSeconds;
      const from = nodeOf(spec.from).toLowerCase();
      // Whole periods, many steps a period, so that the mean is the mean.
      script.push(
        `source ${file}`,
        `tran ${period / 2000} ${2 * period} 0 ${period / 2000}`,
        `meas tran shown avg v(${from}) from=${period} to=${2 * period}`,
        `echo shown ${i} $&shown`,
      );
    });
    script.push('quit 0', '.endc', '.end', '');
    const main = join(folder, 'main.cir');
    writeFileSync(main, script.join('\n'));
    const found = new Map(
      [...runProgram('ngspice', ['-b', main]).matchAll(/^shown (\d+) (\S+)/gm)].map((m) => [
        Number(m[1]),
        Number(m[2]),
      ]),
    );
    return cases.map((_, i) => found.get(i) ?? Number.NaN);
  });
}

function cases(kind: ModelKind, variant: Variant, n: number, seed: number): Case[] {
  const random = seededRandom(seed);
  const specs = kind === 'encoder' ? [...still, turning] : still;
  return Array.from({ length: n }, (_, i) => {
    const build = drawVariant(
      kind,
      variant,
      Array.from({ length: DRAW_DIMENSIONS }, () => random.next()),
      0,
    );
    // An alternating source has no DC to compare; the sine's r.m.s. is its own value by definition.
    return { build: { ...build, alternating: false }, spec: specs[i % specs.length]! };
  });
}

describe('forward models against native ngspice', () => {
  it.each(MODEL_KINDS)(
    '%s in every structure: what a 10 MΩ meter and a 1 Ω milliampere jack show, within 1 percent of supply',
    (kind) => {
      const list = VARIANTS[kind].flatMap((variant, i) => cases(kind, variant, CASES, 77 + i));
      const shown = simulated(list);
      let worst = 0;
      list.forEach(({ build, spec }, i) => {
        const volts = spec.kind === 'amps' ? predict(build, spec) * HAND_METER.burdenOhms : predict(build, spec);
        const truth = spec.kind === 'amps' ? Math.abs(shown[i]!) : shown[i]!;
        const share = Math.abs(volts - truth) / build.supplyVolts;
        worst = Math.max(worst, share);
        expect(
          share,
          `${spec.kind} ${spec.state} ${spec.from.name} of ${JSON.stringify(build)}: ${volts} against ${truth}`,
        ).toBeLessThan(0.01);
      });
      console.log(`${kind}: worst difference ${(100 * worst).toFixed(3)} % of supply over ${list.length} readings`);
    },
  );
});
