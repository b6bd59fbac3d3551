import { readFileSync } from 'node:fs';
import { loadJob } from '../core/ground/job';
import { drillJob } from '../core/house/drill/drill-job';
import { chanceWords } from '../core/house/drill/chance';
for (const f of ['proving-cabinet', 'ice-bath-valve', 'steam-flaps', 'yard-gate'])
  for (const most of [1, 2]) {
    const l = loadJob(readFileSync('demo/' + f + '.json', 'utf8'));
    if (!l.ok) throw 1;
    try {
      let t = performance.now();
      const o = drillJob(l.job, most);
      console.log(
        f,
        most,
        (performance.now() - t).toFixed(0) + ' ms',
        o?.found.told,
        o?.found.stopped,
        'sets',
        o?.set.sets,
        'drills',
        o?.set.drills,
        o?.set.ended,
        'kept',
        o?.found.kept,
        'unheld',
        o?.found.unheld,
      );
      for (const r of o?.rows ?? [])
        console.log('   ', r.story.power, r.story.story.sentences.join(' '), '|', chanceWords(r.chance));
      console.log(
        '   answers',
        o?.set.answers?.map((a) => a.words),
        'left',
        o?.set.left.map((s) => s.key),
      );
    } catch (e) {
      console.log(f, String((e as Error).stack));
    }
  }
