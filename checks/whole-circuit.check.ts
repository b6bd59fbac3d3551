// Whole circuits of random jobs against ngspice: every node in every state at rest, with sources of our own for what has corners.
import { describe, expect, it } from 'vitest';
import { wholeCircuit } from '../core/build/whole';
import { netlistOfElements, solveCircuit, type Element } from '../core/engines/net';
import { assess } from '../core/house/assess';
import { seededRandom } from '../core/ground/quantity';
import { demoJob } from '../core/testing/jobs';
import { draw } from './forbidden-jobs';
import { finished, APART, lowButton, said } from './bench-jobs';
import { pressed, fed } from '../core/testing/jobs';
import { SHIPPED_PARTS } from '../core/engines/parts';
import { point, transient } from './spice';

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
      ...(['rice-pot', 'yard-gate', 'larder-dehumidifier', 'steam-flaps', 'hood-fan', 'dough-proofer'] as const).map(
        (n) => demoJob(n),
      ),
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

describe('a coil that is let go', () => {
  const base = pressed(finished(said([...APART, ...lowButton(4.98, 10e3)])), { way: 'relay-contact' });
  it.each(['relay-power', 'relay-signal', 'relay-reed', 'relay-double', 'relay-twelve'])(
    'kicks as ngspice lets it, with 0.05 to 0.5 H: %s',
    (relay) => {
      const part = SHIPPED_PARTS.find((p) => p.id === relay)!;
      const [volts, ohms] = [part.values['coilVolts']![1], part.values['coilOhms']![1]];
      const job = fed(pressed(base, { picks: { relay } }), { volts, amps: 3 }, { metres: 0.1, squareMetres: 1.5e-6 });
      const whole = wholeCircuit(job, assess(job).facts);
      const state = whole.states.find((s) => s.released.size > 0)!;
      const here = solveCircuit(whole.elements(state));
      expect(here.settled).toBe(true);
      const press = job.presses[0]!.id;
      for (const henries of [0.05, 0.2, 0.5]) {
        const rows = transient(
          [
            '* a coil, its diode, and a switch that opens at 20 ms',
            `Vs s 0 ${volts}`,
            `Rc s m ${ohms}`,
            `Lc m d ${henries} IC=${volts / ohms}`,
            'Vd d x 0',
            'D1 x s free',
            '.model free D(IS=1e-9 RS=0.05)',
            'S1 d 0 g 0 sw',
            '.model sw SW(VT=0.5 RON=0.1 ROFF=10meg)',
            'Vg g 0 PWL(0 1 20m 1 20.001m 0)',
            '.tran 1u 20.2m 19.9m 1u uic',
            '.end',
            '',
          ].join('\n'),
          ['v(d)', 'i(vd)'],
        );
        const peak = (i: number): number => Math.max(...rows.map((r) => r[i]!));
        expect(here.volts(`${press} coil −`) / peak(1)).toBeGreaterThan(0.9);
        expect(here.volts(`${press} coil −`) / peak(1)).toBeLessThan(1.1);
        expect(here.amps(`${press} diode`) / peak(2)).toBeGreaterThan(0.9);
        expect(here.amps(`${press} diode`) / peak(2)).toBeLessThan(1.1);
      }
    },
  );
});
