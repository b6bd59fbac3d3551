import { applyEdit, type Job } from '../ground/job';
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
 * The answers to each story that a search found, each tried before it is offered: the job is changed by it and searched anew for this
 * condition alone, with as many things going wrong as the story has. One that leaves the story, or lets fewer things break the same, is no
 * answer.
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
      const cured =
        tried < MOST_TRIES
          ? isCured(job, story, answer, (share) => progress(Math.min(1, (tried + share) / all)))
          : null;
      tried++;
      if (cured === null) untried++;
      else if (cured) cures.push(answer);
      else leave++;
    }
    return { cures, leave, untried };
  });
}

/** Whether a search of the changed job finds no such story any more; null where it came to no end. */
function isCured(
  job: Job,
  story: BrokenStory,
  answer: StoryAnswer,
  progress: (share: number) => boolean,
): boolean | null {
  const { never } = story.never;
  const alone = { ...job, wish: { ...job.wish, nevers: job.wish.nevers.filter((n) => n.id === never.id) } };
  const changed = applyEdit(alone, answer.edit, job.touchedAt);
  if (!changed.ok) return false;
  const search = searchOf(changed.job, assess(changed.job));
  if (!search) return false;
  const found = searchJob(search, story.told.length, progress);
  const again = found.broken.find((b) => b.never.never.id === never.id);
  if (again) return again.told.length >= story.told.length && signature(again) !== signature(story);
  return found.stopped ? null : true;
}
