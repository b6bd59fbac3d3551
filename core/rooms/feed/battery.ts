import { itemAt, present, realAt } from '../../ground/lists';
import { carried, chosen, computed, constant, derive, type Input, type Step } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import { CONTROLLER, type FeedSource, type Job } from '../../ground/job';
import { cellOhms, CELLS, cellVolts } from '../../engines/supply';
import type { FedLoad } from './loads';
import { solve, type Network } from './network';
import type { SupplyRun } from './supply-run';

/** Hours of a month of the mean year. */
const MONTH_HOURS = 8766 / 12;
const DAY_SECONDS = 86400;
/** What cells hold of their usual charge, and how far a sleeping draw that nobody measured may be off (`battery-aging`). */
const HOLDS: readonly [number, number, number] = [0.8, 1, 1.05];
const UNMEASURED: readonly [number, number, number] = [3, 1, 1];

/** How long a row of cells lasts. */
export interface Life {
  readonly months: readonly [low: number, usual: number, high: number];
  /** Share of the charge that is used before the first load has too little; 0 where not even fresh cells run it. */
  readonly usable: number;
  readonly steps: readonly Step[];
  /** Parts of the average draw: asleep, awake, by itself, A. */
  readonly parts: { readonly asleep: number; readonly awake: number; readonly self: number };
  /** Wakes in a day, and the draw asleep at the cells, A, for what halves and doubles it. */
  readonly wakesPerDay: number;
}

/** What is missing before a life can be told. */
export type NoLife = 'sleep' | 'wakes' | 'sleep-draw' | 'awake';

/** The tree with the cells of one source as they are after a share of their charge. */
function withTaken(net: Network, place: number, s: FeedSource, taken: number): Network {
  const cell = CELLS[s.chemistry];
  const volts = Float64Array.from(net.volts);
  const ohms = Float64Array.from(net.ohms);
  volts[place] = s.series * cellVolts(cell, taken);
  ohms[place] = s.ohms ?? (s.series / s.parallel) * cellOhms(cell, taken);
  return { ...net, volts, ohms };
}

const vector = (r: SupplyRun, of: (l: FedLoad) => number): Float64Array => {
  const out = new Float64Array(r.tree.nodes.length);
  for (const l of r.loads) if (l.place >= 0) out[l.place] = realAt(out, l.place) + (of(l) || 0);
  return out;
};

