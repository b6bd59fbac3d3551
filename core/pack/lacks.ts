import type { PressFact } from '../facts';
import { stateSense, type Job } from '../job';

/** What the packed program does not do, and the plan has: said in the file, in Pack and on its bead. */
export function lacksOf(job: Job, presses: readonly PressFact[]): string[] {
  if (presses.length === 0) return [];
  const several = job.presses.length > 1;
  const of = (press: PressFact): string => (several ? `${press.name}: ` : '');
  const out = presses.flatMap((press): string[] => [
    ...(press.input === 'pulses' && !press.jerks
      ? [
          `${of(press)}the pulses that this way of pressing asks for: no press script makes them, so no program is packed`,
        ]
      : []),
    ...(press.outputs > 1 ? [`${of(press)}outputs 2 to ${press.outputs}: it drives the first alone`] : []),
    ...(press.sequence.length > 0
      ? [`${of(press)}the order of the outputs and the waits between them, the other direction included`]
      : []),
  ]);
  if (stateSense(job)) out.push('the contact in Sense: it presses without looking');
  const others = job.senses.filter((s) => s !== stateSense(job)).map((s) => s.name);
  if (others.length > 0) out.push(`what else is sensed: ${others.join(', ')}`);
  const hands = job.hands.filter((h) => h.kind !== 'arm').map((h) => h.name);
  if (hands.length > 0) out.push(`the hands at the controller: ${hands.join(', ')}`);
  if (job.signs.length > 0) out.push(`the signs: ${job.signs.map((s) => s.name).join(', ')}`);
  return out;
}
