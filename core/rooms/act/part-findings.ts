import { finding, type Finding } from '../../ground/finding';
import type { MachinePart } from '../../ground/job';
import { HELD_KINDS, lacksOfPart, RUNS, tableOf } from './machine';

/** What cannot be of a part: behaviours that exclude each other, a run of no time, a machine that never comes to rest. */
export function partFindings(p: MachinePart): Finding[] {
  const at = (what: string): string => `part.${p.id}.${what}`;
  const lacks = lacksOfPart(p);
  if (lacks)
    return [
      finding('act', at('lacks'), {
        verdict: 'unknown',
        title: `${p.name}: ${lacks} is not said, so it is left out of the runs`,
        caption: `${p.name} not whole`,
        remedy: { text: 'Say it under “The machine”.' },
      }),
    ];
  const clash = clashOf(p);
  const out: Finding[] = [];
  if (clash)
    out.push(
      finding('act', at('clash'), {
        verdict: 'stop',
        title: `${p.name}: ${clash}`,
        caption: 'behaviours exclude each other',
        source: ['maker'],
        remedy: { text: 'Untick one of the two under “The machine”.' },
      }),
    );
  if (RUNS.includes(p.kind as never) && p.runSeconds === 0)
    out.push(
      finding('act', at('no-time'), {
        verdict: 'stop',
        title: `${p.name} runs or travels for no time at all`,
        caption: 'no time',
        source: ['maker'],
        remedy: { text: 'Time it with a watch and say how long it takes.' },
      }),
    );
  const restless = neverRests(p);
  if (restless)
    out.push(
      finding('act', at('restless'), {
        verdict: 'stop',
        title: `${p.name} can never rest again from “${restless}”: its states follow each other for ever`,
        caption: 'never rests',
        source: ['maker'],
        remedy: { text: 'Let one of these states last, in the state table.' },
      }),
    );
  return out;
}

/** Two behaviours of which one takes the ground from the other; empty where there are none. */
function clashOf(p: MachinePart): string {
  const held = HELD_KINDS.includes(p.kind as never);
  if (held && p.longPress !== 'same') return 'it acts while it is held, so a long press cannot mean something else';
  if (held && p.firstPressWakes)
    return 'it acts while it is held, so a first press that only wakes it is never let go of in time';
  if (held && p.deafWhileBusy) return 'it acts while it is held, so it cannot overlook the press that it moves by';
  if (p.kind === 'starts-and-stops-itself' && p.timerSeconds !== null)
    return 'it stops by itself after its run, so a timer beside it says a second time when';
  if (p.kind === 'open-stop-close-stop' && p.deafWhileBusy)
    return 'a press stops it on its way, so it cannot overlook presses while it moves';
  return '';
}

/** A state from which the part goes on by itself for ever; empty where it always comes to one that lasts. */
function neverRests(p: MachinePart): string {
  const { states } = tableOf(p);
  const byKey = new Map(states.map((s) => [s.key, s]));
  for (const s of states) {
    const seen = new Set<string>();
    for (let at = s; ;) {
      if (seen.has(at.key)) return s.key;
      seen.add(at.key);
      const next = at.after ? at.after.then : at.atEnd;
      const to = next === null ? undefined : byKey.get(next);
      if (!to) break;
      at = to;
    }
  }
  return '';
}
