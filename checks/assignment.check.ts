// Pins by search against every assignment there is, on random small boards: the same feasibility and the same best cost; and the
// smallest conflict against every set of lines, by size.
import { describe, expect, it } from 'vitest';
import { assignPins, cheapest, costOf, pinFit, FORBIDDEN, SHIPPED_BOARDS, smallestConflict } from '../core/rooms/board';
import { assess } from '../core/house/assess';
import {
  edited,
  freshHand,
  freshJob,
  freshSign,
  type BoardPin,
  type BoardProfile,
  type Job,
  type JobEdit,
} from '../core/ground/job';
import { linesOf } from '../core/build/lines';
import { seededRandom, type Random } from '../core/ground/quantity';
import { usualMs } from '../core/testing/pace';

const NOW = '2026-03-02T14:00:00Z';
const BOARDS = 1000;
const below = (r: Random, n: number): number => Math.min(n - 1, Math.floor(r.next() * n));

/** The best cost by trying every pin for every line, depth first, with no bound but the pins that are taken. */
function byForce(costs: readonly (readonly number[])[]): number {
  const walk = (row: number, taken: number): number => {
    if (row === costs.length) return 0;
    let best = FORBIDDEN;
    for (const [j, c] of costs[row]!.entries()) {
      if (c === FORBIDDEN || (taken >>> j) & 1) continue;
      best = Math.min(best, c + walk(row + 1, taken | (1 << j)));
    }
    return best;
  };
  return walk(0, 0);
}

/** The size of the smallest set of rows with fewer columns than rows, by trying every set; 0 where there is none. */
function smallestByForce(allowed: readonly (readonly boolean[])[]): number {
  let least = 0;
  for (let set = 1; set < 1 << allowed.length; set++) {
    const rows = allowed.filter((_, i) => (set >>> i) & 1);
    const columns = rows[0]!.filter((_, j) => rows.some((r) => r[j])).length;
    if (columns < rows.length && (least === 0 || rows.length < least)) least = rows.length;
  }
  return least;
}

/** Boards that keep no pin for a contact of their own. */
const BARE = SHIPPED_BOARDS.filter((b) => b.module === null);

/** A board of a few pins with abilities, straps and levels drawn at random from those of the boards that ship. */
function randomBoard(r: Random): BoardProfile {
  const pool = BARE.flatMap((b) => b.pins);
  const pins = Array.from({ length: 2 + below(r, 6) }, (_, gpio): BoardPin => ({
    ...pool[below(r, pool.length)]!,
    gpio,
    label: `P${gpio}`,
  }));
  return { ...BARE[below(r, BARE.length)]!, key: 'random', name: 'random board', pins };
}

/** Hands, signs and senses of every kind, as many as the board may just hold or not. */
function randomJob(r: Random, board: BoardProfile): Job {
  const edits: JobEdit[] = [
    { do: 'put', list: 'board.profiles', item: board },
    { do: 'set', at: 'board', set: { profile: 'random' } },
  ];
  const base = freshJob({ title: 'x' }, 'x', NOW);
  const more = 1 + below(r, 6);
  for (let i = 0; i < more; i++) {
    const id = `t${i}`;
    const kind = below(r, 3);
    if (kind === 0)
      edits.push({
        do: 'put',
        list: 'hands',
        item: {
          id,
          name: id,
          kind: (['arm', 'button', 'stop'] as const)[below(r, 3)]!,
          latching: false,
          debounceSeconds: 0.03,
          pullUpOhms: r.next() < 0.5 ? null : 10e3,
          asks: [],
          begins: [],
          mode: '',
          startsPerArming: null,
          wakes: r.next() < 0.2,
          topic: '',
        },
      });
    else if (kind === 1)
      edits.push({
        do: 'put',
        list: 'signs',
        item: {
          id,
          name: id,
          kind: 'lamp',
          means: 'armed',
          forwardVolts: 2,
          amps: 0.005,
          resistorOhms: null,
          volts: null,
          dueAfterStarts: null,
        },
      });
    else
      edits.push({
        do: 'put',
        list: 'senses',
        item: {
          id,
          name: id,
          kind: (['contact', 'light', 'pulses', 'beep'] as const)[below(r, 4)]!,
          touches: 'own',
          tells: 'other',
          part: '',
          meaning: 'x',
          states: [],
          takenFor: 'unknown',
          closedThen: true,
          debounceSeconds: 0.03,
          staleSeconds: null,
          limit: null,
          wakes: false,
          highVolts: r.next() < 0.7 ? null : 5,
          joint: 'direct',
          signal: null,
          coil: null,
          lead: null,
          magnet: null,
          count: null,
          place: 'unknown',
          topic: '',
        },
      });
    if (r.next() < 0.25)
      edits.push({
        do: 'put',
        list: 'board.pins',
        item: { line: id, gpio: below(r, board.pins.length), fixed: true },
      });
  }
  return edited(base, { do: 'several', edits }, NOW);
}

