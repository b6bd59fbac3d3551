import { jsonSchemaOfGroup, type AnyFields } from '../../field';
import { jobFields } from './fields';
import { trialFields } from './plan/fields';
import { controlFields, readingFields } from './readings/fields';
import { isPressPlace, LIST_INFO, PLACE_INFO } from './places';
import { GATE_GROUNDS, JOB_VERSION } from './types';

const DIALECT = 'https://json-schema.org/draft/2020-12/schema';
const fieldsOf = (fields: object): AnyFields => fields as AnyFields;

/** The job document as a JSON Schema (2020-12), made from the very fields that the border checks. */
export const jobJsonSchema = (): Record<string, unknown> => ({
  $schema: DIALECT,
  title: `Gentle Thumb job, version ${JOB_VERSION}`,
  ...jsonSchemaOfGroup(fieldsOf(jobFields)),
});

const text = { type: 'string' };
const edit = (properties: Record<string, unknown>, optional: Record<string, unknown> = {}): object => ({
  type: 'object',
  properties: { ...properties, ...optional },
  required: Object.keys(properties),
  additionalProperties: false,
});
const does = (what: string): object => ({ const: what });

/** Edits of a job as data: a list of them, as `gt edit` reads it. */
export function editsJsonSchema(): Record<string, unknown> {
  const say = { say: text };
  const { id: _id, ...settable } = fieldsOf(controlFields);
  const named = edit({ id: text, name: text });
  return {
    $schema: DIALECT,
    title: `Edits of a Gentle Thumb job, version ${JOB_VERSION}`,
    type: 'array',
    items: { $ref: '#/$defs/edit' },
    $defs: {
      edit: {
        oneOf: [
          ...Object.entries(PLACE_INFO).map(([at, { fields }]) =>
            edit(
              {
                do: does('set'),
                at: does(at),
                ...(isPressPlace(at) ? { of: text } : {}),
                set: jsonSchemaOfGroup(fields, true),
              },
              say,
            ),
          ),
          ...Object.entries(LIST_INFO).map(([list, { fields }]) =>
            edit({ do: does('put'), list: does(list), item: jsonSchemaOfGroup(fields) }, say),
          ),
          edit({ do: does('drop'), list: { enum: Object.keys(LIST_INFO) }, key: text }, say),
          edit({ do: does('title'), title: text, place: text }),
          edit({ do: does('archive'), archived: { type: 'boolean' } }),
          edit({ do: does('add-control'), id: text, name: text }),
          edit({ do: does('change-control'), id: text, set: jsonSchemaOfGroup(settable, true) }, say),
          edit(
            { do: does('add-reading'), reading: jsonSchemaOfGroup(fieldsOf(readingFields)), say: text },
            { control: named },
          ),
          edit({ do: does('strike-reading'), id: text, struck: { type: 'boolean' } }),
          edit(
            { do: does('tick'), step: text, title: text, on: { type: 'boolean' } },
            { by: text, reading: text, rests: { type: 'array', items: { enum: [...GATE_GROUNDS] } } },
          ),
          edit({ do: does('accept'), never: text, story: text, words: text, by: text, why: text, basis: text }),
          edit({ do: does('no-longer-accept'), id: text, words: text }),
          edit({ do: does('add-trial'), trial: jsonSchemaOfGroup(fieldsOf(trialFields)), say: text }),
          edit({ do: does('note'), text }),
          edit({ do: does('several'), edits: { type: 'array', items: { $ref: '#/$defs/edit' } } }, say),
        ],
      },
    },
  };
}
