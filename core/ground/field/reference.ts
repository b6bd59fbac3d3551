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
  /** Ids that a text may stand for, where it is not an id itself. */
  readonly read?: (text: string) => readonly string[];
  /** What is not there may be named all the same: it says nothing then. */
  readonly loose?: true;
}
