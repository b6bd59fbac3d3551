import type { Unit } from '../quantity';
import type { Reference } from './reference';

/**
 * One field of a document, described once: from this come its schema, its first value, the bounds that a form and the border hold
 * it to, its label, and the words of the log. `V` is taken both ways, so that a type and its description cannot part.
 */
export type Field<V> = Kind & {
  readonly label: string;
  /** What it holds before anybody said anything. */
  readonly usual: V;
  /** It cannot matter for anything that was tried. Whatever does not say so voids what was tried before it changed. */
  readonly untried?: true;
  /** What its text names, or a record's keys. */
  readonly names?: Reference;
  /** Never there at run time. */
  readonly type?: (value: V) => V;
};

/** Fields by the keys of the type that they describe: none missing, none over. */
export type Fields<T> = { readonly [K in keyof T]-?: Field<T[K]> };

/** A description whose type is not known, as a walk over a document meets it. */
export type AnyField = Kind & {
  readonly label: string;
  readonly usual: unknown;
  readonly untried?: true;
  readonly names?: Reference;
};
/** Fields by their keys, whatever they hold. */
export type AnyFields = Readonly<Record<string, AnyField>>;

/** What sort of value a field holds. */
export type Kind = QuantityKind | ChoiceKind | FlagKind | TextKind | ListKind | GroupKind | RecordKind;

/** A number with a unit and bounds. */
export interface QuantityKind {
  readonly is: 'quantity';
  /** What is typed and shown; what is kept is in base units, times `factor` where a share is shown as percent. */
  readonly unit: Unit;
  readonly factor: number;
  readonly least: number;
  readonly most: number;
  readonly whole: boolean;
  /** True where null stands for "not known". */
  readonly empty: boolean;
  /** The unit of a bare number, where it is not the base unit: `mm`. */
  readonly bare: string;
  readonly hint: string;
}

/** One of several keys, each with its words. */
export interface ChoiceKind {
  readonly is: 'choice';
  /** The words of each value. */
  readonly words: Readonly<Record<string, string>>;
  readonly empty: boolean;
}

/** True or false. */
export interface FlagKind {
  readonly is: 'flag';
  readonly empty: boolean;
}

/** A text with bounds of its length. */
export interface TextKind {
  readonly is: 'text';
  readonly least: number;
  readonly most: number;
  /** What is said where nothing stands and something should. */
  readonly emptyWords: string;
  /** What the text must look like, with its words for whoever typed something else. */
  readonly pattern: RegExp | null;
  readonly words: string;
}

/** A list of values of one field. */
export interface ListKind {
  readonly is: 'list';
  readonly of: AnyField;
  readonly least: number;
  readonly most: number;
  /** The field of an item by which it is known, or empty where a list has no keys. */
  readonly key: string;
  /** True where no value may stand twice. */
  readonly once: boolean;
  /** True for numbers that must not fall from one to the next. */
  readonly rising: boolean;
}

/** An object of fields. */
export interface GroupKind {
  readonly is: 'group';
  readonly fields: AnyFields;
}

/** Free keys, checked values. */
export interface RecordKind {
  readonly is: 'record';
  readonly of: AnyField;
  readonly most: number;
}

/** The same field, which cannot matter for anything that was tried: a name, a price, a note, what was read. */
export const untried = <V>(field: Field<V>): Field<V> => ({ ...field, untried: true });

/** The same field, whose text or keys name something. */
export const naming = <V>(field: Field<V>, names: Reference): Field<V> => ({ ...field, names });

interface QuantitySettings {
  readonly least?: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly bare?: string;
  readonly hint?: string;
  /** Kept is what is typed times this. */
  readonly factor?: number;
}

const quantityKind = (unit: Unit, s: QuantitySettings, empty: boolean): QuantityKind => ({
  is: 'quantity',
  unit,
  factor: s.factor ?? 1,
  least: s.least ?? 0,
  most: s.most,
  whole: s.whole ?? false,
  empty,
  bare: s.bare ?? (unit === 'm' ? 'mm' : unit === 'm²' ? 'mm2' : ''),
  hint: s.hint ?? '',
});

/** A number with a unit that is always there. */
export const quantity = (label: string, unit: Unit, usual: number, s: QuantitySettings): Field<number> => ({
  ...quantityKind(unit, s, false),
  label,
  usual,
});

/** A number with a unit, or null while nobody knows it. */
export const maybeQuantity = (label: string, unit: Unit, s: QuantitySettings): Field<number | null> => ({
  ...quantityKind(unit, s, true),
  label,
  usual: null,
});

/** The same number in another unit, where what is read decides which. */
export const inUnit = <V extends number | null>(field: Field<V>, unit: Unit): Field<V> =>
  ({ ...field, unit }) as Field<V>;

/** One of a few values, by their words. */
export const choice = <V extends string>(
  label: string,
  words: Readonly<Record<V, string>>,
  usual: NoInfer<V>,
): Field<V> => ({ is: 'choice', words, empty: false, label, usual }) as Field<V>;

