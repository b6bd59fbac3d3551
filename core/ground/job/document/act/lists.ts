import { listed, place, type ListsOf, type PlacesOf } from '../place';
import { actFields, faultFields, moveFields, partFields } from './fields';
import type { ActPlan, Fault, MachinePart, Move } from './types';

/** Places of this section where fields can be set. */
export interface ActPlaces {
  act: ActPlan;
}
/** Keyed lists of this section. */
export interface ActLists {
  'act.parts': MachinePart;
  'act.moves': Move;
  'act.faults': Fault;
}

/** What is known of each of these places. */
export const ACT_PLACES: PlacesOf<ActPlaces> = {
  act: place(actFields, '', 'act'),
};
/** What is known of each of these lists. */
export const ACT_LISTS: ListsOf<ActLists> = {
  'act.parts': listed(partFields, '', 'act'),
  'act.moves': listed(moveFields, 'move', 'act'),
  'act.faults': listed(faultFields, 'fault', 'act', 'id', 'kind'),
};
