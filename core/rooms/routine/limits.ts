import { finding, type Finding } from '../../ground/finding';
import {
  acts,
  closedTimes,
  type Hazard,
  type Job,
  type Mode,
  pressedBy,
  type RoutineLimit,
  sayLimit,
} from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { pinOf } from '../../build/lines';
import { hasDay } from './rule-lacks';
import { moveOf } from './clashes';
import { namesIn } from './words';

/** Hazards for which what only a program keeps is not kept well. */
const LASTING: readonly Hazard[] = ['unattended-heat', 'water', 'gas', 'pressure', 'moving-door', 'pinch', 'medical'];

/** What each limit comes to: what it breaks, what it lacks, or that run and program keep it. */
export const ruleLimitFindings = (job: Job): Finding[] => job.routine.limits.map((l) => limitFinding(job, l));

const said = (
  l: RoutineLimit,
  of: Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly todo: string },
): Finding =>
  finding('routine', `limit.${l.id}`, {
    verdict: of.verdict,
    title: of.title,
    caption: of.caption,
    source: ['simulation', 'maker'],
    remedy: of.todo === '' ? null : { text: of.todo },
  });

function limitFinding(job: Job, l: RoutineLimit): Finding {
  const words = sayLimit(l, namesIn(job));
  const lacks = lacksOf(job, l);
  if (lacks)
    return said(l, {
      verdict: 'unknown',
      title: `${words}: ${lacks}`,
      caption: 'limit not whole',
      todo: 'Say it, or take the limit away.',
    });
  const cut = cutsInto(job, l);
  if (cut) return said(l, { ...cut, title: `${words}: ${cut.title}` });
  const hurts = job.wish.hazards.some((h) => LASTING.includes(h)) || !job.wish.hazardsReviewed;
  const kept = `${words}: runs and the packed program keep this, whoever asks`;
  return said(l, {
    verdict: hurts ? 'tight' : 'settled',
    title: hurts ? `${kept}; a contact that sticks, or a program that hangs, does not` : kept,
    caption: hurts ? 'kept by the program alone' : 'limit kept',
    todo: hurts ? 'Where that hurts, let an end in Guard, or the wiring, keep it as well.' : '',
  });
}

/** What a limit lacks; empty where it is whole. */
function lacksOf(job: Job, l: RoutineLimit): string {
  const press = (id: string): boolean => job.presses.some((p) => p.id === id);
  switch (l.kind) {
    case 'longest-on':
    case 'least-on':
    case 'least-off':
      return press(l.press) ? '' : 'no press is named';
    case 'never-both':
      if (!press(l.press) || !press(l.otherPress)) return 'two presses are not named';
      return l.press === l.otherPress ? 'these are one press: what drives it keeps its ways apart' : '';
    case 'a-day':
      return job.act.moves.length > 0 ? '' : 'there is no move';
    case 'only-armed':
      return job.hands.some((h) => h.kind === 'arm' && pinOf(job, h.id) !== null)
        ? ''
        : 'nothing that arms is on a pin, so no move ever starts';
    case 'only-known':
      return job.senses.some((s) => s.id === l.sense) ? '' : 'no sense is named';
  }
}

type Cut = Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly todo: string };

/** What of the plan a limit cuts into; null for nothing. */
function cutsInto(job: Job, l: RoutineLimit): Cut | null {
  switch (l.kind) {
    case 'longest-on':
      return cutsPress(job, l);
    case 'least-on':
      return shorterPress(job, l);
    case 'never-both':
      return bothInOne(job, l);
    case 'a-day':
      return tooFew(job, l);
    case 'least-off':
      return waitsInMove(job, l);
    case 'only-known':
      return neverUnknown(job, l);
    case 'only-armed':
      return null;
  }
}

/** How long moves keep a press closed, over all the steps that it goes on through; those that no sense may end first. */
const pressesOf = (job: Job, press: string) =>
  job.act.moves
    .flatMap((m) => closedTimes(m).map((c) => ({ ...c, move: m.name, seconds: c.to - c.from })))
    .filter((c) => c.press === press)
    .sort((a, b) => Number(a.sensed) - Number(b.sensed));

function cutsPress(job: Job, l: RoutineLimit): Cut | null {
  const longer = pressesOf(job, l.press).find((c) => c.seconds > l.seconds);
  return longer
    ? {
        verdict: 'stop',
        title: `“${longer.move}” presses for ${formatQuantity(longer.seconds, 's')}, and would be cut off and call for help each time`,
        caption: 'limit cuts a move off',
        todo: 'Make the limit longer than the longest press of a move, or the press shorter.',
      }
    : null;
}

