import { listed, place, type ListsOf, type PlacesOf } from '../place';
import { boardFields, handInputFields, pinChoiceFields, profileFields, senseFields, signFields } from './fields';
import type { BoardPlan, BoardProfile, Hand, PinChoice, Sense, Sign } from './types';

export interface ControllerPlaces {
  board: BoardPlan;
}
export interface ControllerLists {
  senses: Sense;
  hands: Hand;
  signs: Sign;
  'board.profiles': BoardProfile;
  'board.pins': PinChoice;
}

export const CONTROLLER_PLACES: PlacesOf<ControllerPlaces> = {
  board: place(boardFields, '', 'board'),
};
export const CONTROLLER_LISTS: ListsOf<ControllerLists> = {
  senses: listed(senseFields, 'sense', 'sense'),
  hands: listed(handInputFields, 'hand', 'board'),
  signs: listed(signFields, 'sign', 'board'),
  'board.profiles': listed(profileFields, 'own board', 'board', 'key'),
  'board.pins': listed(pinChoiceFields, 'pin of', 'board', 'line', 'line'),
};
