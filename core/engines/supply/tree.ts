import { firstItem, itemAt } from '../../ground/lists';
import {
  nodesIn,
  type ConverterKind,
  type FeedConverter,
  type FeedLink,
  type FeedPlan,
  type FeedSource,
  type Job,
  type LinkKind,
} from '../../ground/job';
import { CELLS } from './chemistry';

interface Common {
  readonly id: string;
  readonly name: string;
  /** Place of what it hangs on in the list; −1 for a source, and for what hangs on nothing. */
  readonly parent: number;
  /** Place of the source above it; −1 where there is none. */
  readonly source: number;
  readonly depth: number;
}
/** One part of the tree of supplies. */
export type SupplyNode =
  | (Common & { readonly kind: 'source'; readonly item: FeedSource })
  | { [K in ConverterKind]: Common & { readonly kind: K; readonly item: FeedConverter } }[ConverterKind]
  | { [K in LinkKind]: Common & { readonly kind: K; readonly item: FeedLink } }[LinkKind];

/** Sources, converters, fuses and leads, each after what it hangs on. */
export interface SupplyTree {
  readonly nodes: readonly SupplyNode[];
  readonly at: ReadonlyMap<string, number>;
  /** Places of what hangs on each part itself. */
  readonly below: readonly (readonly number[])[];
  /** Places of what nothing else hangs on, capacitors apart. */
  readonly ends: readonly number[];
}

/** Whether a part of the tree makes one voltage of another. */
export const isConverter = (n: SupplyNode): n is Extract<SupplyNode, { item: FeedConverter }> =>
  n.kind === 'linear' || n.kind === 'step-down' || n.kind === 'step-up';

/** The tree of a plan, laid out from its sources on. A job's gate sees to it that there is no loop in it. */
export function supplyTree(feed: FeedPlan): SupplyTree {
  const nodes: SupplyNode[] = feed.sources.map((item, i) => ({
    id: item.id,
    name: item.name,
    kind: 'source',
    item,
    parent: -1,
    source: i,
    depth: 0,
  }));
  const at = new Map(nodes.map((n, i) => [n.id, i]));
  const below = new Map<string, (FeedConverter | FeedLink)[]>();
  const items = [...feed.converters, ...feed.links];
  const known = new Set(nodesIn(feed).map((n) => n.id));
  for (const item of items) {
    const from = known.has(item.from) ? item.from : '';
    const list = below.get(from);
    if (list) list.push(item);
    else below.set(from, [item]);
  }
  const add = (item: FeedConverter | FeedLink, parent: number): void => {
    const above = nodes[parent];
    const place = { parent, source: above?.source ?? -1, depth: (above?.depth ?? -1) + 1 };
    at.set(item.id, nodes.length);
    nodes.push({ id: item.id, name: item.name, kind: item.kind, item, ...place } as SupplyNode);
  };
  for (const item of below.get('') ?? []) add(item, -1);
  for (let i = 0; i < nodes.length; i++) for (const item of below.get(itemAt(nodes, i).id) ?? []) add(item, i);
  const children = nodes.map((): number[] => []);
  for (const [i, n] of nodes.entries()) children[n.parent]?.push(i);
  const carries = (i: number): boolean => itemAt(children, i).some((c) => itemAt(nodes, c).kind !== 'capacitor');
  const ends = nodes.flatMap((n, i) => (n.kind === 'capacitor' || carries(i) ? [] : [i]));
  return { nodes, at, below: children, ends };
}

/** What a source gives without a load, usual value, V; null where nobody said or read it. */
export function sourceVolts(job: Job, s: FeedSource): number | null {
  if (s.volts !== null) return s.volts;
  if (s.kind === 'rail') return job.survey.rails.find((r) => r.id === s.rail)?.openVolts ?? null;
  return s.kind === 'cells' ? s.series * CELLS[s.chemistry].nominalVolts : null;
}

/** The nominal voltage at a part of the tree, V; null where nobody said what feeds it. */
export function nominalVolts(job: Job, tree: SupplyTree, place: number): number | null {
  for (let n = tree.nodes[place]; n; n = tree.nodes[n.parent]) {
    if (n.kind === 'source') return sourceVolts(job, n.item);
    if (isConverter(n)) return n.item.volts;
  }
  return null;
}

/** Place of the part that a load hangs on: where it was hung, else the one end of a tree that has but one; −1 where nobody said. */
export function placeOf(feed: FeedPlan, tree: SupplyTree, load: string): number {
  const hung = feed.hangs.find((h) => h.load === load);
  if (hung) return tree.at.get(hung.node) ?? -1;
  return tree.ends.length === 1 ? firstItem(tree.ends) : -1;
}

/** The nominal voltage that a load is fed with, V; null where nobody said. */
export function voltsAt(job: Job, load: string): number | null {
  const tree = supplyTree(job.feed);
  const place = placeOf(job.feed, tree, load);
  return place < 0 ? null : nominalVolts(job, tree, place);
}

/** The source that a load draws from in the end; null where nobody said. */
export function feedingSource(feed: FeedPlan, load: string, tree: SupplyTree = supplyTree(feed)): FeedSource | null {
  const node = tree.nodes[placeOf(feed, tree, load)];
  const source = node && tree.nodes[node.source];
  return source?.kind === 'source' ? source.item : null;
}
