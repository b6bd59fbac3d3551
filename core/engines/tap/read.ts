import { itemAt } from '../../ground/lists';
import type { TapCourse } from './netlist';

/** A simulated course as samples; the arrays have the same length, times grow. */
export interface TapWave {
  readonly seconds: readonly number[];
  /** The machine’s own line, and the pin, V. */
  readonly line: readonly number[];
  readonly pin: readonly number[];
}

/** What is read off a simulated tap. */
export interface TapReading {
  /** The pin while the signal is so, at its worst over the last fifth of it; and before the signal comes, V. */
  readonly on: number;
  readonly off: number;
  /** From the signal until the pin tells it for good, and from its end until the pin tells that; null where it never does, s. */
  readonly seen: number | null;
  readonly gone: number | null;
}

/** Share of what is looked at in which all has settled. */
const SETTLED = 0.2;

/**
 * Reads a simulated course.
 * @param pullsLow the pin is low while the signal is so.
 * @param low under this the pin reads low, V. @param high over this it reads high, V.
 * Throws RangeError where the wave ends before the course does.
 */
export function readTap(w: TapWave, course: TapCourse, pullsLow: boolean, low: number, high: number): TapReading {
  const last = w.seconds[w.seconds.length - 1] ?? 0;
  if (last < course.end * 0.999) throw new RangeError(`the simulation ended after ${last} s of ${course.end}`);
  const { comes, goes } = course;
  const tells = (v: number): boolean => (pullsLow ? v <= low : v >= high);
  const not = (v: number): boolean => (pullsLow ? v >= high : v <= low);
  const worse = pullsLow ? Math.max : Math.min;
  const better = pullsLow ? Math.min : Math.max;
  let [on, off] = pullsLow ? [-Infinity, Infinity] : [Infinity, -Infinity];
  let seenSince: number | null = null;
  let goneSince: number | null = null;
  w.seconds.forEach((t, i) => {
    const v = itemAt(w.pin, i);
    if (t >= comes * (1 - SETTLED) && t < comes) off = better(off, v);
    if (t >= goes - SETTLED * (goes - comes) && t < goes) on = worse(on, v);
    if (t >= comes && t < goes) seenSince = tells(v) ? (seenSince ?? t) : null;
    if (t >= goes) goneSince = not(v) ? (goneSince ?? t) : null;
  });
  return {
    on,
    off,
    seen: seenSince === null ? null : seenSince - comes,
    gone: goneSince === null ? null : goneSince - goes,
  };
}
