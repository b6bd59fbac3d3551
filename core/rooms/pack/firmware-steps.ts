import { pressedBy, type Job, type MoveStep } from '../../ground/job';
import { comment } from './c-comment';

/** The longest step, ms: the clock of the program wraps round after 49.7 days, and a step must end well before. */
const LONGEST_STEP_MS = 1_000_000_000;

/** A step that takes its time in pieces that the clock can measure; one that waits for a sense waits no longer than one piece. */
function piecesOf(s: MoveStep): MoveStep[] {
  const most = LONGEST_STEP_MS / 1000;
  if (!['press', 'wait', 'warn'].includes(s.do)) return [{ ...s, seconds: Math.min(s.seconds, most) }];
  const whole = Math.floor(s.seconds / most);
  const rest = s.seconds - whole * most;
  return [
    ...Array<MoveStep>(whole).fill({ ...s, seconds: most }),
    ...(rest > 0 || whole === 0 ? [{ ...s, seconds: rest }] : []),
  ];
}

const OP: Readonly<Record<MoveStep['do'], string>> = {
  press: 'PRESS',
  wait: 'WAIT',
  hold: 'HOLD',
  until: 'UNTIL',
  look: 'LOOK',
  again: 'AGAIN',
  warn: 'WARN',
  tell: 'TELL',
  call: 'CALL',
};
const OTHERWISE: Readonly<Record<MoveStep['orElse'], string>> = { 'go-on': 'GO_ON', end: 'END', call: 'ASK' };

/**
 * The steps of all moves in one row, each as a line of C, and where each move begins.
 * @param least for how long a step lasts at least, s; null where nothing has to last.
 */
export function stepRows(
  job: Job,
  mask: (s: MoveStep) => number,
  sense: (id: string) => number,
  least: ((s: MoveStep) => number) | null,
): { rows: string[]; begin: number[] } {
  const rows: string[] = [];
  const begin = [0];
  for (const m of job.act.moves.length > 0 ? job.act.moves : [{ steps: [] }]) {
    const first = rows.length;
    const pieces = m.steps.map(piecesOf);
    /** Where each step begins once those before it came in pieces. */
    const at = pieces.map((_, i) => first + pieces.slice(0, i).reduce((n, p) => n + p.length, 0));
    for (const s of pieces.flat()) {
      const to = s.do === 'again' ? (at[s.to - 1] ?? first) : 0;
      const cells = [
        OP[s.do],
        `${mask(s)}u`,
        `${Math.round(s.seconds * 1000)}u`,
        s.sense === '' ? 0 : sense(s.sense),
        s.is ? 1 : 0,
        OTHERWISE[s.orElse],
        `${to}u`,
        `${s.do === 'again' ? s.times : 0}u`,
        ...(least ? [`${Math.round(1000 * least(s))}u`] : []),
      ];
      rows.push(`    { ${cells.join(', ')} },   /* ${comment(sayStep(job, s))} */`);
    }
    begin.push(rows.length);
  }
  // C99 knows no empty array; a row of no move is never taken.
  if (rows.length === 0) rows.push(`    { WAIT, 0u, 0u, 0, 0, END, 0u, 0u${least ? ', 0u' : ''} },`);
  return { rows, begin };
}

const sayStep = (job: Job, s: MoveStep): string =>
  [s.do, ...pressedBy(s).map((id) => job.presses.find((p) => p.id === id)?.name ?? id)].join(' ');
