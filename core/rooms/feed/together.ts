import { itemAt } from '../../ground/lists';
import {
  chosen,
  computed,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Remedy,
} from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import type { FeedGroup, Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { leastHeld } from './capacitor';
import { groupHeld } from './group-move';
import { judgeSource } from './judge-sources';
import { rehearsedAnew, type SupplyRun } from './supply-run';
import { AT_REST, courseOf, groupSteps } from './timeline';
import type { FedLoad } from './loads';

/** Longest stagger that is proposed beyond the start itself, as a factor. */
const AFTER_START = 1.25;

type Steps = ReturnType<typeof groupSteps>;

/** Whether supplies and loads bear a course: no source over what it may give, no load under what it works from. */
function borne(job: Job, facts: Facts, known: SupplyRun, steps: Steps): boolean {
  const r = rehearsedAnew(known, [AT_REST, courseOf('trial', 'trial', steps, known.loads, facts)]);
  return (
    r.tree.nodes.every((n, i) => {
      if (n.kind !== 'source') return true;
      return judgeSource(job, facts, r, i, n.item).every((f) => f.verdict !== 'stop');
    }) &&
    r.loads.every((l) => {
      if (!l.volts || l.place < 0) return true;
      const volts = leastHeld(job, r, l.place)?.volts ?? itemAt(r.least, l.place).value;
      return !(volts < l.volts.low);
    })
  );
}

const longestStart = (loads: readonly FedLoad[], presses: readonly string[]): number =>
  loads.reduce((s, l) => (presses.includes(l.press) ? Math.max(s, l.startSeconds) : s), 0);

/** The greatest n up to `most` that fits, where what fits for n fits for fewer; 0 where not even one does. */
function greatest(most: number, fits: (n: number) => boolean): number {
  let [low, high] = [0, most];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fits(middle)) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** How long after the start of some the next ones may start: once these run. */
const staggerFor = (r: SupplyRun, presses: readonly string[]): number =>
  Math.max(0.1, Math.ceil(longestStart(r.loads, presses) * AFTER_START * 10) / 10);

/** How many presses of a group may start at once, the next ones once these run. */
const mostAtOnce = (job: Job, facts: Facts, r: SupplyRun, presses: readonly string[], staggerSeconds: number): number =>
  greatest(presses.length, (atOnce) =>
    borne(
      job,
      facts,
      r,
      groupSteps({
        presses: [...presses],
        atOnce,
        staggerSeconds,
        runSeconds: 60 + presses.length * staggerSeconds * 2,
      }),
    ),
  );

/** One group: how many start at once, against how many may. */
function groupFinding(job: Job, facts: Facts, r: SupplyRun, g: FeedGroup): Finding[] {
  if (g.presses.length === 0) return [];
  const start = longestStart(r.loads, g.presses);
  const stagger = Math.max(g.staggerSeconds, staggerFor(r, g.presses));
  const fits = mostAtOnce(job, facts, r, g.presses, stagger);
  const asked = Math.min(g.atOnce, g.presses.length);
  const wish = derive(`start at once in ${g.name}`, 'n', 'n_g', '1', [
    chosen('n_g', 'start at once', asked, '1', 'set in Feed', [1, 40]),
  ]);
  const may = derive('may start at once', 'n_may', 'n_f', '1', [
    computed(
      'n_f',
      'found by trying every number',
      fits,
      '1',
      `the supplies over the whole group, ${formatQuantity(stagger, 's')} between starts`,
    ),
  ]);
  const borneSo = borne(job, facts, r, groupSteps(g));
  const mended: FeedGroup = { ...g, atOnce: Math.max(1, Math.min(asked, fits)), staggerSeconds: stagger };
  const remedy: Remedy | null = borneSo
    ? null
    : fits === 0
      ? {
          text: 'Not even one of them starts beside the others that run: take a stronger supply, or let fewer run at once.',
        }
      : {
          text: `Start ${fits} at once, the next ones ${formatQuantity(stagger, 's')} later.`,
          label: `Start ${mended.atOnce} at once, ${formatQuantity(stagger, 's')} apart`,
          edit: {
            do: 'put',
            list: 'feed.groups',
            item: mended,
            say: `${g.name}: ${mended.atOnce} at once, ${formatQuantity(stagger, 's')} apart`,
          },
        };
  return [
    judged('feed', `group@${g.id}`, {
      title: borneSo
        ? `${g.name}: ${asked} of ${g.presses.length} start at once, the next ones ${formatQuantity(g.staggerSeconds, 's')} later`
        : asked > fits
          ? `${g.name}: ${asked} start at once and no more than ${fits} may`
          : `${g.name}: ${formatQuantity(g.staggerSeconds, 's')} between starts is too short for motors that ` +
            `start for ${formatQuantity(start, 's')}`,
      caption: 'start together',
      steps: [wish],
      limit: derivedLimit('at most', [may], 'that the supplies bear'),
      verdict: borneSo ? 'settled' : 'stop',
      tightShare: 'met',
      source: ['motor-start'],
      remedy,
    }),
  ];
}

/** Presses that no group holds: how many of them may start at once, and whether anything sees to it. */
function looseFinding(job: Job, facts: Facts, r: SupplyRun): Finding[] {
  const grouped = new Set(job.feed.groups.flatMap((g) => g.presses));
  const draws = new Set(
    r.loads.flatMap((l) => (l.press !== '' && l.place >= 0 && l.startAmps > 0.05 ? [l.press] : [])),
  );
  const presses = facts.presses.map((p) => p.id).filter((id) => draws.has(id) && !grouped.has(id));
  if (presses.length < 2) return [];
  const amps = (id: string): number => r.loads.reduce((s, l) => s + (l.press === id ? l.startAmps || 0 : 0), 0);
  // The hungriest first, so that the number holds whichever of them start.
  const list = [...presses].sort((a, b) => amps(b) - amps(a));
  const together = (n: number): Steps => list.slice(0, n).map((press) => ({ press, at: 0, seconds: 60 }));
  const fits = greatest(list.length, (n) => borne(job, facts, r, together(n)));
  const hands = job.hands.some((h) => h.asks.length > 0);
  const stagger = staggerFor(r, list);
  const inTurn = fits > 0 && fits < list.length ? mostAtOnce(job, facts, r, list, stagger) : 0;
  const all = fits === list.length;
  return [
    finding('feed', 'together', {
      verdict: all ? 'settled' : fits === 0 ? 'stop' : hands ? 'tight' : 'settled',
      title: all
        ? `All ${list.length} presses may start at once`
        : fits === 0
          ? 'Not even one press may start on these supplies'
          : `At most ${fits} of ${list.length} presses may start at once; the press script starts them one after another` +
            (hands ? ', and a hand may press beside it' : ''),
      caption: 'start together',
      source: ['motor-start'],
      value: { value: fits, unit: '1' },
      remedy: all
        ? null
        : {
            text: 'Put those that shall move together into a group: it says how many start at once and how far apart.',
            ...(inTurn > 0
              ? {
                  label: 'Make a group of them',
                  edit: {
                    do: 'put',
                    list: 'feed.groups',
                    item: {
                      id: 'all',
                      name: 'all together',
                      presses: list,
                      atOnce: inTurn,
                      staggerSeconds: stagger,
                      runSeconds: 10,
                    },
                    say: 'presses that may move together, in a group',
                  } as const,
                }
              : {}),
          },
    }),
  ];
}

/** Who may start together. */
export const togetherFindings = (job: Job, facts: Facts, r: SupplyRun): Finding[] => [
  ...job.feed.groups.flatMap((g) => [...groupFinding(job, facts, r, g), ...groupHeld(job, g)]),
  ...looseFinding(job, facts, r),
];
