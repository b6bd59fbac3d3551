import { readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { guideFor } from '../core/house/guide';
import { loadJob } from '../core/ground/job';
import { threadOf } from '../core/house/thread';
const l = loadJob(readFileSync(process.argv[2]!, 'utf8'));
if (!l.ok) throw new Error(JSON.stringify(l.problem));
const a = assess(l.job);
for (const x of a.findings)
  if (x.room !== 'guard' && x.room !== 'feed') console.log(x.id, x.verdict, x.title.slice(0, 140), '|', x.caption);
console.log(guideFor(l.job, threadOf(a.findings)));
mkdirSync('/tmp/gw', { recursive: true });
for (const f of filesOf(l.job, a)) {
  console.log(f.name, f.text.length);
  writeFileSync('/tmp/gw/' + f.name, f.text);
}
