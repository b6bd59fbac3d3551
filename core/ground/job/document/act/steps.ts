import { freshOf } from '../../../field';
import type { Job } from '../types';
import { askFields, moveFields, partFields, stepFields } from './fields';
import type { MachineAsk, MachinePart, Move, ScriptStep, MoveStep, StepKind } from './types';

/** What a machine asks for, before anything is said of it. */
export const freshAsk = (): MachineAsk => freshOf(askFields);
/** A part of the machine of which only the name is known. */
export const freshPart = (id: string, name: string): MachinePart => ({ ...freshOf(partFields), id, name });
/** A move without a step. */
export const freshMove = (id: string, name: string): Move => ({ ...freshOf(moveFields), id, name });
/** A step of one kind; what does not count for its kind is as it is when nothing was said. */
export const stepOf = (what: StepKind, set: Partial<MoveStep> = {}): MoveStep => ({
  ...freshOf(stepFields),
  ...set,
  do: what,
});

/** The first part of the machine: what the one press of a plain machine reaches. One of which nothing is known where there is none. */
export const machineOf = (job: Pick<Job, 'act'>): MachinePart => job.act.parts[0] ?? freshPart('machine', 'machine');

/** What a move presses and waits for if every wait takes its longest and nothing is done again. */
export function courseOfMove(move: Move): readonly ScriptStep[] {
  return move.steps.flatMap((s): ScriptStep[] => {
    const { other, seconds } = s;
    switch (s.do) {
      case 'press':
      case 'hold':
        return [{ do: 'press', press: s.press, other, seconds }];
      case 'wait':
      case 'until':
      case 'warn':
        return [{ do: 'wait', press: '', other: false, seconds }];
      default:
        return [];
    }
  });
}

/** Whether time goes by in a step of this kind, at most as long as it says. */
export const takesTime = (s: MoveStep): boolean => ['press', 'hold', 'wait', 'until', 'warn'].includes(s.do);

/** The first move as a plain script: empty where there is no move. */
export const scriptOf = (job: Pick<Job, 'act'>): readonly ScriptStep[] =>
  job.act.moves[0] ? courseOfMove(job.act.moves[0]) : [];

/** Ids of all that a step presses. */
export const pressedBy = (s: MoveStep): readonly string[] =>
  s.do === 'press' || s.do === 'hold' ? [s.press, ...s.also] : [];

/** Every step of every move that presses this one. */
export const stepsOf = (job: Pick<Job, 'act'>, press: string): readonly MoveStep[] =>
  job.act.moves.flatMap((m) => m.steps.filter((s) => pressedBy(s).includes(press)));

/** Ids of all presses that some move makes, each once. */
export const pressedIn = (job: Pick<Job, 'act'>): readonly string[] => [
  ...new Set(job.act.moves.flatMap((m) => m.steps.flatMap(pressedBy))),
];

/** Ids of all senses that some move reads, each once. */
export const sensesRead = (job: Pick<Job, 'act'>): readonly string[] => [
  ...new Set(job.act.moves.flatMap((m) => m.steps.flatMap((s) => (s.sense === '' ? [] : [s.sense])))),
];

/** Whether a move looks before it presses anything. */
export const looksFirst = (move: Move): boolean => {
  const first = move.steps.find((s) => s.do === 'look' || pressedBy(s).length > 0);
  return first?.do === 'look';
};
