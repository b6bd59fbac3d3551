import type { SchemaDescription, SchemaFieldDescription } from 'yup';
import { jobSchema } from './schema';
import { JOB_VERSION } from './types';

interface Described extends SchemaDescription {
  fields?: Record<string, SchemaFieldDescription>;
  innerType?: SchemaFieldDescription;
}

const TEST_KEYS: Record<string, Record<string, string>> = {
  string: { min: 'minLength', max: 'maxLength' },
  number: { min: 'minimum', max: 'maximum' },
  array: { min: 'minItems', max: 'maxItems' },
};

function convert(d: Described): Record<string, unknown> {
  const out: Record<string, unknown> = {};
  const record = (d.meta as { record?: string } | undefined)?.record;
  if (record) {
    return {
      type: 'object',
      maxProperties: 200,
      additionalProperties:
        record === 'times'
          ? { type: 'string', pattern: MOMENT }
          : record === 'bounds'
            ? { type: 'array', items: { type: 'number' }, minItems: 3, maxItems: 3 }
            : { type: 'string', maxLength: record === 'part ids' ? 200 : 40 },
    };
  }
  out['type'] = d.nullable ? [d.type, 'null'] : d.type;
  if (d.oneOf.length) out['enum'] = d.nullable ? [...d.oneOf, null] : d.oneOf;
  for (const test of d.tests) {
    const params = (test.params ?? {}) as Record<string, unknown>;
    if (test.name === 'integer') out['type'] = d.nullable ? ['integer', 'null'] : 'integer';
    else if (test.name === 'each-once')
      Object.assign(out, { uniqueItems: true, minItems: (d.innerType as Described).oneOf.length });
    else if (test.name === 'matches') out['pattern'] = String(params['regex']).slice(1, -1);
    else if (test.name === 'min' && 'more' in params) out['exclusiveMinimum'] = params['more'];
    else if (test.name && TEST_KEYS[d.type]?.[test.name]) out[TEST_KEYS[d.type]![test.name]!] = params[test.name];
  }
  if (d.fields) {
    out['properties'] = Object.fromEntries(Object.entries(d.fields).map(([k, v]) => [k, convert(v as Described)]));
    out['required'] = Object.keys(d.fields);
    out['additionalProperties'] = false;
  }
  if (d.innerType) out['items'] = convert(d.innerType as Described);
  return out;
}

const MOMENT = '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?Z$';

/** The job document as a JSON Schema (2020-12), made from the Yup schema so that the two cannot part. */
export function jobJsonSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Gentle Thumb job, version ${JOB_VERSION}`,
    ...convert(jobSchema.describe() as Described),
  };
}
