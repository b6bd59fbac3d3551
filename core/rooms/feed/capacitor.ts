import { itemAt, present, realAt } from '../../ground/lists';
import { carried, chosen, computed, constant, derive, type Input, type Step } from '../../ground/finding';
import { CONTROLLER, type FeedLink, type Job } from '../../ground/job';
import { isConverter, placeOf } from '../../engines/supply';
import { linkOhms, ohmsOfSource } from '../../engines/electrics';
import type { SupplyRun } from './supply-run';

/** Share of its value that an electrolytic capacitor keeps, and its series resistance, Ω (`capacitor-loss`). */
const KEPT = 0.8;
const SERIES_OHMS = 0.1;
/** A radio burst lasts this long at most, s (`burst-length`). */
const BURST_SECONDS = 0.005;
/** Sizes that are sold, F. */
const SOLD = [100e-6, 220e-6, 470e-6, 1e-3, 2.2e-3, 3.3e-3, 4.7e-3, 10e-3];

/** The capacitor across a part of the tree, of which something is said; undefined where there is none. */
export function capacitorAt(r: SupplyRun, place: number): FeedLink | undefined {
  for (const i of r.tree.below[place] ?? []) {
    const n = itemAt(r.tree.nodes, i);
    if (n.kind === 'capacitor' && n.item.farads) return n.item;
  }
  return undefined;
}

/** From what holds its voltage (a source's inside, a converter's output) down to a part: places, the holding one first. */
function region(r: SupplyRun, place: number): number[] {
  const out: number[] = [];
  for (let i = place; i >= 0; i = itemAt(r.tree.nodes, i).parent) {
    out.unshift(i);
    if (isConverter(itemAt(r.tree.nodes, i))) break;
  }
  return out;
}

const ohmsAt = (job: Job, r: SupplyRun, i: number): number => {
  const n = itemAt(r.tree.nodes, i);
  return n.kind === 'source' ? ohmsOfSource(job, n.item).ohms : isConverter(n) ? 0 : linkOhms(n.item);
};

/** Resistance that a part sees, and that which it shares with another, Ω. */
export function sharedOhms(job: Job, r: SupplyRun, place: number, other = place): number {
  const there = new Set(region(r, other));
  return region(r, place).reduce((sum, i) => sum + (there.has(i) ? ohmsAt(job, r, i) : 0), 0);
}

/**
 * How far a burst pulls a voltage down with a capacitor across it: with nothing but the resistance R before it and the capacitor's own
 * R_C, the current I that flows through R_t of it for t leaves I·R_t·(1 − R/(R + R_C)·exp(−t/((R + R_C)·C))).
 */
const DIP = 'I_b * R_t * (1 - R / (R + R_C) * exp(-t_b / ((R + R_C) * C)))';

interface Held {
  readonly volts: number;
  readonly steps: readonly Step[];
}

/**
 * Least volts at a part that has a capacitor across it, over all courses: starts and runs follow the charge of the capacitor from
 * instant to instant, exactly, and a controller's burst may begin at any of them. Null where no capacitor stands there, or nothing
 * before it has a resistance.
 */
export function leastHeld(job: Job, r: SupplyRun, place: number): Held | null {
  const capacitor = capacitorAt(r, place);
  const ohms = sharedOhms(job, r, place);
  if (!capacitor || !(ohms > 0)) return null;
  const farads = present(capacitor.farads) * KEPT;
  const own = capacitor.ohms ?? SERIES_OHMS;
  const tau = (ohms + own) * farads;
  let worst = Infinity;
  for (const [course, c] of r.courses.entries()) {
    // Bursts are counted below; what starts and runs is counted here.
    const steady = c.instants.map((_, instant) => realAt(r.calm({ value: 0, course, instant }).volts, place));
    let charge = realAt(r.calm({ value: 0, course: 0, instant: 0 }).volts, place);
    for (const [i, x] of c.instants.entries()) {
      const to = itemAt(steady, i);
      const seen = (): number => (to * own + charge * ohms) / (ohms + own);
      worst = Math.min(worst, seen());
      charge = to + (charge - to) * Math.exp(-x.seconds / tau);
      worst = Math.min(worst, seen());
    }
  }
  const controller = r.loads.find((l) => l.id === CONTROLLER);
  const burst = controller && controller.place >= 0 ? controller.startAmps - controller.runAmps : 0;
  const through = controller ? sharedOhms(job, r, place, placeOf(job.feed, r.tree, CONTROLLER)) : 0;
  const calm = computed(
    'V_calm',
    'least volts between bursts',
    worst,
    'V',
    'the charge of the capacitor followed over every course',
  );
  const value: Input = chosen('C_n', capacitor.name, present(capacitor.farads), 'F', 'set in Feed', [1e-6, 1]);
  const kept = derive('what is left of the capacitor', 'C', 'k * C_n', 'F', [
    constant('k', 'kept', KEPT, '1', 'capacitor-loss'),
    value,
  ]);
  const dip = derive('what a burst takes from it', 'ΔV', DIP, 'V', [
    computed('I_b', 'burst of the controller above its mean', Math.max(0, burst), 'A', 'the board’s values, in Board'),
    computed('R_t', 'resistance that both go through', through, 'Ω', 'the path from the source'),
    computed('R', 'resistance before the capacitor', ohms, 'Ω', 'the path from the source'),
    capacitor.ohms === null
      ? constant('R_C', 'in series with it', SERIES_OHMS, 'Ω', 'capacitor-loss')
      : chosen('R_C', 'in series with it', own, 'Ω', 'set in Feed', [0, 10]),
    constant('t_b', 'length of a burst', BURST_SECONDS, 's', 'burst-length'),
    carried(kept),
  ]);
  const least = derive('least volts with the capacitor', 'V_in', 'V_calm - ΔV', 'V', [calm, carried(dip)]);
  return { volts: least.result.value, steps: [kept, dip, least] };
}

/**
 * The capacitor that is sold and carries a burst over a drop of so many volts; null where none does, since what lasts takes more.
 * @param amps of the burst above what lasts; @param ohms before it; @param volts that may be lost beside what lasts.
 */
export function capacitorFor(amps: number, ohms: number, volts: number): number | null {
  if (volts <= 0) return null;
  const lost = (farads: number): number =>
    amps *
    ohms *
    (1 - (ohms / (ohms + SERIES_OHMS)) * Math.exp(-BURST_SECONDS / ((ohms + SERIES_OHMS) * farads * KEPT)));
  return SOLD.find((farads) => lost(farads) <= volts) ?? null;
}

/** How long a capacitor alone carries a current until its voltage has fallen so far: t = C·ΔV/I, s. */
export function holdUp(r: SupplyRun, place: number, from: number, to: number, amps: number): Step | null {
  const capacitor = capacitorAt(r, place);
  if (!capacitor || !(amps > 0) || from <= to) return null;
  return derive('time that the capacitor carries it alone', 't', 'k * C_n * (V_0 - V_least) / I', 's', [
    constant('k', 'kept', KEPT, '1', 'capacitor-loss'),
    chosen('C_n', capacitor.name, present(capacitor.farads), 'F', 'set in Feed', [1e-6, 1]),
    computed('V_0', 'its volts at the beginning', from, 'V', 'the tree at rest'),
    computed('V_least', 'least that the controller runs from', to, 'V', 'the board’s values, in Board'),
    computed('I', 'what hangs on it', amps, 'A', 'what lasts, at rest'),
  ]);
}
