import { demoJob } from '../core/testing/jobs';
import { sentenceAt } from '../core/ground/job';
import { yearOf } from '../core/house/year';
const job = demoJob('yard-gate', process.cwd() + '/');
const rules = Array.from({ length: 50 }, (_, i) => sentenceAt(`${String(Math.floor(i * 28.8 / 60)).padStart(2, '0')}:${String(Math.floor((i * 28.8) % 60)).padStart(2, '0')}`, { id: `r${i}`, days: [1, 2, 3, 4, 5, 6, 7], move: '' }));
const j = { ...job, routine: { ...job.routine, sentences: rules } };
const n = Number(process.argv[2] ?? 12);
for (let i = 0; i < n; i++) { const t = performance.now(); const y = yearOf(j, '2026-03-02T12:00:00Z'); if (i > n - 6) console.log((performance.now() - t).toFixed(1), y.marks.rule.length); }
