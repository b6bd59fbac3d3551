import { concerning, finding, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import type { Job } from '../../ground/job';
import { boxFinding } from './box';
import { groundFindings } from './grounds';
import { judgeCells } from './judge-battery';
import { boardSupplyFindings, standingFindings } from './judge-board';
import { judgePart } from './judge-parts';
import { asFarAsSaid } from './ids';
import { isolationFinding, moduleFinding, polarityFinding, whenFinding } from './judge-sort';
import { judgeSource } from './judge-sources';
import { judgeLoads } from './judge-volts';
import { moduleSupplyFindings } from './module-supply';
import { proposedSupply } from './proposal';
import { supplyTree } from '../../engines/supply';
import { supplyRun } from './supply-run';
import { togetherFindings } from './together';

/**
 * What Feed judges: every source, converter, fuse, lead and load at every instant of every course, grounds, heat and cells.
 * @param pressWatts heat of what presses are built with, coils apart, W.
 */
export function feedFindings(job: Job, facts: Facts, pressWatts = 0): Finding[] {
  const { drive } = facts;
  if (job.feed.sources.length === 0 && drive?.module) return moduleSupplyFindings(job, drive);
  if (job.feed.sources.length === 0)
    return [
      finding('feed', 'supply', {
        verdict: 'unknown',
        title: 'No supply chosen yet',
        caption: 'no supply yet',
        remedy: proposedSupply(facts, job.region.mainsVolts < 200),
      }),
    ];
  const r = supplyRun(job, facts, supplyTree(job.feed), pressWatts);
  const sources = job.feed.sources.flatMap((s, place) => {
    const drawn = judgeSource(job, facts, r, place, s);
    return concerning({ nodes: [s.id] }, [
      ...asFarAsSaid(r, place, drawn),
      ...polarityFinding(s, place === 0),
      ...isolationFinding(facts, s, place === 0),
      ...whenFinding(job, s, place === 0),
      ...moduleFinding(s),
      ...(drawn.length > 1 ? judgeCells(job, facts, r, place, s, place === 0) : []),
    ]);
  });
  return [
    ...sources,
    ...(drive ? moduleSupplyFindings(job, drive) : []),
    ...judgeLoads(job, r),
    ...r.tree.nodes.flatMap(({ id }, place) =>
      concerning({ nodes: [id] }, asFarAsSaid(r, place, judgePart(job, r, place))),
    ),
    ...togetherFindings(job, facts, r),
    ...groundFindings(job, facts, r),
    ...boardSupplyFindings(job, facts, r),
    ...boxFinding(job, r),
    ...standingFindings(job),
  ];
}
