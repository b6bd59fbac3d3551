import { itemAt } from '../../ground/lists';
import { finding, type Finding } from '../../ground/finding';
import type { Job } from '../../ground/job';
import { isConverter, type SupplyNode } from '../../engines/supply';
import { judgeCapacitor } from './judge-capacitor';
import { judgeConverter } from './judge-converters';
import { judgeFuse, judgeLead } from './judge-links';
import { judgeUnfused } from './judge-unfused';
import type { SupplyRun } from './supply-run';

/** What hangs on nothing. */
const loose = (n: SupplyNode): Finding[] =>
  n.kind !== 'source' && n.parent < 0
    ? [
        finding('feed', `loose@${n.id}`, {
          verdict: 'unknown',
          title: `What the ${n.name} hangs on is not said`,
          caption: 'hangs on nothing',
          remedy: { text: 'Say in Feed what it hangs on, or take it away.' },
        }),
      ]
    : [];

/** Converters, fuses, leads and sources against what goes through them. */
export function judgePart(job: Job, r: SupplyRun, place: number): Finding[] {
  const n = itemAt(r.tree.nodes, place);
  if (n.kind === 'source') return judgeUnfused(job, r, place, n);
  if (n.source < 0) return loose(n);
  if (isConverter(n)) return judgeConverter(job, r, place, n);
  switch (n.kind) {
    case 'fuse':
      return judgeFuse(r, place, n);
    case 'lead':
      return judgeLead(job, r, place, n);
    case 'capacitor':
      return judgeCapacitor(r, n);
  }
}
