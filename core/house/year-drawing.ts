import { fateIn } from '../engines/world';
import type { Year } from './year';

/** The picture of a year in its own units: so wide, so high, with this much beside and over it. */
export const YEAR_PICTURE = { width: 732, height: 260, left: 34, top: 18 } as const;
const DAY_MINUTES = 1440;
/** Fates that are what was asked; the rest is drawn as lost. */
const MEANT: readonly string[] = ['done', 'waits', 'not-so', 'too-soon', 'not-armed'];
/** A mark is never narrower than this. */
const LEAST_WIDE = 1.6;

/** A year drawn: one path for each sort of mark, so that thousands of them are one element. */
export interface YearDrawing {
  readonly acts: string;
  readonly lost: string;
  readonly rests: string;
  /** Empty where the place is not known. */
  readonly night: string;
}

/** What became of a rule, as it is drawn. */
export function drawnAs(fate: number): 'acts' | 'lost' | 'rests' {
  const is = fateIn(fate);
  return is === 'done' ? 'acts' : MEANT.includes(is) ? 'rests' : 'lost';
}

const y = (minutes: number): number => YEAR_PICTURE.top + YEAR_PICTURE.height * (minutes / DAY_MINUTES);

/** Draws a year. @param sun minutes at which it rises and sets by day, NaN where it does not; null where the place is not known. */
export function drawYear(
  { days, marks }: Pick<Year, 'days' | 'marks'>,
  sun: { readonly rise: Float32Array; readonly set: Float32Array } | null,
): YearDrawing {
  const step = YEAR_PICTURE.width / Math.max(1, days.length);
  const x = (day: number): string => (YEAR_PICTURE.left + day * step).toFixed(1);
  const parts: Record<'acts' | 'lost' | 'rests', string[]> = { acts: [], lost: [], rests: [] };
  const wide = Math.max(LEAST_WIDE, step).toFixed(1);
  for (let i = 0; i < marks.rule.length; i++) {
    const at = `M${x(marks.day[i] ?? 0)} ${y(marks.minutes[i] ?? 0).toFixed(1)}`;
    const as = drawnAs(marks.fate[i] ?? 0);
    parts[as].push(as === 'lost' ? `${at}m-2 -2l4 4m0 -4l-4 4` : `${at}h${wide}`);
  }
  const night = (day: number): string => {
    const [rise, set] = [sun?.rise[day] ?? NaN, sun?.set[day] ?? NaN];
    if (Number.isNaN(rise) || Number.isNaN(set)) return '';
    const box = (from: number, to: number): string =>
      `M${x(day)} ${y(from).toFixed(1)}h${step.toFixed(2)}V${y(to).toFixed(1)}h-${step.toFixed(2)}z`;
    return box(0, rise) + box(set, DAY_MINUTES);
  };
  return {
    acts: parts.acts.join(''),
    lost: parts.lost.join(''),
    rests: parts.rests.join(''),
    night: sun ? days.map((_, i) => night(i)).join('') : '',
  };
}
