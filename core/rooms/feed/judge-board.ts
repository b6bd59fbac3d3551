import { itemAt, lastItem, realAt } from '../../ground/lists';
import { atMost, carried, chosen, constant, derive, finding, judged, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import { CONTROLLER, type Job } from '../../ground/job';
import { airCelsius } from './box';
import { capacitorAt, holdUp } from './capacitor';
import { mostSteps } from './explain';
import type { SupplyRun } from './supply-run';

/** Junction to air of the flat chip on a board, K/W, and the junction that is too hot and the one that is warm, °C (`regulator-heat`). */
const FLAT = 100;
const TOO_HOT = 125;
const WARM = 100;

/** The board's own linear regulator, with its input at its highest and what lasts through it; and how long its capacitor carries it. */
export function boardSupplyFindings(job: Job, facts: Facts, r: SupplyRun): Finding[] {
  const d = facts.drive;
  const load = r.loads.find((l) => l.id === CONTROLLER);
  if (!d || !load || load.place < 0 || itemAt(r.tree.nodes, load.place).source < 0) return [];
  const hold = holdFinding(r, load.place, load.volts?.low ?? NaN);
  if (job.feed.duty.into !== 'board' || d.regulator !== 'linear') return hold;
  const most = mostSteps(job, r, load.place);
  if (!most.length || Number.isNaN(lastItem(most).result.value)) return hold;
  const air = airCelsius(job, r);
  const source = { from: 'source', key: d.source } as const;
  const amps = derive('what lasts through the board’s regulator', 'I', 'I_m', 'A', [
    { symbol: 'I_m', name: `mean draw of the ${d.controller}`, value: d.meanAmps, unit: 'A', origin: source },
  ]);
  const power = derive('heat in it', 'P', `(${lastItem(most).symbol} - V_pins) * I`, 'W', [
    carried(lastItem(most)),
    { symbol: 'V_pins', name: 'what it makes', value: d.pinVolts, unit: 'V', origin: source },
    carried(amps),
  ]);
  const junction = derive('its junction', 'T_j', `${lastItem(air).symbol} + θ * P`, '°C', [
    carried(lastItem(air)),
    constant('θ', 'junction to air of a flat chip, K/W', FLAT, '1', 'regulator-heat'),
    carried(power),
  ]);
  const hot = junction.result.value;
  return [
    judged('feed', 'board-heat', {
      about: { nodes: [CONTROLLER] },
      title: `Heat of the regulator on the ${d.controller}`,
      caption: 'board’s regulator',
      steps: [...most, amps, ...air, power, junction],
      limit: atMost(TOO_HOT, '°C', 'most that its junction bears', { from: 'source', key: 'regulator-heat' }),
      verdict: hot > TOO_HOT ? 'stop' : hot > WARM ? 'tight' : 'settled',
      source: ['regulator-heat'],
      remedy:
        hot > WARM
          ? { text: 'Feed the board with less: a step-down converter of its nominal voltage before it.' }
          : null,
    }),
    ...hold,
  ];
}

/** How long the capacitor carries the controller once its supply is gone. */
function holdFinding(r: SupplyRun, place: number, least: number): Finding[] {
  const rest = r.at({ value: 0, course: 0, instant: 0 }, 'lasting');
  const step = holdUp(r, place, realAt(rest.volts, place), least, realAt(rest.amps, place));
  return step
    ? [
        finding('feed', 'hold-up', {
          about: { nodes: [capacitorAt(r, place)?.id ?? ''] },
          verdict: 'settled',
          title: 'The capacitor alone carries the controller for',
          caption: 'hold-up',
          value: step.result,
          steps: [step],
          source: ['capacitor-loss'],
        }),
      ]
    : [];
}

/** What the addition draws at the plug, as read, over a year, and what that costs. */
export function standingFindings(job: Job): Finding[] {
  const { withoutWatts, withWatts, pricePerKilowattHour: price } = job.feed.standing;
  if (withoutWatts === null && withWatts === null) return [];
  if (withoutWatts === null || withWatts === null)
    return [
      finding('feed', 'standing', {
        verdict: 'unknown',
        title: 'The draw at the plug was read once: with and without the addition makes a difference',
        caption: 'standing draw?',
        remedy: { text: 'Read the watts at the plug at rest, once with the addition and once without.' },
      }),
    ];
  const read = (symbol: string, name: string, value: number) =>
    ({
      symbol,
      name,
      value,
      unit: 'W',
      origin: { from: 'measured', at: '', what: 'read at the plug, entered in Feed' },
    }) as const;
  const more = derive('standing draw of the addition', 'P_add', 'P_with - P_without', 'W', [
    read('P_with', 'with it', withWatts),
    read('P_without', 'without it', withoutWatts),
  ]);
  const year = derive('kilowatt-hours of a year', 'E', 'P_add * h / 1000', '1', [
    carried(more),
    constant('h', 'hours of a year', 8766, '1', 'si'),
  ]);
  const cost =
    price === null
      ? []
      : [
          derive(`cost of a year, ${job.bench.currency}`, 'c', 'E * p', '1', [
            carried(year),
            chosen('p', 'a kilowatt-hour', price, '1', 'set in Feed', [0, 10]),
          ]),
        ];
  const costs = cost.map((c) => `, ${c.result.value.toFixed(2)} ${job.bench.currency}`).join('');
  const words = `${year.result.value.toFixed(1)} kWh a year${costs}`;
  return [
    finding('feed', 'standing', {
      verdict: more.result.value < 0 ? 'tight' : 'settled',
      title:
        more.result.value < 0
          ? 'With the addition less was read than without: read both again at the same state of the machine'
          : `Standing draw of the addition: ${words}`,
      caption: 'standing draw',
      value: more.result,
      steps: [more, year, ...cost],
    }),
  ];
}
