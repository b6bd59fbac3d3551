// Values, edits and spoiled documents drawn from the fields: bounds and just beyond them, odd names, what JSON allows and no job means.
import type { AnyField, AnyFields } from '../../core/ground/field';
import { isPressPlace, LIST_INFO, PLACE_INFO } from '../../core/ground/job/document/places';
import { trialFields } from '../../core/ground/job/document/plan/fields';
import { readingFields } from '../../core/ground/job/document/readings/fields';
import type { Job, JobEdit } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';

// By name: an order of theirs must not draw other jobs.
const PLACES = Object.entries(PLACE_INFO).sort(([a], [b]) => (a < b ? -1 : 1));
const LISTS = Object.entries(LIST_INFO).sort(([a], [b]) => (a < b ? -1 : 1));

const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;
const NAMES = [
  'start',
  'A',
  'B',
  '1',
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  'Ω ∥ µ',
  '"; drop',
  '<b>x</b>',
  '=1+1',
  'ünïcödé',
  ' ',
  'x'.repeat(200),
  'x'.repeat(201),
  '\ud83d',
  '10:40',
  'prototype',
  'valueOf',
  '0',
  '-1',
  'null',
] as const;

/** A value that the field may hold, or now and then one that it may not. */
function valueFor(r: Random, field: AnyField, job: Job): unknown {
  if (r.next() < 0.02)
    return pick(r, [null, undefined, true, -1, 1e308, Number.NaN, '', 'x', [], {}, ['x'], -0, 5e-324]);
  switch (field.is) {
    case 'quantity': {
      const span = field.most - field.least;
      const some = [
        field.least,
        field.most,
        field.least + span * r.next(),
        field.least + span * r.next() ** 8,
        (field.usual as number | null) ?? field.least,
        field.least * 1.0000001,
        field.most * (1 + 1e-9),
        field.least - 1e-9,
      ];
      const v = pick(r, some);
      return field.empty && r.next() < 0.2 ? null : field.whole && r.next() < 0.95 ? Math.round(v) : v;
    }
    case 'choice':
      return field.empty && r.next() < 0.2 ? null : pick(r, Object.keys(field.words));
    case 'flag':
      return field.empty && r.next() < 0.3 ? null : r.next() < 0.5;
    case 'text':
      return textFor(r, field.label, job);
    case 'list': {
      const n = field.least + Math.floor(r.next() ** 3 * Math.min(field.most - field.least, 12));
      const items = Array.from({ length: n }, () => valueFor(r, field.of, job));
      return field.rising ? (items as number[]).sort((a, b) => a - b) : field.once ? [...new Set(items)] : items;
    }
    case 'group':
      return field.usual === null && r.next() < 0.4 ? null : groupFor(r, field.fields, job);
    case 'record':
      return Object.fromEntries(
        Array.from({ length: Math.floor(r.next() * 4) }, () => [pick(r, NAMES), valueFor(r, field.of, job)]),
      );
  }
}

const groupFor = (r: Random, fields: AnyFields, job: Job): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).map(([k, f]) => [k, valueFor(r, f, job)]));

/** Texts that refer to something refer to what is there more often than not. */
function textFor(r: Random, label: string, job: Job): string {
  const ids = [...job.controls.map((c) => c.id), ...job.survey.strips.map((s) => s.id)];
  if (/control/.test(label) && ids.length && r.next() < 0.9) return pick(r, ids);
  if (/ at$|^at$|done|begun|touched/.test(label))
    return pick(r, ['2026-03-02T14:00:00Z', '2026-03-02T14:00:00.5Z', '12:30', '23:59']);
  if (label === 'time zone')
    return pick(r, ['Europe/London', 'America/New_York', 'Asia/Kolkata', 'GMT+5', 'UTC', 'Mars/Base']);
  const owners = [...job.presses, ...job.senses, ...job.hands, ...job.signs].map((x) => x.id);
  if (/press|^line$/i.test(label) && r.next() < 0.9) return owners.length && r.next() < 0.7 ? pick(r, owners) : '';
  if (label === 'Key') return pick(r, ['mine', 'wifi-17', 'Not a key']);
  if (label === 'stand-in') return pick(r, ['none', 'rice-pot', 'practice', 'practice-strange', 'toString']);
  if (label === 'controller') return pick(r, ['wifi-17', 'wifi-34', 'header-28', 'toString', 'other']);
  return pick(r, NAMES);
}

