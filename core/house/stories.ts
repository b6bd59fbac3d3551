import { firstItem, itemAt, lastItem, present } from '../ground/lists';
import {
  armingsFor,
  closuresOf,
  DISTURBANCES,
  HAND_SECONDS,
  kindOfHappening,
  startsAsHappenings,
  type HeldNever,
  type Scene,
  type Start,
} from '../rooms/act';
import { flagEvents } from '../build/rules';
import { finding, type Finding } from '../ground/finding';
import { dayMinutesOf, type Fault, type Job } from '../ground/job';
import { wholeScene, type Wired } from './power-up-scene';
import { disturbancesOf, standAlone } from './what-befalls';
import { formatQuantity, hashOf } from '../ground/quantity';
import {
  allowedSpans,
  happeningsOf,
  searchStories,
  type Counterexample,
  type Disturbance,
  type SearchOutcome,
  type Told,
  type WorldEvent,
  type WorldPlan,
} from '../engines/world';

const MOST_DAYS = 7;
const DAY_SECONDS = 86_400;
/** What befalls an event just after it is pinned so much later, s: still before what comes next, and after it for certain. */
const JUST_AFTER = 2e-4;

/** A story in which a condition is broken. */
export interface BrokenStory {
  readonly never: HeldNever;
  readonly told: readonly Told[];
  readonly brokenAt: number;
  /** One sentence for each thing that goes wrong, and one for what comes of it. */
  readonly sentences: readonly string[];
  /** The same as faults that can be pinned on the lanes; what no fault of a run stands for is left out. */
  readonly faults: readonly Fault[];
}

/** What came of searching the stories of a job. */
export interface Stories extends Omit<SearchOutcome, 'broken'> {
  readonly broken: readonly BrokenStory[];
  /** Conditions that were held and that no story breaks. */
  readonly kept: readonly HeldNever[];
  /** Conditions that no run can tell of. */
  readonly unheld: readonly HeldNever[];
}

/** What a search runs: the world, its starts, its end. */
export interface Search {
  readonly scene: Scene;
  readonly starts: readonly Start[];
  /** Stretches of the calendar that its rules look at. */
  readonly calendar: readonly WorldEvent[];
  readonly end: number;
  readonly basis: string;
  /** What has happened before anything goes wrong, as a plug that is out; left out where nothing has. */
  readonly before?: readonly WorldEvent[];
  /** The first thing goes wrong by this instant, s. */
  readonly firstBy?: number;
  /** A program may hang as well. */
  readonly hangs?: boolean;
}

/**
 * Rules that put a mode on or off by the clock come true in a story as well: at their times where moves begin by the clock, else once at
 * its beginning, those that put one on.
 * @param minutes of the day at which a story begins, null where no move begins by the clock.
 */
function modesByClock(job: Job, rules: boolean, minutes: number | null, lead: number, end: number): WorldEvent[] {
  if (!rules) return [];
  return job.routine.sentences.flatMap((s, of): WorldEvent[] => {
    const at = s.days.length > 0 && (s.does === 'mode-on' || s.does === 'mode-off') ? dayMinutesOf(s) : null;
    if (at === null) return [];
    if (minutes === null) return s.does === 'mode-on' ? [{ at: lead / 2, what: 'fires', of, how: 0 }] : [];
    const first = ((((at - minutes) * 60) % DAY_SECONDS) + DAY_SECONDS) % DAY_SECONDS;
    const out: WorldEvent[] = [];
    for (let t = first; t <= end; t += DAY_SECONDS) out.push({ at: t, what: 'fires', of, how: 0 });
    return out;
  });
}

