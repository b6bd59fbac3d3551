import { array, boolean, mixed, number, object, string, type AnySchema } from 'yup';
import { misfit } from './check';
import type { AnyField, AnyFields } from './field';
import { fieldWords, type QuantityField } from './words';

/** A field as a Yup schema: for forms, and for the JSON Schema of the document. Nothing is cast, nothing unknown is let through. */
export function schemaOf(field: AnyField): AnySchema {
  switch (field.is) {
    case 'quantity': {
      const asked = field as QuantityField;
      const finite = number()
        .strict()
        .typeError(fieldWords.notNumber)
        .defined()
        .nonNullable(fieldWords.missing(asked))
        .test('finite', fieldWords.notNumber, (v) => v === undefined || v === null || Number.isFinite(v));
      // Only whole numbers are compared as such; `integer` of Yup refuses nothing else.
      const bounded = finite.min(field.least, fieldWords.below(asked)).max(field.most, fieldWords.above(asked));
      const whole = field.whole ? bounded.integer(fieldWords.parts) : bounded;
      return field.empty ? whole.nullable() : whole;
    }
    case 'choice': {
      const values = Object.keys(field.words);
      const one = string()
        .strict()
        .defined()
        .typeError(fieldWords.choice(field))
        .oneOf(field.empty ? ([...values, null] as string[]) : values, fieldWords.choice(field));
      return field.empty ? one.nullable() : one.nonNullable(fieldWords.choice(field));
    }
    case 'flag':
      return field.empty
        ? boolean().strict().typeError(fieldWords.flag).defined().nullable()
        : boolean().strict().typeError(fieldWords.flag).defined().nonNullable(fieldWords.flag);
    case 'text': {
      const some = string()
        .strict()
        .defined()
        .typeError(fieldWords.notText)
        .nonNullable(fieldWords.notText)
        .min(field.least, fieldWords.short(field))
        .max(field.most, fieldWords.long(field));
      return field.pattern ? some.matches(field.pattern, fieldWords.pattern(field)) : some;
    }
    case 'list': {
      const some = array().strict().of(schemaOf(field.of)).defined().min(field.least).max(field.most);
      if (field.rising) return some.test('rising', '${path} must rise', (v) => misfit(field, v, '') === null);
      return field.once || field.key
        ? some.test('each-once', '${path} must hold nothing twice', (v) => {
            if (!Array.isArray(v)) return true;
            const keys = v.map((x) => (field.key ? (x as Record<string, unknown> | null)?.[field.key] : x));
            return new Set(keys).size === v.length;
          })
        : some;
    }
    case 'group': {
      const some = shapeOf(field.fields);
      return field.usual === null ? some.nullable() : some;
    }
    case 'record':
      return mixed()
        .defined()
        .meta({ record: schemaOf(field.of).describe(), most: field.most })
        .test('record', `\${path} must map names to ${field.of.label}`, (v) => misfit(field, v, '') === null);
  }
}

/** An object by its fields. */
export const shapeOf = (fields: AnyFields): AnySchema =>
  object(Object.fromEntries(Object.entries(fields).map(([k, f]) => [k, schemaOf(f)])))
    .strict()
    .noUnknown()
    .defined();
