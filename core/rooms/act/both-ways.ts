import { finding, type Finding, type Verdict } from '../../ground/finding';
import type { Press } from '../../ground/job';
import { forbiddenStates, reversingWiring, type Forbidden } from '../../engines/reversing';

type Held = Forbidden['heldBy'] | 'one-winding' | 'one-horn';

const HELD: Readonly<Record<Held, { verdict: Verdict; words: string }>> = {
  wiring: { verdict: 'settled', words: 'the wiring of its contacts cannot bring it about' },
  electronics: { verdict: 'settled', words: 'the module’s own logic keeps it from happening, and no contact does' },
  software: {
    verdict: 'tight',
    words: 'only the program keeps its two contacts apart; one that sticks is held by nothing',
  },
  'one-winding': { verdict: 'settled', words: 'one winding carries its current one way at a time' },
  'one-horn': { verdict: 'settled', words: 'one horn stands on one of the two halves at a time' },
};

/** What keeps the two ways of one press apart. */
function heldBy(press: Press): { readonly by: Held; readonly despiteWeld: boolean } {
  if (press.way !== 'reverse-motor' && press.way !== 'control-box') return { by: 'one-horn', despiteWeld: true };
  const both = forbiddenStates(reversingWiring(press.motor, press.way)).find((f) => f.motion === 'both');
  return both ? { by: both.heldBy, despiteWeld: both.despiteWeld } : { by: 'one-winding', despiteWeld: true };
}

/**
 * Whether one press can go both ways at once, by what drives it: contacts against each other, one winding, or one horn.
 * @param press one that has another way.
 */
export function bothWaysFinding(press: Press, id: string, words: string): Finding {
  const { by, despiteWeld } = heldBy(press);
  const { verdict, words: why } = HELD[by];
  const welded =
    by === 'wiring' ? (despiteWeld ? ', not even with one of them welded' : '; one that is welded could') : '';
  return finding('act', id, {
    verdict: verdict === 'settled' && !despiteWeld ? 'tight' : verdict,
    title: `Never ${words}: ${why}${welded}`,
    caption: by === 'software' ? 'held by the program' : 'held by what drives it',
    source: ['terminal-numbers', 'break-before-make'],
    remedy:
      by === 'software' && press.way === 'control-box'
        ? {
            text: 'Feed the second contact through the first’s rest contact: then no program can do it.',
            label: 'Interlock by wiring',
            edit: {
              do: 'set',
              at: 'press.motor',
              of: press.id,
              set: { boxWiring: 'box-interlocked' },
              say: 'interlock by wiring',
            },
          }
        : null,
  });
}
