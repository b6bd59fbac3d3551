import { freshOf } from '../field';
import { thumbFields } from './thumb-fields';
import type { ThumbPlan } from './thumb-types';

/** A plan in which nothing is chosen; the sizes of each way's own plan are the usual ones to begin with. */
export const freshThumb = (): ThumbPlan => freshOf(thumbFields);
