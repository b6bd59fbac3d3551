import { formatQuantity, parseQuantity, quantityText } from '../quantity';
import type { Field, QuantityKind } from './field';

/** A number that a box may hold. */
export type QuantityField = QuantityKind & { readonly label: string; readonly usual: number | null };

export type FieldRead =
  { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly message: string };

const asShown = (field: QuantityField, kept: number): string => formatQuantity(kept / field.factor, field.unit);

/**
 * Reads what was typed into the box of a field: `4k7`, `1/2 in`, `1 h 20 min`, `0.5 %`. What cannot be kept is refused with why.
 * An empty box is "not known" where the field may be that, else the number that it begins with.
 */
export function readField(field: QuantityField, typed: string): FieldRead {
  const no = (message: string): FieldRead => ({ ok: false, message });
  const trimmed = typed.trim();
  if (!trimmed) return field.empty ? { ok: true, value: null } : { ok: true, value: field.usual };
  const bare = /^[\s\d.,+−-]+$/.test(trimmed) && field.bare;
  const read = parseQuantity(bare ? `${trimmed} ${field.bare}` : trimmed, field.unit);
  if (!read.ok) return no(`not understood at character ${Math.min(read.at, typed.length) + 1}: ${read.message}`);
  if (read.quantity.relation !== '=') return no('one plain number is wanted');
  const value = kept(field, read.quantity.value);
  if (value < field.least) return no(`not below ${asShown(field, field.least)}`);
  if (value > field.most) return no(`not above ${asShown(field, field.most)}`);
  if (field.whole && !Number.isInteger(value)) return no('a whole number is wanted');
  return { ok: true, value };
}

// Percent to a share by decimal division: 0.5 % is 0.005 and nothing beside it.
const kept = (field: QuantityField, shown: number): number =>
  field.factor === 1 ? shown : Number((shown * field.factor).toPrecision(15));

/** The text of a box that reads back to the very same value. */
export function fieldText(field: QuantityField, value: number | null): string {
  if (value === null) return '';
  if (field.factor === 1) return quantityText(value, field.unit);
  for (let figures = 3; figures <= 17; figures++) {
    const text = quantityText(Number((value / field.factor).toPrecision(figures)), field.unit);
    const read = readField(field, text);
    if (read.ok && read.value === value) return text;
  }
  return quantityText(value / field.factor, field.unit);
}

/** Narrows a field to one that a box holds, for whoever has it by its key. */
export const asQuantity = (field: Field<number> | Field<number | null>): QuantityField => field as QuantityField;
