import { firstItem } from '../ground/lists';
import { clockText } from '../ground/quantity';
import { moveBy, policiesFor, type PolicyKind } from '../rooms/act';
import type { Assessment } from './assess';
import { assignPins, profileOf } from '../rooms/board';
import {
  applyEdit,
  dayMinutesOf,
  restContact,
  sentenceAt,
  stateSense,
  withSteps,
  type Job,
  type JobEdit,
} from '../ground/job';
import { powerUpOf } from './power-up-scene';
import type { BrokenStory } from './stories';
import { mayBeInSeries } from '../build/ways';

/** A change that may hold a condition, as an edit; a search tells whether it does. */
export interface StoryAnswer {
  readonly words: string;
  readonly edit: JobEdit;
}

const LOOKING: readonly PolicyKind[] = ['look-again', 'timed'];
/** What makes a controller come up, and its pins twitch. */
const COMES_UP: readonly string[] = ['cut', 'controller-out', 'restart'];

/** Ready answers to a story, the ones that reach furthest first: quiet pins, a sense, a policy that looks, one more look of the routine. */
export const answersTo = (job: Job, a: Pick<Assessment, 'lines'>, story: BrokenStory): readonly StoryAnswer[] =>
  [
    ...quietPins(job, a, story),
    ...twoContacts(job, story),
    ...countedArming(job, story),
    ...senses(job),
    ...policies(job),
    ...moreLooks(job, story),
  ].filter(({ edit }) => applyEdit(job, edit, job.touchedAt).ok);

function quietPins(job: Job, a: Pick<Assessment, 'lines'>, story: BrokenStory): StoryAnswer[] {
  const profile = profileOf(job);
  if (!profile || !story.told.some((t) => COMES_UP.includes(t.what)) || powerUpOf(job, a).twitches.size === 0)
    return [];
  const loose = { ...job, board: { ...job.board, pins: job.board.pins.map((p) => ({ ...p, fixed: false })) } };
  const placed = assignPins(loose, a.lines, profile);
  if (!placed.ok || powerUpOf({ ...job, board: { ...job.board, pins: [...placed.pins] } }, a).twitches.size > 0)
    return [];
  return [
    {
      words: 'pins that keep still at power-up',
      edit: { do: 'set', at: 'board', set: { pins: [...placed.pins] }, say: 'every line on a pin that keeps still' },
    },
  ];
}

/** One arming that lets no more starts go than it may. */
function countedArming(job: Job, { never }: BrokenStory): StoryAnswer[] {
  const { kind, count } = never.never;
  if (kind !== 'starts-per-arming') return [];
  return job.hands
    .filter((h) => h.kind === 'arm' && (h.startsPerArming ?? Infinity) > count)
    .map((h) => ({
      words: `${h.name}: armed for ${count === 1 ? 'one start' : `${count} starts`}`,
      edit: { do: 'put', list: 'hands', item: { ...h, startsPerArming: count } },
    }));
}

/** A contact that sticks presses for ever; of two in series both would have to stick. */
function twoContacts(job: Job, story: BrokenStory): StoryAnswer[] {
  if (!story.told.some((t) => t.what === 'welded')) return [];
  return job.presses
    .filter((p) => !p.twoContacts && p.way !== null && mayBeInSeries(p.way))
    .map((p) => ({
      words: `two contacts in series for ${p.name}`,
      edit: { do: 'set', at: 'press', of: p.id, set: { twoContacts: true } },
    }));
}

/** A contact that tells the rest, with each policy that looks at it: by itself it answers nothing. */
function senses(job: Job): StoryAnswer[] {
  if (stateSense(job)) return [];
  const contact = restContact(job);
  const told = applyEdit(job, contact, job.touchedAt);
  if (!told.ok) return [];
  return policies(told.job).map(({ words, edit }) => {
    const both = `a contact that tells its rest, and ${words}`;
    return { words: both, edit: { do: 'several', edits: [contact, edit], say: both } };
  });
}

function policies(job: Job): StoryAnswer[] {
  const [move] = job.act.moves;
  if (!move) return [];
  const now = JSON.stringify(move.steps);
  return policiesFor(job, move).flatMap((p): StoryAnswer[] =>
    p.lacks || !LOOKING.includes(p.kind) || JSON.stringify(p.steps) === now
      ? []
      : [
          {
            words: `${move.name}: ${p.words}`,
            edit: withSteps(job, moveBy(move, p).steps, `${move.name}: ${p.words}`),
          },
        ],
  );
}

/** One more start in the middle of the longest time without any, where the move looks before it presses. */
function moreLooks(job: Job, { never }: BrokenStory): StoryAnswer[] {
  const [move] = job.act.moves;
  const daily = job.routine.sentences.filter((s) => s.days.length > 0 && dayMinutesOf(s) !== null);
  if (never.never.kind !== 'lasts-longer' || move?.steps[0]?.do !== 'look' || daily.length === 0) return [];
  const minutes = daily.flatMap((s) => dayMinutesOf(s) ?? []).sort((x, y) => x - y);
  const gaps = minutes.map((m, i) => ({ from: m, minutes: (minutes[i + 1] ?? firstItem(minutes) + 1440) - m }));
  const widest = gaps.reduce((x, y) => (y.minutes > x.minutes ? y : x));
  // What may last for so long is caught by a look this long after the last one; half the gap where that is sooner.
  const after = Math.min(widest.minutes / 2, Math.floor(never.never.seconds / 60));
  const clock = clockText(Math.round(widest.from + after));
  if (daily.some((s) => s.when === 'clock' && s.at === clock)) return [];
  const first = firstItem(daily);
  const item = sentenceAt(clock, { ...first, id: `${first.id}-${clock.replace(':', '')}` });
  return [
    {
      words: `look again at ${clock}`,
      edit: { do: 'put', list: 'routine.sentences', item, say: `at ${clock} as well` },
    },
  ];
}
