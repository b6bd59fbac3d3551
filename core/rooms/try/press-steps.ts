import { feedsATimer, TIMER_OFF } from '../../build/ways';
import { itemAt } from '../../ground/lists';
import { oneShot } from '../../engines/electrics';
import { hasOther, orderOf, otherWords } from '../../engines/reversing';
import { handsIn } from '../../build/panel';
import {
  onlyListens,
  pressedIn,
  sidesOf,
  longestPress,
  type Job,
  type Move,
  type Press,
  type Way,
} from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import type { SheetStep } from './sheet-step';

/** A press that is tried, or the other side or direction of it. */
export interface TriedPress {
  readonly press: Press | null;
  readonly other: boolean;
  /** What it is called in a step; empty where the job has one press of one side. */
  readonly name: string;
  /** The id of a step of this press: the first press of a job keeps the plain ones. */
  readonly id: (step: string) => string;
}

/** Ways that move a motor, of which no button is pressed. */
const MOTORS: readonly (Way | null)[] = ['reverse-motor', 'control-box', 'hand-mechanism'];

/**
 * Every press that a move makes or a hand asks for, each of its sides by itself; the first press of the job where none does; none where it
 * only listens.
 */
export function pressesTried(job: Job): readonly TriedPress[] {
  if (onlyListens(job)) return [];
  const asked = new Set([...pressedIn(job), ...handsIn(job).map((h) => h.asks)]);
  const made = job.presses.filter((p) => asked.has(p.id));
  const presses: readonly (Press | null)[] = made.length > 0 ? made : [job.presses[0] ?? null];
  const sides = presses.flatMap((press) =>
    (press && hasOther(press) ? [false, true] : [false]).map((other) => ({ press, other })),
  );
  return sides.map(({ press, other }, i) => ({
    press,
    other,
    name: sides.length < 2 || !press ? '' : other ? `${press.name}, ${otherWords(press)}` : press.name,
    id: (step) => (i === 0 || !press ? step : `${step}@${press.id}${other ? '/other' : ''}`),
  }));
}

/** Ends a title with whose it is. */
const of = (t: TriedPress): string => (t.name === '' ? '' : `: ${t.name}`);

/** The first step of a move that presses it, with its move; null where none does. */
function madeIn(job: Job, t: TriedPress): { readonly move: Move; readonly at: number } | null {
  for (const move of job.act.moves) {
    const at = move.steps.findIndex((s) => sidesOf(s).some((p) => p.press === t.press?.id && p.other === t.other));
    if (at >= 0) return { move, at };
  }
  return null;
}

/** What has to be so for a move to come to its press: what it looks at before it. */
function looksBefore(job: Job, t: TriedPress): string {
  const made = madeIn(job, t);
  if (!made) return '';
  const looks = made.move.steps.slice(0, made.at).filter((s) => s.do === 'look' || s.do === 'until');
  const said = looks.map((s) => {
    const sense = job.senses.find((x) => x.id === s.sense)?.name ?? 'its sense';
    return `${sense} ${s.is ? 'says so' : 'does not say so'}`;
  });
  return said.length === 0 ? '' : ` Hold it so that ${said.join(' and ')}: the move looks first.`;
}

/** How long its press lasts, in words. */
function lengthOf(job: Job, t: TriedPress): string {
  const made = madeIn(job, t);
  if (!made) return 'as long as the script says';
  const step = itemAt(made.move.steps, made.at);
  return step.do === 'hold'
    ? `until its sense says so, ${formatQuantity(step.seconds, 's')} at most`
    : formatQuantity(step.seconds, 's');
}

/** What starts it for a test: the move that makes it, or the hand that asks for it. */
function started(job: Job, t: TriedPress): string {
  const made = madeIn(job, t);
  if (made) return job.act.moves.length > 1 ? `Run “${made.move.name}”` : 'Run the script';
  const hand = handsIn(job).find((h) => h.asks === t.press?.id && h.other === t.other);
  return hand ? `Move ${hand.name}` : 'Run the script';
}

/** Before the machine is connected: a lamp in its place, an arm in the air. */
export function dummyStep(job: Job, t: TriedPress): SheetStep {
  const common = { id: t.id('dummy-load'), wanted: 1, onStandin: t.id('') === '' };
  const length = lengthOf(job, t);
  const run = `${started(job, t)}.${looksBefore(job, t)}`;
  if (t.press?.way === 'finger')
    return {
      ...common,
      title: `Move in the air first${of(t)}`,
      how: `Hold the servo beside the control, not over it. ${run}`,
      expected: `the arm swings to its press, stays for ${length} and comes back to its rest`,
    };
  if (MOTORS.includes(t.press?.way ?? null))
    return {
      ...common,
      title: `A lamp in the motor’s place first${of(t)}`,
      how: `Leave the motor unconnected. Put a lamp or a meter where it goes. ${run}`,
      expected: `the lamp has the volts of this direction for ${length}, and nothing after it`,
    };
  if (t.press?.way === 'drive-signal')
    return {
      ...common,
      title: `Read the signal first${of(t)}`,
      how: `Leave the machine unconnected. Put a meter where its input was. ${run}`,
      expected: `the level of this step for ${length}`,
    };
  return {
    ...common,
    title: `Press a lamp first${of(t)}`,
    how: `Leave the machine unconnected. Put a lamp or a meter on the contact. ${run}`,
    expected: `the contact closes for ${length} and opens again`,
  };
}

