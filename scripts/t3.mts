import { readdirSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { loadJob } from '../core/ground/job';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
const out=process.argv[2]!; mkdirSync(out,{recursive:true});
for (const f of readdirSync('demo').filter(f=>f.endsWith('.json'))) { const l=loadJob(readFileSync('demo/'+f,'utf8')); if(!l.ok) continue;
 const t=performance.now(); const fs=filesOf(l.job,assess(l.job)); console.log(f, fs.map(x=>x.name).filter(n=>/\.(c|h|py|v)$/.test(n)).join(' '), (performance.now()-t).toFixed(0));
 for(const x of fs) if(/\.(c|h|py)$/.test(x.name)) writeFileSync(out+'/'+f+'-'+x.name.replaceAll('/','_'),x.text); }
