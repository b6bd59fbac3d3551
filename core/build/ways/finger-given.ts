import type { Remedy } from '../../ground/finding';
import type { FingerPlan } from '../../ground/job';
import type { GivenFinger } from '../../engines/mechanics';
import type { WayContext } from './context';
import { planOrigin } from './ratings';

/** Where a value of the finger’s plan came from. */
export const givenBy =
  (c: WayContext): GivenFinger =>
  (key) =>
    planOrigin(c, `finger.${key}`);

/** The remedy that sets values of the finger’s plan. */
export const setPlan = (c: WayContext, set: Partial<FingerPlan>, label: string, text: string): Remedy => ({
  text,
  label,
  edit: { do: 'set', at: 'press.finger', of: c.press.id, set, say: label.toLowerCase() },
});
