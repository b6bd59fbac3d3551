import type { Job, MachinePart } from '../../ground/job';
import { hasOther } from '../../engines/reversing';
import { ROLES_OF } from './machine';

/** A machine as makers meet it: what it does, in words, without any time. Times are read at the machine. */
export interface ReadyMachine {
  readonly key: string;
  readonly words: string;
  readonly set: Partial<MachinePart>;
}

/** Behaviours that were not said, as they are put back before a ready machine is taken. */
const PLAIN: Partial<MachinePart> = {
  heeds: [],
  modes: [],
  asks: [],
  afterPowerCut: 'off',
  firstPressWakes: false,
  longPress: 'same',
  timerSeconds: null,
  deafWhileBusy: false,
  whenBlocked: 'goes-on',
  cells: [],
};

/** Machines that come ready to be taken. */
export const READY_MACHINES: readonly ReadyMachine[] = [
  { key: 'cooker', words: 'a cooker that stops by itself', set: { kind: 'starts-and-stops-itself' } },
  { key: 'sleeper', words: 'a dehumidifier that must be woken first', set: { kind: 'flips', firstPressWakes: true } },
  { key: 'gate', words: 'a gate with one button', set: { kind: 'open-stop-close-stop', whenBlocked: 'goes-back' } },
  { key: 'door', words: 'a door with open and close', set: { kind: 'opens-and-closes', whenBlocked: 'goes-back' } },
  { key: 'shutter', words: 'a shutter on a motor', set: { kind: 'travels-while-held', whenBlocked: 'stops' } },
  { key: 'fan', words: 'a fan that steps through its speeds', set: { kind: 'steps', modes: ['off', 'low', 'high'] } },
  { key: 'rocker', words: 'a rocker that stays as it was', set: { kind: 'on-and-off', afterPowerCut: 'as-before' } },
  { key: 'valve', words: 'a valve that is open while it is held', set: { kind: 'while-held' } },
  { key: 'heater', words: 'a heater with on and off', set: { kind: 'on-and-off' } },
  { key: 'keypad', words: 'a keypad that asks for keys in turn', set: { kind: 'in-turn' } },
  {
    key: 'asker',
    words: 'a machine that asks for its lid, then for water',
    set: {
      kind: 'in-turn',
      asks: [
        { after: 1, word: 'lid', by: 'hand', seconds: null },
        { after: 1, word: 'water', by: 'hand', seconds: null },
      ],
    },
  },
];

/** A part as a ready machine, its times as they were; where it has several roles the presses of the job take them in their order. */
export function asReady(job: Job, part: MachinePart, ready: ReadyMachine): MachinePart {
  const kind = ready.set.kind ?? part.kind;
  const roles = kind === 'unknown' ? [] : kind === 'in-turn' ? job.presses.map(() => 'press' as const) : ROLES_OF[kind];
  // The other direction of a motor takes a role of its own.
  const sides = job.presses.flatMap((p) =>
    (hasOther(p) ? [false, true] : [false]).map((other) => ({ press: p.id, other })),
  );
  const heeds =
    roles.length > 1
      ? roles.flatMap((as, i) => (sides[i] ? [{ ...sides[i], as }] : []))
      : part.heeds.slice(0, 1).map((h) => ({ ...h, as: roles[0] ?? 'press' }));
  return { ...part, ...PLAIN, ...ready.set, heeds };
}
