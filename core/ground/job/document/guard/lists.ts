import { listed, place, type ListsOf, type PlacesOf } from '../place';
import { boardLayoutFields } from './board-fields';
import {
  apartFields,
  chainFields,
  guardFields,
  loadFieldsOf,
  lossFields,
  ownHazardFields,
  reachLinkFields,
} from './fields';
import type { ApartPlan, BoardLayout, Chain, GuardRecord, Load, Loss, OwnHazard, ReachLink } from './types';

/** Places of this section where fields can be set. */
export interface GuardPlaces {
  guard: GuardRecord;
  'guard.apart': ApartPlan;
}
/** Keyed lists of this section. */
export interface GuardLists {
  'guard.losses': Loss;
  'guard.loads': Load;
  'guard.chains': Chain;
  'guard.boards': BoardLayout;
  'guard.own': OwnHazard;
  'guard.links': ReachLink;
}

/** What is known of each of these places. */
export const GUARD_PLACES: PlacesOf<GuardPlaces> = {
  guard: place(guardFields, '', 'guard'),
  'guard.apart': place(apartFields, 'apartness', 'guard'),
};
/** What is known of each of these lists. */
export const GUARD_LISTS: ListsOf<GuardLists> = {
  'guard.loads': listed(loadFieldsOf, 'load', 'guard', 'press', 'press'),
  'guard.losses': listed(lossFields, 'loss', 'guard', 'id', 'what'),
  'guard.chains': listed(chainFields, 'mains lead', 'guard', 'press', 'press'),
  'guard.boards': listed(boardLayoutFields, 'board', 'guard'),
  'guard.own': listed(ownHazardFields, 'hazard', 'guard', 'id', 'what'),
  'guard.links': listed(reachLinkFields, 'link', 'guard'),
};
