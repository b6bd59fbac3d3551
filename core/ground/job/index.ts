export { applyEdit, edited, returnTo, type Edited, type JobEdit } from './edit';
export {
  isPressPlace,
  type ListName,
  type Lists,
  type Place,
  type Places,
  type PressPlace,
  type PressPlaces,
  type Section,
} from './places';
export { lineId, ownerOf } from './keep-whole';
export { profileProblem, type ProfileProblem } from './profile-sense';
export { CONTROL_KINDS, type ControlKind } from './machine';
export { ROOMS, type Room } from './rooms';
export { freshControl, freshJob, type FreshWish } from './fresh';
export {
  freeId,
  freshHand,
  freshNever,
  freshPress,
  freshSense,
  freshSign,
  ownersOf,
  pressOf,
  restContact,
  stateSense,
} from './fresh-press';
export {
  courseOfMove,
  freshMove,
  freshAsk,
  freshPart,
  looksFirst,
  machineOf,
  pressedBy,
  pressedFor,
  pressedIn,
  scriptOf,
  sensesRead,
  stepOf,
  stepsOf,
  takesTime,
  withMachine,
  withSteps,
} from './moves';
export { anotherUnit, copyOf } from './copies';
export { freshFace, freshRail, freshSurvey } from './fresh-survey';
export { BENCH_MAINS, HAND_METER, isStated, UNKNOWN_MAINS } from './bench-usual';
export { editsJsonSchema, jobJsonSchema } from './json-schema';
export { checkJob, jobText, loadJob, tooLarge, type Loaded } from './load';
export { JOB_TEXT_LIMIT } from './refused';
export type { LoadProblem } from './problem';
export { migrate } from './migrate';
export type { Migration } from './versions/step';
export { withNewRatings } from './versions/to-4';
export * from './types';
export { sayTime } from './say-time';
export { neverLacks, sayNever } from './say-never';
export { HAZARD_WORDS, sayPlace, sayPoint, sayState, sayValue, UNIT_OF } from './words';
export { controlFields, jobFields } from './job-fields';
export { askFields, faultFields, moveFields, partFields, shownFields, stepFields } from './act-fields';
export { guardFields, neverFields, regionFields, sheetFields, wishFields } from './plan-fields';
export {
  boxFields,
  converterFields,
  dutyFields,
  feedFields,
  groupFields,
  linkFields,
  loadFields,
  sourceFields,
  standingFields,
} from './feed-fields';
export { CONTROLLER } from './feed-sense';
export { freshConverter, freshGroup, freshLink, freshLoad, freshSource, freeNodeId, nodesIn } from './fresh-feed';
export {
  caliperReading,
  faceFields,
  keypadFields,
  meterFields,
  pieceFields,
  railFields,
  stripFields,
} from './survey-fields';
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
  supplyFields,
  pressFields,
  unitFields,
} from './press-fields';
export {
  boardFields,
  handInputFields,
  MOST_GPIO,
  pinChoiceFields,
  pinFields,
  profileFields,
  senseFields,
  signFields,
} from './controller-fields';
