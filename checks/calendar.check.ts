// Clock rules of a year, and repeating events of a calendar file, against another library of RFC 5545.
import rrule from 'rrule';
import type * as rruleTypes from 'rrule';
import { describe, expect, it } from 'vitest';
import { sentenceAt, type Job } from '../core/ground/job';
import { calendarOf, daysFrom, readCalendar, timesOn, zoneOffset } from '../core/rooms/routine';
import { seededRandom } from '../core/ground/quantity';
import { demoJob } from '../core/testing/jobs';

const { RRule, rrulestr } = rrule as unknown as typeof rruleTypes;
const ZONES = [
  'Europe/London',
  'America/New_York',
  'Australia/Lord_Howe',
  'Asia/Kolkata',
  'America/St_Johns',
  'Pacific/Chatham',
] as const;
const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/** The instant at which a zone's clock shows a time, by the language's own formats. @param wall that time as if it were universal. */
function instantOf(wall: number, timeZone: string): number {
  const shown = (ms: number): number => {
    const parts = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    }).formatToParts(ms);
    const of = (type: string): number => Number(parts.find((p) => p.type === type)?.value);
    return Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'));
  };
  let at = wall;
  for (let i = 0; i < 3; i++) at += wall - shown(at);
  return at;
}

describe('a year of clock rules', () => {
  it.each(ZONES)('comes true at the instants that another library expands: %s', (timeZone) => {
    const r = seededRandom(timeZone.length);
    const gate = demoJob('yard-gate');
    for (let n = 0; n < 6; n++) {
      const days = [1, 2, 3, 4, 5, 6, 7].filter(() => r.next() < 0.6);
      // Hours in which no zone moves its clock: those that are skipped and repeated have checks of their own.
      const [hour, minute] = [4 + Math.floor(r.next() * 19), Math.floor(r.next() * 60)];
      const clock = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
      if (days.length === 0) continue;
      const job: Job = { ...gate, region: { ...gate.region, timeZone } };
      const calendar = calendarOf(job, [sentenceAt(clock, { id: 's', days })]);
      const from = '2026-01-01T12:00:00Z';
      const all = daysFrom(from, timeZone, 365);
      const ours = [...timesOn(calendar, all).ms];
      const begin = Date.parse(`${all[0]!.date}T00:00:00Z`);
      const rule = new RRule({
        freq: RRule.WEEKLY,
        byweekday: days.map((d) => RRule[WEEKDAYS[d - 1] as 'MO']),
        byhour: [hour],
        byminute: [minute],
        bysecond: [0],
        dtstart: new Date(begin),
        until: new Date(begin + 365 * 86_400_000 - 1000),
      });
      const theirs = rule.all().map((d) => instantOf(d.getTime(), timeZone));
      expect(ours, `${clock} on ${days.join()}`).toEqual(theirs);
    }
  });
});

describe('a calendar file', () => {
  const file = (events: string): string =>
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//x//EN\r\n${events}END:VCALENDAR\r\n`;
  const event = (lines: string): string => `BEGIN:VEVENT\r\nUID:${lines.length}\r\n${lines}END:VEVENT\r\n`;
  const FROM = Date.parse('2026-03-01T00:00:00Z');
  const read = (text: string) => readCalendar(text, FROM, zoneOffset('Europe/London'));

  it.each([
    'FREQ=DAILY;COUNT=40',
    'FREQ=WEEKLY;BYDAY=MO,TH',
    'FREQ=MONTHLY;BYDAY=-1FR',
    'FREQ=MONTHLY;BYMONTHDAY=31',
    'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29',
    'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;UNTIL=20260901T000000Z',
  ])('repeats as another library has it: %s', (rule) => {
    const got = read(file(event(`SUMMARY:bread\r\nDTSTART:20260302T063000Z\r\nRRULE:${rule}\r\n`)));
    const theirs = rrulestr(`DTSTART:20260302T063000Z\nRRULE:${rule}`)
      .between(new Date(FROM), new Date(FROM + 400 * 86_400_000 - 1), true)
      .map((d) => d.toISOString());
    expect(got.ok && got.events.map((e) => e.at)).toEqual(theirs);
  });

  it('takes times without a zone, and whole days, in the zone of the job', () => {
    const got = read(
      file(event('SUMMARY:a\r\nDTSTART:20260701T080000\r\n') + event('SUMMARY:b\r\nDTSTART;VALUE=DATE:20260702\r\n')),
    );
    expect(got.ok && got.events.map((e) => [e.name, e.at])).toEqual([
      ['a', '2026-07-01T07:00:00.000Z'],
      ['b', '2026-07-01T23:00:00.000Z'],
    ]);
  });

  it.each([
    ['what is no calendar', 'hello', /no iCalendar file/],
    ['one without events', file(''), /no event/],
    ['one that ends in the middle', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n', /iCalendar|no event|no time/],
    ['one that is too long', `BEGIN:VCALENDAR${' '.repeat(4_000_001)}`, /longer/],
    ['an event without a time', file(event('SUMMARY:x\r\n')), /no time/],
  ])('refuses %s in words', (_, text, words) => {
    const got = read(text);
    expect(got).toMatchObject({ ok: false, what: expect.stringMatching(words) });
  });

  it('that repeats every second without end is cut, and said to be', () => {
    const got = read(file(event('SUMMARY:x\r\nDTSTART:20260302T063000Z\r\nRRULE:FREQ=SECONDLY\r\n')));
    expect(got.ok ? got.cut && got.events.length === 800 : /without end/.test(got.what)).toBe(true);
  });
});
