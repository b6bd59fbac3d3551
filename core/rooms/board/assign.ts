import { itemAt, present } from '../../ground/lists';
import type { BoardPin, BoardProfile, Job, PinAbility, PinChoice } from '../../ground/job';
import type { Line } from '../../build/lines';
import { smallestConflict } from './conflict';
import { pinFit, type PinFit } from './fit';
import { cheapest, FORBIDDEN } from './matching';

/** What it costs to give a pin away, by what it can beyond what is asked (`pin-cost`). */
const WASTE: Readonly<Record<PinAbility, number>> = {
  output: 1,
  input: 0,
  'pull-up': 0,
  interrupt: 2,
  wake: 8,
  analogue: 12,
  'pulse-width': 3,
  'five-volt': 1,
};
const STRAP_COST = 40;
/** Above all that a pin may be spared for: what prints or hears while it starts is given away last. */
const TALKS_COST = 200;
/** A verdict counts before all that a pin is worth: a still pin is never given up for a spare one. */
const VERDICT_COST = { settled: 0, tight: 10_000, unknown: 100_000, stop: FORBIDDEN } as const;

/** Cost of a line on a pin: whole numbers, `FORBIDDEN` where it may not lie there. */
export function costOf(line: Line, pin: BoardPin, fit: PinFit): number {
  if (fit.verdict === 'stop') return FORBIDDEN;
  const spare = pin.can.reduce((sum, a) => (line.asks.includes(a) ? sum : sum + WASTE[a]), 0);
  const talks = ['rising', 'boot', 'reset', 'programming'] as const;
  return (
    VERDICT_COST[fit.verdict] +
    spare +
    (pin.strap ? STRAP_COST : 0) +
    (talks.some((p) => pin.levels[p] === 'toggles' || pin.levels[p] === 'high') ? TALKS_COST : 0)
  );
}

/** Lines that cannot all be placed, with the pins that they would have to share. */
export interface Refusal {
  readonly lines: readonly Line[];
  readonly pins: readonly BoardPin[];
}

/** Where every line goes; or, where not all can be placed, the smallest set of lines that cannot. */
export type Assignment =
  | { readonly ok: true; readonly pins: readonly PinChoice[]; readonly cost: number }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * Places all lines on the pins of a board at once: cheapest, and never on a pin that cannot do it, that keeps the chip from
 * starting, or that would press by itself. What was fixed by hand stays where it is.
 */
export function assignPins(job: Job, lines: readonly Line[], profile: BoardProfile): Assignment {
  const at = new Map(job.board.pins.map((p) => [p.line, p]));
  const { pins } = profile;
  const costs = lines.map((line) => {
    const chosen = at.get(line.id);
    const held = chosen?.fixed ? chosen.gpio : null;
    return pins.map((pin) =>
      held !== null && pin.gpio !== held ? FORBIDDEN : costOf(line, pin, pinFit(line, pin, job, profile)),
    );
  });
  const found = cheapest(costs);
  if (found)
    return {
      ok: true,
      cost: found.cost,
      pins: lines.map((line, i) => ({
        line: line.id,
        gpio: itemAt(pins, itemAt(found.columns, i)).gpio,
        fixed: at.get(line.id)?.fixed ?? false,
      })),
    };
  const conflict = present(smallestConflict(costs.map((row) => row.map((c) => c !== FORBIDDEN))));
  return {
    ok: false,
    refusal: { lines: conflict.rows.map((i) => itemAt(lines, i)), pins: conflict.columns.map((j) => itemAt(pins, j)) },
  };
}
