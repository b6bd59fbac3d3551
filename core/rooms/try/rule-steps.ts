import { acts, sayAt, sayIfs, sayLimit, type Job, type RoutineLimit, type Sentence } from '../../ground/job';
import { isPlainStart } from '../../build/rules';
import { formatQuantity } from '../../ground/quantity';
import type { SheetStep } from './sheet-step';

const names = (job: Job) => ({ ...job, modes: job.routine.modes, moves: job.act.moves });
const called = (list: readonly { readonly id: string; readonly name: string }[], id: string, what: string): string =>
  list.find((x) => x.id === id)?.name ?? what;

/** How what makes a rule come true is brought about. */
function broughtAbout(job: Job, s: Sentence): string {
  switch (s.when) {
    case 'clock':
      return `Put the controller’s clock to a minute before ${s.at}, and wait.`;
    case 'sun':
    case 'event':
      return 'Put the controller’s clock to a minute before what the year shows for today, and wait.';
    case 'sense': {
      const sense = called(job.senses, s.sense, 'its sense');
      const stands = s.forSeconds > 0 ? `, for ${formatQuantity(s.forSeconds, 's')}` : '';
      return `Bring the machine to where ${sense} ${s.says ? 'says so' : 'no longer says so'}${stands}.`;
    }
    case 'mode':
      return `Put ${called(job.routine.modes, s.mode, 'its mode')} ${s.says ? 'on' : 'off'}.`;
  }
}

function comesOf(job: Job, s: Sentence): string {
  switch (s.does) {
    case 'move':
      return `“${s.move === '' ? (job.act.moves[0]?.name ?? 'its move') : called(job.act.moves, s.move, 'its move')}” begins`;
    case 'mode-on':
    case 'mode-off':
      return `${called(job.routine.modes, s.sets, 'its mode')} ${s.does === 'mode-on' ? 'comes on' : 'goes off'}`;
    case 'call':
      return 'somebody is called';
  }
}

function ruleStep(job: Job, s: Sentence, number: number): SheetStep {
  const first = s.tier === 'lock-out' || s.tier === 'safety';
  const ifs = sayIfs(s, names(job));
  return {
    id: `rule@${s.id}`,
    title: `Rule ${number} comes true: ${sayAt(s, names(job))}`,
    how:
      broughtAbout(job, s) +
      (first ? ' Once more while somebody presses, and while a move of comfort is under way.' : '') +
      (ifs ? ' Once more with what it looks at otherwise.' : ''),
    expected:
      comesOf(job, s) +
      (first ? '; what was under way ends, and nothing lower begins while it lasts' : '') +
      (ifs ? `; it does not where it is not so${ifs}` : ''),
    wanted: 1 + (first ? 1 : 0) + (ifs ? 1 : 0),
    onStandin: false,
  };
}

/** How a limit is run into, and what is to come of it. */
function limitTry(job: Job, l: RoutineLimit): readonly [how: string, expected: string] {
  const [press, other] = [called(job.presses, l.press, 'the press'), called(job.presses, l.otherPress, 'the other')];
  const seconds = formatQuantity(l.seconds, 's');
  switch (l.kind) {
    case 'longest-on':
      return [
        `Hold a hand that presses ${press}, or a move that waits, for longer than ${seconds}. A lamp may stand for the machine.`,
        `it lets go after ${seconds} and calls for help`,
      ];
    case 'least-on':
      return [
        `Let a move press ${press} until its sense says so, and let the sense say so at once.`,
        `it stays pressed for ${seconds}`,
      ];
    case 'least-off':
      return [`Ask for ${press} again right after it let go.`, `it presses ${seconds} later, and no sooner`];
    case 'never-both':
      return [`Ask for ${press} and for ${other} at the same time.`, 'only one of them presses'];
    case 'a-day':
      return [`Ask for it ${l.count + 1} times on one day.`, 'the last one is refused, and the next day begins anew'];
    case 'only-armed':
      return ['Ask for it with nothing armed, by rule and by hand.', 'nothing moves'];
    case 'only-known':
      return [
        `Take ${called(job.senses, l.sense, 'the sense')} off, wait until it counts as unknown, and ask for it.`,
        'nothing moves',
      ];
  }
}

/** Every rule that is more than a plain start at a time, and every limit. */
export const ruleSteps = (job: Job): readonly SheetStep[] => [
  ...job.routine.sentences.flatMap((s, i) => (acts(s) && !isPlainStart(s) ? [ruleStep(job, s, i + 1)] : [])),
  ...job.routine.limits.map((l): SheetStep => {
    const [how, expected] = limitTry(job, l);
    const title = `${sayLimit(l, { ...names(job), presses: job.presses, senses: job.senses })}: it is kept`;
    return { id: `limit@${l.id}`, title, how, expected, wanted: 1, onStandin: false };
  }),
];
