import { reopenedBy, type GateGround, type Job, type JobEdit } from '../../ground/job';

/** What a gate rests on, by its step: what changes there reopens it. Steps that are named by what they are of begin so. */
const RESTS: readonly (readonly [step: RegExp, rests: readonly GateGround[]])[] = [
  [/^(mains-|not-isolated$|high-voltage$|dead-|module-closed$|isolate-cells$)/, ['mains']],
  [/^(conductors|suppressor|restart)$/, ['loads']],
  [/^heat-/, ['loads', 'machine', 'program']],
  [/^(door-|pinch$)/, ['machine', 'program']],
  [/^(medical|pressure|gas|water|lithium|lithium-deep|own-devices)$/, ['machine']],
  [/^(ground-shift|programming-mains)$/, ['mains', 'wires']],
  [/^lead-apart$/, ['wires']],
  [/^own-supply\./, ['loads']],
  [/^press-(again|hung-tried)$/, ['machine', 'program', 'wires']],
  [/^watchdog$/, ['program', 'wires']],
  [/^own\./, ['own']],
];
/** A step that is in none of these rests on all of it. */
const ALL: readonly GateGround[] = ['mains', 'loads', 'machine', 'program', 'wires', 'own'];

/** What a gate rests on. */
const restsOf = (step: string): GateGround[] => [...(RESTS.find(([of]) => of.test(step))?.[1] ?? ALL)];

/** The edit that closes a gate, with what it rests on. @param how who closes it, and on which reading. */
export const tickEdit = (
  step: string,
  title: string,
  on = true,
  how: { readonly by?: string; readonly reading?: string } = {},
): JobEdit => ({ do: 'tick', step, title, on, ...(on ? { ...how, rests: restsOf(step) } : {}) });

const WORDS: Readonly<Record<GateGround, string>> = {
  mains: 'what keeps mains apart',
  loads: 'what is switched',
  machine: 'the machine as it was told',
  program: 'moves, rules or hands',
  wires: 'how it is wired',
  own: 'what was added by hand',
};

/** Why a gate is open again, in words; empty where nothing that it rests on has changed. */
export function reopenedWords(job: Job, step: string): string {
  const changed = reopenedBy(job, step);
  if (changed.length === 0) return '';
  const since = (job.guard.ticks[step] ?? '').slice(0, 10);
  return `open again: since ${since} ${changed.map((g) => WORDS[g]).join(', and ')} changed`;
}
