import type { Job, Sense } from './types';

/** Whether the addition only listens: the wish says so, and nothing is planned that presses. */
export const onlyListens = (job: Pick<Job, 'wish' | 'presses'>): boolean =>
  job.wish.role === 'listens' && job.presses.length === 0;

/** Whether a program is written though nothing is pressed: it only listens, or it has no press and rules that call somebody. */
export const packsWithoutPress = (job: Pick<Job, 'wish' | 'presses' | 'senses' | 'routine'>): boolean =>
  onlyListens(job) ||
  (job.presses.length === 0 && job.senses.length > 0 && job.routine.sentences.some((s) => s.does === 'call'));

/**
 * How far the wires of a sense go: nowhere near the machine's circuit, into it, into it over an optocoupler; `guessed` for a bare contact,
 * which is bought as one and may be the machine's own; `unsaid` where they may go into it and nobody said.
 */
export type SenseReach = 'apart' | 'guessed' | 'unsaid' | 'coupled' | 'joined';
const SAID: Readonly<Record<Exclude<Sense['touches'], 'unknown'>, SenseReach>> = {
  own: 'apart',
  module: 'apart',
  coupled: 'coupled',
  machine: 'joined',
};
/**
 * Whether what a sense tells comes by message: a message does, and the watts of a meter of its own, whatever was said before it was one.
 */
export const comesByMessage = ({ kind, touches }: Pick<Sense, 'kind' | 'touches'>): boolean =>
  kind === 'message' || (kind === 'watts' && (touches === 'unknown' || touches === 'own'));

/** How far the wires of a sense go. */
export function reachOf({ kind, touches, highVolts }: Pick<Sense, 'kind' | 'touches' | 'highVolts'>): SenseReach {
  // A message comes without a wire, whatever was said before it was one.
  if (comesByMessage({ kind, touches })) return 'apart';
  if (touches !== 'unknown') return SAID[touches];
  if (highVolts !== null) return 'unsaid';
  if (kind === 'light' || kind === 'temperature') return 'apart';
  return kind === 'contact' ? 'guessed' : 'unsaid';
}

/** Whether a sense is read by the bought module itself: it has no wire, and no pin of the job's. */
export const isOfModule = (s: Pick<Sense, 'touches' | 'kind'>): boolean =>
  s.touches === 'module' && s.kind !== 'message';
