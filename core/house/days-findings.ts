import { computed, derive, finding, type Finding } from '../ground/finding';
import { formatQuantity } from '../ground/quantity';
import type { ManyDays } from './many-days';

const SOURCE = ['simulation', 'fault-rates'] as const;
const percent = (x: number): string => `${(100 * x).toFixed(1)} %`;
const say = (hours: number): string => formatQuantity(Number((3600 * hours).toPrecision(3)), 's');

/** Where fewer days were counted than were asked for, that and why. */
const endedEarly = ({ days, wantedDays }: ManyDays): string =>
  days < wantedDays ? `; ${days} of ${wantedDays} days were counted, since more happens in them than can be run` : '';

/**
 * Which share of the starts went as the plan believes; null where nothing starts. How often things go wrong is common practice and no
 * reading of this house, so nothing here is settled.
 */
export function keptFinding(m: ManyDays): Finding | null {
  if (!m.kept) return null;
  return finding('act', 'days.kept', {
    verdict: 'tight',
    title:
      `Of ${m.starts} starts ${m.asBelieved} went as the plan believes, ` +
      `between ${percent(m.kept.low)} and ${percent(m.kept.high)} for such days${endedEarly(m)}`,
    caption: 'as believed',
    value: { value: 100 * m.kept.nominal, unit: '%' },
    steps: [
      derive('starts that went as the plan believes', 'q', '100 * n_kept / n', '%', [
        computed('n_kept', 'as believed', m.asBelieved, '1', 'runs of the machine’s own table, day after day'),
        computed('n', 'starts', m.starts, '1', 'sentences of Routine'),
      ]),
    ],
    source: SOURCE,
  });
}

/** How long in a week the machine was not as it would be with nothing going wrong. */
export function wrongFinding(m: ManyDays, id: string): Finding {
  const { low, nominal, high } = m.wrongHours;
  const weeks = m.wrongByWeek.length;
  return finding('act', `days.wrong.${id}`, {
    verdict: 'tight',
    title: `Not as it would be with nothing going wrong, a week: between ${say(low)} and ${say(high)} for such days${endedEarly(m)}`,
    caption: 'wrong in a week',
    value: { value: 3600 * nominal, unit: 's' },
    steps: [
      derive('wrong in a week', 't_wrong', 'T / w', 's', [
        computed('T', 'wrong in all', 3600 * nominal * weeks, 's', 'the run against the one with nothing going wrong'),
        computed('w', 'weeks', weeks, '1', 'days that were counted'),
      ]),
    ],
    source: SOURCE,
  });
}
