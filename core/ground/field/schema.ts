import { mixed, ValidationError, type AnySchema } from 'yup';
import { problemOf, problemOfGroup, type FieldProblem } from './problem';
import type { AnyField, AnyFields } from './field';

/** What is wrong by one reading of the description, as a Yup schema says it: the path, and the words for a person. */
const asSchema = (read: (value: unknown) => FieldProblem | null): AnySchema =>
  mixed()
    .nullable()
    .test('field', (value, { createError }) => {
      const wrong = read(value);
      return wrong === null || createError({ path: wrong.path, message: () => wrong.why });
    });

/** A field as a Yup schema: for forms. Nothing is cast, nothing unknown is let through. */
export const schemaOf = (field: AnyField): AnySchema => asSchema((v) => problemOf(field, v, ''));

/** An object by its fields as a Yup schema: for files. */
export const shapeOf = (fields: AnyFields): AnySchema => asSchema((v) => problemOfGroup(fields, v, ''));

/** What a schema says is wrong with a value, and where; null where nothing is. */
export function problemBy(schema: AnySchema, value: unknown): FieldProblem | null {
  try {
    schema.validateSync(value);
    return null;
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return { path: error.path ?? '', why: error.message };
  }
}
