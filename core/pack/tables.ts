import Papa from 'papaparse';
import type { SheetWire } from './wiring-svg';

// A cell that begins like a formula would be run by a spreadsheet; the library puts an apostrophe before it.
export const csv = (fields: string[], data: (string | number)[][]): string => `${Papa.unparse({ fields, data }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;

export interface PackPart {
  readonly name: string;
  readonly value: string;
  readonly quantity: number;
}

/** Parts list as CSV (RFC 4180). */
export const partsCsv = (parts: readonly PackPart[]): string => csv(['part', 'value', 'quantity', 'price each', 'already have'], parts.map((p) => [p.name, p.value, p.quantity, '', '']));

/** Wire table as CSV. */
export const wiresCsv = (wires: readonly SheetWire[]): string => csv(['wire', 'from', 'to', 'colour'], wires.map((w) => [w.number, w.from, w.to, w.colour]));

export interface PackStep {
  readonly title: string;
  readonly how: string;
  readonly expected: string;
  readonly wanted: number;
  readonly done: number;
  readonly state: string;
}

/** Test sheet as CSV, with what was observed so far. */
export const sheetCsv = (steps: readonly PackStep[]): string => csv(['step', 'how', 'expected', 'wanted', 'done', 'state'], steps.map((s) => [s.title, s.how, s.expected, s.wanted, s.done, s.state]));
