import ICAL from 'ical.js';
import type { Program } from '../build/program';

/** Programs count seconds from the first of January 2000. */
const EPOCH_MS = 946_684_800_000;
const DAY_MS = 86_400_000;
const BYDAY = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;

const wall = (ms: number, utc: boolean): ICAL.Time => {
  const d = new Date(ms);
  return new ICAL.Time(
    {
      year: d.getUTCFullYear(),
      month: d.getUTCMonth() + 1,
      day: d.getUTCDate(),
      hour: d.getUTCHours(),
      minute: d.getUTCMinutes(),
      second: d.getUTCSeconds(),
      isDate: false,
    },
    utc ? ICAL.Timezone.utcTimezone : ICAL.Timezone.localTimezone,
  );
};

/** What a calendar cannot promise. */
const HELD_BACK =
  'It may be held back: by what the rule looks at, by arming, a mode, a limit, somebody at the machine, or a rule that goes first.';

function event(p: Program, rule: number, uid: string, stamp: ICAL.Time, start: ICAL.Time): ICAL.Component {
  const out = new ICAL.Component('vevent');
  out.addPropertyWithValue('uid', uid);
  out.addPropertyWithValue('dtstamp', stamp);
  out.addPropertyWithValue('dtstart', start);
  out.addPropertyWithValue('summary', nameOf(p, rule));
  out.addPropertyWithValue('description', HELD_BACK);
  return out;
}

/** The first day from one on that is among some weekdays, as the wall clock shows it, ms. @param days bit 1 is Monday, bit 7 Sunday. */
function firstDay(from: number, days: number): { readonly ms: number; readonly names: readonly string[] } | null {
  const isOf = (ms: number): boolean => Math.floor(days / 2 ** (((new Date(ms).getUTCDay() + 6) % 7) + 1)) % 2 === 1;
  const ms = Array.from({ length: 7 }, (_, i) => from + i * DAY_MS).find(isOf);
  const names = BYDAY.flatMap((name, bit) => (bit > 0 && Math.floor(days / 2 ** bit) % 2 === 1 ? [name] : []));
  return ms === undefined ? null : { ms, names };
}

/**
 * When a program begins moves by the clock, as a calendar (RFC 5545). Clock times are floating: they follow the clock where the machine
 * stands. What the sun, a calendar or a date has rules come true by stands instant by instant, as far as the program knows it.
 * @param id of the job. @param touchedAt ISO time of its last change. @returns null where nothing comes by the clock.
 */
export function routineCalendar(p: Program, id: string, touchedAt: string): string | null {
  const stamp = wall(Date.parse(touchedAt), true);
  const today = Date.parse(`${p.calendar.madeOn}T00:00:00Z`);
  const weekly = p.week
    .filter((w) => !p.calendar.dated.includes(w.rule))
    .flatMap((w) => {
      const day = firstDay(today, w.days);
      if (!day) return [];
      const out = event(p, w.rule, `rule-${w.rule}-${id}`, stamp, wall(day.ms + 1000 * w.second, false));
      out.addPropertyWithValue('rrule', new ICAL.Recur({ freq: 'WEEKLY', byday: [...day.names] }));
      return [out];
    });
  // A time of the week that the clock skips is among the instants too; a calendar moves it on by itself.
  const weeks = p.week.map((w) => w.rule).filter((rule) => !p.calendar.dated.includes(rule));
  const rules = [...new Set(p.calendar.instants.map(([, rule]) => rule))].filter((rule) => !weeks.includes(rule));
  const told = rules.flatMap((rule) => {
    const [first, ...more] = p.calendar.instants.flatMap(([at, r]) =>
      r === rule ? [wall(1000 * at + EPOCH_MS, true)] : [],
    );
    if (!first) return [];
    const out = event(p, rule, `instants-${rule}-${id}`, stamp, first);
    for (const at of more) out.addPropertyWithValue('rdate', at);
    return [out];
  });
  if (weekly.length + told.length === 0) return null;
  const root = new ICAL.Component('vcalendar');
  root.addPropertyWithValue('version', '2.0');
  root.addPropertyWithValue('prodid', '-//Gentle Thumb//routine//EN');
  for (const e of [...weekly, ...told]) root.addSubcomponent(e);
  return `${root.toString()}\r\n`;
}

/** What a rule brings about, in words. */
function nameOf(p: Program, rule: number): string {
  const r = p.rules.rules[rule];
  if (!r) return p.title;
  const mode = p.rules.modes[r.what - 1]?.name ?? '';
  const what = { move: p.moves[r.what] ?? '', 'mode-on': `${mode} on`, 'mode-off': `${mode} off`, call: 'a call' }[
    r.does
  ];
  return `${p.title}: ${what}, ${r.words}${r.ifArmed ? ', if armed' : ''}`;
}
