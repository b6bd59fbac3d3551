import { orderOf } from '../../engines/reversing';
import type { Job } from '../../ground/job';
import { handsIn } from '../../build/panel';
import type { Apart, HandWire } from '../../engines/world';

/** One side of what people move at the controller, as the world has it. */
export interface SceneHand {
  readonly id: string;
  readonly name: string;
  readonly latching: boolean;
  readonly wire: HandWire;
}

/** Every side of every hand as the world has it. @param line which output a press has, −1 for none. */
export const handWires = (job: Job, line: (press: string, other: boolean) => number): SceneHand[] =>
  handsIn(job).map(({ id, name, latching, does, asks, other, moves, debounceSeconds, most, mode }) => ({
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
      ...(mode < 0 ? {} : { mode }),
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
