import { WorldProblem } from '../../engines/world';
import { finding, type Finding } from '../../ground/finding';
import type { Hazard, Job } from '../../ground/job';
import type { Wired } from '../power-up-scene';
import { drillOf } from './drill';

/** Hazards that something which goes on by itself brings about. */
const GOES_ON: readonly Hazard[] = ['unattended-heat', 'moving-door', 'pinch', 'pressure', 'gas', 'water', 'medical'];

/** What the job's own record of its last drill says; that there was none, or that there is nothing to drill for. */
export function recordedDrill(job: Job, hazards: readonly Hazard[], a: Wired): readonly Finding[] {
  const goesOn = hazards.some((h) => GOES_ON.includes(h));
  if (job.act.moves.length === 0 || (job.wish.nevers.length === 0 && !goesOn)) return [];
  const [last] = job.guard.drills;
  const told = (of: Pick<Finding, 'verdict' | 'title' | 'caption' | 'remedy'>): readonly Finding[] => [
    finding('guard', 'drill', { ...of, holds: 'without-faults', source: ['simulation', 'story-lengths'] }),
  ];
  const again = { text: 'Run the failure drill below.' };
  if (job.wish.nevers.length === 0)
    return told({
      verdict: 'unknown',
      title: 'Nothing was said, as a condition, that must never happen: no failure can be held against it',
      caption: 'nothing to drill for',
      remedy: { text: 'Say in Wish, as conditions, what must never happen.' },
    });
  const now = basisOf(job, a);
  if (!last)
    return told({
      verdict: 'unknown',
      title: 'Whether any failure brings about what must never happen was not drilled',
      caption: 'not drilled',
      remedy: now === undefined ? { text: 'Tell the machine in Act first: nothing of it can be run yet.' } : again,
    });
  const title = `Drilled on ${last.at.slice(0, 10)}: ${last.stories.toLocaleString('en')} stories, ${
    last.broken === 0 ? 'none breaks a condition' : `${last.broken} that break one`
  }`;
  if (now !== last.basis)
    return told({
      verdict: 'unknown',
      title: `${title}; the plan was changed since`,
      caption: 'drill out of date',
      remedy: again,
    });
  const accepted = job.guard.accepted.filter((x) => x.basis === last.basis).map((x) => x.id);
  const answered = last.verdict === 'stop' && last.stops.every((id) => accepted.includes(id));
  return told({
    verdict: answered ? 'tight' : last.verdict,
    title: answered ? `${title}, and somebody accepted what would stop it, by name` : title,
    caption: last.broken === 0 ? 'drill passed' : answered ? 'accepted by name' : 'stories unanswered',
    remedy:
      last.verdict === 'settled' ? null : answered ? { text: 'Answer it where you can, and drill again.' } : again,
  });
}

function basisOf(job: Job, a: Wired): string | undefined {
  try {
    return drillOf(job, a)?.basis;
  } catch (error) {
    // What cannot be run at all has a finding of its own.
    if (error instanceof WorldProblem) return undefined;
    throw error;
  }
}
