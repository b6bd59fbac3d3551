// Sunrise and sunset against the worked example of NREL/TP-560-34302, against the search of an astronomy library of the registries (its
// own ephemeris stands behind both, its search does not), and against times that almanacs give for well-known places.
import { Body, Observer, SearchRiseSet } from 'astronomy-engine';
import { describe, expect, it } from 'vitest';
import { sunEvent, sunStays, ZONE_PLACES } from '../core/engines/sky';

const DAY_MS = 86_400_000;
const place = (latitude: number, longitude: number) => ({ latitude, longitude });
/** Local noon of a date, about. */
const noonOf = (date: string, longitude: number): number =>
  Date.parse(`${date}T12:00:00Z`) - (longitude / 360) * DAY_MS;

describe('the sun', () => {
  // The example reckons for its day of universal time: the sunset within that day is the one of the evening before there.
  it('rises and sets as in the worked example of NREL/TP-560-34302, table A5.1 and chapter 3, to the second', () => {
    const there = place(39.742476, -105.1786);
    const rise = sunEvent('rise', noonOf('2003-10-17', there.longitude), there);
    const set = sunEvent('set', noonOf('2003-10-16', there.longitude), there);
    expect(Math.abs(rise - Date.parse('2003-10-17T13:12:43Z'))).toBeLessThan(2000);
    expect(Math.abs(set - Date.parse('2003-10-17T00:20:19Z'))).toBeLessThan(2000);
  });

  const PLACES: readonly (readonly [string, number, number])[] = [
    ['a city in the north of Norway', 69.65, 18.96],
    ['a valley of Alaska', 64.84, -147.72],
    ['Iceland', 64.15, -21.94],
    ['Scotland', 57.15, -2.1],
    ['London', 51.51, -0.13],
    ['the Alps', 46.95, 7.45],
    ['New York', 40.71, -74.01],
    ['Tokyo', 35.68, 139.69],
    ['Cairo', 30.04, 31.24],
    ['Singapore', 1.35, 103.82],
    ['Nairobi', -1.29, 36.82],
    ['Sydney', -33.87, 151.21],
    ['the Falklands', -51.7, -57.85],
    ['Antarctica', -77.85, 166.67],
  ];
  it.each(PLACES)(
    'is within a minute of the search of a library, and missing where that finds none: %s',
    (_, lat, lon) => {
      const there = place(lat, lon);
      const observer = new Observer(lat, lon, 0);
      for (let day = 0; day < 365; day += 13) {
        const date = new Date(Date.UTC(2026, 0, 1) + day * DAY_MS).toISOString().slice(0, 10);
        const noon = noonOf(date, lon);
        for (const [event, direction] of [
          ['rise', 1],
          ['set', -1],
        ] as const) {
          const ours = sunEvent(event, noon, there);
          const from = new Date(noon + (direction === 1 ? -DAY_MS / 2 : 0));
          const theirs = SearchRiseSet(Body.Sun, observer, direction, from, 0.5)?.date.getTime() ?? NaN;
          // A grazing sun is neither here nor there by seconds of arc.
          if (Number.isNaN(ours) || Number.isNaN(theirs)) {
            if (Math.abs(lat) > 60) continue;
            expect([ours, theirs], `${date} ${event}`).toEqual([NaN, NaN]);
          } else expect(Math.abs(ours - theirs) / 1000, `${date} ${event}`).toBeLessThan(Math.abs(lat) > 64 ? 180 : 60);
        }
      }
    },
  );

  // From memory, as almanacs and newspapers give them, to the minute: local time of the place.
  it.each([
    ['London, longest day', 51.5, -0.12, '2026-06-21', 'rise', '03:43'],
    ['London, longest day', 51.5, -0.12, '2026-06-21', 'set', '20:21'],
    ['London, shortest day', 51.5, -0.12, '2026-12-21', 'rise', '08:04'],
    ['London, shortest day', 51.5, -0.12, '2026-12-21', 'set', '15:53'],
    ['New York, longest day', 40.71, -74.01, '2026-06-21', 'rise', '09:25'],
    ['New York, shortest day', 40.71, -74.01, '2026-12-21', 'set', '21:32'],
  ] as const)('is where almanacs have it: %s', (_, lat, lon, date, event, utc) => {
    const ours = sunEvent(event, noonOf(date, lon), place(lat, lon));
    expect(Math.abs(ours - Date.parse(`${date}T${utc}:00Z`)) / 1000).toBeLessThan(90);
  });

  it('stays up or down beyond the polar circles, and says which', () => {
    const tromso = place(69.65, 18.96);
    const [june, december] = [noonOf('2026-06-21', 18.96), noonOf('2026-12-21', 18.96)];
    expect(sunEvent('rise', june, tromso)).toBeNaN();
    expect(sunEvent('set', december, tromso)).toBeNaN();
    expect([sunStays('rise', june, tromso), sunStays('set', december, tromso)]).toEqual(['up', 'down']);
    expect(sunEvent('dusk', december, tromso)).not.toBeNaN();
  });

  it('knows where the time zones stand', () => {
    expect(ZONE_PLACES['Europe/London']).toEqual([51.51, -0.13]);
    expect(Object.keys(ZONE_PLACES).every((z) => Intl.DateTimeFormat('en', { timeZone: z }).resolvedOptions())).toBe(
      true,
    );
  });
});
