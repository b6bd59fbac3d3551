import { itemAt, lastItem, present, realAt } from '../../ground/lists';
import {
  atMost,
  carried,
  chosen,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  summary,
  type Finding,
  type Limit,
  type Remedy,
  type Step,
} from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import { CONTROLLER, type FeedSource, type Job, type JobEdit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { usableAmps } from '../../engines/electrics';
import { CELLS, sourceVolts } from '../../engines/supply';
import { currentSteps, whenWords } from './explain';
import { firstOr } from './ids';
import type { SupplyRun } from './supply-run';

/** Share of a supply that stays in reserve (`feed-spare`). */
const RESERVE = 0.2;
/** Under this a bank may switch off, A (`hold-current`). */
const BANK_HOLD = 0.1;
/** Ratings that plug-in supplies are sold with, A. */
const SOLD_AMPS = [1, 2, 3, 4, 5, 6, 8, 10, 15, 20];

/** What may be drawn: four fifths of the supply, no more than Probe found that the machine's rail can spare, of cells what they give. */
function spareLimit(job: Job, s: FeedSource, burst: boolean): Limit {
  if (s.kind === 'cells' && s.amps === null) {
    const cell = CELLS[s.chemistry];
    const step = derive('what the cells give', 'I_c', 'p * I_1', 'A', [
      chosen('p', 'rows side by side', s.parallel, '1', 'set in Feed', [1, 40]),
      constant('I_1', `one ${cell.words}`, burst ? cell.burstAmps : cell.longAmps, 'A', 'cells'),
    ]);
    return derivedLimit(
      'at most',
      [step],
      burst ? 'what such cells give for a moment' : 'what such cells give for long',
    );
  }
  const share = derive('four fifths of the supply', 'I_use', 'k * I_s', 'A', [
    constant('k', 'share used', 1 - RESERVE, '1', 'feed-spare'),
    chosen('I_s', 'what the supply gives', s.amps ?? NaN, 'A', 'set in Feed', [0.01, 1000]),
  ]);
  if (s.kind !== 'rail') return derivedLimit('at most', [share], `four fifths of the ${s.name || 'supply'}`);
  const rail = job.survey.rails.find((r) => r.id === s.rail);
  const spare = rail && usableAmps(rail);
  if (!spare)
    return {
      sense: 'at most',
      value: share.result.value,
      unit: 'A',
      name: 'what the rail can spare',
      origin: { from: 'prior', what: 'nobody loaded this rail in Probe' },
    };
  return s.amps === null || spare.amps < share.result.value
    ? derivedLimit('at most', spare.steps, 'what the machine’s rail can spare')
    : derivedLimit('at most', [share], 'four fifths of the supply');
}

/** A source with something set anew. */
export const putSource = (s: FeedSource, set: Partial<FeedSource>, say: string): JobEdit => ({
  do: 'put',
  list: 'feed.sources',
  item: { ...s, ...set },
  say,
});

/** Whether what a source gives is said or read at all. */
function unsaid(job: Job, s: FeedSource): boolean {
  const rail = s.kind === 'rail' ? job.survey.rails.find((r) => r.id === s.rail) : undefined;
  return (
    sourceVolts(job, s) === null ||
    (s.amps === null && s.kind !== 'cells' && !(s.kind === 'rail' && rail && usableAmps(rail)))
  );
}

/** A source by its name, where there is more than one. */
const calledOf = (r: SupplyRun, s: FeedSource): string =>
  r.tree.nodes.filter((n) => n.kind === 'source').length > 1 ? `${s.name}: ` : '';

/** What is drawn at the peak, or for long, against what the source may give. */
function drawFinding(job: Job, r: SupplyRun, place: number, s: FeedSource, word: 'lasting' | 'peak'): Finding {
  const isPeak = word === 'peak';
  const w = isPeak ? itemAt(r.peak, place) : itemAt(r.lasting, place);
  const steps = currentSteps(r, place, w, word);
  const limit = spareLimit(job, s, isPeak);
  const drawn = lastItem(steps).result.value;
  const within = s.kind === 'cells' ? 'what the cells give' : 'four fifths of the supply';
  return judged('feed', firstOr(place === 0, word, s.id), {
    title: `${calledOf(r, s)}${isPeak ? 'Peak draw' : 'Draw that lasts'} under ${within}`,
    caption: isPeak ? 'peak draw' : 'lasting draw',
    steps: named(steps, `${isPeak ? 'peak draw' : 'draw that lasts'}: ${whenWords(r, w)}`),
    limit,
    tightShare: NEAR,
    source: ['feed-loads'],
    remedy: drawn > limit.value ? strongerSource(s, drawn) : null,
  });
}
/** From this share before a limit on a draw is tight, and a stronger source is chosen to keep clear of it. */
const NEAR = 0.1;

/** The next size that is sold, where the source is one that can be bought stronger. */
function strongerSource(s: FeedSource, drawn: number): Remedy {
  const amps = SOLD_AMPS.find((a) => a * (1 - RESERVE) * (1 - NEAR) >= drawn);
  if (s.kind === 'rail' || s.kind === 'cells' || !amps)
    return { text: 'It gives no more: take a supply of its own for what draws most.' };
  const size = formatQuantity(amps, 'A');
  return {
    text: `Take a supply of ${size}, or let less run at once.`,
    label: `Take one of ${size}`,
    edit: putSource(s, { amps }, `${s.name} of ${size}`),
  };
}

/** A source against what is drawn from it. */
export function judgeSource(job: Job, facts: Facts, r: SupplyRun, place: number, s: FeedSource): Finding[] {
  const id = (name: string): string => firstOr(place === 0, name, s.id);
  const called = calledOf(r, s);
  if (unsaid(job, s))
    return [
      finding('feed', id('supply'), {
        verdict: 'unknown',
        title: `${called}What the ${s.name} gives is not said`,
        caption: 'supply not said',
        remedy: {
          text:
            s.kind === 'rail'
              ? 'Read its volts without and with a load in Probe, or say what it gives.'
              : 'Its plate says how many volts and amperes it gives.',
        },
      }),
    ];
  if (!(itemAt(r.peak, place).value > 0))
    return [
      finding('feed', id('loads'), {
        verdict: 'unknown',
        title: `${called}Nothing is known to hang on the ${s.name === 'supply' || called ? 'supply' : s.name} yet`,
        caption: 'no loads yet',
        remedy: { text: 'Choose a controller in Board and a way of pressing in Thumb.' },
      }),
    ];
  const peak = drawFinding(job, r, place, s, 'peak');
  const gives = present(peak.limit);
  const spare = derive('spare at the peak', 'spare', '100 * (1 - I_peak / I_limit)', '%', [
    { ...carried(lastItem(peak.steps)), symbol: 'I_peak' },
    {
      symbol: 'I_limit',
      name: gives.name,
      value: gives.value,
      unit: 'A',
      origin: { from: 'computed', what: gives.name },
    },
  ]);
  return [
    drawFinding(job, r, place, s, 'lasting'),
    peak,
    summary('feed', id('spare'), {
      verdict: peak.verdict,
      title: `${called}Spare at the peak`,
      caption: Number.isFinite(spare.result.value)
        ? `${Math.max(0, Math.round(spare.result.value))} % spare`
        : 'spare not known',
      value: spare.result,
      steps: [...peak.steps, renamed(spare, lastItem(peak.steps))],
      source: ['feed-loads'],
    }),
    ...holdFinding(job, facts, r, place, s, id('hold')),
  ];
}

/** The step by which a chain goes on takes the name that the chain gave its last one. */
const renamed = (step: Step, last: Step): Step => ({
  ...step,
  formula: step.formula.replace('I_peak', last.symbol),
  inputs: step.inputs.map((i) => (i.symbol === 'I_peak' ? { ...i, symbol: last.symbol } : i)),
});
const named = (steps: readonly Step[], what: string): readonly Step[] => [
  ...steps.slice(0, -1),
  { ...lastItem(steps), what },
];

/**
 * What is drawn from a source while nothing moves, with the controller asleep where it sleeps, A; null where nobody knows what it draws
 * then.
 */
function restAmps(job: Job, facts: Facts, r: SupplyRun, place: number): number | null {
  const rest = realAt(r.at({ value: 0, course: 0, instant: 0 }, 'lasting').amps, place);
  const board = r.loads.find((l) => l.id === CONTROLLER);
  const node = board && r.tree.nodes[board.place];
  if (!board || node?.source !== place || job.feed.duty.sleeps === 'no') return rest;
  if (job.feed.duty.sleeps === 'unknown') return null;
  const { sleepAmps, into } = job.feed.duty;
  const asleep = sleepAmps ?? (into === 'chip' ? facts.drive?.chipSleepAmps : facts.drive?.sleepAmps) ?? null;
  // Converters between draw on: in proportion they only take less, so this is no less than it is.
  return asleep === null ? null : Math.max(0, rest - board.runAmps + asleep);
}

/** A bank that switches off while next to nothing is drawn. */
function holdFinding(job: Job, facts: Facts, r: SupplyRun, place: number, s: FeedSource, id: string): Finding[] {
  if (s.kind !== 'bank') return [];
  const atRest = restAmps(job, facts, r, place);
  if (atRest === null)
    return [
      finding('feed', id, {
        verdict: 'unknown',
        title: 'What is drawn from the power bank while the controller sleeps is not known',
        caption: 'bank stays on?',
        source: ['hold-current'],
        remedy: {
          text: 'Measure it with a milliampere meter in its lead, and enter it in Feed under what is drawn asleep.',
        },
      }),
    ];
  const draw = derive('draw at rest', 'I_rest', 'I_0', 'A', [
    {
      symbol: 'I_0',
      name: 'everything at rest',
      value: atRest,
      unit: 'A',
      origin: { from: 'computed', what: 'the tree at rest, the controller asleep where it sleeps' },
    },
  ]);
  const hold = s.holdAmps ?? BANK_HOLD;
  return [
    judged('feed', id, {
      title: 'Draw at rest against what keeps a power bank on',
      caption: 'bank stays on?',
      steps: [draw],
      limit: {
        ...atMost(0, 'A', '', { from: 'source', key: 'hold-current' }),
        sense: 'at least',
        value: hold,
        name: 'under this it switches off',
        origin: s.holdAmps === null ? { from: 'source', key: 'hold-current' } : { from: 'maker', what: 'set in Feed' },
      },
      tightShare: 0.1,
      remedy:
        atRest < hold
          ? {
              text: 'Take cells or a plug-in supply, or a bank that says that it stays on; a load that only keeps it awake empties it.',
            }
          : null,
    }),
  ];
}
