import { array, boolean, mixed, number, object, string, type AnySchema } from 'yup';

// Bounds keep a foreign file from growing without end; they are far above any honest job.
export const text = (max = 2000) => string().strict().defined().max(max);
export const name = () => text(200).min(1);
export const flag = () => boolean().strict().defined();
export const real = () =>
  number()
    .strict()
    .defined()
    .test('finite', '${path} must be a finite number', (v) => v === undefined || v === null || Number.isFinite(v));
export const seconds = () =>
  real()
    .min(0)
    .max(366 * 86400);
export const oneOf = <T extends string>(values: readonly T[]) =>
  string()
    .strict()
    .defined()
    .oneOf([...values]);
export const moment = () =>
  text(40).matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, '${path} must be a time such as 2026-03-02T14:05:00Z');
export const shape = <T extends Record<string, AnySchema>>(fields: T) => object(fields).strict().noUnknown().defined();
export const list = <T extends AnySchema>(of: T, max: number) => array().strict().of(of).defined().max(max);

/** A record with free keys and checked values, which Yup has no type for. */
export function record(test: (v: unknown) => boolean, what: string): AnySchema {
  return mixed()
    .defined()
    .meta({ record: what })
    .test(
      'record',
      `\${path} must map names to ${what}`,
      (v) =>
        typeof v === 'object' &&
        v !== null &&
        !Array.isArray(v) &&
        Object.keys(v).length <= 200 &&
        Object.values(v).every(test),
    );
}
export const isMoment = (v: unknown): boolean =>
  typeof v === 'string' && /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/.test(v);
export const isShortText = (v: unknown): boolean => typeof v === 'string' && v.length <= 40;
/** Three finite numbers that do not fall: lowest, usual, highest. */
export const isBounds = (v: unknown): boolean =>
  Array.isArray(v) &&
  v.length === 3 &&
  v.every((x) => typeof x === 'number' && Number.isFinite(x)) &&
  v[0] <= v[1] &&
  v[1] <= v[2];
