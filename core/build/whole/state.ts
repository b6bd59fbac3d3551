import type { Facts } from '../../ground/facts';
import type { Job } from '../../ground/job';

/** How everything stands while a circuit is looked at. */
export interface State {
  readonly id: string;
  /** As `at rest`, `lid pressed`. */
  readonly words: string;
  readonly pressed: ReadonlySet<string>;
  /** Whether signs are on. */
  readonly signs: boolean;
  /** Whether every hand at the controller is held. */
  readonly hands: boolean;
  /** Whether the controller and the machine have power. */
  readonly board: boolean;
  readonly machine: boolean;
}

const NONE: ReadonlySet<string> = new Set();
const REST: State = {
  id: 'rest',
  words: 'at rest',
  pressed: NONE,
  signs: false,
  hands: false,
  board: true,
  machine: true,
};

/** At rest, each press by itself, the groups that move together, all hands held, all signs on, and either side without power. */
export function statesOf(job: Job, facts: Facts): readonly State[] {
  const name = (id: string): string => facts.presses.find((p) => p.id === id)?.name ?? id;
  return [
    REST,
    ...facts.presses.map((p): State => ({
      ...REST,
      id: `press ${p.id}`,
      words: `${name(p.id)} pressed`,
      pressed: new Set([p.id]),
    })),
    ...job.feed.groups
      .filter((g) => g.presses.length > 1)
      .map((g): State => ({
        ...REST,
        id: `group ${g.id}`,
        words: `${g.name}: all at once`,
        pressed: new Set(g.presses),
      })),
    ...(job.hands.some((h) => h.kind !== 'command')
      ? [{ ...REST, id: 'hands', words: 'every hand held', hands: true }]
      : []),
    ...(job.signs.length > 0 ? [{ ...REST, id: 'signs', words: 'all signs on', signs: true }] : []),
    { ...REST, id: 'board-dead', words: 'the controller without power', board: false },
    { ...REST, id: 'machine-dead', words: 'the machine without power', machine: false },
  ];
}
