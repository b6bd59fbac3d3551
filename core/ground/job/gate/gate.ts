import { problemBy, problemOf, type AnyFields, type FieldProblem } from '../../field';
import { jobFields } from '../document/fields';
import { jobSchema } from '../document/schema';
import type { LoadProblem } from '../document/problem';
import { integrityProblem } from './integrity';
import { jsonSize } from './size';
import type { Job } from '../document/types';

const FIELDS = jobFields as unknown as AnyFields;

/**
 * Why a job is one that no file could hold, or null. The one gate for files and for edits.
 * @param before a job that was let through: its parts are not looked at again where they are the same.
 */
export function jobProblem(job: Job, before?: Job): LoadProblem | null {
  const wrong = before ? changedProblem(job, before) : problemBy(jobSchema, job);
  if (wrong)
    return {
      what: `A part of the job is not as it should be: ${wrong.path}: ${wrong.why}.`,
      where: `field "${wrong.path}"`,
      todo: before ? 'Give a value within its bounds.' : 'Mend that field in a text editor, or take another copy.',
    };
  return tooLargeToKeep(job) ?? integrityProblem(job, before);
}

/** Largest job file, in characters; a job with thousands of readings stays far below. */
export const JOB_TEXT_LIMIT = 20_000_000;

/** What could be kept and not be read again as a file is not taken. */
function tooLargeToKeep(job: Job): LoadProblem | null {
  const size = jsonSize(job);
  return size <= JOB_TEXT_LIMIT
    ? null
    : {
        what: `The job would take ${(size / 1e6).toFixed(1)} MB; a job file is at most ${JOB_TEXT_LIMIT / 1e6} MB.`,
        where: 'the whole job',
        todo: 'Save this job as a file, and begin another one for what comes now.',
      };
}

/** What changed since a job that was let through. */
function changedProblem(job: Job, before: Job): FieldProblem | null {
  for (const [key, field] of Object.entries(FIELDS)) {
    const [value, old] = [job[key as keyof Job], before[key as keyof Job]] as const;
    if (value === old) continue;
    const wrong =
      field.is === 'list' && Array.isArray(value)
        ? problemOfGrown(field, value, old as unknown as readonly unknown[], key)
        : problemOf(field, value, key);
    if (wrong) return wrong;
  }
  return null;
}

/** A long list of which a part is known to be right: only what is new is looked at, and that no key stands twice. */
function problemOfGrown(
  field: AnyFields[string] & { readonly is: 'list' },
  value: readonly unknown[],
  before: readonly unknown[],
  path: string,
): FieldProblem | null {
  const known = new Set(before);
  if (value.length > field.most) return { path, why: `must hold at most ${field.most}` };
  for (const [i, item] of value.entries()) {
    if (known.has(item)) continue;
    const inner = problemOf(field.of, item, `${path}[${i}]`);
    if (inner) return inner;
  }
  if (!field.key) return null;
  const keys = value.map((x) => (x as Record<string, unknown>)[field.key]);
  return new Set(keys).size === keys.length ? null : { path, why: 'must hold no key twice' };
}
