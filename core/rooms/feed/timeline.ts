import { itemAt } from '../../ground/lists';
import type { Facts } from '../../ground/facts';
import { closedTimes, type FeedGroup, type Job, type Move } from '../../ground/job';
import { pinAmpsOf, type FedLoad } from './loads';

/** How a load works during a while. */
export interface Active {
  /** Place in the list of loads. */
  readonly load: number;
  readonly amps: number;
  readonly phase: 'start' | 'run';
}
/** A while in which nothing changes. */
export interface Instant {
  readonly at: number;
  readonly seconds: number;
  readonly active: readonly Active[];
}
/** A course of events of which the supplies must bear every instant. */
export interface Course {
  readonly id: string;
  /** As `the press script`, `flap 3 by itself`. */
  readonly name: string;
  readonly instants: readonly Instant[];
}

/** The course in which nothing moves. */
export const AT_REST: Course = { id: 'rest', name: 'at rest', instants: [{ at: 0, seconds: 1, active: [] }] };

interface While extends Active {
  readonly from: number;
  readonly to: number;
}

/** How long a press by itself lasts, s: what is not in the script is pressed by a hand, and how long no one knows. */
const ALONE_SECONDS = 1;

/** What a press draws from `at` on: its start, then its run, and its pin all along. */
function whilesOf(
  loads: readonly FedLoad[],
  pins: ReadonlyMap<string, number>,
  press: string,
  at: number,
  seconds: number,
) {
  const out: While[] = [];
  for (const [load, l] of loads.entries()) {
    if (l.press !== press) continue;
    const to = at + Math.max(seconds, l.startSeconds);
    const begun = at + Math.min(l.startSeconds, seconds);
    if (l.startSeconds > 0 && l.startAmps > l.runAmps)
      out.push({ load, amps: l.startAmps, phase: 'start', from: at, to: at + l.startSeconds });
    if (to > begun) out.push({ load, amps: l.runAmps, phase: 'run', from: at, to });
  }
  const pin = pins.get(press) ?? 0;
  if (pin > 0) out.push({ load: -1, amps: pin, phase: 'run', from: at, to: at + seconds });
  return out;
}

/** Whiles cut where any of them begins or ends; of two of one load that overlap the greater counts. */
function cut(whiles: readonly While[]): Instant[] {
  const times = [...new Set(whiles.flatMap((w) => [w.from, w.to]))].sort((a, b) => a - b);
  const starts = [...whiles].sort((a, b) => a.from - b.from);
  let next = 0;
  let running: While[] = [];
  return times.slice(0, -1).map((at, i) => {
    running = running.filter((w) => w.to > at);
    while (next < starts.length && itemAt(starts, next).from <= at) running.push(itemAt(starts, next++));
    const by = new Map<number, While>();
    for (const w of running) {
      const known = by.get(w.load);
      if (!known || known.amps < w.amps) by.set(w.load, w);
    }
    return { at, seconds: itemAt(times, i + 1) - at, active: [...by.values()] };
  });
}

/** What a move presses, and when, if every wait takes its longest; presses made together begin together. */
const steps = (move: Move): { press: string; at: number; seconds: number }[] =>
  closedTimes(move).map(({ press, from, to }) => ({ press, at: from, seconds: to - from }));

/** The presses of a group, so many at once, the next ones after its stagger. */
export const groupSteps = (g: Pick<FeedGroup, 'presses' | 'atOnce' | 'staggerSeconds' | 'runSeconds'>) =>
  g.presses.map((press, i) => ({
    press,
    at: Math.floor(i / g.atOnce) * g.staggerSeconds,
    seconds: g.runSeconds,
  }));

/** The course of presses in time. */
export const courseOf = (
  id: string,
  name: string,
  list: readonly { readonly press: string; readonly at: number; readonly seconds: number }[],
  loads: readonly FedLoad[],
  facts: Facts,
): Course => {
  const pins = pinAmpsOf(facts.presses);
  const latched = new Map(facts.presses.map((p) => [p.id, p.latchSeconds]));
  return {
    id,
    name,
    instants: cut(
      list.flatMap((s) => whilesOf(loads, pins, s.press, s.at, Math.max(s.seconds, latched.get(s.press) ?? 0))),
    ),
  };
};

/** Every course that the supplies must bear: rest, the script, the groups, and each press that is in neither by itself. */
export function coursesOf(job: Job, loads: readonly FedLoad[], facts: Facts): Course[] {
  const moves = job.act.moves.map((m) => ({ m, list: steps(m) })).filter(({ list }) => list.length > 0);
  const inSome = new Set([
    ...moves.flatMap(({ list }) => list.map((s) => s.press)),
    ...job.feed.groups.flatMap((g) => g.presses),
  ]);
  const alone = facts.presses.filter((p) => !inSome.has(p.id));
  return [
    AT_REST,
    ...moves.map(({ m, list }, i) =>
      i === 0
        ? courseOf('script', 'the press script', list, loads, facts)
        : courseOf(`move.${m.id}`, `the move ${m.name}`, list, loads, facts),
    ),
    ...job.feed.groups
      .filter((g) => g.presses.length > 0)
      .map((g) => courseOf(`group.${g.id}`, g.name, groupSteps(g), loads, facts)),
    ...alone.map((p) =>
      courseOf(
        `press.${p.id}`,
        facts.presses.length > 1 ? `${p.name} by itself` : 'one press',
        [{ press: p.id, at: 0, seconds: ALONE_SECONDS }],
        loads,
        facts,
      ),
    ),
  ];
}
