import { applyEdit, longestPress, type Job } from '../../ground/job';
import { feedsATimer } from '../../build/ways';
import { formatQuantity } from '../../ground/quantity';
import { answersTo, type StoryAnswer } from '../answers';
import { wiredOf } from '../assess';
import type { Wired } from '../power-up-scene';
import type { DrillStory } from './drill';
import { jobWith, type DrillAnswer } from './smallest';

/** The watchdog of the packed MicroPython program, s; that of another program is set by whoever writes it. */
const WATCHDOG_SECONDS = 8;
/** A timer relay is set to the longest press and so much more, as a share: it may itself be a tenth off. */
const TIMER_MORE = 1.25;

/** Answers at most: each is drilled by itself and with others. */
const MOST_OFFERED = 24;

/**
 * Every answer that may cure some of these stories, once each: those of the plan, those of hardware that stand beside the program, and
 * those that become possible once one of these is given. Whether one does, a drill tells.
 */
export function drillAnswers(job: Job, a: Wired, stories: readonly DrillStory[]): readonly DrillAnswer[] {
  const first = offered(job, a, stories).map((x): DrillAnswer => ({ ...x, needs: -1 }));
  const known = new Set(first.map(sameAs));
  const then = first.flatMap((x, needs) => {
    const done = jobWith(job, [x]);
    return done
      ? offered(done, wiredOf(done), stories).flatMap((y): DrillAnswer[] => {
          if (known.has(sameAs(y))) return [];
          known.add(sameAs(y));
          return [{ ...y, needs }];
        })
      : [];
  });
  return [...first, ...then].slice(0, MOST_OFFERED);
}

/** Two answers are one where they change the same: what they are called tells nothing. */
export const sameAs = ({ edit }: StoryAnswer): string => JSON.stringify(edit);

function offered(job: Job, a: Wired, stories: readonly DrillStory[]): readonly StoryAnswer[] {
  const hangs = stories.some((s) => s.story.told.some((t) => t.what === 'hangs'));
  const sticks = stories.some((s) => s.story.told.some((t) => t.what === 'welded'));
  const all = [
    ...(hangs ? [...watchdog(job), ...oneShots(job, a)] : []),
    ...(hangs || sticks ? [...timer(job, a), ...openAtRest(job)] : []),
    ...cutOuts(job, stories),
    ...stories.flatMap((s) => answersTo(job, a, s.story)),
  ];
  const once = new Map(all.map((x) => [sameAs(x), x]));
  return [...once.values()].filter(({ edit }) => applyEdit(job, edit, job.touchedAt).ok);
}

const watchdog = ({ guard }: Job): StoryAnswer[] =>
  guard.watchdogSeconds !== null
    ? []
    : [
        {
          words: `a watchdog that restarts a hung program after ${WATCHDOG_SECONDS} s`,
          edit: {
            do: 'set',
            at: 'guard',
            set: { watchdogSeconds: WATCHDOG_SECONDS },
            say: 'a watchdog restarts a program that hangs',
          },
        },
      ];

/** A monostable before the driver, where one level presses. */
const oneShots = (job: Job, { facts }: Wired): StoryAnswer[] =>
  job.guard.cutOff !== 'none' || !facts.presses.some((p) => p.outputs === 1 && p.input === 'level')
    ? []
    : [
        {
          words: 'a one-shot ends each press',
          edit: { do: 'set', at: 'guard', set: { cutOff: 'one-shot' }, say: 'a one-shot ends each press' },
        },
      ];

/** A timer relay in the lead of what is switched: it ends a contact that sticks as well. */
function timer(job: Job, { facts }: Wired): StoryAnswer[] {
  const fed = facts.presses.filter(feedsATimer);
  const longest = Math.max(0, ...fed.map((p) => longestPress(job, p.id)));
  if (job.guard.cutOff === 'timer-relay' || longest === 0) return [];
  const seconds = Math.ceil(TIMER_MORE * longest);
  return [
    {
      words: `a timer relay of ${formatQuantity(seconds, 's')} in its lead`,
      edit: {
        do: 'set',
        at: 'guard',
        set: { cutOff: 'timer-relay', endTimer: { seconds, amps: job.guard.endTimer.amps } },
        say: 'a timer relay ends each press',
      },
    },
  ];
}

const openAtRest = (job: Job): StoryAnswer[] =>
  job.presses
    .filter((p) => p.way === 'switched-supply' && p.supply.atRest === 'closed')
    .map((p) => ({
      words: `${p.name}: the contact is open at rest`,
      edit: { do: 'set', at: 'press.supply', of: p.id, set: { atRest: 'open' } },
    }));

/** The machine's own regulator stays in series, halfway between where its work ends and what must never be. */
const cutOuts = (job: Job, stories: readonly DrillStory[]): StoryAnswer[] =>
  stories.flatMap(({ story }): StoryAnswer[] => {
    const { kind, sense, degrees } = story.never.never;
    const loop = job.routine.loops.find((l) => l.sense === sense);
    const over = job.senses.find((s) => s.id === sense)?.limit?.over;
    if (kind !== 'gets-warmer' || loop?.way !== 'warms' || loop.cutsOffAt !== null || over === undefined) return [];
    const at = Math.round((over + degrees) / 2);
    if (at <= over || at >= degrees) return [];
    return [
      {
        words: `its own regulator in series, set to ${formatQuantity(at, '°C')}`,
        edit: {
          do: 'put',
          list: 'routine.loops',
          item: { ...loop, cutsOffAt: at },
          say: `${loop.name}: its own regulator stays in series at ${formatQuantity(at, '°C')}`,
        },
      },
    ];
  });
