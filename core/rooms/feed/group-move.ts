import { hasOther } from '../../engines/reversing';
import { finding, type Finding, type Remedy } from '../../ground/finding';
import {
  closedTimes,
  freeIn,
  freshMove,
  stepOf,
  type FeedGroup,
  type Job,
  type Move,
  type MoveStep,
} from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { groupSteps } from './timeline';

/** Two times that are the same but for rounding, s. */
const SAME_SECONDS = 1e-6;

/** The steps that press a group: each holds those that run by then, and goes on without a break in the next one. */
function stepsOfGroup(g: FeedGroup, other: boolean): MoveStep[] {
  const runs = groupSteps(g);
  const times = [...new Set(runs.flatMap((r) => [r.at, r.at + r.seconds]))].sort((a, b) => a - b);
  return times.slice(0, -1).map((at, i) => {
    const seconds = Number(((times[i + 1] ?? at) - at).toFixed(6));
    const [press, ...also] = runs.flatMap((r) => (r.at <= at && r.at + r.seconds > at ? [r.press] : []));
    return press === undefined
      ? stepOf('wait', { seconds })
      : stepOf('press', { press, also, other, alsoOther: other, seconds });
  });
}

/** How many of a group a move starts within its stagger at most; 0 for a move that starts fewer than two of them. */
function startsWithin(g: FeedGroup, move: Move): number {
  const starts = closedTimes(move).flatMap((c) => (g.presses.includes(c.press) ? [c.from] : []));
  if (starts.length < 2) return 0;
  return Math.max(
    ...starts.map((from) => starts.filter((at) => at >= from && at < from + g.staggerSeconds - SAME_SECONDS).length),
  );
}

/** The moves that start a group as it says; a motor’s two directions are two moves. */
function makeMoves(job: Job, g: FeedGroup): Remedy {
  const both = g.presses.every((id) => job.presses.some((p) => p.id === id && hasOther(p)));
  const move = (name: string, other: boolean, beside: readonly Move[]): Move => ({
    ...freshMove(freeIn([...job.act.moves, ...beside], name), name),
    purpose: 'other',
    steps: stepsOfGroup(g, other),
  });
  const there = move(g.name, false, []);
  const moves = both ? [there, move(`${g.name} back`, true, [there])] : [there];
  return {
    text: 'Let a move in Act start them so: run and program keep it then.',
    label: both ? 'Make its two moves' : 'Make its move',
    edit: {
      do: 'several',
      edits: moves.map((item) => ({ do: 'put', list: 'act.moves', item })),
      say: `${g.name}: started by ${both ? 'two moves' : 'a move'}`,
    },
  };
}

/** Whether anything starts a group as it says: what was reckoned of its stagger holds for what keeps it. */
export function groupHeld(job: Job, g: FeedGroup): Finding[] {
  if (g.presses.length < 2) return [];
  const id = `group-held@${g.id}`;
  const moves = job.act.moves.flatMap((m) => {
    const starts = startsWithin(g, m);
    return starts > 0 ? [{ m, starts }] : [];
  });
  const crowded = moves.filter(({ starts }) => starts > g.atOnce);
  const hands = job.hands.filter((h) => h.asks.some((press) => g.presses.includes(press)));
  const apart = formatQuantity(g.staggerSeconds, 's');
  if (moves.length === 0)
    return [
      finding('feed', id, {
        verdict: 'tight',
        title: `${g.name}: no move starts them so yet, and nothing else keeps ${apart} between their starts`,
        caption: 'no move starts them',
        source: ['motor-start'],
        remedy: makeMoves(job, g),
      }),
    ];
  const names = moves.map(({ m }) => `“${m.name}”`).join(' and ');
  const [first] = crowded;
  if (first)
    return [
      finding('feed', id, {
        verdict: 'tight',
        title: `${g.name}: “${first.m.name}” starts ${first.starts} of them within ${apart}, and the group says ${g.atOnce}`,
        caption: 'starts closer',
        source: ['motor-start'],
        remedy: { text: 'Change the steps of that move, or say in the group what they do.' },
      }),
    ];
  const beside = hands.map((h) => h.name).join(', ');
  const kept = beside ? `and ${beside} may press beside it` : 'in run and program';
  return [
    finding('feed', id, {
      verdict: beside ? 'tight' : 'settled',
      title: `${g.name}: ${names} start${moves.length === 1 ? 's' : ''} them so, ${kept}`,
      caption: beside ? 'a hand beside it' : 'kept by its moves',
      source: ['motor-start'],
      remedy: beside ? { text: 'Let the hand begin the move instead of pressing by itself.' } : null,
    }),
  ];
}
