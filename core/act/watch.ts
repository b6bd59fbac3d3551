import type { Fault, ScriptStep } from '../job';
import type { StateSpan, Trace } from './simulate';

/** What a fault is called where it lies on the time axis. */
export const FAULT_WORDS: Record<Fault['kind'], string> = {
  'missed-press': 'this press is missed',
  'power-cut': 'power cut',
  'hand-press': 'someone presses by hand',
};

/** A press that most machines see and no hand notices as long, s; common practice. */
export const USUAL_PRESS_SECONDS = 0.18;
const USUAL_WAIT_SECONDS = 1;

/** A new step of the press script. */
export const freshStep = (what: ScriptStep['do'], press: string): ScriptStep => ({
  do: what,
  press: what === 'press' ? press : '',
  other: false,
  seconds: what === 'press' ? USUAL_PRESS_SECONDS : USUAL_WAIT_SECONDS,
});

/** Where a new fault is laid: a missed press is the first, the others come in the first third of the run and a cut lasts a while. */
export function freshFault(id: string, kind: Fault['kind'], endSeconds: number): Fault {
  const of = (share: number): number => Number((endSeconds * share).toFixed(1));
  return {
    id,
    kind,
    atSeconds: kind === 'missed-press' ? 0 : of(0.3),
    seconds: kind === 'power-cut' ? of(0.15) : 0,
  };
}

/** Every instant of a run at which something changes, rising; s. */
export const instantsOf = (t: Trace): readonly number[] =>
  [
    ...new Set([
      0,
      ...t.contact.flatMap((c) => [c.from, c.to]),
      ...t.seen.map((p) => p.at),
      ...t.machine.map((s) => s.from),
      ...t.believes.map((s) => s.from),
      t.end,
    ]),
  ].sort((a, b) => a - b);

const at = (spans: readonly StateSpan[], seconds: number): string =>
  spans.find((s) => s.from <= seconds && seconds < s.to)?.word ?? spans.at(-1)?.word ?? '';

/** What the machine does and what the plan believes at an instant. */
export const standAt = (t: Trace, seconds: number): { readonly machine: string; readonly believes: string } => ({
  machine: at(t.machine, seconds),
  believes: at(t.believes, seconds),
});

/** The last way in which belief and truth part, where it begins last, and for how long in all; null where they never do. */
export function lastParted(
  t: Trace,
): { readonly from: number; readonly seconds: number; readonly true: string; readonly believed: string } | null {
  const last = t.parted.at(-1);
  if (!last) return null;
  const seconds = t.parted
    .filter((p) => p.true === last.true && p.believed === last.believed)
    .reduce((sum, p) => sum + p.to - p.from, 0);
  return { from: last.from, seconds, true: last.true, believed: last.believed };
}
