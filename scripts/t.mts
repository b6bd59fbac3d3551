import { readFileSync } from 'node:fs';
import { loadJob } from '../core/ground/job';
import { assess } from '../core/house/assess';
const l = loadJob(readFileSync('demo/steam-flaps.json','utf8')); if(!l.ok) throw l;
let t=performance.now(); const a=assess(l.job); console.log(performance.now()-t); t=performance.now(); assess(l.job); console.log(performance.now()-t);
for(const f of a.findings) if(f.verdict==="stop") console.log(f.room,f.id,"|",f.title,"|",f.remedy?.text,f.remedy?.label);
