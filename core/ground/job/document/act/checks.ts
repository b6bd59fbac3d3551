import { ownerOf } from '../line-id';
import { pressedBy } from './steps';
import type { LoadProblem } from '../problem';
import type { Hand, Job, MachinePart, Move } from '../types';

const no = (what: string, where: string, todo: string): LoadProblem => ({ what, where: `field "${where}"`, todo });
const gone = (id: string, where: string, todo: string): LoadProblem =>
  no(`There is no ${JSON.stringify(id)} in this job.`, where, todo);

type Ids = ReadonlySet<string>;
const idsOf = (list: readonly { readonly id: string }[]): Ids => new Set(list.map((x) => x.id));

/** The first problem of a list's entries; null where none has any. */
function firstOf<T>(list: readonly T[], problem: (item: T, i: number) => LoadProblem | null): LoadProblem | null {
  for (const [i, item] of list.entries()) {
    const wrong = problem(item, i);
    if (wrong) return wrong;
  }
  return null;
}

/** What moves, parts, faults and sentences name must be there, and a step must be one that can be taken. Null where all is well. */
export function actProblem(job: Job): LoadProblem | null {
  const [presses, senses, parts, moves] = [job.presses, job.senses, job.act.parts, job.act.moves].map(idsOf) as [
    Ids,
    Ids,
    Ids,
    Ids,
  ];
  return (
    firstOf(job.act.moves, (m, i) => moveProblem(m, `act.moves[${i}]`, presses, senses)) ??
    firstOf(job.act.parts, (p, i) => partProblem(p, `act.parts[${i}]`, presses)) ??
    firstOf(job.senses, ({ part, name }, i) =>
      part && !parts.has(part)
        ? gone(part, `senses[${i}].part`, `Say in Sense of which part ${name} tells first.`)
        : null,
    ) ??
    firstOf(job.hands, (h, i) => handProblem(h, `hands[${i}]`, presses, moves)) ??
    firstOf(job.routine.sentences, ({ move }, i) =>
      move && !moves.has(move)
        ? gone(move, `routine.sentences[${i}].move`, 'Let the sentence in Routine begin another move first.')
        : null,
    ) ??
    faultProblem(job, [presses, senses, parts, moves])
  );
}

/** What befalls something must name it; a rocker is named with its side. */
const faultProblem = (job: Job, known: readonly Ids[]): LoadProblem | null => {
  const hands = idsOf(job.hands);
  return firstOf(job.act.faults, ({ of }, i) =>
    of && !known.some((there) => there.has(of)) && !hands.has(ownerOf(of))
      ? gone(of, `act.faults[${i}].of`, 'Take the fault away first.')
      : null,
  );
};

function moveProblem(
  m: Move,
  at: string,
  presses: ReadonlySet<string>,
  senses: ReadonlySet<string>,
): LoadProblem | null {
  for (const [n, s] of m.steps.entries()) {
    const where = `${at}.steps[${n}]`;
    const missing = pressedBy(s).find((id) => !presses.has(id));
    if (missing !== undefined) return gone(missing, `${where}.press`, 'Take its steps out of the moves in Act first.');
    if (pressedBy(s).length === 0 && s.press !== '')
      return no('This step presses nothing.', `${where}.press`, 'Leave it empty.');
    const { sense } = s;
    if (sense && !senses.has(sense))
      return gone(sense, `${where}.sense`, 'Take the steps that read it out of the moves in Act first.');
    if (s.do === 'again' && s.to > n)
      return no(
        `Step ${n + 1} of ${m.name} goes back to step ${s.to}, which does not come before it.`,
        `${where}.to`,
        'Name an earlier step.',
      );
  }
  return null;
}

/** What a hand asks for and begins must be there, and one that begins moves presses nothing by itself. */
function handProblem(
  h: Hand,
  at: string,
  presses: ReadonlySet<string>,
  moves: ReadonlySet<string>,
): LoadProblem | null {
  const asked = h.asks.find((id) => id !== '' && !presses.has(id));
  if (asked !== undefined) return gone(asked, `${at}.asks`, `Let ${h.name} ask for another press first.`);
  const begun = h.begins.find((id) => id !== '' && !moves.has(id));
  if (begun !== undefined) return gone(begun, `${at}.begins`, `Let ${h.name} begin another move in Board first.`);
  return h.begins.some((id) => id !== '') && h.asks.some((id) => id !== '')
    ? no(`${h.name} presses while it is held and begins a move as well.`, `${at}.begins`, 'Let it do one of the two.')
    : null;
}

function partProblem(p: MachinePart, at: string, presses: ReadonlySet<string>): LoadProblem | null {
  const missing = p.heeds.find((h) => !presses.has(h.press));
  if (missing) return gone(missing.press, `${at}.heeds`, `Let ${p.name} heed another press in Act first.`);
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
