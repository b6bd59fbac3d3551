import { lineId, type Hand, type Job } from '../../ground/job';
import { hasOther } from '../../engines/reversing';

/** One side of what people move at the controller, with what it does: a rocker has two. */
export interface HandDeed {
  /** Of the side, as its line has it. */
  readonly id: string;
  readonly name: string;
  readonly does: 'stop' | 'arm' | 'press' | 'begin' | 'answer' | 'mode' | 'command';
  readonly latching: boolean;
  readonly debounceSeconds: number;
  /** What it presses while it is held; empty for nothing. */
  readonly asks: string;
  readonly other: boolean;
  /** Numbers of the moves that it begins, in turn. */
  readonly moves: readonly number[];
  /** Starts that one arming lets go; null for as many as come. */
  readonly most: number | null;
  /** Number of the mode that it puts on and off; −1 for none. */
  readonly mode: number;
  /** Topic of its messages; empty for what is moved. */
  readonly topic: string;
}

const DOES: Readonly<Record<Hand['kind'], HandDeed['does']>> = {
  arm: 'arm',
  button: 'press',
  rocker: 'press',
  stop: 'stop',
  answer: 'answer',
  mode: 'mode',
  command: 'command',
};

/**
 * The sides of a hand, in the order of its lines: its name, what it presses, and the moves that it begins, by id. What a stop or an arm
 * switch still has from when it was a button does nothing.
 */
const sidesOf = (
  h: Hand,
): readonly { readonly part: string; readonly asks: string; readonly begins: readonly string[] }[] =>
  h.kind === 'rocker'
    ? [0, 1].map((i) => ({ part: i ? 'down' : 'up', asks: h.asks[i] ?? '', begins: [h.begins[i] ?? ''] }))
    : h.kind === 'button' || h.kind === 'command'
      ? [{ part: '', asks: h.kind === 'button' ? (h.asks[0] ?? '') : '', begins: h.begins }]
      : [{ part: '', asks: '', begins: [] }];

/** A rocker that asks for one press both ways asks for its other side or direction when it is down. */
const isOther = (job: Job, h: Hand, part: string): boolean =>
  part === 'down' && h.asks[0] === h.asks[1] && job.presses.some((p) => p.id === h.asks[0] && hasOther(p));

/** Every side of every hand, with what it does. */
export const handsIn = (job: Job): HandDeed[] =>
  job.hands.flatMap((h) =>
    sidesOf(h).map(({ part, asks, begins }): HandDeed => {
      const moves = begins.map((id) => job.act.moves.findIndex((m) => m.id === id)).filter((m) => m >= 0);
      return {
        id: lineId(h.id, part),
        name: part ? `${h.name} ${part}` : h.name,
        does: moves.length > 0 && h.kind !== 'command' ? 'begin' : DOES[h.kind],
        latching: h.latching && h.kind !== 'command',
        debounceSeconds: h.kind === 'command' ? 0 : h.debounceSeconds,
        asks,
        other: isOther(job, h, part),
        moves,
        most: h.startsPerArming,
        mode: h.kind === 'mode' ? job.routine.modes.findIndex((m) => m.id === h.mode) : -1,
        topic: h.kind === 'command' ? h.topic : '',
      };
    }),
  );