/** Starts of the routine's sentences, every day, from a minute on or two ways of the machine; without any, each move in turn. */
export function searchOf(job: Job, a: Wired): Search | null {
  const scene = wholeScene(job, a);
  if (!scene || scene.moves.length === 0) return null;
  // Where nothing arms, nothing would ever start and no story break anything: it is searched as if somebody had armed.
  const arms = scene.hands.some((h) => h.wire.does === 'arm');
  const run = Math.max(0, ...scene.parts.map((p) => Math.max(p.runSeconds ?? 0, p.backSeconds ?? 0)));
  const lead = Math.max(60, 2 * run);
  const span = (move: number): number =>
    itemAt(scene.moves, move).steps.reduce((s, x) => s + x.seconds * (x.do === 'again' ? 0 : 1), 0) + 2 * run + 10;
  const rules = scene.world.routine !== null;
  const day = job.routine.sentences
    .flatMap((s, rule) => {
      const minutes = s.days.length > 0 && s.does === 'move' ? dayMinutesOf(s) : null;
      const move = s.move === '' ? 0 : scene.moves.findIndex((m) => m.id === s.move);
      return minutes === null
        ? []
        : [{ at: minutes * 60, move, ifArmed: s.ifArmed && arms, ...(rules ? { rule } : {}) }];
    })
    .sort((x, y) => x.at - y.at);
  const longest = Math.max(
    0,
    ...allowedSpans(scene.world.plan),
    ...job.wish.nevers.map((n) => (n.kind === 'both-at-once' ? 0 : n.seconds)),
  );
  // So many days that what may last longest can have been broken before the last of them ends.
  const days = Math.min(MOST_DAYS, 1 + Math.ceil((longest + 1) / 86400));
  let next = lead;
  const starts: Start[] =
    day.length > 0
      ? Array.from({ length: days }, (_, d) =>
          day.map((s) => ({ ...s, at: lead + s.at - firstItem(day).at + d * 86400 })),
        ).flat()
      : scene.moves.map((_, move) => {
          const at = next;
          next += span(move) + lead;
          return { at, move, ifArmed: false };
        });
  const last = lastItem(starts);
  const end = last.at + span(last.move) + (day.length > 0 ? 0 : longest) + 60;
  const minutes = day.length > 0 ? (firstItem(day).at - lead) / 60 : null;
  // What no part of the machine stands behind says no until something has it say so: else no move that looks at it would ever press.
  const quiet = standAlone(scene.world.plan).map((of): WorldEvent => ({ at: 0, what: 'reads', of, how: 0 }));
  const calendar = [
    ...quiet,
    ...modesByClock(job, rules, minutes, lead, end),
    ...flagEvents(scene.flags, minutes, end),
  ];
  return { scene, starts, calendar, end, basis: hashOf(JSON.stringify([scene.world.plan, starts, calendar, end])) };
}

/** A disturbance as a fault that can be pinned, at `shift` seconds earlier. */
function asFault(scene: Scene, t: Told, i: number, shift: number): Fault {
  const kind = kindOfHappening(t.what, t.what === 'meets' ? itemAt(scene.tables, t.of).events[t.how] : undefined);
  const line = t.what === 'thumb' ? itemAt(scene.world.plan.channels, t.of).line : t.of;
  const { befalls, lasts } = DISTURBANCES[kind];
  const of = {
    sense: () => itemAt(scene.senses, t.of).id,
    part: () => itemAt(scene.parts, t.of).id,
    move: () => itemAt(scene.moves, t.of).id,
    hand: () => itemAt(scene.hands, t.of).id,
    press: () => itemAt(scene.lines, line).press,
  };
  return {
    id: `story-${i + 1}`,
    kind,
    atSeconds: Math.max(0, Number((t.at - shift + JUST_AFTER).toFixed(4))),
    seconds: lasts === 'yes' || (t.what === 'thumb' && t.how !== HAND_SECONDS) ? t.how : 0,
    of: befalls ? of[befalls]() : '',
  };
}

/** A press that is missed or seen twice lies at the very closure that it befalls in this story, not where it was laid before it. */
function atPresses({ scene, starts, calendar, end }: Search, told: readonly Told[]): readonly Told[] {
  const onPress = (t: Told): boolean => t.what === 'missed' || t.what === 'twice';
  if (!told.some(onPress)) return told;
  const closures = closuresOf(scene, starts, end, [
    ...calendar,
    ...armingsFor(scene, starts),
    ...told.filter((t) => !onPress(t)),
  ]);
  return told.map((t) => {
    const at = onPress(t) ? closures.find((c) => c.line === t.of && c.at >= t.at - JUST_AFTER)?.at : undefined;
    return at === undefined ? t : { ...t, at: Math.max(t.at, at - JUST_AFTER) };
  });
}

const say = (s: number): string => formatQuantity(s, 's');

/** When something happens, told by the nearest start. */
function when(search: Search, at: number): string {
  const { starts, scene } = search;
  const start = starts.findLast((s) => s.at <= at + 1e-6) ?? firstItem(starts);
  const name = itemAt(scene.moves, start.move).name;
  const after = at - start.at;
  return after < -1e-6
    ? `${say(Number((-after).toPrecision(3)))} before “${name}” begins`
    : after < 1e-6
      ? `as “${name}” begins`
      : `${say(Number(after.toPrecision(3)))} after “${name}” began`;
}

