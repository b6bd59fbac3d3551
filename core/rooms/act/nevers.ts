import { atMost, chosen, derive, finding, judged, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import { longestPress, neverLacks, sayNever, type Job, type Never } from '../../ground/job';
import { clockText, formatQuantity } from '../../ground/quantity';
import { hasOther } from '../../engines/reversing';
import { allowedSpans, WorldProblem } from '../../engines/world';
import { bothWaysFinding } from './both-ways';
import { brokenInDay, type BrokenInDay } from './day-run';
import { pressEndOf } from './output-end';
import { oneRun } from './runs';
import { sceneOf, type Scene } from './scene';

/** What must never happen, condition by condition: what script and one-shot say of it, and what no run was held against yet. */
export function neverFindings(job: Job, facts: Facts): Finding[] {
  const held = heldIn(job);
  return job.wish.nevers.map((n) => neverFinding(job, facts, n, held));
}

/** What the run without faults says of each condition: when it breaks it, or why it cannot tell. */
interface Held {
  readonly scene: Scene | null;
  /** Why no run could tell; empty where one did, or where there is nothing to run. */
  readonly problem: string;
  readonly broken: ReadonlyMap<string, number>;
  /** When the routine's own day breaks it, its moves one after the other. */
  readonly inDay: ReadonlyMap<string, BrokenInDay>;
}
function heldIn(job: Job): Held {
  try {
    const scene = sceneOf(job);
    const broken = new Map<string, number>();
    // Long enough that what may last longest can be broken.
    const spans = scene ? allowedSpans(scene.world.plan) : [];
    const longest = Math.max(0, ...job.wish.nevers.map((n) => n.seconds), ...spans);
    job.act.moves.forEach((_, move) => {
      for (const b of (scene && oneRun(job, [], move, longest)?.broken) || [])
        broken.set(b.words, Math.min(b.at, broken.get(b.words) ?? Infinity));
    });
    return { scene, problem: '', broken, inDay: scene ? brokenInDay(job, scene) : new Map() };
  } catch (error) {
    if (!(error instanceof WorldProblem)) throw error;
    return { scene: null, problem: error.message, broken: new Map(), inDay: new Map() };
  }
}

function neverFinding(job: Job, facts: Facts, n: Never, { scene, problem, broken, inDay }: Held): Finding {
  const id = `never.${n.id}`;
  const words = sayNever(job, n);
  const lacks = neverLacks(n);
  if (lacks)
    return finding('act', id, {
      verdict: 'unknown',
      title: `Never ${words}: ${lacks} is not said`,
      caption: 'condition not whole',
      remedy: { text: 'Say it in Wish.' },
    });
  const breaks = broken.get(words);
  if (breaks !== undefined)
    return finding('act', id, {
      verdict: 'stop',
      title: `Never ${words}: the plan itself breaks it, ${formatQuantity(breaks, 's')} after its start and with nothing going wrong`,
      caption: 'broken without a fault',
      source: ['simulation'],
      remedy: { text: 'Change the move in Act, or the condition in Wish.' },
    });
  const onDay = inDay.get(n.id);
  if (onDay)
    return finding('act', id, {
      verdict: 'stop',
      title: `Never ${words}: the moves of a day, one after the other, break it at ${clockText(Math.floor(onDay.minutes))}${
        onDay.day > 1 ? ' of the next day' : ''
      }, with nothing going wrong`,
      caption: 'broken by its own day',
      source: ['simulation'],
      remedy: { text: 'Change the sentence in Routine that begins it, or its move in Act.' },
    });
  if (n.kind === 'output-longer') return longest(job, facts, n, id, words);
  if (n.kind === 'both-at-once') return bothFinding(job, n, id, words);
  const unheld = scene
    ? (scene.nevers.find((h) => h.never.id === n.id)?.unheld ?? '')
    : problem || 'the machine is not told in Act';
  if (unheld || !scene || job.act.moves.length === 0)
    return finding('act', id, {
      verdict: 'unknown',
      title: `Never ${words}: no run is held against this yet${unheld ? `, ${unheld}` : ''}`,
      caption: 'not held against runs',
      source: ['maker'],
      remedy: { text: 'Until runs are held against it, try to bring it about in Try.' },
    });
  return finding('act', id, {
    verdict: 'tight',
    title: `Never ${words}: kept while nothing goes wrong`,
    caption: 'kept without faults',
    holds: 'without-faults',
    source: ['simulation'],
    remedy: { text: 'Search in Act for the stories that break it.' },
  });
}

function bothFinding(job: Job, n: Never, id: string, words: string): Finding {
  const same = n.press === n.otherPress;
  const press = job.presses.find((p) => p.id === n.press);
  if (same && press && hasOther(press)) return bothWaysFinding(press, id, words);
  return finding('act', id, {
    verdict: same ? 'stop' : 'tight',
    title: same
      ? `Never ${words}: this press has one way only`
      : `Never ${words}: the packed program closes one contact at a time; a contact that sticks is held by nothing here`,
    caption: 'one at a time',
    source: ['simulation'],
    remedy: {
      text: same
        ? 'Name two presses in Wish, or one that has two ways.'
        : 'An interlock by wiring, or two contacts in series, holds where a contact sticks.',
    },
  });
}

/** The longest press of the moves, and how long what ends it lets it last where the controller hangs. */
function longest(job: Job, facts: Facts, n: Never, id: string, words: string): Finding {
  const most = longestPress(job, n.press);
  const fact = facts.presses.find((p) => p.id === n.press);
  const end = (fact && pressEndOf(job, fact, most))?.latest ?? null;
  const ended = end !== null;
  const step =
    end ??
    derive('longest press of the script', 't_long', 't', 's', [
      chosen('t', 'press', most, 's', 'press script', [0, 3600]),
    ]);
  const kept = step.result.value <= n.seconds;
  return judged('act', id, {
    title: `Never ${words}${ended ? ', whatever the controller does' : ', as long as the program runs'}`,
    caption: 'longest press',
    steps: [step],
    limit: atMost(n.seconds, 's', 'said in Wish', { from: 'maker', what: 'condition, in Wish' }),
    tightShare: 'met',
    verdict: kept ? (ended ? 'settled' : 'tight') : 'stop',
    source: ['one-shot', 'timer-relay'],
    remedy: kept
      ? ended
        ? null
        : { text: 'A one-shot (Guard) ends it even where the controller hangs.' }
      : { text: 'A shorter press in the script.' },
  });
}
