import type { FaultKind } from '../../ground/job';
import { computed, constant, derive, finding, type Finding, type Input, type Step } from '../../ground/finding';
import { DISTURBANCES, FAULT_RATES } from '../../rooms/act';
import type { BrokenStory } from '../stories';

/** How often something goes wrong, at least and at most: a year, or at each closure of a contact. */
interface Rate {
  readonly per: 'year' | 'closure';
  readonly least: number;
  readonly most: number;
}
const aYear = (least: number, most: number): Rate => ({ per: 'year', least, most });
const aClosure = (least: number, most: number): Rate => ({ per: 'closure', least, most });

/**
 * How often each thing goes wrong, as orders of magnitude (`failure-orders`): common practice, no source. They rank stories beside each
 * other and prove nothing.
 */
const RATES: Readonly<Record<FaultKind, Rate>> = {
  'missed-press': aClosure(FAULT_RATES.missedShare / 10, FAULT_RATES.missedShare),
  'seen-twice': aClosure(1e-4, 1e-2),
  'hand-press': aYear(10, 300),
  'power-cut': aYear(0.3, 10),
  'plug-out': aYear(0.3, 30),
  'controller-out': aYear(0.3, 30),
  restart: aYear(0.3, 30),
  welded: aClosure(1e-7, 1e-5),
  dirty: aClosure(1e-7, 1e-5),
  'stuck-sense': aYear(1e-2, 1),
  'late-sense': aYear(1, 100),
  'reversed-sense': aYear(1e-3, 0.1),
  'moved-sense': aYear(1e-2, 1),
  'lost-message': aYear(1, 300),
  'false-no': aYear(1, 300),
  'silent-sense': aYear(0.1, 10),
  obstacle: aYear(0.1, 10),
  'wrong-moment': aYear(1, 100),
  'hand-moved': aYear(10, 300),
  'nobody-came': aYear(1, 100),
  'not-answered': aYear(1, 100),
  hung: aYear(0.1, 10),
  'says-so': aYear(0.1, 300),
  'end-fails': aYear(1e-3, 0.1),
  'cut-out-fails': aYear(1e-3, 0.1),
};

/** Hours of a year, and for how long the first of two failures stands before anybody finds it, h: from a day to a year. */
const YEAR_HOURS = 8766;
const STANDS_HOURS = { least: 24, most: YEAR_HOURS } as const;

/** How often a year something may come about, at least and at most. */
export interface Chance {
  readonly least: number;
  readonly most: number;
  /** How both were reckoned. */
  readonly steps: readonly Step[];
}

/** One rate as times a year. @param closures a year of the contact. */
const times = ({ per }: Rate, closures: number): number => (per === 'closure' ? closures : 1);

/** One end of a chance, as a step whose inputs can be opened. */
function endOf(rates: readonly Rate[], words: readonly string[], closures: number, end: 'least' | 'most'): Step {
  const inputs = rates.flatMap((r, i): Input[] => [
    constant(
      `r_${i + 1}`,
      `${words[i] ?? ''}, ${r.per === 'closure' ? 'at each closure' : 'a year'}`,
      r[end],
      '1',
      'failure-orders',
    ),
    computed(`n_${i + 1}`, 'times a year that it can', times(r, closures), '1', 'closures of a story, for a year'),
  ]);
  const each = rates.map((_, i) => `r_${i + 1} * n_${i + 1}`);
  if (rates.length === 1) return derive(`${end}, times a year`, 'p', each.join(), '1', inputs);
  const share = STANDS_HOURS[end] / YEAR_HOURS;
  // A rate of many a year cannot stand for longer than the year has.
  return derive(`${end}, times a year`, 'p', `min(k * s * ${each.join(' * ')}, ${each.join(', ')})`, '1', [
    ...inputs,
    computed('k', 'which of them may come first', rates.length, '1', 'each of them'),
    constant('s', 'share of a year for which the first stands unfound', share, '1', 'failure-orders'),
  ]);
}

/**
 * How often a year a story may come about, as a range: of one thing its rate; of two the rate of each times the share of the year for
 * which the other one stands unfound, both ways round. With its arithmetic, which proves nothing.
 * @param closures of its contacts a year. @returns null where nothing has to go wrong.
 */
export function chanceOf({ faults }: Pick<BrokenStory, 'faults'>, closures: number): Chance | null {
  if (faults.length === 0) return null;
  const rates = faults.map((f) => RATES[f.kind]);
  const words = faults.map((f) => DISTURBANCES[f.kind].words);
  const steps = [endOf(rates, words, closures, 'least'), endOf(rates, words, closures, 'most')] as const;
  return { least: steps[0].result.value, most: steps[1].result.value, steps };
}

/** A chance as something that opens: orders of magnitude beside a story, and no judgement of it. */
export const chanceFinding = (id: string, c: Chance): Finding =>
  finding('guard', `chance.${id}`, {
    verdict: 'tight',
    title: `How often this story may come about: ${howOften(c)}. That ranks it beside others, and proves nothing`,
    caption: 'how often',
    value: { value: c.most, unit: '1' },
    steps: c.steps,
    source: ['failure-orders'],
  });

const nearest = (x: number): string => {
  if (x >= 1) return x < 2 ? 'once a year' : `${magnitude(x)} times a year`;
  return `once in ${magnitude(1 / x)} years`;
};
const magnitude = (x: number): string => {
  const ten = 10 ** Math.round(Math.log10(x));
  return ten >= 1e6 ? `10^${Math.round(Math.log10(x))}` : ten.toLocaleString('en');
};

/** A chance in words, as orders of magnitude: never as safety. */
export const howOften = (c: Pick<Chance, 'least' | 'most'> | null): string =>
  c === null ? 'each time' : `from ${nearest(c.least)} to ${nearest(c.most)}`;
