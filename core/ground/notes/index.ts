export { readAnswer, typedNumber, type AnswerRead, type NoteQuestion } from './answer';
export { controlId, SETTING_WORDS } from './note-reading';
export { readNoteLine } from './note-line';
export type { NoteContext, Understood } from './note-words';
