import type { Facts, PressFact } from '../../ground/facts';
import type { Job } from '../../ground/job';
import { feedsTogether } from '../programming-lead';

/** How everything stands while a circuit is looked at. */
export interface State {
  readonly id: string;
  /** As `at rest`, `lid pressed`. */
  readonly words: string;
  readonly pressed: ReadonlySet<string>;
  /** Presses whose motor is blocked, as each is for a moment while it starts. */
  readonly stalled: ReadonlySet<string>;
  /** Presses whose coil is let go at this instant: what flowed in it flows on. */
  readonly released: ReadonlySet<string>;
  /** Whether signs are on. */
  readonly signs: boolean;
  /** Whether every hand at the controller is held. */
  readonly hands: boolean;
  /** Whether the supplies of the addition and the machine have power. */
  readonly board: boolean;
  readonly machine: boolean;
  /** Whether the programming lead is in the controller’s socket. */
  readonly lead: boolean;
}

const NONE: ReadonlySet<string> = new Set();
const REST: State = {
  id: 'rest',
  words: 'at rest',
  pressed: NONE,
  stalled: NONE,
  released: NONE,
  signs: false,
  hands: false,
  board: true,
  machine: true,
  lead: false,
};

/** States in which the programming lead feeds the controller. */
export const LEAD_BESIDE = 'lead-beside';
export const LEAD_ALONE = 'lead-alone';

/** Whether a press drives a bare coil: that of its relay, those that turn its motor round, or the changeover of its signal. */
function hasCoil(job: Job, press: PressFact): boolean {
  const plan = job.presses.find((p) => p.id === press.id);
  switch (press.way) {
    case 'relay-contact':
    case 'switched-supply':
      return true;
    case 'reverse-motor':
      return plan?.motor.wiring !== 'bridge';
    case 'drive-signal':
      return plan?.signal.knob === 'changeover';
    default:
      return false;
  }
}

/** Ways whose pins drive lines of the machine itself, which they go on doing while it has no power. */
const INTO_MACHINE: readonly PressFact['way'][] = [
  'analogue-switch',
  'logic-injector',
  'strobe-answer',
  'drive-signal',
];

/**
 * At rest, each press by itself, motors as they start, coils as they are let go, the groups that move together, all hands held, all signs
 * on, either side without power, and the programming lead in the socket, beside the supply and by itself.
 */
export function statesOf(job: Job, facts: Facts): readonly State[] {
  const into = facts.presses.filter((p) => INTO_MACHINE.includes(p.way)).map((p) => p.id);
  const name = (id: string): string => facts.presses.find((p) => p.id === id)?.name ?? id;
  return [
    REST,
    ...facts.presses.map((p): State => ({
      ...REST,
      id: `press ${p.id}`,
      words: `${name(p.id)} pressed`,
      pressed: new Set([p.id]),
    })),
    ...facts.presses
      .filter((p) => p.way === 'reverse-motor' || p.way === 'hand-mechanism')
      .map((p): State => ({
        ...REST,
        id: `stalled ${p.id}`,
        words: `${name(p.id)}: its motor starts or is blocked`,
        pressed: new Set([p.id]),
        stalled: new Set([p.id]),
      })),
    ...facts.presses
      .filter((p) => hasCoil(job, p))
      .map((p): State => ({
        ...REST,
        id: `release ${p.id}`,
        words: `${name(p.id)} is let go, and its coil with it`,
        released: new Set([p.id]),
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
    ...(facts.drive && feedsTogether(job, facts.drive)
      ? [
          { ...REST, id: LEAD_BESIDE, words: 'the programming lead in beside the supply', lead: true },
          { ...REST, id: LEAD_ALONE, words: 'the programming lead in and the supply off', lead: true, board: false },
        ]
      : []),
    ...(into.length > 0
      ? [
          {
            ...REST,
            id: 'machine-dead-pressed',
            words: 'pressed while the machine has no power',
            machine: false,
            pressed: new Set(into),
          },
        ]
      : []),
  ];
}
