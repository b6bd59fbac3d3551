// Walks many boards of the independent bench and prints how Probe fared. Run: npm run bench:foreign [-- boards seed]
import { boards, follow, MET, type Went } from '../checks/bench/drive';
import { report } from '../checks/bench/report';
import { seededRandom } from '../core/ground/quantity';

const count = Number(process.argv[2] ?? 2000);
const seed = Number(process.argv[3] ?? 2026);
const random = seededRandom(seed);
const began = performance.now();
const list: Went[] = [];
for (const b of boards(count, random)) {
  list.push(follow(b, random));
  if (list.length % Math.ceil(count / 4) === 0)
    console.error(`${list.length} of ${count}, ${((performance.now() - began) / 1000).toFixed(0)} s`);
}
console.log(report(list, MET).join('\n'));
