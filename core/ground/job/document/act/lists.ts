import { listed, place, type ListsOf, type PlacesOf } from '../place';
import { actFields, faultFields, moveFields, partFields } from './fields';
import type { ActPlan, Fault, MachinePart, Move } from './types';

export interface ActPlaces {
  act: ActPlan;
}
export interface ActLists {
  'act.parts': MachinePart;
  'act.moves': Move;
  'act.faults': Fault;
}

export const ACT_PLACES: PlacesOf<ActPlaces> = {
  act: place(actFields, '', 'act'),
};
export const ACT_LISTS: ListsOf<ActLists> = {
  'act.parts': listed(partFields, '', 'act'),
  'act.moves': listed(moveFields, 'move', 'act'),
  'act.faults': listed(faultFields, 'fault', 'act', 'id', 'kind'),
};
