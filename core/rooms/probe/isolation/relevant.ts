import { likeOf, type Job, type Point, type Reading } from '../../../ground/job';

const isPin = (p: Point): boolean =>
  p.kind === 'live' || p.kind === 'neutral' || p.kind === 'mains' || p.kind === 'earth';

/** Readings that tell of the tie to mains and earth, not of the control itself. */
export const isIsolationReading = (r: Pick<Reading, 'from' | 'to'>): boolean => isPin(r.from) || isPin(r.to);

/**
 * Readings of one control that count: not withdrawn, its own or of the machine's ground and supplies. What was read of another one never
 * speaks of the tie of this one to mains, whatever it is taken to be like.
 */
export function readingsOf(job: Job, control: string): Reading[] {
  return job.readings.filter((r) => !r.struck && (r.control === control || r.control === ''));
}

/** Settings that are read to mains pins alone. */
const ISOLATION_KINDS: readonly Reading['kind'][] = ['insulation', 'diode', 'battery'];

const AB = /^[AB]$/;
const modelled = (p: Point): boolean => p.kind !== 'contact' || AB.test(p.name);

/**
 * Readings of a control itself that speak about how it is built. Earth readings tell of stray fields more than of the control; a third
 * terminal is kept but not modelled.
 */
export const ownReadings = (job: Job, control: string): Reading[] =>
  job.readings.filter(
    (r) =>
      !r.struck &&
      r.control === control &&
      !ISOLATION_KINDS.includes(r.kind) &&
      r.from.kind !== 'earth' &&
      r.to.kind !== 'earth' &&
      modelled(r.from) &&
      modelled(r.to),
  );

/** Whose readings speak of a control: its own, and those of the one that it is taken to be like until as many were read of itself. */
function speak(job: Job, control: string): ReadonlySet<string> {
  const root = likeOf(job, control);
  if (root === control || ownReadings(job, control).length >= ownReadings(job, root).length) return new Set([control]);
  return new Set([control, root]);
}

/** Those that speak about how a control is built, with those of the one that it is taken to be like. */
export function kindReadings(job: Job, control: string): Reading[] {
  return [...speak(job, control)].flatMap((of) => ownReadings(job, of));
}
