import type { AnyField, AnyFields } from './field';
import { fieldWords, type QuantityField } from './words';

/** The first place of a document that is not as its description says. */
export interface FieldProblem {
  /** `survey.rails[2].openVolts`. */
  readonly path: string;
  /** What is wrong there, in words. */
  readonly why: string;
}

const plain = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Walks a value along its description; null where all of it is as described. Never throws; linear in the size of the value. */
// eslint-disable-next-line complexity -- a plain switch over the kinds of fields
export function problemOf(field: AnyField, value: unknown, path: string): FieldProblem | null {
  const no = (why: string): FieldProblem => ({ path, why });
  switch (field.is) {
    case 'quantity':
      return problemOfNumber(field as QuantityField, value, path);
    case 'choice':
      if (value === null && field.empty) return null;
      return typeof value === 'string' && Object.hasOwn(field.words, value) ? null : no(fieldWords.choice(field));
    case 'flag':
      return typeof value === 'boolean' || (value === null && field.empty) ? null : no(fieldWords.flag);
    case 'text':
      return problemOfText(field, value, path);
    case 'list':
      return problemOfList(field, value, path);
    case 'group':
      return value === null && field.usual === null ? null : problemOfGroup(field.fields, value, path);
    case 'record':
      return problemOfRecord(field, value, path);
  }
}

type Of<K extends AnyField['is']> = AnyField & { readonly is: K };

function problemOfText(field: Of<'text'>, value: unknown, path: string): FieldProblem | null {
  const no = (why: string): FieldProblem => ({ path, why });
  if (typeof value !== 'string') return no(fieldWords.notText);
  if (value.length < field.least) return no(fieldWords.short(field));
  if (value.length > field.most) return no(fieldWords.long(field));
  return field.pattern && !field.pattern.test(value) ? no(fieldWords.pattern(field)) : null;
}

function problemOfRecord(field: Of<'record'>, value: unknown, path: string): FieldProblem | null {
  const no = (why: string): FieldProblem => ({ path, why });
  if (!plain(value)) return no('must be an object');
  const keys = Object.keys(value);
  if (keys.length > field.most) return no(`must hold at most ${field.most} entries`);
  for (const key of keys) {
    if (key === '__proto__') return no('holds a key that no name can be');
    const inner = problemOf(field.of, value[key], path ? `${path}.${key}` : key);
    if (inner) return inner;
  }
  return null;
}

function problemOfNumber(field: QuantityField, value: unknown, path: string): FieldProblem | null {
  const no = (why: string): FieldProblem => ({ path, why });
  if (value === null) return field.empty ? null : no(fieldWords.missing(field));
  if (typeof value !== 'number' || !Number.isFinite(value)) return no(fieldWords.notNumber);
  if (value < field.least) return no(fieldWords.below(field));
  if (value > field.most) return no(fieldWords.above(field));
  return field.whole && !Number.isInteger(value) ? no(fieldWords.parts) : null;
}

function problemOfList(field: Of<'list'>, value: unknown, path: string): FieldProblem | null {
  const no = (why: string): FieldProblem => ({ path, why });
  if (!Array.isArray(value)) return no('must be a list');
  if (value.length < field.least) return no(`must hold at least ${field.least}`);
  if (value.length > field.most) return no(`must hold at most ${field.most}`);
  for (const [i, item] of value.entries()) {
    const inner = problemOf(field.of, item, `${path}[${i}]`);
    if (inner) return inner;
  }
  if (field.rising && value.some((x, i) => i > 0 && x < value[i - 1])) return no('must rise from lowest to highest');
  if (!field.key && !field.once) return null;
  const seen = new Set<unknown>();
  for (const [i, item] of value.entries()) {
    const key: unknown = field.key ? (item as Record<string, unknown>)[field.key] : item;
    if (seen.has(key))
      return { path: `${path}[${i}]${field.key ? `.${field.key}` : ''}`, why: `${String(key)} stands there twice` };
    seen.add(key);
  }
  return null;
}

/** The same for an object by its fields; a field that is not described is a problemOf as well. */
export function problemOfGroup(fields: AnyFields, value: unknown, path: string): FieldProblem | null {
  if (!plain(value)) return { path, why: 'must be an object' };
  const at = (key: string): string => (path ? `${path}.${key}` : key);
  for (const key of Object.keys(value))
    if (!Object.hasOwn(fields, key)) return { path: at(key), why: 'is not known here' };
  for (const [key, field] of Object.entries(fields)) {
    if (!Object.hasOwn(value, key)) return { path: at(key), why: 'is missing' };
    const inner = problemOf(field, value[key], at(key));
    if (inner) return inner;
  }
  return null;
}
