import { firstItem } from '../../ground/lists';
import { freeIn, freshMove, pressedIn, stepOf, type Job, type JobEdit, type Move } from '../../ground/job';
import { SAFE_PRESS, USUAL_PRESS_SECONDS } from '../times';
import { proposedRules, sayWeekdays } from './when';

/** What “when” proposes, as one edit and in words. */
export interface ProposedRule {
  readonly edit: JobEdit;
  readonly words: string;
}

/** A move for each press that no move makes and none is named after: one press of it. */
function barePresses(job: Job): readonly Move[] {
  const pressed = new Set(pressedIn(job));
  return job.presses.reduce<Move[]>((made, p) => {
    const known = pressed.has(p.id) || job.act.moves.some((m) => m.name === p.name);
    if (known) return made;
    const seconds = Math.max(USUAL_PRESS_SECONDS, SAFE_PRESS * (job.act.parts[0]?.shortestPressSeconds ?? 0));
    const id = freeIn([...job.act.moves, ...made], p.name);
    return [...made, { ...freshMove(id, p.name), steps: [stepOf('press', { press: p.id, seconds })] }];
  }, []);
}

/**
 * The rules that the answer to “when” proposes and Routine does not have, with the moves that they begin; null where there are none. A
 * press that the answer names, and that no move makes yet, becomes a move of one press.
 * @param newId gives an id for each sentence.
 */
export function ruleEdit(job: Job, newId: () => string): ProposedRule | null {
  const bare = barePresses(job);
  const moves = [...job.act.moves, ...bare];
  const rules = proposedRules(job.wish.when, job.routine.sentences, newId, moves);
  if (rules.length === 0) return null;
  const begun = bare.filter((m) => rules.some((r) => r.move === m.id));
  const called = (id: string): string => moves.find((m) => m.id === id)?.name ?? '';
  const times = rules.map((r) => (r.move ? `${r.at} “${called(r.move)}”` : r.at));
  const at = times.length > 1 ? `${times.slice(0, -1).join(', ')} and ${times.at(-1)}` : times[0];
  const { days } = firstItem(rules);
  const words = `at ${at}, ${days.length > 0 ? sayWeekdays(days) : 'on days that you name in Routine'}`;
  return {
    words,
    edit: {
      do: 'several',
      edits: [
        ...begun.map((item): JobEdit => ({ do: 'put', list: 'act.moves', item })),
        ...rules.map((item): JobEdit => ({ do: 'put', list: 'routine.sentences', item })),
      ],
      say: `as a rule: ${words}`,
    },
  };
}
