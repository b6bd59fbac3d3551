import { readFileSync, readdirSync } from 'node:fs';
import { loadJob } from '../core/ground/job';
import { drillJob } from '../core/house/drill/drill-job';
import { chanceWords } from '../core/house/drill/chance';
import { drillOf, runDrill } from '../core/house/drill/drill';
import { wiringOf } from '../core/house/assess';
for (const f of ['dough-proofer','ice-bath-valve','yard-gate']) {
  const l = loadJob(readFileSync('demo/'+f+'.json','utf8')); if(!l.ok) throw 1;
  try {
  wiringOf(l.job); const d=drillOf(l.job,wiringOf(l.job))!; let t0=performance.now(); for (const [p,s] of d.searches) { t0=performance.now(); const r=runDrill({searches:[[p,s]],basis:''},2); console.log(f,p,(performance.now()-t0)|0,r.told,r.stories.map(x=>x.key).join(' ')); }
  let t=performance.now(); const o=drillJob(l.job,2); console.log(f,(performance.now()-t).toFixed(0)+' ms',o?.found.told,o?.found.stopped, 'sets',o?.set.sets,'drills',o?.set.drills,o?.set.ended);
  for(const r of o?.rows??[]) console.log('   ',r.story.power,r.story.story.sentences.join(' '), '|', chanceWords(r.chance));
  console.log('   answers',o?.set.answers?.map(a=>a.words), 'left',o?.set.left.map(s=>s.key));
  } catch(e){console.log(f,String((e as Error).stack));}
}
