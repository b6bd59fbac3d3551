import { sayChanges } from '../../field';
import { hashOf } from '../../quantity';
import { groundKeys } from '../document/guard/gates';
import { freshControl } from './fresh';
import { pressOf } from '../document/owners';
import { isFromOutside } from '../document/press/types';
import { cascaded } from '../gate/cascade';
import { LOG_LINES, LOG_TEXT } from '../document/fields';
import type { LoadProblem } from '../document/problem';
import {
  isPressPlace,
  LIST_INFO,
  PLACE_INFO,
  type ListName,
  type Lists,
  type Place,
  type Places,
  type PressPlace,
} from '../document/places';
import { jobProblem } from '../gate/gate';
import {
  GUESSED_PLANS,
  type Control,
  type GateGround,
  type Job,
  type LogEntry,
  type Press,
  type Reading,
  type Trial,
} from '../document/types';

/** Sets fields of one place. `say` is given only where a person's sentence is better than what the fields say of themselves. */
type SetEdit = {
  [P in Place]: { do: 'set'; at: P; set: Partial<Places[P]>; say?: string } & (P extends PressPlace
    ? { /** Id of the press. */ of: string }
    : object);
}[Place];
/** Puts an item into a keyed list: over the one with its key, else at the end. */
type PutEdit = { [L in ListName]: { do: 'put'; list: L; item: Lists[L]; say?: string } }[ListName];
/** Takes the item with this key out of a list. */
interface DropEdit {
  do: 'drop';
  list: ListName;
  key: string;
  say?: string;
}

/** Every way a job can change. Edits are plain data: a remedy carries one, the undo stack and the log name them, a file can hold them. */
export type JobEdit =
  | SetEdit
  | PutEdit
  | DropEdit
  | { do: 'title'; title: string; place: string }
  | { do: 'archive'; archived: boolean }
  | { do: 'add-control'; id: string; name: string }
  | { do: 'change-control'; id: string; set: Partial<Omit<Control, 'id'>>; say?: string }
  | { do: 'add-reading'; reading: Reading; say: string; control?: { id: string; name: string } }
  | { do: 'strike-reading'; id: string; struck: boolean }
  | {
      do: 'tick';
      step: string;
      title: string;
      on: boolean;
      /** Who ticks it, on which reading, and what it rests on: what changes in that reopens it. */
      by?: string;
      reading?: string;
      rests?: GateGround[];
    }
  | { do: 'accept'; never: string; story: string; words: string; by: string; why: string; basis: string }
  | { do: 'no-longer-accept'; id: string; words: string }
  | { do: 'add-trial'; trial: Trial; say: string }
  | { do: 'note'; text: string }
  | { do: 'several'; edits: JobEdit[]; say?: string };

/** A job after an edit, or why the edit was refused. */
export type Edited = { readonly ok: true; readonly job: Job } | { readonly ok: false; readonly problem: LoadProblem };

/** An edit names what the job does not have, or is no edit at all. */
class NoSuch extends Error {}

/**
 * The job after one edit, with the log entry that tells of it; the given job is left untouched. Total: an edit that names what is
 * gone, or that would make a job which a file could not hold, is refused with what, where and what to do, and never throws.
 * @param now ISO time of the edit.
 */
export function applyEdit(job: Job, edit: JobEdit, now: string): Edited {
  try {
    const [next, room, said] = change(job, edit, now);
    const after = withLog({ ...next, touchedAt: now }, { at: now, room, text: said });
    const problem = jobProblem(after, job);
    return problem ? { ok: false, problem } : { ok: true, job: after };
  } catch (error) {
    const what = error instanceof NoSuch ? error.message : 'This edit is not one that a job knows.';
    return {
      ok: false,
      problem: { what, where: placeOfEdit(edit), todo: 'Look at what the job holds now, and try again.' },
    };
  }
}

