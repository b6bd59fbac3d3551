// Twenty thousand edits, each tenth state judged, and twenty thousand spoiled files, each judged that is let through; with progress. Ends
// with 1 where one of them brought something about. Other numbers, a seed, how often: npm run fuzz -- 1000 1000 7 10
import { readFileSync } from 'node:fs';
import { DEMO_NAMES } from '../checks/fuzz/names';
import { runEdits, runFiles } from '../checks/fuzz/run';
import { freshJob } from '../core/ground/job';
import { demoJob } from '../core/testing/jobs';

const [edits = 20_000, files = 20_000, seed = 1, each = 10] = process.argv.slice(2).map(Number);
const root = `${process.cwd()}/`;
const say = (of: string) => (n: number) => process.stderr.write(`\r${of} ${n} `);
const starts = [freshJob({ title: 'x' }, 'x', '2026-03-02T14:00:00Z'), ...DEMO_NAMES.map((n) => demoJob(n, root))];
const documents = DEMO_NAMES.map((n) => JSON.parse(readFileSync(`${root}demo/${n}.json`, 'utf8')) as unknown);
const one = runEdits(starts, edits, seed, each, say('edits'));
const two = runFiles(documents, files, seed, 1, say('files'));
console.log(JSON.stringify({ edits: one, files: two }, null, 2));
process.exitCode = one.problems.length + two.problems.length > 0 ? 1 : 0;
