// Wire table, picture, pin table and program of random jobs, read back from the files as they leave: they name the same connections.
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { seededRandom } from '../core/ground/quantity';
import type { Job } from '../core/ground/job';
import { demoJob } from '../core/testing/jobs';
import { draw } from './forbidden-jobs';

const SEED = 20261130;
/** `CONNECTED_JOBS` asks for more. */
const JOBS = Number(process.env['CONNECTED_JOBS'] ?? 500);

/** The edges of the three columns of boxes: a wire that ends there ends at that box. */
const COLUMNS = [
  [4, 154],
  [287, 437],
  [570, 720],
] as const;
const columnAt = (x: number): number => COLUMNS.findIndex((edges) => edges.some((e) => Math.abs(e - x) < 1));

interface Row {
  readonly wire: string;
  readonly from: string;
  readonly to: string;
}

/** The two ends of each wire as the picture draws it: column and height of the box's line. */
function drawnEnds(svg: string): Map<string, readonly string[]> {
  const ends = new Map<string, readonly string[]>();
  for (const [, d, wire] of svg.matchAll(/<path d="([^"]+)"[^>]* data-wire="(\d+)"/g)) {
    const [, x1, y1] = /^M([\d.]+) ([\d.]+)/.exec(d!)!;
    const y2 = [...d!.matchAll(/V([\d.]+)/g)].at(-1)?.[1] ?? y1!;
    const x2 = [...d!.matchAll(/H([\d.]+)/g)].at(-1)![1]!;
    expect(ends.has(wire!), `wire ${wire} is drawn twice`).toBe(false);
    ends.set(wire!, [`${columnAt(Number(x1))} ${y1}`, `${columnAt(Number(x2))} ${y2}`]);
  }
  return ends;
}

/** Whether an end is one of the controller's or of a resistor at its pin: those stand in the leftmost column, and nothing else does. */
const atController = (end: string): boolean => /^(pin |controller|3\.3 V|\d+ V$)|pull-down/.test(end);

/** Wires whose ends the picture has elsewhere: one place of it is one end of the table, whichever wires meet there. */
function misplaced(rows: readonly Row[], drawn: ReadonlyMap<string, readonly string[]>): string[] {
  const called = new Map<string, string>();
  const options = (r: Row): readonly (readonly string[])[] => {
    const places = drawn.get(r.wire) ?? [];
    const [a, b] = places.map((p) => p.split(' ')[0]);
    // A wire is drawn from its left end on; within one column as the table has it.
    const turned = a === b ? [] : [[r.to, r.from]];
    return [[r.from, r.to], ...turned].filter((n) =>
      places.every((p, i) => (called.get(p) ?? n[i]) === n[i] && p.startsWith('0 ') === atController(n[i]!)),
    );
  };
  const left = new Set(rows);
  const wrong: string[] = [];
  const take = (r: Row, [names]: readonly (readonly string[])[]): void => {
    left.delete(r);
    if (!names) wrong.push(`wire ${r.wire}: ${r.from} – ${r.to} is drawn to other ends`);
    else drawn.get(r.wire)?.forEach((p, i) => called.set(p, names[i]!));
  };
  while (left.size > 0) {
    const sure = [...left].filter((r) => options(r).length < 2);
    // Where none is sure either may be taken: what follows has to fit.
    for (const r of sure.length > 0 ? sure : [...left].slice(0, 1)) take(r, options(r));
  }
  return wrong;
}

/** What is wrong with the files of a job; empty where they are of one mind. */
function parted(job: Job): string[] {
  const a = assess(job);
  const files = filesOf(job, a);
  const text = (name: string): string => files.find((f) => f.name === name)?.text ?? '';
  if (text('wires.csv') === '') return [];
  const read = <T>(name: string): T[] => Papa.parse<T>(text(name).trim(), { header: true }).data;
  const rows = read<Row>('wires.csv');
  const wrong: string[] = [];
  const drawn = drawnEnds(text('wiring.svg'));
  const numbers = rows.map((r) => r.wire);
  if ([...drawn.keys()].sort().join() !== [...numbers].sort().join())
    wrong.push(`drawn ${[...drawn.keys()].join()}, table ${numbers.join()}`);
  wrong.push(...misplaced(rows, drawn));
  // Every pin of the pin table is an end of a wire, and every pin of a wire stands in the table.
  const pins = read<Record<string, string>>('pins.csv').filter((p) => p['chip number'] !== '');
  const wired = new Set(rows.flatMap((r) => [r.from, r.to]).flatMap((e) => /^pin (\d+)/.exec(e)?.[1] ?? []));
  // A way that does not fit its control has no wires, and keeps its pins.
  const idle = a.plans.flatMap(({ press, way }) => (way?.wires.length ? [] : [press.id]));
  const unwired = a.lines.filter((l) => idle.includes(l.owner)).map((l) => l.name);
  const listed = new Set(pins.filter((p) => !unwired.includes(p['line']!)).map((p) => p['chip number']!));
  if ([...wired].sort().join() !== [...listed].sort().join())
    wrong.push(`pins wired ${[...wired].join()}, listed ${[...listed].join()}`);
  // What the program drives and reads lies on those pins.
  for (const [, pin, name] of text('gentle_thumb.c').matchAll(/^ {4}\{ (\d+), \d.*\}, {3}\/\* (.+) \*\/$/gm))
    if (!pins.some((p) => p['chip number'] === pin))
      wrong.push(`the program has ${name} on pin ${pin}, which no table has`);
  return wrong;
}

describe('the files of a job', () => {
  it.each(['rice-pot', 'yard-gate', 'larder-dehumidifier', 'hatch-shutter', 'steam-flaps', 'hood-fan'] as const)(
    'name the same connections: %s',
    (name) => {
      expect(parted(demoJob(name))).toEqual([]);
    },
  );

  it(`name the same connections in ${JOBS} random jobs`, () => {
    const r = seededRandom(SEED);
    for (let n = 0; n < JOBS; n++) {
      const { job, way } = draw(r);
      expect(parted(job), `seed ${SEED}, job ${n}, ${way}`).toEqual([]);
    }
  });
});
