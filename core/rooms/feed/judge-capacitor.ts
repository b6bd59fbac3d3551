import { realAt } from '../../ground/lists';
import {
  atMost,
  chosen,
  computed,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
} from '../../ground/finding';
import type { FeedLink } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import type { SupplyNode } from '../../engines/supply';
import type { SupplyRun } from './supply-run';

/** Share of its marked volts that a capacitor is used to (`capacitor-volts`). */
const USED_SHARE = 0.8;
/** Marks that electrolytic capacitors are sold with, V. */
const MARKED = [6.3, 10, 16, 25, 35, 50, 63, 100];
/** A supply that is held in its limit for longer may never start, s (`supply-starts`). */
const STARTS_SECONDS = 0.1;

type Capacitor = Extract<SupplyNode, { kind: 'capacitor' }>;

/** The least mark that is used to four fifths by so many volts; null over what is sold. */
export const markedFor = (volts: number): number | null => MARKED.find((m) => m * USED_SHARE >= volts) ?? null;

/** A capacitor against the highest volts across it, and against the supply that must charge it. */
export function judgeCapacitor(r: SupplyRun, n: Capacitor): Finding[] {
  if (n.parent < 0 || n.item.farads === null) return [];
  const volts = realAt(r.most, n.parent);
  if (Number.isNaN(volts)) return [];
  return [voltsFinding(n.item, volts), ...startFinding(r, n.item, n.source, volts)];
}

function voltsFinding(item: FeedLink, volts: number): Finding {
  const mark = markedFor(volts);
  const put = (bearsVolts: number) => ({
    do: 'put' as const,
    list: 'feed.links' as const,
    item: { ...item, bearsVolts },
    say: `${item.name}: marked ${formatQuantity(bearsVolts, 'V')}`,
  });
  const take = mark === null ? {} : { label: `It is one for ${formatQuantity(mark, 'V')}`, edit: put(mark) };
  if (item.bearsVolts === null)
    return finding('feed', `capacitor-volts@${item.id}`, {
      verdict: 'unknown',
      title: `What volts the ${item.name} is marked for is not said`,
      caption: 'capacitor’s volts?',
      source: ['capacitor-volts'],
      remedy: { text: 'Its mark stands on its case; say it in Feed.', ...take },
    });
  const used = derive('four fifths of its mark', 'V_use', 'k * V_mark', 'V', [
    constant('k', 'share used', USED_SHARE, '1', 'capacitor-volts'),
    chosen('V_mark', `mark of the ${item.name}`, item.bearsVolts, 'V', 'set in Feed', [1, 1000]),
  ]);
  return judged('feed', `capacitor-volts@${item.id}`, {
    title: `Highest volts across the ${item.name} against its mark`,
    caption: 'capacitor’s volts',
    steps: [
      derive('highest volts across it', 'V_C', 'V', 'V', [
        computed('V', 'nothing drawn', volts, 'V', 'the tree at its highest'),
      ]),
    ],
    limit:
      volts > item.bearsVolts
        ? atMost(item.bearsVolts, 'V', 'its mark', { from: 'maker', what: 'set in Feed' })
        : derivedLimit('at most', [used], 'four fifths of its mark'),
    verdict: volts > item.bearsVolts ? 'stop' : volts > used.result.value ? 'tight' : 'settled',
    source: ['capacitor-volts'],
    remedy: volts > used.result.value ? { text: 'Take one that is marked for more.', ...take } : null,
  });
}

/** How long a supply stands in its limit until the capacitor is charged. */
function startFinding(r: SupplyRun, item: FeedLink, at: number, volts: number): Finding[] {
  const source = r.tree.nodes[at];
  if (source?.kind !== 'source' || source.item.amps === null || item.farads === null) return [];
  if (source.item.kind === 'cells') return [];
  const charge = derive('charged by the supply at its limit within', 't', 'C * V / I_s', 's', [
    chosen('C', item.name, item.farads, 'F', 'set in Feed', [1e-12, 100]),
    computed('V', 'highest volts across it', volts, 'V', 'the tree at its highest'),
    chosen('I_s', source.name, source.item.amps, 'A', 'set in Feed', [0.01, 1000]),
  ]);
  return [
    judged('feed', `capacitor-start@${item.id}`, {
      title: `The ${source.name} charges the ${item.name} before it gives up`,
      caption: 'start of the supply',
      steps: [charge],
      limit: atMost(STARTS_SECONDS, 's', 'a supply may try again for ever after', {
        from: 'source',
        key: 'supply-starts',
      }),
      verdict: charge.result.value > STARTS_SECONDS ? 'tight' : 'settled',
      remedy:
        charge.result.value > STARTS_SECONDS
          ? {
              text: 'Take a smaller capacitor, a few ohms before it, or a supply that says that it starts into such a load.',
            }
          : null,
    }),
  ];
}
