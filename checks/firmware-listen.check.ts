// The packed C99 of a job that only listens, compiled without a warning and run on the host: each change that stands is told once, after
// its time, and the contact of a bought switch is closed before anything else.
import { copyFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../core/ground/quantity';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import type { Job } from '../core/ground/job';
import { demoJob } from '../core/testing/jobs';
import { inFolder, runProgram } from './programs';

type Change = readonly [at: number, says: number];

/** What the program does while a sense says what it is told to say; milliseconds. */
function heardOf(job: Job, milliseconds: number, runs: readonly (readonly Change[])[]): string[][] {
  return inFolder((folder) => {
    for (const f of filesOf(job, assess(job))) if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
    copyFileSync(fileURLToPath(new URL('./host/listen.c', import.meta.url)), join(folder, 'listen.c'));
    runProgram(
      'cc',
      ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1', '-o', 'listen', 'gentle_thumb.c', 'listen.c'],
      { cwd: folder },
    );
    return runs.map((changes) =>
      runProgram(join(folder, 'listen'), [milliseconds, ...changes.flat()].map(String))
        .trim()
        .split('\n'),
    );
  });
}

/** The same worked out from the words of the plan: what has stood for so long is told once. */
function toldOf(
  changes: readonly Change[],
  milliseconds: number,
  stands: (says: number) => number,
  first: number,
): string[] {
  let [told, said, since] = [first, 0, 0];
  const out = [`0 changed 1 ${first}`];
  for (let now = 0; now < milliseconds; now++) {
    const says = changes.findLast(([at]) => at <= now)?.[1] ?? 0;
    if (says !== said) [said, since] = [says, now];
    if (said !== told && now - since >= stands(said)) {
      told = said;
      out.push(`${now} changed 1 ${told}`);
    }
  }
  return out;
}

const washer = demoJob('glass-washer');
const draw = washer.senses[0]!;
/** Its threshold is left to the function that the maker fills in. */
const unsaid: Job = { ...washer, senses: [{ ...draw, limit: null, debounceSeconds: 60 }] };
/** The program itself knows the threshold, and holds for two minutes before it says that it is over. */
const metered: Job = {
  ...washer,
  senses: [{ ...draw, limit: { ...draw.limit!, holdSeconds: 120 }, debounceSeconds: 5 }],
};

describe('the packed program of what only listens', () => {
  it('closes the contact of the switch first, and never opens it', () => {
    const [lines] = heardOf(unsaid, 200_000, [
      [
        [1000, 1],
        [90_000, 0],
      ],
    ]);
    expect(lines!.filter((l) => l.includes('write'))).toEqual(['0 write 5 1']);
    expect(lines![0]).toBe('0 write 5 1');
  });

  it.each<[string, Job, number, (says: number) => number, number]>([
    ['by a function of the maker’s own', unsaid, 60_000, () => 60_000, 0],
    // Nothing is known of a number at the start, and silence is heard as soon as what says so.
    ['by a number with its hold', metered, 60_000, (says) => (says === 0 ? 125_000 : 5000), -1],
  ])(
    'tells each change once, as soon as it has stood for its time, in forty random courses: %s',
    (_, job, pace, stands, first) => {
      const random = seededRandom(25);
      const courses = Array.from({ length: 40 }, (): Change[] => {
        let at = 0;
        return Array.from({ length: 12 }, (): Change => {
          at += Math.floor(random.next() * 2.5 * pace) + 1;
          return [at, Math.floor(random.next() * 3) - 1];
        });
      });
      const most = Math.max(...courses.flat().map(([at]) => at)) + 3 * pace;
      const heard = heardOf(job, most, courses).map((lines) => lines.filter((l) => l.includes('changed')));
      expect(heard).toEqual(courses.map((c) => toldOf(c, most, stands, first)));
    },
  );
});
