export { applyEdit, returnTo, type JobEdit, type Section } from './edit';
export {
  CONTROL_KINDS,
  knownMachine,
  type ContactFact,
  type ControlFact,
  type ControlKind,
  type DriveFact,
  type Facts,
  type Isolation,
  type PressFact,
  type SequenceRule,
} from './facts';
export { freshControl, freshJob, type FreshWish } from './fresh';
export { freshThumb } from './fresh-thumb';
export { anotherUnit } from './another-unit';
export { freshFace, freshRail, freshSurvey, BENCH_MAINS, HAND_METER, isStated, UNKNOWN_MAINS } from './fresh-survey';
export { jobJsonSchema } from './json-schema';
export { checkJob, jobText, JOB_TEXT_LIMIT, loadJob, tooLarge, type Loaded, type LoadProblem } from './load';
export { migrate, withNewRatings, type Migration } from './migrate';
export { isBounds } from './shapes';
export * from './types';
export { readNoteLine } from './note-line';
export type { NoteContext, Understood } from './note-words';
export { refuse } from './note-reading';
export { sayPlace, sayPoint, sayState, sayValue, UNIT_OF } from './words';
