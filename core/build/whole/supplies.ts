import type { Facts } from '../../ground/facts';
import { CONTROLLER, lineId, type Job } from '../../ground/job';
import { exactly, within } from '../../ground/quantity';
import {
  converterValues,
  CONVERTER_SPREAD,
  linkOhms,
  ohmsOfSource,
  openVolts,
  STEP_UP_STARTS,
} from '../../engines/electrics';
import { ZERO, type Element } from '../../engines/net';
import { isConverter, placeOf, supplyTree, type SupplyNode, type SupplyTree } from '../../engines/supply';
import type { CircuitPiece, UnreadElement } from './piece';
import type { State } from './state';

/** Nothing is written with less, Ω. */
const LEAST_OHMS = 1e-3;

/** The supplies of a job as nodes of its circuit. */
export interface SupplyPiece extends CircuitPiece {
  /**
   * Plus and minus of what a load hangs on, and why its volts are not known, empty where they are; null where nobody said what it hangs
   * on.
   */
  readonly at: (load: string) => { readonly plus: string; readonly minus: string; readonly unknown: string } | null;
}

const plusOf = (id: string): string => `supply ${id} +`;

/** The source or converter from which only leads, fuses and capacitors lead to a place of the tree: its number, −1 for none. */
function shareOf(tree: SupplyTree, place: number): number {
  const n = tree.nodes[place];
  return !n ? -1 : n.kind === 'source' || isConverter(n) ? place : shareOf(tree, n.parent);
}

/** Whether something joins the ground of a source to the controller's: the controller itself, or a way that needs both as one. */
function joinedSources(job: Job, facts: Facts, tree: SupplyTree): ReadonlySet<number> {
  const loads = [
    CONTROLLER,
    ...facts.presses.flatMap((p) => p.draws.flatMap((d) => (d.sharesGround ? [lineId(p.id, d.part)] : []))),
  ];
  return new Set(loads.flatMap((l) => tree.nodes[placeOf(job.feed, tree, l)]?.source ?? []));
}

/** Sources, converters, leads and fuses with what draws from them. */
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
    return n && n.source >= 0
      ? { plus: plusOf(n.id), minus: minusOf(n), unknown: whyUnknown(job, facts, tree, n) }
      : null;
  };
  const dead = fixed.map(withoutPower);
  const own = shareOf(tree, placeOf(job.feed, tree, CONTROLLER));
  const besideController = (load: string): boolean => shareOf(tree, placeOf(job.feed, tree, load)) === own;
  return {
    elements: (state) => [
      ...(state.board ? fixed : dead),
      // What the lead alone feeds is what stands beside the controller.
      ...(state.board
        ? drains(job, facts, at, state)
        : state.lead
          ? drains(job, facts, (load) => (besideController(load) ? at(load) : null), state)
          : []),
    ],
    parts: [],
    guesses: tree.nodes.flatMap((n) => (isUsualLead(n) ? [usualLead(n)] : [])),
    at,
  };
}

/** A lead of which nobody said how long or how thick it is stands for a usual one. */
const isUsualLead = (n: SupplyNode): boolean =>
  n.kind === 'lead' && (n.item.metres === null || n.item.squareMetres === null);
const usualLead = (n: SupplyNode): UnreadElement => ({
  element: n.id,
  verdict: 'tight',
  because: `nobody said how long and how thick the ${n.name} is`,
});
/** A usual lead may be half of what it is taken for, or twice. */
const USUAL_FACTOR = 2;

/** Why the volts at a place of the tree are not known; empty where they are. */
function whyUnknown(job: Job, facts: Facts, tree: SupplyTree, n: SupplyNode): string {
  const source = tree.nodes[n.source];
  if (source?.kind !== 'source') return 'what feeds it is not said';
  if (!openVolts(job, source.item)) return `what the ${source.name} gives is not said`;
  if (source.item.current === 'ac') return `the ${source.name} alternates`;
  if (ohmsOfSource(job, source.item).origin.from === 'prior') return `nobody loaded the ${source.name}`;
  const fuse = tree.nodes.find((x) => x.kind === 'fuse' && x.source === n.source && x.item.amps === null);
  if (fuse) return `the rating of the ${fuse.name} is not said`;
  const draws = facts.presses.flatMap((p) =>
    p.draws.flatMap((d) => (d.runAmps === null ? [{ id: lineId(p.id, d.part), name: d.name }] : [])),
  );
  const unsaid = draws.find((d) => tree.nodes[placeOf(job.feed, tree, d.id)]?.source === n.source);
  return unsaid ? `what the ${unsaid.name} on the same supply draws is not known` : '';
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
    // What alternates is judged by Feed, and what hangs on it is unknown here.
    if (!open || n.item.current === 'ac') return [];
    const volts = { low: open.low, nominal: (open.low + open.high) / 2, high: open.high };
    return [{ is: 'source', id: n.id, a: out, b: minus, volts, ohms: exactly(ohmsOfSource(job, n.item).ohms) }];
  }
  const from = tree.nodes[n.parent];
  if (!from || n.source < 0) return [];
  const input = plusOf(from.id);
  if (!isConverter(n)) {
    const ohms = Math.max(n.kind === 'capacitor' ? 0 : linkOhms(n.item), LEAST_OHMS);
    const range = isUsualLead(n)
      ? { low: ohms / USUAL_FACTOR, nominal: ohms, high: ohms * USUAL_FACTOR }
      : exactly(ohms);
    return [{ is: 'resistor', id: n.id, a: input, b: out, ohms: range }];
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
        // Coils and motors are circuits of their own.
        if (p.way === 'relay-contact' || p.way === 'reverse-motor') return [];
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
