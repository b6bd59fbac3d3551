// Walks many boards of the independent bench and prints how Probe fared, a quarter of them with a control that is none of its kinds.
// Run: npm run bench:foreign [-- boards seed]
import { boards, follow, MET, strangers, type Went } from '../checks/bench/drive';
import { coverageOf } from '../checks/bench/coverage';
import type { Bench } from '../checks/bench/reading';
import { report, strangeReport } from '../checks/bench/report';
import { STRANGE, UNHEARD_OF } from '../checks/bench/strange';
import { seededRandom } from '../core/ground/quantity';

const count = Number(process.argv[2] ?? 2000);
const seed = Number(process.argv[3] ?? 2026);
const random = seededRandom(seed);
const began = performance.now();

/** How many are none of the kinds, and how many of those are of structures that Probe does not hold. */
const strange = Math.round(count / 4);
const unheard = Math.round(strange / 3);

function walked(benches: readonly Bench[]): Went[] {
  const list: Went[] = [];
  for (const b of benches) {
    list.push(follow(b, random));
    if (list.length % 100 === 0)
      console.error(`${list.length} of ${benches.length}, ${((performance.now() - began) / 1000).toFixed(0)} s`);
  }
  return list;
}

const ofKinds = walked(boards(count - strange, random));
console.log(report(ofKinds, MET).join('\n'));
for (const [name, { held, of }] of Object.entries(coverageOf(ofKinds)))
  console.log(`stated ${name}: the truth lies within in ${((100 * held) / of).toFixed(1)} % of ${of}`);
const none = walked(strangers(strange - unheard, random, STRANGE));
console.log(strangeReport('of a structure that is held for none of the kinds', none).join('\n'));
const never = walked(strangers(unheard, random, UNHEARD_OF));
console.log(strangeReport('of a structure that is not held at all', never).join('\n'));
console.log(strangeReport('that are none of the kinds', [...none, ...never])[0]);
