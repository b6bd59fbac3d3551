import { actFindings } from './act';
import { boardFindings, driveFact } from './board';
import { feedFindings } from './feed';
import type { Finding } from './finding';
import { guardFindings, needsProveDead, neverFinding } from './guard';
import type { Facts } from './facts';
import type { Job } from './job';
import { packFindings } from './pack';
import { controlFacts, nextFor, probeFindings, surveysOf, type NextReading, type Survey } from './probe';
import { routineFindings } from './routine';
import { senseFindings } from './sense';
import { chosenWay, rankWays, thumbFindings } from './thumb';
import { neverTried, tryFindings } from './try';
import type { WayResult } from './ways';
import { wishFindings } from './wish';

/** Everything that follows from a job: the findings of all rooms, and what the rooms computed on the way. */
export interface Assessment {
  readonly findings: readonly Finding[];
  readonly facts: Facts;
  readonly surveys: readonly Survey[];
  readonly ways: readonly WayResult[];
}

/** Asks each room in the order of the work; the only place that knows them all. Pure and free of side effects. */
export function assess(job: Job): Assessment {
  const surveys = surveysOf(job);
  const before: Facts = { controls: controlFacts(job, surveys), drive: driveFact(job), press: null };
  const ways = rankWays(job, before);
  const way = chosenWay(job, ways);
  const facts: Facts = { ...before, press: way?.press ?? null };
  const proveDead = needsProveDead(job, facts);
  const tried = neverTried(job, proveDead);
  const rooms = [
    ...wishFindings(job),
    ...probeFindings(job, surveys),
    ...thumbFindings(job, ways),
    ...boardFindings(job, facts),
    ...feedFindings(job, facts),
    ...guardFindings(job, facts, tried),
    ...senseFindings(job),
    ...actFindings(job, facts),
    ...neverFinding(job, 'act', tried),
    ...routineFindings(job),
  ];
  const sheet = tryFindings(
    job,
    proveDead,
    rooms.filter((f) => f.verdict === 'stop'),
  );
  const findings = [...rooms, ...sheet, ...packFindings(job, facts.press, [...rooms, ...sheet])];
  return { findings, facts, surveys, ways };
}

/** The next reading of a control, or null; see the room Probe. */
export function nextReadingOf(
  job: Job,
  a: Assessment,
  control: string,
  skip?: ReadonlySet<string>,
): NextReading | null {
  const survey = a.surveys.find((s) => s.control === control);
  return survey ? nextFor(job, survey, skip) : null;
}
