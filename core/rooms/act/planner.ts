import { firstItem, itemAt, present } from '../../ground/lists';
import { WorldProblem, type TableState } from '../../engines/world';
import { heedsOf } from './heard';
import { NOBODY, up } from './events';
import { HELD_KINDS, turnEvent } from './machine';
import type { Job } from '../../ground/job';
import type { Scene } from './scene';

/** What to do next: press, wait and see to what is asked for meanwhile, or look first and go on by what is seen. */
export type PlanStep =
  | { readonly do: 'press'; readonly words: string; readonly then: PlanStep | null }
  | { readonly do: 'wait'; readonly seconds: number; readonly asked: readonly string[]; readonly then: PlanStep | null }
  | { readonly do: 'look'; readonly sense: string; readonly yes: PlanStep | null; readonly no: PlanStep | null };

/** A way from any of some states to another. */
export interface StatePath {
  /** Null where it is there already. */
  readonly steps: PlanStep | null;
  /** Presses and waits of the longest branch. */
  readonly length: number;
}

/** What came of planning: the way, null where there is none; `ended` where it was ended before it could tell. */
export interface Planned {
  readonly way: StatePath | null;
  readonly ended: boolean;
}

/** Sets of states that may be tried: some seconds on a machine of today. */
const MOST_SETS = 150_000;
/** Sets between two calls of progress. */
const PER_CALL = 2000;

/** Deeper than this no maker follows a way. */
const DEEPEST = 10;

interface Action {
  readonly words: string | null;
  readonly to: (state: TableState) => TableState;
  /** Seconds that it takes from this state, and what somebody has to see to meanwhile, in words. */
  readonly seconds: (state: TableState) => number;
  readonly asked?: (state: TableState) => readonly string[];
}

/**
 * From every state that a part may be in, the shortest way to one of those that are wanted: presses, waits until nothing moves of its own,
 * and looks where what is not known must be known first. Breadth first over what may be true (sets of states), so no shorter way exists;
 * null where none of up to ten presses and waits does. A search over very many sets is ended, and says so.
 * @param progress called with the share that is done; planning ends where it answers false.
 * @param from states by key, at least one; @param to states by key. Throws WorldProblem for a state that there is none of.
 */
export function planWay(
  job: Job,
  scene: Scene,
  part: number,
  from: readonly string[],
  to: readonly string[],
  progress?: (share: number) => boolean,
): Planned {
  const { states } = itemAt(scene.tables, part);
  const byKey = new Map(states.map((s) => [s.key, s]));
  for (const key of [...from, ...to])
    if (!byKey.has(key)) throw new WorldProblem(`${itemAt(scene.parts, part).name} has no state ${key}`);
  const place = new Map(states.map((x, i) => [x.key, i]));
  // Everything that is asked of a state again and again, by its number.
  const actions = actionsOf(job, scene, part, byKey).map((action) => ({
    action,
    to: states.map((x) => present(place.get(action.to(x).key))),
  }));
  const looks = scene.world.plan.senses.flatMap((wire, i) =>
    wire.part === part
      ? [{ name: itemAt(scene.senses, i).name, yes: states.map((x) => wire.yes.includes(x.key)) }]
      : [],
  );
  const goal = states.map((x) => to.includes(x.key));
  /** Of each set the shortest way, or up to which length there is none. */
  const known = new Map<string, { readonly way: StatePath | null; readonly upTo: number }>();
  let [sets, share] = [0, 0];
  let ended = false;
  const counts = (): void => {
    sets++;
    const goesOn =
      sets < MOST_SETS && (sets % PER_CALL > 0 || !progress || progress(Math.max(share, sets / MOST_SETS)));
    if (!goesOn) ended = true;
  };

  /** The shortest way from a set of states, given by their numbers, rising. */
  const solve = (set: readonly number[], left: number): StatePath | null => {
    if (set.every((i) => goal[i])) return { steps: null, length: 0 };
    const key = nameOf(set);
    const before = known.get(key);
    if (before?.way) return before.way.length <= left ? before.way : null;
    if (ended || (before && before.upTo >= left)) return null;
    counts();
    let best: StatePath | null = null;
    const keep = (way: StatePath | null): void => {
      if (way && (!best || way.length < best.length)) best = way;
    };
    for (const look of looks) keep(byLook(set, left, look));
    for (const action of left > 0 ? actions : []) keep(byAction(set, left, action));
    if (!ended) known.set(key, { way: best, upTo: left });
    return best;
  };
  /** The longer of the two ways after a look that tells states of the set apart. */
  const byLook = (set: readonly number[], left: number, { name, yes }: (typeof looks)[number]): StatePath | null => {
    const [is, isNot] = [set.filter((i) => yes[i]), set.filter((i) => !yes[i])];
    if (is.length === 0 || isNot.length === 0) return null;
    const [a, b] = [solve(is, left), solve(isNot, left)];
    return a && b
      ? { steps: { do: 'look', sense: name, yes: a.steps, no: b.steps }, length: Math.max(a.length, b.length) }
      : null;
  };
  const byAction = (
    set: readonly number[],
    left: number,
    { action, to: leads }: (typeof actions)[number],
  ): StatePath | null => {
    const next = rising(set.map((i) => itemAt(leads, i)));
    const rest = nameOf(next) === nameOf(set) ? null : solve(next, left - 1);
    const taken = set.map((i) => itemAt(states, i));
    return rest && { steps: stepOf(action, taken, rest.steps), length: rest.length + 1 };
  };
  const first = rising(from.map((k) => present(place.get(k))));
  for (let depth = 0; depth <= DEEPEST && !ended; depth++) {
    share = depth / DEEPEST;
    const way = solve(first, depth);
    if (way && !ended) return { way, ended };
  }
  return { way: null, ended };
}