/** One of a few values, or null while none is chosen. */
export const maybeChoice = <V extends string>(label: string, words: Readonly<Record<V, string>>): Field<V | null> =>
  ({ is: 'choice', words, empty: true, label, usual: null }) as Field<V | null>;

/** Values that are their own words. */
export const plainWords = <V extends string>(values: readonly V[]): Readonly<Record<V, string>> =>
  Object.fromEntries(values.map((v) => [v, v.replaceAll('-', ' ')])) as Record<V, string>;

/** A field that is true or false. */
export const flag = (label: string, usual = false): Field<boolean> => ({ is: 'flag', empty: false, label, usual });
/** The same, where null stands for “not known”. */
export const maybeFlag = (label: string): Field<boolean | null> => ({ is: 'flag', empty: true, label, usual: null });

interface TextSettings {
  readonly least?: number;
  readonly most?: number;
  readonly pattern?: RegExp;
  readonly words?: string;
  readonly usual?: string;
  readonly empty?: string;
}
/** A text of up to 2,000 characters unless it says otherwise. */
export const text = (label: string, s: TextSettings = {}): Field<string> => ({
  is: 'text',
  least: s.least ?? 0,
  most: s.most ?? 2000,
  pattern: s.pattern ?? null,
  words: s.words ?? '',
  emptyWords: s.empty ?? 'must not be empty',
  label,
  usual: s.usual ?? '',
});
/** A name or an id: not empty, up to 200 characters, and nothing that every object has. */
export const name = (label: string, usual = ''): Field<string> =>
  text(label, { least: 1, most: 200, usual, pattern: NO_INHERITED, words: 'a name that no object has of itself' });
const NO_INHERITED =
  /^(?!(__proto__|constructor|prototype|hasOwnProperty|isPrototypeOf|propertyIsEnumerable|toLocaleString|toString|valueOf)$)/;

/** The first year that every writer of dates can hold; a zip knows none before. */
const FIRST_YEAR = 1980;
const MOMENT = /^(19[89]\d|20\d\d)-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;
/** An instant from 1980 on, as ISO 8601 with offset Z. */
export const moment = (label: string): Field<string> =>
  text(label, { most: 40, pattern: MOMENT, words: `a time from ${FIRST_YEAR} on, such as 2026-03-02T14:05:00Z` });

interface ListSettings<V> {
  readonly least?: number;
  readonly key?: string;
  readonly once?: boolean;
  readonly rising?: boolean;
  readonly usual?: readonly V[];
}
/** A field that holds a list. @param most how many it may hold. */
export const list = <V>(label: string, of: Field<V>, most: number, s: ListSettings<V> = {}): Field<V[]> =>
  ({
    is: 'list',
    of: of as AnyField,
    least: s.least ?? 0,
    most,
    key: s.key ?? '',
    once: s.once ?? false,
    rising: s.rising ?? false,
    label,
    usual: [...(s.usual ?? [])],
  }) as Field<V[]>;

/** A field that holds other fields. */
export const group = <T extends object>(label: string, fields: Fields<T>): Field<T> =>
  ({ is: 'group', fields: fields as unknown as AnyFields, label, usual: freshOf(fields) }) as Field<T>;

/** The same where nothing need be there. */
export const maybeGroup = <T extends object>(label: string, fields: Fields<T>): Field<T | null> =>
  ({ ...group(label, fields), usual: null }) as unknown as Field<T | null>;

/** A field of free keys with values of one field. */
export const record = <V>(label: string, of: Field<V>, most = 200): Field<Record<string, V>> =>
  ({ is: 'record', of: of as AnyField, most, label, usual: {} }) as unknown as Field<Record<string, V>>;

/** A document in which nothing was said yet. */
export function freshOf<T extends object>(fields: Fields<T>): T {
  return Object.fromEntries(
    Object.entries(fields as unknown as AnyFields).map(([k, f]) => [k, structuredCopy(f.usual)]),
  ) as T;
}

/** Plain data copied, so that no two documents share a part. */
const structuredCopy = (v: unknown): unknown =>
  Array.isArray(v)
    ? v.map(structuredCopy)
    : typeof v === 'object' && v !== null
      ? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, structuredCopy(x)]))
      : v;

/**
 * Between which values a number lies, by the path of its field from a group of fields: `finger.hornMetres`. Base units; undefined where
 * no number stands there.
 */
export function boundsAt(fields: AnyFields, path: string): readonly [least: number, most: number] | undefined {
  const [key = '', ...rest] = path.split('.');
  const field = Object.hasOwn(fields, key) ? fields[key] : undefined;
  if (field?.is === 'quantity' && rest.length === 0) return [field.least, field.most];
  return field?.is === 'group' ? boundsAt(field.fields, rest.join('.')) : undefined;
}
