import { readFileSync, readdirSync } from 'node:fs';
import { loadJob } from '../core/ground/job';
import { assess } from '../core/house/assess';
for (const f of readdirSync('demo').filter(x=>x.endsWith('.json'))) {
  const l = loadJob(readFileSync('demo/'+f,'utf8')); if(!l.ok) throw 1; const a=assess(l.job);
  console.log(f, a.findings.filter(x=>x.room==='guard'&&x.verdict!=='settled'&&!/dead-|mains-|own-devices/.test(x.id)).map(x=>x.id+':'+x.verdict).join(' '), '||', a.findings.find(x=>x.id==='guard.drill')?.title);
}
