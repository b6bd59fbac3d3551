import { freshControl } from './fresh';
import { applyEdit, type JobEdit } from './edit';
import { freeId, freeIn } from '../document/owners';
import { lineId, ownerOf } from '../document/line-id';
import { pressedBy } from '../document/act/steps';
import type { Control, Job, MachinePart, Move, Press } from '../document/types';

/** The control that one is taken to be like, in the end; itself where it is read by itself. */
export function likeOf(job: Pick<Job, 'controls'>, control: string): string {
  const seen = new Set<string>();
  let at = control;
  for (;;) {
    const like = job.controls.find((c) => c.id === at)?.like ?? '';
    if (like === '' || seen.has(at)) return at;
    seen.add(at);
    at = like;
  }
}

/** `flap 3` after `flap 2`, and `flap 2` after `flap`: a name that none of those taken has. */
function nextName(name: string, taken: ReadonlySet<string>): string {
  const [, stem = name, digits] = /^(.*?)(\d+)$/.exec(name) ?? [];
  const gap = digits === undefined && !stem.endsWith(' ') ? ' ' : '';
  for (let n = Number(digits ?? 1) + 1; ; n++) {
    const next = `${stem}${gap}${n}`;
    if (!taken.has(next)) return next;
  }
}

/** A copy of something named after the control that it belongs to: its own name goes on with the control's. */
const renamed = (name: string, from: string, to: string, taken: ReadonlySet<string>): string =>
  name.includes(from) ? name.replace(from, to) : nextName(name, taken);

const named = (list: readonly { readonly name: string }[]): Set<string> => new Set(list.map((x) => x.name));

/**
 * One more control like one that is there: with its presses, their ways and plans, what feeds them, the parts of the machine that they
 * reach, and the moves that press them alone. Nothing is said to have been read of it; its lines wait for pins.
 */
function oneMore(job: Job, like: Control): readonly JobEdit[] {
  const name = nextName(like.name, named(job.controls));
  const id = freeControlId(job, name);
  const control: Control = {
    ...freshControl(id, name),
    ...like,
    id,
    name,
    like: likeOf(job, like.id),
    strip: '',
    terminals: [],
  };
  const { id: _id, ...set } = control;
  const edits: JobEdit[] = [
    { do: 'add-control', id, name },
    { do: 'change-control', id, set },
  ];
  const presses = new Map<string, string>();
  const taken = new Set(job.presses.map((p) => p.name));
  for (const press of job.presses.filter((p) => p.control === like.id)) {
    const called = renamed(press.name, like.name, name, taken);
    taken.add(called);
    const copy = freeId(job, called);
    presses.set(press.id, copy);
    edits.push({ do: 'put', list: 'presses', item: { ...press, id: copy, name: called, control: id } });
  }
  edits.push(...partsLike(job, like.name, name, presses), ...movesLike(job, like.name, name, presses));
  edits.push(
    ...job.feed.hangs.flatMap((h): JobEdit[] => {
      const press = presses.get(ownerOf(h.load));
      const [, part = ''] = h.load.split('/');
      return press === undefined ? [] : [{ do: 'put', list: 'feed.hangs', item: { ...h, load: lineId(press, part) } }];
    }),
    ...job.feed.groups.flatMap((g): JobEdit[] => {
      const more = g.presses.flatMap((p) => presses.get(p) ?? []);
      return more.length === 0
        ? []
        : [{ do: 'put', list: 'feed.groups', item: { ...g, presses: [...g.presses, ...more] } }];
    }),
  );
  return edits;
}

