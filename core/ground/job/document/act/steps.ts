import { freshOf } from '../../../field';
import { onlyListens } from '../listens';
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
const takesTime = (s: MoveStep): boolean => ['press', 'hold', 'wait', 'until', 'warn'].includes(s.do);

/** The first move as a plain script: empty where there is no move. */
export const scriptOf = (job: Pick<Job, 'act'>): readonly ScriptStep[] =>
  job.act.moves[0] ? courseOfMove(job.act.moves[0]) : [];

/** Ids of all that a step presses. */
export const pressedBy = (s: MoveStep): readonly string[] =>
  s.do === 'press' || s.do === 'hold' ? [s.press, ...s.also] : [];

/** A press, by one of its sides. */
export interface PressedSide {
  readonly press: string;
  readonly other: boolean;
}

/** All that a step presses, each by its side. */
export const sidesOf = (s: MoveStep): readonly PressedSide[] =>
  pressedBy(s).map((press, i) => ({ press, other: i === 0 ? s.other : s.alsoOther }));

/** From when to when a move keeps one side of a press closed, s from its beginning, each wait at its longest. */
export interface Closure extends PressedSide {
  readonly from: number;
  readonly to: number;
  /** The steps that it lasts through, by number from 1, and whether a sense may end one of them. */
  readonly steps: readonly [first: number, last: number];
  readonly sensed: boolean;
}

/** How long a move lasts, each wait at its longest, s. */
export const lastsOf = (move: Pick<Move, 'steps'>): number =>
  move.steps.reduce((t, s) => t + (takesTime(s) ? s.seconds : 0), 0);

const keyOf = (s: PressedSide): string => `${s.press} ${s.other}`;

/**
 * What a move keeps closed, in the order in which it closes: a press that goes on in the next step, while others come or go beside it, is
 * one. The very same presses twice without a wait are two that were meant as two, though the machine feels one.
 */
export function closedTimes(move: Pick<Move, 'steps'>): readonly Closure[] {
  const out: Closure[] = [];
  let at = 0;
  let before = '';
  for (const [i, step] of move.steps.entries()) {
    if (!takesTime(step)) continue;
    const sensed = step.do === 'hold';
    const sides = sidesOf(step);
    const now = sides.map(keyOf).sort().join();
    for (const side of sides) {
      const open = now === before ? -1 : out.findIndex((c) => keyOf(c) === keyOf(side) && c.to === at);
      const held = open < 0 ? undefined : out[open];
      const to = at + step.seconds;
      if (held) out[open] = { ...held, to, steps: [held.steps[0], i + 1], sensed: held.sensed || sensed };
      else out.push({ ...side, from: at, to, steps: [i + 1, i + 1], sensed });
    }
    at += step.seconds;
    before = now;
  }
  return out;
}

/** Every step of every move that presses this one. */
export const stepsOf = (job: Pick<Job, 'act'>, press: string): readonly MoveStep[] =>
  job.act.moves.flatMap((m) => m.steps.filter((s) => pressedBy(s).includes(press)));

/** The longest that any move keeps one side of a press closed, s; 0 where none presses it. */
export const longestPress = (job: Pick<Job, 'act'>, press: string): number =>
  job.act.moves.flatMap(closedTimes).reduce((most, c) => (c.press === press ? Math.max(most, c.to - c.from) : most), 0);

/** Ids of all presses that some move makes, each once. */
export const pressedIn = (job: Pick<Job, 'act'>): readonly string[] => [
  ...new Set(job.act.moves.flatMap((m) => m.steps.flatMap(pressedBy))),
];

/** Ids of all senses that some move reads, each once; of all senses where it only listens. */
export const sensesRead = (job: Pick<Job, 'act' | 'wish' | 'presses' | 'senses' | 'routine'>): readonly string[] => {
  if (onlyListens(job)) return job.senses.map((s) => s.id);
  const { sentences, limits } = job.routine;
  const read = [
    ...job.act.moves.flatMap((m) => m.steps.map((s) => s.sense)),
    ...sentences.flatMap((s) => [
      ...(s.when === 'sense' ? [s.sense] : []),
      ...s.ifs.flatMap((x) => (x.kind === 'sense' ? [x.sense] : [])),
    ]),
    ...limits.flatMap((l) => (l.kind === 'only-known' ? [l.sense] : [])),
  ];
  return [...new Set(read.filter((id) => id !== ''))];
};

/** Whether a move looks before it presses anything. */
export const looksFirst = (move: Move): boolean => {
  const first = move.steps.find((s) => s.do === 'look' || pressedBy(s).length > 0);
  return first?.do === 'look';
};
