export { problemOf, problemOfGroup, type FieldProblem } from './problem';
export {
  boundsAt,
  choice,
  flag,
  freshOf,
  group,
  inUnit,
  list,
  maybeChoice,
  maybeFlag,
  maybeGroup,
  maybeQuantity,
  moment,
  name,
  naming,
  plainWords,
  quantity,
  record,
  text,
  untried,
  type AnyField,
  type AnyFields,
  type Field,
  type Fields,
} from './field';
export { jsonSchemaOfGroup } from './json-schema';
export { asQuantity, fieldText, parseField, readField, type FieldRead } from './read';
export { sayChanges, sayField } from './say';
export { problemBy, schemaOf, shapeOf } from './schema';
export { type QuantityField } from './words';
export { type Reference } from './reference';
export { namedIn, withoutGone } from './references';
