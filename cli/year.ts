import { clockText } from '../core/ground/quantity';
import { fateIn, RunEnded, WorldProblem } from '../core/engines/world';
import type { Job } from '../core/ground/job';
import { REGRET_FIELDS, regretOf, type RegretField } from '../core/house/regret';
import { yearsOf } from '../core/house/years';
import { inTheWayOf, YEAR_DAYS, yearOf, type Year } from '../core/house/year';
import { namesIn, saySentence } from '../core/rooms/routine';
import { Unusable } from './unusable';

/** Marks that are told one by one. */
const MOST_TOLD = 40;

function run<T>(f: () => T): T {
  try {
    return f();
  } catch (error) {
    if (error instanceof WorldProblem && !(error instanceof RunEnded))
      throw new Unusable(`this cannot be run: ${error.message}`);
    if (error instanceof RangeError) throw new Unusable(error.message);
    throw error;
  }
}

/** An instant from a date or a time; today's midnight is no answer, since nothing here asks the clock. */
function instantOf(text: string, option: string): string {
  const at = Date.parse(/^\d{4}-\d{2}-\d{2}$/.test(text) ? `${text}T12:00:00Z` : text);
  const [year, month, day] = text.slice(0, 10).split('-').map(Number);
  const real = new Date(Date.UTC(year ?? 0, (month ?? 0) - 1, day ?? 0));
  if (Number.isNaN(at) || real.getUTCDate() !== day || real.getUTCMonth() + 1 !== month)
    throw new Unusable(
      `--${option} wants a date such as 2026-03-02, or a time such as 2026-03-02T06:30:00Z, and there is no "${text}"`,
    );
  return new Date(at).toISOString();
}

/** The job at another place. @param text latitude and longitude in degrees, with a comma between. */
function placed(job: Job, text: string | undefined): Job {
  if (text === undefined) return job;
  const [latitude, longitude, ...more] = text.split(',').map(Number);
  const within = (x: number | undefined, most: number): x is number =>
    x !== undefined && Number.isFinite(x) && Math.abs(x) <= most;
  if (more.length > 0 || !within(latitude, 90) || !within(longitude, 180))
    throw new Unusable(`--place wants latitude and longitude in degrees, such as 51.5,-0.1, and not "${text}"`);
  return { ...job, region: { ...job.region, latitude, longitude } };
}

/** Marks of a year as they are told. */
const told = (job: Job, y: Year, which: (i: number) => boolean): object[] => {
  const out: object[] = [];
  y.marks.rule.forEach((rule, i) => {
    if (!which(i)) return;
    const fate = y.marks.fate[i] ?? 0;
    const by = inTheWayOf(job, fate);
    out.push({
      date: y.days[y.marks.day[i] ?? 0]?.date,
      clock: clockText(Math.floor(y.marks.minutes[i] ?? 0)),
      rule: rule + 1,
      became: fateIn(fate),
      ...(by ? { by } : {}),
      ...(y.marks.clock.has(i) ? { clockChange: y.marks.clock.get(i) } : {}),
    });
  });
  return out;
};

/** A year of the rules: how often each acted, what became of it otherwise, and the first times that it did not act. */
export function yearVerb(
  job: Job,
  from: string | undefined,
  place: string | undefined,
  years: string | undefined,
): unknown {
  if (from === undefined) throw new Unusable('say with --from on which date the year begins');
  const at = placed(job, place);
  if (years !== undefined) return yearsTold(at, instantOf(from, 'from'), Number(years));
  const y = run(() => yearOf(at, instantOf(from, 'from')));
  const rules = at.routine.sentences.map((s, rule) => {
    const became: Record<string, number> = {};
    y.marks.rule.forEach((r, i) => {
      if (r !== rule) return;
      const fate = fateIn(y.marks.fate[i] ?? 0);
      became[fate] = (became[fate] ?? 0) + 1;
    });
    return { rule: rule + 1, says: saySentence(s, namesIn(at)), became };
  });
  return {
    from: y.days[0]?.date,
    days: y.run,
    zone: at.region.timeZone,
    rules,
    calls: y.calls,
    modes: y.modes.length,
    somebodyArms: y.armed,
    madeUp: y.madeUp,
    notDone: told(at, y, (i) => !['done', 'waits'].includes(fateIn(y.marks.fate[i] ?? 0))).slice(0, MOST_TOLD),
  };
}

/** Some years of the rules, one after the other: what each rule comes to, year by year. */
function yearsTold(job: Job, from: string, years: number): unknown {
  const all = run(() => yearsOf(job, from, years));
  return {
    begins: all.begins,
    days: all.days,
    zone: job.region.timeZone,
    rules: job.routine.sentences.map((s, i) => ({ rule: i + 1, says: saySentence(s, namesIn(job)), ...all.rules[i] })),
    calls: all.calls,
  };
}

/** What the rules did on the day of an instant up to it, and which modes are on then. */
export function whyVerb(job: Job, at: string | undefined): unknown {
  if (at === undefined) throw new Unusable('say with --at which time is meant, such as 2026-03-02T06:30:00Z');
  const instant = instantOf(at, 'at');
  const y = run(() => yearOf(job, instant, 2));
  const seconds = (Date.parse(instant) - y.began) / 1000;
  const on = new Map(job.routine.modes.map((m, i) => [i, m.on]));
  for (const m of y.modes) if (m.at <= seconds) on.set(m.mode, m.on);
  return {
    at: instant,
    zone: job.region.timeZone,
    rules: told(job, y, (i) => (y.marks.day[i] ?? 0) === 0 && 60 * (y.marks.minutes[i] ?? 0) <= seconds),
    modesOn: job.routine.modes.filter((_, i) => on.get(i)).map((m) => m.name),
    madeUp: y.madeUp,
  };
}

/** The whole range of a number of a rule over the same year. @param of the number of the rule and its field, such as 2.offsetSeconds. */
export function regretVerb(job: Job, of: string | undefined, from: string | undefined): unknown {
  const [number, field] = (of ?? '').split('.');
  const sentence = job.routine.sentences[Number(number) - 1];
  if (!sentence || !REGRET_FIELDS.includes(field as RegretField))
    throw new Unusable(
      `--of wants the number of a rule, 1 to ${job.routine.sentences.length}, and one of ` +
        `${REGRET_FIELDS.join(', ')}: such as 1.offsetSeconds`,
    );
  const begin = from === undefined ? job.touchedAt : instantOf(from, 'from');
  return {
    rule: saySentence(sentence, namesIn(job)),
    field,
    days: YEAR_DAYS,
    ...run(() => regretOf(job, sentence.id, field as RegretField, begin)),
  };
}
