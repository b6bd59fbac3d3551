export type { Source, SourceTag } from './source';
export { SOURCES, sourceOf, TAG_WORDS, type SourceKey } from './sources';
