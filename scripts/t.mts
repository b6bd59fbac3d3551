import { readFileSync, readdirSync } from 'node:fs';
import { loadJob } from '../core/ground/job';
import { assess } from '../core/house/assess';
for (const f of readdirSync('demo').filter(x=>x.endsWith('.json'))) {
  const l = loadJob(readFileSync('demo/'+f,'utf8')); if(!l.ok) throw 1; const a=assess(l.job);
  console.log(f, a.facts.presses.map(p=>[p.id,p.way,p.contact?.name,p.mains].join(':')).join(' '), '| nevers',l.job.wish.nevers.map(n=>n.kind+n.state).join(), '| haz', l.job.wish.hazards.join(), '| cmd', l.job.hands.filter(h=>h.kind==='command').length, '| parts', l.job.act.parts.map(p=>p.name+':'+p.kind).slice(0,2).join(), 'states', '| ticks', Object.keys(l.job.guard.ticks).length, '| G', a.findings.filter(x=>x.room==='guard'&&x.verdict!=='settled').map(x=>x.id+':'+x.verdict).join(' '));
}
