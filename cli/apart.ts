import { readFileSync, statSync } from 'node:fs';
import { choice, freshOf, plainWords, problemOfGroup, type AnyFields } from '../core/ground/field';
import { apartFields, boardLayoutFields, regionFields, type ApartPlan, type BoardLayout } from '../core/ground/job';
import { apartOn, cureAll, curesFor, apartReserve, type Stands } from '../core/rooms/guard';
import { Unusable } from './unusable';

/** A board of 60 parts and 300 tracks stays far below this, bytes. */
const MOST_BYTES = 2_000_000;
const PLACE = choice('place', plainWords(['dry', 'damp'] as const), 'damp');

interface Asked {
  readonly board: BoardLayout;
  readonly stands: Stands;
}

/** The JSON of a file. Throws Unusable where it is too large, cannot be read or is none. */
function parsed(file: string): unknown {
  try {
    if (statSync(file).size <= MOST_BYTES) return JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    throw new Unusable(`${file}: ${code ? `cannot be read (${code})` : 'is not complete JSON'}`);
  }
  throw new Unusable(`${file}: larger than any board`);
}

/** A board as it stands in a job file, by itself or with where it stands: `{ "board": …, "mains": 230, "place": "dry", "apart": … }`. */
function readBoard(file: string): Asked {
  const whole = parsed(file);
  const held = typeof whole === 'object' && whole !== null && 'board' in whole;
  const { board, apart, place, mains } = {
    ...{ board: whole, apart: freshOf(apartFields), place: 'damp', mains: 230 },
    ...(held ? (whole as Readonly<Record<string, unknown>>) : {}),
  };
  const check = (fields: object, value: unknown, at: string): void => {
    const wrong = problemOfGroup(fields as AnyFields, value, at);
    if (wrong) throw new Unusable(`${file}: ${wrong.path || 'the board'} ${wrong.why}`);
  };
  check(boardLayoutFields, board, held ? 'board' : '');
  check(apartFields, apart, 'apart');
  check({ place: PLACE, mainsVolts: regionFields.mainsVolts }, { place, mainsVolts: mains }, '');
  return {
    board: board as BoardLayout,
    stands: { volts: mains as number, place: place as Stands['place'], apart: apart as ApartPlan },
  };
}

/** How far the nets of a board are apart, what is needed, what is wrong with it, and what cures it. Lengths in metres. */
export function apartVerb(file: string): unknown {
  const { board, stands } = readBoard(file);
  const on = apartOn(board, stands);
  const finite = (x: number): number | null => (Number.isFinite(x) ? x : null);
  const all = cureAll(board, stands);
  return {
    stands,
    wrong: on.wrong,
    sideless: on.sideless,
    withoutCopper: on.bare,
    edge: Number.isFinite(on.edge) ? on.edge : null,
    tablesEnd: on.ended,
    pairs: on.pairs.map((p) => ({
      between: [p.one.name, p.other.name],
      insulation: p.reinforced ? 'reinforced' : 'basic',
      surface: finite(p.surface.metres),
      creepage: p.needs.creepage,
      air: finite(p.air.metres),
      clearance: p.needs.clearance,
      enough: apartReserve(p) >= 0,
      way: p.surface.legs,
    })),
    cures: [...(all ? [all] : []), ...curesFor(board, stands)].map((c) => ({
      words: c.words,
      slots: c.board.slots,
      cleared: c.board.cleared,
    })),
  };
}
