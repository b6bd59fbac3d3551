import { present } from '../lists';
/** Preferred number series of IEC 60063:2015. */
export type ESeries = 'E6' | 'E12' | 'E24' | 'E96';

const E24 = [
  1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2,
  9.1,
];

const DECADE: Record<ESeries, readonly number[]> = {
  E6: E24.filter((_, i) => i % 4 === 0),
  E12: E24.filter((_, i) => i % 2 === 0),
  E24,
  // The E96 values are the geometric series rounded to three figures; the older series are not, hence the table.
  E96: Array.from({ length: 96 }, (_, i) => Math.round(100 * 10 ** (i / 96)) / 100),
};

/** The mantissas of one decade of a series, 1.0 up to below 10. Source: IEC 60063. */
export function decadeOf(series: ESeries): readonly number[] {
  return DECADE[series];
}

const EPS = 1e-9;

/** Three decades of a series around a power of ten, kept once they were made. */
const made = new Map<string, readonly number[]>();

function around(value: number, series: ESeries): readonly number[] {
  if (!(value > 0) || !Number.isFinite(value))
    throw new RangeError(`a preferred value needs a positive number, got ${value}`);
  const exponent = Math.floor(Math.log10(value) + EPS);
  const key = `${series} ${exponent}`;
  const list =
    made.get(key) ??
    [exponent - 1, exponent, exponent + 1].flatMap((e) =>
      DECADE[series].map((m) => Number((m * 10 ** e).toPrecision(6))),
    );
  made.set(key, list);
  return list;
}

/** The smallest preferred value at or above `value` (> 0, any unit). Throws RangeError for others. */
export function nextAbove(value: number, series: ESeries = 'E12'): number {
  return present(around(value, series).find((v) => v >= value * (1 - EPS)));
}

/** The largest preferred value at or below `value` (> 0, any unit). Throws RangeError for others. */
export function nextBelow(value: number, series: ESeries = 'E12'): number {
  return present(around(value, series).findLast((v) => v <= value * (1 + EPS)));
}

/** The preferred value whose ratio to `value` (> 0) is closest to one. Throws RangeError for others. */
export function nearest(value: number, series: ESeries = 'E12'): number {
  return around(value, series).reduce((best, v) =>
    Math.abs(Math.log(v / value)) < Math.abs(Math.log(best / value)) ? v : best,
  );
}
