import { writeFileSync } from 'node:fs';
import { demoJob } from '../core/testing/jobs';
import { assess } from '../core/house/assess';
import { wholeCircuit } from '../core/build/whole';
import { netlistOfElements } from '../core/engines/net';
for(const n of ['rice-pot','yard-gate','hood-fan'] as const){const j=demoJob(n); const w=wholeCircuit(j,assess(j).facts);
w.states.forEach((s,i)=>writeFileSync(`/tmp/w-${n}-${i}.cir`,netlistOfElements('w',w.elements(s))));}
