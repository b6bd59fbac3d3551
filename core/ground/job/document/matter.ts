import type { AnyField, AnyFields } from '../../field';

/** Whether a field holds what it begins with; a group may hold that and more, and is looked into. */
const isUsual = (field: AnyField, value: unknown): boolean =>
  value === field.usual ||
  (Array.isArray(value) && value.length === 0 && Array.isArray(field.usual) && field.usual.length === 0);

/**
 * What of an object matters: its fields but for those that say of themselves that they cannot, and for those that hold their first value,
 * so that a field which a later version only adds changes nothing. Plain data, in one order.
 */
export const whatMatters = (fields: AnyFields, of: object): unknown =>
  Object.entries(fields).flatMap(([key, field]) =>
    field.untried || isUsual(field, (of as Readonly<Record<string, unknown>>)[key])
      ? []
      : [[key, matterOf(field, (of as Readonly<Record<string, unknown>>)[key])]],
  );

/** The same of one field's value. */
export function matterOf(field: AnyField, value: unknown): unknown {
  switch (field.is) {
    case 'list':
      return (value as readonly unknown[]).map((item) => matterOf(field.of, item));
    case 'group':
      return value === null ? null : whatMatters(field.fields, value as object);
    case 'record':
      return Object.entries(value as object)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([key, item]) => [key, matterOf(field.of, item)]);
    default:
      return value;
  }
}
