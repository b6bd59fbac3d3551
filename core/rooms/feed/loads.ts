import type { Facts, PressFact } from '../../ground/facts';
import type { Origin } from '../../ground/finding';
import { throughTransistor } from '../../build/lines';
import { CONTROLLER, isJointWay, lineId, type Job, type Sign } from '../../ground/job';
import type { Interval } from '../../ground/quantity';
import { placeOf, type SupplyTree } from '../../engines/supply';

/** Something that draws from a supply. */
export interface FedLoad {
  readonly id: string;
  readonly name: string;
  /** The press that it works with; empty where it works at any time. */
  readonly press: string;
  /** Place in the tree of what it hangs on; −1 where nobody said. */
  readonly place: number;
  /** Between which voltages it works; null for what takes whatever the controller's rail has. */
  readonly volts: Interval | null;
  readonly current: 'dc' | 'ac';
  /** At rest, at work, and for a moment at its start, A; NaN where nobody said or read it. */
  readonly idleAmps: number;
  readonly runAmps: number;
  readonly startAmps: number;
  readonly startSeconds: number;
  readonly origin: Origin;
  /** Where the bounds of its voltage come from. */
  readonly voltsOrigin: Origin;
  /** Its minus and the controller's ground must be one. */
  readonly sharesGround: boolean;
  /** Coils and drivers stand in the box; motors and the maker's own loads outside. */
  readonly inBox: boolean;
}

/** What the controller's presses draw through its own pins, each while it presses, A. */
export const pinAmpsOf = (presses: readonly PressFact[]): ReadonlyMap<string, number> =>
  // Two contacts in series press from two pins at once; directions of a motor never do.
  new Map(presses.map((p) => [p.id, Math.max(0, p.pinAmps) * (isJointWay(p.way) ? p.outputs : 1)]));

const LOAD_RANGE: Origin = { from: 'source', key: 'load-range' };

/** The controller: its bursts may come at any instant. */
function controllerLoad(job: Job, facts: Facts, tree: SupplyTree): FedLoad[] {
  const d = facts.drive;
  // A bought switch feeds itself.
  if (!d || d.module) return [];
  const source: Origin = { from: 'source', key: d.source };
  const chip = job.feed.duty.into === 'chip';
  return [
    {
      id: CONTROLLER,
      name: d.controller,
      press: '',
      place: placeOf(job.feed, tree, CONTROLLER),
      volts: chip ? (d.chipVolts ?? { low: NaN, nominal: NaN, high: NaN }) : d.supplyVolts,
      current: 'dc',
      idleAmps: d.meanAmps,
      runAmps: d.meanAmps,
      startAmps: d.peakAmps,
      startSeconds: 0,
      origin: source,
      voltsOrigin: source,
      sharesGround: true,
      inBox: false,
    },
  ];
}

/** Between which volts a sign works that a transistor switches: it hangs on the controller's own supply; any will do for one on a pin. */
const signVolts = (sign: Sign): FedLoad['volts'] =>
  throughTransistor(sign) && sign.volts !== null
    ? { low: (1 - SIGN_SHARE) * sign.volts, nominal: sign.volts, high: (1 + SIGN_SHARE) * sign.volts }
    : null;
/** A lamp or a beeper works from four fifths to six fifths of what it is made for (`load-range`). */
const SIGN_SHARE = 0.2;

/** Everything that draws: the controller, signs on its pins, what presses draw, and the maker's own loads. */
export function loadsOf(job: Job, facts: Facts, tree: SupplyTree): FedLoad[] {
  const several = facts.presses.length > 1;
  const at = (load: string): number => placeOf(job.feed, tree, load);
  return [
    ...controllerLoad(job, facts, tree),
    ...job.signs.map((sign): FedLoad => ({
      id: sign.id,
      name: sign.name,
      press: '',
      place: at(CONTROLLER),
      volts: signVolts(sign),
      current: 'dc',
      idleAmps: sign.amps,
      runAmps: sign.amps,
      startAmps: sign.amps,
      startSeconds: 0,
      origin: { from: 'maker', what: 'set in Board; taken as if it were always on' },
      voltsOrigin: LOAD_RANGE,
      sharesGround: true,
      inBox: false,
    })),
    ...facts.presses.flatMap((press) =>
      press.draws.map((d): FedLoad => {
        const id = lineId(press.id, d.part);
        return {
          id,
          name: several ? `${press.name}: ${d.name}` : d.name,
          press: press.id,
          place: at(id),
          volts: d.volts,
          current: 'dc',
          idleAmps: d.idleAmps,
          runAmps: d.runAmps ?? NaN,
          startAmps: Math.max(d.startAmps ?? 0, d.runAmps ?? NaN),
          startSeconds: d.startSeconds,
          origin: d.origin,
          voltsOrigin: LOAD_RANGE,
          sharesGround: d.sharesGround,
          inBox: d.part === '',
        };
      }),
    ),
    ...job.feed.loads.map((l): FedLoad => ({
      id: l.id,
      name: l.name,
      press: l.runsWith,
      place: at(l.id),
      volts: { low: l.leastVolts, nominal: (l.leastVolts + l.mostVolts) / 2, high: l.mostVolts },
      current: l.current,
      idleAmps: l.idleAmps,
      runAmps: Math.max(l.amps, l.idleAmps),
      startAmps: Math.max(l.startAmps ?? 0, l.amps, l.idleAmps),
      startSeconds: l.startSeconds,
      origin: { from: 'maker', what: 'set in Feed' },
      voltsOrigin: { from: 'maker', what: 'set in Feed' },
      sharesGround: false,
      inBox: false,
    })),
  ];
}
