// One line for each job, with a digest of all that is said of it: findings, thread, files, what to read next. Run it before and after a
// change that must change nothing, and compare: npm run digest > before.txt. How many random jobs, and a seed: npm run digest -- 2000 1
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { editFor } from '../checks/fuzz/generate';
import { DEMO_NAMES } from '../checks/fuzz/names';
import { answerFor } from '../core/house/answer';
import { assess, type Assessment } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import type { Finding } from '../core/ground/finding';
import { applyEdit, freshJob, loadJob, type Job } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { demoJob } from '../core/testing/jobs';
import { rowOf, threadOf } from '../core/house/thread';
import { takeDrawnAhead } from '../core/rooms/probe';

const NOW = '2026-03-02T14:00:00Z';
/** Edits between two states of a random job that are looked at, and edits before it begins anew. */
const EACH = 10;
const ANEW = 40;

const [count = 2000, seed = 1] = process.argv.slice(2).map(Number);
const root = `${process.cwd()}/`;
const file = readFileSync(`${root}node_modules/.cache/predictions/predictions.bin`);
takeDrawnAhead(file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer);

const digest = (x: unknown): string =>
  createHash('sha256')
    .update(typeof x === 'string' ? x : (JSON.stringify(x) ?? ''))
    .digest('hex')
    .slice(0, 12);

/** What is shown of a finding; what it is made of may change. */
const shown = (f: Finding): unknown => {
  const { id, verdict, title, caption, value, limit, steps, remedy } = f;
  return [
    id,
    verdict,
    title,
    caption,
    value?.value,
    limit?.value,
    steps,
    limit?.steps,
    remedy?.text,
    remedy?.label,
    remedy?.edit,
  ];
};
const verdictsOf = (a: Pick<Assessment, 'findings'>): string => a.findings.map((f) => `${f.id}:${f.verdict}`).join(' ');

function line(name: string, job: Job, whole: boolean): void {
  const a = assess(job);
  const parts = [
    digest(verdictsOf(a)),
    digest(a.findings.map(shown)),
    digest(rowOf(threadOf(a.findings))),
    digest(filesOf(job, a)),
  ];
  if (whole) {
    const answer = answerFor(job);
    parts.push(digest(answer.assessment.findings.map(shown)), digest(answer.next), digest(answer.ties));
  }
  console.log(`${name} ${parts.join(' ')}`);
}

const files = [
  ...DEMO_NAMES.map((n) => `demo/${n}.json`),
  ...['core/ground/job/versions', 'checks/frozen'].flatMap((d) =>
    readdirSync(`${root}${d}`)
      .filter((f) => f.endsWith('.json') && !f.startsWith('findings-'))
      .map((f) => `${d}/${f}`),
  ),
];
for (const f of files) {
  const loaded = loadJob(readFileSync(`${root}${f}`, 'utf8'));
  if (loaded.ok) line(f.slice(f.lastIndexOf('/') + 1), loaded.job, true);
  else console.log(`${f.slice(f.lastIndexOf('/') + 1)} ${digest(loaded.problem.what)}`);
}
const starts = [freshJob({ title: 'x' }, 'x', NOW), ...DEMO_NAMES.map((n) => demoJob(n, root))];
let job = starts[0]!;
for (let n = 0; n < count * EACH; n++) {
  if (n % ANEW === 0) job = starts[(n / ANEW) % starts.length]!;
  const done = applyEdit(job, editFor(seededRandom(seed * 1_000_003 + n), job, n), NOW);
  if (done.ok) job = done.job;
  if (n % EACH === 0) line(`random-${n}${done.ok ? '' : ` ${digest(done.problem.what)}`}`, job, false);
  if (n % 1000 === 0) process.stderr.write(`\r${n / EACH} of ${count} `);
}
