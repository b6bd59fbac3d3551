import { listed, place, type ListsOf, type PlacesOf } from '../place';
import {
  amountFields,
  calendarEventFields,
  limitFields,
  loopFields,
  modeFields,
  routineFields,
  sentenceFields,
} from './fields';
import type { Amount, CalendarEvent, Loop, RoutineLimit, Mode, RoutinePlan, Sentence } from './types';

/** Places of this section where fields can be set. */
export interface RoutinePlaces {
  routine: RoutinePlan;
}
/** Keyed lists of this section. */
export interface RoutineLists {
  'routine.sentences': Sentence;
  'routine.modes': Mode;
  'routine.limits': RoutineLimit;
  'routine.loops': Loop;
  'routine.amounts': Amount;
  'routine.events': CalendarEvent;
}

/** What is known of each of these places. */
export const ROUTINE_PLACES: PlacesOf<RoutinePlaces> = { routine: place(routineFields, '', 'routine') };
/** What is known of each of these lists. */
export const ROUTINE_LISTS: ListsOf<RoutineLists> = {
  'routine.sentences': listed(sentenceFields, 'sentence', 'routine', 'id', 'at'),
  'routine.modes': listed(modeFields, 'mode', 'routine'),
  'routine.limits': listed(limitFields, 'limit', 'routine', 'id', 'kind'),
  'routine.loops': listed(loopFields, 'loop', 'routine'),
  'routine.amounts': listed(amountFields, 'amount', 'routine'),
  'routine.events': listed(calendarEventFields, 'event', 'routine'),
};
