import type { AnyField, AnyFields } from './field';
import type { Reference } from './reference';

/** A thing that a text may stand for. */
export interface Meant {
  readonly sort: string;
  readonly id: string;
}

/** A place that names something: which, and what it may name. */
export interface Named {
  /** `act.moves[0].steps[1].press`. */
  readonly path: string;
  readonly text: string;
  readonly meant: readonly Meant[];
  readonly reference: Reference;
  readonly todo: string;
}

/** What a text may stand for: an id of each sort that the reference may name. */
const meant = ({ to, parted }: Reference, text: string): readonly Meant[] =>
  to.flatMap((sort) => {
    const own = { sort, id: text };
    return parted?.sorts.includes(sort) && parted.idOf(text) !== text ? [own, { sort, id: parted.idOf(text) }] : [own];
  });

const holding = new WeakMap<AnyField, boolean>();
/** Whether a field names anything, itself or within. */
function names(field: AnyField): boolean {
  const known = holding.get(field);
  if (known !== undefined) return known;
  const found =
    field.names !== undefined ||
    (field.is === 'group' && Object.values(field.fields).some(names)) ||
    ((field.is === 'list' || field.is === 'record') && names(field.of));
  holding.set(field, found);
  return found;
}

type Plain = Readonly<Record<string, unknown>>;

/** Every place of a document that names something; empty texts name nothing. Linear in what is walked: lists that name nothing are not. */
export function namedIn(fields: AnyFields, value: object): Named[] {
  const out: Named[] = [];
  const note = (reference: Reference, text: string, path: string, called: string): void => {
    if (text === '') return;
    out.push({ path, text, meant: meant(reference, text), reference, todo: reference.todo.replace('{name}', called) });
  };
  const walk = (field: AnyField, v: unknown, path: string, called: string): void => {
    if (v === null || v === undefined || !names(field)) return;
    switch (field.is) {
      case 'text':
        if (field.names) note(field.names, v as string, path, called);
        return;
      case 'list':
        (v as readonly unknown[]).forEach((item, i) => walk(field.of, item, `${path}[${i}]`, called));
        return;
      case 'record':
        for (const [key, item] of Object.entries(v)) {
          if (field.names) note(field.names, key, `${path}.${key}`, called);
          walk(field.of, item, `${path}.${key}`, called);
        }
        return;
      case 'group':
        within(field.fields, v as Plain, path, called);
    }
  };
  const within = (of: AnyFields, v: Plain, path: string, called: string): void => {
    const own = typeof v['name'] === 'string' ? v['name'] : called;
    for (const [key, field] of Object.entries(of)) walk(field, v[key], path ? `${path}.${key}` : key, own);
  };
  within(fields, value as Plain, '', '');
  return out;
}

const DROPPED = Symbol('dropped');

/**
 * A document after something is gone: what named it is cleared, or its item dropped, as its field says; what may not lose it stays as it
 * is. Parts that do not change are the same objects.
 * @param isGone whether a thing is gone.
 */
export function withoutGone<T extends object>(fields: AnyFields, value: T, isGone: (what: Meant) => boolean): T {
  const lost = (r: Reference, text: string): boolean => text !== '' && meant(r, text).some(isGone);
  const walk = (field: AnyField, v: unknown): unknown => {
    if (v === null || v === undefined || !names(field)) return v;
    switch (field.is) {
      case 'text': {
        const r = field.names;
        if (!r || r.gone === 'refuse' || !lost(r, v as string)) return v;
        return r.gone === 'clear' ? '' : DROPPED;
      }
      case 'list': {
        const before = v as readonly unknown[];
        const after = before.map((item) => walk(field.of, item)).filter((item) => item !== DROPPED);
        return after.length === before.length && after.every((x, i) => x === before[i]) ? before : after;
      }
      case 'record': {
        const r = field.names;
        const before = Object.entries(v);
        const after = before.filter(([key]) => !r || r.gone !== 'drop' || !lost(r, key));
        return after.length === before.length ? v : Object.fromEntries(after);
      }
      case 'group':
        return within(field.fields, v as Plain);
      default:
        return v;
    }
  };
  const within = (of: AnyFields, v: Plain): unknown => {
    let out = v;
    for (const [key, field] of Object.entries(of)) {
      const after = walk(field, v[key]);
      if (after === DROPPED) return DROPPED;
      if (after !== v[key]) out = { ...out, [key]: after };
    }
    return out;
  };
  return within(fields, value as unknown as Plain) as T;
}
