import { firstItem, itemAt } from '../../ground/lists';
import { TraceProblem } from './problem';
import type { TraceKind } from '../../ground/job';

/** How a time is written. */
export type TimeForm = 'elapsed' | 'epoch' | 'year-first' | 'day-first' | 'month-first' | 'clock';

/** How a file of samples is laid out: found by its content, each part changeable. */
export interface TraceLayout {
  /** Byte between two cells; 32 for any run of blanks. */
  readonly separator: number;
  /** Byte of the decimal sign. */
  readonly decimal: number;
  /** Lines before the first sample. */
  readonly headLines: number;
  readonly names: readonly string[];
  readonly timeColumn: number;
  readonly timeForm: TimeForm;
  /** Seconds in one of what is written, for elapsed and epoch times. */
  readonly timeFactor: number;
  /** A second column that holds the time of day, or -1. */
  readonly clockColumn: number;
  readonly valueColumn: number;
  readonly unit: string;
  readonly kind: TraceKind;
  /** What is written times this, plus the shift, is in the unit. */
  readonly factor: number;
  readonly shift: number;
  /** True where neither head nor cells name a unit: watts are taken. */
  readonly unitGuessed: boolean;
  readonly dayOrMonth: boolean;
}

interface UnitSpec {
  readonly re: RegExp;
  readonly unit: string;
  readonly kind: TraceKind;
  readonly factor: number;
  readonly shift?: number;
}
const FAHRENHEIT = 5 / 9;
/** Units that are met, the longest first: what stands in the head, or behind a number. */
const UNITS: readonly UnitSpec[] = [
  { re: /^kw$|kilowatts?$/i, unit: 'W', kind: 'power', factor: 1000 },
  { re: /^m[wW]$|milliwatts?$/, unit: 'W', kind: 'power', factor: 1e-3 },
  { re: /^w$|^watts?$/i, unit: 'W', kind: 'power', factor: 1 },
  { re: /^ma$|milliamp\w*$/i, unit: 'A', kind: 'current', factor: 1e-3 },
  { re: /^a$|^amps?$|^amperes?$/i, unit: 'A', kind: 'current', factor: 1 },
  { re: /^°?f$|fahrenheit$/i, unit: '°C', kind: 'temperature', factor: FAHRENHEIT, shift: -32 * FAHRENHEIT },
  { re: /^°?c$|celsius$|^degc$/i, unit: '°C', kind: 'temperature', factor: 1 },
  { re: /^lux$|^lx$/i, unit: 'lux', kind: 'light', factor: 1 },
  { re: /^l\/min$|^lpm$/i, unit: 'l/min', kind: 'flow', factor: 1 },
  { re: /^l\/h$/i, unit: 'l/min', kind: 'flow', factor: 1 / 60 },
];
/** Words of a head that say what a column is, where they name no unit. */
const WORDS: readonly (readonly [RegExp, TraceKind, string])[] = [
  [/power|watt|load|draw/i, 'power', 'W'],
  [/current|amp/i, 'current', 'A'],
  [/temp/i, 'temperature', '°C'],
  [/light|lux|illumin/i, 'light', 'lux'],
  [/flow/i, 'flow', 'l/min'],
];
const TIME_WORDS = /^(time|date|when|timestamp|datetime|t|seconds?|secs?|ms|elapsed|clock|epoch)\b|time|stamp|date/i;

/** The unit that a text names, or undefined. */
export const tracedUnit = (text: string): UnitSpec | undefined => UNITS.find((u) => u.re.test(text.trim()));

/** The unit within a head such as `power (kW)`, `Power_W`, `temperature [°C]`. */
function unitInHead(name: string): UnitSpec | undefined {
  const inside = /[([{]\s*([^)\]}]+)[)\]}]/.exec(name)?.[1];
  return (inside !== undefined ? tracedUnit(inside) : undefined) ?? tracedUnit(name.split(/[\s_\-,:]+/).at(-1) ?? '');
}

const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;
const NUMBER_WITH_UNIT = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?)\s*([a-z°/%]*)$/i;
const DATE_YEAR = /^\d{4}[-/.]\d{1,2}[-/.]\d{1,2}/;
const DATE_OTHER = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})/;
const CLOCK = /^\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?$/;

