import { itemAt, present } from '../../lists';
import type { LoadProblem } from '../document/problem';
import { ownersOf } from '../document/owners';
import { actProblem } from '../document/act/checks';
import { feedProblem } from '../document/feed/checks';
import { referenceProblem } from './references';
import { limitProblem, profileProblem } from '../document/controller/checks';
import type { Job, Reading } from '../document/types';

const no = (what: string, where: string, todo: string): LoadProblem => ({ what, where: `field "${where}"`, todo });

const zones = new Map<string, boolean>();
/** A named zone of the time zone database; an offset such as GMT+5 has no summer time and is none. */
function isZone(name: string): boolean {
  const known = zones.get(name) ?? (/^[A-Za-z_]+(\/[A-Za-z0-9_+-]+)*$/.test(name) && isKnown(name));
  zones.set(name, known);
  return known;
}
let listed: ReadonlySet<string> | undefined;
function isKnown(timeZone: string): boolean {
  // The list is there at once; making a format, which knows the old names as well, takes a tenth of the first verdict.
  listed ??= new Set(Intl.supportedValuesOf('timeZone'));
  if (listed.has(timeZone)) return true;
  try {
    return new Intl.DateTimeFormat('en', { timeZone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/** Bounds of what is judged in one go, so that no job takes a second: keys and lines of all pads together, strobes in one press. */
const MOST_PAD_LINES = 40;
const MOST_SCANS = 1e6;

/** Places, that is tips, states and settings, that Probe can reckon with: of one control, of all together, and how many that differ. */
const MOST_PLACES = { ofOne: 40, ofAll: 320, different: 45 } as const;

/**
 * What the fields allow one by one and yet makes no sense together: a time zone that there is none of, a reference to what is not
 * there, a product of counts that nothing could work out. Null where all is well.
 * @param before a job that was let through.
 */
export function integrityProblem(job: Job, before?: Job): LoadProblem | null {
  return (
    idOf(job) ??
    zoneOf(job) ??
    datesOf(job, before) ??
    linesOf(job) ??
    referenceProblem(job) ??
    actProblem(job) ??
    feedProblem(job) ??
    profilesOf(job, before) ??
    limitsOf(job) ??
    readingsOf(job, before) ??
    placesOf(job, before) ??
    padsOf(job, before)
  );
}

/** An id stands in the address of its job: one of dots leads elsewhere there, and half a character leads nowhere. */
const idOf = (job: Job): LoadProblem | null =>
  /^\.+$/.test(job.id) || /\p{Surrogate}/u.test(job.id)
    ? no(`The id ${JSON.stringify(job.id)} is no name that an address can hold.`, 'id', 'Give the job another id.')
    : null;

function zoneOf(job: Job): LoadProblem | null {
  const zone = job.region.timeZone;
  return isZone(zone)
    ? null
    : no(`There is no time zone ${JSON.stringify(zone)}.`, 'region.timeZone', 'Name one such as Europe/London.');
}

/** Thresholds that would say both at once. */
function limitsOf(job: Job): LoadProblem | null {
  for (const [i, { limit }] of job.senses.entries()) {
    const problem = limit && limitProblem(limit);
    if (problem) return no(problem.what, `senses[${i}].${problem.where}`, problem.todo);
  }
  return null;
}

/** Dates that look like one and are none, as 30 February. */
function datesOf(job: Job, before: Job | undefined): LoadProblem | null {
  const bad = (at: string): boolean => {
    const ms = Date.parse(at);
    return Number.isNaN(ms) || new Date(ms).toISOString().slice(0, 10) !== at.slice(0, 10);
  };
  const todo = 'Give the day and time when it was.';
  for (const key of ['createdAt', 'touchedAt'] as const)
    if (bad(job[key])) return no(`${job[key]} is no date.`, key, todo);
  for (const key of ['readings', 'trials', 'log'] as const) {
    if (job[key] === before?.[key]) continue;
    const known = new Set<object>(before?.[key]);
    const i = job[key].findIndex((x) => !known.has(x) && bad(x.at));
    if (i >= 0) return no(`${present(job[key][i]).at} is no date.`, `${key}[${i}].at`, todo);
  }
  const tick = Object.entries(job.guard.ticks).find(([, at]) => bad(at));
  return tick ? no(`${tick[1]} is no date.`, `guard.ticks.${tick[0]}`, todo) : null;
}

/** What a meter of each setting can show at all, in base units; a wire as a jumper has 0 Ω. */
const SHOWN: Readonly<Record<Reading['kind'], readonly [least: number, most: number]>> = {
  'volts-dc': [-1e5, 1e5],
  'volts-ac': [-1e5, 1e5],
  ohms: [-1e3, 1e13],
  insulation: [0, 1e13],
  diode: [-10, 10],
  battery: [-100, 100],
  continuity: [-1e3, 1e13],
  amps: [-1e4, 1e4],
  hertz: [0, 1e10],
  duty: [0, 1],
  jumper: [0, 1e9],
  look: [0, 0],
};

function readingsOf(job: Job, before: Job | undefined): LoadProblem | null {
  if (job.readings === before?.readings) return null;
  const known = new Set(before?.readings);
  for (const [i, r] of job.readings.entries()) {
    const [least, most] = SHOWN[r.kind];
    if (!known.has(r) && (r.value < least || r.value > most))
      return no(
        `No meter shows ${r.value} on this setting.`,
        `readings[${i}].value`,
        `Give a value from ${least} to ${most}, in base units.`,
      );
  }
  return null;
}

/** What a reading is of, whatever it showed. */
const placeOf = ({ from, to, state, kind }: Reading): string => JSON.stringify([from, to, state, kind]);

/** Each place that is read costs Probe as much as any other, whether it tells anything or not. */
function placesOf(job: Job, before: Job | undefined): LoadProblem | null {
  if (job.readings === before?.readings) return null;
  const controls = new Map(job.controls.map((c) => [c.id, new Set<string>()]));
  const different = new Set<string>();
  let all = 0;
  for (const [i, r] of job.readings.entries()) {
    const own = controls.get(r.control);
    const place = placeOf(r);
    if (!own || r.struck || own.has(place)) continue;
    own.add(place);
    different.add(place);
    const full =
      own.size > MOST_PLACES.ofOne
        ? `${MOST_PLACES.ofOne} places of one control`
        : ++all > MOST_PLACES.ofAll
          ? `${MOST_PLACES.ofAll} places of all controls together`
          : different.size > MOST_PLACES.different
            ? `${MOST_PLACES.different} different places`
            : '';
    if (full)
      return no(
        `Readings at more than ${full}: so many cannot be reckoned with.`,
        `readings[${i}]`,
        'Withdraw readings that tell nothing of the control.',
      );
  }
  return null;
}

function padsOf(job: Job, before: Job | undefined): LoadProblem | null {
  if (job.survey.keypads === before?.survey.keypads && job.presses === before.presses) return null;
  for (const [i, pad] of job.survey.keypads.entries()) {
    const where = `survey.keypads[${i}]`;
    const lines = new Set(pad.keys.flatMap((k) => k.lines));
    if (lines.size > MOST_PAD_LINES)
      return no(
        `The keypad ${pad.name} has ${lines.size} lines; a pad of up to ${MOST_PAD_LINES} lines can be judged.`,
        where,
        'Name the lines by the pins of the connector, each by one name.',
      );
    const outside = pad.keys.findIndex((k) => k.row >= pad.rows || k.column >= pad.columns);
    if (outside >= 0)
      return no(
        `Key ${itemAt(pad.keys, outside).label} lies outside the pad.`,
        `${where}.keys[${outside}]`,
        'Give its row and column within the pad.',
      );
    const { scan } = pad;
    if (scan && job.presses.some((p) => p.scan.holdSeconds / scan.periodSeconds > MOST_SCANS))
      return no(
        'The press is held for more scans than can be counted.',
        `${where}.scan.periodSeconds`,
        'Give the time from one strobe of a line to its next, and a press of a fraction of a second.',
      );
  }
  return null;
}

/** Who may have lines is there once, and no more machines differ than there are. */
function linesOf(job: Job): LoadProblem | null {
  const owners = ownersOf(job);
  const ids = new Set<string>();
  for (const { id, name } of owners) {
    if (ids.has(id) || id.includes('/'))
      return no(
        id.includes('/')
          ? `The id ${JSON.stringify(id)} has a stroke.`
          : `Two things are called ${JSON.stringify(id)}.`,
        `id of ${name}`,
        'Give each press, sense, hand and sign an id of its own, without a stroke.',
      );
    ids.add(id);
  }
  const units = job.bench.units.length;
  return units > job.bench.machines
    ? no(
        `${units} machines differ and only ${job.bench.machines} are fitted.`,
        'bench.units',
        'Fit more machines, or take some of the differences away.',
      )
    : null;
}

/** Own boards that contradict themselves. */
function profilesOf(job: Job, before: Job | undefined): LoadProblem | null {
  if (job.board.profiles === before?.board.profiles) return null;
  for (const [i, profile] of job.board.profiles.entries()) {
    const wrong = profileProblem(profile);
    if (wrong) return no(wrong.what, `board.profiles[${i}].${wrong.where}`, wrong.todo);
  }
  return null;
}
