import { LEAST_TIMES, MOST_MOVES, movesUntil, placeAfter, reserveOf, type WayTimes } from '../../engines/trace';
import { atMost, chosen, computed, derive, finding, judged, measured, type Finding } from '../../ground/finding';
import { type Job, type MachinePart, type Timing } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { timedPresses } from './timed-ways';

/**
 * Times of a way that were taken; null where they are fewer than tell a spread. The way back is the way there where that alone was timed.
 */
function wayOf(p: MachinePart, of: Timing['of']): WayTimes | null {
  const own = p.timings.filter((t) => t.of === of).map((t) => t.seconds);
  if (own.length === 0 && of === 'back' && p.backSeconds === null) return wayOf(p, 'run');
  return own.length < LEAST_TIMES ? null : reserveOf(own);
}

/** A press that carries a part only part of its way. */
interface Partial {
  readonly name: string;
  readonly share: number;
}

/** Presses of moves that are shorter than any way that was timed: they stop between the ends. */
export function partialPresses(job: Job, p: MachinePart): readonly Partial[] {
  return (['run', 'back'] as const).flatMap((of) => {
    const way = wayOf(p, of);
    if (way === null) return [];
    return timedPresses(job, p, of)
      .filter((t) => t.seconds < SHORT * way.mean)
      .map((t) => ({ name: t.name, share: t.seconds / way.mean }));
  });
}
/** A press that is shorter than this share of the way is meant to stop before its end. */
const SHORT = 0.9;

/** Where a part that is timed to stand between its ends really stands: its doubt grows with each move, until it is led to an end. */
export function betweenFindings(job: Job, p: MachinePart): Finding[] {
  if (p.kind !== 'travels-while-held' || p.between === null) return [];
  const id = `part.${p.id}.between`;
  const [there, back] = [wayOf(p, 'run'), wayOf(p, 'back')];
  if (!there || !back)
    return [
      finding('act', id, {
        verdict: 'unknown',
        title: `${p.name} is to stand between its ends, and its ways were not timed three times each: how far it misses is not known`,
        caption: 'where does it stand?',
        source: ['place-by-time'],
        remedy: { text: 'Time its way there and its way back, ten times each, from end to end.' },
      }),
    ];
  if (p.between.startsSeconds === null)
    return [
      finding('act', id, {
        verdict: 'unknown',
        title: `${p.name}: by how much its starts and stops vary was not watched, and each of its moves adds that`,
        caption: 'starts and stops?',
        source: ['place-by-time'],
        remedy: {
          text:
            'Press it for a second, ten times from the same end; the spread of where it stands, as time of its way, is that. ' +
            'A tenth of a second is usual.',
        },
      }),
    ];
  const partial = partialPresses(job, p);
  return partial.length > 0
    ? partial.map((x, i) => placeFinding(p, x, i, there, back))
    : [
        finding('act', id, {
          verdict: 'unknown',
          title: `${p.name} is to stand between its ends, and no move presses it for less than its whole way`,
          caption: 'no press of part of its way',
          source: ['place-by-time'],
          remedy: { text: 'Let a move press it for as long as its place asks for, in Act.' },
        }),
      ];
}

function placeFinding(p: MachinePart, x: Partial, i: number, there: WayTimes, back: WayTimes): Finding {
  const { mayMiss, startsSeconds } = p.between ?? { mayMiss: 0, startsSeconds: 0 };
  const starts = startsSeconds ?? 0;
  const one = placeAfter([x.share], there, back, starts);
  const most = movesUntil(x.share, mayMiss, there, back, starts);
  const step = derive('misses its place by, after one move', 'e', '100 * w', '%', [
    computed(
      'w',
      'share of the way within which it stands, 95 %',
      one.within,
      '1',
      'spread of its ways, of their mean, of starts and stops',
    ),
  ]);
  const times = `timed ${there.n} and ${back.n} times`;
  return judged('act', `part.${p.id}.between${i === 0 ? '' : `-${i}`}`, {
    title:
      `${x.name} carries the ${p.name} ${formatQuantity(100 * x.share, '%')} of its way; ` +
      (most === null
        ? `for ${MOST_MOVES} such moves it stays in its place`
        : most <= 1
          ? 'by time alone it does not find its place'
          : `after ${most - 1} such ${most === 2 ? 'move' : 'moves'} it has to be led to an end`),
    caption: 'place by time',
    steps: [
      derive('its way', 't', 'm', 's', [measured('m', 'mean of its way there', there.mean, 's', '', times)]),
      derive('starts and stops', 's_s', 's', 's', [
        chosen('s', 'by how much they vary', starts, 's', 'set in Sense', [0, 60]),
      ]),
      step,
    ],
    limit: atMost(100 * mayMiss, '%', 'what it may miss', { from: 'maker', what: 'set in Sense' }),
    // What is right once drifts with each move: it is never better than tight but where so many are not too many.
    verdict: most !== null && most <= 1 ? 'stop' : most === null ? 'settled' : 'tight',
    source: ['place-by-time'],
    remedy:
      most === null
        ? null
        : most <= 1
          ? { text: 'A sense at the place, or a stepper that is led to its end first: time alone does not find it.' }
          : {
              text: `Let a whole press lead it to an end after ${most - 1} such moves at the latest, and after each power cut.`,
            },
  });
}
