import { SURVEY_LISTS, SURVEY_PLACES, type SurveyLists, type SurveyPlaces } from './survey/lists';
import {
  BENCH_PLACES,
  PRESS_LISTS,
  PRESS_PLACES,
  type BenchPlaces,
  type PressLists,
  type PressPlaces,
} from './press/lists';
import { CONTROLLER_LISTS, CONTROLLER_PLACES, type ControllerLists, type ControllerPlaces } from './controller/lists';
import { FEED_LISTS, FEED_PLACES, type FeedLists, type FeedPlaces } from './feed/lists';
import { ACT_LISTS, ACT_PLACES, type ActLists, type ActPlaces } from './act/lists';
import { RECORDING_LISTS, type RecordingLists } from './recordings/lists';
import { ROUTINE_LISTS, ROUTINE_PLACES, type RoutineLists, type RoutinePlaces } from './routine/lists';
import { GUARD_LISTS, GUARD_PLACES, type GuardLists, type GuardPlaces } from './guard/lists';
import { PLAN_LISTS, PLAN_PLACES, type PlanLists, type PlanPlaces } from './plan/lists';
import type { ListsOf, PlacesOf } from './place';
import type { Job } from './types';

/** A section of the job that fields can be set in as a whole. */
export type Section = Extract<keyof Places, keyof Job>;

export type { PressPlaces };
/** A place of one press. */
export type PressPlace = keyof PressPlaces;

/** Where fields can be set: a section of the job, a group inside one, or a place of a press. */
export interface Places
  extends
    SurveyPlaces,
    PressPlaces,
    BenchPlaces,
    ControllerPlaces,
    FeedPlaces,
    ActPlaces,
    PlanPlaces,
    GuardPlaces,
    RoutinePlaces {}
/** The name of a place, as `press.finger`. */
export type Place = keyof Places;

/** Lists whose items are known by a key, so that one can be put or dropped without naming the others. */
export interface Lists
  extends
    SurveyLists,
    PressLists,
    ControllerLists,
    FeedLists,
    ActLists,
    PlanLists,
    GuardLists,
    RoutineLists,
    RecordingLists {}
/** The name of a keyed list, as `feed.sources`. */
export type ListName = keyof Lists;

/** Every place with its fields, words and room; put together from the sections. */
export const PLACE_INFO: PlacesOf<Places> = {
  ...SURVEY_PLACES,
  ...PRESS_PLACES,
  ...BENCH_PLACES,
  ...CONTROLLER_PLACES,
  ...FEED_PLACES,
  ...ACT_PLACES,
  ...PLAN_PLACES,
  ...GUARD_PLACES,
  ...ROUTINE_PLACES,
};
/** Every keyed list in the same way. */
export const LIST_INFO: ListsOf<Lists> = {
  ...SURVEY_LISTS,
  ...PRESS_LISTS,
  ...CONTROLLER_LISTS,
  ...FEED_LISTS,
  ...ACT_LISTS,
  ...PLAN_LISTS,
  ...GUARD_LISTS,
  ...ROUTINE_LISTS,
  ...RECORDING_LISTS,
};

/** Whether a place lies in a press. */
export const isPressPlace = (at: string): at is PressPlace => at === 'press' || at.startsWith('press.');
