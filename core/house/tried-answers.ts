import { applyEdit, type Job } from '../ground/job';
import { WorldProblem } from '../engines/world';
import { assess, type Assessment } from './assess';
import { answersTo, type StoryAnswer } from './answers';
import { searchJob, searchOf, type BrokenStory, type Stories } from './stories';

/** What answers a story, of all that was tried. */
export interface TriedAnswers {
  /** Those after which a search finds no such story any more. */
  readonly cures: readonly StoryAnswer[];
  /** How many were tried and left it. */
  readonly leave: number;
  /** How many were not tried: the budget was spent before. */
  readonly untried: number;
}

/** Searches for answers at most: some of them take seconds. */
const MOST_TRIES = 24;

/** What goes wrong in a story, whenever it does. */
const signature = (b: BrokenStory): string => JSON.stringify(b.faults.map(({ kind, of }) => [kind, of]).sort());

/**
 * The answers to each story that a search found, each tried before it is offered: the job is changed by it and searched anew, with as many
 * things going wrong as the story has. One that leaves the story, lets fewer things break the same, breaks another condition with fewer
 * than before, or leaves nothing that the condition can be held against, is no answer.
 * @param progress called with the share that is done; a search ends where it answers false.
 */
export function triedAnswers(
  job: Job,
  a: Pick<Assessment, 'lines'>,
  broken: Stories['broken'],
  progress: (share: number) => boolean = () => true,
): readonly TriedAnswers[] {
  const offered = broken.map((b) => answersTo(job, a, b));
  const all = Math.min(MOST_TRIES, offered.flat().length);
  let tried = 0;
  return broken.map((story, i): TriedAnswers => {
    const cures: StoryAnswer[] = [];
    let [leave, untried] = [0, 0];
    for (const answer of offered[i] ?? []) {
      const share = (part: number): boolean => progress(Math.min(1, (tried + part) / all));
      const cured = tried < MOST_TRIES ? isCured(job, broken, story, answer, share) : null;
      tried++;
      if (cured === null) untried++;
      else if (cured) cures.push(answer);
      else leave++;
    }
    return { cures, leave, untried };
  });
}

/** Whether a search of the changed job finds no such story any more, and no worse one; null where it came to no end. */
function isCured(
  job: Job,
  before: Stories['broken'],
  story: BrokenStory,
  answer: StoryAnswer,
  progress: (share: number) => boolean,
): boolean | null {
  const changed = applyEdit(job, answer.edit, job.touchedAt);
  const found = changed.ok ? searched(changed.job, story.told.length, progress) : null;
  if (!found) return false;
  const idOf = (b: Pick<BrokenStory, 'never'>): string => b.never.never.id;
  const worse = found.broken.some((b) => {
    const was = before.find((x) => idOf(x) === idOf(b));
    return was === undefined || b.told.length < was.told.length;
  });
  if (worse) return false;
  const again = found.broken.find((b) => idOf(b) === idOf(story));
  if (again) return signature(again) !== signature(story);
  if (found.stopped) return null;
  return found.kept.some((n) => n.never.id === idOf(story));
}

/** The stories of a job; null where it cannot be run. */
function searched(job: Job, most: number, progress: (share: number) => boolean): Stories | null {
  try {
    const search = searchOf(job, assess(job));
    return search && searchJob(search, most, progress);
  } catch (error) {
    if (error instanceof WorldProblem) return null;
    throw error;
  }
}
