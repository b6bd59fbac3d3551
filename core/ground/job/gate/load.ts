import { lastItem } from '../../lists';
import { migrate } from './migrate';
import type { LoadProblem } from '../document/problem';
import { JOB_TEXT_LIMIT, jobProblem } from './gate';
import { JOB_FORMAT, JOB_VERSION, type Job } from '../document/types';

/** A job that was read, or why it was refused. */
export type Loaded = { ok: true; job: Job } | { ok: false; problem: LoadProblem };

const no = (what: string, where: string, todo: string): Loaded => ({ ok: false, problem: { what, where, todo } });

/** The place of a JSON error as line and column, from the engine's message where it tells a position. */
function placeOf(text: string, error: unknown): string {
  const position = /position (\d+)/.exec(String(error))?.[1];
  if (position === undefined) return text.trim() ? 'at its end' : 'it is empty';
  const before = text.slice(0, Number(position)).split('\n');
  return `line ${before.length}, column ${lastItem(before).length + 1}`;
}

/** Reads a job from a file's text. Never throws; every refusal says where and what to do. */
export function loadJob(text: string): Loaded {
  if (text.length > JOB_TEXT_LIMIT) return tooLarge(text.length);
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    return no(
      'This file is not complete JSON.',
      placeOf(text, error),
      'Take another copy of the file; job files end in .job.json.',
    );
  }
  return checkJob(document);
}

/** The refusal of a file above the limit; `size` in bytes or characters. */
export function tooLarge(size: number): Loaded {
  return no(
    `This file is ${Math.round(size / 1e6)} MB; a job file is at most ${JOB_TEXT_LIMIT / 1e6} MB.`,
    'the whole file',
    'Pick the job file itself, whose name ends in .job.json.',
  );
}

/** Checks a parsed document, migrating it from an older version first. Never throws. */
export function checkJob(document: unknown): Loaded {
  if (typeof document !== 'object' || document === null || (document as { format?: unknown }).format !== JOB_FORMAT) {
    return no('This is not a Gentle Thumb job.', 'field "format"', 'Pick a file that was saved by "job file" in Pack.');
  }
  const version = (document as { version?: unknown }).version;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return no('The file does not say which version it has.', 'field "version"', 'Take another copy of the file.');
  }
  if (version > JOB_VERSION) {
    return no(
      `The file has version ${version}; this program reads up to version ${JOB_VERSION}.`,
      'field "version"',
      'Open it with a newer Gentle Thumb; the file was not changed.',
    );
  }
  let job: Job;
  try {
    job = migrate(document as Record<string, unknown>) as unknown as Job;
  } catch (error) {
    return no(
      error instanceof Error ? error.message : String(error),
      'the whole file',
      'Take another copy of the file.',
    );
  }
  const problem = jobProblem(job);
  return problem ? { ok: false, problem } : { ok: true, job };
}

/** The job as the text of a file, in lines where that is not too long; `loadJob` of it gives an equal job. */
export function jobText(job: Job): string {
  const inLines = `${JSON.stringify(job, null, 2)}\n`;
  return inLines.length <= JOB_TEXT_LIMIT ? inLines : JSON.stringify(job);
}
