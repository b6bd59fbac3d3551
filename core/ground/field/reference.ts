/** What becomes of a place that names something when that goes. */
export type WhenGone =
  /** It names nothing then. */
  | 'clear'
  /** The item of the nearest list around it goes as well; of a record, the key. */
  | 'drop'
  /** What it names may not go: the edit is refused. */
  | 'refuse';

/** What a text names by its id, or a record by its keys. */
export interface Reference {
  /** Sorts of things that it may name; ids are their own within a sort. */
  readonly to: readonly string[];
  readonly gone: WhenGone;
  /** What to do where it names what is not there; `{name}` is the name of the item that it lies in. */
  readonly todo: string;
  /** Sorts whose items may be named with something behind their id, as `rocker/down`, and how the id is read out of that. */
  readonly parted?: { readonly sorts: readonly string[]; readonly idOf: (text: string) => string };
  /** What is not there may be named all the same: it says nothing then. */
  readonly loose?: true;
}
