import { readFileSync } from 'node:fs';
import { assess } from '../core/house/assess';
import { loadJob } from '../core/ground/job';
for (const n of ['ice-bath-valve', 'proving-cabinet']) {
  const l = loadJob(readFileSync(`demo/${n}.json`, 'utf8'));
  if (!l.ok) throw new Error(JSON.stringify(l.problem));
  console.log(JSON.stringify(l.job.routine.loops));
  for (const f of assess(l.job).findings)
    if (f.verdict !== 'settled' || f.room === 'routine')
      console.log(n, f.verdict.padEnd(8), f.id, '|', f.title, '|', f.remedy?.text ?? '');
}
