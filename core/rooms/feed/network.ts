import type { Origin } from '../../ground/finding';
import type { FeedConverter, FeedLink, FeedSource, Job } from '../../ground/job';
import { SUPPLY_SHARE, sourceOhms, CONNECTOR, ohmsPerMetre } from '../../engines/electrics';
import {
  cellOhms,
  CELLS,
  cellVolts,
  isConverter,
  sourceVolts,
  type SupplyNode,
  type SupplyTree,
} from '../../engines/supply';

/** The lead of a supply where nobody said which (`feed-volts`). */
export const USUAL_LEAD = { metres: 1, squareMetres: 0.08e-6 } as const;
/** Voltage that a miniature fuse drops at its rating, V (`fuse-drop`). */
export const FUSE_DROP = 0.15;

/** What such converters are like (`converters`): needed above the output, share that comes out, own draw. */
const SORT = {
  linear: { dropVolts: 2, efficiency: 1, idleAmps: 5e-3 },
  'step-down': { dropVolts: 1.5, efficiency: 0.82, idleAmps: 5e-3 },
  'step-up': { dropVolts: 0, efficiency: 0.8, idleAmps: 3e-3 },
} as const;
const FLAT_DROP = 1.2;

/** What a converter is reckoned with. */
export interface ConverterValues {
  readonly dropVolts: number;
  readonly efficiency: number;
  readonly idleAmps: number;
}
/** A converter's values: as given, else as its sort has them. */
export const converterValues = (c: FeedConverter): ConverterValues => ({
  dropVolts: c.dropVolts ?? (c.kind === 'linear' && c.package === 'sot-223' ? FLAT_DROP : SORT[c.kind].dropVolts),
  efficiency: c.kind === 'linear' ? 1 : (c.efficiency ?? SORT[c.kind].efficiency),
  idleAmps: c.idleAmps ?? SORT[c.kind].idleAmps,
});

/** Resistance of a fuse or of both conductors of a lead with its contacts, Ω. */
export function linkOhms(l: FeedLink): number {
  if (l.kind === 'fuse') return l.amps === null ? 0 : FUSE_DROP / l.amps;
  if (l.kind !== 'lead') return 0;
  const size = l.squareMetres ?? USUAL_LEAD.squareMetres;
  return 2 * (l.metres ?? USUAL_LEAD.metres) * ohmsPerMetre(size, l.strand) + 2 * CONNECTOR[l.connector].ohms;
}

/** Resistance of a source, Ω, and where that comes from. */
export function ohmsOfSource(job: Job, s: FeedSource): { ohms: number; origin: Origin } {
  if (s.ohms !== null) return { ohms: s.ohms, origin: { from: 'maker', what: 'set in Feed' } };
  if (s.kind === 'rail') {
    const rail = job.survey.rails.find((r) => r.id === s.rail);
    const step = rail && sourceOhms(rail);
    return step
      ? {
          ohms: Math.max(0, step.result.value),
          origin: { from: 'measured', at: '', what: 'open and loaded volts, in Probe' },
        }
      : { ohms: 0, origin: { from: 'prior', what: 'nobody loaded this rail in Probe' } };
  }
  if (s.kind === 'cells')
    return {
      ohms: (s.series / s.parallel) * cellOhms(CELLS[s.chemistry], 0),
      origin: { from: 'source', key: 'cells' },
    };
  return { ohms: 0, origin: { from: 'source', key: 'feed-volts' } };
}

/** Whether a source holds its voltage as well as what regulates does; of a rail, as it was read. */
export const spreadOf = (s: FeedSource): number => (s.kind === 'cells' || s.kind === 'rail' ? 0 : SUPPLY_SHARE);

/** Volts of a source without a load at its lowest and at its highest; null where nobody said. */
export function openVolts(job: Job, s: FeedSource): { low: number; high: number } | null {
  if (s.kind === 'cells' && s.volts === null) {
    const cell = CELLS[s.chemistry];
    return { low: s.series * cellVolts(cell, 0), high: s.series * cell.freshVolts };
  }
  const volts = sourceVolts(job, s);
  return volts === null ? null : { low: volts * (1 - spreadOf(s)), high: volts * (1 + spreadOf(s)) };
}

/** The tree as numbers, for one corner; made once and solved for many instants. */
export interface Network {
  readonly size: number;
  readonly parent: Int32Array;
  /** 0 source, 1 in series by its resistance, 2 linear, 3 step-down, 4 step-up. */
  readonly kind: Uint8Array;
  /** Open volts of a source, set volts of a converter. */
  readonly volts: Float64Array;
  readonly ohms: Float64Array;
  readonly drop: Float64Array;
  readonly efficiency: Float64Array;
  readonly idle: Float64Array;
  /** True where a converter that draws constant power stands anywhere. */
  readonly bends: boolean;
}

const KINDS = { source: 0, fuse: 1, lead: 1, capacitor: 1, linear: 2, 'step-down': 3, 'step-up': 4 } as const;
const CONVERTER_SPREAD = 0.04;
/** How well a converter keeps its output, as a share (`converters`). */
export const converterSpread = CONVERTER_SPREAD;