function sentencesOf(search: Search, never: HeldNever, told: readonly Told[], brokenAt: number): string[] {
  const { scene } = search;
  return [
    ...told.map((t) => {
      const f = asFault(scene, t, 0, 0);
      const whose = befallsByName(scene, f);
      const lasts = f.seconds > 0 ? ` for ${say(f.seconds)}` : '';
      const text = `${wordsFor(scene, f)}${whose ? ` (${whose})` : ''}${lasts}, ${when(search, t.at)}`;
      return `${firstItem(text).toUpperCase()}${text.slice(1)}.`;
    }),
    `${told.length > 0 ? 'Then' : 'With nothing going wrong'}, ${when(search, brokenAt)}: ${never.words}.`,
  ];
}

/** What happens, in words; a command is moved by a message. */
function wordsFor(scene: Scene, f: Fault): string {
  const { words, byMessage } = DISTURBANCES[f.kind];
  return scene.hands.find((h) => h.id === f.of)?.wire.does === 'command' ? (byMessage ?? words) : words;
}

/** By name what a fault befalls, where there is more than one of its kind. */
function befallsByName(scene: Scene, f: Fault): string {
  if (f.of === '') return '';
  const lists = [
    scene.senses.map((s) => [s.id, s.name] as const),
    scene.parts.map((p) => [p.id, p.name] as const),
    scene.moves.map((m) => [m.id, m.name] as const),
    scene.hands.map((h) => [h.id, h.name] as const),
    scene.lines.map((l) => [l.press, l.name] as const),
  ];
  const list = lists.find((l) => l.some(([id]) => id === f.of));
  return list && list.length > 1 ? present(list.find(([id]) => id === f.of))[1] : '';
}

/** A story in which a condition is broken, with its words. */
function storyOf(search: Search, never: HeldNever, { told, brokenAt }: Omit<Counterexample, 'monitor'>): BrokenStory {
  const shift = firstItem(search.starts).at;
  const laid = atPresses(search, told);
  return {
    never,
    told,
    brokenAt,
    sentences: sentencesOf(search, never, laid, brokenAt),
    faults: laid.map((t, i) => asFault(search.scene, t, i, shift)),
  };
}

/** What happens in every story of a search. */
export const givenOf = (search: Search): readonly WorldEvent[] => [
  ...(search.before ?? []),
  ...search.calendar,
  ...armingsFor(search.scene, search.starts),
  ...startsAsHappenings(search.starts),
];

/** What fails beside the parts that a run always has: the program as a whole, what ends a press by itself, a regulator in series. */
const whatStandsBeside = ({ ends = [], loops = [] }: WorldPlan): readonly Disturbance[] => [
  { what: 'hangs', of: 0, how: 0 },
  ...ends.flatMap((e, of): Disturbance[] => (e ? [{ what: 'end-fails', of, how: 0 }] : [])),
  ...loops.flatMap((l): Disturbance[] => (l.cutOff ? [{ what: 'cut-fails', of: l.sense, how: 0 }] : [])),
];

/** What may go wrong in the stories of a search. */
export const disturbancesIn = (search: Search): readonly Disturbance[] => [
  ...disturbancesOf(search.scene, search.starts),
  ...(search.hangs ? whatStandsBeside(search.scene.world.plan) : []),
];

/**
 * Searches the stories of a job with up to `most` things going wrong, 0 to 2, at every instant that could matter.
 * @param progress called with the share that is done; a search ends where it answers false.
 */
export function searchJob(search: Search, most: number, progress?: (share: number) => boolean, work?: number): Stories {
  const { scene } = search;
  const found = searchStories(scene.world, {
    given: happeningsOf(givenOf(search)),
    end: search.end,
    disturbances: disturbancesIn(search),
    most,
    ...(progress ? { progress } : {}),
    ...(search.firstBy === undefined ? {} : { firstBy: search.firstBy }),
    ...(work === undefined ? {} : { work }),
  });
  const broken = scene.nevers.flatMap((never): BrokenStory[] => {
    const stories = found.broken
      .filter((s) => never.monitors.includes(s.monitor))
      .sort((x, y) => x.told.length - y.told.length || x.brokenAt - y.brokenAt);
    const [story] = stories;
    if (!story) return [];
    return [storyOf(search, never, story)];
  });
  const held = scene.nevers.filter((n) => n.monitors.length > 0);
  return {
    most: found.most,
    stories: found.stories,
    states: found.states,
    stopped: found.stopped,
    spent: found.spent,
    broken,
    kept: held.filter((n) => !broken.some((b) => b.never === n)),
    unheld: scene.nevers.filter((n) => n.monitors.length === 0),
  };
}

