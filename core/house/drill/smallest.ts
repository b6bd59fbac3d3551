import { applyEdit, type Job } from '../../ground/job';
import { WorldProblem } from '../../engines/world';
import type { StoryAnswer } from '../answers';
import { wiredOf } from '../assess';
import { breaksIn, drillOf, runDrill, type Drilled, type DrillOf, type DrillStory } from './drill';

/** An answer of a drill; one that can only be given once another one is names that by its number. */
export interface DrillAnswer extends StoryAnswer {
  readonly needs: number;
}

/** What came of looking for the fewest answers that leave no story. */
export interface SmallestSet {
  /** The answers, none where nothing has to be answered; null where no set of those that were tried leaves no story. */
  readonly answers: readonly StoryAnswer[] | null;
  /** Stories that no answer cures by itself nor with all others: somebody has to accept them, or change the machine. */
  readonly left: readonly DrillStory[];
  /** Sets that were looked at, and drills that were run for them. */
  readonly sets: number;
  readonly drills: number;
  /** Not all sets were looked at: the budget was spent, or somebody stopped it. */
  readonly ended: boolean;
}

/** Sets of answers that are looked at, at most, and whole drills that are run for them. */
const MOST_SETS = 3000;
const MOST_DRILLS = 40;
/** Answers of one set, at most: more than that is another plan. */
const MOST_ANSWERS = 5;

/** A job with some answers taken, in their order; null where one of them is refused. */
export function jobWith(job: Job, answers: readonly StoryAnswer[]): Job | null {
  let now = job;
  for (const { edit } of answers) {
    const done = applyEdit(now, edit, job.touchedAt);
    if (!done.ok) return null;
    now = done.job;
  }
  return now;
}

/** The drill of a job with some answers taken; null where one is refused, or where it cannot be run. */
function drillWith(job: Job, answers: readonly StoryAnswer[]): DrillOf | null {
  const now = jobWith(job, answers);
  try {
    return now && drillOf(now, wiredOf(now));
  } catch (error) {
    if (error instanceof WorldProblem) return null;
    throw error;
  }
}

/** Every set of some numbers of a size, in order. */
function* setsOf(some: readonly number[], size: number, from = 0): Generator<readonly number[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= some.length - size; i++)
    for (const rest of setsOf(some, size - 1, i + 1)) yield [some[i] as number, ...rest];
}

/**
 * The fewest answers that leave no story, verified by a whole drill. Sets are looked at from the smallest on, so that the first that
 * stands is the smallest there is. A story that was found once refutes every set in which it still comes about, and costs one run; only
 * a set that none of them refutes is drilled, and what that finds refutes the next ones.
 * @param most things going wrong. @param accepts stories that somebody has accepted need no answer.
 * @param progress called with the share that is done; it ends where it answers false.
 */
export const smallestSet = (
  job: Job,
  answers: readonly DrillAnswer[],
  found: Drilled,
  most: number,
  accepts: (s: DrillStory) => boolean = () => false,
  progress: (share: number) => boolean = () => true,
): SmallestSet => new Smallest(job, answers, found, most, accepts, progress).run();

/** One search for the fewest answers, with what it has learned on its way. */
class Smallest {
  /** Stories that some answer cures, and those that none does. */
  private readonly open: DrillStory[] = [];
  private readonly left: DrillStory[] = [];
  private readonly refuted = new Set<string>();
  private readonly alone: readonly (DrillOf | null)[];
  private readonly together: readonly DrillOf[];
  private sets = 0;
  private drills = 0;

  constructor(
    private readonly job: Job,
    private readonly answers: readonly DrillAnswer[],
    private readonly found: Drilled,
    private readonly most: number,
    private readonly accepts: (s: DrillStory) => boolean,
    private readonly progress: (share: number) => boolean,
  ) {
    this.alone = answers.map((_, i) => drillWith(job, this.chosen(this.whole([i]))));
    this.together = this.growing();
    this.learn(found.stories);
  }

  run(): SmallestSet {
    if (this.open.length === 0) return this.came([], false);
    for (;;) {
      const some = this.useful();
      const outcome = this.lookAt(some);
      if (outcome !== 'more') return outcome;
    }
  }

  /** Looks at all sets of some answers; `more` once a story was found that wants an answer which nothing wanted before. */
  private lookAt(some: readonly number[]): SmallestSet | 'more' {
    for (let size = 1; size <= Math.min(MOST_ANSWERS, some.length); size++)
      for (const set of setsOf(some, size)) {
        const key = set.join();
        if (this.refuted.has(key) || this.whole(set).length > set.length) continue;
        if (++this.sets > MOST_SETS || this.drills >= MOST_DRILLS || !this.progress(this.drills / MOST_DRILLS))
          return this.came(null, true);
        this.refuted.add(key);
        if (this.stands(set)) return this.came(this.chosen(set), false);
        if (this.useful().length > some.length) return 'more';
      }
    return this.came(null, false);
  }

  /** Whether a set leaves no story; what a drill of it finds is learned. */
  private stands(set: readonly number[]): boolean {
    const drill = drillWith(this.job, this.chosen(set));
    if (!drill || this.open.some((w) => breaksIn(drill, w))) return false;
    this.drills++;
    const anew = runDrill(drill, this.most);
    if (anew.stopped) return false;
    // An answer that takes a condition's ground away is none.
    if (!anew.unheld.every((id) => this.found.unheld.includes(id))) return false;
    return !this.learn(anew.stories);
  }

  /** Takes stories in. @returns whether any of them is new and can be cured. */
  private learn(stories: readonly DrillStory[]): boolean {
    let some = false;
    for (const s of stories) {
      if (this.accepts(s) || this.left.some((l) => isSame(l, s))) continue;
      if ([...this.alone, ...this.together].some((d) => d !== null && !breaksIn(d, s))) {
        this.open.push(s);
        some = true;
      } else this.left.push(s);
    }
    return some;
  }

  /** Answers that cure any of the stories by themselves, by number, and those that they need. */
  private useful(): readonly number[] {
    const some = this.answers.flatMap((_, i) => {
      const drill = this.alone[i];
      return drill && this.open.some((w) => !breaksIn(drill, w)) ? [i] : [];
    });
    return this.whole(some);
  }

  /** Some answers with those that they need, rising. */
  private whole(set: readonly number[]): readonly number[] {
    const needed = set.flatMap((i) => {
      const { needs } = this.answers[i] as DrillAnswer;
      return needs >= 0 ? [i, needs] : [i];
    });
    return [...new Set(needed)].sort((x, y) => x - y);
  }

  /** The answers one after the other, each with all before it that go with it. */
  private growing(): DrillOf[] {
    const taken: DrillAnswer[] = [];
    return this.answers.flatMap((a) => {
      const drill = drillWith(this.job, [...taken, a]);
      if (drill) taken.push(a);
      return drill ? [drill] : [];
    });
  }

  private readonly chosen = (set: readonly number[]): readonly DrillAnswer[] =>
    set.flatMap((i) => this.answers[i] ?? []);

  private readonly came = (answers: readonly StoryAnswer[] | null, ended: boolean): SmallestSet => ({
    answers: answers && answers.map(({ words, edit }) => ({ words, edit })),
    left: this.left,
    sets: this.sets,
    drills: this.drills,
    ended,
  });
}

const isSame = (x: DrillStory, y: DrillStory): boolean =>
  x.key === y.key && x.story.never.never.id === y.story.never.never.id;