/** For whoever knows that an edit is allowed: the job after it. Throws RangeError with the reason where it is not. */
export function edited(job: Job, edit: JobEdit, now: string): Job {
  const done = applyEdit(job, edit, now);
  if (done.ok) return done.job;
  throw new RangeError(`${done.problem.where}: ${done.problem.what}`);
}

function placeOfEdit(edit: unknown): string {
  const e = (typeof edit === 'object' && edit !== null ? edit : {}) as Record<string, unknown>;
  const where = e['at'] ?? e['list'] ?? e['id'] ?? e['step'] ?? e['do'];
  return typeof where === 'string' ? `edit of ${where}` : 'the edit';
}

/** The log grows by one line; a very long one leaves its oldest lines but the first. */
function withLog(job: Job, entry: LogEntry): Job {
  const line = { ...entry, text: entry.text.slice(0, LOG_TEXT) };
  const kept = job.log.length < LOG_LINES ? job.log : [...job.log.slice(0, 1), ...job.log.slice(2 - LOG_LINES)];
  return { ...job, log: [...kept, line] };
}

type Changed = [job: Job, room: LogEntry['room'], said: string];

// eslint-disable-next-line complexity -- a plain switch over the kinds of edits
function change(job: Job, edit: JobEdit, now: string): Changed {
  switch (edit.do) {
    case 'set':
      return setIn(job, edit);
    case 'put':
      return putIn(job, edit);
    case 'drop':
      return dropFrom(job, edit);
    case 'title':
      return [{ ...job, title: edit.title, place: edit.place }, 'wish', `called ${edit.title}`];
    case 'archive':
      return [{ ...job, archived: edit.archived }, '', edit.archived ? 'archived' : 'back from the archive'];
    case 'add-control':
      return [withControl(job, edit), 'probe', `control ${edit.name}`];
    case 'change-control':
      return changeControl(job, edit);
    case 'add-reading': {
      const base = edit.control ? withControl(job, edit.control) : job;
      return [{ ...base, readings: [...base.readings, edit.reading] }, 'probe', edit.say];
    }
    case 'strike-reading':
      return strikeReading(job, edit);
    case 'tick':
      return tick(job, edit, now);
    case 'accept':
      return accept(job, edit, now);
    case 'no-longer-accept':
      return acceptNoLonger(job, edit);
    case 'add-trial':
      return [{ ...job, trials: [...job.trials, edit.trial] }, 'try', edit.say];
    case 'note':
      return [job, '', edit.text];
    case 'several': {
      const said: string[] = [];
      const after = edit.edits.reduce((j, e) => {
        const [next, , text] = change(j, e, now);
        said.push(text);
        return next;
      }, job);
      return [after, '', edit.say ?? said.join('; ')];
    }
    default:
      throw new NoSuch(`There is no edit ${JSON.stringify((edit as { do?: unknown }).do)}.`);
  }
}

type Edit<D extends JobEdit['do']> = Extract<JobEdit, { readonly do: D }>;

function changeControl(job: Job, edit: Edit<'change-control'>): Changed {
  if (!job.controls.some((c) => c.id === edit.id)) throw new NoSuch(`The job has no control ${edit.id}.`);
  const controls = job.controls.map((c) => (c.id === edit.id ? { ...c, ...edit.set } : c));
  return [{ ...job, controls }, 'probe', edit.say ?? `control ${edit.id} changed`];
}

function strikeReading(job: Job, edit: Edit<'strike-reading'>): Changed {
  if (!job.readings.some((r) => r.id === edit.id)) throw new NoSuch(`The job has no reading ${edit.id}.`);
  const readings = job.readings.map((r) => (r.id === edit.id ? { ...r, struck: edit.struck } : r));
  return [{ ...job, readings }, 'probe', edit.struck ? 'a reading withdrawn' : 'a reading counts again'];
}

