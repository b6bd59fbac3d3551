import type { ControlFact, DriveFact } from '../../ground/facts';
import { type Job, lineId } from '../../ground/job';
import { sayEnd, terminalKey, type End, type NetEnd } from '../ends';
import { pinOf, type Line } from '../lines';
import { panelOf, type PanelDevice } from '../panel';
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
      end.at === 'net'
        ? fedFrom(press.id, end)
        : several && end.at === 'leg'
          ? `${press.name}: ${sayEnd(end)}`
          : placed(end);
    for (const [i, w] of way.wires.entries()) {
      const key = colourKey({ job, press, wiresBefore: 0 }, i + 1);
      const [begin, stop] = w.ends;
      const net = stop.at === 'terminal' ? nets.get(terminalKey(stop)) : undefined;
      const at = net === undefined ? undefined : reached.get(net);
      const from = call(begin);
      const start = startKey(press.id, begin);
      if (net !== undefined && !at) reached.set(net, { end: begin, key: start, words: from, number: w.number });
      if (at && net !== undefined) {
        unused.push({ terminal: w.to, by: at.number, net });
        // Both wires begin at one point: the second one would only lie beside the first.
        if (at.key === start) continue;
        const ends = [begin, at.end] as const;
        out.push({ ...w, key, ends, from, to: at.words, of: press.name, jumper: true, crosses: false });
        continue;
      }
      out.push({ ...w, key, from, to: call(stop), of: press.name, jumper: false });
    }
  }
  const panel = drive ? panelOf(job, drive) : [];
  let wiresBefore = presses.reduce((n, { way }) => n + (way?.wires.length ?? 0), 0);
  for (const thing of panel) {
    const at = { job, press: { id: thing.id }, wiresBefore };
    const list = wires(at, thing.wires, (end) => sayEnd(end, (line) => pinEndOf(job, line, pinWords)));
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

/** Where a wire of a press begins: what all share is one place for all, a part of one press is its own, whatever they are called. */
const startKey = (press: string, end: End): string =>
  end.at === 'net' && (end.net === 'ground' || end.net === 'rail') ? end.net : `${press}/${sayEnd(end)}`;

/** What an end on a net is called; one that stands for a supply, in a tree of several, with the part of it that feeds the press. */
function supplyEnd(job: Job): (press: string, end: NetEnd) => string {
  const tree = supplyTree(job.feed);
  return (press, { net, words }) => {
    if (net === 'ground' || net === 'rail' || tree.ends.length < 2) return words;
    const ofMotor = net !== 'volts';
    const node = tree.nodes[placeOf(job.feed, tree, ofMotor ? lineId(press, 'motor') : press)];
    return node ? `${node.name} ${net === 'volts' ? `+, ${words}` : SIGN[net]}` : words;
  };
}
const SIGN = { plus: '+', minus: '−' } as const;

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
