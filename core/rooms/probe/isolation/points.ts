import type { Point, Reading } from '../../../ground/job';

/** Whether two places of a tip are one. */
export const same = (p: Point, q: Point): boolean => p.kind === q.kind && p.name === q.name;
/** Whether two readings are taken between the same places with the tips exchanged. */
export const exchanged = (r: Reading, q: Reading): boolean => same(r.from, q.to) && same(r.to, q.from);
/** Whether a reading is taken between two places, whichever way round. */
export const joins = (r: Reading, p: Point, q: Point): boolean =>
  (same(r.from, p) && same(r.to, q)) || (same(r.from, q) && same(r.to, p));
