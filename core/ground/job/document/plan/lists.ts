import { listed, place, type ListsOf, type PlacesOf } from '../place';
import {
  guardFields,
  neverFields,
  regionFields,
  routineFields,
  sentenceFields,
  sheetFields,
  standinFields,
  wishFields,
} from './fields';
import type { GuardRecord, Never, Region, RoutinePlan, Sentence, SheetPlan, StandinState, Wish } from './types';

/** Places of this section where fields can be set. */
export interface PlanPlaces {
  wish: Wish;
  region: Region;
  guard: GuardRecord;
  routine: RoutinePlan;
  sheet: SheetPlan;
  standin: StandinState;
}
/** Keyed lists of this section. */
export interface PlanLists {
  'wish.nevers': Never;
  'routine.sentences': Sentence;
}

/** What is known of each of these places. */
export const PLAN_PLACES: PlacesOf<PlanPlaces> = {
  wish: place(wishFields, '', 'wish'),
  region: place(regionFields, '', 'wish'),
  guard: place(guardFields, '', 'guard'),
  routine: place(routineFields, '', 'routine'),
  sheet: place(sheetFields, '', 'try'),
  standin: place(standinFields, '', 'probe'),
};
/** What is known of each of these lists. */
export const PLAN_LISTS: ListsOf<PlanLists> = {
  'wish.nevers': listed(neverFields, 'never', 'wish', 'id', 'kind'),
  'routine.sentences': listed(sentenceFields, 'sentence', 'routine', 'id', 'at'),
};
