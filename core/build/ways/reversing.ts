import type { JobEdit } from '../../ground/job';
import { finding, type Finding, type Verdict } from '../../ground/finding';
import { forbiddenStates, type Forbidden, type ReversingWiring } from '../../engines/reversing';

const STATE = { short: 'The supply shorted by contacts', both: 'Up and down driven together' } as const;
const HELD: Record<Forbidden['heldBy'], { verdict: Verdict; words: string }> = {
  wiring: { verdict: 'settled', words: 'is impossible by wiring, in every state of the coils and while contacts move' },
  electronics: { verdict: 'settled', words: 'is kept from happening by the module’s own logic and by no contact' },
  software: { verdict: 'tight', words: 'rests on software alone' },
};

/** For each state that must never be, what keeps it from being, as findings. */
export function forbiddenFindings(
  way: 'reverse-motor' | 'control-box',
  wiring: ReversingWiring,
  label: string,
  edit: JobEdit | null,
): Finding[] {
  return forbiddenStates(wiring).map((f) => {
    const held = HELD[f.heldBy];
    const weld = f.despiteWeld ? 'not even with one contact welded' : `one welded contact could still bring it about`;
    const states = f.states.length
      ? `; the coils reach it at ${f.states
          .map((s) =>
            Object.entries(s.on)
              .map(([k, on]) => `${k} ${on ? 'on' : 'off'}`)
              .join(', '),
          )
          .join(' and at ')}`
      : '';
    return finding('thumb', `${way}.never-${f.motion}`, {
      verdict: held.verdict,
      title: `${STATE[f.motion]} ${held.words}${f.heldBy === 'wiring' ? `, ${weld}` : states}`,
      caption: f.heldBy === 'software' ? 'rests on software' : `no ${f.motion === 'both' ? 'up with down' : 'short'}`,
      source: ['terminal-numbers', 'break-before-make'],
      remedy:
        f.heldBy === 'software' && edit
          ? {
              text: 'Feed the second contact through the first’s rest contact: then no program can do it.',
              label,
              edit,
            }
          : null,
    });
  });
}