describe(`assignment on ${BOARDS} random small boards`, () => {
  it('is possible where trying everything finds one, at the same best cost, and refused with the smallest conflict', () => {
    const r = seededRandom(20261126);
    let possible = 0;
    let refused = 0;
    for (let n = 0; n < BOARDS; n++) {
      const board = randomBoard(r);
      const job = randomJob(r, board);
      const lines = linesOf(job, []);
      const fixed = new Map(job.board.pins.filter((p) => p.fixed).map((p) => [p.line, p.gpio]));
      const costs = lines.map((line) =>
        board.pins.map((pin) => {
          const held = fixed.get(line.id);
          return held !== undefined && held !== pin.gpio ? FORBIDDEN : costOf(line, pin, pinFit(line, pin, job, board));
        }),
      );
      const best = byForce(costs);
      const found = assignPins(job, lines, board);
      expect(found.ok, `board ${n}`).toBe(best !== FORBIDDEN);
      if (found.ok) {
        possible++;
        expect(found.cost, `board ${n}`).toBe(best);
        expect(new Set(found.pins.map((p) => p.gpio)).size).toBe(lines.length);
        for (const [line, gpio] of fixed) expect(found.pins.find((p) => p.line === line)!.gpio).toBe(gpio);
      } else {
        refused++;
        const allowed = costs.map((row) => row.map((c) => c !== FORBIDDEN));
        expect(found.refusal.lines.length, `board ${n}`).toBe(smallestByForce(allowed));
        expect(found.refusal.pins.length).toBeLessThan(found.refusal.lines.length);
      }
    }
    // Both ends are met often enough to tell.
    expect(Math.min(possible, refused)).toBeGreaterThan(BOARDS / 10);
  });

  it('finds the cheapest of random tables, and the smallest conflict of random sets, as trying everything does', () => {
    const r = seededRandom(7);
    for (let n = 0; n < 2000; n++) {
      const [rows, columns] = [1 + below(r, 6), 1 + below(r, 7)];
      const share = 0.3 + 0.6 * r.next();
      const costs = Array.from({ length: rows }, () =>
        Array.from({ length: columns }, () => (r.next() < share ? below(r, 1000) : FORBIDDEN)),
      );
      const best = byForce(costs);
      expect(cheapest(costs)?.cost ?? FORBIDDEN, `table ${n}`).toBe(best);
      const allowed = costs.map((row) => row.map((c) => c !== FORBIDDEN));
      const conflict = smallestConflict(allowed);
      expect(conflict?.rows.length ?? 0, `table ${n}`).toBe(smallestByForce(allowed));
      // Whichever rows are named, together they have too few columns.
      if (conflict)
        expect(
          new Set(conflict.rows.flatMap((i) => allowed[i]!.flatMap((yes, j) => (yes ? [j] : [])))).size,
        ).toBeLessThan(conflict.rows.length);
    }
  });
});

describe('a whole machine within its time', () => {
  const twenty = (): Job => {
    const base = freshJob({ title: 'x' }, 'x', NOW);
    const edits = Array.from({ length: 20 }, (_, i): JobEdit =>
      i < 16
        ? { do: 'put', list: 'signs', item: freshSign(`s${i}`, `lamp ${i}`) }
        : { do: 'put', list: 'hands', item: { ...freshHand(`h${i}`, `hand ${i}`), pullUpOhms: 10e3 } },
    );
    return edited(
      base,
      { do: 'several', edits: [...edits, { do: 'set', at: 'board', set: { profile: 'wifi-34' } }] },
      NOW,
    );
  };
  it('places 20 lines on 34 pins, or names the smallest conflict, under 50 ms', () => {
    const job = twenty();
    const board = SHIPPED_BOARDS[1]!;
    const { lines } = assess(job);
    expect(assignPins(job, lines, board).ok).toBe(true);
    const placed = usualMs(() => void assignPins(job, lines, board), 10);
    // Nine lines that want to read a voltage, and eight pins that can.
    const wanting = lines.map((l, i) => (i < 9 ? { ...l, direction: 'in' as const, asks: ['analogue' as const] } : l));
    const refused = assignPins(job, wanting, board);
    expect(refused).toMatchObject({ ok: false, refusal: { lines: expect.any(Array) } });
    const named = usualMs(() => void assignPins(job, wanting, board), 10);
    console.log(`20 lines on 34 pins: placed in ${placed.toFixed(1)} ms, refused in ${named.toFixed(1)} ms`);
    expect(placed).toBeLessThan(50);
    expect(named).toBeLessThan(50);
  });
});