function tick(job: Job, edit: Edit<'tick'>, now: string): Changed {
  const { [edit.step]: _gone, ...rest } = job.guard.ticks;
  const { [edit.step]: _gate, ...others } = job.guard.gates;
  const { by = '', reading = '', rests = [] } = edit;
  const ticks = edit.on ? { ...rest, [edit.step]: now } : rest;
  const gates = edit.on ? { ...others, [edit.step]: { by, reading, rests: groundKeys(job, rests) } } : others;
  const how = [...(by ? [`by ${by}`] : []), ...(reading ? [reading] : [])].join(', ');
  const said = `${edit.on ? 'done' : 'not done after all'}: ${edit.title}${how ? ` (${how})` : ''}`;
  return [{ ...job, guard: { ...job.guard, ticks, gates } }, 'guard', said];
}

/** A named person takes a story as it is. */
function accept(job: Job, edit: Edit<'accept'>, now: string): Changed {
  const { never, story, by, why, basis, words } = edit;
  const id = hashOf(JSON.stringify([never, story]));
  const others = job.guard.accepted.filter((a) => a.id !== id);
  const accepted = [...others, { id, never, story, by, at: now, why, basis }];
  return [{ ...job, guard: { ...job.guard, accepted } }, 'guard', `accepted by ${by}: ${words}`];
}

function acceptNoLonger(job: Job, edit: Edit<'no-longer-accept'>): Changed {
  const accepted = job.guard.accepted.filter((a) => a.id !== edit.id);
  if (accepted.length === job.guard.accepted.length) throw new NoSuch(`The job has no accepted story ${edit.id}.`);
  return [{ ...job, guard: { ...job.guard, accepted } }, 'guard', `no longer accepted: ${edit.words}`];
}

type Plain = Readonly<Record<string, unknown>>;

const own = <T extends object>(of: T, key: string): unknown =>
  Object.hasOwn(of, key) ? of[key as keyof T] : undefined;

/** The value at a place of two names at most. */
function at(job: object, path: string): Plain {
  const [section, inner] = path.split('.') as [string, string | undefined];
  const outer = own(job, section) as Plain;
  return inner === undefined ? outer : (own(outer, inner) as Plain);
}

function withAt<T extends object>(job: T, path: string, value: unknown): T {
  const [section, inner] = path.split('.') as [string, string | undefined];
  const outer = own(job, section) as Plain;
  return { ...job, [section]: inner === undefined ? value : { ...outer, [inner]: value } };
}

function setIn(job: Job, edit: SetEdit): Changed {
  if (!Object.hasOwn(PLACE_INFO, edit.at)) throw new NoSuch(`A job has no place ${JSON.stringify(edit.at)}.`);
  if (isPressPlace(edit.at)) return setInPress(job, edit as Extract<SetEdit, { of: string }>);
  const info = PLACE_INFO[edit.at];
  const before = at(job, edit.at);
  const after = { ...before, ...edit.set };
  const said = sayChanges(info.fields, before, after);
  return [
    withAt(job, edit.at, after),
    info.room,
    edit.say ?? [info.words, said || 'as it was'].filter(Boolean).join(': '),
  ];
}

/** Sets fields of a press, or of a plan inside it; what its maker gave of a plan is remembered as given. */
function setInPress(job: Job, edit: Extract<SetEdit, { of: string }>): Changed {
  const press = job.presses.find((p) => p.id === edit.of);
  if (!press) throw new NoSuch(`The job has no press ${JSON.stringify(edit.of)}.`);
  const info = PLACE_INFO[edit.at];
  const plan = edit.at === 'press' ? '' : edit.at.slice('press.'.length);
  const before = plan ? at(press, plan) : ({ ...press } as Plain);
  const after = { ...before, ...edit.set };
  const changed = plan ? withAt(press, plan, after) : ({ ...press, ...edit.set } as Press);
  const named = plan ? Object.keys(edit.set).map((key) => `${plan}.${key}`) : [];
  const given = givenBy(press, changed, named, edit.at === 'press' ? edit.set.given : undefined);
  const presses = job.presses.map((p) => (p === press ? { ...changed, id: press.id, given } : p));
  const said = sayChanges(info.fields, before, after);
  const whose = job.presses.length > 1 ? `${press.name}: ` : '';
  return [
    { ...job, presses },
    info.room,
    `${whose}${edit.say ?? [info.words, said || 'as it was'].filter(Boolean).join(': ')}`,
  ];
}

