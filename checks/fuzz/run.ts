// Edits and spoiled files by the thousand; every failure comes back with the seed that brings it about again.
import { planWay, sceneOf } from '../../core/rooms/act';
import { answerFor } from '../../core/house/answer';
import { assignPins, profileOf } from '../../core/rooms/board';
import { filesOf } from '../../core/house/deliver';
import { feedReport, supplyRun } from '../../core/rooms/feed';
import type { Finding } from '../../core/ground/finding';
import { applyEdit, checkJob, jobText, loadJob, type Job } from '../../core/ground/job';
import { seededRandom } from '../../core/ground/quantity';
import { daysStudy } from '../../core/house/many-days';
import { searchJob, searchOf, storyFindings } from '../../core/house/stories';
import { threadOf } from '../../core/house/thread';
import { WorldProblem } from '../../core/engines/world';
import { editFor, spoiled } from './generate';

/** No job may take longer, s of processor time. */
const SLOW_SECONDS = 5;
/** A search or a count of days is long work with a budget of its own: here it is given a small one, s. */
const SLOW_WORK = 2e6;

export interface Found {
  readonly seed: number;
  readonly what: string;
}
export interface EditRun {
  readonly edits: number;
  readonly taken: number;
  readonly assessed: number;
  readonly slowestSeconds: number;
  readonly problems: readonly Found[];
}

/** Processor time of this process so far, s. */
const spent = (): number => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1e6;
};

/** Every number that a finding shows. */
const numbersOf = (f: Finding): number[] => [
  ...(f.value ? [f.value.value] : []),
  ...(f.limit ? [f.limit.value] : []),
  ...[...f.steps, ...(f.limit?.steps ?? [])].flatMap((s) => [s.result.value, ...s.inputs.map((i) => i.value)]),
];
const NO_NUMBER = /\bNaN\b|\bInfinity\b|\bundefined\b/;

/** A finding that says more than unknown of what is no number, or writes one out; empty where none does. */
function odd(findings: readonly Finding[]): string {
  const f = findings.find(
    (x) =>
      (x.verdict !== 'unknown' && numbersOf(x).some((n) => !Number.isFinite(n))) ||
      NO_NUMBER.test(`${x.title} ${x.caption} ${x.remedy?.text ?? ''}`),
  );
  return f ? `${f.id} is ${f.verdict} on what is no number: ${f.title}, ${f.caption}` : '';
}

/** Remedies that would be refused. */
function refused(job: Job, findings: readonly Finding[]): string {
  const f = findings.find((x) => x.remedy?.edit && !applyEdit(job, x.remedy.edit, job.touchedAt).ok);
  return f ? `${f.id} offers what is refused: ${f.remedy!.label ?? f.remedy!.text}` : '';
}

/** What stands behind a verdict, each part with a budget: files, a search, days, a way, pins, the tree of supplies. */
function behind(job: Job): string {
  const { assessment } = answerFor(job);
  const { findings, lines, facts } = assessment;
  threadOf(findings);
  filesOf(job, assessment);
  const report = JSON.stringify(feedReport(job, supplyRun(job, facts), findings));
  const profile = profileOf(job);
  if (profile) assignPins(job, lines, profile);
  try {
    const search = searchOf(job, { lines, facts });
    if (search) storyFindings(searchJob(search, 1, undefined, SLOW_WORK));
    daysStudy(job, 7, 1);
    const scene = sceneOf(job);
    const keys = scene?.tables[0]!.states.map((s) => s.key) ?? [];
    if (scene && keys.length > 0) planWay(job, scene, 0, keys.slice(0, 3), [keys.at(-1)!]);
  } catch (error) {
    // What cannot be run is told with its step.
    if (!(error instanceof WorldProblem)) throw error;
  }
  return (
    odd(findings) || refused(job, findings) || (NO_NUMBER.test(report) ? 'the report of Feed writes out no number' : '')
  );
}

/** What is wrong with a job that was let through: it throws, takes long, or counts with what is no number. */
function judged(job: Job): { problem: string; seconds: number } {
  const began = spent();
  try {
    return { problem: behind(job), seconds: spent() - began };
  } catch (error) {
    const place = error instanceof Error ? (error.stack ?? '').split('\n').slice(0, 3).join(' | ') : String(error);
    return { problem: place, seconds: spent() - began };
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
  let slowestSeconds = 0;
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
      const { problem, seconds } = judged(job);
      assessed++;
      slowestSeconds = Math.max(slowestSeconds, seconds);
      if (problem) problems.push({ seed: n, what: problem });
      if (seconds > SLOW_SECONDS) problems.push({ seed: n, what: `judging took ${seconds.toFixed(1)} s` });
    }
    if (n % 1000 === 0) say?.(n);
  }
  return { edits: count, taken, assessed, slowestSeconds, problems };
}

export interface FileRun {
  readonly files: number;
  readonly accepted: number;
  readonly slowestSeconds: number;
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
  let slowestSeconds = 0;
  for (let n = 0; n < count; n++) {
    const r = seededRandom(seed * 1_000_003 + n);
    const text = JSON.stringify(spoiled(r, sources[n % sources.length]));
    const began = spent();
    try {
      const loaded = loadJob(text);
      slowestSeconds = Math.max(slowestSeconds, spent() - began);
      if (loaded.ok) {
        accepted++;
        if (accepted % each === 0) {
          const { problem, seconds } = judged(loaded.job);
          if (problem) problems.push({ seed: n, what: problem });
          if (seconds > SLOW_SECONDS) problems.push({ seed: n, what: `judging took ${seconds.toFixed(1)} s` });
        }
      }
    } catch (error) {
      problems.push({ seed: n, what: `the loader threw: ${String(error)}` });
    }
    if (n % 10000 === 0) say?.(n);
  }
  return { files: count, accepted, slowestSeconds, problems };
}
