import ICAL from 'ical.js';
import type { CalendarEvent } from '../../ground/job';
import { hashOf } from '../../ground/quantity';

/** Events of a calendar file; or what is wrong with it, where, and what to do. */
export type ReadCalendar =
  | { readonly ok: true; readonly events: readonly CalendarEvent[]; readonly cut: boolean }
  | { readonly ok: false; readonly what: string; readonly todo: string };

/** A calendar file is at most so long, characters. */
const MOST_CALENDAR_TEXT = 4_000_000;
/** Events that are kept, and steps of repeating ones that are looked at. */
const MOST_KEPT = 800;
const MOST_STEPS = 200_000;
const DAY_MS = 86_400_000;
/** How far a calendar is read on: a year and a month. */
const SPAN_DAYS = 400;

const no = (what: string, todo: string): ReadCalendar => ({ ok: false, what, todo });

/**
 * Reads an iCalendar file (RFC 5545): beginnings of its events from an instant on, for a year and a month, repeating ones one by one.
 * Times without a zone are taken in the job's own.
 * @param from ms since 1970. @param offsetOf what a wall clock of the job's zone is behind universal time, ms, at an instant that it shows.
 */
export function readCalendar(text: string, from: number, offsetOf: (wallMs: number) => number): ReadCalendar {
  if (text.length > MOST_CALENDAR_TEXT)
    return no(
      `The file is longer than ${MOST_CALENDAR_TEXT / 1e6} million characters.`,
      'Export one calendar, or one year of it.',
    );
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(text) as string);
  } catch (error) {
    return no(
      `This is no iCalendar file: ${error instanceof Error ? error.message : 'it cannot be read'}.`,
      'Export the calendar as an .ics file, and bring that.',
    );
  }
  const calendars = root.name === 'vcalendar' ? [root] : root.getAllSubcomponents('vcalendar');
  const all = calendars.flatMap((c) => {
    for (const zone of c.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
    return c.getAllSubcomponents('vevent');
  });
  if (all.length === 0) return no('There is no event in this file.', 'Export a calendar that has events.');
  const until = from + SPAN_DAYS * DAY_MS;
  const found: CalendarEvent[] = [];
  let steps = MOST_STEPS;
  for (const component of all) {
    try {
      steps = eventsOf(component, from, until, offsetOf, found, steps);
    } catch {
      return no(
        `An event called ${JSON.stringify(String(component.getFirstPropertyValue('summary') ?? ''))} has no time that can be read.`,
        'Take it out of the calendar, or give it one.',
      );
    }
    if (steps <= 0)
      return no(
        'Events repeat without end and too often to be counted.',
        'Bring a calendar whose events repeat less often.',
      );
  }
  const sorted = found.sort((a, b) => a.at.localeCompare(b.at));
  return { ok: true, events: sorted.slice(0, MOST_KEPT), cut: sorted.length > MOST_KEPT };
}

function eventsOf(
  component: ICAL.Component,
  from: number,
  until: number,
  offsetOf: (wallMs: number) => number,
  out: CalendarEvent[],
  steps: number,
): number {
  const event = new ICAL.Event(component);
  const name = (event.summary ?? '').slice(0, 200);
  const put = (time: ICAL.Time): number => {
    const ms = instantOf(time, offsetOf);
    if (ms >= from && ms < until) {
      const at = new Date(ms).toISOString();
      out.push({ id: hashOf(`${name} ${at} ${out.length}`), name, at });
    }
    return ms;
  };
  if (!event.isRecurring()) {
    put(event.startDate);
    return steps - 1;
  }
  const each = event.iterator();
  const days = daysAsked(component);
  let left = steps;
  for (let time = each.next(); time && left > 0 && out.length <= MOST_KEPT; time = each.next(), left--) {
    // A day that a month has not is left out (RFC 5545, 3.3.10), and not the first of the next one.
    if (days.length > 0 && !isAsked(time, days)) continue;
    if (put(time) >= until) break;
  }
  return left;
}

/** Days of the month that a repeating event asks for; none where it asks for none, or has more than one rule. */
function daysAsked(component: ICAL.Component): readonly number[] {
  const [rule, ...more] = component.getAllProperties('rrule');
  const value: unknown = rule?.getFirstValue();
  if (more.length > 0 || !(value instanceof ICAL.Recur)) return [];
  return (value.getComponent('BYMONTHDAY') as unknown[]).map(Number);
}

const isAsked = (time: ICAL.Time, days: readonly number[]): boolean => {
  const last = new Date(Date.UTC(time.year, time.month, 0)).getUTCDate();
  return days.includes(time.day) || days.includes(time.day - last - 1);
};

/** A time of a calendar as an instant, ms since 1970: floating ones and whole days in the job's own zone. */
function instantOf(time: ICAL.Time, offsetOf: (wallMs: number) => number): number {
  const floating = time.isDate || time.zone === ICAL.Timezone.localTimezone;
  if (!floating) return time.toUnixTime() * 1000;
  const wall = Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute, time.second);
  const ms = wall - offsetOf(wall);
  if (!Number.isFinite(ms)) throw new RangeError('no such time');
  return ms;
}
