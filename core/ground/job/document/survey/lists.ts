import { listed, place, type ListsOf, type PlacesOf } from '../place';
import {
  faceFields,
  keypadFields,
  mainsFields,
  meterFields,
  photoFields,
  pieceFields,
  railFields,
  stripFields,
  surveyFields,
} from './fields';
import type { FaceSurvey, Keypad, MainsSide, Meter, Photo, Piece, Rail, Strip, Survey } from './types';

/** Places of this section where fields can be set. */
export interface SurveyPlaces {
  survey: Survey;
  'survey.meter': Meter;
  'survey.mains': MainsSide;
}
/** Keyed lists of this section. */
export interface SurveyLists {
  'survey.strips': Strip;
  'survey.keypads': Keypad;
  'survey.rails': Rail;
  'survey.faces': FaceSurvey;
  'survey.pieces': Piece;
  'survey.photos': Photo;
}

/** What is known of each of these places. */
export const SURVEY_PLACES: PlacesOf<SurveyPlaces> = {
  survey: place(surveyFields, '', 'probe'),
  'survey.meter': place(meterFields, 'meter', 'probe'),
  'survey.mains': place(mainsFields, 'mains side', 'probe'),
};
/** What is known of each of these lists. */
export const SURVEY_LISTS: ListsOf<SurveyLists> = {
  'survey.strips': listed(stripFields, 'strip', 'probe'),
  'survey.keypads': listed(keypadFields, 'keypad', 'probe'),
  'survey.rails': listed(railFields, 'supply', 'probe'),
  'survey.faces': listed(faceFields, 'face of', 'probe', 'control', 'control'),
  'survey.pieces': listed(pieceFields, 'piece', 'probe'),
  'survey.photos': listed(photoFields, 'photograph', 'probe'),
};