function listOf(job: Job, list: ListName): readonly Plain[] {
  if (!Object.hasOwn(LIST_INFO, list)) throw new NoSuch(`A job has no list ${JSON.stringify(list)}.`);
  return at(job, list) as unknown as readonly Plain[];
}

function putIn(job: Job, edit: PutEdit): Changed {
  const items = listOf(job, edit.list);
  const info = LIST_INFO[edit.list];
  const item = edit.item as unknown as Plain;
  const before = items.find((x) => x[info.key] === item[info.key]);
  const next = before ? items.map((x) => (x === before ? item : x)) : [...items, item];
  const head = `${info.words} ${String(item[info.called])}`.trim();
  const said = before ? sayChanges(info.fields, before, item) : 'new';
  return [withAt(job, edit.list, next), info.room, edit.say ?? `${head}: ${said || 'as it was'}`];
}

function dropFrom(job: Job, edit: DropEdit): Changed {
  const items = listOf(job, edit.list);
  const info = LIST_INFO[edit.list];
  const gone = items.find((x) => x[info.key] === edit.key);
  if (!gone) throw new NoSuch(`The list ${edit.list} has no ${edit.key}.`);
  const said = edit.say ?? `${info.words} ${String(gone[info.called])} taken away`.trim();
  const left = items.filter((x) => x !== gone);
  return [cascaded(withAt(job, edit.list, left), edit.list, edit.key), info.room, said];
}

/**
 * Values of a way's plan that the maker gave: those that an edit changes, those that it sets to what they are already, and those that it
 * confirms by naming them.
 */
function givenBy(
  before: Press,
  after: Press,
  named: readonly string[],
  confirmed: readonly string[] | undefined,
): string[] {
  const changed = GUESSED_PLANS.flatMap((plan) => {
    const was = { ...before[plan] } as Record<string, unknown>;
    const is = { ...after[plan] } as Record<string, unknown>;
    return Object.keys(is)
      .filter((key) => JSON.stringify(is[key]) !== JSON.stringify(was[key]))
      .map((key) => `${plan}.${key}`);
  });
  const known = GUESSED_PLANS.flatMap((plan) => Object.keys(after[plan]).map((key) => `${plan}.${key}`));
  return [...new Set([...(confirmed ?? before.given), ...changed, ...named.filter((path) => known.includes(path))])];
}

/**
 * The job with one more control; the first one is pressed, since a machine with one button is what most begin with, unless the job only
 * listens. What is switched from outside keeps to no control.
 */
function withControl(job: Job, { id, name }: { id: string; name: string }): Job {
  if (job.controls.some((c) => c.id === id)) return job;
  const control = freshControl(id, name);
  const waits = job.presses.find((p) => p.control === '' && !isFromOutside(p.way));
  const presses =
    job.controls.length > 0 || job.wish.role === 'listens'
      ? job.presses
      : waits
        ? job.presses.map((p) => (p === waits ? { ...p, control: id } : p))
        : [...job.presses, pressOf(job, control)];
  return { ...job, controls: [...job.controls, control], presses };
}

/**
 * Takes a job to an earlier or later content. The log is kept and grows by one entry, `said`.
 * @param content the content to go to; its own log is ignored.
 */
export function returnTo(job: Job, content: Job, now: string, said: string): Job {
  return withLog({ ...content, touchedAt: now, log: job.log }, { at: now, room: '', text: said });
}
