import { listed, place, type ListsOf, type PlacesOf } from '../place';
import {
  boxFields,
  converterFields,
  dutyFields,
  feedFields,
  groupFields,
  hangFields,
  linkFields,
  loadFields,
  shiftFields,
  sourceFields,
  standingFields,
} from './fields';
import type {
  FeedBox,
  FeedConverter,
  FeedDuty,
  FeedGroup,
  FeedHang,
  FeedLink,
  FeedLoad,
  FeedPlan,
  FeedSource,
  FeedStanding,
  GroundShift,
} from './types';

/** Places of this section where fields can be set. */
export interface FeedPlaces {
  feed: FeedPlan;
  'feed.duty': FeedDuty;
  'feed.box': FeedBox;
  'feed.standing': FeedStanding;
}
/** Keyed lists of this section. */
export interface FeedLists {
  'feed.sources': FeedSource;
  'feed.converters': FeedConverter;
  'feed.links': FeedLink;
  'feed.loads': FeedLoad;
  'feed.hangs': FeedHang;
  'feed.groups': FeedGroup;
  'feed.shifts': GroundShift;
}

/** What is known of each of these places. */
export const FEED_PLACES: PlacesOf<FeedPlaces> = {
  feed: place(feedFields, '', 'feed'),
  'feed.duty': place(dutyFields, 'controller', 'feed'),
  'feed.box': place(boxFields, 'box', 'feed'),
  'feed.standing': place(standingFields, '', 'feed'),
};
/** What is known of each of these lists. */
export const FEED_LISTS: ListsOf<FeedLists> = {
  'feed.sources': listed(sourceFields, 'source', 'feed'),
  'feed.converters': listed(converterFields, 'converter', 'feed'),
  'feed.links': listed(linkFields, '', 'feed'),
  'feed.loads': listed(loadFields, 'load', 'feed'),
  'feed.hangs': listed(hangFields, 'what feeds', 'feed', 'load', 'load'),
  'feed.groups': listed(groupFields, 'group', 'feed'),
  'feed.shifts': listed(shiftFields, 'ground shift', 'feed', 'id', 'id'),
};
