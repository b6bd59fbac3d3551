// Random strips of an independent bench: terminals on networks of resistors, solved here by nodal analysis of our own. Whoever follows the
// steps must end at the pair that listens, or be told that there is none.
import { describe, expect, it } from 'vitest';
import { readNoteLine } from '../core/ground/notes';
import { edited, type Job } from '../core/ground/job';
import { seededRandom, type Random } from '../core/ground/quantity';
import { stripState, type StripStep } from '../core/rooms/probe';
import { APART, said } from './bench-jobs';

const SEED = 20261130;
const NOW = '2026-03-02T14:00:00Z';
/** `STRIPS` asks for more. */
const STRIPS = Number(process.env['STRIPS'] ?? 200);

/** A resistor between two nodes of a strip; node 0 is its ground, 1 its rail behind the supply. */
interface Ohms {
  readonly a: number;
  readonly b: number;
  readonly ohms: number;
}
/** A strip: at which node each terminal stands, its network, and the line that listens with the level that it acts at. */
interface Bench {
  readonly railVolts: number;
  readonly at: readonly number[];
  readonly network: readonly Ohms[];
  readonly nodes: number;
  /** Terminal that listens, numbered from 1; 0 where none does. It acts where its line crosses the share of the rail. */
  readonly listens: number;
  readonly actsUnder: boolean;
}

/** Volts of every node over ground: nodal analysis by elimination; what hangs on nothing stands at 0 over a far path. */
function solved({ railVolts, network, nodes }: Bench, more: readonly Ohms[]): number[] {
  const m = Array.from({ length: nodes }, () => new Array<number>(nodes + 1).fill(0));
  const put = (i: number, j: number, g: number): void => void (m[i]![j] = m[i]![j]! + g);
  for (let i = 0; i < nodes; i++) put(i, i, 1e-9);
  for (const { a, b, ohms } of [...network, ...more]) {
    put(a, a, 1 / ohms);
    put(b, b, 1 / ohms);
    put(a, b, -1 / ohms);
    put(b, a, -1 / ohms);
  }
  // Ground is held; the rail stands behind half an ohm.
  m[0] = new Array<number>(nodes + 1).fill(0);
  m[0][0] = 1;
  put(1, 1, 2);
  put(1, nodes, 2 * railVolts);
  for (let i = 0; i < nodes; i++) {
    const pivot = m[i]![i]!;
    for (let k = i + 1; k < nodes; k++) {
      const f = m[k]![i]! / pivot;
      for (let j = i; j <= nodes; j++) put(k, j, -f * m[i]![j]!);
    }
  }
  const x = new Array<number>(nodes).fill(0);
  for (let i = nodes - 1; i >= 0; i--)
    x[i] = (m[i]![nodes]! - x.reduce((s, v, j) => (j > i ? s + m[i]![j]! * v : s), 0)) / m[i]![i]!;
  return x;
}

/** A strip as openers have them: rail, grounds, perhaps a line that listens with its pull, dry contacts, closed loops, in any order. */
function draw(random: Random): Bench {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.next() * list.length)]!;
  const network: Ohms[] = [];
  let nodes = 2;
  const sorts = ['rail', 'ground', ...(random.next() < 0.6 ? ['ground'] : [])];
  const has = random.next() < 0.85;
  if (has) sorts.push('listens');
  for (let i = Math.floor(random.next() * 3); i > 0; i--) sorts.push(pick(['dry', 'loop', 'rail']));
  const shuffled = sorts.map((s) => ({ s, x: random.next() })).sort((p, q) => p.x - q.x);
  const actsUnder = random.next() < 0.7;
  const at: number[] = [];
  let listens = 0;
  for (const { s } of shuffled) {
    if (s === 'rail') at.push(1);
    else if (s === 'ground') at.push(0);
    else if (s === 'listens') {
      const node = nodes++;
      // Pulled up to the rail and pressed to ground, or the other way round.
      network.push({ a: node, b: actsUnder ? 1 : 0, ohms: 1000 * pick([1, 2.2, 3.3, 4.7, 10]) });
      at.push(node);
      listens = at.length;
    } else {
      // A contact of the machine on two screws of its own: open, or closed at rest.
      const [x, y] = [nodes++, nodes++];
      if (s === 'loop') network.push({ a: x, b: y, ohms: 0.1 });
      at.push(x, y);
    }
  }
  return { railVolts: pick([5, 12, 12, 24, 24]), at, network, nodes, listens: has ? listens : 0, actsUnder };
}

/** What the bench answers to a step, as a note line goes on. */
function answer(bench: Bench, step: StripStep): string {
  if (step.b === 'mains') return '>20M';
  if (step.b === 'earth') return '0.8 VAC';
  const [a, b] = [bench.at[step.a - 1]!, bench.at[Number(step.b) - 1]!];
  if (step.kind === 'volts-ac') return '0.0 VAC';
  const across =
    step.kind === 'jumper' ? (step.notePrefix.endsWith('wire') ? 0.05 : 1000) : step.state === 'loaded' ? 1000 : 0;
  const x = solved(bench, across > 0 ? [{ a, b, ohms: across }] : []);
  if (step.kind !== 'jumper') return `${(x[a]! - x[b]!).toFixed(2)} V`;
  const line = bench.listens > 0 ? x[bench.at[bench.listens - 1]!]! / bench.railVolts : NaN;
  return (bench.actsUnder ? line < 0.42 : line > 0.58) ? 'moves' : 'nothing';
}

describe('strips of an independent bench', () => {
  it('are led to the pair that listens, or rightly told that there is none, in 95 of 100', () => {
    const random = seededRandom(SEED);
    let [right, asked, wired] = [0, 0, 0];
    const wrong: string[] = [];
    for (let i = 0; i < STRIPS; i++) {
      const bench = draw(random);
      const begun = said([...APART, `strip back ${bench.at.length}`]);
      let job: Job = begun;
      let state = stripState(job, job.survey.strips[0]!);
      for (let n = 0; n < 120 && state.next && !state.found; n++) {
        const line = `${state.next.notePrefix} ${answer(bench, state.next)}`;
        const read = readNoteLine(line, job, { id: `s${n}`, now: new Date(Date.parse(NOW) + 1000 * n).toISOString() });
        if (!read.ok) throw new Error(`${line}: ${read.message}`);
        job = edited(job, read.edit, NOW);
        state = stripState(job, job.survey.strips[0]!);
        asked++;
        if (line.includes('wire')) wired++;
      }
      const [a, b] = [state.found?.a ?? 0, state.found?.b ?? 0];
      const ok = bench.listens > 0 ? a === bench.listens || b === bench.listens : !state.found && !state.next;
      if (ok) right++;
      else wrong.push(`${JSON.stringify(bench)}: ${a}-${b} ${state.stopped} ${state.next?.title ?? ''}`);
    }
    console.log(
      `${right} of ${STRIPS} strips, ${(asked / STRIPS).toFixed(1)} readings each, ${wired} joined by a wire`,
    );
    expect(right / STRIPS, wrong.slice(0, 3).join('\n')).toBeGreaterThanOrEqual(0.95);
  });
});