/** The greatest share of the charge after which every load on these cells still has enough at its worst instant. */
function usableShare(r: SupplyRun, place: number, s: FeedSource): number {
  const loads = r.loads.filter((l) => l.volts && l.place >= 0 && itemAt(r.tree.nodes, l.place).source === place);
  const demand = vector(r, (l) => Math.max(l.startAmps || 0, l.runAmps || 0));
  const enough = (taken: number): boolean => {
    const { volts } = solve(withTaken(r.low, place, s, taken), demand);
    const cell = CELLS[s.chemistry];
    return (
      cellVolts(cell, taken) >= cell.endVolts && loads.every((l) => realAt(volts, l.place) >= present(l.volts).low)
    );
  };
  if (!enough(0)) return 0;
  if (enough(1)) return 1;
  let [low, high] = [0, 1];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (enough(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** The controller's draw asleep: as measured, else as the board's values have it; null where it does not sleep. */
function asleep(job: Job, facts: Facts): { amps: number; measured: boolean } | null {
  const { duty } = job.feed;
  if (duty.sleepAmps !== null) return { amps: duty.sleepAmps, measured: true };
  const amps = duty.into === 'chip' ? facts.drive?.chipSleepAmps : facts.drive?.sleepAmps;
  return amps === null || amps === undefined ? null : { amps, measured: false };
}

/** What the controller does all day, or what of it is missing. */
function dutyOf(job: Job, facts: Facts): Duty | NoLife {
  const { sleeps, wakesPerDay, wakeSeconds } = job.feed.duty;
  if (sleeps === 'unknown') return 'sleep';
  if (sleeps === 'no')
    return { sleeps: false, rest: { amps: facts.drive?.meanAmps ?? 0, measured: false }, wakes: 0, seconds: 0 };
  if (wakesPerDay === null || wakeSeconds === null) return 'wakes';
  if (wakesPerDay * wakeSeconds > DAY_SECONDS) return 'awake';
  const rest = asleep(job, facts);
  return rest ? { sleeps: true, rest, wakes: wakesPerDay, seconds: wakeSeconds } : 'sleep-draw';
}

interface Duty {
  readonly sleeps: boolean;
  /** The controller's draw at rest. */
  readonly rest: { readonly amps: number; readonly measured: boolean };
  readonly wakes: number;
  readonly seconds: number;
}

/** What a source gives while the controller draws so much; what it switches off with itself draws nothing while it sleeps. */
function sourceAmps(job: Job, r: SupplyRun, net: Network, place: number, controller: number, awake: boolean): number {
  const own = new Set(job.feed.loads.map((l) => l.id));
  const draws = (l: FedLoad): number => {
    if (l.id === CONTROLLER) return controller;
    return awake || own.has(l.id) || l.press !== '' ? l.idleAmps : 0;
  };
  return realAt(solve(net, vector(r, draws)).amps, place);
}

/** How long the cells of a source last, or what is missing before that can be told. */
export function lifeOf(job: Job, facts: Facts, r: SupplyRun, place: number, s: FeedSource): Life | NoLife {
  const plan = dutyOf(job, facts);
  if (typeof plan === 'string') return plan;
  const { sleeps, rest, wakes, seconds } = plan;
  const cell = CELLS[s.chemistry];
  const middle = withTaken(r.low, place, s, 0.5);
  const restAmps = sourceAmps(job, r, middle, place, rest.amps, !sleeps);
  const wakeAmps = sleeps ? sourceAmps(job, r, middle, place, facts.drive?.meanAmps ?? 0, true) : restAmps;
  const usable = usableShare(r, place, s);
  const cold = job.feed.box.roomCelsius;
  const charge = (holds: number): number =>
    holds * s.parallel * (s.cellAmpHours ?? cell.ampHours) * usable * coldShare(cell.coldShare, cold);
  const script = sleeps ? scriptCharge(r, place) : 0;
  const average = (asleepFactor: number): number =>
    restAmps * asleepFactor + (wakes * (seconds * Math.max(0, wakeAmps - restAmps) + script)) / DAY_SECONDS;
  const self = (s.parallel * (s.cellAmpHours ?? cell.ampHours) * cell.selfPerYear) / 8766;
  const unmeasured = sleeps && !rest.measured ? UNMEASURED : ([1, 1, 1] as const);
  const months = [0, 1, 2].map((i) => charge(itemAt(HOLDS, i)) / (average(itemAt(unmeasured, i)) + self) / MONTH_HOURS);
  return {
    months: months as unknown as Life['months'],
    usable,
    parts: { asleep: restAmps, awake: average(1) - restAmps, self },
    wakesPerDay: wakes,
    steps: lifeSteps(s, { usable, restAmps, wakeAmps, wakes, seconds, script, sleeps, cold }),
  };
}

/** What one run of the press script takes out of a source beside what is drawn at rest, A·s: each wake is taken to run it once. */
function scriptCharge(r: SupplyRun, place: number): number {
  const course = r.courses.findIndex((c) => c.id === 'script');
  if (course < 0) return 0;
  const rest = realAt(r.at({ value: 0, course: 0, instant: 0 }, 'lasting').amps, place);
  return itemAt(r.courses, course).instants.reduce(
    (sum, x, instant) =>
      sum + x.seconds * Math.max(0, realAt(r.calm({ value: 0, course, instant }).amps, place) - rest),
    0,
  );
}

const coldShare = (at0: number, celsius: number): number => at0 + (1 - at0) * Math.max(0, Math.min(1, celsius / 20));

interface LifeNumbers {
  readonly usable: number;
  readonly restAmps: number;
  readonly wakeAmps: number;
  readonly wakes: number;
  readonly seconds: number;
  readonly script: number;
  readonly sleeps: boolean;
  readonly cold: number;
}

function lifeSteps(s: FeedSource, n: LifeNumbers): Step[] {
  const cell = CELLS[s.chemistry];
  const one: Input =
    s.cellAmpHours === null
      ? constant('Q_1', `a ${cell.words}, ampere-hours`, cell.ampHours, '1', 'cells')
      : chosen('Q_1', 'one cell, ampere-hours', s.cellAmpHours, '1', 'set in Feed', [1e-3, 1000]);
  const rows = chosen('p', 'rows side by side', s.parallel, '1', 'set in Feed', [1, 40]);
  const charge = derive(
    'charge that is used, ampere-hours',
    'Q',
    'p * Q_1 * u * (k_0 + (1 - k_0) * max(0, min(1, T / 20)))',
    '1',
    [
      rows,
      one,
      computed(
        'u',
        'share used before a load has too little',
        n.usable,
        '1',
        'the tree solved at falling volts and rising resistance of the cells, at the worst instant',
      ),
      constant('k_0', 'share that is left of it at 0 °C', cell.coldShare, '1', 'cells'),
      chosen('T', 'the air around it, °C', n.cold, '1', 'set in Feed', [-40, 100]),
    ],
  );
  const rest = computed(
    'I_s',
    n.sleeps ? 'out of the cells, asleep' : 'out of the cells',
    n.restAmps,
    'A',
    'the whole tree, with the draw of its regulators',
  );
  const average = derive(
    'average draw',
    'I_avg',
    'I_s + n_w * (t_w * max(0, I_a - I_s) + q_p) / 86400 + p * Q_1 * k_y / 8766',
    'A',
    [
      rest,
      n.sleeps
        ? chosen('n_w', 'wakes in a day', n.wakes, '1', 'set in Feed', [0, 86400])
        : computed('n_w', 'wakes in a day', 0, '1', 'it does not sleep'),
      n.sleeps
        ? chosen('t_w', 'awake for', n.seconds, 's', 'set in Feed', [0, 86400])
        : computed('t_w', 'awake for', 0, 's', 'it does not sleep'),
      computed(
        'q_p',
        'what a press script takes beside that, ampere-seconds',
        n.script,
        '1',
        'each wake is taken to run it once',
      ),
      computed('I_a', 'out of the cells, awake', n.wakeAmps, 'A', 'the whole tree at the controller’s mean draw'),
      rows,
      one,
      constant('k_y', 'share that goes by itself in a year', cell.selfPerYear, '1', 'cells'),
    ],
  );
  return [
    charge,
    average,
    derive('months that they last', 't', 'Q / I_avg / h', '1', [
      carried(charge),
      carried(average),
      constant('h', 'hours of a month', MONTH_HOURS, '1', 'si'),
    ]),
  ];
}
