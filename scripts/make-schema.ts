// Writes the JSON Schemas in docs/ from the fields; a test holds them together.
import { writeFileSync } from 'node:fs';
import { boardJsonSchema } from '../core/rooms/board';
import { editsJsonSchema, jobJsonSchema } from '../core/ground/job';

const write = (name: string, schema: unknown): void =>
  writeFileSync(new URL(`../docs/${name}.schema.json`, import.meta.url), `${JSON.stringify(schema, null, 2)}\n`);
write('job', jobJsonSchema());
write('edits', editsJsonSchema());
write('board', boardJsonSchema());
