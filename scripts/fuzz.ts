// A hundred thousand edits and a million spoiled files, with progress; ends with 1 where one of them brought something about.
import { readFileSync } from 'node:fs';
import { DEMO_NAMES } from '../checks/fuzz/names';
import { runEdits, runFiles } from '../checks/fuzz/run';
import { freshJob } from '../core/job';
import { demoJob } from '../core/testing/jobs';

const [edits = 100_000, files = 1_000_000, seed = 1] = process.argv.slice(2).map(Number);
const root = `${process.cwd()}/`;
const say = (of: string) => (n: number) => process.stderr.write(`\r${of} ${n} `);
const starts = [freshJob({ title: 'x' }, 'x', '2026-03-02T14:00:00Z'), ...DEMO_NAMES.map((n) => demoJob(n, root))];
const documents = DEMO_NAMES.map((n) => JSON.parse(readFileSync(`${root}demo/${n}.json`, 'utf8')) as unknown);
const one = runEdits(starts, edits, seed, 50, say('edits'));
const two = runFiles(documents, files, seed, 20, say('files'));
console.log(JSON.stringify({ edits: one, files: two }, null, 2));
process.exitCode = one.problems.length + two.problems.length > 0 ? 1 : 0;
