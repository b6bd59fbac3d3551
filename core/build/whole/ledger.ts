import { byHarm, gravest, type Step, type Verdict } from '../../ground/finding';
import { BlockSolver, type Blocks, type SolvedBlock, type CircuitQuantity } from '../../engines/net';
import type { Doubt, Fitted, Rating, Stress } from './fitted';
import { lawOf, type SolvedCorner } from './law';
import type { UnreadElement } from './piece';
import type { State } from './state';
import type { WholeCircuit } from './whole';

/** A rating of a fitted part, with what loads it in its worst state and corner. */
export interface LedgerRow {
  readonly part: Fitted;
  readonly rating: Rating;
  /** Worst stress; null where nobody knows it, or where the rating does not apply. */
  readonly stress: number | null;
  /** Stress over limit, or limit over stress for a least one: 1 is the limit. */
  readonly share: number | null;
  /** In which state it is worst. */
  readonly state: State | null;
  /** The law of its place, with the volts at its ends; empty where it has no stress. */
  readonly steps: readonly Step[];
  /** What nobody read or confirmed and it rests on; empty where it rests on none. */
  readonly guess: string;
  /** Settled for one that does not apply. */
  readonly verdict: Verdict;
}

/**
 * Every rating of every part of a circuit in its worst state and corner. What does not settle is unknown.
 * @param wanted which ratings are looked at; all where nothing is said.
 */
export function ledgerOf(
  circuit: WholeCircuit,
  wanted: (part: Fitted, rating: Rating) => boolean = () => true,
): readonly LedgerRow[] {
  const solver = new BlockSolver();
  const states = circuit.states.map((state) => ({ state, blocks: solver.blocks(circuit.elements(state)) }));
  return circuit.parts.flatMap((part) =>
    part.ratings.flatMap((rating) => (wanted(part, rating) ? [rowOf(states, circuit.guesses, part, rating)] : [])),
  );
}

type InStates = readonly { readonly state: State; readonly blocks: Blocks }[];

function rowOf(states: InStates, guesses: readonly UnreadElement[], part: Fitted, rating: Rating): LedgerRow {
  const open = { part, rating, stress: null, share: null, state: null, steps: [], guess: '' } as const;
  if (!rating.applies) return { ...open, verdict: 'settled' };
  if (rating.stress === null || rating.limit === null) return { ...open, verdict: 'unknown' };
  const worst = worstOf(states, rating, rating.stress);
  if (worst && Number.isNaN(worst.value)) return { ...open, state: worst.state, verdict: 'unknown' };
  if (!worst) return { ...open, verdict: 'unknown' };
  const share = rating.sense === 'at most' ? worst.value / rating.limit : rating.limit / Math.max(worst.value, 1e-15);
  const { value: stress, state } = worst;
  const steps = lawOf(rating, rating.stress, worst, state.words);
  const guess = gravestDoubt([...(rating.rests ? [rating.rests] : []), ...guessesIn(guesses, worst)]);
  const verdict = underGuess(verdictOf(rating, share), guess);
  return { part, rating, stress, share, state, steps, guess: guess?.because ?? '', verdict };
}

/** The worst state of a rating: one that does not settle at once; null where the part is in the circuit in none of them. */
function worstOf(states: InStates, rating: Rating, stress: Stress): (Met & { readonly state: State }) | null {
  let worst: (Met & { readonly state: State }) | null = null;
  const looked = new Set<SolvedBlock>();
  for (const { state, blocks } of states) {
    if (rating.states && !rating.states.includes(state.id)) continue;
    // What is around it may be the same in many states: once is enough.
    const around = blocks.of('watts' in stress ? stress.watts[1] : stress);
    if (around && looked.has(around)) continue;
    if (around) looked.add(around);
    const met = stressIn(blocks, stress, rating.sense);
    // A part that is not there in this state, as a driver whose supply is off, loads nothing; one that does not settle is unknown.
    if (met === null) continue;
    if (Number.isNaN(met.value)) return { ...met, state };
    if (!worst || (rating.sense === 'at most' ? met.value > worst.value : met.value < worst.value))
      worst = { ...met, state };
  }
  return worst;
}

/** The guesses that a worst corner hangs on. */
const guessesIn = (guesses: readonly UnreadElement[], { ends }: SolvedCorner): readonly Doubt[] =>
  guesses.filter((g) => [...ends.keys()].some((key) => key.startsWith(`${g.element} `)));
const gravestDoubt = (all: readonly Doubt[]): Doubt | undefined => [...all].sort((a, b) => byHarm(a, b))[0];
/** What rests on what nobody read is unknown whatever it comes to; what rests on what nobody confirmed is tight at best. */
const underGuess = (verdict: Verdict, guess: Doubt | undefined): Verdict =>
  guess?.verdict === 'unknown' ? 'unknown' : guess ? gravest([verdict, 'tight']) : verdict;

/** Over its limit is a stop, over the share of it that is used tight. */
function verdictOf(rating: Rating, share: number): Verdict {
  if (share > 1) return rating.soft ? 'tight' : 'stop';
  return share <= rating.share ? 'settled' : 'tight';
}

/** A stress with the corner at which it is met. */
interface Met extends SolvedCorner {
  readonly value: number;
}

/** The most, or the least, of a stress in a state; null where it is not in the circuit then. Amperes count either way round. */
function stressIn(blocks: Blocks, stress: Stress, sense: Rating['sense']): Met | null {
  if ('watts' in stress) return wattsIn(blocks, stress.watts);
  const corners = blocks.of(stress);
  // What no conductor joins stands at no volts to each other that anybody could tell; what is not there has none.
  if (!corners || !has(corners, stress)) return null;
  const { elements } = corners;
  const most = { ...corners.extreme(stress, sense === 'at most' ? 'high' : 'low'), elements };
  if ('volts' in stress || sense === 'at least' || Number.isNaN(most.value)) return most;
  const least = corners.extreme(stress, 'low');
  return -least.value > most.value ? { ...least, elements, value: -least.value } : most;
}

/** Watts at the corners at which volts and amperes are extreme. */
function wattsIn(blocks: Blocks, [v, a]: readonly [CircuitQuantity, CircuitQuantity]): Met | null {
  const corners = blocks.of(a);
  if (!corners || !has(corners, a)) return null;
  const all = [v, a].flatMap((q) => (['high', 'low'] as const).map((end) => corners.extreme(q, end)));
  return all
    .map(({ point, ends }): Met => ({
      point,
      ends,
      elements: corners.elements,
      value: point.settled ? read(point, v) * read(point, a) : Number.NaN,
    }))
    .reduce((worst, m) => (m.value > worst.value || Number.isNaN(m.value) ? m : worst));
}

const read = (p: SolvedBlock['middle'], q: CircuitQuantity): number =>
  'amps' in q ? p.amps(q.amps) : p.between(...q.volts);
/** Whether a block has what is asked for; one that does not settle is said to have it, so that it is unknown and not overlooked. */
const has = (corners: SolvedBlock, q: CircuitQuantity): boolean =>
  !corners.middle.settled || !Number.isNaN(read(corners.middle, q));

/** The gravest of some rows; settled where there are none, since then nothing is fitted. */
export const gravestRow = (rows: readonly LedgerRow[]): Verdict =>
  rows.length === 0 ? 'settled' : gravest(rows.map((r) => r.verdict));
