// Edits and spoiled files by the thousand; every failure comes back with the seed that brings it about again.
import { assess } from '../../core/assess';
import { filesOf } from '../../core/deliver';
import { applyEdit, checkJob, jobText, loadJob, type Job } from '../../core/job';
import { seededRandom } from '../../core/quantity';
import { threadOf } from '../../core/thread';
import { editFor, spoiled } from './generate';

/** Far above what judging takes; the first time that a reading is met its predictions are drawn, which takes a second or two. */
const SLOW_MS = 5000;

export interface Found {
  readonly seed: number;
  readonly what: string;
}
export interface EditRun {
  readonly edits: number;
  readonly taken: number;
  readonly assessed: number;
  readonly slowestMs: number;
  readonly problems: readonly Found[];
}

/** What is wrong with a job that was let through: it throws, takes long, or counts with what is no number. */
function judged(job: Job): { problem: string; ms: number } {
  const began = performance.now();
  try {
    const a = assess(job);
    threadOf(a.findings);
    filesOf(job, a);
    const odd = a.findings.find((f) => f.value !== null && Number.isNaN(f.value.value));
    return { problem: odd ? `${odd.id} is not a number` : '', ms: performance.now() - began };
  } catch (error) {
    const place = error instanceof Error ? (error.stack ?? '').split('\n').slice(0, 3).join(' | ') : String(error);
    return { problem: place, ms: performance.now() - began };
  }
}

/** Edits of jobs that grow by them; a fresh one every forty. Every `each`th state is opened again and judged. */
export function runEdits(
  starts: readonly Job[],
  count: number,
  seed: number,
  each: number,
  say?: (n: number) => void,
): EditRun {
  const problems: Found[] = [];
  let taken = 0;
  let assessed = 0;
  let slowestMs = 0;
  let job = starts[0]!;
  for (let n = 0; n < count; n++) {
    const r = seededRandom(seed * 1_000_003 + n);
    if (n % 40 === 0) job = starts[(n / 40) % starts.length]!;
    const done = applyEdit(job, editFor(r, job, n), '2026-03-02T14:00:00Z');
    if (done.ok) {
      taken++;
      job = done.job;
      const opened = checkJob(job);
      if (!opened.ok) problems.push({ seed: n, what: `taken and then refused: ${opened.problem.what}` });
    }
    if (n % each === 0) {
      const back = loadJob(jobText(job));
      if (!back.ok || JSON.stringify(back.job) !== JSON.stringify(job))
        problems.push({ seed: n, what: 'not the same when opened again' });
      const { problem, ms } = judged(job);
      assessed++;
      slowestMs = Math.max(slowestMs, ms);
      if (problem) problems.push({ seed: n, what: problem });
      if (ms > SLOW_MS) problems.push({ seed: n, what: `judging took ${Math.round(ms)} ms` });
    }
    if (n % 1000 === 0) say?.(n);
  }
  return { edits: count, taken, assessed, slowestMs, problems };
}

export interface FileRun {
  readonly files: number;
  readonly accepted: number;
  readonly slowestMs: number;
  readonly problems: readonly Found[];
}

/** Spoiled documents through the loader; of those that are let through, every `each`th is judged. */
export function runFiles(
  sources: readonly unknown[],
  count: number,
  seed: number,
  each: number,
  say?: (n: number) => void,
): FileRun {
  const problems: Found[] = [];
  let accepted = 0;
  let slowestMs = 0;
  for (let n = 0; n < count; n++) {
    const r = seededRandom(seed * 1_000_003 + n);
    const text = JSON.stringify(spoiled(r, sources[n % sources.length]));
    const began = performance.now();
    try {
      const loaded = loadJob(text);
      const ms = performance.now() - began;
      slowestMs = Math.max(slowestMs, ms);
      if (loaded.ok) {
        accepted++;
        if (accepted % each === 0) {
          const { problem, ms: took } = judged(loaded.job);
          if (problem) problems.push({ seed: n, what: problem });
          if (took > SLOW_MS) problems.push({ seed: n, what: `judging took ${Math.round(took)} ms` });
        }
      }
    } catch (error) {
      problems.push({ seed: n, what: `the loader threw: ${String(error)}` });
    }
    if (n % 10000 === 0) say?.(n);
  }
  return { files: count, accepted, slowestMs, problems };
}