const rising = (set: readonly number[]): number[] => [...new Set(set)].sort((a, b) => a - b);
const nameOf = (set: readonly number[]): string => String.fromCharCode(...set);

function stepOf(action: Action, set: readonly TableState[], then: PlanStep | null): PlanStep {
  if (action.words !== null) return { do: 'press', words: action.words, then };
  const seconds = Math.max(...set.map((x) => action.seconds(x)));
  return { do: 'wait', seconds, asked: [...new Set(set.flatMap((x) => action.asked?.(x) ?? []))], then };
}

function actionsOf(job: Job, scene: Scene, part: number, byKey: ReadonlyMap<string, TableState>): Action[] {
  const p = itemAt(scene.parts, part);
  const held = HELD_KINDS.includes(p.kind as never);
  const goes = (s: TableState, event: string): TableState => present(byKey.get(s.on[event] ?? s.key));
  const settled = (s: TableState): { state: TableState; seconds: number; asked: string[] } => {
    let [at, seconds] = [s, 0];
    const asked: string[] = [];
    for (let n = 0; n < byKey.size; n++) {
      const next = at.after ? at.after.then : at.atEnd;
      if (next === null) break;
      seconds += at.after ? at.after.seconds : 1 / Math.abs(at.speed);
      if (at.on[NOBODY.key] !== undefined) asked.push(at.word);
      at = present(byKey.get(next));
    }
    return { state: at, seconds, asked };
  };
  let turn = 0;
  const presses = heedsOf(job, p).map((h): Action => {
    const event = p.kind === 'in-turn' && h.as === 'press' ? turnEvent(p.heeds, turn++) : h.as;
    const name = job.presses.find((x) => x.id === h.press)?.name ?? h.press;
    const words = `press ${name}${h.other ? ', its other side' : ''}`;
    if (!held) return { words, to: (s) => goes(s, event), seconds: () => 0 };
    // Held until nothing moves any more, and then let go.
    return {
      words: `hold ${name} until it stops`,
      to: (s) => goes(settled(goes(s, event)).state, up(event).key),
      seconds: (s) => settled(goes(s, event)).seconds,
    };
  });
  const wait: Action = {
    words: null,
    to: (s) => settled(s).state,
    seconds: (s) => settled(s).seconds,
    asked: (s) => settled(s).asked,
  };
  return [...presses, wait];
}

/** How a wait begins, with what somebody has to do meanwhile. */
const seeTo = (asked: readonly string[]): string =>
  asked.length > 0 ? `See to it where it ${asked.join(', then ')}; wait` : 'Wait';

/** What came of planning, as sentences. @param say writes a length of time. */
export function sayPlanned({ way, ended }: Planned, say: (seconds: number) => string): readonly string[] {
  if (way) return way.steps ? sayWay(way.steps, say) : ['It is there already.'];
  return ended
    ? [
        `No way was found among ${MOST_SETS.toLocaleString('en')} sets of states that were tried; whether there is one is not known. ` +
          'Say more closely where it may be now.',
      ]
    : ['No presses and waits bring it there for certain, and no sense tells enough: add one in Sense, or go and look.'];
}

/** A way as numbered sentences, branches by letters. @param say writes a length of time. */
export function sayWay(way: PlanStep | null, say: (seconds: number) => string, head = ''): string[] {
  const out: string[] = [];
  let n = 1;
  for (let at = way; at;) {
    const label = `${head}${n++}`;
    if (at.do === 'look') {
      out.push(`${label}. Look at ${at.sense}.`);
      const branch = (words: string, letter: string, steps: PlanStep | null): void => {
        out.push(`${label}${letter}. If it says ${words}${steps ? ':' : ', it is there.'}`);
        out.push(...sayWay(steps, say, `${label}${letter}.`));
      };
      branch('yes', 'a', at.yes);
      branch('no', 'b', at.no);
      return out;
    }
    out.push(
      at.do === 'wait'
        ? `${label}. ${seeTo(at.asked)} ${say(at.seconds)}, until nothing moves.`
        : `${label}. ${firstItem(at.words).toUpperCase()}${at.words.slice(1)}.`,
    );
    at = at.then;
  }
  return out;
}
