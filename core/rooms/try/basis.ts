import type { AnyField, AnyFields } from '../../ground/field';
import { jobFields, type Job, type Trial } from '../../ground/job';
import { hashOf } from '../../ground/quantity';

/** Keys begin so since they are of the whole job; those of earlier programs were of less. */
const WHOLE = 'whole-';

const known = new WeakMap<Job, string>();

/**
 * A key of everything that a trial may rest on: the whole job but for those fields that say of themselves that they cannot matter. A change
 * of any other voids what was tried. What holds its field's first value is left out, so that a field which a later version only adds
 * voids nothing.
 */
export function basisOf(job: Job): string {
  let basis = known.get(job);
  if (basis === undefined)
    known.set(job, (basis = WHOLE + hashOf(JSON.stringify(whatMatters(jobFields as unknown as AnyFields, job)))));
  return basis;
}

const whatMatters = (fields: AnyFields, of: object): unknown =>
  Object.entries(fields).flatMap(([key, field]) =>
    field.untried || isUsual(field, (of as Readonly<Record<string, unknown>>)[key])
      ? []
      : [[key, matter(field, (of as Readonly<Record<string, unknown>>)[key])]],
  );

/** Whether a field holds what it begins with; a group may hold that and more, and is looked into. */
const isUsual = (field: AnyField, value: unknown): boolean =>
  value === field.usual ||
  (Array.isArray(value) && value.length === 0 && Array.isArray(field.usual) && field.usual.length === 0);

function matter(field: AnyField, value: unknown): unknown {
  switch (field.is) {
    case 'list':
      return (value as readonly unknown[]).map((item) => matter(field.of, item));
    case 'group':
      return value === null ? null : whatMatters(field.fields, value as object);
    case 'record':
      return Object.entries(value as object)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([key, item]) => [key, matter(field.of, item)]);
    default:
      return value;
  }
}

/** Whether a trial still speaks of the job as it stands. A key of an earlier program held less than everything, and proves nothing. */
export const stillCounts = (job: Job, trial: Trial): boolean => trial.basis === basisOf(job);