const unquoted = (cell: string): string =>
  cell
    .trim()
    .replace(/^"(.*)"$/, '$1')
    .trim();
const split = (line: string, separator: number): string[] =>
  separator === 32 ? line.trim().split(/\s+/) : line.split(String.fromCharCode(separator)).map(unquoted);

const isTime = (cell: string): boolean => DATE_YEAR.test(cell) || DATE_OTHER.test(cell) || CLOCK.test(cell);
const isValue = (cell: string): boolean => NUMBER_WITH_UNIT.test(cell);

const SEMICOLON = 59;
const TAB = 9;
const COMMA = 44;
const BLANK = 32;
const DOT = 46;
/** Most lines before the first sample. */
const MOST_HEAD = 200;

/** Whether a row has a time and a number, or two numbers; what else stands in it says nothing. */
function isSample(row: readonly string[]): boolean {
  const times = row.filter(isTime).length;
  const numbers = row.filter((c) => isValue(c) && !isTime(c)).length;
  return numbers > 1 || (numbers > 0 && times > 0);
}

/** The byte that parts the cells: the one that gives the most lines of one count of cells, two at least. */
function separatorOf(lines: readonly string[]): number {
  const scored = [SEMICOLON, TAB, COMMA, BLANK].map((s) => {
    const counts = new Map<number, number>();
    for (const l of lines) {
      const cells = split(l, s);
      if (cells.length > 1 && cells.some(isValue)) counts.set(cells.length, (counts.get(cells.length) ?? 0) + 1);
    }
    return { s, lines: Math.max(0, ...counts.values()) };
  });
  // A decimal comma splits as well as a separator does: the first in this order wins a tie.
  return scored.reduce((best, x) => (x.lines > best.lines ? x : best)).s;
}

/**
 * How a file is laid out, from its first lines.
 * @throws TraceProblem where there is no row with a time and a number.
 */
export function layoutOf(head: string): TraceLayout {
  const lines = head.split(/\r?\n/).filter((l, i, all) => i < all.length - 1 || l.trim() !== '');
  const filled = lines.filter((l) => l.trim() !== '');
  const separator = separatorOf(filled.slice(0, MOST_HEAD));
  const cells = lines.map((l) => split(l, separator));
  const first = cells.findIndex(isSample);
  if (first < 0)
    throw new TraceProblem(
      'No row has a time and a number.',
      'the beginning of the file',
      'Give a table with a column of times and a column of numbers, with or without a head.',
    );
  const rows = cells.slice(first).filter((row) => row.length > 1);
  const width = firstItem(rows).length;
  const headRow = cells
    .slice(0, first)
    .reverse()
    .find((row) => row.length === width);
  const names = Array.from({ length: width }, (_, i) => headRow?.[i] ?? `column ${i + 1}`);
  const time = timeColumn(rows, names);
  return { separator, headLines: first, names, ...time, ...valueColumn(rows, names, time, separator) };
}

type TimePart = Pick<TraceLayout, 'timeColumn' | 'timeForm' | 'timeFactor' | 'clockColumn' | 'dayOrMonth'>;

/** Epoch seconds lie between 1973 and 5138; from there on the same count is in thousandths, or millionths. */
const EPOCH = { seconds: 1e8, millis: 1e11, micros: 1e14 } as const;

const FORM_OF_TIME = { timeFactor: 1, clockColumn: -1, dayOrMonth: false } as const;

function timeColumn(rows: readonly string[][], names: readonly string[]): TimePart {
  const row = firstItem(rows);
  const dated = row.findIndex((c) => DATE_YEAR.test(c) || DATE_OTHER.test(c));
  if (dated >= 0) return datedColumn(rows, dated);
  const clock = row.findIndex((c) => CLOCK.test(c));
  if (clock >= 0) return { ...FORM_OF_TIME, timeColumn: clock, timeForm: 'clock' };
  return countedColumn(rows, names);
}

