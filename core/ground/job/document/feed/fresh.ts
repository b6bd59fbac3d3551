import { freshOf } from '../../../field';
import { converterFields, groupFields, linkFields, loadFields, sourceFields } from './fields';
import type { FeedConverter, FeedGroup, FeedLink, FeedLoad, FeedPlan, FeedSource, LinkKind } from './types';

/** A source of which only the name is known. */
export const freshSource = (id: string, name: string, kind: FeedSource['kind'] = 'plug-in'): FeedSource => ({
  ...freshOf(sourceFields),
  id,
  name,
  kind,
});
/** A converter of which only the name is known. */
export const freshConverter = (
  id: string,
  name: string,
  kind: FeedConverter['kind'] = 'step-down',
  from = '',
): FeedConverter => ({ ...freshOf(converterFields), id, name, kind, from });
/** A fuse, lead or capacitor of which only the name is known. */
export const freshLink = (id: string, name: string, kind: LinkKind = 'lead', from = ''): FeedLink => ({
  ...freshOf(linkFields),
  id,
  name,
  kind,
  from,
});
/** A load of which only the name is known. */
export const freshLoad = (id: string, name: string): FeedLoad => ({ ...freshOf(loadFields), id, name });
/** A group without a press. */
export const freshGroup = (id: string, name: string): FeedGroup => ({ ...freshOf(groupFields), id, name });

/** Everything of the tree that something may hang on. */
export const nodesIn = (feed: FeedPlan): readonly (FeedSource | FeedConverter | FeedLink)[] => [
  ...feed.sources,
  ...feed.converters,
  ...feed.links,
];

/** An id for one more part of the tree, a load or a group, that nothing there has. */
export function freeNodeId(feed: FeedPlan, base: string): string {
  const taken = new Set([...nodesIn(feed), ...feed.loads, ...feed.groups].map((x) => x.id));
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id)) return id;
  }
}
