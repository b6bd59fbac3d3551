import { orderOf } from '../reversing';
import { lineId, type Hand, type Job } from '../job';
import type { Apart, HandWire } from '../world';

/** One side of what people move at the controller, with what it does: a rocker has two. */
export interface HandDeed {
  /** Of the side, as its line has it. */
  readonly id: string;
  readonly name: string;
  readonly does: HandWire['does'];
  readonly latching: boolean;
  readonly debounceSeconds: number;
  /** What it presses while it is held; empty for nothing. */
  readonly asks: string;
  readonly other: boolean;
  /** Numbers of the moves that it begins, in turn. */
  readonly moves: readonly number[];
  /** Starts that one arming lets go; null for as many as come. */
  readonly most: number | null;
}

/** The same in a scene. */
export interface SceneHand {
  readonly id: string;
  readonly name: string;
  readonly latching: boolean;
  readonly wire: HandWire;
}

export interface HandSide {
  readonly part: string;
  readonly asks: string;
  /** A rocker that asks for one press both ways asks for its other direction when it is down. */
  readonly other: boolean;
  readonly begins: readonly string[];
}

/** The sides of a hand, in the order of its lines: what each presses or begins. */
export const sidesOf = (h: Hand): readonly HandSide[] =>
  h.kind === 'rocker'
    ? [0, 1].map((i) => ({
        part: i ? 'down' : 'up',
        asks: h.asks[i] ?? '',
        other: i === 1 && h.asks[0] === h.asks[1],
        begins: (h.begins[i] ?? '') === '' ? [] : [h.begins[i]!],
      }))
    : [{ part: '', asks: h.asks[0] ?? '', other: false, begins: h.begins.filter((m) => m !== '') }];

const DOES: Readonly<Record<Hand['kind'], HandWire['does']>> = {
  arm: 'arm',
  button: 'press',
  rocker: 'press',
  stop: 'stop',
  answer: 'answer',
};

/** Every side of every hand, with what it does. */
export const handsIn = (job: Job): HandDeed[] =>
  job.hands.flatMap((h) =>
    sidesOf(h).map(({ part, asks, other, begins }): HandDeed => {
      const moves = begins.map((id) => job.act.moves.findIndex((m) => m.id === id)).filter((m) => m >= 0);
      return {
        id: lineId(h.id, part),
        name: part ? `${h.name} ${part}` : h.name,
        does: moves.length > 0 ? 'begin' : DOES[h.kind],
        latching: h.latching,
        debounceSeconds: h.debounceSeconds,
        asks,
        other,
        moves,
        most: h.startsPerArming,
      };
    }),
  );

/** The same as the world has it. @param line which output a press has, −1 for none. */
export const handWires = (job: Job, line: (press: string, other: boolean) => number): SceneHand[] =>
  handsIn(job).map(({ id, name, latching, does, asks, other, moves, debounceSeconds, most }) => ({
    id,
    name,
    latching,
    wire: {
      does,
      latching,
      line: asks === '' ? -1 : line(asks, other),
      moves,
      delay: debounceSeconds,
      most: most ?? Infinity,
    },
  }));

/** The two directions of each press that has two, both among the outputs of a scene. */
export const apartsIn = (job: Job, line: (press: string, other: boolean) => number): Apart[] =>
  job.presses.flatMap((p): Apart[] => {
    const order = orderOf(p);
    const [one, other] = [line(p.id, false), line(p.id, true)];
    return order && one >= 0 && other >= 0
      ? [{ lines: [one, other], seconds: order.apartSeconds, lead: order.leadSeconds }]
      : [];
  });
