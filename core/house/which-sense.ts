import { confusionOf, type MachineTable } from '../engines/world';
import { itemAt } from '../ground/lists';
import {
  freeId,
  freshSense,
  isOfTheWorld,
  type Job,
  type JobEdit,
  type MachinePart,
  type Sense,
  type SenseLimit,
} from '../ground/job';
import { needsPin, SENSES } from '../build/lines';
import { sceneOf, TRAVELS, type Scene } from '../rooms/act';

/** Most senses that are thought of beside those that are there. */
const MOST_ADDED = 3;

/** A sense that could be added, with what it takes. */
interface Candidate {
  readonly name: string;
  readonly work: string;
  readonly set: Partial<Sense>;
}

/** A set of senses beside those that are there, and what it leaves confused. */
export interface SenseSet {
  /** What would be added; none for the job as it stands. */
  readonly added: readonly Sense[];
  readonly work: readonly string[];
  readonly pins: number;
  /** Sets of states, in words, that look alike for good. */
  readonly alike: readonly (readonly string[])[];
  /** How many pairs of states look alike for good. */
  readonly pairs: number;
  /** Pairs that look alike only for a while, and for how long at most, s. */
  readonly forNow: readonly { readonly a: string; readonly b: string; readonly seconds: number }[];
}

/** What each set of senses leaves confused of one part of the machine. */
export interface WhichSense {
  readonly part: MachinePart;
  /** The job as it stands first, then what is better than it, the least confused first; of those that leave as much, the smallest. */
  readonly sets: readonly SenseSet[];
}

/** What could tell of a part: contacts where it stands, and what its states are said to show. */
function candidatesOf(part: MachinePart): Candidate[] {
  const shows = (what: (s: MachinePart['shows'][number]) => boolean): boolean => {
    const yes = part.shows.filter(what).length;
    return yes > 0;
  };
  return [
    {
      name: 'contact at rest',
      work: 'a contact where it rests, two wires',
      set: { kind: 'contact', tells: 'at-rest' },
    },
    ...(TRAVELS.includes(part.kind as never)
      ? [
          {
            name: 'contact at the far end',
            work: 'a contact at its far end, two wires',
            set: { kind: 'contact', tells: 'at-end' } as const,
          },
        ]
      : []),
    ...(shows((s) => s.light)
      ? [
          {
            name: 'light on its lamp',
            work: 'a light sensor over its lamp',
            set: { kind: 'light', tells: 'other' } as const,
          },
        ]
      : []),
    ...(shows((s) => s.sound)
      ? [{ name: 'ear for its sound', work: 'a tap on its beeper', set: { kind: 'beep', tells: 'other' } as const }]
      : []),
    ...(shows((s) => (s.watts ?? 0) > 0)
      ? [
          {
            name: 'watts of its plug',
            work: 'a meter at its plug, and three recordings',
            set: { kind: 'watts', tells: 'other', limit: betweenWatts(part) } as const,
          },
        ]
      : []),
    ...(shows((s) => s.warm)
      ? [
          {
            name: 'thermometer',
            work: 'a thermometer on what gets warm',
            set: { kind: 'temperature', tells: 'other' } as const,
          },
        ]
      : []),
  ];
}

/** A threshold in the widest gap between what its states draw; null where they all draw alike. */
function betweenWatts(part: MachinePart): SenseLimit | null {
  const watts = [...new Set(part.shows.flatMap((s) => s.watts ?? []))].sort((a, b) => a - b);
  const gaps = watts.slice(1).map((w, i) => ({ low: itemAt(watts, i), high: w }));
  const ratio = (g: { low: number; high: number }): number => g.high / Math.max(g.low, NO_WATTS);
  const widest = gaps.reduce<(typeof gaps)[number] | null>(
    (best, g) => (best && ratio(best) >= ratio(g) ? best : g),
    null,
  );
  if (!widest) return null;
  const middle = Math.sqrt(Math.max(widest.low, NO_WATTS) * widest.high);
  return { over: Number((1.2 * middle).toPrecision(2)), under: Number((0.8 * middle).toPrecision(2)), holdSeconds: 60 };
}
/** What a meter shows for nothing, W: common practice. */
const NO_WATTS = 0.5;

/** Every set of some, the smaller first. */
function* setsOf<T>(list: readonly T[], most: number): Generator<readonly T[]> {
  yield [];
  for (let n = 1; n <= Math.min(most, list.length); n++) yield* choose(list, n);
}
function* choose<T>(list: readonly T[], n: number): Generator<readonly T[]> {
  if (n === 0) return yield [];
  for (const [i, x] of list.entries()) for (const rest of choose(list.slice(i + 1), n - 1)) yield [x, ...rest];
}

