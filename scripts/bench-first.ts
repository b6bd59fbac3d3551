// How long the first verdict of each demo job takes in a process that has judged nothing yet: reading the predictions, reading the file,
// judging it. In milliseconds as if on a quiet machine; the least of a few processes each.
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { assess } from '../core/house/assess';
import { loadJob } from '../core/ground/job';
import { pace } from '../core/testing/pace';
import { takeDrawnAhead } from '../core/rooms/probe';

const PROCESSES = 5;
const root = `${process.cwd()}/`;

/** The times of one job, in a process of its own. */
function timed(name: string): void {
  const before = pace();
  const text = readFileSync(`${root}demo/${name}`, 'utf8');
  const file = readFileSync(`${root}node_modules/.cache/predictions/predictions.bin`);
  const began = performance.now();
  takeDrawnAhead(file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer);
  const taken = performance.now();
  const loaded = loadJob(text);
  if (!loaded.ok) throw new Error(`${name}: ${loaded.problem.what}`);
  const read = performance.now();
  assess(loaded.job);
  const judged = performance.now();
  // What the machine's pace costs to tell stands outside of what is timed.
  const slow = Math.max(before, pace());
  console.log([taken - began, read - taken, judged - read].map((ms) => ms / slow).join(' '));
}

const asked = process.argv[2];
if (asked) timed(asked);
else
  for (const name of readdirSync(`${root}demo`).filter((n) => n.endsWith('.json'))) {
    const tries = Array.from({ length: PROCESSES }, () =>
      execFileSync(process.execPath, [process.argv[1] ?? '', name], { encoding: 'utf8' })
        .split(' ')
        .map(Number),
    );
    const sum = (t: readonly number[]): number => t.reduce((a, b) => a + b, 0);
    const best = tries.sort((a, b) => sum(a) - sum(b))[0] ?? [];
    const [predictions = 0, read = 0, judged = 0] = best;
    console.log(
      `${name}: ${sum(best).toFixed(0)} ms (predictions ${predictions.toFixed(0)}, file ${read.toFixed(0)}, judged ${judged.toFixed(0)})`,
    );
  }
