import { listed, place, type ListsOf, type PlacesOf } from '../place';
import { boardFields, handInputFields, pinChoiceFields, profileFields, signFields } from './fields';
import { senseFields } from './sense-fields';
import type { BoardPlan, BoardProfile, Hand, PinChoice, Sense, Sign } from './types';

/** Places of this section where fields can be set. */
export interface ControllerPlaces {
  board: BoardPlan;
}
/** Keyed lists of this section. */
export interface ControllerLists {
  senses: Sense;
  hands: Hand;
  signs: Sign;
  'board.profiles': BoardProfile;
  'board.pins': PinChoice;
}

/** What is known of each of these places. */
export const CONTROLLER_PLACES: PlacesOf<ControllerPlaces> = {
  board: place(boardFields, '', 'board'),
};
/** What is known of each of these lists. */
export const CONTROLLER_LISTS: ListsOf<ControllerLists> = {
  senses: listed(senseFields, 'sense', 'sense'),
  hands: listed(handInputFields, 'hand', 'board'),
  signs: listed(signFields, 'sign', 'board'),
  'board.profiles': listed(profileFields, 'own board', 'board', 'key'),
  'board.pins': listed(pinChoiceFields, 'pin of', 'board', 'line', 'line'),
};
