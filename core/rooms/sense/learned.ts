import type { Job, JobEdit, JobRecording, Looked, Sense } from '../../ground/job';
import { formatQuantity, type Unit } from '../../ground/quantity';
import { SENSES } from '../../build/lines';
import { recordedOf, HOLD_MARGIN, proposedHold } from './evidence';

/** Recordings that a sense learns from, or is tried on. */
export const recordingsOf = (job: Pick<Job, 'recordings'>, sense: string): readonly JobRecording[] =>
  job.recordings.filter((r) => r.sense === sense);

/** Senses that can learn from a recording: those that read what it is of. */
export const learnersOf = (job: Pick<Job, 'senses'>, r: Pick<JobRecording, 'kind'>): readonly Sense[] =>
  job.senses.filter((s) => SENSES[s.kind].number?.kind === r.kind);

/**
 * The edit that gives a sense its threshold, and each of its recordings what was found with it: one step, one undo.
 * @param found what each recording shows with this threshold, by id.
 * @param hold s; the one that the recordings ask for where it is left out, half as long again as the longest rest where they are too short.
 */
export function thresholdEdit(
  job: Job,
  sense: Sense,
  band: { readonly over: number; readonly under: number },
  found: ReadonlyMap<string, Looked>,
  hold?: number,
): JobEdit {
  const recordings = recordingsOf(job, sense.id).map((r) => ({ ...r, looked: found.get(r.id) ?? r.looked }));
  const limit = { over: band.over, under: band.under, holdSeconds: hold ?? sense.limit?.holdSeconds ?? 0 };
  const { learned, kept } = recordedOf({ recordings }, { id: sense.id, kind: sense.kind, limit });
  if (hold === undefined) {
    const longest = Math.max(0, ...[...learned, ...kept].map((r) => r.looked.restSeconds));
    limit.holdSeconds = proposedHold(learned, kept) ?? Math.ceil(HOLD_MARGIN * longest);
  }
  const unit: Unit = SENSES[sense.kind].number?.unit ?? '1';
  const say =
    `${sense.name}: over ${formatQuantity(limit.over, unit)}, under ${formatQuantity(limit.under, unit)} ` +
    `for ${formatQuantity(limit.holdSeconds, 's')}, from ${learned.length} ${learned.length === 1 ? 'recording' : 'recordings'}`;
  return {
    do: 'several',
    edits: [
      { do: 'put', list: 'senses', item: { ...sense, limit } },
      ...recordings.filter((r) => found.has(r.id)).map((item): JobEdit => ({ do: 'put', list: 'recordings', item })),
    ],
    say,
  };
}
