import type { ControlFact, DriveFact } from '../../ground/facts';
import { type Job, lineId } from '../../ground/job';
import { sayEnd, terminalKey, type End } from '../ends';
import { pinOf, type Line } from '../lines';
import { panelOf, type PanelDevice } from '../panel';
import { stockName } from '../../engines/parts';
import { placeOf, supplyTree, type SupplyTree } from '../../engines/supply';
import { colourKey, wires, type Part, type WayResult, type Wire } from '../ways';
import { feedParts, feedWires, polesOf, type FeedWires } from './feed-wires';
import { netsOf } from './nets';

/** A press with its chosen way, as far as wiring goes. */
export interface WiredPress {
  readonly press: Job['presses'][number];
  readonly way: WayResult | null;
}

/** What a wire belongs to: a press, what stands at the controller, or the tree of supplies. */
type WireGroup = 'press' | 'panel' | 'feed';

/** A wire of the whole job. */
export interface JobWire extends Wire {
  /** Name and id of the press, sense, hand, sign or supply that it belongs to, and which of these that is. */
  readonly of: string;
  readonly owner: string;
  readonly group: WireGroup;
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
  readonly panel: readonly PanelDevice[];
}

/** What a pin is called on paper: its chip number, and what is printed beside it. */
export type PinWords = (gpio: number) => string;

/**
 * What an end of a wire of a press is called once its line lies on a pin.
 * @param lines those of the press.
 */
export const placedEnd =
  (job: Job, lines: readonly Line[], pinWords: PinWords) =>
  (end: End): string => {
    const line = end.at === 'pin' && lines.find((l) => l.need?.end === end.name);
    return line && end.at === 'pin' ? `${pinEndOf(job, line.id, pinWords)}${end.note}` : sayEnd(end);
  };
const pinEndOf = (job: Job, line: string, pinWords: PinWords): string => {
  const gpio = pinOf(job, line);
  return gpio === null ? 'pin ?' : pinWords(gpio);
};

/**
 * One wire table and one parts list for all presses, senses, hands, signs and supplies of a job. Numbers run through; a terminal that is
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
  const tree = supplyTree(job.feed);
  const joint = pressWires(job, presses, lines, netsOf(job, facts), tree, pinWords);
  const panel = drive ? panelOf(job, drive) : [];
  const before = presses.reduce((n, { way }) => n + (way?.wires.length ?? 0), 0);
  const sayLine = (end: End): string => sayEnd(end, (line) => pinEndOf(job, line, pinWords));
  const out = [...joint.wires];
  const rest: readonly (FeedWires & { readonly group: WireGroup })[] = [
    ...panel.map((t) => ({ ...t, group: 'panel' as const })),
    ...feedWires(job, tree).map((f) => ({ ...f, group: 'feed' as const })),
  ];
  let wiresBefore = before;
  for (const { id, name, wires: list, group } of rest) {
    const at = { job, press: { id }, wiresBefore };
    wiresBefore += list.length;
    out.push(
      ...wires(at, list, sayLine).map((w, i): JobWire => ({
        ...w,
        key: colourKey(at, i + 1),
        of: name,
        owner: id,
        group,
        jumper: false,
      })),
    );
  }
  const parts = [
    ...(drive && (presses.some(({ way }) => way !== null) || panel.length > 0)
      ? [{ name: drive.module ? 'bought switch' : 'controller', value: drive.controller, quantity: 1 }]
      : []),
    ...presses.flatMap(({ way }) => way?.parts ?? []),
    ...panel.flatMap((t) => t.parts),
    ...feedParts(job, tree),
  ];
  return { wires: out, unused: joint.unused, parts: added(parts), panel };
}

/** The wires of all presses, each terminal of the machine reached once. */
function pressWires(
  job: Job,
  presses: readonly WiredPress[],
  lines: readonly Line[],
  nets: ReadonlyMap<string, string>,
  tree: SupplyTree,
  pinWords: PinWords,
): Pick<Wiring, 'wires' | 'unused'> {
  const several = presses.filter((p) => p.way).length > 1;
  const fed = supplyEnds(job, tree);
  const reached = new Map<string, { end: End; key: string; words: string; number: number }>();
  const unused: { terminal: string; by: number; net: string }[] = [];
  const out: JobWire[] = [];
  for (const { press, way } of presses) {
    if (!way) continue;
    const placed = placedEnd(
      job,
      lines.filter((l) => l.owner === press.id),
      pinWords,
    );
    // What all presses share is called the same everywhere; parts of one press are called after it where there are several.
    const call = (end: End): string =>
      several && end.at === 'leg' && !isSupply(end) ? `${press.name}: ${sayEnd(end)}` : placed(end);
    for (const [i, w] of way.wires.entries()) {
      const key = colourKey({ job, press, wiresBefore: 0 }, i + 1);
      const [begin, stop] = [fed(press.id, w.ends[0]), fed(press.id, w.ends[1])];
      const net = stop.at === 'terminal' ? nets.get(terminalKey(stop)) : undefined;
      const at = net === undefined ? undefined : reached.get(net);
      const from = call(begin);
      const start = startKey(press.id, begin);
      const own = { ...w, key, from, of: press.name, owner: press.id, group: 'press' as const };
      if (net !== undefined && !at) reached.set(net, { end: begin, key: start, words: from, number: w.number });
      if (at && net !== undefined) {
        unused.push({ terminal: w.to, by: at.number, net });
        // Both wires begin at one point: the second one would only lie beside the first.
        if (at.key === start) continue;
        out.push({ ...own, ends: [begin, at.end], to: at.words, jumper: true, crosses: false });
        continue;
      }
      out.push({ ...own, ends: [begin, stop], to: call(stop), jumper: false });
    }
  }
  return { wires: out, unused };
}

/** Where a wire of a press begins: what all share is one place for all, a part of one press is its own, whatever they are called. */
const startKey = (press: string, end: End): string =>
  end.at === 'net' && (end.net === 'ground' || end.net === 'rail') ? end.net : `${press}/${sayEnd(end)}`;

/** Whether an end is one of a part of the tree of supplies, which all presses share. */
const isSupply = (end: End): boolean => end.at === 'leg' && end.device.startsWith('supply ');

/** An end that stands for a supply, as the part of the tree that feeds the press; what Feed knows nothing of stays as the way calls it. */
function supplyEnds(job: Job, tree: SupplyTree): (press: string, end: End) => End {
  const poles = polesOf(tree);
  return (press, end) => {
    if (end.at !== 'net' || end.net === 'ground' || end.net === 'rail') return end;
    const ofMotor = end.net !== 'volts';
    const p = poles[placeOf(job.feed, tree, ofMotor ? lineId(press, 'motor') : press)];
    return p ? (end.net === 'minus' ? p.minus : p.plus) : end;
  };
}

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
