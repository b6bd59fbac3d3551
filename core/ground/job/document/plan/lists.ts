import { listed, place, type ListsOf, type PlacesOf } from '../place';
import { neverFields, regionFields, sheetFields, standinFields, wholeFields, wishFields } from './fields';
import type { Never, Region, SheetPlan, StandinState, WholeRun, Wish } from './types';

/** Places of this section where fields can be set. */
export interface PlanPlaces {
  wish: Wish;
  region: Region;
  sheet: SheetPlan;
  standin: StandinState;
}
/** Keyed lists of this section. */
export interface PlanLists {
  'wish.nevers': Never;
  'wish.whole': WholeRun;
}

/** What is known of each of these places. */
export const PLAN_PLACES: PlacesOf<PlanPlaces> = {
  wish: place(wishFields, '', 'wish'),
  region: place(regionFields, '', 'wish'),
  sheet: place(sheetFields, '', 'try'),
  standin: place(standinFields, '', 'probe'),
};
/** What is known of each of these lists. */
export const PLAN_LISTS: ListsOf<PlanLists> = {
  'wish.nevers': listed(neverFields, 'never', 'wish', 'id', 'kind'),
  'wish.whole': listed(wholeFields, 'run', 'wish', 'id', 'what'),
};
