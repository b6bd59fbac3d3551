/** P: published and named. C: common practice of the trade, no source. M: from memory, to be verified by the reader. */
export type SourceTag = 'P' | 'C' | 'M';

/** Where a constant or rule comes from. */
export interface Source {
  readonly tag: SourceTag;
  readonly text: string;
}
