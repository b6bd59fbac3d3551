import type { Facts } from '../../ground/facts';
import { CONTROLLER, lineId, type Job } from '../../ground/job';
import { exactly, within } from '../../ground/quantity';
import { converterValues, CONVERTER_SPREAD, linkOhms, ohmsOfSource, openVolts } from '../../engines/electrics';
import { ZERO, type Element } from '../../engines/net';
import { isConverter, placeOf, supplyTree, type SupplyNode, type SupplyTree } from '../../engines/supply';
import type { CircuitPiece } from './piece';
import type { State } from './state';

/** A step-up converter starts from so many volts on (`converters`). */
const STEP_UP_STARTS = 0.9;

/** The supplies of a job as nodes of its circuit. */
export interface SupplyPiece extends CircuitPiece {
  /** Plus and minus of what a load hangs on; null where nobody said. */
  readonly at: (load: string) => { readonly plus: string; readonly minus: string } | null;
}

const plusOf = (id: string): string => `supply ${id} +`;

/** Whether something joins the ground of a source to the controller's: the controller itself, or a way that needs both as one. */
function joinedSources(job: Job, facts: Facts, tree: SupplyTree): ReadonlySet<number> {
  const loads = [
    CONTROLLER,
    ...facts.presses.flatMap((p) => p.draws.flatMap((d) => (d.sharesGround ? [lineId(p.id, d.part)] : []))),
  ];
  return new Set(loads.flatMap((l) => tree.nodes[placeOf(job.feed, tree, l)]?.source ?? []));
}

/** Sources, converters, leads and fuses with what draws from them. An alternating source is its peak, the worst way round. */
export function supplyPiece(job: Job, facts: Facts): SupplyPiece {
  const tree = supplyTree(job.feed);
  const joined = joinedSources(job, facts, tree);
  const minusOf = (n: SupplyNode): string => {
    const source = tree.nodes[n.source];
    return n.source < 0 || joined.has(n.source) || !source ? ZERO : `supply ${source.id} −`;
  };
  const fixed = tree.nodes.flatMap((n) => nodeElements(job, tree, n, minusOf(n)));
  const at: SupplyPiece['at'] = (load) => {
    const n = tree.nodes[placeOf(job.feed, tree, load)];
    return n && n.source >= 0 ? { plus: plusOf(n.id), minus: minusOf(n) } : null;
  };
  const dead = fixed.map(withoutPower);
  return {
    elements: (state) => (state.board ? [...fixed, ...drains(job, facts, at, state)] : dead),
    parts: [],
    at,
  };
}

/** What a supply without power is: its output lies on its ground through what bleeds its capacitors, Ω (common practice). */
const BLEEDS_OHMS = 1e3;
const withoutPower = (e: Element): Element =>
  e.is === 'source'
    ? { is: 'resistor', id: e.id, a: e.a, b: e.b, ohms: exactly(BLEEDS_OHMS) }
    : e.is === 'converter'
      ? { is: 'resistor', id: e.id, a: e.out, b: e.b, ohms: exactly(BLEEDS_OHMS) }
      : e;

function nodeElements(job: Job, tree: SupplyTree, n: SupplyNode, minus: string): Element[] {
  const out = plusOf(n.id);
  if (n.kind === 'source') {
    const open = openVolts(job, n.item);
    if (!open) return [];
    const peak = n.item.current === 'ac' ? Math.SQRT2 : 1;
    const volts = { low: open.low * peak, nominal: ((open.low + open.high) / 2) * peak, high: open.high * peak };
    return [{ is: 'source', id: n.id, a: out, b: minus, volts, ohms: exactly(ohmsOfSource(job, n.item).ohms) }];
  }
  const from = tree.nodes[n.parent];
  if (!from || n.source < 0) return [];
  const input = plusOf(from.id);
  if (!isConverter(n)) {
    const ohms = n.kind === 'capacitor' ? 0 : linkOhms(n.item);
    return [{ is: 'resistor', id: n.id, a: input, b: out, ohms: exactly(Math.max(ohms, 1e-3)) }];
  }
  const values = converterValues(n.item);
  return [
    {
      is: 'converter',
      id: n.id,
      a: input,
      b: minus,
      out,
      volts: within(n.item.volts, CONVERTER_SPREAD),
      dropVolts: exactly(values.dropVolts),
      efficiency: exactly(n.kind === 'linear' ? 0 : values.efficiency),
      idleAmps: exactly(values.idleAmps),
      startsAt: n.kind === 'step-up' ? STEP_UP_STARTS : null,
    },
  ];
}

/**
 * What draws whatever the volts: the controller with its bursts, motors and servos while they run, the maker's own loads. Coils are
 * circuits.
 */
function drains(job: Job, facts: Facts, at: SupplyPiece['at'], state: State): Element[] {
  const drain = (id: string, least: number, usual: number, most: number): Element[] => {
    const place = at(id);
    return place && Number.isFinite(most)
      ? [
          {
            is: 'drain',
            id: `load ${id}`,
            a: place.plus,
            b: place.minus,
            amps: { low: Math.min(least, usual), nominal: usual, high: Math.max(most, usual) },
          },
        ]
      : [];
  };
  const { drive } = facts;
  return [
    ...(drive ? drain(CONTROLLER, drive.meanAmps, drive.meanAmps, drive.peakAmps) : []),
    ...facts.presses.flatMap((p) =>
      p.draws.flatMap((d) => {
        if (p.way === 'relay-contact') return [];
        const runs = state.pressed.has(p.id) ? (d.runAmps ?? 0) : d.idleAmps;
        return drain(
          lineId(p.id, d.part),
          d.idleAmps,
          runs,
          state.pressed.has(p.id) ? Math.max(d.startAmps ?? 0, runs) : runs,
        );
      }),
    ),
    ...job.feed.loads.flatMap((l) => {
      const runs = l.runsWith === '' || state.pressed.has(l.runsWith);
      return drain(l.id, l.idleAmps, l.idleAmps, runs ? Math.max(l.startAmps ?? 0, l.amps) : l.idleAmps);
    }),
  ];
}
