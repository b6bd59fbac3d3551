export { readNoteLine } from './note-line';
export { refuse } from './note-reading';
export type { NoteContext, Understood } from './note-words';