/** What a search came to, as a line of the log. */
export const searchedWords = (s: Stories): string =>
  `searched ${s.stories} stories with up to ${s.most === 1 ? 'one thing' : 'two things'} going wrong` +
  `${s.spent ? ', as many as it may tell' : s.stopped ? ', stopped before the end' : ''}: ${
    s.broken.length > 0
      ? s.broken.map((b) => `never ${b.never.words}, broken`).join('; ')
      : s.stopped
        ? 'none of these breaks a condition'
        : 'none breaks a condition'
  }`;

/**
 * What a search says, as findings: one for each condition, and one for all.
 * @param answers what was tried against each broken story, in their order; nothing where nothing was tried.
 */
export function storyFindings(
  s: Stories,
  answers: readonly { readonly cures: readonly unknown[] }[] = [],
): readonly Finding[] {
  const broken = s.broken.map((b, i) => brokenFinding(b, answers[i]?.cures.length !== 0));
  const count = `${s.stories.toLocaleString('en')} stories with up to ${s.most} ${s.most === 1 ? 'thing' : 'things'} going wrong`;
  if (s.stopped) return [notWhole(s), ...broken];
  const all = finding('act', 'stories', {
    verdict: s.kept.length === 0 && s.broken.length === 0 ? 'unknown' : worst(s),
    title:
      s.kept.length + s.broken.length === 0
        ? 'No condition in Wish can be held against a run, so the search says nothing'
        : `${count}: ${s.broken.length === 0 ? 'none of them breaks a condition' : brokenOf(s)}`,
    caption: s.broken.length > 0 ? 'a story breaks it' : 'no story breaks it',
    source: ['simulation', 'story-lengths'],
    remedy:
      s.kept.length + s.broken.length === 0 ? { text: 'Say in Wish, as conditions, what must never happen.' } : null,
  });
  return [
    all,
    ...broken,
    ...s.kept.map((n) =>
      finding('act', `never.${n.never.id}`, {
        verdict: s.most < 2 ? 'tight' : 'settled',
        title: `Never ${n.words}: ${KEPT_WORDS[s.most] ?? KEPT_WORDS[2]}`,
        caption: s.most < 2 ? 'kept with one fault' : 'kept with two faults',
        source: ['simulation', 'story-lengths'],
        remedy: s.most < 2 ? { text: 'Search with two things going wrong as well.' } : null,
      }),
    ),
  ];
}

/** A search that came to no end says nothing of what it had not told by then; what it found stands. */
const notWhole = (s: Stories): Finding =>
  finding('act', 'stories', {
    verdict: 'unknown',
    title: s.spent
      ? `The search was ended after ${s.stories.toLocaleString('en')} stories, as many as it may tell: what else there is is not known`
      : `The search was stopped after ${s.stories.toLocaleString('en')} stories`,
    caption: s.spent ? 'search not whole' : 'search stopped',
    source: ['simulation', 'story-lengths'],
    remedy: {
      text: s.spent
        ? 'Search with fewer things going wrong, or hold fewer moves, sentences and conditions against it at once.'
        : 'Search again and let it end.',
    },
  });

/** @param answered whether a ready change cures it, as far as any was tried. */
const brokenFinding = (b: BrokenStory, answered: boolean): Finding =>
  finding('act', `never.${b.never.never.id}`, {
    verdict: b.told.length <= 1 ? 'stop' : 'tight',
    title: `Never ${b.never.words}: broken. ${b.sentences.join(' ')}`,
    caption:
      b.told.length === 0 ? 'broken by the plan' : b.told.length === 1 ? 'one thing breaks it' : 'two things break it',
    source: ['simulation', 'story-lengths'],
    remedy: {
      text: answered
        ? 'Take an answer in Act, and search again.'
        : 'No ready change answers it: what a plan cannot end, a part of the machine or a person has to.',
    },
  });

const brokenOf = (s: Stories): string => `${s.broken.length} of ${s.broken.length + s.kept.length} conditions broken`;

const KEPT_WORDS = [
  'kept while nothing goes wrong',
  'no one thing that goes wrong breaks it',
  'no two things that go wrong together break it',
] as const;

/** As bad as the shortest story; with one thing going wrong alone nothing is settled. */
const worst = (s: Stories): 'stop' | 'tight' | 'settled' =>
  s.broken.some((b) => b.told.length <= 1) ? 'stop' : s.broken.length > 0 || s.most < 2 ? 'tight' : 'settled';
