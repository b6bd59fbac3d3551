import { freshOf } from '../../../field';
import { faceFields, railFields } from './fields';
import type { FaceSurvey, Rail } from './types';

/** A rail of which only the name is known. */
export const freshRail = (id: string, name: string): Rail => ({ ...freshOf(railFields), id, name });

/** A control's face of which nothing is measured. */
export const freshFace = (control: string): FaceSurvey => ({ ...freshOf(faceFields), control });
