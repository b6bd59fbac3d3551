import { firstItem } from '../../ground/lists';
import { atLeast, finding, judged, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import type { FeedSource, Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { lifeOf, type Life, type NoLife } from './battery';
import { firstOr } from './ids';
import type { SupplyRun } from './supply-run';

/** Cells that last for less than this are no rest for anybody, months (`battery-aging`). */
const LEAST_MONTHS = 3;
/** Less of the charge than this is used: the cells do not suit what hangs on them. */
const LEAST_USABLE = 0.4;

const MISSING: Readonly<Record<NoLife, { title: string; text: string }>> = {
  sleep: {
    title: 'Whether the controller sleeps is not said',
    text: 'Say in Feed whether it sleeps, how often it wakes and for how long.',
  },
  wakes: {
    title: 'How often the controller wakes, and for how long, is not said',
    text: 'A wake with a message takes 3 to 10 s; count those of the clock and those that a sense makes.',
  },
  awake: {
    title: 'It would be awake for longer than a day has',
    text: 'Enter fewer or shorter wakes, or say that it does not sleep.',
  },
  'sleep-draw': {
    title: 'What this controller draws asleep is not known',
    text: 'Measure it with a milliampere meter in the lead of the cells, and enter it in Feed.',
  },
};

const plain = (value: number): string => formatQuantity(Number(value.toPrecision(2)), '1');

/** Months as people say them. */
const sayMonths = (months: number): string =>
  months < 1
    ? `${plain(Math.max(0, months * 30.4))} days`
    : months > 120
      ? 'more than ten years'
      : months >= 24
        ? `${plain(months / 12)} years`
        : `${plain(months)} months`;

/** The range in words: `7 to 19 months`. */
export function sayLife({ months: [low, , high] }: Life): string {
  const [from, to] = [sayMonths(low), sayMonths(high)];
  if (from === to) return from;
  const unit = to.slice(to.indexOf(' '));
  return `${from.endsWith(unit) ? from.slice(0, -unit.length) : from} to ${to}`;
}

/** What would halve the life of the cells, and what would double it, in words. */
export function turnsOf({ parts, wakesPerDay }: Life): { halves: string; doubles: string } {
  const average = parts.asleep + parts.awake + parts.self;
  const most = firstItem((Object.entries(parts) as [keyof typeof parts, number][]).sort((a, b) => b[1] - a[1]));
  const halves =
    parts.awake > 0 && wakesPerDay > 0
      ? `${plain(wakesPerDay * (1 + average / parts.awake))} wakes a day instead of ${plain(wakesPerDay)}`
      : `${formatQuantity(parts.asleep + average, 'A')} on average instead of ${formatQuantity(parts.asleep, 'A')}`;
  const less = most[1] - average / 2;
  const doubles =
    less <= 0
      ? 'twice the cells, side by side: nothing by itself takes half of the draw'
      : most[0] === 'asleep'
        ? `${formatQuantity(less, 'A')} asleep instead of ${formatQuantity(parts.asleep, 'A')}, without the board’s lamp and regulator`
        : most[0] === 'awake'
          ? `${plain((wakesPerDay * less) / parts.awake)} wakes a day instead of ${plain(wakesPerDay)}, or as much shorter ones`
          : 'cells that lose less by themselves';
  return { halves, doubles };
}

/** How long cells last, and whether they suit what hangs on them. */
export function judgeCells(
  job: Job,
  facts: Facts,
  r: SupplyRun,
  place: number,
  s: FeedSource,
  first: boolean,
): Finding[] {
  if (s.kind !== 'cells') return [];
  const id = firstOr(first, 'life', s.id);
  const life = lifeOf(job, facts, r, place, s);
  if (typeof life === 'string')
    return [
      finding('feed', id, {
        verdict: life === 'awake' ? 'stop' : 'unknown',
        title: MISSING[life].title,
        caption: 'how long do they last?',
        source: ['battery-aging'],
        remedy: { text: MISSING[life].text },
      }),
    ];
  if (life.usable === 0)
    return [
      finding('feed', id, {
        verdict: 'stop',
        title: 'Not even fresh cells carry the worst instant of what hangs on them',
        caption: 'cells too weak',
        source: ['cells'],
        remedy: { text: 'One cell more in a row, a converter, a capacitor for the burst, or other cells.' },
      }),
    ];
  const { halves, doubles } = turnsOf(life);
  return [
    judged('feed', id, {
      title: `The cells last ${sayLife(life)}. Half as long: ${halves}. Twice as long: ${doubles}. As usual, in months:`,
      caption: `cells: ${sayLife(life)}`,
      steps: life.steps,
      limit: atLeast(LEAST_MONTHS, '1', 'a season, in months', { from: 'source', key: 'battery-aging' }),
      verdict: life.months[0] < LEAST_MONTHS ? 'tight' : 'settled',
      source: ['cells', 'battery-aging'],
      remedy: life.months[0] < LEAST_MONTHS ? { text: `Twice as long: ${doubles}.` } : null,
    }),
    finding('feed', firstOr(first, 'usable', s.id), {
      verdict: life.usable < LEAST_USABLE ? 'tight' : 'settled',
      title: `Of the charge of the cells ${Math.round(100 * life.usable)} % is used before something has too little voltage`,
      caption: 'usable charge',
      value: { value: 100 * life.usable, unit: '%' },
      source: ['cells'],
      remedy:
        life.usable < LEAST_USABLE
          ? { text: 'Cells of a flatter voltage, one more in a row, or a step-up converter use more of it.' }
          : null,
    }),
  ];
}
