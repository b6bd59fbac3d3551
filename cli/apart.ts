import { readFileSync, statSync } from 'node:fs';
import { problemOfGroup, type AnyFields } from '../core/ground/field';
import { apartFields, boardLayoutFields, type ApartPlan, type BoardLayout } from '../core/ground/job';
import { apartOn, cureAll, curesFor, apartReserve, type Stands } from '../core/rooms/guard';
import { Unusable } from './unusable';

/** A board of 60 parts and 300 tracks stays far below this, bytes. */
const MOST_BYTES = 2_000_000;
const PLACES = ['dry', 'damp'] as const;

interface Asked {
  readonly board: BoardLayout;
  readonly stands: Stands;
}

/** A board as it stands in a job file, by itself or with where it stands: `{ "board": …, "mains": 230, "place": "dry", "apart": … }`. */
function readBoard(file: string): Asked {
  let parsed: unknown;
  try {
    if (statSync(file).size > MOST_BYTES) throw new Unusable(`${file}: larger than any board`);
    parsed = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    if (error instanceof Unusable) throw error;
    const code = (error as NodeJS.ErrnoException).code;
    throw new Unusable(`${file}: ${code ? `cannot be read (${code})` : 'is not complete JSON'}`);
  }
  const whole = (typeof parsed === 'object' && parsed !== null ? parsed : {}) as Readonly<Record<string, unknown>>;
  const held = 'board' in whole;
  const board = held ? whole['board'] : parsed;
  const apart = whole['apart'] ?? { category: 'unknown', altitude: null, group: 'unknown' };
  const check = (fields: object, value: unknown, at: string): void => {
    const wrong = problemOfGroup(fields as AnyFields, value, at);
    if (wrong) throw new Unusable(`${file}: ${wrong.path || 'the board'} ${wrong.why}`);
  };
  check(boardLayoutFields, board, held ? 'board' : '');
  const place = held ? (whole['place'] ?? 'damp') : 'damp';
  if (!PLACES.includes(place as never)) throw new Unusable(`${file}: place is one of ${PLACES.join(', ')}`);
  const mains = held ? (whole['mains'] ?? 230) : 230;
  if (typeof mains !== 'number' || !(mains > 0 && mains <= 1000))
    throw new Unusable(`${file}: mains is a number of volts up to 1000`);
  if (held) check(apartFields, apart, 'apart');
  return {
    board: board as BoardLayout,
    stands: {
      volts: mains,
      place: place as Stands['place'],
      apart: (held ? apart : { category: 'unknown', altitude: null, group: 'unknown' }) as ApartPlan,
    },
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