/** A press of a length of its own is as long as it says, whatever a limit asks for; one that waits for a sense is kept. */
function shorterPress(job: Job, l: RoutineLimit): Cut | null {
  const short = pressesOf(job, l.press).find((c) => c.seconds < l.seconds);
  return short
    ? {
        verdict: 'stop',
        title: `“${short.move}” presses for ${formatQuantity(short.seconds, 's')}${short.sensed ? ' at most' : ''}, which is shorter`,
        caption: 'move presses shorter',
        todo: 'Make that press as long, or the limit shorter: a limit lengthens only what waits for a sense.',
      }
    : null;
}

function bothInOne(job: Job, l: RoutineLimit): Cut | null {
  const both = job.act.moves.find((m) =>
    m.steps.some((s) => pressedBy(s).includes(l.press) && pressedBy(s).includes(l.otherPress)),
  );
  return both
    ? {
        verdict: 'stop',
        title: `a step of “${both.name}” presses both, and cannot be run`,
        caption: 'limit against a move',
        todo: 'Press one after the other in that move, or take the limit away.',
      }
    : null;
}

function tooFew(job: Job, l: RoutineLimit): Cut | null {
  const daily = [1, 2, 3, 4, 5, 6, 7].map(
    (day) =>
      job.routine.sentences.filter((s) => {
        const move = moveOf(job, s);
        return hasDay(s) && s.days.includes(day) && move && (l.move === '' || move.id === l.move);
      }).length,
  );
  const most = Math.max(...daily);
  return most > l.count
    ? {
        verdict: 'tight',
        title: `sentences ask for ${most} starts on one day: the last ${most - l.count} of them are refused`,
        caption: 'refuses its own rules',
        todo: 'Allow as many, or take a sentence away.',
      }
    : null;
}

function waitsInMove(job: Job, l: RoutineLimit): Cut | null {
  const close = job.act.moves.find((m) => {
    const pressed = m.steps.map((s) => pressedBy(s).includes(l.press));
    return m.steps.some((s, i) => {
      if (s.do !== 'wait' || s.seconds >= l.seconds) return false;
      return pressed[i - 1] === true && pressed[i + 1] === true;
    });
  });
  return close
    ? {
        verdict: 'tight',
        title: `“${close.name}” presses again sooner than that: it waits, and takes longer than its steps say`,
        caption: 'move has to wait',
        todo: 'Make the wait in that move as long.',
      }
    : null;
}

function neverUnknown(job: Job, l: RoutineLimit): Cut | null {
  const sense = job.senses.find((s) => s.id === l.sense);
  return sense && sense.kind === 'message' && sense.staleSeconds === null
    ? {
        verdict: 'tight',
        title: `${sense.name} never grows old, so what it said last counts for ever`,
        caption: 'never unknown',
        todo: 'Say in Sense after how long without news nothing is known.',
      }
    : null;
}

/** Modes that lock people out, or that nothing ends. */
export const ruleModeFindings = (job: Job): Finding[] =>
  job.routine.modes.flatMap((m) => [locksOut(job, m), neverEnds(job, m)].filter((f) => f !== null));

function locksOut(job: Job, m: Mode): Finding | null {
  if (m.holds !== 'hands' || job.hands.some((h) => h.kind === 'stop' && pinOf(job, h.id) !== null)) return null;
  return finding('routine', `mode-locks.${m.id}`, {
    verdict: 'tight',
    title: `While “${m.name}” is on the controller obeys nobody who presses, and there is no stop`,
    caption: 'locks people out',
    source: ['cautions'],
    remedy: { text: 'Add a stop at the controller: it goes before every mode and every rule.' },
  });
}

function neverEnds(job: Job, m: Mode): Finding | null {
  const { sentences } = job.routine;
  const on =
    m.on ||
    job.hands.some((h) => h.kind === 'mode' && h.mode === m.id) ||
    sentences.some((s) => acts(s) && s.does === 'mode-on' && s.sets === m.id);
  const off =
    m.endsSeconds !== null ||
    job.hands.some((h) => h.mode === m.id) ||
    sentences.some((s) => acts(s) && s.does === 'mode-off' && s.sets === m.id);
  if (!on || off || m.holds === 'nothing') return null;
  return finding('routine', `mode-stays.${m.id}`, {
    verdict: 'tight',
    title: `“${m.name}” comes on and nothing puts it off: what it holds back never acts again`,
    caption: 'mode never ends',
    source: ['maker'],
    remedy: { text: 'Give it a time after which it ends by itself, or a rule that puts it off.' },
  });
}
