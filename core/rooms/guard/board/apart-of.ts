import { apartFor, waysOver, type Distances, type WayOver } from '../../../engines/apart';
import type { ApartPlan, BoardLayout, BoardNet, Job } from '../../../ground/job';
import { boardSize, joinedOf, surfaceOf, type Joined } from './surface';
import { wrongOn, type WrongOnBoard } from './wrong';

/** Where a board stands, with what nobody said taken for the worse. */
export interface Stands {
  readonly volts: number;
  readonly place: 'dry' | 'damp';
  readonly apart: ApartPlan;
}

/** Up to here air insulates as the tables have it, m over the sea: what nobody said is taken for this, and told. */
export const USUAL_ALTITUDE = 2000;

/** What nobody said is taken for the worse: damp, fixed wiring, group III; but for the height over the sea, which is told. */
export const standsOf = ({ region, guard }: Pick<Job, 'region' | 'guard'>): Stands => ({
  volts: region.mainsVolts,
  place: guard.place === 'dry' ? 'dry' : 'damp',
  apart: guard.apart,
});

/** The distances that hold where a board stands; null where the tables end. */
export const neededFor = ({ volts, place, apart }: Stands, reinforced: boolean): Distances | null =>
  apartFor({
    volts,
    category: apart.category === 'II' ? 'II' : 'III',
    pollution: place === 'dry' ? 2 : 3,
    group: apart.group === 'unknown' ? 'III' : apart.group,
    altitude: apart.altitude ?? USUAL_ALTITUDE,
    reinforced,
  });

/** Two nets of a board that have to be kept apart, with the shortest ways between them. */
export interface ApartPair {
  readonly one: BoardNet;
  readonly other: BoardNet;
  /** Mains against what can be touched: reinforced; two nets of mains: basic. */
  readonly reinforced: boolean;
  readonly needs: Distances;
  readonly surface: WayOver;
  readonly air: WayOver;
}

/** What a board comes to. */
export interface BoardApart {
  readonly wrong: readonly WrongOnBoard[];
  /** The pairs, the least reserve first; none where something is wrong or the tables end. */
  readonly pairs: readonly ApartPair[];
  /** Names of nets of which nobody said on which side they are, and of those that lie on no copper. */
  readonly sideless: readonly string[];
  readonly bare: readonly string[];
  /** How far copper at mains is from the edge of the board at least, m; Infinity where there is none. */
  readonly edge: number;
  /** The tables end under this mains or over this height. */
  readonly ended: boolean;
}

/** How far copper at mains is from the edge of its board. */
function edgeOf(b: BoardLayout, joined: readonly Joined[]): number {
  const { width, height } = boardSize(b);
  const mains = new Set(b.nets.filter((n) => n.side === 'mains').map((n) => n.id));
  const off = joined
    .filter((j) => j.nets.some((n) => mains.has(n)))
    .flatMap((j) => j.copper)
    .flatMap(({ a, b: end, r }) => [a, end].flatMap(({ x, y }) => [x, y, width - x, height - y].map((d) => d - r)));
  return Math.min(...off);
}

/** How much further than needed ways are followed: what is longer is told as longer than that. */
export const FOLLOWED = 3;

const KNOWN = new WeakMap<BoardLayout, { readonly key: string; readonly on: BoardApart }>();

/** The shortest ways between all nets of a board that have to be kept apart; worked out once for each board and place. */
export function apartOn(b: BoardLayout, stands: Stands): BoardApart {
  const key = JSON.stringify(stands);
  const known = KNOWN.get(b);
  if (known?.key === key) return known.on;
  const on = workedOut(b, stands);
  KNOWN.set(b, { key, on });
  return on;
}

function workedOut(b: BoardLayout, stands: Stands): BoardApart {
  const joined = joinedOf(b);
  const wrong = wrongOn(b, joined);
  const sideless = b.nets.filter((n) => n.side === 'unknown').map((n) => n.name);
  const bare = b.nets.filter((n) => !joined.some((j) => j.nets.includes(n.id))).map((n) => n.name);
  const edge = edgeOf(b, joined);
  const [strong, basic] = [neededFor(stands, true), neededFor(stands, false)];
  if (wrong.length > 0 || !strong || !basic)
    return { wrong, pairs: [], sideless, bare, edge, ended: !strong || !basic };
  const wanted = b.nets.flatMap((one, i) =>
    b.nets.flatMap((other, k): [number, number, boolean][] => {
      if (k <= i || (one.side !== 'mains' && other.side !== 'mains')) return [];
      if (one.side === 'unknown' || other.side === 'unknown') return [];
      return [[i, k, one.side !== other.side]];
    }),
  );
  const surface = surfaceOf(b, strong.groove, joined);
  const numbers = wanted.map(([i, k]) => [i, k] as const);
  const most = FOLLOWED * strong.creepage;
  const over = waysOver(surface, numbers, most);
  const air = waysOver(surface, numbers, most, true);
  const pairs = wanted.flatMap(([i, k, reinforced], n): ApartPair[] => {
    const [one, other] = [b.nets[i], b.nets[k]];
    const [way, straight] = [over[n], air[n]];
    if (!one || !other || !way || !straight) return [];
    return [{ one, other, reinforced, needs: reinforced ? strong : basic, surface: way, air: straight }];
  });
  return {
    wrong,
    pairs: [...pairs].sort((x, y) => apartReserve(x) - apartReserve(y)),
    sideless,
    bare,
    edge,
    ended: false,
  };
}

/** How much of what is needed a pair has to spare, as a share; under 0 it is too near. */
export const apartReserve = ({ surface, air, needs }: ApartPair): number =>
  Math.min(surface.metres / needs.creepage, air.metres / needs.clearance) - 1;
