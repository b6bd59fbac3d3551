import { finding, type Finding } from '../../ground/finding';
import { acts, type Hazard, type Job, type MachinePart, type Move, type Sentence } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { moveOf } from './clashes';
import { namesIn, quotedAt } from './words';

/** Hazards for which something that stays on does harm. */
const LASTING: readonly Hazard[] = ['unattended-heat', 'water', 'gas', 'pressure', 'medical'];
/** Hazards of what moves while somebody may stand there. */
const MOVING: readonly Hazard[] = ['moving-door', 'pinch'];
/** Kinds of machines that stay as a press has left them. */
const STAYS: readonly MachinePart['kind'][] = ['flips', 'on-and-off', 'steps'];
/** What is made up for later than this comes when nobody thinks of it any more, s. */
const SOON = 60;

/** What rules can do: an end that gets lost, a move that comes when nobody expects it, an alarm that is all there is. */
export const harmFindings = (job: Job): Finding[] =>
  [lostEnd(job), comesLate(job), onlyAlarm(job), deafAlarm(job)].filter((f) => f !== null);

const begins = (job: Job, s: Sentence, purpose: Move['purpose']): boolean =>
  acts(s) && moveOf(job, s)?.purpose === purpose;

/** A machine that one rule puts on and another one off: the second can get lost. */
function lostEnd(job: Job): Finding | null {
  const { sentences } = job.routine;
  const on = sentences.find((s) => begins(job, s, 'start'));
  const off = sentences.find((s) => begins(job, s, 'stop'));
  const part = job.act.parts.find((p) => STAYS.includes(p.kind) && p.timerSeconds === null);
  // A one-shot and a timer relay end a press; what stays as the press has left it goes on.
  if (!on) return untold(job, part);
  if (!part || job.guard.cutOff === 'own-end') return null;
  const hurts = job.wish.hazards.filter((h) => LASTING.includes(h));
  const names = namesIn(job);
  return finding('routine', 'lost-end', {
    verdict: hurts.length > 0 ? 'stop' : 'tight',
    title: off
      ? `${quotedAt(on, names)} puts it on and ${quotedAt(off, names)} off: an end that gets lost, or that a dead controller misses, ` +
        'leaves it on until the next one'
      : `${quotedAt(on, names)} puts it on, and no rule puts it off`,
    caption: 'end can get lost',
    source: ['press-longest', 'maker'],
    remedy: {
      text:
        'Let what switches it end by itself: a press that lasts as long as wanted behind a timer relay, the machine’s own timer (Act), ' +
        'or an end that Guard names.',
    },
  });
}

/** Whether a move of which nobody said what it is for leaves on what stays on. */
function untold(job: Job, part: MachinePart | undefined): Finding | null {
  const other = job.routine.sentences.find((s) => begins(job, s, 'other'));
  if (!other || !part || job.guard.cutOff === 'own-end') return null;
  const name = moveOf(job, other)?.name ?? 'a move';
  return finding('routine', 'lost-end', {
    verdict: 'unknown',
    title: `What “${name}” is for was not said: whether it leaves ${part.name} on, and what ends that, is not known`,
    caption: 'left on?',
    source: ['maker'],
    remedy: { text: 'Say in Act what the move is for: to start, to stop, to open or to close.' },
  });
}

/** A move that is made up for so late that nobody expects it. */
function comesLate(job: Job): Finding | null {
  if (!job.wish.hazards.some((h) => MOVING.includes(h) || h === 'unattended-heat')) return null;
  const late = job.routine.sentences.find(
    (s) => acts(s) && s.does === 'move' && (s.whenHeld === 'kept' || (s.whenHeld === 'late' && s.lateSeconds > SOON)),
  );
  if (!late) return null;
  const how = late.whenHeld === 'kept' ? 'whenever it can' : `up to ${formatQuantity(late.lateSeconds, 's')} later`;
  const sentences = job.routine.sentences.map((s) => (s.id === late.id ? { ...s, whenHeld: 'dropped' as const } : s));
  return finding('routine', 'comes-late', {
    verdict: 'tight',
    title: `What ${quotedAt(late, namesIn(job))} asks for is made up for ${how}: it moves or heats when nobody expects it any more`,
    caption: 'comes unexpected',
    source: ['cautions'],
    remedy: {
      text: 'Drop what was held back, or warn before it moves.',
      label: 'Drop it',
      edit: { do: 'set', at: 'routine', set: { sentences }, say: 'what is held back is dropped' },
    },
  });
}

/** A rule that keeps somebody from harm and is a program: never all that there is. */
function onlyAlarm(job: Job): Finding | null {
  const alarm = job.routine.sentences.find((s) => acts(s) && s.tier === 'safety');
  if (!alarm) return null;
  const people = job.wish.hazards.some((h) => h === 'gas' || h === 'medical' || h === 'pressure');
  return finding('routine', 'alarm', {
    verdict: people ? 'stop' : 'tight',
    title: people
      ? 'A rule of this program is to keep people from harm: a program, a home-made sense and a radio may never be all that does'
      : `${quotedAt(alarm, namesIn(job))} is a rule of safety: a program that hangs, a sense that sticks or a wire that breaks ` +
        'keeps nobody from harm',
    caption: 'alarm is a program',
    source: ['cautions'],
    remedy: {
      text: people
        ? 'Use an alarm that is made and tested for this, wired as its maker says; what is built here may come on top of it.'
        : 'Keep the machine’s own safety and a listed alarm in place; what is built here comes on top of them.',
    },
  });
}

/** An alarm by a sense that may fall silent, and nobody hears of it. */
function deafAlarm(job: Job): Finding | null {
  const { sentences } = job.routine;
  const deaf = sentences
    .filter((s) => acts(s) && s.when === 'sense' && (s.tier === 'safety' || s.tier === 'lock-out'))
    .map((s) => job.senses.find((x) => x.id === s.sense))
    .find((x) => x && x.kind === 'message' && x.staleSeconds === null);
  if (!deaf) return null;
  return finding('routine', 'deaf', {
    verdict: 'stop',
    title: `${deaf.name} comes by message and never grows old: silence reads as all well, and the rule that rests on it never acts`,
    caption: 'silence reads as well',
    source: ['contact-meaning'],
    remedy: { text: 'Say in Sense after how long without news nothing is known.' },
  });
}
