import { itemAt, present } from '../../ground/lists';
import type { End, NetEnd } from '../ends';
import { filled, line, SHEET_WIDTH, textMark, type Mark, type Sheet } from './marks';

/** A wire as it is drawn: its number, ends, words and colour. */
export interface DrawnWire {
  readonly number: number;
  readonly ends: readonly [End, End];
  readonly from: string;
  readonly to: string;
  readonly colour: string;
  readonly crosses?: boolean;
}

type Column = 0 | 1 | 2;
interface Device {
  readonly name: string;
  readonly column: Column;
}

const CONTROLLER = 'your controller';
const LEFTMOST = 0;
const RIGHTMOST = 2;
/** In which column the box of a device stands; what is not named here stands in the middle. */
const RIGHT: readonly string[] = ['stepper', 'supply', 'machine'];
const columnOf = (name: string): Column =>
  name === 'resistor'
    ? LEFTMOST
    : RIGHT.includes(name) || name.startsWith('motor ') || name.startsWith('load ')
      ? 2
      : 1;

/** The box that an end is drawn in. */
function deviceOf(end: End): Device {
  const name =
    end.at === 'leg'
      ? end.device
      : end.at === 'terminal'
        ? 'machine'
        : end.at === 'net' && (end.net === 'plus' || end.net === 'minus')
          ? 'supply'
          : CONTROLLER;
  return { name, column: name === CONTROLLER ? LEFTMOST : columnOf(name) };
}

/** What a box holds in one line, and in its head. */
const MOST_LETTERS = 24;
const HEAD_LETTERS = 20;
/** What is written in its box, cut where it is long. */
function label(end: End, words: string): string {
  return cut(end.at === 'leg' ? end.label : end.at === 'net' ? (NET_LABELS[end.net] ?? words) : words, MOST_LETTERS);
}
/** A text of so many letters at most, by whole characters: half of a pair is none. */
function cut(text: string, most: number): string {
  const letters = [...text];
  return letters.length > most ? `${letters.slice(0, most - 1).join('')}…` : text;
}
const NET_LABELS: Readonly<Partial<Record<NetEnd['net'], string>>> = { ground: 'ground', plus: '+', minus: '−' };

const BOX = 150;
const ROW = 26;
const HEAD = 28;
const X: readonly number[] = [4, 287, 570];
/** Lanes for wires between two columns. */
const LANES = 6;

interface Place {
  readonly device: Device;
  readonly y: number;
}

/** A device with its terminals, by the words of each. */
interface Box {
  readonly device: Device;
  readonly terminals: ReadonlyMap<string, End>;
}

/** The devices that the wires run between, in the order in which they are met. */
function boxesOf(wires: readonly DrawnWire[], others: string): Box[] {
  const devices = new Map<string, { device: Device; terminals: Map<string, End> }>();
  for (const [end, words] of wires.flatMap((w) => [[w.ends[0], w.from] as const, [w.ends[1], w.to] as const])) {
    const found = deviceOf(end);
    const device = found.name === 'machine' ? { ...found, name: others } : found;
    const held = devices.get(device.name) ?? { device, terminals: new Map<string, End>() };
    if (!held.terminals.has(words)) held.terminals.set(words, end);
    devices.set(device.name, held);
  }
  return [...devices.values()];
}

/** What each column is drawn on. */
const GROUND_OF = ['shore-left', 'paper', 'shore-right'] as const;

/** One box, and where its terminals are. */
function drawBox({ device, terminals }: Box, y: number, places: Map<string, Place>): Mark[] {
  const x = itemAt(X, device.column);
  const height = heightOf(terminals.size);
  const outline = `M${x} ${y}H${x + BOX}V${y + height}H${x}Z`;
  const names = [...terminals].map(([t, end], i) => {
    const row = y + HEAD + i * ROW + ROW / 2;
    places.set(t, { device, y: row });
    const name = label(end, t);
    return textMark(x + BOX / 2, row + 5, name, 'middle', 'ink', name.length > 18 ? 12 : 14);
  });
  return [
    filled(outline, GROUND_OF[device.column]),
    line(outline, 'part'),
    textMark(x + BOX / 2, y + 19, cut(device.name.replace(/^(supply|load) /, ''), HEAD_LETTERS), 'middle', 'muted', 14),
    ...names,
  ];
}
const heightOf = (rows: number): number => HEAD + rows * ROW + 6;

/**
 * Draws wires between placed terminals: each in a lane of its own as far as there are lanes; its numbers at both ends tell it apart
 * in any case.
 */
class Wirer {
  readonly marks: Mark[] = [];
  /** The numbers at the ends, drawn above all wires. */
  readonly tags: Mark[] = [];
  private readonly used = [0, 0];
  private readonly tagged = new Map<string, number>();

  /** @param low the lowest line so far, under which a wire goes that crosses the middle. */
  constructor(
    private readonly places: ReadonlyMap<string, Place>,
    public low: number,
  ) {}

  draw(w: DrawnWire): void {
    const [a, b] = [present(this.places.get(w.from)), present(this.places.get(w.to))];
    const [p, q] = a.device.column <= b.device.column ? [a, b] : [b, a];
    const same = p.device.column === q.device.column;
    const start = itemAt(X, p.device.column) + (p.device.column === RIGHTMOST ? 0 : BOX);
    const end = same ? start : itemAt(X, q.device.column);
    const d =
      p.device.column === LEFTMOST && q.device.column === RIGHTMOST
        ? `M${start} ${p.y}H${this.lane(0)}V${(this.low += 12)}H${this.lane(1)}V${q.y}H${end}`
        : `M${start} ${p.y}H${this.lane(p.device.column === LEFTMOST ? 0 : 1)}V${q.y}H${end}`;
    this.marks.push({ kind: 'path', d, ink: 'ink', wire: w.number, colour: w.colour });
    this.tag(w, start, p.y, p.device.column !== RIGHTMOST);
    this.tag(w, end, q.y, same && q.device.column !== RIGHTMOST);
  }

  private lane(gap: 0 | 1): number {
    const n = itemAt(this.used, gap);
    this.used[gap] = n + 1;
    return itemAt(X, gap) + BOX + 58 + (n % LANES) * 8;
  }

  /** A wire's number at a terminal; several at one terminal stand in a row. */
  private tag(w: DrawnWire, x: number, y: number, right: boolean): void {
    const n = this.tagged.get(`${x}/${y}`) ?? 0;
    this.tagged.set(`${x}/${y}`, n + 1);
    this.tags.push({ kind: 'tag', x: x + (right ? 1 : -1) * (14 + 25 * n), y, number: w.number, colour: w.colour });
  }
}

/**
 * Any wiring as boxes with terminals: your controller at the left, what is added in the middle, the machine at the right.
 * Every wire carries its number at both ends, so that the sheet can be followed without its colours.
 * @param others what stands at the right where no terminal says what it sits on.
 */
export function drawTerminals(wires: readonly DrawnWire[], others = 'machine'): Sheet {
  const places = new Map<string, Place>();
  const depth = [12, 12, 12];
  const boxes = boxesOf(wires, others).flatMap((box) => {
    const { column } = box.device;
    const y = itemAt(depth, column);
    depth[column] = y + heightOf(box.terminals.size) + 14;
    return drawBox(box, y, places);
  });
  const base = Math.max(...depth);
  const wirer = new Wirer(places, base);
  for (const w of wires) wirer.draw(w);
  return {
    width: SHEET_WIDTH,
    height: wirer.low === base ? base - 8 : wirer.low + 14,
    marks: [...boxes, ...wirer.marks, ...wirer.tags],
  };
}
