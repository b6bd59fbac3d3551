export { applyEdit, edited, returnTo, type Edited, type JobEdit } from './edit';
export type { ListName, Lists, Place, Places, Section } from './places';
export { CONTROL_KINDS, knownMachine, type ControlKind } from './machine';
export { ROOMS, type Room } from './rooms';
export { freshControl, freshJob, type FreshWish } from './fresh';
export { freshThumb } from './fresh-thumb';
export { anotherUnit, copyOf } from './copies';
export { freshFace, freshRail, freshSurvey } from './fresh-survey';
export { BENCH_MAINS, HAND_METER, isStated, UNKNOWN_MAINS } from './bench-usual';
export { editsJsonSchema, jobJsonSchema } from './json-schema';
export { checkJob, jobText, JOB_TEXT_LIMIT, loadJob, tooLarge, type Loaded } from './load';
export type { LoadProblem } from './problem';
export { migrate } from './migrate';
export type { Migration } from './versions/step';
export { withNewRatings } from './versions/to-4';
export * from './types';
export { sayTime } from './say-time';
export { HAZARD_WORDS, sayPlace, sayPoint, sayState, sayValue, UNIT_OF } from './words';
export { controlFields, jobFields } from './job-fields';
export {
  faultFields,
  feedFields,
  guardFields,
  machineFields,
  regionFields,
  sheetFields,
  wishFields,
} from './plan-fields';
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
  handFields,
  motorFields,
  ownPartFields,
  remoteFields,
  scanFields,
  signalFields,
  stockFields,
  supplyFields,
  thumbFields,
} from './thumb-fields';
