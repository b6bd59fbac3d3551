import { type Room, type Job } from '../../ground/job';
import { finding, type Finding } from '../../ground/finding';

/** What must never happen, and what holds the machine to it, as the room `room` shows it; empty where nothing was said. */
export function neverFinding(job: Job, room: Extract<Room, 'guard' | 'act'>, tried: boolean): Finding[] {
  const { never, heldBy } = job.wish;
  if (!never.trim()) return [];
  const by = heldBy.trim();
  return [
    finding(room, 'never', {
      verdict: by ? (tried ? 'settled' : 'tight') : 'unknown',
      caption: by ? (tried ? '“never” was tried' : '“never” not tried') : '“never” held by nothing',
      source: ['maker'],
      title: by
        ? `Never ${never}: held by ${by}${tried ? ', and tried in Try' : '; nobody tried yet to bring it about'}`
        : `Never ${never}: held by nothing so far; no part of the plan checks it`,
      remedy: by
        ? tried
          ? null
          : { text: 'Try to bring it about, in Try.' }
        : { text: 'Say in Wish what holds it: an arm switch, an end switch, a person who looks.' },
    }),
  ];
}
