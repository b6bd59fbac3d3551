import { atLeast, chosen, derive, judged, type Finding, type Remedy } from '../../ground/finding';
import { WORST_BOUNCE_SECONDS } from './practice';

/**
 * Whether a contact is waited for until it has settled.
 * @param id how its findings begin
 * @param longer what to do where it bounces for longer
 * @param late of a hand, where it is felt to answer late
 */
export function debounceFinding(
  id: string,
  { name, debounceSeconds }: { readonly name: string; readonly debounceSeconds: number },
  longer: Remedy,
  late?: Remedy | null,
): Finding {
  const short = debounceSeconds < WORST_BOUNCE_SECONDS;
  return judged('board', `${id}.debounce`, {
    title: `${name}: it settles later than contacts bounce`,
    caption: 'debounce',
    steps: [
      derive('time in which it settles', 't_d', 't', 's', [
        chosen('t', `debounce of ${name}`, debounceSeconds, 's', 'set in Board', [0, 60]),
      ]),
    ],
    limit: atLeast(WORST_BOUNCE_SECONDS, 's', 'worst bounce of common switches', {
      from: 'source',
      key: 'relay-bounce',
    }),
    tightShare: 'met',
    ...(late && !short ? { verdict: 'tight' as const } : {}),
    source: late === undefined ? [] : ['hand-debounce'],
    remedy: short ? longer : (late ?? null),
  });
}