/** What no contact at all does while power comes and goes. */
export const restartsStep = (): SheetStep => ({
  id: 'restarts',
  title: 'Restart ten times and watch the contact',
  how: 'Machine unconnected, a meter on each contact. Cut and return the controller’s power.',
  expected: 'no contact closes, not even for a blink',
  wanted: 10,
  onStandin: true,
});

/** Two contacts in series: one that is stuck presses nothing. */
export function seriesSteps(t: TriedPress): readonly SheetStep[] {
  if (!t.press?.twoContacts || t.other) return [];
  return [1, 2].map((n) => ({
    id: t.id(`stuck-${n}`),
    title: `Contact ${n} stuck presses nothing${of(t)}`,
    how: `Machine unconnected, a meter across both contacts. Bridge contact ${n} with a wire for a moment.`,
    expected: 'the pair stays open; take the wire away again',
    wanted: 1,
    onStandin: false,
  }));
}

/** The timer relay opens while its contact is fed on. */
function timerSteps(job: Job, t: TriedPress): readonly SheetStep[] {
  const { seconds } = job.guard.endTimer;
  if (seconds === null || !t.press || t.other || !feedsATimer(t.press)) return [];
  return [
    {
      id: t.id('timer'),
      title: `The timer relay ends a press by itself${of(t)}`,
      how: 'A lamp in the place of the load. Hold the press for longer than the timer is set to, as a welded contact would.',
      expected: `the lamp goes out after ${formatQuantity(seconds * (1 + TIMER_OFF), 's')} at most, and stays out until it is let go`,
      wanted: 1,
      onStandin: false,
    },
  ];
}

/** The monostable, or the timer relay, ends a press that the program does not. */
export function cutOffSteps(job: Job, t: TriedPress): readonly SheetStep[] {
  const longest = longestPress(job, t.press?.id ?? '');
  if (job.guard.cutOff === 'timer-relay') return longest === 0 ? [] : timerSteps(job, t);
  if (job.guard.cutOff !== 'one-shot' || longest === 0 || t.other || (t.press && orderOf(t.press))) return [];
  const most = oneShot(longest).longest.result.value;
  return [
    {
      id: t.id('cut-off'),
      title: `The one-shot ends a press by itself${of(t)}`,
      how: 'Machine unconnected, a lamp on the contact. Hold the trigger at its active level, as a hung program would.',
      expected: `the contact opens after ${formatQuantity(most, 's')} at most, and stays open while the level is held`,
      wanted: 1,
      onStandin: false,
    },
  ];
}

/** One press, or one direction, on the machine itself. */
export function oneStep(job: Job, t: TriedPress, first: boolean): SheetStep {
  const made = madeIn(job, t);
  const purpose = made && made.move.purpose !== 'other' ? made.move.purpose : '';
  const wished = first && job.wish.outcome ? job.wish.outcome : '';
  return {
    id: t.id('one-press'),
    title: MOTORS.includes(t.press?.way ?? null)
      ? `One run on the machine${of(t)}`
      : `One press on the machine${of(t)}`,
    how: `Connect, stand by, ${started(job, t).toLowerCase()} once.${looksBefore(job, t)}`,
    expected: wished
      ? `the machine answers: ${wished}`
      : purpose
        ? `it does ${purpose}, and that way round`
        : 'the machine answers as wished',
    wanted: 1,
    onStandin: first,
  };
}

/** One direction while the other runs: both are off in between. */
export function reversalSteps(t: TriedPress): readonly SheetStep[] {
  const order = t.press && !t.other ? orderOf(t.press) : null;
  if (!order || !t.press) return [];
  return [
    {
      id: t.id('reversal'),
      title: `Ask for the other direction while it runs: ${t.press.name}`,
      how: 'Begin one direction, and ask for the other before it has come to rest.',
      expected: `it stops, stays off for ${formatQuantity(order.apartSeconds, 's')} or more, then turns`,
      wanted: 2,
      onStandin: false,
    },
  ];
}

/** Many presses without a miss. @param many how many. */
export const manyStep = (job: Job, t: TriedPress, many: number, expected: string): SheetStep => ({
  id: t.id('many-presses'),
  title: `${many} presses without a miss${of(t)}`,
  how: `${started(job, t)} ${many} times, at a pace the machine allows. A miss begins the count anew.`,
  expected,
  wanted: many,
  onStandin: t.id('') === '',
});

/** By hand each control still does what it did; a motor of your own wiring had none. */
export function byHandSteps(tried: readonly TriedPress[]): readonly SheetStep[] {
  const firsts = tried.filter(
    (t, i) => !t.other && tried.findIndex((x) => (x.press?.control ?? '') === (t.press?.control ?? '')) === i,
  );
  return firsts
    .filter(
      (t) =>
        t.press === null || (t.press.control !== '' && !['reverse-motor', 'control-box'].includes(t.press.way ?? '')),
    )
    .map((t) => ({
      id: t.id('hand-switch'),
      title: `The old button still works${of(t)}`,
      how: 'Press by hand, with the controller on and with it off.',
      expected: 'the machine obeys both times',
      wanted: 1,
      onStandin: t.id('') === '',
    }));
}
