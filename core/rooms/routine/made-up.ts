import type { WorldEvent } from '../../engines/world';
import { sunEvent } from '../../engines/sky';
import type { Sense } from '../../ground/job';
import { seededRandom, type Random } from '../../ground/quantity';
import type { Calendar } from './firings';
import type { Day } from './days';

const [HOUR, HALF_DAY_MS] = [3600, 43_200_000];
const SATURDAY = 6;
const YEAR_DAYS = 365;
/** A made-up year of temperatures, °C: mean, half of what the seasons take it from that, half of what a day does, and its weather. */
const WEATHER = { mean: 11, season: 8, day: 4, spread: 3, keeps: 0.8 } as const;
/** The coldest day of it, counted from New Year. */
const COLDEST = 20;
/** How far such a year goes from its mean, K: season, day, and three times what its weather scatters by. */
export const FROM_MEAN = WEATHER.season + WEATHER.day + (3 * WEATHER.spread) / Math.sqrt(6 * (1 - WEATHER.keeps ** 2));
/** Steps of an hour are what such a day is told in. */
const HOURS = 24;

/** How a sense says so over a year that nobody recorded, by what it reads: made up, and the same for the same seed. */
export type MadeUp = 'daylight' | 'weather' | 'habits';
const KINDS: Readonly<Partial<Record<Sense['kind'], MadeUp>>> = { light: 'daylight', temperature: 'weather' };
/** How the days of a sense are made up. */
export const madeUpAs = (s: Pick<Sense, 'kind'>): MadeUp => KINDS[s.kind] ?? 'habits';

/**
 * What a sense that no part of the machine stands behind says over some days: daylight as the sun has it where the place is known, else
 * from seven to six; temperatures by season, day and weather; all else by the habits of people who leave in the morning and come back.
 * @param began ms of the first day. @param index of the sense in the world.
 */
export function madeUpEvents(
  s: Sense,
  index: number,
  days: readonly Day[],
  c: Calendar,
  began: number,
  seed: number,
): WorldEvent[] {
  const r = seededRandom(seed + index);
  const put = (ms: number, says: boolean): WorldEvent => ({
    at: Math.max(0, (ms - began) / 1000),
    what: 'reads',
    of: index,
    how: says ? 1 : 0,
  });
  switch (madeUpAs(s)) {
    case 'daylight':
      return [put(began, false), ...days.flatMap((d) => daylight(d, c, put))];
    case 'weather':
      return weather(s, days, r, put);
    case 'habits':
      return [put(began, false), ...days.flatMap((d) => habits(d, r, put))];
  }
}

type Put = (ms: number, says: boolean) => WorldEvent;

function daylight(d: Day, c: Calendar, put: Put): WorldEvent[] {
  const place = c.place;
  const noon = d.ms + HALF_DAY_MS;
  const at = (event: 'rise' | 'set', usual: number): number => {
    const ms = place ? sunEvent(event, noon, place) : Number.NaN;
    return Number.isNaN(ms) ? d.ms + usual * HOUR * 1000 : ms;
  };
  return [put(at('rise', 7), true), put(at('set', 18), false)];
}

/** People leave on working days about eight and come back about half past five; at weekends they go out for an hour or two. */
function habits(d: Day, r: Random, put: Put): WorldEvent[] {
  const about = (hour: number, spread: number): number => d.ms + (hour + spread * (r.next() - 0.5)) * HOUR * 1000;
  const [leave, back] = d.weekday >= SATURDAY ? [about(11, 2), about(13.5, 2)] : [about(8, 0.7), about(17.5, 1.5)];
  return [put(leave, true), put(back, false)];
}

/**
 * What is around a loop over some days of made-up weather, hour by hour.
 * @param mean of the year, °C. @param loop its number in the world. @param began ms of the first day.
 */
export function weatherEvents(
  mean: number,
  loop: number,
  days: readonly Day[],
  began: number,
  seed: number,
): WorldEvent[] {
  const out: WorldEvent[] = [];
  eachHour(days, seededRandom(seed + loop), (ms, kelvin) =>
    out.push({ at: Math.max(0, (ms - began) / 1000), what: 'around', of: loop, how: mean + kelvin }),
  );
  return out;
}

/** Every hour of made-up weather: its beginning, ms, and how far it is from the mean of the year, K. */
function eachHour(days: readonly Day[], r: Random, told: (ms: number, kelvin: number) => void): void {
  let drift = 0;
  for (const d of days) {
    drift = WEATHER.keeps * drift + WEATHER.spread * (r.next() + r.next() - 1);
    const dayOfYear = d.start.ordinal;
    for (let hour = 0; hour < HOURS; hour++) {
      const season = -Math.cos((2 * Math.PI * (dayOfYear - COLDEST)) / YEAR_DAYS);
      const day = -Math.cos((2 * Math.PI * (hour - 3)) / HOURS);
      told(d.ms + hour * HOUR * 1000, WEATHER.season * season + WEATHER.day * day + drift);
    }
  }
}

function weather(s: Sense, days: readonly Day[], r: Random, put: Put): WorldEvent[] {
  const limit = s.limit ?? { over: WEATHER.mean, under: WEATHER.mean - 1 };
  const out: WorldEvent[] = [];
  let says: boolean | null = null;
  eachHour(days, r, (ms, kelvin) => {
    const degrees = WEATHER.mean + kelvin;
    const over = degrees > limit.over ? true : degrees < limit.under ? false : null;
    const next: boolean | null = over === null ? says : over === s.closedThen;
    if (next !== null && next !== says) out.push(put(ms, next));
    says = next;
  });
  return out;
}
