import type { PressFact } from '../facts';
import type { Job } from '../job';

/** What the packed program does not do, and the plan has: said in the file, in Pack and on its bead. */
export function lacksOf(job: Job, press: PressFact | null): string[] {
  if (!press) return [];
  const out: string[] = [];
  if (press.input === 'pulses' && !press.jerks)
    out.push('the pulses that this way of pressing asks for: no press script makes them, so no program is packed');
  if (press.outputs > 1) out.push(`outputs 2 to ${press.outputs}: it drives the first alone`);
  if (press.sequence.length > 0)
    out.push('the order of the outputs and the waits between them, the other direction included');
  if (job.sense.contact !== 'none') out.push('the contact in Sense: it presses without looking');
  return out;
}
