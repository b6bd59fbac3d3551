// Every state of every reversing wiring against native ngspice: the sign of the motor's voltage, or none, is what the truth table says.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { BOX_WIRINGS, freshPress, MOTOR_WIRINGS } from '../core/ground/job';
import {
  motionOf,
  wiringNetlist,
  reversingWiring,
  type Position,
  type ReversingWiring,
} from '../core/engines/reversing';
import { inFolder, runProgram } from './programs';

/** All positions of the contacts, those on their way included. */
function allPositions(n: number): Position[][] {
  return n === 0
    ? [[]]
    : allPositions(n - 1).flatMap((head) => (['rest', 'moving', 'work'] as const).map((p) => [...head, p]));
}

/** Volts across the motor, or at its two run wires, for each case. */
function simulated(
  cases: readonly { wiring: ReversingWiring; positions: readonly Position[] }[],
): { a: number; b: number; feed: number }[] {
  return inFolder((folder) => {
    const script = ['* all states', '.control', 'set noaskquit'];
    cases.forEach(({ wiring, positions }, i) => {
      const file = join(folder, `w${i}.cir`);
      writeFileSync(file, wiringNetlist(wiring, positions));
      const volts = (net: string): string => (net === wiring.feed[1] ? '0' : `v(${net})`);
      script.push(
        `source ${file}`,
        'op',
        `let a = ${volts(wiring.motor[0])}`,
        `let b = ${volts(wiring.motor[1])}`,
        `let f = v(${wiring.feed[0]})`,
        `echo state ${i} $&a $&b $&f`,
      );
    });
    script.push('quit 0', '.endc', '.end', '');
    const main = join(folder, 'main.cir');
    writeFileSync(main, script.join('\n'));
    const out = runProgram('ngspice', ['-b', main]);
    const found = new Map(
      [...out.matchAll(/^state (\d+) (\S+) (\S+) (\S+)/gm)].map((m) => [
        Number(m[1]),
        { a: Number(m[2]), b: Number(m[3]), feed: Number(m[4]) },
      ]),
    );
    return cases.map((_, i) => found.get(i) ?? { a: Number.NaN, b: Number.NaN, feed: Number.NaN });
  });
}

describe('reversing wirings against native ngspice', () => {
  const base = freshPress().motor;
  const wirings = [
    ...MOTOR_WIRINGS.flatMap((wiring) =>
      [false, true].map((swapped) => reversingWiring({ ...base, wiring, swapped }, 'reverse-motor')),
    ),
    ...BOX_WIRINGS.map((boxWiring) => reversingWiring({ ...base, boxWiring }, 'control-box')),
  ];
  it('agree in every position of every contact', () => {
    const cases = wirings.flatMap((wiring) =>
      allPositions(wiring.contacts.length).map((positions) => ({ wiring, positions })),
    );
    const volts = simulated(cases);
    const counts: Record<string, number> = {};
    cases.forEach(({ wiring, positions }, i) => {
      const motion = motionOf(wiring, positions);
      counts[motion] = (counts[motion] ?? 0) + 1;
      const { a, b, feed } = volts[i]!;
      const seen =
        feed < 6
          ? 'short'
          : wiring.kind === 'mains'
            ? a > 6 && b > 6
              ? 'both'
              : a > 6
                ? 'forward'
                : b > 6
                  ? 'backward'
                  : 'off'
            : a - b > 6
              ? 'forward'
              : b - a > 6
                ? 'backward'
                : 'still';
      const told = motion === 'braked' || (motion === 'off' && wiring.kind === 'dc') ? 'still' : motion;
      expect(seen, `${wiring.name}: ${positions.join(' ')}: ${a} V, ${b} V, feed ${feed} V`).toBe(told);
    });
    console.log(
      `${cases.length} states: ${Object.entries(counts)
        .map(([k, n]) => `${k} ${n}`)
        .join(', ')}`,
    );
    expect(counts['forward']).toBeGreaterThan(5);
  });
});