function freeControlId(job: Job, name: string): string {
  const base = `control-${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!job.controls.some((c) => c.id === id)) return id;
  }
}

function partsLike(job: Job, from: string, to: string, presses: ReadonlyMap<string, string>): JobEdit[] {
  const taken = named(job.act.parts);
  return job.act.parts
    .filter((p) => p.heeds.length > 0 && p.heeds.every((h) => presses.has(h.press)))
    .map((p): JobEdit => {
      const name = renamed(p.name, from, to, taken);
      taken.add(name);
      const item: MachinePart = {
        ...p,
        id: freeIn(job.act.parts, name),
        name,
        heeds: p.heeds.map((h) => ({ ...h, press: presses.get(h.press) ?? h.press })),
        timings: [],
      };
      return { do: 'put', list: 'act.parts', item };
    });
}

function movesLike(job: Job, from: string, to: string, presses: ReadonlyMap<string, string>): JobEdit[] {
  const taken = named(job.act.moves);
  const only = (m: Move): boolean => {
    const all = m.steps.flatMap(pressedBy);
    return all.length > 0 && all.every((p) => presses.has(p)) && m.steps.every((s) => s.sense === '');
  };
  return job.act.moves.filter(only).map((m): JobEdit => {
    const name = renamed(m.name, from, to, taken);
    taken.add(name);
    const put = (press: string): string => presses.get(press) ?? press;
    const steps = m.steps.map((s) => ({ ...s, press: put(s.press), also: s.also.map(put) }));
    return { do: 'put', list: 'act.moves', item: { ...m, id: freeIn(job.act.moves, name), name, steps } };
  });
}

/**
 * So many more controls like one, as one edit. @param now ISO time. Throws RangeError for a control that the job does not have, and with
 * the reason where the job holds no more.
 */
export function moreLike(job: Job, control: string, count: number, now: string): JobEdit {
  const like = job.controls.find((c) => c.id === control);
  if (!like) throw new RangeError(`the job has no control ${control}`);
  const edits: JobEdit[] = [];
  let grown = job;
  for (let i = 0; i < count; i++) {
    const more = oneMore(grown, like);
    const done = applyEdit(grown, { do: 'several', edits: [...more] }, now);
    if (!done.ok) throw new RangeError(done.problem.what);
    grown = done.job;
    edits.push(...more);
  }
  return { do: 'several', edits, say: `${count} more like ${like.name}` };
}

const plain = (p: Press): string => JSON.stringify({ ...p, id: '', name: '', control: '', given: [] });
const plainPart = (p: MachinePart): string =>
  JSON.stringify({ ...p, id: '', name: '', heeds: p.heeds.map((h) => h.as), timings: [] });

/**
 * An edit of a press or of a part of the machine as it is made of all alike: those whose controls are taken to be like one, as long
 * as they do not differ. Any other edit stays as it is.
 */
export function onAllAlike(job: Job, edit: JobEdit): JobEdit {
  if (edit.do === 'several') return { ...edit, edits: edit.edits.map((e) => onAllAlike(job, e)) };
  if (edit.do === 'set' && 'of' in edit) {
    const press = job.presses.find((p) => p.id === edit.of);
    const others = press ? alikePresses(job, press) : [];
    return together(edit, press?.name ?? '', others, (p): JobEdit => ({ ...edit, of: p.id }));
  }
  if (edit.do === 'put' && edit.list === 'act.parts') {
    const { item } = edit;
    const part = job.act.parts.find((p) => p.id === item.id);
    const others = part ? alikeParts(job, part) : [];
    return together(edit, item.name, others, (p): JobEdit => ({
      ...edit,
      item: {
        ...item,
        id: p.id,
        name: p.name,
        heeds: p.heeds.map((h, i) => ({ ...h, as: item.heeds[i]?.as ?? h.as })),
        timings: p.timings,
      },
    }));
  }
  return edit;
}

function together<T extends { readonly name: string }>(
  edit: JobEdit,
  name: string,
  others: readonly T[],
  of: (other: T) => JobEdit,
): JobEdit {
  if (others.length === 0) return edit;
  const said = 'say' in edit && edit.say ? `: ${edit.say}` : '';
  return { do: 'several', edits: [edit, ...others.map(of)], say: `${name} and ${others.length} alike${said}` };
}

function alikePresses(job: Job, press: Press): readonly Press[] {
  if (press.control === '') return [];
  const root = likeOf(job, press.control);
  return job.presses.filter(
    (p) => p.id !== press.id && p.control !== '' && likeOf(job, p.control) === root && plain(p) === plain(press),
  );
}

function alikeParts(job: Job, part: MachinePart): readonly MachinePart[] {
  const rootsOf = (p: MachinePart): string =>
    p.heeds.map((h) => likeOf(job, job.presses.find((x) => x.id === h.press)?.control ?? '')).join(' ');
  if (part.heeds.length === 0) return [];
  return job.act.parts.filter(
    (p) => p.id !== part.id && p.heeds.length > 0 && rootsOf(p) === rootsOf(part) && plainPart(p) === plainPart(part),
  );
}
