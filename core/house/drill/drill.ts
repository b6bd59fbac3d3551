import { closuresOf } from '../../rooms/act';
import { happeningsOf, runTo, worldOf, type WorldEvent } from '../../engines/world';
import type { Job } from '../../ground/job';
import { firstItem } from '../../ground/lists';
import { hashOf } from '../../ground/quantity';
import { CUT_SECONDS } from '../lengths';
import type { Wired } from '../power-up-scene';
import { disturbancesIn, givenOf, searchJob, searchOf, type BrokenStory, type Search } from '../stories';

/** What has power as the story begins: the machine, the controller, both or neither. */
export const POWER_STATES = ['both', 'no-machine', 'no-controller', 'neither'] as const;
/** One of `POWER_STATES`. */
export type PowerState = (typeof POWER_STATES)[number];
/** How each begins, in words. */
export const POWER_WORDS: Readonly<Record<PowerState, string>> = {
  both: 'machine and controller on',
  'no-machine': 'machine off at first, controller on',
  'no-controller': 'machine on, controller off at first',
  neither: 'both off at first',
};
const EVENT = { 'no-machine': 'plug-out', 'no-controller': 'controller-out', neither: 'cut' } as const;

/** A story of the drill, with what had power as it began. */
export interface DrillStory {
  readonly power: PowerState;
  readonly story: BrokenStory;
  /** What goes wrong in it, whenever it does, as a key. */
  readonly key: string;
}

/** What is drilled: one search for each state of power. */
export interface DrillOf {
  readonly searches: readonly (readonly [power: PowerState, search: Search])[];
  /** A key of the plan that it rests on. */
  readonly basis: string;
}

/** What a drill came to. */
export interface Drilled {
  readonly most: number;
  readonly told: number;
  /** The shortest story of each condition in each state of power; those that are another's again are left out. */
  readonly stories: readonly DrillStory[];
  /** Ids of conditions that no story breaks. */
  readonly kept: readonly string[];
  /** Ids of conditions that no run can tell of. */
  readonly unheld: readonly string[];
  /** It came to no end: what was not broken may yet be. */
  readonly stopped: boolean;
}

/** When the power comes back to what was off at first: after the first start has met it so, s. */
const backAt = (search: Search): number => firstItem(search.starts).at + CUT_SECONDS;

/** What things are called is no part of what was drilled. */
const noWords = (key: string, value: unknown): unknown => (key === 'word' || key === 'name' ? undefined : value);

/** The drill of a job; null where nothing can be run. Throws WorldProblem for a job that cannot be run. */
export function drillOf(job: Job, a: Wired): DrillOf | null {
  const search = searchOf(job, a);
  if (!search) return null;
  const from = (power: PowerState): Search => {
    if (power === 'both') return { ...search, hangs: true };
    const before: WorldEvent[] = [{ at: 0, what: EVENT[power], of: 0, how: backAt(search) }];
    // What goes wrong later meets a machine that has its power: it is told among the stories that begin so.
    return { ...search, before, hangs: true, firstBy: backAt(search) };
  };
  const harm = job.wish.nevers.map((n) => [n.id, n.harm, n.kind]);
  return {
    searches: POWER_STATES.map((p) => [p, from(p)]),
    basis: hashOf(JSON.stringify([search.scene.world.plan, search.starts, search.calendar, search.end, harm], noWords)),
  };
}

/** What goes wrong in a story, whenever it does, and in which state of power. */
const storyKey = (power: PowerState, b: Pick<BrokenStory, 'faults' | 'told'>): string =>
  JSON.stringify([power, b.faults.map(({ kind, of }) => [kind, of]).sort()]);

/**
 * Tells the stories of all four states of power with up to `most` things going wrong.
 * @param progress called with the share that is done; a drill ends where it answers false.
 */
export function runDrill(
  { searches }: DrillOf,
  most: number,
  progress: (share: number) => boolean = () => true,
  work?: number,
): Drilled {
  let [told, stopped] = [0, false];
  const stories: DrillStory[] = [];
  const kept = new Map<string, boolean>();
  const unheld = new Set<string>();
  searches.forEach(([power, search], i) => {
    const share = (part: number): boolean => progress((i + part) / searches.length);
    const found = searchJob(search, most, share, work);
    told += found.stories;
    stopped ||= found.stopped;
    for (const n of found.unheld) unheld.add(n.never.id);
    for (const n of found.kept) if (!kept.has(n.never.id)) kept.set(n.never.id, true);
    for (const story of found.broken) {
      kept.set(story.never.never.id, false);
      const faults = faultsKey(story);
      // The same things going wrong need not be told once more for another beginning.
      const known = stories.some(
        (s) => s.story.never.never.id === story.never.never.id && faultsKey(s.story) === faults,
      );
      if (!known) stories.push({ power, story, key: storyKey(power, story) });
    }
  });
  const whole = [...kept].flatMap(([id, is]) => (is && !stopped ? [id] : []));
  return { most, told, stories, kept: whole, unheld: [...unheld], stopped };
}

const faultsKey = (b: BrokenStory): string => storyKey('both', b);

/** Whether a story, told once more in another plan, breaks its condition there. A story that cannot come about there breaks nothing. */
export function breaksIn({ searches }: DrillOf, { power, story }: DrillStory): boolean {
  const search = searches.find(([p]) => p === power)?.[1];
  if (!search) return false;
  const held = search.scene.nevers.find((n) => n.never.id === story.never.never.id);
  const may = disturbancesIn(search);
  const possible = story.told.every((t) => may.some((d) => d.what === t.what && d.of === t.of && d.how === t.how));
  if (!held || !possible) return false;
  const given = happeningsOf([...givenOf(search), ...story.told]);
  const state = worldOf(search.scene.world, given);
  runTo(state, search.end, given);
  return held.monitors.some((m) => (state.brokenAt[m] ?? Infinity) <= search.end);
}

/** Presses of a whole search, which tell how often something is exposed to failing: closures from its beginning to its end. */
export const closuresIn = ({ searches }: DrillOf): number => {
  const [, search] = firstItem(searches);
  return closuresOf(search.scene, search.starts, search.end, [...search.calendar]).length;
};
