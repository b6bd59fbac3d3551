import { itemAt, present } from '../../ground/lists';
import { asQuantity } from '../../ground/field';
import {
  freshMove,
  isOfTheWorld,
  stepFields,
  stepOf,
  type Job,
  type MachinePart,
  type Move,
  type Sense,
  sidesOf,
  type MoveStep,
} from '../../ground/job';
import { heardPress, heedsOf } from './heard';
import { MORE, sequenceOf } from './in-turn';
import { lacksOfPart, restKeys, TRAVELS } from './machine';
import type { StateRole } from '../../engines/world';
import { sceneOf, type Scene } from './scene';
import { heardAfter } from '../../build/lines';
import { SAFE_PRESS, USUAL_PRESS_SECONDS } from '../../build/times';

/** Ready ways to meet what goes wrong. */
export const POLICIES = ['blind', 'look-first', 'look-again', 'timed', 'arm-and-power'] as const;
/** One of `POLICIES`. */
export type PolicyKind = (typeof POLICIES)[number];
/** Those that press a button. */
const PRESSING = POLICIES.slice(0, 4);
/** What each policy is called. */
export const POLICY_WORDS: Readonly<Record<PolicyKind, string>> = {
  blind: 'press and hope',
  'look-first': 'look first',
  'look-again': 'look, press, look again, call',
  timed: 'timed travel into the end',
  'arm-and-power': 'arm and power',
};

/** A ready way of making a move; `lacks` says what it needs and the job has not, and its steps are empty then. */
export interface Policy {
  readonly kind: PolicyKind;
  readonly words: string;
  readonly steps: readonly MoveStep[];
  readonly lacks: string;
}

/** How long after a press a machine that does not travel is given to show what it did, s: common practice. */
const SHOWS_SECONDS = 2;
/** A machine of which nobody said how long it runs is held for this long at most, s: common practice. */
const UNKNOWN_RUN_SECONDS = 4 * 3600;
/** No step of a move may last longer, s. */
const LONGEST_STEP_SECONDS = asQuantity(stepFields.seconds).most;
/** Which presses a door is given beyond the first: with one button it may have to stop and turn. */
const RETRIES = { door: 3, other: 1 } as const;

/** States that a move of this purpose wants a part to come to, by key. */
export function goalKeys(p: MachinePart, purpose: Move['purpose'], scene: Scene): readonly string[] {
  const part = scene.parts.indexOf(p);
  const lit = itemAt(scene.tables, part).states.filter((s) => s.role !== 'dark');
  const { powered } = restKeys(itemAt(scene.tables, part));
  const of = (role: StateRole): readonly string[] => lit.filter((s) => s.role === role).map((s) => s.key);
  switch (purpose) {
    case 'open':
      return of('open');
    case 'close':
      return TRAVELS.includes(p.kind as never) ? of('rest') : [];
    case 'stop':
      return powered;
    default:
      // What asks in turn has not begun before the last of its keys is taken.
      if (p.kind === 'in-turn') return of('ready');
      return lit.filter((s) => !powered.includes(s.key)).map((s) => s.key);
  }
}

/** A sense with what it must say, and whether it says so there alone or on the way there as well. */
interface Telling {
  readonly sense: Sense;
  readonly is: boolean;
  readonly exact: boolean;
}

/** A sense that tells whether a part has come to its goal, before one that tells no more than that it may have; null where none does. */
function sensesGoal(scene: Scene, part: number, goal: readonly string[]): Telling | null {
  const others = itemAt(scene.tables, part).states.filter((s) => s.role !== 'dark' && !goal.includes(s.key));
  const all = scene.senses.flatMap((sense, i): Telling[] => {
    const wire = itemAt(scene.world.plan.senses, i);
    // What is no state of the machine tells of no goal.
    if (wire.part !== part || isOfTheWorld(sense)) return [];
    const says = (key: string): boolean => wire.yes.includes(key);
    return [true, false].flatMap((is): Telling[] =>
      goal.every((k) => says(k) === is) ? [{ sense, is, exact: others.every((s) => says(s.key) !== is) }] : [],
    );
  });
  return all.find((t) => t.exact) ?? all[0] ?? null;
}

/** The part that a move is for: one that it presses, else the first that no other move presses, else the first. */
function partFor(job: Job, move: Move): MachinePart | undefined {
  const known = job.act.parts.filter((p) => lacksOfPart(p) === '');
  const presses = (m: Move, p: MachinePart): boolean =>
    heedsOf(job, p).some((h) =>
      m.steps.some((s) => sidesOf(s).some((p) => p.press === h.press && p.other === h.other)),
    );
  return (
    known.find((p) => presses(move, p)) ??
    known.find((p) => !job.act.moves.some((m) => m.id !== move.id && presses(m, p))) ??
    known[0]
  );
}

