import { freeNodeId, freshLink, type FeedPlan, type JobEdit } from '../../ground/job';

/**
 * A fuse right behind a source: what hung on the source hangs on the fuse.
 * @param from id of the source; @param amps its rating, null where it is not said yet.
 */
export function fuseBehind(
  feed: FeedPlan,
  from: string,
  amps: number | null,
): { readonly id: string; readonly edit: JobEdit } {
  const id = freeNodeId(feed, 'fuse');
  const name = nameFor(feed);
  const edits: JobEdit[] = [
    { do: 'put', list: 'feed.links', item: { ...freshLink(id, name, 'fuse', from), amps } },
    ...feed.converters
      .filter((c) => c.from === from)
      .map((c): JobEdit => ({ do: 'put', list: 'feed.converters', item: { ...c, from: id } })),
    ...feed.links
      .filter((l) => l.from === from)
      .map((l): JobEdit => ({ do: 'put', list: 'feed.links', item: { ...l, from: id } })),
    ...feed.hangs
      .filter((h) => h.node === from)
      .map((h): JobEdit => ({ do: 'put', list: 'feed.hangs', item: { ...h, node: id } })),
  ];
  return { id, edit: { do: 'several', edits, say: `${name} right behind the source` } };
}

function nameFor(feed: FeedPlan): string {
  const taken = new Set([...feed.sources, ...feed.converters, ...feed.links, ...feed.loads].map((x) => x.name));
  for (let n = 1; ; n++) {
    const name = n === 1 ? 'fuse' : `fuse ${n}`;
    if (!taken.has(name)) return name;
  }
}
