import { shapeOf, type AnyFields } from '../../field';
import { jobFields } from './fields';

/** The job document, current version, as a Yup schema: nothing is cast and nothing unknown is let through. */
export const jobSchema = shapeOf(jobFields as unknown as AnyFields);
