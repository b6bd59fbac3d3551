import type { AnyField, AnyFields } from './field';

type Schema = Record<string, unknown>;

/** A field as JSON Schema (2020-12). A list with keys says only its length: that no key stands twice it cannot say. */
function jsonSchemaOf(field: AnyField): Schema {
  switch (field.is) {
    case 'quantity':
      return {
        type: field.empty ? [numberType(field), 'null'] : numberType(field),
        minimum: field.least,
        maximum: field.most,
      };
    case 'choice': {
      const values: (string | null)[] = Object.keys(field.words);
      return { enum: field.empty ? [...values, null] : values };
    }
    case 'flag':
      return { type: field.empty ? ['boolean', 'null'] : 'boolean' };
    case 'text':
      return {
        type: 'string',
        minLength: field.least,
        maxLength: field.most,
        ...(field.pattern ? { pattern: field.pattern.source } : {}),
      };
    case 'list':
      return {
        type: 'array',
        minItems: field.least,
        maxItems: field.most,
        items: jsonSchemaOf(field.of),
        ...(field.once ? { uniqueItems: true } : {}),
      };
    case 'group': {
      const some = jsonSchemaOfGroup(field.fields);
      return field.usual === null ? { anyOf: [some, { type: 'null' }] } : some;
    }
    case 'record':
      return {
        type: 'object',
        maxProperties: field.most,
        propertyNames: { not: { const: '__proto__' } },
        additionalProperties: jsonSchemaOf(field.of),
      };
  }
}

const numberType = (field: { readonly whole: boolean }): string => (field.whole ? 'integer' : 'number');

/** An object by its fields; `some` of them where not all need be there. */
export const jsonSchemaOfGroup = (fields: AnyFields, some = false): Schema => ({
  type: 'object',
  properties: Object.fromEntries(Object.entries(fields).map(([k, f]) => [k, jsonSchemaOf(f)])),
  ...(some ? {} : { required: Object.keys(fields) }),
  additionalProperties: false,
});
