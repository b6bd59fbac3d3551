import { pressedBy, type Job, type MoveStep } from '../../ground/job';
import type { StepRow } from './types';

/** The longest step, ms: the clock of a program wraps round after 49.7 days, and a step must end well before. */
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

/** A move by number from 0 where it stands, else the first one. */
export const moveNumber = (job: Job, id: string): number =>
  Math.max(
    0,
    job.act.moves.findIndex((m) => m.id === id),
  );

/**
 * The steps of all moves in one row, and where each move begins; the last number is where the last move ends.
 * @param mask the contacts of a step, in bits. @param least for how long a step lasts at least, s; null where nothing has to last.
 */
export function stepRows(
  job: Job,
  mask: (s: MoveStep) => number,
  sense: (id: string) => number,
  least: ((s: MoveStep) => number) | null,
): { readonly rows: readonly StepRow[]; readonly begins: readonly number[] } {
  const rows: StepRow[] = [];
  const begins = [0];
  for (const m of job.act.moves.length > 0 ? job.act.moves : [{ steps: [] as MoveStep[] }]) {
    const first = rows.length;
    const pieces = m.steps.map(piecesOf);
    /** Where each step begins once those before it came in pieces. */
    const at = pieces.map((_, i) => first + pieces.slice(0, i).reduce((n, p) => n + p.length, 0));
    for (const s of pieces.flat())
      rows.push({
        op: s.do,
        presses: mask(s),
        ms: Math.round(s.seconds * 1000),
        sense: s.sense === '' ? 0 : sense(s.sense),
        is: s.is,
        otherwise: s.orElse,
        to: s.do === 'again' ? (at[s.to - 1] ?? first) : 0,
        times: s.do === 'again' ? s.times : 0,
        leastMs: least ? Math.round(1000 * least(s)) : 0,
        words: sayStep(job, s),
        text: s.text,
      });
    begins.push(rows.length);
  }
  return { rows, begins };
}

const sayStep = (job: Job, s: MoveStep): string =>
  [s.do, ...pressedBy(s).map((id) => job.presses.find((p) => p.id === id)?.name ?? id)].join(' ');
