import { orderOf } from '../reversing';
import { lineId, type Hand, type Job } from '../job';
import type { Apart, HandWire } from '../world';

/** One side of what people move at the controller: a rocker has two. */
export interface SceneHand {
  /** Of the side, as its line has it. */
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

/** Every side of every hand as the world has it. @param line which output a press has, −1 for none. */
export const handsIn = (job: Job, line: (press: string, other: boolean) => number): SceneHand[] =>
  job.hands.flatMap((h) =>
    sidesOf(h).map((side): SceneHand => {
      const moves = side.begins.map((id) => job.act.moves.findIndex((m) => m.id === id)).filter((m) => m >= 0);
      return {
        id: lineId(h.id, side.part),
        name: side.part ? `${h.name} ${side.part}` : h.name,
        latching: h.latching,
        wire: {
          does: moves.length > 0 ? 'begin' : DOES[h.kind],
          latching: h.latching,
          line: side.asks === '' ? -1 : line(side.asks, side.other),
          moves,
          delay: h.debounceSeconds,
          most: h.startsPerArming ?? Infinity,
        },
      };
    }),
  );

/** The two directions of each press that has two, both among the outputs of a scene. */
export const apartsIn = (job: Job, line: (press: string, other: boolean) => number): Apart[] =>
  job.presses.flatMap((p): Apart[] => {
    const order = orderOf(p);
    const [one, other] = [line(p.id, false), line(p.id, true)];
    return order && one >= 0 && other >= 0
      ? [{ lines: [one, other], seconds: order.apartSeconds, lead: order.leadSeconds }]
      : [];
  });
