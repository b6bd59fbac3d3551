import { assess, nextReadingOf, type Assessment, type Seen } from './assess';
import { isGraver, type Finding, studyId, type StudyVerdict } from '../ground/finding';
import { filesOf } from './deliver';
import { guideFor, type GuideStep } from './guide';
import type { ControlKind, Job } from '../ground/job';
import type { PackFile } from '../rooms/pack';
import { rowOf, threadOf, type Bead, type RowBead } from './thread';
import { studiesNow, studyFindings, type StudyNow } from './studies';
import { withTriedRemedies } from './tried';
import { boardOrder, seenSurvey, tieOf, type NextReading, type PlannedReading } from '../rooms/probe';

/** Everything the rooms show of a job that takes arithmetic: its assessment, and what to read next. Plain data. */
export interface Answer {
  readonly assessment: Seen;
  /** Of the controls that were asked about. */
  readonly next: Readonly<Record<string, NextReading | null>>;
  readonly ties: Readonly<Record<string, readonly ControlKind[]>>;
  /** By id of a study, whether it still rests on what the job says. */
  readonly fresh: Readonly<Record<string, boolean>>;
}

/**
 * The answer for a job.
 * @param skip keys of readings that the maker cannot or will not take now, per control.
 * @param studies what came of studies of this job; those that are old say so among the findings.
 * @param tell hears the verdicts as soon as they are there.
 * @param asked the controls whose next reading is wanted, which may take as long as all the rest; all where it is left out.
 */
export function answerFor(
  job: Job,
  skip: Readonly<Record<string, readonly string[]>> = {},
  studies: readonly StudyVerdict[] = [],
  tell?: (thread: readonly Bead[]) => void,
  asked: readonly string[] = job.controls.map((c) => c.id),
): Answer {
  const { assessment, now } = withStudies(job, studies);
  tell?.(threadOf(assessment.findings));
  return {
    assessment: { ...assessment, surveys: assessment.surveys.map(seenSurvey) },
    next: Object.fromEntries(
      job.controls
        .filter((c) => asked.includes(c.id))
        .map((c) => [c.id, nextReadingOf(job, assessment, c.id, new Set(skip[c.id]))]),
    ),
    ties: Object.fromEntries(assessment.surveys.map((s) => [s.control, tieOf(job, s)])),
    fresh: Object.fromEntries(now.map(({ study, fresh }) => [studyId(study.kind, study.of), fresh])),
  };
}

/** The assessment with what studies add to its findings. */
function withStudies(job: Job, studies: readonly StudyVerdict[]): { assessment: Assessment; now: readonly StudyNow[] } {
  const assessment = assess(job);
  if (studies.length === 0)
    return { assessment: { ...assessment, findings: withTriedRemedies(job, assessment.findings) }, now: [] };
  const now = studiesNow(job, assessment, studies);
  const findings = withTriedRemedies(job, joined(assessment.findings, studyFindings(job, now)));
  return { assessment: { ...assessment, findings }, now };
}

/**
 * Findings of a job and of its studies. Where both judge one thing, the study's takes the place of what held only while nothing goes
 * wrong; of others the worse stays.
 */
export function joined(own: readonly Finding[], studied: readonly Finding[]): Finding[] {
  const byId = new Map(studied.map((f) => [f.id, f]));
  const kept = own.map((f) => {
    const other = byId.get(f.id);
    if (!other) return f;
    byId.delete(f.id);
    return f.holds === 'without-faults' || isGraver(other.verdict, f.verdict) ? other : f;
  });
  return [...kept, ...byId.values()];
}

/** How many readings ahead the board is planned. */
const PLANNED = 6;

/** The order for the whole board; it costs an answer for every reading ahead, so it is made only when asked for. */
const planFor = (job: Job): readonly PlannedReading[] => boardOrder(job, PLANNED);

/**
 * A job, what its maker will not read now, the controls whose next reading is wanted, and what is wanted: all, the beads of its row, the
 * order for the whole board, its files.
 */
export interface Question {
  readonly job: Job;
  readonly skip: Readonly<Record<string, readonly string[]>>;
  readonly studies: readonly StudyVerdict[];
  readonly asked: readonly string[];
  readonly of: 'job' | 'row' | 'board' | 'files';
}

/** What a worker answers to a question. */
export type Answered =
  | { readonly of: 'job'; readonly answer: Answer; readonly thread: readonly Bead[]; readonly guide: GuideStep }
  | { readonly of: 'row'; readonly beads: readonly RowBead[] }
  | { readonly of: 'board'; readonly plan: readonly PlannedReading[] }
  | { readonly of: 'files'; readonly files: readonly PackFile[] };

/** The answer to a question. A row wants eleven beads and no more: hundreds of whole answers would fill the memory. */
export function answered(
  { job, skip, studies, asked, of }: Question,
  tell?: (thread: readonly Bead[]) => void,
): Answered {
  switch (of) {
    case 'job': {
      const answer = answerFor(job, skip, studies, tell, asked);
      const thread = threadOf(answer.assessment.findings);
      return { of, answer, thread, guide: guideFor(job, thread) };
    }
    case 'row':
      return { of, beads: rowOf(threadOf(withStudies(job, studies).assessment.findings)) };
    case 'board':
      return { of, plan: planFor(job) };
    case 'files':
      return { of, files: filesOf(job, withStudies(job, studies).assessment) };
  }
}