/** Dates with a time of day in the same cell, or in the next column. */
function datedColumn(rows: readonly string[][], column: number): TimePart {
  const row = firstItem(rows);
  const first = itemAt(row, column);
  const clockColumn = /[T ]\d{1,2}:/.test(first) ? -1 : row.findIndex((c) => CLOCK.test(c));
  if (DATE_YEAR.test(first)) return { ...FORM_OF_TIME, timeColumn: column, timeForm: 'year-first', clockColumn };
  const parts = rows.map((r) => DATE_OTHER.exec(r[column] ?? ''));
  const over = (part: 1 | 2): boolean => parts.some((m) => m !== null && Number(m[part]) > MONTHS);
  const dayFirst = over(1) || /^\d{1,2}\./.test(first);
  return {
    timeColumn: column,
    timeForm: over(2) ? 'month-first' : 'day-first',
    timeFactor: 1,
    clockColumn,
    dayOrMonth: !over(2) && !dayFirst,
  };
}
const MONTHS = 12;

/** Seconds in what a head says that times are counted in. */
const COUNTED_IN: readonly (readonly [RegExp, number])[] = [
  [/\bms\b|millis/i, 1e-3],
  [/\bmin(utes?)?\b/i, 60],
  [/\bhours?\b|\bh\b/i, 3600],
];

/** Times as numbers: since 1970, or since the recording began. */
function countedColumn(rows: readonly string[][], names: readonly string[]): TimePart {
  const rises = (i: number): boolean =>
    rows.length > 1 && rows.every((r, k) => k === 0 || plain(r[i]) >= plain(itemAt(rows, k - 1)[i]));
  const named = names.findIndex((n) => TIME_WORDS.test(n));
  const rising = firstItem(rows).findIndex((_, i) => rises(i));
  const column = Math.max(0, named >= 0 ? named : rising);
  const at = plain(firstItem(rows)[column]);
  const said = COUNTED_IN.find(([re]) => re.test(itemAt(names, column)))?.[1];
  if (said === undefined && at >= EPOCH.seconds) {
    const timeFactor = at >= EPOCH.micros ? 1e-6 : at >= EPOCH.millis ? 1e-3 : 1;
    return { ...FORM_OF_TIME, timeColumn: column, timeForm: 'epoch', timeFactor };
  }
  const timeForm = at >= EPOCH.millis ? 'epoch' : 'elapsed';
  return { ...FORM_OF_TIME, timeColumn: column, timeForm, timeFactor: said ?? 1 };
}

const plain = (cell: string | undefined): number =>
  cell !== undefined && NUMBER.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN;

function valueColumn(
  rows: readonly string[][],
  names: readonly string[],
  time: TimePart,
  separator: number,
): Pick<TraceLayout, 'valueColumn' | 'unit' | 'kind' | 'factor' | 'shift' | 'unitGuessed' | 'decimal'> {
  const row = firstItem(rows);
  const candidates = row.flatMap((c, i) => (i !== time.timeColumn && i !== time.clockColumn && isValue(c) ? [i] : []));
  const described = candidates.map((i) => {
    const inCell = tracedUnit(NUMBER_WITH_UNIT.exec(itemAt(row, i))?.[2] ?? '');
    const inHead = unitInHead(itemAt(names, i));
    const word = WORDS.find(([re]) => re.test(itemAt(names, i)));
    return {
      i,
      spec: inCell ?? inHead,
      kind: (inCell ?? inHead)?.kind ?? word?.[1],
      unit: (inCell ?? inHead)?.unit ?? word?.[2],
    };
  });
  const chosen =
    described.find((d) => d.kind === 'power') ?? described.find((d) => d.kind !== undefined) ?? described[0];
  if (!chosen)
    throw new TraceProblem(
      'Beside the times there is no column of numbers.',
      `row 1 of the samples`,
      'Give a table with a column of times and a column of numbers.',
    );
  const comma =
    separator !== COMMA &&
    rows.some((r) => /\d,\d/.test(r[chosen.i] ?? '') || /^\d+,\d+$/.test(r[time.timeColumn] ?? ''));
  return {
    valueColumn: chosen.i,
    unit: chosen.unit ?? 'W',
    kind: chosen.kind ?? 'power',
    factor: chosen.spec?.factor ?? 1,
    shift: chosen.spec?.shift ?? 0,
    unitGuessed: chosen.spec === undefined,
    decimal: comma ? COMMA : DOT,
  };
}
