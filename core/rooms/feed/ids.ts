import type { Finding } from '../../ground/finding';
import type { SupplyRun } from './supply-run';

/** The id of a finding of a part of the tree: that of the first of its sort by itself, those of others with whose they are. */
export const firstOr = (first: boolean, name: string, of: string): string => (first ? name : `${name}@${of}`);

/** What rests on the draw of a part of the tree is not known while something that its source feeds draws nobody knows what. */
export const asFarAsSaid = (r: SupplyRun, place: number, found: readonly Finding[]): Finding[] =>
  r.unsaid.has(r.tree.nodes[place]?.source ?? -1)
    ? found.map((f) => (f.verdict === 'settled' || f.verdict === 'tight' ? { ...f, verdict: 'unknown' } : f))
    : [...found];
