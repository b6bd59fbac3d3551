import type { Source, SourceTag } from './source';
import { GUARDING } from './guarding';
import { FROM_MEMORY } from './memory';
import { PRACTICE } from './practice';
import { PROBING } from './probing';
import { PUBLISHED } from './published';

/** Where every constant of the core comes from; findings and inputs name a source by its key. */
export const SOURCES = { ...PUBLISHED, ...PRACTICE, ...PROBING, ...GUARDING, ...FROM_MEMORY };

/** The key of a source. */
export type SourceKey = keyof typeof SOURCES;

/** What each tag of a source means. */
export const TAG_WORDS: Record<SourceTag, string> = {
  P: 'published',
  C: 'common practice, no source',
  M: 'from memory, please verify',
};

/** The source of a key. */
export const sourceOf = (key: SourceKey): Source => SOURCES[key];
