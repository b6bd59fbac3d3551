// Whole circuits of random jobs against ngspice: every node in every state at rest, with sources of our own for what has corners.
import { describe, expect, it } from 'vitest';
import { wholeCircuit } from '../core/build/whole';
import { netlistOfElements, solveCircuit, type Element } from '../core/engines/net';
import { assess } from '../core/house/assess';
import { seededRandom } from '../core/ground/quantity';
import { demoJob } from '../core/testing/jobs';
import { draw } from './forbidden-jobs';
import { point } from './spice';

const SEED = 20261130;
/** `WHOLE_JOBS` asks for more. */
const JOBS = Number(process.env['WHOLE_JOBS'] ?? 60);

/** Nodes of a circuit by the names that its netlist gives them. */
function numbered(elements: readonly Element[]): ReadonlyMap<string, string> {
  const out = new Map<string, string>();
  for (const line of netlistOfElements('x', elements).split('\n')) {
    const m = /^\* node (n\d+): (.*)$/.exec(line);
    if (m) out.set(m[1]!, m[2]!);
  }
  return out;
}

/** Worst difference over all nodes that a conductor joins to zero, as a share of the largest of them, or of a volt. */
function difference(elements: readonly Element[]): { share: number; node: string } {
  const here = solveCircuit(elements);
  expect(here.settled).toBe(true);
  const nodes = [...numbered(elements)].filter(([, name]) => Number.isFinite(here.between(name, '0')));
  const there = point(
    netlistOfElements('whole', elements),
    nodes.map(([n]) => `v(${n})`),
  );
  const span = Math.max(1, ...nodes.map(([, name]) => Math.abs(here.volts(name))));
  return nodes.reduce(
    (worst, [, name], i) => {
      const share = Math.abs(there[i]! - here.volts(name)) / span;
      return share > worst.share ? { share, node: `${name}: ${here.volts(name)} and ${there[i]}` } : worst;
    },
    { share: 0, node: '' },
  );
}

describe('the circuit of a whole job', () => {
  it('has the volts that ngspice gives it, at every node in every state', () => {
    const random = seededRandom(SEED);
    let [states, worst] = [0, { share: 0, node: '' }];
    const jobs = [
      ...(['rice-pot', 'yard-gate', 'larder-dehumidifier', 'steam-flaps', 'hood-fan'] as const).map((n) => demoJob(n)),
      ...Array.from({ length: JOBS }, () => draw(random).job),
    ];
    for (const job of jobs) {
      const whole = wholeCircuit(job, assess(job).facts);
      for (const state of whole.states) {
        const elements = whole.elements(state);
        if (elements.length === 0) continue;
        states++;
        const d = difference(elements);
        if (d.share > worst.share) worst = d;
        expect(d.share, `${job.title}, ${state.words}: ${d.node}`).toBeLessThan(0.01);
      }
    }
    console.log(
      `${states} states of ${jobs.length} jobs: worst difference ${(100 * worst.share).toFixed(3)} %, ${worst.node}`,
    );
    expect(states).toBeGreaterThan(100);
  });
});