/** The ready policies of a move, from its purpose and the senses that there are; what has nothing to do with its press is left out. */
export const policiesFor = (job: Job, move: Move): readonly Policy[] => {
  const power = armAndPower(job, move);
  return [...pressPolicies(job, move), ...(power ? [power] : [])].map((p) =>
    p.steps.every((s) => s.seconds <= LONGEST_STEP_SECONDS)
      ? p
      : { ...p, steps: [], lacks: 'a machine whose times are under a year' },
  );
};

/**
 * A machine that was switched on behind an opened contact of its supply: the contact is closed once, for as long as the machine runs,
 * and one arming lets one start go. Null where the press switches no supply.
 */
function armAndPower(job: Job, move: Move): Policy | null {
  const known = partFor(job, move);
  const press = pressFor(job, move, known);
  if (job.presses.find((p) => p.id === press?.press)?.way !== 'switched-supply') return null;
  const kind = 'arm-and-power';
  if (!known) return lacking(kind, 'a machine that is told');
  if (!job.hands.some((h) => h.kind === 'arm' && h.startsPerArming === 1))
    return lacking(kind, 'an arm switch that lets one start go');
  const scene = present(sceneOf({ ...job, act: { ...job.act, moves: [] } }));
  const part = scene.parts.indexOf(known);
  const rest = sensesGoal(scene, part, restKeys(itemAt(scene.tables, part)).powered);
  const run = known.runSeconds ?? 0;
  const on = stepOf('press', { press: present(press).press, seconds: MORE * run + 1 });
  const warning = move.steps.filter((s) => s.do === 'warn');
  if (!rest)
    return run > 0 ? ready(kind, [...warning, on]) : lacking(kind, 'how long it runs, or a sense that tells its rest');
  // It rests as long as the contact is open: it is given time to come on before its rest ends the hold.
  const seconds = run > 0 ? on.seconds : UNKNOWN_RUN_SECONDS;
  return ready(kind, [
    ...warning,
    { ...on, seconds: SHOWS_SECONDS + heardAfter(rest.sense, !rest.is) },
    stepOf('hold', { press: on.press, sense: rest.sense.id, is: rest.is, seconds }),
  ]);
}

/** A way of pressing with nothing in its way. */
const ready = (kind: PolicyKind, steps: readonly MoveStep[]): Policy => ({
  kind,
  words: POLICY_WORDS[kind],
  steps,
  lacks: '',
});
/** A way of pressing that needs what the job does not have. */
const lacking = (kind: PolicyKind, lacks: string): Policy => ({ kind, words: POLICY_WORDS[kind], steps: [], lacks });

function pressPolicies(job: Job, move: Move): readonly Policy[] {
  const known = partFor(job, move);
  const scene = known ? sceneOf({ ...job, act: { ...job.act, moves: [] } }) : null;
  const press = pressFor(job, move, known);
  if (!press) return PRESSING.map((k) => lacking(k, 'a press'));
  const seconds = Math.max(
    move.steps.find((s) => s.do === 'press')?.seconds ?? USUAL_PRESS_SECONDS,
    SAFE_PRESS * (known?.shortestPressSeconds ?? 0),
  );
  const pressing = stepOf('press', { press: press.press, other: press.other, seconds });
  const warning = move.steps.filter((s) => s.do === 'warn');
  if (!known || !scene)
    return [
      ready('blind', [...warning, pressing]),
      ...PRESSING.slice(1).map((k) => lacking(k, 'a machine that is told')),
    ];
  // What wakes first needs one press more; it does no harm to what is awake only where something looks.
  const wakes: MoveStep[] = known.firstPressWakes ? [pressing, stepOf('wait', { seconds: 1 })] : [];
  const asksInTurn = known.kind === 'in-turn' && move.purpose !== 'stop';
  const sequence = asksInTurn ? sequenceOf(job, known, scene, seconds) : null;
  return [
    ready('blind', [...warning, ...wakes, ...(sequence ?? [pressing])]),
    ...looking(
      { known, pressing, warning, wakes, sequence },
      sensesGoal(scene, scene.parts.indexOf(known), goalKeys(known, move.purpose, scene)),
    ),
    timedPolicy(known, warning, pressing),
  ];
}