/** The tree of supplies as numbers for its sweeps. */
export function networkOf(job: Job, tree: SupplyTree, corner: 'low' | 'high'): Network {
  const { nodes } = tree;
  const array = (of: (n: SupplyNode) => number): Float64Array => Float64Array.from(nodes, of);
  const sign = corner === 'low' ? -1 : 1;
  return {
    size: nodes.length,
    parent: Int32Array.from(nodes, (n) => n.parent),
    kind: Uint8Array.from(nodes, (n) => KINDS[n.kind]),
    volts: array((n) =>
      n.kind === 'source'
        ? (openVolts(job, n.item)?.[corner] ?? NaN)
        : isConverter(n)
          ? n.item.volts * (1 + sign * CONVERTER_SPREAD)
          : 0,
    ),
    ohms: array((n) => (n.kind === 'source' ? ohmsOfSource(job, n.item).ohms : isConverter(n) ? 0 : linkOhms(n.item))),
    drop: array((n) => (isConverter(n) ? converterValues(n.item).dropVolts : 0)),
    efficiency: array((n) => (isConverter(n) ? converterValues(n.item).efficiency : 1)),
    idle: array((n) => (isConverter(n) ? converterValues(n.item).idleAmps : 0)),
    bends: nodes.some((n) => n.kind === 'step-down' || n.kind === 'step-up'),
  };
}

/** Volts and amperes of every part of the tree. */
export interface Solved {
  /** Volts behind each part, and amperes through it: out of a source, through a fuse or lead, out of a converter. */
  readonly volts: Float64Array;
  readonly amps: Float64Array;
  /** Amperes into each part. */
  readonly into: Float64Array;
  /** False where some source cannot carry what hangs on it at any voltage. */
  readonly carried: boolean;
}

const ROUNDS = 200;
const CHASING = 12;
const CLOSE = 1e-10;
/** A converter passes less than this share of its output through to its input's current: under it, it has long stopped. */
const LEAST_INPUT = 0.05;
/** A step-up converter does nothing under this input, V (`converters`). */
const STEP_UP_STARTS = 0.9;

/**
 * Volts and amperes everywhere for loads of constant current.
 *
 * Currents are added from the ends up, voltages follow from the sources down, until neither moves: a converter draws the more, the
 * lower its input is, so one round is not enough (a backward and forward sweep, as for radial networks). Where that finds no rest,
 * no voltage carries the load: what hangs on that source gets none.
 * @param loads amperes that hang on each part. NaN volts of a source stay NaN.
 */
export function solve(net: Network, loads: Float64Array): Solved {
  const { size, kind } = net;
  const volts = Float64Array.from(net.volts);
  const amps = new Float64Array(size);
  const into = new Float64Array(size);
  let carried = false;
  for (let round = 0; round < ROUNDS && !carried; round++) {
    amps.set(loads);
    addUp(net, volts, amps, into);
    const moved = passDown(net, amps, volts, round >= CHASING);
    carried = moved < CLOSE || (!net.bends && round > 0);
  }
  if (!carried)
    for (let i = 0; i < size; i++) if (kind[i] !== KINDS.source) volts[i] = Number.isNaN(volts[i]!) ? NaN : 0;
  return { volts, amps, into, carried };
}

/** Amperes from the ends up: through each part and into it. */
function addUp(net: Network, volts: Float64Array, amps: Float64Array, into: Float64Array): void {
  const { parent, kind, efficiency, idle } = net;
  for (let i = net.size - 1; i >= 0; i--) {
    const p = parent[i]!;
    const out = amps[i]!;
    const k = kind[i]!;
    if (k === KINDS.source || k === KINDS.lead) into[i] = out;
    else if (k === KINDS.linear) into[i] = out + idle[i]!;
    else {
      const vin = p < 0 ? 0 : Math.max(volts[p]!, LEAST_INPUT * net.volts[i]!);
      into[i] = (volts[i]! * out) / (efficiency[i]! * vin) + idle[i]!;
    }
    if (p >= 0) amps[p] = amps[p]! + into[i]!;
  }
}

/** Volts from the sources down; gives how far any of them moved, V. Two that chase each other are brought together from the middle. */
function passDown(net: Network, amps: Float64Array, volts: Float64Array, halfway: boolean): number {
  let moved = 0;
  for (let i = 0; i < net.size; i++) {
    const now = behind(net, i, amps[i]!, volts);
    const kept = Number.isNaN(now) ? now : Math.max(0, now);
    moved = Math.max(moved, Math.abs(kept - volts[i]!) || 0);
    volts[i] = halfway && !Number.isNaN(kept) ? (kept + volts[i]!) / 2 : kept;
  }
  return moved;
}

/** Volts behind one part. */
function behind(net: Network, i: number, amps: number, volts: Float64Array): number {
  const p = net.parent[i]!;
  const above = p < 0 ? 0 : volts[p]!;
  switch (net.kind[i]) {
    case KINDS.source:
      return net.volts[i]! - amps * net.ohms[i]!;
    case KINDS.lead:
      return above - amps * net.ohms[i]!;
    case KINDS['step-up']:
      return above >= STEP_UP_STARTS ? net.volts[i]! : 0;
    default:
      return Math.min(net.volts[i]!, above - net.drop[i]!);
  }
}
