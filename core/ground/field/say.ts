import { formatQuantity } from '../quantity';
import type { AnyField, AnyFields } from './field';

/** A value in the words of its field. */
export function sayField(field: AnyField, value: unknown): string {
  if (value === null || value === '') return 'not said';
  switch (field.is) {
    case 'quantity':
      return typeof value === 'number' ? formatQuantity(value / field.factor, field.unit) : 'not said';
    case 'choice':
      return field.words[String(value)] ?? String(value);
    case 'flag':
      return value === true ? 'yes' : 'no';
    case 'text':
      return String(value);
    case 'list':
      return Array.isArray(value) ? `${value.length} in the list` : 'not said';
    case 'group':
    case 'record':
      return 'changed';
  }
}

/** A label as it stands within a line: its own capital goes, that of a name such as AC stays. */
const within = (label: string): string => label.replace(/^[A-Z](?=[a-z\s])/, (c) => c.toLowerCase());

/** What changed between two values of one description: `turns from end to end 20 → 30, centre tap cut: yes`. */
export function sayChanges(
  fields: AnyFields,
  before: Readonly<Record<string, unknown>> | undefined,
  after: Readonly<Record<string, unknown>>,
): string {
  const parts = Object.entries(fields).flatMap(([key, field]): string[] => {
    const [was, is] = [before?.[key], after[key]];
    if (field.label === '' || is === undefined || JSON.stringify(was) === JSON.stringify(is)) return [];
    const said = sayField(field, is);
    if (field.is === 'group' && is !== null) {
      const inner = sayChanges(field.fields, was as never, is as never);
      return inner ? [inner] : [];
    }
    if (field.is === 'flag') return [`${within(field.label)}: ${said}`];
    const old =
      was === undefined || was === null || was === '' || field.is !== 'quantity' ? '' : `${sayField(field, was)} → `;
    return [`${within(field.label)}${field.is === 'quantity' ? ' ' : ': '}${old}${said}`];
  });
  return parts.join(', ');
}