/** One edit of a job: any of those that there are. */
export function editFor(r: Random, job: Job, n: number): JobEdit {
  const roll = r.next();
  if (roll < 0.35) {
    const [at, { fields }] = pick(r, PLACES);
    const keys = Object.keys(fields).filter(() => r.next() < 0.3);
    // A place of a press says of which; now and then of one that is not there.
    const of = r.next() < 0.9 ? (job.presses[0]?.id ?? 'x') : pick(r, NAMES);
    return {
      do: 'set',
      at,
      ...(isPressPlace(at) ? { of } : {}),
      set: Object.fromEntries(keys.map((k) => [k, valueFor(r, fields[k]!, job)])),
    } as JobEdit;
  }
  if (roll < 0.55) {
    const [list, { fields }] = pick(r, LISTS);
    return { do: 'put', list, item: groupFor(r, fields, job) } as unknown as JobEdit;
  }
  if (roll < 0.6) {
    const [list, { key }] = pick(r, LISTS);
    const [section, inner] = list.split('.') as ['survey', 'rails' | undefined];
    const items = (inner === undefined ? job[section] : job[section][inner]) as unknown as Record<string, string>[];
    return { do: 'drop', list, key: items[0]?.[key] ?? 'x' } as JobEdit;
  }
  if (roll < 0.85) {
    const reading = { ...groupFor(r, readingFields as unknown as AnyFields, job), id: `r${n}` };
    return { do: 'add-reading', reading, say: 'read' } as unknown as JobEdit;
  }
  const id = job.controls[0]?.id ?? 'x';
  return pick<() => JobEdit>(r, [
    () => ({ do: 'add-control', id: job.controls.length < 4 ? `c${n}` : id, name: pick(r, NAMES) }),
    () => ({ do: 'change-control', id, set: { levels: 'own', lowBelowVolts: 2 * r.next(), highAboveVolts: 3 } }),
    () => ({ do: 'title', title: pick(r, NAMES), place: pick(r, NAMES) }),
    () => ({ do: 'archive', archived: r.next() < 0.5 }),
    () => ({ do: 'strike-reading', id: job.readings[0]?.id ?? 'x', struck: r.next() < 0.5 }),
    () => ({ do: 'tick', step: pick(r, NAMES), title: 'x', on: r.next() < 0.7 }),
    () => ({ do: 'note', text: pick(r, [...NAMES, 'y'.repeat(5000)]) }),
    () =>
      ({
        do: 'add-trial',
        trial: { ...groupFor(r, trialFields as unknown as AnyFields, job), id: `t${n}` },
        say: 'tried',
      }) as unknown as JobEdit,
    () => ({ do: 'several', edits: [editFor(r, job, n), editFor(r, job, n + 1_000_000)] }),
    () =>
      pick<JobEdit>(r, [
        { do: 'toString' },
        null,
        7,
        {},
        { do: 'set' },
        { do: 'put', list: '__proto__', item: {} },
      ] as never),
  ])();
}

const ODD = [
  null,
  true,
  -1.5,
  1e308,
  5e-324,
  0,
  1e12,
  '',
  'zzz',
  '__proto__',
  [],
  {},
  ['x'],
  { x: 1 },
  'x'.repeat(5000),
] as const;

/** A document spoiled at one to three places: a leaf of another value, a part gone, a list many times as long. */
export function spoiled(r: Random, document: unknown): unknown {
  const copy = structuredClone(document);
  const times = 1 + Math.floor(r.next() * 3);
  for (let i = 0; i < times; i++) spoilOnce(r, copy);
  return copy;
}

function spoilOnce(r: Random, root: unknown): void {
  let at = root as Record<string, unknown>;
  for (;;) {
    const keys = Object.keys(at);
    if (keys.length === 0) return;
    const key = pick(r, keys);
    const inner = at[key];
    if (typeof inner === 'object' && inner !== null && Object.keys(inner).length > 0 && r.next() < 0.85) {
      at = inner as Record<string, unknown>;
      continue;
    }
    const roll = r.next();
    if (roll < 0.15) Reflect.deleteProperty(at, key);
    else if (roll < 0.25 && Array.isArray(inner)) at[key] = Array.from({ length: 300 }, () => inner[0] ?? pick(r, ODD));
    else if (roll < 0.35) at[pick(r, NAMES)] = inner;
    else if (typeof inner === 'number' && roll < 0.8) at[key] = inner * pick(r, [0, -1, 1e-12, 1e-6, 10, 1e6, 1e300]);
    else at[key] = structuredClone(pick(r, ODD));
    return;
  }
}
