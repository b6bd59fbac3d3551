import {
  converterValues,
  CONVERTER_SPREAD,
  linkOhms,
  ohmsOfSource,
  openVolts,
  STEP_UP_STARTS,
} from '../../engines/electrics';
import type { Job } from '../../ground/job';
import { isConverter, type SupplyNode, type SupplyTree } from '../../engines/supply';

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
