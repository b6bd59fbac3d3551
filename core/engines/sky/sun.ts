import { Body, Equator, Observer, SiderealTime } from 'astronomy-engine';
import type { SunEvent } from '../../ground/job';

/** Where on Earth, degrees: north and east more than nothing. */
export interface SkyPlace {
  readonly latitude: number;
  readonly longitude: number;
}

/**
 * Altitude of the sun's centre at each event, degrees: its upper rim at the horizon with usual refraction (NREL/TP-560-34302), and civil
 * twilight.
 */
const ALTITUDE: Readonly<Record<SunEvent, number>> = { rise: -0.8333, set: -0.8333, dawn: -6, dusk: -6 };
/** Whether the sun climbs at the event. */
const CLIMBS: Readonly<Record<SunEvent, boolean>> = { rise: true, set: false, dawn: true, dusk: false };

const DAY_MS = 86_400_000;
const RADIAN = Math.PI / 180;
const HOUR_DEGREES = 15;
/** How much further the stars are after a day of the sun, as a share of a turn. */
const SIDEREAL = 1.00273790935;
const NEAR_MS = 50;
const MOST_STEPS = 12;

/** The sun's right ascension and declination at the beginning of a day of universal time, degrees. */
interface SunOfDay {
  readonly right: number;
  readonly declination: number;
  /** Greenwich apparent sidereal time, degrees. */
  readonly sidereal: number;
}

const known = new Map<number, SunOfDay>();
/** Days that are kept: ten years. */
const MOST_KNOWN = 3700;

function sunOfDay(day: number): SunOfDay {
  const have = known.get(day);
  if (have) return have;
  if (known.size > MOST_KNOWN) known.clear();
  const at = new Date(day * DAY_MS);
  const { ra, dec } = Equator(Body.Sun, at, CENTRE, true, true);
  const made = { right: ra * HOUR_DEGREES, declination: dec, sidereal: SiderealTime(at) * HOUR_DEGREES };
  known.set(day, made);
  return made;
}
/** The sun is so far away that it stands alike from everywhere, but for nine seconds of arc. */
const CENTRE = /* @__PURE__ */ new Observer(0, 0, 0);

/** An angle between −180 and 180 degrees. */
const turned = (degrees: number): number => degrees - 360 * Math.round(degrees / 360);

/** Hour angle and declination of the sun at an instant, degrees. */
function sunAt(ms: number, { longitude }: SkyPlace): { readonly hour: number; readonly declination: number } {
  const day = Math.floor(ms / DAY_MS);
  const share = ms / DAY_MS - day;
  const [one, next] = [sunOfDay(day), sunOfDay(day + 1)];
  const right = one.right + share * turned(next.right - one.right);
  const declination = one.declination + share * (next.declination - one.declination);
  const sidereal = one.sidereal + 360 * SIDEREAL * share;
  return { hour: turned(sidereal + longitude - right), declination };
}

/**
 * The instant of an event of the sun that belongs to the noon next to an instant, ms since 1970; NaN where it has none on that day, as
 * within the polar circles. Refraction is the usual one: rims and hills of a real horizon, and cold dense air, are not in it.
 * @param noonMs an instant near local noon. Valid from 1900 to 2100.
 */
export function sunEvent(event: SunEvent, noonMs: number, place: SkyPlace): number {
  const turn = CLIMBS[event] ? -1 : 1;
  const sinAltitude = Math.sin(ALTITUDE[event] * RADIAN);
  const [sin, cos] = [Math.sin(place.latitude * RADIAN), Math.cos(place.latitude * RADIAN)];
  // From the sun's own noon, to which it is led first.
  const noon = noonMs - (sunAt(noonMs, place).hour / 360) * DAY_MS;
  let at = noon;
  for (let step = 0; step < MOST_STEPS; step++) {
    const { hour, declination } = sunAt(at, place);
    const [sinD, cosD] = [Math.sin(declination * RADIAN), Math.cos(declination * RADIAN)];
    const cosHour = (sinAltitude - sin * sinD) / (cos * cosD);
    if (!(Math.abs(cosHour) <= 1)) return Number.NaN;
    const wanted = (turn * Math.acos(cosHour)) / RADIAN;
    const moved = (turned(wanted - hour) / 360) * DAY_MS;
    at += moved;
    if (Math.abs(moved) < NEAR_MS) return at;
  }
  return Number.NaN;
}

/** Whether the sun stays up, or stays down, the whole day at which an event is missing. @param noonMs an instant near local noon. */
export function sunStays(event: SunEvent, noonMs: number, place: SkyPlace): 'up' | 'down' {
  const { declination } = sunAt(noonMs, place);
  const [sin, cos] = [Math.sin(place.latitude * RADIAN), Math.cos(place.latitude * RADIAN)];
  const [sinD, cosD] = [Math.sin(declination * RADIAN), Math.cos(declination * RADIAN)];
  // At its noon and at its midnight: it is up all day where even that is over the event's altitude.
  const lowest = Math.asin(sin * sinD - cos * cosD) / RADIAN;
  return lowest > ALTITUDE[event] ? 'up' : 'down';
}
