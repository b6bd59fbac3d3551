import { itemAt, lastItem } from '../../ground/lists';
import { derive, derivedLimit, judged, type Finding, type Remedy } from '../../ground/finding';
import { fuseFor, meltingStep, openVolts, USUAL_LEAD } from '../../engines/electrics';
import type { Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { CELLS, type SupplyNode } from '../../engines/supply';
import { currentSteps } from './explain';
import { fuseBehind } from './insert-fuse';
import { bears, FUSE_SHARE, intoShort, thinnest } from './judge-links';
import type { SupplyRun } from './supply-run';

/** A short that melts a lead within this time burns before anybody pulls the plug, s. */
const MELTS_SECONDS = 10;

/** A fuse right behind a source, of what lasts through it, where the thinnest lead bears as much. */
function putFuse(job: Job, r: SupplyRun, place: number, source: string, bearable: number): Remedy {
  const text = 'Put a fuse right behind it, no larger than what the thinnest lead bears.';
  const amps = fuseFor(lastItem(currentSteps(r, place, itemAt(r.lasting, place), 'lasting')).result.value, FUSE_SHARE);
  if (amps === null) return { text };
  const said = formatQuantity(amps, 'A');
  return amps > bearable
    ? { text: `${text} What lasts wants ${said}: take thicker leads first.` }
    : { text, label: `Put in ${said}, slow`, edit: fuseBehind(job.feed, source, amps).edit };
}

/** A source that could give more into a short than the leads behind it bear wants a fuse. */
export function judgeUnfused(
  job: Job,
  r: SupplyRun,
  place: number,
  n: Extract<SupplyNode, { kind: 'source' }>,
): Finding[] {
  const behind = thinnest(r, place);
  if (!behind) return [];
  const s = n.item;
  const most = bears(behind.item);
  const cells = s.kind === 'cells';
  const volts = openVolts(job, s)?.high;
  if (volts === undefined || (!cells && s.amps === null)) return [];
  const short = intoShort(job, s, volts);
  if (short.result.value <= most.value) return [];
  const size = behind.item.squareMetres ?? USUAL_LEAD.squareMetres;
  const melts = meltingStep(size, MELTS_SECONDS);
  const burns = behind.item.squareMetres !== null && short.result.value >= melts.result.value;
  const fierce = cells && (CELLS[s.chemistry].burstAmps >= 5 || s.chemistry === 'lead-acid');
  return [
    judged('feed', `unfused@${n.id}`, {
      title: `The ${n.name} can give more than the ${behind.name} bears, and no fuse stands between`,
      caption: 'no fuse',
      steps: [short],
      limit: burns
        ? derivedLimit('at most', [melts], `what melts the ${behind.name} within ten seconds`)
        : derivedLimit(
            'at most',
            [derive('what the lead bears', 'I_l', 'I_z', 'A', [most])],
            `what the ${behind.name} bears`,
          ),
      source: burns ? ['onderdonk'] : [],
      verdict: fierce || burns ? 'stop' : 'tight',
      remedy: putFuse(job, r, place, n.id, most.value),
    }),
  ];
}
