import type { ControlFact, DriveFact } from '../../ground/facts';
import { type Job, lineId } from '../../ground/job';
import { pinOf, type Line } from '../lines';
import { panelOf, type PanelThing } from '../panel';
import { stockName } from '../../engines/parts';
import { placeOf, supplyTree } from '../../engines/supply';
import { colourKey, wires, type Part, type WayResult, type Wire } from '../ways';
import { netsOf } from './nets';

/** A press with its chosen way, as far as wiring goes. */
export interface WiredPress {
  readonly press: Job['presses'][number];
  readonly way: WayResult | null;
}

/** A wire of the whole job. */
export interface JobWire extends Wire {
  /** Name of the press, sense, hand or sign that it belongs to. */
  readonly of: string;
  /** How its colour is kept. */
  readonly key: string;
  /** Runs between two parts of yours instead of to a terminal that is reached already. */
  readonly jumper: boolean;
}

/** Everything that is wired in a job. */
export interface Wiring {
  readonly wires: readonly JobWire[];
  /** Terminals of the machine that stand on a potential which another wire reaches already: no conductor goes there. */
  readonly unused: readonly { readonly terminal: string; readonly by: number; readonly net: string }[];
  /** For one machine. */
  readonly parts: readonly Part[];
  readonly panel: readonly PanelThing[];
}

/** What a pin is called on paper: its chip number, and what is printed beside it. */
export type PinWords = (gpio: number) => string;

/**
 * What an end of a wire of a press is called once its line lies on a pin.
 * @param lines those of the press.
 */
export const placedEnd =
  (job: Job, lines: readonly Line[], pinWords: PinWords) =>
  (end: string): string => {
    const line = lines.find((l) => l.need?.end === end || (l.need && end.startsWith(`${l.need.end},`)));
    return line ? end.replace(line.need!.end, pinEndOf(job, line.id, pinWords)) : end;
  };
const pinEndOf = (job: Job, line: string, pinWords: PinWords): string => {
  const gpio = pinOf(job, line);
  return gpio === null ? 'pin ?' : pinWords(gpio);
};

/** Ends that all presses share; the others are parts of one press and are called after it where there are several. */
const SHARED = /^(controller ground|3\.3 V of the controller|supply [+−]|mains |live|neutral|earth|[\d.]+ ?[mk]?V$)/;

/**
 * One wire table and one parts list for all presses, senses, hands and signs of a job. Numbers run through; a terminal that is
 * reached already is not wired twice: a jumper between the parts does instead, or nothing where both ends are one.
 */
export function wiringOf(
  job: Job,
  presses: readonly WiredPress[],
  lines: readonly Line[],
  facts: Readonly<Record<string, ControlFact>>,
  drive: DriveFact | null,
  pinWords: PinWords,
): Wiring {
  const nets = netsOf(job, facts);
  const several = presses.filter((p) => p.way).length > 1;
  const fedFrom = supplyEnd(job);
  const pinEnd = (line: string): string => pinEndOf(job, line, pinWords);
  const reached = new Map<string, { end: string; number: number }>();
  const unused: { terminal: string; by: number; net: string }[] = [];
  const out: JobWire[] = [];
  for (const { press, way } of presses) {
    if (!way) continue;
    const mine = lines.filter((l) => l.owner === press.id);
    const placed = placedEnd(job, mine, pinWords);
    const call = (end: string): string => {
      const at = placed(end);
      if (at !== end) return at;
      if (POWER.test(end)) return fedFrom(press.id, end);
      return several && !SHARED.test(end) && !nets.has(end) && !isTerminal(job, end) ? `${press.name}: ${end}` : end;
    };
    for (const [i, w] of way.wires.entries()) {
      const key = colourKey({ job, press, wiresBefore: 0 }, i + 1);
      const net = nets.get(w.to);
      const at = net === undefined ? undefined : reached.get(net);
      const from = call(w.from);
      if (net !== undefined && !at) reached.set(net, { end: from, number: w.number });
      if (at && net !== undefined) {
        unused.push({ terminal: w.to, by: at.number, net });
        // Both wires begin at one point: the second one would only lie beside the first.
        if (at.end === from) continue;
        out.push({ ...w, key, from, to: at.end, of: press.name, jumper: true, crosses: false });
        continue;
      }
      out.push({ ...w, key, from, to: call(w.to), of: press.name, jumper: false });
    }
  }
  const panel = drive ? panelOf(job, drive) : [];
  let wiresBefore = presses.reduce((n, { way }) => n + (way?.wires.length ?? 0), 0);
  for (const thing of panel) {
    const own = lines.filter((l) => l.owner === thing.id);
    const call = (end: string): string => {
      const line = own.find((l) => l.id === end || (end === thing.id && l.id === lineId(thing.id)));
      return line ? pinEnd(line.id) : end;
    };
    const at = { job, press: { id: thing.id }, wiresBefore };
    const list = wires(
      at,
      thing.wires.map(([from, to]): [string, string] => [call(from), call(to)]),
    );
    wiresBefore += list.length;
    out.push(...list.map((w, i): JobWire => ({ ...w, key: colourKey(at, i + 1), of: thing.name, jumper: false })));
  }
  return {
    wires: out,
    unused,
    parts: added([...presses.flatMap(({ way }) => way?.parts ?? []), ...panel.flatMap((t) => t.parts)]),
    panel,
  };
}

/** Ends that stand for a supply: a voltage, or a supply's plus or minus. */
const POWER = /^(supply [+−]|[\d.]+ ?[mk]?V)$/;

/** What an end that stands for a supply is called in a tree of several: with the part of it that feeds the press. */
function supplyEnd(job: Job): (press: string, end: string) => string {
  const tree = supplyTree(job.feed);
  return (press, end) => {
    if (tree.ends.length < 2) return end;
    const load = end.startsWith('supply') ? lineId(press, 'motor') : press;
    const node = tree.nodes[placeOf(job.feed, tree, load)];
    return node ? `${node.name} ${end.startsWith('supply') ? end.slice(-1) : `+, ${end}`}` : end;
  };
}

const isTerminal = (job: Job, end: string): boolean =>
  job.controls.some((c) => end.startsWith(`${c.name} `) && /^[A-Z]$/.test(end.slice(c.name.length + 1)));

/** Lines of one name and value together. */
function added(parts: readonly Part[]): readonly Part[] {
  const by = new Map<string, Part>();
  for (const p of parts) {
    const key = stockName(p);
    const known = by.get(key);
    by.set(key, known ? { ...known, quantity: known.quantity + p.quantity } : p);
  }
  return [...by.values()];
}
