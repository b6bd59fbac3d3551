import type { PressFact } from '../facts';
import type { Verdict } from '../finding';
import type { Job } from '../job';
import { judgePin, profileOf } from './findings';
import type { Pin, Profile } from './profile';

/** A pin that can be given to something, and how the press would fare on it. */
export interface PinRow {
  readonly pin: Pin;
  readonly verdict: Verdict;
}

/** The pins of the job's controller that can do anything, each judged for the press; unknown while no press is planned. */
export function pinRows(job: Job, press: PressFact | null): readonly PinRow[] {
  const profile = profileOf(job);
  return (profile?.pins ?? [])
    .filter((pin) => pin.can.length > 0)
    .map((pin) => ({
      pin,
      verdict: press && profile ? judgePin(pin, job, press, profile).verdict : 'unknown',
    }));
}

/** Pins that the controller keeps for itself. */
export const takenByBoard = (profile: Profile | undefined): readonly number[] =>
  (profile?.pins ?? []).filter((p) => p.can.length === 0).map((p) => p.gpio);
