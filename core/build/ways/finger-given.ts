import type { Remedy } from '../../ground/finding';
import type { FingerPlan } from '../../ground/job';
import type { GivenFinger } from '../../engines/mechanics';
import type { WayContext } from './context';
import { planOrigin } from './ratings';

export const givenBy =
  (c: WayContext): GivenFinger =>
  (key) =>
    planOrigin(c, `finger.${key}`);

export const setPlan = (c: WayContext, set: Partial<FingerPlan>, label: string, text: string): Remedy => ({
  text,
  label,
  edit: { do: 'set', at: 'press.finger', of: c.press.id, set, say: label.toLowerCase() },
});
