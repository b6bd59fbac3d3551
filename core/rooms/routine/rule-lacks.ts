import { sunEvent, sunStays } from '../../engines/sky';
import { finding, type Finding } from '../../ground/finding';
import { acts, eventsFor, isTimed, sayAt, type Job, type Sentence } from '../../ground/job';
import { minutesOf } from '../../ground/quantity';
import { inWindow } from '../../build/rules';
import { standsAt } from './firings';
import { namesIn, quotedAt } from './words';

/** Days of a year on which the sun is highest and lowest, month and day of universal time. */
const SOLSTICES = [
  [5, 21],
  [11, 21],
] as const;
const NOON_HOUR = 12;
const HOUR_DEGREES = 15;

/** What a rule lacks to come true at all, and what keeps it from ever doing so. */
export function lackFindings(job: Job): Finding[] {
  const at = (s: Sentence): string => quotedAt(s, namesIn(job));
  return job.routine.sentences.filter(acts).flatMap((s): Finding[] => {
    const lacks = lacksOf(job, s);
    if (lacks) return [notWhole(s.id, lacks, at(s))];
    const never = neverComes(job, s);
    if (never) return [neverActs(s.id, never, at(s))];
    return [sunMisses(job, s), noPlace(job, s)].filter((f) => f !== null);
  });
}

/** What a rule names and is not there; empty where it is whole. */
function lacksOf(job: Job, s: Sentence): string {
  const { modes } = job.routine;
  const mode = (id: string): boolean => modes.some((m) => m.id === id);
  if (s.when === 'sense' && s.sense === '') return 'which sense it hears';
  if (s.when === 'mode' && !mode(s.mode)) return 'which mode it follows';
  if ((s.does === 'mode-on' || s.does === 'mode-off') && !mode(s.sets)) return 'which mode it puts on or off';
  if (s.does === 'move' && job.act.moves.length === 0) return 'a move that it could begin';
  const open = s.ifs.find((x) => (x.kind === 'sense' && x.sense === '') || (x.kind === 'mode' && !mode(x.mode)));
  return open ? `which ${open.kind} it looks at` : '';
}

const notWhole = (id: string, lacks: string, at: string): Finding =>
  finding('routine', `whole.${id}`, {
    verdict: 'unknown',
    title: `The rule ${at} lacks ${lacks}: it never acts`,
    caption: 'rule not whole',
    remedy: { text: `Say ${lacks}.` },
  });

/** Why a rule that is whole never comes true; empty where it may. */
function neverComes(job: Job, s: Sentence): string {
  const shut = s.ifs.find((x) => x.kind === 'window' && s.when === 'clock' && inWindow(minutesOf(s.at), x) !== x.is);
  if (shut) return `${s.at} is ${shut.is ? 'not ' : ''}between ${shut.from} and ${shut.until}`;
  const whole = s.ifs.find((x) => x.kind === 'window' && x.from === x.until && x.is);
  if (whole) return `nothing lies between ${whole.from} and ${whole.until}`;
  if (s.notBefore !== '' && s.notAfter !== '' && minutesOf(s.notBefore) > minutesOf(s.notAfter) && s.when === 'sun')
    return `nothing is after ${s.notBefore} and before ${s.notAfter}`;
  if (s.dates === 'holidays' && job.routine.holidays.length === 0) return 'no holiday is named';
  if (s.when === 'event' && eventsFor(s, job.routine.events).length === 0) return 'no such event is in the calendar';
  if (s.when === 'event' && eventsFor(s, job.routine.events).every((e) => e.at < job.touchedAt))
    return 'every such event is past: bring the calendar anew';
  return modeNever(job, s) || opposed(s);
}

/** A mode that nothing ever changes to what a rule wants of it. */
function modeNever(job: Job, s: Sentence): string {
  const { modes, sentences } = job.routine;
  const puts = (id: string, on: boolean): boolean =>
    sentences.some((x) => acts(x) && x.sets === id && x.does === (on ? 'mode-on' : 'mode-off')) ||
    job.hands.some((h) => h.kind === 'mode' && h.mode === id) ||
    (!on && modes.some((m) => m.id === id && m.endsSeconds !== null));
  const edge = modes.find((m) => m.id === s.mode);
  if (s.when === 'mode' && edge && !puts(edge.id, s.says))
    return `nothing ever puts “${edge.name}” ${s.says ? 'on' : 'off'}`;
  const look = s.ifs
    .map((x) => ({ x, mode: modes.find((m) => x.kind === 'mode' && m.id === x.mode) }))
    .find(({ x, mode }) => mode && mode.on !== x.is && !puts(mode.id, x.is));
  return look?.mode ? `“${look.mode.name}” is never ${look.x.is ? 'on' : 'off'}` : '';
}

/** Two things that a rule looks at and that are never so together. */
function opposed(s: Sentence): string {
  const twice = s.ifs.some((x, i) =>
    s.ifs
      .slice(i + 1)
      .some(
        (y) => x.kind === y.kind && x.kind !== 'window' && x.sense === y.sense && x.mode === y.mode && x.is !== y.is,
      ),
  );
  const itself = s.ifs.some((x) => x.kind === 'sense' && s.when === 'sense' && x.sense === s.sense && x.is !== s.says);
  return twice || itself ? 'what it looks at is never so at once' : '';
}

const neverActs = (id: string, why: string, at: string): Finding =>
  finding('routine', `never.${id}`, {
    verdict: 'tight',
    title: `The rule ${at} never acts: ${why}`,
    caption: 'rule never acts',
    source: ['maker'],
    remedy: { text: 'Change its slots, or take it away.' },
  });

const noPlace = (job: Job, s: Sentence): Finding | null =>
  s.when === 'sun' && standsAt(job) === null
    ? finding('routine', `place.${s.id}`, {
        verdict: 'unknown',
        title: 'Where the machine stands is not said: when the sun rises and sets there is not known',
        caption: 'place not said',
        remedy: { text: 'Say latitude and longitude here, or pick the place of your time zone.' },
      })
    : null;

/** Days without the event within the polar circles. */
function sunMisses(job: Job, s: Sentence): Finding | null {
  const place = standsAt(job);
  if (s.when !== 'sun' || !place) return null;
  const year = Number(job.touchedAt.slice(0, 4));
  const missing = SOLSTICES.map(([month, day]) =>
    Date.UTC(year, month, day, NOON_HOUR - place.longitude / HOUR_DEGREES),
  ).find((noon) => Number.isNaN(sunEvent(s.sun, noon, place)));
  if (missing === undefined) return null;
  const stays = sunStays(s.sun, missing, place);
  return finding('routine', `sun.${s.id}`, {
    verdict: 'tight',
    title: `On some days the sun stays ${stays} at this place, and “${sayAt(s)}” does not come: the year shows which`,
    caption: 'days without it',
    source: ['solar-position'],
    remedy: { text: 'Give those days a rule of a clock time.' },
  });
}

/** Whether a rule of times is meant by a day at all. */
export const hasDay = (s: Sentence): boolean => isTimed(s) && s.days.length > 0;
