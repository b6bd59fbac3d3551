// Measures what docs/measurements.md states about the core. Run: npm run measure
import { readdirSync, readFileSync } from 'node:fs';
import { assess, nextReadingOf } from '../core/assess';
import { loadJob, type Job } from '../core/job';
import { seededRandom } from '../core/quantity';
import { chosenWay, rankWays, toleranceOf, wayContext } from '../core/thumb';

function demo(name: string): Job {
  const loaded = loadJob(readFileSync(`demo/${name}.json`, 'utf8'));
  if (!loaded.ok) throw new Error(loaded.problem.what);
  return loaded.job;
}

/** Times of `n` calls in milliseconds, sorted. Each call gets a fresh copy, so that nothing kept per job can help. */
function times(n: number, job: Job, f: (job: Job) => void): number[] {
  return Array.from({ length: n }, () => {
    const copy = structuredClone(job);
    const began = performance.now();
    f(copy);
    return performance.now() - began;
  }).sort((a, b) => a - b);
}

const at = (sorted: number[], q: number): string => sorted[Math.floor(q * (sorted.length - 1))]!.toFixed(2);
const print = (name: string, cold: number, sorted: number[]): void =>
  console.log(
    `${name}: first ${cold.toFixed(1)} ms, then median ${at(sorted, 0.5)} ms, 95th percentile ${at(sorted, 0.95)} ms of ${sorted.length}`,
  );

const done = demo('rice-pot');
const [coldAssess] = times(1, done, (j) => void assess(j));
print(
  'assess of the finished rice pot',
  coldAssess!,
  times(300, done, (j) => void assess(j)),
);
const slowest = readdirSync('demo')
  .filter((f) => f.endsWith('.json'))
  .map((f) => f.slice(0, -5))
  .map((name) => ({ name, sorted: times(300, demo(name), (j) => void assess(j)) }))
  .sort((a, b) => b.sorted[150]! - a.sorted[150]!)[0]!;
print(`assess of the slowest demo job, ${slowest.name}`, slowest.sorted[slowest.sorted.length - 1]!, slowest.sorted);

// Half-way through Probe: the isolation readings are in, the kind is open.
const half: Job = { ...done, readings: done.readings.slice(0, 4) };
const next = (j: Job): void => void nextReadingOf(j, assess(j), 'control-start');
const [coldNext] = times(1, half, next);
print('next reading', coldNext!, times(100, half, next));

// All seventeen ways anew, as at every edit, with what Probe found already there.
for (const name of ['rice-pot', 'dough-proofer', 'hatch-shutter']) {
  const job = demo(name);
  const { facts } = assess(job);
  const [cold] = times(1, job, (j) => void rankWays(j, facts));
  print(
    `ranking, ${name}`,
    cold!,
    times(200, job, (j) => void rankWays(j, facts)),
  );
}

const a = assess(done);
const [c, way] = [wayContext(done, a.facts)!, chosenWay(done, a.ways)!];
const draws = (): void => void toleranceOf(c, way, 10_000, seededRandom(1));
const [coldDraws] = times(1, done, draws);
print('ten thousand joints', coldDraws!, times(20, done, draws));
