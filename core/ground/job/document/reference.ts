import { name, naming, text, type Field, type Reference } from '../../field';
import { ownerOf } from './line-id';

/** Sorts of things in a job that others name by their ids. */
export type Sort =
  'control' | 'strip' | 'press' | 'sense' | 'hand' | 'sign' | 'part' | 'move' | 'mode' | 'rail' | 'node' | 'load';

interface JobReference extends Reference {
  readonly to: readonly Sort[];
}

/** A field that holds an id, or nothing. */
export const idOf = (label: string, reference: JobReference): Field<string> =>
  naming(text(label, { most: 200 }), reference);
/** A field that always holds one. */
export const oneOf = (label: string, reference: JobReference): Field<string> => naming(name(label), reference);

/** Lines of these sorts are named by whose they are, with their output behind a stroke; a side of a rocker likewise. */
export const sided = (sorts: readonly Sort[]): NonNullable<Reference['parted']> => ({
  sorts,
  idOf: (line) => (line.endsWith('/') ? line : ownerOf(line)),
});
