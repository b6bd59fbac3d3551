import { parseQuantity, quantityText } from '../quantity';
import type { Field } from './field';
import { fieldWords, type QuantityField } from './words';

/** A value as it was typed, or why it cannot be read. */
export type FieldRead =
  { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly message: string };

/**
 * Reads what was typed into the box of a field: `4k7`, `1/2 in`, `1 h 20 min`, `0.5 %`; whether the field may hold it is another
 * question. An empty box is "not known" where the field may be that. Elsewhere a number is wanted: taking the usual one for it would
 * let a guess pass for what the maker gave.
 */
export function parseField(field: QuantityField, typed: string): FieldRead {
  const no = (message: string): FieldRead => ({ ok: false, message });
  const trimmed = typed.trim();
  if (!trimmed) return field.empty ? { ok: true, value: null } : no(fieldWords.missing(field));
  const bare = /^[\s\d.,+−-]+$/.test(trimmed) && field.bare;
  const read = parseQuantity(bare ? `${trimmed} ${field.bare}` : asForce(field, trimmed), field.unit);
  if (!read.ok) return no(`not understood at character ${Math.min(read.at, typed.length) + 1}: ${read.message}`);
  if (read.quantity.relation !== '=') return no('one plain number is wanted');
  return { ok: true, value: kept(field, read.quantity.value, trimmed) };
}

/** Reads what was typed and holds it to the bounds of the field. */
export function readField(field: QuantityField, typed: string): FieldRead {
  const read = parseField(field, typed);
  if (!read.ok || read.value === null) return read;
  const no = (message: string): FieldRead => ({ ok: false, message });
  if (read.value < field.least) return no(fieldWords.below(field));
  if (read.value > field.most) return no(fieldWords.above(field));
  if (field.whole && !Number.isInteger(read.value)) return no(fieldWords.parts);
  return read;
}

/** A scale under a finger shows grams: where a force is wanted, a mass is what weighs so much, at 9.80665 m/s² (3rd CGPM, 1901). */
const asForce = (field: QuantityField, typed: string): string =>
  field.unit === 'N'
    ? typed.replace(
        /(\d\s*)(k?g|grams?|kilograms?)$/i,
        (_, n: string, u: string) => `${n}${/^k/i.test(u) ? 'kgf' : 'gf'}`,
      )
    : typed;

/** A number moved by decimal places as its digits are, so that 0.7 % is 0.007 and nothing beside it. */
const moved = (digits: string, places: number): number => {
  const [mantissa, exponent = '0'] = digits.replace(',', '.').replace('−', '-').toLowerCase().split('e');
  return Number(`${mantissa}e${Number(exponent) + places}`);
};
const placesOf = (field: QuantityField): number => Math.round(Math.log10(field.factor));

/** What is kept of what was typed: a share of a percentage, from the very digits. */
function kept(field: QuantityField, shown: number, typed: string): number {
  if (field.factor === 1) return shown;
  return moved(/^[+−-]?[\d.,]+(e[+-]?\d+)?/i.exec(typed)?.[0] ?? String(shown), placesOf(field));
}

/** The text of a box that reads back to the very same value. */
export function fieldText(field: QuantityField, value: number | null): string {
  if (value === null) return '';
  const short = quantityText(moved(String(value), -placesOf(field)), field.unit);
  const read = readField(field, short);
  // Seventeen digits of a share are not those of its percentage: then the digits themselves are moved.
  if (field.factor === 1 || (read.ok && read.value === value)) return short;
  const [mantissa, exponent = '0'] = String(value).split('e');
  return `${mantissa}e${Number(exponent) - placesOf(field)} ${field.unit}`;
}

/** Narrows a field to one that a box holds, for whoever has it by its key. */
export const asQuantity = (field: Field<number> | Field<number | null>): QuantityField => field as QuantityField;