/** How long the machine is given to get there, s. */
const runOf = (known: MachinePart): number => MORE * Math.max(known.runSeconds ?? 0, known.backSeconds ?? 0) + 1;

const timedPolicy = (known: MachinePart, warning: readonly MoveStep[], pressing: MoveStep): Policy =>
  known.kind === 'travels-while-held'
    ? ready('timed', [...warning, { ...pressing, seconds: runOf(known) }])
    : lacking('timed', 'a machine that travels while it is held');

interface Pressing {
  readonly known: MachinePart;
  readonly pressing: MoveStep;
  readonly warning: readonly MoveStep[];
  readonly wakes: readonly MoveStep[];
  readonly sequence: readonly MoveStep[] | null;
}

/** The ways that look at a sense before they press, and after. */
function looking(of: Pressing, told: Telling | null): readonly Policy[] {
  if (!told) {
    const lacks = 'a sense that tells whether it got there';
    return [lacking('look-first', lacks), lacking('look-again', lacks)];
  }
  const { known, pressing, warning, wakes, sequence } = of;
  const { sense, is } = told;
  if (known.kind === 'travels-while-held') return heldUntil(of, told);
  const travels = TRAVELS.includes(known.kind as never);
  const first = [stepOf('look', { sense: sense.id, is: !is, orElse: 'end' }), ...warning];
  const seconds = (travels ? runOf(known) : SHOWS_SECONDS) + heardAfter(sense, is);
  const comes = { sense: sense.id, is, seconds };
  if (sequence)
    return [
      ready('look-first', [...first, ...wakes, ...sequence]),
      // What was asked half-way stands somewhere between: a second try might press the wrong key.
      ready('look-again', [...first, ...wakes, ...sequence, stepOf('until', { ...comes, orElse: 'call' })]),
    ];
  const times = (travels ? RETRIES.door : RETRIES.other) + wakes.length / 2;
  return [
    ready('look-first', [...first, ...wakes, pressing]),
    ready('look-again', [
      ...first,
      pressing,
      stepOf('until', { ...comes, orElse: 'go-on' }),
      stepOf('again', { sense: sense.id, is, to: first.length + 1, times, orElse: 'call' }),
    ]),
  ];
}

/** What travels as long as it is held is held until the sense at its end says so: one that says so on the way lets go too early. */
function heldUntil({ known, pressing, warning }: Pressing, { sense, is, exact }: Telling): readonly Policy[] {
  if (!exact) {
    const lacks = 'a sense that says so at that end alone';
    return [lacking('look-first', lacks), lacking('look-again', lacks)];
  }
  const first = [stepOf('look', { sense: sense.id, is: !is, orElse: 'end' }), ...warning];
  const held = { press: pressing.press, other: pressing.other, sense: sense.id, is, seconds: runOf(known) };
  return [
    ready('look-first', [...first, stepOf('hold', { ...held, orElse: 'go-on' })]),
    ready('look-again', [
      ...first,
      stepOf('hold', { ...held, orElse: 'go-on' }),
      stepOf('again', { sense: sense.id, is, to: first.length + 1, times: RETRIES.other, orElse: 'call' }),
    ]),
  ];
}

/** The press that a move of this purpose makes: what the move makes now, else the one that the part heeds for it. */
function pressFor(job: Job, move: Move, part: MachinePart | undefined): { press: string; other: boolean } | null {
  const now = move.steps.find((s) => s.do === 'press' || s.do === 'hold');
  if (now) return { press: now.press, other: now.other };
  const role = { start: 'on', stop: 'off', open: 'open', close: 'close', other: 'press' }[move.purpose];
  const heeds = part ? heedsOf(job, part) : [];
  const heed = heeds.find((h) => h.as === role) ?? heeds[0];
  if (heed) return heed;
  const press = heardPress(job);
  return press ? { press, other: false } : null;
}

/** What policies that are not offered lack, each once. */
export const lacksOfPolicies = (policies: readonly Pick<Policy, 'kind' | 'lacks'>[]): readonly string[] => [
  ...new Set(
    policies.flatMap(({ kind, lacks }) =>
      lacks === '' || kind === 'timed'
        ? []
        : [`to ${kind === 'arm-and-power' ? 'arm and power' : 'look'} it needs ${lacks}`],
    ),
  ),
];

/** A move with the steps of a policy. */
export const moveBy = (move: Move, policy: Policy): Move => ({ ...move, steps: [...policy.steps] });

/** The move that a job begins with: blind, until a policy is taken. */
export const firstMove = (job: Job): Move => job.act.moves[0] ?? freshMove('move', 'start');
