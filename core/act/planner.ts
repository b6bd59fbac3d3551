import { WorldProblem, type TableState } from '../world';
import { heedsOf } from './heard';
import { HELD_KINDS, NOBODY, turnEvent } from './machine';
import type { Job } from '../job';
import type { Scene } from './scene';

/** What to do next: press, wait and see to what is asked for meanwhile, or look first and go on by what is seen. */
export type PlanStep =
  | { readonly do: 'press'; readonly words: string; readonly then: PlanStep | null }
  | { readonly do: 'wait'; readonly seconds: number; readonly asked: readonly string[]; readonly then: PlanStep | null }
  | { readonly do: 'look'; readonly sense: string; readonly yes: PlanStep | null; readonly no: PlanStep | null };

export interface Way {
  /** Null where it is there already. */
  readonly steps: PlanStep | null;
  /** Presses and waits of the longest branch. */
  readonly length: number;
}

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
 * null where none of up to ten presses and waits does.
 * @param from states by key, at least one; @param to states by key. Throws WorldProblem for a state that there is none of.
 */
export function planWay(
  job: Job,
  scene: Scene,
  part: number,
  from: readonly string[],
  to: readonly string[],
): Way | null {
  const { states } = scene.tables[part]!;
  const byKey = new Map(states.map((s) => [s.key, s]));
  for (const key of [...from, ...to])
    if (!byKey.has(key)) throw new WorldProblem(`${scene.parts[part]!.name} has no state ${key}`);
  const actions = actionsOf(job, scene, part, byKey);
  const looks = scene.world.plan.senses.flatMap((wire, i) =>
    wire.part === part ? [{ name: scene.senses[i]!.name, yes: new Set(wire.yes) }] : [],
  );
  const goal = new Set(to);
  const failed = new Map<string, number>();

  const solve = (set: readonly string[], left: number): Way | null => {
    if (set.every((k) => goal.has(k))) return { steps: null, length: 0 };
    const key = set.join('|');
    if ((failed.get(key) ?? -1) >= left) return null;
    let best: Way | null = null;
    const keep = (way: Way): void => {
      if (!best || way.length < best.length) best = way;
    };
    for (const look of looks) {
      const [yes, no] = [set.filter((k) => look.yes.has(k)), set.filter((k) => !look.yes.has(k))];
      if (yes.length === 0 || no.length === 0) continue;
      const [a, b] = [solve(yes, left), solve(no, left)];
      if (a && b)
        keep({
          steps: { do: 'look', sense: look.name, yes: a.steps, no: b.steps },
          length: Math.max(a.length, b.length),
        });
    }
    if (left > 0)
      for (const action of actions) {
        const next = [...new Set(set.map((k) => action.to(byKey.get(k)!).key))].sort();
        if (next.join('|') === key) continue;
        const rest = solve(next, left - 1);
        if (!rest) continue;
        const seconds = Math.max(...set.map((k) => action.seconds(byKey.get(k)!)));
        const asked = [...new Set(set.flatMap((k) => action.asked?.(byKey.get(k)!) ?? []))];
        keep({
          steps:
            action.words === null
              ? { do: 'wait', seconds, asked, then: rest.steps }
              : { do: 'press', words: action.words, then: rest.steps },
          length: rest.length + 1,
        });
      }
    if (!best) failed.set(key, left);
    return best;
  };
  for (let depth = 0; depth <= DEEPEST; depth++) {
    const way = solve([...new Set(from)].sort(), depth);
    if (way) return way;
  }
  return null;
}

function actionsOf(job: Job, scene: Scene, part: number, byKey: ReadonlyMap<string, TableState>): Action[] {
  const p = scene.parts[part]!;
  const held = HELD_KINDS.includes(p.kind as never);
  const goes = (s: TableState, event: string): TableState => byKey.get(s.on[event] ?? s.key)!;
  const settled = (s: TableState): { state: TableState; seconds: number; asked: string[] } => {
    let [at, seconds] = [s, 0];
    const asked: string[] = [];
    for (let n = 0; n < byKey.size; n++) {
      const next = at.after ? at.after.then : at.atEnd;
      if (next === null) break;
      seconds += at.after ? at.after.seconds : 1 / Math.abs(at.speed);
      if (at.on[NOBODY] !== undefined) asked.push(at.word);
      at = byKey.get(next)!;
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
      to: (s) => goes(settled(goes(s, event)).state, `${event} let go`),
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
        : `${label}. ${at.words[0]!.toUpperCase()}${at.words.slice(1)}.`,
    );
    at = at.then;
  }
  return out;
}
