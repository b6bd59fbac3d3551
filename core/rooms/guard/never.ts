import { neverLacks, neverSaid, sayNever, type Room, type Job } from '../../ground/job';
import { finding, type Finding } from '../../ground/finding';

/** Who or what holds the machine to “never”, in words: what its maker named, else the conditions that stand for it. */
function holders(job: Job): { readonly named: string; readonly conditions: string } {
  const whole = job.wish.nevers.filter((n) => neverLacks(n) === '');
  return { named: job.wish.heldBy.trim(), conditions: whole.map((n) => `never ${sayNever(job, n)}`).join('; ') };
}

/** What must never happen, and what holds the machine to it, as the room `room` shows it; empty where nothing was said. */
export function neverFinding(job: Job, room: Extract<Room, 'guard' | 'act'>, tried: boolean): Finding[] {
  const never = neverSaid(job.wish.never);
  if (never === '') return [];
  const { named, conditions } = holders(job);
  const told = (of: Pick<Finding, 'verdict' | 'caption' | 'title' | 'remedy'>): Finding[] => [
    finding(room, 'never', { ...of, source: ['maker'] }),
  ];
  if (named && tried)
    return told({
      verdict: 'settled',
      caption: '“never” was tried',
      title: `Never ${never}: held by ${named}, and tried in Try`,
      remedy: null,
    });
  if (named)
    return told({
      verdict: 'tight',
      caption: '“never” not tried',
      title: `Never ${never}: held by ${named}; nobody tried yet to bring it about`,
      remedy: { text: 'Try to bring it about, in Try.' },
    });
  if (conditions)
    return told({
      verdict: 'tight',
      caption: '“never” as a condition',
      title: `Never ${never}: Act holds runs against ${conditions}; whether that is all of it, only its maker knows`,
      remedy: { text: 'Say in Wish what else holds it, and try to bring it about, in Try.' },
    });
  return told({
    verdict: 'unknown',
    caption: '“never” held by nothing',
    title: `Never ${never}: held by nothing so far; no part of the plan checks it`,
    remedy: {
      text: 'Say in Wish what holds it: an arm switch, an end switch, a person who looks; or make a condition of it.',
    },
  });
}
