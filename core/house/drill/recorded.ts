import { WorldProblem } from '../../engines/world';
import { finding, type Finding } from '../../ground/finding';
import type { DrillRecord, Hazard, Job } from '../../ground/job';
import type { Wired } from '../power-up-scene';
import { drillOf } from './drill';

/** Hazards that something which goes on by itself brings about. */
const GOES_ON: readonly Hazard[] = ['unattended-heat', 'moving-door', 'pinch', 'pressure', 'gas', 'water', 'medical'];

const AGAIN = { text: 'Run the failure drill below.' };

type Told = Pick<Finding, 'verdict' | 'title' | 'caption' | 'remedy'>;

/** What the job's own record of its last drill says; that there was none, or that there is nothing to drill for. */
export function recordedDrill(job: Job, hazards: readonly Hazard[], a: Wired): readonly Finding[] {
  const goesOn = hazards.some((h) => GOES_ON.includes(h));
  if (job.act.moves.length === 0 || (job.wish.nevers.length === 0 && !goesOn)) return [];
  const [last] = job.guard.drills;
  const now = job.wish.nevers.length > 0 ? basisOf(job, a) : undefined;
  const told = last && job.wish.nevers.length > 0 ? recorded(job, last, now) : neverDrilled(job, now);
  return [finding('guard', 'drill', { ...told, holds: 'without-faults', source: ['simulation', 'story-lengths'] })];
}

/** @param now the key of the plan; undefined where nothing of it can be run. */
const neverDrilled = (job: Job, now: string | undefined): Told =>
  job.wish.nevers.length === 0
    ? {
        verdict: 'unknown',
        title: 'Nothing was said, as a condition, that must never happen: no failure can be held against it',
        caption: 'nothing to drill for',
        remedy: { text: 'Say in Wish, as conditions, what must never happen.' },
      }
    : {
        verdict: 'unknown',
        title: 'Whether any failure brings about what must never happen was not drilled',
        caption: 'not drilled',
        remedy: now === undefined ? { text: 'Tell the machine in Act first: nothing of it can be run yet.' } : AGAIN,
      };

function recorded(job: Job, last: DrillRecord, now: string | undefined): Told {
  const title = `Drilled on ${last.at.slice(0, 10)}: ${last.stories.toLocaleString('en')} stories, ${
    last.broken === 0 ? 'none breaks a condition' : `${last.broken} that break one`
  }`;
  if (now !== last.basis)
    return {
      verdict: 'unknown',
      title: `${title}; the plan was changed since`,
      caption: 'drill out of date',
      remedy: AGAIN,
    };
  if (last.verdict === 'unknown')
    return { verdict: 'unknown', title: `${title}; it came to no end`, caption: 'drill not whole', remedy: AGAIN };
  const accepted = job.guard.accepted.filter((x) => x.basis === last.basis).map((x) => x.id);
  if (last.verdict === 'stop' && last.stops.every((id) => accepted.includes(id)))
    return {
      verdict: 'tight',
      title: `${title}, and somebody accepted what would stop it, by name`,
      caption: 'accepted by name',
      remedy: { text: 'Answer it where you can, and drill again.' },
    };
  return {
    verdict: last.verdict,
    title,
    caption: last.broken === 0 ? 'drill passed' : 'stories unanswered',
    remedy: last.verdict === 'settled' ? null : AGAIN,
  };
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
