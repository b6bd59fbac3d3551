import Papa from 'papaparse';
import type { Bill } from '../../engines/parts';
import type { SheetWire } from './wiring-svg';

// A cell that begins like a formula would be run by a spreadsheet, whatever blanks or line ends stand before it.
const LINE_ENDS = /[\r\n\t\v\f\u0085\u2028\u2029]+/g;
const inert = (cell: string | number): string | number => {
  if (typeof cell === 'number') return cell;
  const flat = cell.replace(LINE_ENDS, ' ');
  return /^[\s\u200b\ufeff]*[=+\-@＝＋－＠]/.test(flat) ? `'${flat.trimStart()}` : flat;
};

/** Rows as CSV that no spreadsheet runs (RFC 4180). */
export const csv = (fields: string[], data: (string | number)[][]): string =>
  `${Papa.unparse({ fields: fields.map((f) => String(inert(f))), data: data.map((row) => row.map(inert)) }, { newline: '\r\n' })}\r\n`;

/** Parts list for all machines as CSV (RFC 4180): what is at hand, what is to be bought, and what that costs where a price is known. */
export const partsCsv = (bill: Bill, currency: string): string =>
  csv(
    ['part', 'value', 'quantity', 'already have', 'to buy', `price each, ${currency}`, `cost, ${currency}`],
    bill.lines.map((l) => [
      l.name,
      l.value,
      l.quantity,
      l.have,
      l.buy,
      l.price ?? '',
      l.cost === null ? '' : Number(l.cost.toFixed(2)),
    ]),
  );

/** Wire table as CSV. */
export const wiresCsv = (wires: readonly SheetWire[]): string =>
  csv(
    ['wire', 'from', 'to', 'colour'],
    wires.map((w) => [w.number, w.from, w.to, w.colour]),
  );

/** Pin table as CSV: chip number, printed label and place on the header of every line. */
export const pinsCsv = (
  pins: readonly {
    readonly line: string;
    readonly gpio: number | null;
    readonly label: string;
    readonly header: string;
    readonly direction: 'in' | 'out';
    readonly active: 'high' | 'low';
  }[],
): string =>
  csv(
    ['line', 'chip number', 'printed label', 'place', 'direction', 'active'],
    pins.map((p) => [p.line, p.gpio ?? '', p.label, p.header, p.direction === 'in' ? 'input' : 'output', p.active]),
  );

/** A lead of the supplies as it is cut. */
export interface PackLead {
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly metres: number | null;
  readonly squareMetres: number | null;
  readonly gauge: number | null;
  readonly connector: string;
  readonly lastingAmps: number;
}

/** Leads to cut as CSV: length, cross-section and gauge, two conductors each. */
export const leadsCsv = (leads: readonly PackLead[]): string =>
  csv(
    ['lead', 'from', 'to', 'length, m', 'conductors', 'cross-section, mm²', 'nearest AWG', 'ends in', 'lasts, A'],
    leads.map((l) => [
      l.name,
      l.from,
      l.to,
      l.metres ?? 'not said',
      2,
      l.squareMetres === null ? 'not said' : Number((l.squareMetres * 1e6).toPrecision(3)),
      l.gauge ?? '',
      l.connector === 'none' ? 'solder' : l.connector,
      Number(l.lastingAmps.toPrecision(3)),
    ]),
  );

/** A rating of a part, as it is packed. */
export interface LedgerLine {
  readonly part: string;
  readonly rating: string;
  readonly verdict: string;
  readonly value: number | null;
  readonly limit: number | null;
  readonly sense: string;
  readonly unit: string;
  /** Why it is not known, or does not apply. */
  readonly because: string;
}

/** Every part with every rating as CSV; numbers in base units. */
export const ledgerCsv = (lines: readonly LedgerLine[]): string =>
  csv(
    ['part', 'rating', 'verdict', 'stress', 'sense', 'limit', 'unit', 'because'],
    lines.map((l) => [
      l.part,
      l.rating,
      l.verdict,
      l.value === null ? '' : Number(l.value.toPrecision(4)),
      l.sense,
      l.limit === null ? '' : Number(l.limit.toPrecision(4)),
      l.unit,
      l.because,
    ]),
  );

/** What was observed in one trial of a step. */
export interface PackTrial {
  readonly at: string;
  readonly by: string;
  readonly on: 'hand' | 'standin';
  readonly observed: string;
}

/** A step of the test sheet as it is written. */
export interface PackStep {
  readonly title: string;
  readonly how: string;
  readonly expected: string;
  readonly wanted: number;
  readonly done: number;
  readonly state: string;
  /** The last trial that still counts. */
  readonly last: PackTrial | null;
}

/** Test sheet as CSV: every stop first, then each step with when, by whom and on what it was last observed. */
export const sheetCsv = (steps: readonly PackStep[], stops: readonly string[]): string =>
  csv(
    ['step', 'how', 'expected', 'wanted', 'done', 'state', 'when', 'by', 'on', 'observed'],
    [
      ...stops.map((s) => ['STOP', s, 'mended before anybody signs off', '', '', 'stop', '', '', '', '']),
      ...steps.map((s) => [
        s.title,
        s.how,
        s.expected,
        s.wanted,
        s.done,
        s.state,
        s.last?.at ?? '',
        s.last?.by ?? '',
        s.last ? (s.last.on === 'hand' ? 'the machine' : 'the stand-in') : '',
        s.last?.observed ?? '',
      ]),
    ],
  );
