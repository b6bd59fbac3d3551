import { freshOf } from '../field';
import { faceFields, railFields, surveyFields } from './survey-fields';
import type { FaceSurvey, Rail, Survey } from './survey-types';

/** Nothing recorded yet, with the usual meter in hand. */
export const freshSurvey = (): Survey => freshOf(surveyFields);

/** A rail of which only the name is known. */
export const freshRail = (id: string, name: string): Rail => ({ ...freshOf(railFields), id, name });

/** A control's face of which nothing is measured. */
export const freshFace = (control: string): FaceSurvey => ({ ...freshOf(faceFields), control });
