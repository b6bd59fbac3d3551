import type { Finding } from '../../ground/finding';
import type { Job } from '../../ground/job';
import { wiredOf } from '../assess';
import { chanceOf, type Chance } from './chance';
import { closuresIn, drillOf, runDrill, type Drilled, type DrillStory } from './drill';
import { drillAnswers, sameAs } from './drill-answers';
import { acceptedId, drillFindings } from './drill-findings';
import { jobWith, smallestSet, type DrillAnswer, type SmallestSet } from './smallest';

/** A drill with what answers it. Plain data. */
export interface DrillResult {
  readonly basis: string;
  readonly found: Drilled;
  /** Of each of its stories, how it is known where somebody accepts it, and how often a year it may come about. */
  readonly rows: readonly { readonly story: DrillStory; readonly id: string; readonly chance: Chance | null }[];
  readonly set: SmallestSet;
  readonly findings: readonly Finding[];
}

/** Which share of a drill is done once its stories are told. */
const TOLD = 0.3;
/** Seconds of a year. */
const YEAR = 366 * 86400;

/**
 * Drills a job: every story in four states of power, then the fewest answers that leave none.
 * @param most things going wrong, 1 or 2. @param progress called with the share that is done; it ends where it answers false.
 * Throws WorldProblem for a job that cannot be run; null where there is nothing to run.
 */
export function drillJob(
  job: Job,
  most: number,
  progress: (share: number) => boolean = () => true,
): DrillResult | null {
  const wiring = wiredOf(job);
  const drill = drillOf(job, wiring);
  if (!drill) return null;
  const found = runDrill(drill, most, (share) => progress(TOLD * share));
  const accepted = new Set(job.guard.accepted.filter((x) => x.basis === drill.basis).map((x) => x.id));
  const set = answered(
    job,
    drillAnswers(job, wiring, found.stories),
    found,
    most,
    (s) => accepted.has(acceptedId(s)),
    (share) => progress(TOLD + (1 - TOLD) * share),
  );
  const closures = closuresIn(drill) * (YEAR / drillSeconds(drill));
  const rows = found.stories.map((story) => ({
    story,
    id: acceptedId(story),
    chance: chanceOf(story.story, closures),
  }));
  return { basis: drill.basis, found, rows, set, findings: drillFindings(found, set) };
}

/** Rounds in which stories that came up behind others may bring answers of their own. */
const MOST_ROUNDS = 3;

/** The fewest answers; stories that only come up once others are answered are asked for theirs as well. */
function answered(job: Job, first: readonly DrillAnswer[], ...rest: Rest): SmallestSet {
  let answers = first;
  for (let round = 1; ; round++) {
    const set = smallestSet(job, answers, ...rest);
    const now = (set.answers && jobWith(job, set.answers)) ?? job;
    const known = new Set(answers.map(sameAs));
    const more = set.left.length > 0 ? drillAnswers(now, wiredOf(now), set.left) : [];
    const fresh = more.filter((a) => a.needs < 0 && !known.has(sameAs(a)) && jobWith(job, [a]) !== null);
    if (fresh.length === 0 || set.ended || round >= MOST_ROUNDS) return set;
    answers = [...answers, ...fresh];
  }
}
type Rest = Parameters<typeof smallestSet> extends [Job, unknown, ...infer R] ? R : never;

const drillSeconds = ({ searches }: NonNullable<ReturnType<typeof drillOf>>): number =>
  Math.max(1, ...searches.map(([, s]) => s.end));
