// Writes docs/job.schema.json from the Yup schema; a test holds the two together.
import { writeFileSync } from 'node:fs';
import { jobJsonSchema } from '../core/job';

writeFileSync(new URL('../docs/job.schema.json', import.meta.url), `${JSON.stringify(jobJsonSchema(), null, 2)}\n`);
