import { WorldProblem } from '../core/engines/world';
import type { Job } from '../core/ground/job';
import { howOften } from '../core/house/drill/chance';
import { drillJob } from '../core/house/drill/drill-job';
import { POWER_WORDS, type DrillStory } from '../core/house/drill/drill';
import { Unusable } from './unusable';

const told = ({ power, story }: DrillStory): object => ({
  never: story.never.words,
  power: POWER_WORDS[power],
  story: story.sentences,
  faults: story.faults,
});

/** The failure drill of a job, in four states of power, and the fewest answers that leave none of its stories. */
export function drillVerb(job: Job, most: number): unknown {
  let drilled: ReturnType<typeof drillJob>;
  try {
    drilled = drillJob(job, most);
  } catch (error) {
    if (error instanceof WorldProblem) throw new Unusable(`this cannot be run: ${error.message}`);
    throw error;
  }
  if (!drilled) throw new Unusable('nothing can be drilled before Act knows the machine and a move');
  const { found, rows, set, findings } = drilled;
  return {
    most: found.most,
    stories: found.told,
    whole: !found.stopped,
    broken: rows.map(({ story, chance }) => ({ ...told(story), chance: howOften(chance) })),
    answers: set.answers?.map((a) => a.words) ?? null,
    left: set.left.map(told),
    looked: { sets: set.sets, drills: set.drills, whole: !set.ended },
    findings,
  };
}
