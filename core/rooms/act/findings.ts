import { firstItem, lastItem, present } from '../../ground/lists';
import { finding, summary, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import { machineOf, onlyListens, restContact, stateSense, stepOf, withSteps, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { RunEnded, WorldProblem } from '../../engines/world';
import { gapFinding, lengthFindings, otherLengths } from './press-lengths';
import { neverFindings } from './nevers';
import { heardPress, heardScript, unheard } from './heard';
import { asBoughtFindings } from './as-bought';
import { askedFindings } from './in-turn';
import { listeningFindings } from './listening';
import { partFindings } from './part-findings';
import { purposeFindings } from './purpose';
import { oneRun } from './runs';
import { timedFindings } from './timed';
import { pressedTogetherFindings } from './together';
import type { RunTrace } from './trace';
import { wattsFindings } from './watts';
import { SAFE_PRESS, USUAL_PRESS_SECONDS } from '../../build/times';

/** What Act judges: the press's length, what the script does to the machine, and what one missed press leaves behind. */
export function actFindings(job: Job, facts: Facts): Finding[] {
  if (onlyListens(job)) return [...listeningFindings(job), ...wattsFindings(job), ...neverFindings(job, facts)];
  return [
    ...scriptFindings(job, facts),
    ...otherLengths(job, facts),
    ...asBoughtFindings(job),
    ...wattsFindings(job),
    ...neverFindings(job, facts),
    ...pressedTogetherFindings(job, facts),
  ];
}

function scriptFindings(job: Job, facts: Facts): Finding[] {
  const machine = machineOf(job);
  const shortestSeen = machine.shortestPressSeconds;
  const out: Finding[] =
    machine.kind === 'unknown'
      ? [notTold()]
      : job.act.parts.flatMap((p) => [...partFindings(p), ...timedFindings(job, p)]);
  const presses = heardScript(job).filter((s) => s.do === 'press');
  // While nothing is told of the machine, that is what is missing, and not one press among several.
  const others = job.act.parts.length === 0 ? [] : unheard(job);
  const followed = job.presses.find((p) => p.id === heardPress(job))?.name ?? 'one press';
  const named = others.length > 3 ? [...others.slice(0, 2), `${others.length - 2} more`] : others;
  if (others.length > 0)
    out.push(
      finding('act', 'unheard', {
        verdict: 'unknown',
        title:
          `The run follows ${followed} alone: what ${named.join(' and ')} ${named.length > 1 ? 'do' : 'does'} ` +
          'to the machine is not told',
        caption: 'other presses not run',
        remedy: { text: 'Try those presses at the machine itself, in Try.' },
      }),
    );
  if (presses.length === 0) {
    const first = job.presses[0]?.id;
    const seconds = Math.max(USUAL_PRESS_SECONDS, SAFE_PRESS * (shortestSeen ?? 0));
    return [
      ...out,
      finding('act', 'script', {
        verdict: 'unknown',
        title: 'The press script is empty',
        caption: 'no press yet',
        remedy: {
          text: 'One press at least twice as long as the shortest that the machine obeys is a good beginning.',
          ...(first === undefined
            ? {}
            : {
                label: `Press for ${formatQuantity(seconds, 's')}`,
                edit: withSteps(
                  job,
                  [stepOf('press', { press: first, seconds })],
                  `press for ${formatQuantity(seconds, 's')}`,
                ),
              }),
        },
      }),
    ];
  }
  const shortest = presses.reduce((a, b) => (b.seconds < a.seconds ? b : a));
  const lengths = lengthFindings(job, facts, shortest.seconds, Math.max(...presses.map((p) => p.seconds)));
  out.push(...lengths, ...gapFinding(job, facts));
  // A switch that stays down ends the run when it is let go: what the run tells then is no run of this machine.
  const unheld = lengths.some((f) => f.id === 'act.hold' && f.verdict !== 'settled');
  const runs = runFindings(job, presses.length, shortest.seconds);
  return [...out, ...(unheld ? runs.map(notAsRun) : runs)];
}

const notAsRun = (f: Finding): Finding =>
  f.id === 'act.run' && f.verdict === 'settled'
    ? { ...f, verdict: 'unknown', title: `${f.title}. But this switch stays down by itself, and the press lets it go` }
    : f;

const notTold = (): Finding =>
  finding('act', 'machine', {
    verdict: 'unknown',
    title: 'What a press does to this machine has not been said',
    caption: 'machine not told',
    remedy: { text: 'Say under “A press” what it does.' },
  });

/** What the run without faults comes to, and what one missed press leaves behind. */
function runFindings(job: Job, planned: number, shortest: number): Finding[] {
  try {
    return ofRuns(job, planned, shortest);
  } catch (error) {
    if (!(error instanceof WorldProblem)) throw error;
    return [error instanceof RunEnded ? notFollowed(error) : notRun(error)];
  }
}

const notRun = (error: WorldProblem): Finding =>
  finding('act', 'run', {
    verdict: 'stop',
    title: `This cannot be run: ${error.message}`,
    caption: 'cannot be run',
    source: ['simulation'],
    remedy: { text: 'Change the step or the state that is named.' },
  });

const notFollowed = (error: RunEnded): Finding =>
  finding('act', 'run', {
    verdict: 'unknown',
    title: `The run was not followed to its end, since ${error.message}`,
    caption: 'run not followed',
    source: ['simulation'],
    remedy: {
      text: 'Let the move go back less often, or wait for longer, and give the machine the times that it has.',
    },
  });

function ofRuns(job: Job, planned: number, shortest: number): Finding[] {
  const clean: RunTrace | null = oneRun(job, []);
  const [part] = clean?.parts ?? [];
  if (!clean || !part) return [];
  const seen = clean.parts.reduce((n, p) => n + p.seen.length, 0);
  const caption = `${planned === 1 ? 'one press' : `${planned} presses`}, ${formatQuantity(shortest, 's')}`;
  const made = clean.outputs.reduce((n, o) => n + o.spans.length, 0);
  // A move that looks may find nothing to do.
  const nothing = made === 0 && looksIn(job);
  const met = nothing || (seen > 0 && seen === made);
  const goes = part.machine.map((s) => s.word).join(', ');
  return [
    summary('act', 'run', {
      verdict: clean.calls.length === 0 && met ? 'settled' : 'stop',
      title:
        clean.calls.length > 0
          ? `Without faults the move calls for help after ${formatQuantity(firstItem(clean.calls), 's')}: it waits for what does not come`
          : nothing
            ? `Without faults it looks, finds the machine ${lastItem(part.machine).word} and presses nothing`
            : seen > 0
              ? `Without faults the machine sees ${seen} of ${made} presses and goes: ${goes}`
              : 'The machine sees no press at all',
      caption,
      source: ['simulation'],
    }),
    ...overlooked(clean),
    ...askedFindings(job),
    ...purposeFindings(job),
    ...missedPress(job),
  ];
}

/** Presses of the plan that the machine meets and that change nothing: it is busy then, or asks for something else. */
function overlooked(clean: RunTrace): Finding[] {
  const presses = clean.outputs.flatMap((o) => o.spans);
  const starts = clean.parts.flatMap((p) => p.machine.map((s) => s.from));
  const met = clean.parts.flatMap((p) => p.seen).filter((s) => s.by === 'plan');
  const idle = met.filter(({ at }) => {
    const ends = presses.find((o) => o.from <= at + INSTANT && at <= o.to + INSTANT)?.to ?? at;
    return !starts.some((from) => from > 0 && from >= at - INSTANT && from <= ends + INSTANT);
  });
  const [first] = idle;
  if (!first) return [];
  return [
    finding('act', 'overlooked', {
      verdict: 'tight',
      title:
        `${idle.length} of ${met.length} presses change${idle.length === 1 ? 's' : ''} nothing at the machine, the first of them after ` +
        `${formatQuantity(first.at, 's')}: it overlooks it where it is then`,
      caption: 'press overlooked',
      source: ['simulation'],
      remedy: { text: 'Wait until the machine has done what it does, or leave that press out.' },
    }),
  ];
}
/** Two times closer than this are one instant, s: sums of times differ in their last bits. */
const INSTANT = 1e-6;

function missedPress(job: Job): Finding[] {
  const trace = present(oneRun(job, [{ id: 'missed', kind: 'missed-press', atSeconds: 0, seconds: 0, of: '' }]));
  const { parted } = firstItem(trace.parts);
  const worst = parted.at(-1);
  const lasting = parted.some((p) => p.to >= trace.end);
  const apart = formatQuantity(
    parted.reduce((s, p) => s + p.to - p.from, 0),
    's',
  );
  const call = trace.calls[0];
  const harmless = (title: string, caption: string): Finding[] => [
    finding('act', 'missed-press', { verdict: 'settled', title, caption, source: MISSED_SOURCES }),
  ];
  if (!worst) return harmless('One missed press changes nothing here', 'missed press harmless');
  // Pressed again is what the run shows, not what a plan that looks might do: one press more than where nothing was missed.
  const presses = (t: RunTrace): number => t.outputs.reduce((sum, { spans }) => sum + spans.length, 0);
  const again = (): boolean => presses(trace) > presses(present(oneRun(job, [])));
  if (!lasting && call === undefined && looksIn(job) && again())
    return harmless(
      `One missed press is noticed and pressed again: plan and machine part for ${apart} only`,
      'missed press mended',
    );
  if (call !== undefined)
    return harmless(
      `One missed press is noticed: the plan calls for help after ${formatQuantity(call, 's')}`,
      'missed press told',
    );
  const text = `One missed press: the plan believes ${worst.believed} while the machine is ${worst.true}`;
  return [lasting ? partsForGood(job, `${text}, and stays so`) : partsForNow(`${text} for ${apart}`)];
}

const MISSED_SOURCES = ['simulation', 'fault-rates'] as const;

const partsForNow = (title: string): Finding =>
  finding('act', 'missed-press', { verdict: 'settled', title, caption: 'a missed press', source: MISSED_SOURCES });

/** Plan and machine stay apart after one missed press. */
function partsForGood(job: Job, text: string): Finding {
  const grave = job.wish.hazards.includes('moving-door') || machineOf(job).kind === 'open-stop-close-stop';
  const sensed = stateSense(job) !== undefined;
  return finding('act', 'missed-press', {
    verdict: grave ? 'stop' : 'tight',
    title: sensed ? `${text}. A sense in Sense would show it, and the move does not look at it` : text,
    caption: 'a missed press',
    source: MISSED_SOURCES,
    remedy: sensed
      ? { text: 'Let the move look before it presses, and again after it: a ready policy below does both.' }
      : {
          text: 'A contact at rest that the move looks at before it presses, and again after it.',
          label: 'Add one contact at rest',
          edit: restContact(job),
        },
  });
}

/** Whether the first move reads any sense. */
const looksIn = (job: Job): boolean => (job.act.moves[0]?.steps ?? []).some((s) => s.sense !== '');