const pairsIn = (sets: readonly (readonly string[])[]): number =>
  sets.reduce((n, s) => n + (s.length * (s.length - 1)) / 2, 0);

/** What is thought of for one part of a scene: what is there, what could be added, and what each of them reads. */
interface Thought {
  readonly own: readonly Sense[];
  readonly cands: readonly Candidate[];
  readonly senses: readonly Sense[];
  /** The states in which a sense says yes; null where it tells nothing of this part. */
  readonly reads: (of: Sense) => readonly string[] | null;
}

function thoughtOf(job: Job, scene: Scene, i: number): Thought {
  const part = itemAt(scene.parts, i);
  const first = scene.parts[0]?.id === part.id;
  const own = job.senses.filter((s) => !isOfTheWorld(s));
  const there = (c: Candidate): boolean =>
    own.some((s) => s.kind === c.set.kind && s.tells === c.set.tells && (s.part || scene.parts[0]?.id) === part.id);
  const cands = candidatesOf(part).filter((c) => !there(c));
  const senses = cands.map((c): Sense => {
    const name = first ? c.name : `${c.name} of ${part.name}`;
    return { ...freshSense(freeId(job, name), name), ...c.set, part: first ? '' : part.id };
  });
  const all = [...own, ...senses];
  const wires = sceneOf({ ...job, senses: all })?.world.plan.senses ?? [];
  return {
    own,
    cands,
    senses,
    reads: (of) => {
      const wire = itemAt(wires, all.indexOf(of));
      return wire.part === i ? wire.yes : null;
    },
  };
}

/** Parts of which enough is told to work it out. */
export const partsTold = (job: Job): readonly MachinePart[] => sceneOf(job)?.parts ?? [];

/**
 * What the senses of a job, and every set of up to three more, leave confused of one part of its machine: worked out from the part's own
 * table, by the very rules that runs go by. Null for a part of which too little is told.
 */
export function whichSense(job: Job, id: string): WhichSense | null {
  const scene = sceneOf(job);
  const i = scene?.parts.findIndex((p) => p.id === id) ?? -1;
  if (!scene || i < 0) return null;
  const thought = thoughtOf(job, scene, i);
  const told = (added: readonly Sense[]): SenseSet => setOf(itemAt(scene.tables, i), thought, added);
  const now = told([]);
  const best: SenseSet[] = [];
  const better = [
    ...setsOf(
      thought.senses.filter((s) => thought.reads(s) !== null),
      MOST_ADDED,
    ),
  ]
    .slice(1)
    .map(told);
  // The least confused first; what adds a sense and tells no more is left out.
  for (const s of better.sort((a, b) => a.pairs - b.pairs || a.added.length - b.added.length || a.pins - b.pins))
    if (s.pairs < now.pairs && !best.some((x) => x.pairs <= s.pairs && isWithin(x, s))) best.push(s);
  return { part: itemAt(scene.parts, i), sets: [now, ...best] };
}

const isWithin = (a: SenseSet, b: SenseSet): boolean => a.added.every((x) => b.added.some((y) => y.id === x.id));

function setOf(table: MachineTable, { own, cands, senses, reads }: Thought, added: readonly Sense[]): SenseSet {
  const word = (key: string): string => wordOf(table, key);
  const { forGood, forNow } = confusionOf(
    table,
    [...own, ...added].flatMap((s) => [reads(s) ?? []]),
  );
  return {
    added,
    work: added.map((s) => itemAt(cands, senses.indexOf(s)).work),
    pins: added.filter(needsPin).length,
    alike: forGood.map((set) => set.map(word)),
    pairs: pairsIn(forGood),
    forNow: forNow.map(({ a, b, seconds }) => ({ a: word(a), b: word(b), seconds })),
  };
}

/** What a state is called; by its key where several show the same word. */
function wordOf({ states }: MachineTable, key: string): string {
  const own = states.find((s) => s.key === key);
  return own && states.filter((s) => s.word === own.word && s.role !== 'dark').length === 1 ? own.word : key;
}

/** The edit that takes a set. */
export const takeSenses = ({ added }: SenseSet): JobEdit => ({
  do: 'several',
  edits: added.map((item): JobEdit => ({ do: 'put', list: 'senses', item })),
  say: `to tell by: ${added.map((s) => `${s.name} (${SENSES[s.kind].part})`).join(', ')}`,
});
