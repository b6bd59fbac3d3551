import { USUAL_PRESS_SECONDS } from '../../build/times';
import { stepOf, type Fault, type FaultKind, type MoveStep, type StepKind } from '../../ground/job';
import { DISTURBANCES } from './disturbances';
import type { PartTrace, RunTrace, StateSpan } from './trace';

const USUAL_WAIT_SECONDS = 1;

/** A new step of a move. */
export const freshStep = (what: StepKind, press: string, sense = ''): MoveStep =>
  stepOf(what, {
    press: what === 'press' || what === 'hold' ? press : '',
    seconds: SECONDS[what] ?? 0,
    sense: ['hold', 'until', 'look', 'again'].includes(what) ? sense : '',
  });
const SECONDS: Partial<Record<StepKind, number>> = {
  press: USUAL_PRESS_SECONDS,
  wait: USUAL_WAIT_SECONDS,
  hold: 30,
  until: 30,
  warn: 3,
};

/** Where a new fault is laid: one of a press at the first, the others in the first third of the run; a cut lasts a while. */
export function freshFault(id: string, kind: FaultKind, endSeconds: number, of = ''): Fault {
  const { lastsShare, atFirst } = DISTURBANCES[kind];
  const share = (x: number): number => Number((endSeconds * x).toFixed(1));
  return {
    id,
    kind,
    atSeconds: atFirst ? 0 : share(0.3),
    seconds: share(lastsShare),
    of,
  };
}

/** Every instant of a run at which something changes, rising; s. */
export const instantsOf = (t: RunTrace): readonly number[] =>
  [
    ...new Set([
      0,
      ...t.outputs.flatMap((o) => o.spans.flatMap((c) => [c.from, c.to])),
      ...t.senses.flatMap((s) => s.spans.map((x) => x.from)),
      ...t.hands.flatMap((h) => h.spans.flatMap((x) => [x.from, x.to])),
      ...t.parts.flatMap((p) => [
        ...p.seen.map((x) => x.at),
        ...p.machine.map((s) => s.from),
        ...p.believes.map((s) => s.from),
      ]),
      ...t.calls,
      t.end,
    ]),
  ].sort((a, b) => a - b);

/** The instants at which what the plan believes and what is true begin to part, rising; s. */
export const partingsOf = (t: RunTrace): readonly number[] =>
  t.parts.flatMap((p) => p.parted.map((x) => x.from)).sort((a, b) => a - b);

const at = (spans: readonly StateSpan[], seconds: number): string =>
  spans.find((s) => s.from <= seconds && seconds < s.to)?.word ?? spans.at(-1)?.word ?? '';

/** What the machine does and what the plan believes at an instant. */
export const standAt = (t: PartTrace, seconds: number): { readonly machine: string; readonly believes: string } => ({
  machine: at(t.machine, seconds),
  believes: at(t.believes, seconds),
});

/** The last way in which belief and truth part, where it begins last, and for how long in all; null where they never do. */
export function lastParted(
  t: Pick<PartTrace, 'parted'>,
): { readonly from: number; readonly seconds: number; readonly true: string; readonly believed: string } | null {
  const last = t.parted.at(-1);
  if (!last) return null;
  const seconds = t.parted
    .filter((p) => p.true === last.true && p.believed === last.believed)
    .reduce((sum, p) => sum + p.to - p.from, 0);
  return { from: last.from, seconds, true: last.true, believed: last.believed };
}
