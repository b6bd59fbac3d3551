import { freshSurvey } from './fresh-survey';
import { freshThumb } from './fresh-thumb';
import { JOB_VERSION, WAY_WISHES, type WayWish } from './types';

/** Turns a document of one version into one of the next. Pure; never drops what it does not know how to carry. */
export type Migration = (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;

/** The wishes of version 2, in the order as shipped. */
const SECOND_WISHES: readonly WayWish[] = ['isolated', 'silent', 'any-polarity', 'few-parts', 'small', 'cheap', 'reversible', 'moisture-proof', 'sure-contact'];

/** Version 2 brought readings without a number, what Probe records beside readings, and the order of wishes for a way of pressing. */
const toSecond: Migration = (d) => ({
  ...d,
  readings: Array.isArray(d['readings']) ? d['readings'].map((r: unknown) => (typeof r === 'object' && r !== null ? { ...r, said: '' } : r)) : d['readings'],
  survey: freshSurvey(),
  thumb: typeof d['thumb'] === 'object' && d['thumb'] !== null ? { ...d['thumb'], wishes: [...SECOND_WISHES] } : d['thumb'],
});

/** Version 3 brought part libraries, the plans of the other ways of pressing, and two more wishes; the relay's contact became a part that is picked. */
const toThird: Migration = (d) => {
  const before = d['thumb'];
  if (typeof before !== 'object' || before === null) return { ...d };
  const { relayContact, ...kept } = before as Record<string, unknown>;
  const wishes = Array.isArray(kept['wishes']) ? [...kept['wishes'], ...WAY_WISHES.filter((w) => !(kept['wishes'] as unknown[]).includes(w))] : kept['wishes'];
  return { ...d, thumb: { ...freshThumb(), ...kept, wishes, picks: relayContact === 'signal' ? { relay: 'relay-signal' } : {} } };
};

/** Keyed by the version they start from. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = { 1: toSecond, 2: toThird };

/**
 * Brings a document up to the current version, one step at a time.
 * Throws RangeError where a step is missing.
 */
export function migrate(
  document: Readonly<Record<string, unknown>>,
  steps: Readonly<Record<number, Migration>> = MIGRATIONS,
  target: number = JOB_VERSION,
): Record<string, unknown> {
  let current: Record<string, unknown> = { ...document };
  while (current['version'] !== target) {
    const from = current['version'] as number;
    const step = steps[from];
    if (!step) throw new RangeError(`no way is known from version ${from} to ${from + 1}`);
    current = { ...step(current), version: from + 1 };
  }
  return current;
}
