/** One pass at an end screw: by how much it was turned since the pass before, and by how much the part then missed where it should stop. */
export interface ScrewPass {
  /** Turns, over 0 the way that is called plus; 0 for the first look. */
  readonly turns: number;
  /** Over 0 where it went too far, under 0 where it stopped short, m. */
  readonly missMetres: number;
}

/** What to do next at an end screw. */
export type ScrewAdvice =
  | { readonly do: 'look' }
  | { readonly do: 'try'; readonly turns: number }
  | { readonly do: 'turn'; readonly turns: number; readonly metresATurn: number }
  | { readonly do: 'other-screw' }
  | { readonly do: 'done' };

/** The first turn is a small one: which way is which is not known before it. */
const FIRST_TURNS = 0.5;
/** Nobody turns an end screw by more than this between two looks. */
const MOST_TURNS = 5;
/** A screw that moves its end by less than this a turn is not that end’s, m. */
const LEAST_METRES = 2e-4;

/**
 * What to do next to set an end of a motor by its screw: look where it stops, turn a little, see how much that was, turn what is missing.
 * @param passes in their order. @param allow how far it may miss either way, m.
 */
export function screwAdvice(passes: readonly ScrewPass[], allow: number): ScrewAdvice {
  const last = passes[passes.length - 1];
  if (!last) return { do: 'look' };
  if (Math.abs(last.missMetres) <= allow) return { do: 'done' };
  const turned = passes.slice(1).filter((p) => p.turns !== 0);
  if (turned.length === 0) return { do: 'try', turns: FIRST_TURNS };
  const metresATurn = slopeOf(passes);
  if (Math.abs(metresATurn) < LEAST_METRES) return { do: 'other-screw' };
  const turns = -last.missMetres / metresATurn;
  return { do: 'turn', turns: Math.sign(turns) * Math.min(MOST_TURNS, Math.abs(turns)), metresATurn };
}

/** How far its end moves for one turn, m: by least squares over all passes. */
function slopeOf(passes: readonly ScrewPass[]): number {
  let at = 0;
  const points = passes.map((p, i) => [(at += i === 0 ? 0 : p.turns), p.missMetres] as const);
  const n = points.length;
  const mx = points.reduce((s, [x]) => s + x, 0) / n;
  const my = points.reduce((s, [, y]) => s + y, 0) / n;
  const sxx = points.reduce((s, [x]) => s + (x - mx) ** 2, 0);
  return sxx === 0 ? 0 : points.reduce((s, [x, y]) => s + (x - mx) * (y - my), 0) / sxx;
}
