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
/** In which column the box of a device stands; what is not named here stands in the middle. */
const RIGHT: readonly string[] = ['stepper', 'supply', 'machine'];
const columnOf = (name: string): Column => (RIGHT.includes(name) || name.startsWith('motor ') ? 2 : 1);

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
  return { name, column: name === CONTROLLER ? 0 : columnOf(name) };
}

/** What a box holds in one line. */
const MOST_LETTERS = 24;
/** What is written in its box, cut where it is long. */
function label(end: End, words: string): string {
  const short = end.at === 'leg' ? end.label : end.at === 'net' ? (NET_LABELS[end.net] ?? words) : words;
  // By whole characters: half of a pair is none.
  const letters = [...short];
  return letters.length > MOST_LETTERS ? `${letters.slice(0, MOST_LETTERS - 1).join('')}…` : short;
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

/**
 * Any wiring as boxes with terminals: your controller at the left, what is added in the middle, the machine at the right.
 * Every wire carries its number at both ends, so that the sheet can be followed without its colours.
 * @param others what stands at the right where no terminal says what it sits on.
 */
export function drawTerminals(wires: readonly DrawnWire[], others = 'machine'): Sheet {
  const devices = new Map<string, { device: Device; terminals: Map<string, End> }>();
  for (const [end, words] of wires.flatMap((w) => [[w.ends[0], w.from] as const, [w.ends[1], w.to] as const])) {
    const found = deviceOf(end);
    const device = found.name === 'machine' ? { ...found, name: others } : found;
    const held = devices.get(device.name) ?? { device, terminals: new Map<string, End>() };
    if (!held.terminals.has(words)) held.terminals.set(words, end);
    devices.set(device.name, held);
  }
  const places = new Map<string, Place>();
  const marks: Mark[] = [];
  const depth = [12, 12, 12];
  for (const { device, terminals } of devices.values()) {
    const [x, y] = [X[device.column]!, depth[device.column]!];
    const height = HEAD + terminals.size * ROW + 6;
    marks.push(
      filled(
        `M${x} ${y}H${x + BOX}V${y + height}H${x}Z`,
        device.column === 0 ? 'shore-left' : device.column === 2 ? 'shore-right' : 'paper',
      ),
      line(`M${x} ${y}H${x + BOX}V${y + height}H${x}Z`, 'part'),
      textMark(x + BOX / 2, y + 19, device.name, 'middle', 'muted', 14),
    );
    [...terminals].forEach(([t, end], i) => {
      const row = y + HEAD + i * ROW + ROW / 2;
      places.set(t, { device, y: row });
      const name = label(end, t);
      marks.push(textMark(x + BOX / 2, row + 5, name, 'middle', 'ink', name.length > 18 ? 12 : 14));
    });
    depth[device.column] = y + height + 14;
  }
  const base = Math.max(...depth);
  let low = base;
  const used = [0, 0];
  // Each wire runs in a lane of its own as far as there are lanes; its numbers at both ends tell it apart in any case.
  const lane = (gap: 0 | 1): number => X[gap]! + BOX + 58 + (used[gap]!++ % LANES) * 8;
  const ends: Mark[] = [];
  const tagged = new Map<string, number>();
  /** A wire's number at a terminal; several at one terminal stand in a row. */
  const stub = (w: DrawnWire, x: number, y: number, right: boolean): void => {
    const n = tagged.get(`${x}/${y}`) ?? 0;
    tagged.set(`${x}/${y}`, n + 1);
    ends.push({ kind: 'tag', x: x + (right ? 1 : -1) * (14 + 25 * n), y, number: w.number, colour: w.colour });
  };
  for (const w of wires) {
    const [a, b] = [places.get(w.from)!, places.get(w.to)!];
    const [p, q] = a.device.column <= b.device.column ? [a, b] : [b, a];
    const same = p.device.column === q.device.column;
    const gap = p.device.column === 0 ? 0 : 1;
    const start = X[p.device.column]! + (p.device.column === 2 ? 0 : BOX);
    const end = same ? start : X[q.device.column]!;
    const path = (d: string): void =>
      void marks.push({ kind: 'path', d, ink: 'ink', wire: w.number, colour: w.colour });
    if (p.device.column === 0 && q.device.column === 2) {
      low += 12;
      path(`M${start} ${p.y}H${lane(0)}V${low}H${lane(1)}V${q.y}H${end}`);
    } else path(`M${start} ${p.y}H${lane(gap)}V${q.y}H${end}`);
    stub(w, start, p.y, p.device.column !== 2);
    stub(w, end, q.y, same && q.device.column !== 2);
  }
  return { width: SHEET_WIDTH, height: low === base ? base - 8 : low + 14, marks: [...marks, ...ends] };
}
