import type { Verdict } from '../../ground/finding';
import type { BoardPin, Job } from '../../ground/job';
import type { Line } from '../../build/lines';
import { pinFit } from './fit';
import { profileOf } from './profile';

/** A pin of the job's controller with what lies on it, and how one line would fare there. */
export interface PinRow {
  readonly pin: BoardPin;
  readonly verdict: Verdict;
  readonly title: string;
  /** Lines that lie on it. */
  readonly used: readonly Line[];
  readonly fixed: boolean;
}

/** The pins that can do anything, each judged for one line; unknown while there is none. */
export function pinRows(job: Job, lines: readonly Line[], line: Line | null): readonly PinRow[] {
  const profile = profileOf(job);
  if (!profile) return [];
  return profile.pins
    .filter((pin) => pin.can.length > 0)
    .map((pin) => {
      const fit = line ? pinFit(line, pin, job, profile) : null;
      const here = job.board.pins.filter((p) => p.gpio === pin.gpio);
      return {
        pin,
        verdict: fit?.verdict ?? 'unknown',
        title: fit?.title ?? `${pin.label}: ${pin.nature}`,
        used: lines.filter((l) => here.some((p) => p.line === l.id)),
        fixed: here.some((p) => p.fixed),
      };
    });
}

/** Pins that the controller keeps for itself, by their labels. */
export const takenByBoard = (job: Job): readonly string[] =>
  (profileOf(job)?.pins ?? []).filter((p) => p.can.length === 0).map((p) => String(p.gpio));
