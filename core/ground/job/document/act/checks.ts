import { pressedBy } from './steps';
import type { LoadProblem } from '../problem';
import type { Hand, Job, MachinePart, Move } from '../types';

const no = (what: string, where: string, todo: string): LoadProblem => ({ what, where: `field "${where}"`, todo });

/** The first problem of a list's entries; null where none has any. */
function firstOf<T>(list: readonly T[], problem: (item: T, i: number) => LoadProblem | null): LoadProblem | null {
  for (const [i, item] of list.entries()) {
    const wrong = problem(item, i);
    if (wrong) return wrong;
  }
  return null;
}

/** A step must be one that can be taken, a hand do one of two things, a long press be longer than a short one. Null where all is so. */
export const actProblem = (job: Job): LoadProblem | null =>
  firstOf(job.act.moves, (m, i) => moveProblem(m, `act.moves[${i}]`)) ??
  firstOf(job.act.parts, (p, i) => partProblem(p, `act.parts[${i}]`)) ??
  firstOf(job.hands, (h, i) => handProblem(h, `hands[${i}]`));

function moveProblem(m: Move, at: string): LoadProblem | null {
  for (const [n, s] of m.steps.entries()) {
    const where = `${at}.steps[${n}]`;
    if (pressedBy(s).includes(''))
      return no('This step presses nothing that is named.', `${where}.press`, 'Name a press that the job has.');
    if (pressedBy(s).length === 0 && s.press !== '')
      return no('This step presses nothing.', `${where}.press`, 'Leave it empty.');
    if (s.do === 'again' && s.to > n)
      return no(
        `Step ${n + 1} of ${m.name} goes back to step ${s.to}, which does not come before it.`,
        `${where}.to`,
        'Name an earlier step.',
      );
  }
  return null;
}

/** A hand that begins moves presses nothing by itself. */
const handProblem = (h: Hand, at: string): LoadProblem | null =>
  h.begins.some((id) => id !== '') && h.asks.some((id) => id !== '')
    ? no(`${h.name} presses while it is held and begins a move as well.`, `${at}.begins`, 'Let it do one of the two.')
    : null;

function partProblem(p: MachinePart, at: string): LoadProblem | null {
  const nothing = p.heeds.findIndex((h) => h.press === '');
  if (nothing >= 0)
    return no(
      `${p.name} heeds a press that is not named.`,
      `${at}.heeds[${nothing}].press`,
      'Name a press that the job has.',
    );
  if (p.longPress !== 'same' && p.longestPressSeconds === null)
    return no(
      'A long press means something else, and how long a press is long is not said.',
      `${at}.longestPressSeconds`,
      'Say how long a press may last at most.',
    );
  if (
    p.longPress !== 'same' &&
    p.shortestPressSeconds !== null &&
    p.longestPressSeconds !== null &&
    p.longestPressSeconds <= p.shortestPressSeconds
  )
    return no(
      'The longest short press is no longer than the shortest that is obeyed: no press would be a short one.',
      `${at}.longestPressSeconds`,
      'Say a longer one.',
    );
  return null;
}
