export { likeOf, moreLike, onAllAlike } from './edit/alike';
export { applyEdit, edited, returnTo, type Edited, type JobEdit } from './edit/edit';
export {
  isPressPlace,
  type ListName,
  type Lists,
  type Place,
  type Places,
  type PressPlace,
  type PressPlaces,
  type Section,
} from './document/places';
export { lineId, ownerOf } from './document/line-id';
export { profileProblem, type ProfileProblem } from './document/controller/checks';
export { CONTROL_KINDS, type ControlKind } from './document/readings/kinds';
export { ROOMS, type Room } from './document/rooms';
export { freshControl, freshJob, type FreshWish } from './edit/fresh';
export {
  freeId,
  freeIn,
  freshHand,
  freshNever,
  freshPress,
  freshSense,
  freshSign,
  ownersOf,
  pressOf,
  isOfTheWorld,
  isAllBare,
  isUntouched,
  stateSense,
} from './document/owners';
export {
  courseOfMove,
  freshMove,
  freshAsk,
  freshPart,
  looksFirst,
  machineOf,
  pressedBy,
  sidesOf,
  closedTimes,
  lastsOf,
  longestPress,
  type Closure,
  type PressedSide,
  pressedIn,
  scriptOf,
  sensesRead,
  stepOf,
  stepsOf,
} from './document/act/steps';
export { pressedFor, restContact, withMachine, withSteps, withTiming } from './edit/moves';
export { anotherUnit, copyOf } from './edit/copies';
export { freshFace, freshRail } from './document/survey/fresh';
export { BENCH_MAINS, HAND_METER, isStated, UNKNOWN_MAINS } from './document/survey/usual';
export { editsJsonSchema, jobJsonSchema } from './document/json-schema';
export { checkJob, jobText, loadJob, tooLarge, type Loaded } from './gate/load';
export { JOB_TEXT_LIMIT } from './gate/gate';
export type { LoadProblem } from './document/problem';
export { migrate } from './gate/migrate';
export type { Migration } from './versions/step';
export { withNewRatings } from './versions/to-4';
export * from './document/types';
export {
  comesByMessage,
  isOfModule,
  onlyListens,
  packsWithoutPress,
  reachOf,
  type SenseReach,
} from './document/listens';
export { loadOf } from './document/guard/load-of';
export { reopenedBy, tickedAt } from './document/guard/gates';
export { whatMatters } from './document/matter';
export { sayTime } from './document/say-time';
export { neverLacks, neverSaid, sayNever } from './document/plan/say-never';
export {
  acts,
  dayMinutesOf,
  eventsFor,
  isTimed,
  sayAt,
  sayIfs,
  sayLimit,
  sentenceAt,
  type LimitNames,
  type SentenceNames,
} from './document/routine/sentences';
export { isSaid } from './document/routine/loops';
export {
  calendarEventFields,
  limitFields,
  loopFields,
  amountFields,
  modeFields,
  pourFields,
  routineFields,
  ruleIfFields,
  sentenceFields,
} from './document/routine/fields';
export { HAZARD_WORDS, sayPlace, sayPoint, sayState, sayValue, UNIT_OF } from './document/words';
export { jobFields } from './document/fields';
export { controlFields } from './document/readings/fields';
export { RECORDING_LIMIT, recordingFields } from './document/recordings/fields';
export { pressBounds } from './document/press/bounds';
export { LIST_INFO, PLACE_INFO } from './document/places';
export {
  askFields,
  betweenFields,
  faultFields,
  moveFields,
  partFields,
  screwFields,
  shownFields,
  stepFields,
} from './document/act/fields';
export { neverFields, regionFields, sheetFields, wholeFields, wishFields } from './document/plan/fields';
export {
  apartFields,
  chainFields,
  endTimerFields,
  guardFields,
  HARM_WORDS,
  loadFieldsOf,
  lossFields,
  ownHazardFields,
  reachLinkFields,
} from './document/guard/fields';
export {
  boardLayoutFields,
  boardNetFields,
  boardSlotFields,
  boardTrackFields,
  laidPartFields,
  laidPinFields,
} from './document/guard/board-fields';
export {
  boxFields,
  converterFields,
  dutyFields,
  groupFields,
  linkFields,
  loadFields,
  sourceFields,
  standingFields,
} from './document/feed/fields';
export { CONTROLLER } from './document/feed/checks';
export {
  freshConverter,
  freshGroup,
  freshLink,
  freshLoad,
  freshSource,
  freeNodeId,
  nodesIn,
} from './document/feed/fresh';
export { caliperReading, faceFields, meterFields, pieceFields, railFields } from './document/survey/fields';
export {
  fingerFields,
  benchFields,
  handFields,
  motorFields,
  ownPartFields,
  remoteFields,
  scanFields,
  signalFields,
  stockFields,
  pressFields,
  unitFields,
} from './document/press/fields';
export {
  handInputFields,
  moduleFields,
  MOST_GPIO,
  pinFields,
  profileFields,
  signFields,
} from './document/controller/fields';
export {
  senseCoilFields,
  senseCountFields,
  senseFields,
  senseLeadFields,
  senseLimitFields,
  senseMagnetFields,
  senseSignalFields,
} from './document/controller/sense-fields';
