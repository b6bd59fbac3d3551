import { formatQuantity } from '../quantity';
import type { AnyField, QuantityKind } from './field';

/** A number that a box may hold. */
export type QuantityField = QuantityKind & { readonly label: string; readonly usual: number | null };
type TextField = AnyField & { readonly is: 'text' };
type ChoiceField = AnyField & { readonly is: 'choice' };

const asShown = (field: QuantityField, kept: number): string => formatQuantity(kept / field.factor, field.unit);

/** What is wrong with a value, in words: a box, a form, an edit and a file all say the same. */
export const fieldWords = {
  missing: (f: QuantityField): string =>
    `a number is wanted here${f.usual === null ? '' : `; ${asShown(f, f.usual)} is usual`}`,
  notNumber: 'a finite number is wanted here',
  below: (f: QuantityField): string => `not below ${asShown(f, f.least)}`,
  above: (f: QuantityField): string => `not above ${asShown(f, f.most)}`,
  parts: 'a whole number is wanted',
  choice: (f: ChoiceField): string => `one of these is wanted: ${Object.keys(f.words).join(', ')}`,
  flag: 'true or false is wanted',
  notText: 'a text is wanted',
  short: (f: TextField): string => f.emptyWords,
  long: (f: TextField): string => `at most ${f.most} characters`,
  pattern: (f: TextField): string => `must be ${f.words}`,
} as const;
