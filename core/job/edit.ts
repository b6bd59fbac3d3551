import { freshControl } from './fresh';
import { GUESSED_PLANS } from './types';
import type {
  ActPlan,
  BoardPlan,
  Control,
  FeedPlan,
  GuardRecord,
  Job,
  LogEntry,
  Reading,
  Region,
  RoutinePlan,
  SensePlan,
  SheetPlan,
  StandinState,
  Survey,
  ThumbPlan,
  Trial,
  Wish,
} from './types';

interface Sections {
  wish: Wish;
  region: Region;
  survey: Survey;
  thumb: ThumbPlan;
  board: BoardPlan;
  feed: FeedPlan;
  guard: GuardRecord;
  sense: SensePlan;
  act: ActPlan;
  routine: RoutinePlan;
  sheet: SheetPlan;
  standin: StandinState;
}
export type Section = keyof Sections;

type Change = { [S in Section]: { do: 'change'; section: S; set: Partial<Sections[S]>; say: string } }[Section];

/** Every way a job can change. Edits are plain data: a remedy carries one, the undo stack and the log name them. */
export type JobEdit =
  | Change
  | { do: 'title'; title: string; place: string }
  | { do: 'archive'; archived: boolean }
  | { do: 'add-control'; id: string; name: string }
  | { do: 'change-control'; id: string; set: Partial<Omit<Control, 'id'>>; say: string }
  | { do: 'add-reading'; reading: Reading; say: string; control?: { id: string; name: string } }
  | { do: 'strike-reading'; id: string; struck: boolean }
  | { do: 'tick'; step: string; title: string; on: boolean }
  | { do: 'add-trial'; trial: Trial; say: string }
  | { do: 'note'; text: string }
  | { do: 'several'; edits: JobEdit[]; say: string };

const ROOM_OF: Partial<Record<Section, LogEntry['room']>> = {
  region: 'wish',
  standin: 'probe',
  survey: 'probe',
  sheet: 'try',
};

/**
 * The job after one edit, with the log entry that tells of it; the given job is left untouched.
 * Throws RangeError where an edit names something the job does not have.
 * @param now ISO time of the edit.
 */
export function applyEdit(job: Job, edit: JobEdit, now: string): Job {
  const [next, room, text] = change(job, edit, now);
  return { ...next, touchedAt: now, log: [...job.log, { at: now, room, text }] };
}

function change(job: Job, edit: JobEdit, now: string): [Job, LogEntry['room'], string] {
  switch (edit.do) {
    case 'change':
      return [
        {
          ...job,
          [edit.section]: {
            ...job[edit.section],
            ...edit.set,
            ...(edit.section === 'thumb' ? { given: givenBy(job.thumb, edit.set) } : {}),
          },
        },
        ROOM_OF[edit.section] ?? (edit.section as LogEntry['room']),
        edit.say,
      ];
    case 'title':
      return [{ ...job, title: edit.title, place: edit.place }, 'wish', `called ${edit.title}`];
    case 'archive':
      return [{ ...job, archived: edit.archived }, '', edit.archived ? 'archived' : 'back from the archive'];
    case 'add-control':
      return [withControl(job, edit), 'probe', `control ${edit.name}`];
    case 'change-control':
      if (!job.controls.some((c) => c.id === edit.id)) throw new RangeError(`the job has no control ${edit.id}`);
      return [
        { ...job, controls: job.controls.map((c) => (c.id === edit.id ? { ...c, ...edit.set } : c)) },
        'probe',
        edit.say,
      ];
    case 'add-reading': {
      const base = edit.control ? withControl(job, edit.control) : job;
      return [{ ...base, readings: [...base.readings, edit.reading] }, 'probe', edit.say];
    }
    case 'strike-reading':
      if (!job.readings.some((r) => r.id === edit.id)) throw new RangeError(`the job has no reading ${edit.id}`);
      return [
        { ...job, readings: job.readings.map((r) => (r.id === edit.id ? { ...r, struck: edit.struck } : r)) },
        'probe',
        edit.struck ? 'a reading withdrawn' : 'a reading counts again',
      ];
    case 'tick': {
      const { [edit.step]: _gone, ...rest } = job.guard.ticks;
      const ticks = edit.on ? { ...rest, [edit.step]: now } : rest;
      return [
        { ...job, guard: { ...job.guard, ticks } },
        'guard',
        `${edit.on ? 'done' : 'not done after all'}: ${edit.title}`,
      ];
    }
    case 'add-trial':
      return [{ ...job, trials: [...job.trials, edit.trial] }, 'try', edit.say];
    case 'note':
      return [job, '', edit.text];
    case 'several': {
      const after = edit.edits.reduce((j, e) => change(j, e, now)[0], job);
      return [after, '', edit.say];
    }
  }
}

/** Values of a way's plan that the maker gave: those that an edit changes, and those that it confirms by naming them. */
function givenBy(before: ThumbPlan, set: Partial<ThumbPlan>): string[] {
  const changed = GUESSED_PLANS.flatMap((plan) => {
    const was = { ...before[plan] } as Record<string, unknown>;
    const is = set[plan] && ({ ...set[plan] } as Record<string, unknown>);
    return is
      ? Object.keys(is)
          .filter((key) => JSON.stringify(is[key]) !== JSON.stringify(was[key]))
          .map((key) => `${plan}.${key}`)
      : [];
  });
  return [...new Set([...(set.given ?? before.given), ...changed])];
}

function withControl(job: Job, { id, name }: { id: string; name: string }): Job {
  if (job.controls.some((c) => c.id === id)) return job;
  const thumb = job.thumb.control ? job.thumb : { ...job.thumb, control: id };
  return { ...job, controls: [...job.controls, freshControl(id, name)], thumb };
}

/**
 * Takes a job to an earlier or later content. The log is kept and grows by one entry, `said`.
 * @param content the content to go to; its own log is ignored.
 */
export function returnTo(job: Job, content: Job, now: string, said: string): Job {
  return { ...content, touchedAt: now, log: [...job.log, { at: now, room: '', text: said }] };
}
