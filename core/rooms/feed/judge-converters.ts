import { itemAt, lastItem } from '../../ground/lists';
import {
  atLeast,
  atMost,
  carried,
  chosen,
  computed,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
} from '../../ground/finding';
import type { FeedConverter, Job, JobEdit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { STEP_UP_STARTS } from '../../engines/electrics';
import type { SupplyNode } from '../../engines/supply';
import { airCelsius } from './box';
import { converterInput, currentSteps, mostSteps, whenWords } from './explain';

import type { SupplyRun } from './supply-run';

type Converter = Extract<SupplyNode, { item: FeedConverter }>;

/** Junction to air, K/W, and the junction that is too hot and the one that is warm, °C (`regulator-heat`). */
const TO_AIR = { 'to-220': 65, 'sot-223': 100, module: 65 } as const;
const TOO_HOT = 125;
const WARM = 100;

const put = (item: FeedConverter, say: string): JobEdit => ({ do: 'put', list: 'feed.converters', item, say });

/** A linear regulator's junction: what it turns into heat of what lasts, with its input at its highest. */
function heat(job: Job, r: SupplyRun, place: number, n: Converter): Finding[] {
  if (n.kind !== 'linear' || n.parent < 0) return [];
  const w = itemAt(r.lasting, place);
  const amps = currentSteps(r, place, w, 'lasting');
  const most = mostSteps(job, r, n.parent);
  const air = airCelsius(job, r);
  const power = derive(
    'heat in the regulator',
    'P',
    `(${lastItem(most).symbol} - V_out) * ${lastItem(amps).symbol}`,
    'W',
    [
      carried(lastItem(most)),
      // What it makes is told by what hangs on it: it is no answer to its own heat.
      {
        symbol: 'V_out',
        name: 'what it makes',
        value: n.item.volts,
        unit: 'V',
        origin: { from: 'maker', what: 'set in Feed' },
      },
      carried(lastItem(amps)),
    ],
  );
  const junction = derive('its junction', 'T_j', `${lastItem(air).symbol} + θ * P`, '°C', [
    carried(lastItem(air)),
    constant('θ', 'junction to air, without a heat sink, K/W', TO_AIR[n.item.package], '1', 'regulator-heat'),
    carried(power),
  ]);
  const hot = junction.result.value;
  const down: FeedConverter = { ...n.item, kind: 'step-down', package: 'module', dropVolts: null, efficiency: null };
  return [
    judged('feed', `heat@${n.id}`, {
      title: `Heat of the ${n.name}`,
      caption: 'regulator heat',
      steps: [...most, ...amps, ...air, power, junction],
      limit: atMost(TOO_HOT, '°C', 'most that its junction bears', { from: 'source', key: 'regulator-heat' }),
      verdict: hot > TOO_HOT ? 'stop' : hot > WARM ? 'tight' : 'settled',
      source: ['regulator-heat'],
      remedy:
        hot > WARM
          ? {
              text: 'A step-down converter turns most of that into current instead of heat.',
              label: 'Make it a step-down converter',
              edit: put(down, `${n.name}: a step-down converter instead of a linear regulator`),
            }
          : null,
    }),
  ];
}

/** A converter rectifies nothing: alternating current goes the wrong way round through it half of the time. */
function rectified(r: SupplyRun, n: Converter): Finding[] {
  const source = r.tree.nodes[n.source];
  if (source?.kind !== 'source' || source.item.kind === 'mains-module' || source.item.current !== 'ac') return [];
  return [
    finding('feed', `rectified@${n.id}`, {
      verdict: 'stop',
      title: `The ${source.name} gives alternating current, and nothing before the ${n.name} rectifies it`,
      caption: 'no rectifier',
      source: ['cautions'],
      remedy: {
        text: 'Take a supply of direct current: a rectifier of your own makes 1.4 times the volts, and wants a capacitor behind it.',
      },
    }),
  ];
}

/** A converter's headroom, the most at its input, its rating, and the heat of a linear one. */
export function judgeConverter(job: Job, r: SupplyRun, place: number, n: Converter): Finding[] {
  const above = n.parent < 0 ? undefined : r.least[n.parent];
  const fed = above && !Number.isNaN(above.value);
  return [
    ...rectified(r, n),
    ...(fed
      ? [
          headroomFinding(job, r, n, above),
          inputFinding(job, r, n),
          ...(n.kind === 'step-up' ? [startsFinding(r, n, above)] : []),
        ]
      : []),
    ratingFinding(r, place, n),
    ...heat(job, r, place, n),
  ];
}

/** Its input against its output: over it by what the converter needs, or under it for one that steps up. */
function headroomFinding(job: Job, r: SupplyRun, n: Converter, above: SupplyRun['least'][number]): Finding {
  const set = chosen('V_out', `${n.name} is set to`, n.item.volts, 'V', 'set in Feed', [0.5, 100]);
  if (n.kind === 'step-up') {
    const most = mostSteps(job, r, n.parent);
    return judged('feed', `headroom@${n.id}`, {
      title: `A step-up converter wants less at its input than it makes: the ${n.name}`,
      caption: 'input too high',
      steps: most,
      limit: derivedLimit('at most', [derive('its output', 'V_o', 'V_out', 'V', [set])], 'its output'),
      tightShare: 0.02,
      remedy: lastItem(most).result.value > n.item.volts ? { text: 'Take a step-down converter.' } : null,
    });
  }
  const input = derive(`volts into the ${n.name}, at the worst instant`, 'V_in', 'V_i', 'V', [
    computed('V_i', 'volts before it', above.value, 'V', `the tree, ${whenWords(r, above)}`),
  ]);
  const want = derive('least input', 'V_want', 'V_out + V_d', 'V', [
    set,
    converterInput(n, 'dropVolts', 'V_d', 'what it needs above its output'),
  ]);
  return judged('feed', `headroom@${n.id}`, {
    title: `Headroom of the ${n.name}`,
    caption: 'headroom',
    steps: [input],
    limit: derivedLimit('at least', [want], 'its output and what it needs above that'),
    tightShare: 0.02,
    remedy:
      input.result.value < want.result.value
        ? { text: 'Take a higher supply, or a regulator that needs less above its output.' }
        : null,
  });
}

/** A step-up converter makes nothing of less than its start-up voltage, at the worst instant of all. */
function startsFinding(r: SupplyRun, n: Converter, above: SupplyRun['least'][number]): Finding {
  return judged('feed', `starts@${n.id}`, {
    title: `Least input of the ${n.name} against what a step-up converter starts at`,
    caption: 'starts',
    steps: [
      derive(`volts into the ${n.name}, at the worst instant`, 'V_in', 'V_i', 'V', [
        computed('V_i', 'volts before it', above.value, 'V', `the tree, ${whenWords(r, above)}`),
      ]),
    ],
    limit: atLeast(STEP_UP_STARTS, 'V', 'what such a converter starts at', { from: 'source', key: 'converters' }),
    tightShare: 0.2,
    remedy:
      above.value < STEP_UP_STARTS
        ? { text: 'Take a higher supply, or more cells in a row: under that it gives nothing.' }
        : null,
  });
}

function inputFinding(job: Job, r: SupplyRun, n: Converter): Finding {
  if (n.item.mostVolts === null)
    return finding('feed', `input@${n.id}`, {
      verdict: 'unknown',
      title: `How much the input of the ${n.name} bears is not said`,
      caption: 'input bears?',
      remedy: { text: 'Its sheet says so; enter it beside the converter.' },
    });
  return judged('feed', `input@${n.id}`, {
    title: `Highest input of the ${n.name}`,
    caption: 'input too high?',
    steps: mostSteps(job, r, n.parent),
    limit: atMost(n.item.mostVolts, 'V', 'most that its input bears', { from: 'maker', what: 'set in Feed' }),
    tightShare: 0.05,
  });
}

/** Ratings that converters are sold with, A, and the share of one that is used for long (`feed-spare`). */
const SOLD_AMPS = [0.5, 1, 1.5, 2, 3, 5, 8, 10];
const USED_SHARE = 0.8;

function ratingFinding(r: SupplyRun, place: number, n: Converter): Finding {
  if (n.item.amps === null)
    return finding('feed', `rating@${n.id}`, {
      verdict: 'unknown',
      title: `How much the ${n.name} gives is not said`,
      caption: 'converter rating?',
      remedy: { text: 'Enter its rating; modules often bear half of what is printed for long.' },
    });
  const steps = currentSteps(r, place, itemAt(r.peak, place), 'peak');
  const wanted = SOLD_AMPS.find((a) => USED_SHARE * a >= lastItem(steps).result.value);
  const use = derive('four fifths of its rating', 'I_use', 'k * I_c', 'A', [
    constant('k', 'share used', USED_SHARE, '1', 'feed-spare'),
    chosen('I_c', 'its rating', n.item.amps, 'A', 'set in Feed', [0.01, 100]),
  ]);
  return judged('feed', `rating@${n.id}`, {
    title: `Worst current out of the ${n.name} under four fifths of its rating`,
    caption: 'converter load',
    steps,
    limit: derivedLimit('at most', [use], 'four fifths of its rating'),
    tightShare: 0.02,
    remedy:
      wanted && wanted > n.item.amps
        ? {
            text: `Take one of ${formatQuantity(wanted, 'A')}.`,
            label: `Take one of ${formatQuantity(wanted, 'A')}`,
            edit: put({ ...n.item, amps: wanted }, `${n.name} of ${formatQuantity(wanted, 'A')}`),
          }
        : null,
  });
}
