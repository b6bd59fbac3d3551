export { applyEdit, returnTo, type JobEdit, type Section } from './edit';
export { CONTROL_KINDS, type ControlFact, type ControlKind, type DriveFact, type Facts, type Isolation, type PressFact } from './facts';
export { freshControl, freshJob, type FreshWish } from './fresh';
export { jobJsonSchema } from './json-schema';
export { checkJob, jobText, JOB_TEXT_LIMIT, loadJob, tooLarge, type Loaded, type LoadProblem } from './load';
export { migrate, type Migration } from './migrate';
export * from './types';
export { readNoteLine, refuse, type NoteContext, type Understood } from './note-line';
export { sayPlace, sayPoint, sayState, sayValue, UNIT_OF } from './words';
