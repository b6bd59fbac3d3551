import { itemAt } from '../../ground/lists';
import { Cells, DAY_SECONDS, HOUR_SECONDS } from './cells';
import { layoutOf, tracedUnit, type TraceLayout } from './layout';
import type { PlainOrder, PlainPart } from './part';
import { plainRows, type PlainState } from './plain-rows';
import { TraceProblem } from './problem';
import { Samples } from './samples';
import { MARKS, type OddRow, type OddReason, type Recording } from './trace';

/** Largest recording that is read, samples: two weeks at ten a second, and what a page bears. */
export const MOST_SAMPLES = 20_000_000;
/** What of a file shows how it is laid out, bytes. */
const HEAD_BYTES = 65_536;
/** A line that goes on longer is no table, bytes. */
const LONGEST_LINE = 100_000;
/** So many odd rows are told one by one. */
const MOST_MARKS = 50;
/** A gap is longer than so many usual steps. */
const GAP_STEPS = 10;
const LF = 10;
const CR = 13;
const BLANK = 32;
const QUOTE = 34;
const DOT = 46;
const COMMA = 44;
const LETTER_T = 84;
/** What of an odd row is shown, bytes. */
const SHOWN_BYTES = 60;

/** What of a layout the maker says otherwise. */
export type LayoutChange = Partial<
  Pick<TraceLayout, 'timeForm' | 'timeColumn' | 'valueColumn' | 'unit' | 'unitGuessed' | 'factor' | 'shift' | 'kind'>
>;

/** The change of a layout that takes its values in a unit that the maker says; none for a unit that is not known. */
export function takenAs(said: string): LayoutChange {
  const unit = tracedUnit(said);
  return unit
    ? { unit: unit.unit, kind: unit.kind, factor: unit.factor, shift: unit.shift ?? 0, unitGuessed: false }
    : {};
}

/** Reads a recording piece by piece. Memory grows with its samples, never with its text. */
export class TraceReader {
  private readonly cells = new Cells();
  private readonly samples = new Samples(MOST_SAMPLES);
  private carry = new Uint8Array(0);
  private line = 0;
  private rows = 0;
  private decimals = 0;
  private repeats = 0;
  private shift = 0;
  private last = Number.NEGATIVE_INFINITY;
  private base = Number.NaN;
  private zoned = false;
  private readonly marks: OddRow[] = [];
  private readonly odd = Object.fromEntries(MARKS.map((m) => [m, 0])) as Record<OddReason, number>;
  layout: TraceLayout | undefined;

  constructor(
    private readonly name: string,
    private readonly change: LayoutChange = {},
  ) {}

  /** @throws TraceProblem where the text is no table of samples. */
  push(piece: Uint8Array): void {
    let bytes = piece;
    if (this.carry.length > 0) {
      bytes = new Uint8Array(this.carry.length + piece.length);
      bytes.set(this.carry);
      bytes.set(piece, this.carry.length);
    }
    if (!this.layout && bytes.length < HEAD_BYTES) {
      this.carry = bytes.slice();
      return;
    }
    const cut = bytes.lastIndexOf(LF);
    if (cut < 0 || bytes.length - cut > LONGEST_LINE)
      throw new TraceProblem(
        'This is no table: a line of it never ends.',
        `line ${this.line + 1}`,
        'Give a table with a row for each sample.',
      );
    this.take(bytes, cut + 1);
    this.carry = bytes.slice(cut + 1);
  }

  /** Makes room for a file of which what was read so far is one of so many parts alike. */
  expect(parts: number): void {
    // A twentieth more: rows further on may be shorter.
    this.samples.expect(Math.ceil(1.05 * (parts - 1) * this.samples.count));
  }

  /** How another thread can read rows further on; null where it cannot, or where no sample was read yet. */
  plainOrder(): PlainOrder | null {
    const plain = this.layout ? this.plain(this.layout) : null;
    if (!plain || Number.isNaN(this.base)) return null;
    const { separator, timeFactor, factor, shift } = plain;
    return { separator, timeFactor, factor, shift, base: this.base - this.shift };
  }

  /** Takes what another thread read of the rows that follow. False, and nothing taken, where they do not follow on. */
  append(part: PlainPart): boolean {
    const [first] = part.seconds;
    if (this.carry.length > 0 || first === undefined || first < this.last) return false;
    if (!this.samples.append(part.seconds, part.values)) return false;
    this.repeats += part.repeats + (first === this.last ? 1 : 0);
    this.last = itemAt(part.seconds, part.seconds.length - 1);
    this.decimals = Math.max(this.decimals, part.decimals);
    this.rows += part.rows;
    this.line += part.rows;
    return true;
  }

  /** @throws TraceProblem where there are too few samples to be a recording. */
  end(): Recording {
    const rest = this.carry;
    if (rest.length > 0) {
      const whole = new Uint8Array(rest.length + 1);
      whole.set(rest);
      whole[rest.length] = LF;
      this.take(whole, whole.length);
    }
    const { layout } = this;
    if (!layout) throw new TraceProblem('The file is empty.', 'the beginning', 'Record again.');
    if (this.samples.count < 2)
      throw new TraceProblem(
        this.rows === 0
          ? 'There is a head, and no sample.'
          : `Of ${this.rows} rows ${this.samples.count} could be read.`,
        this.marks[0] ? `line ${this.marks[0].line}` : 'the whole file',
        'A recording needs two samples at least; look at the times and the numbers of that line.',
      );
    const { seconds, values } = this.samples.done();
    const stepSeconds = usualStep(seconds);
    return {
      kind: layout.kind,
      unit: layout.unit,
      name: this.name,
      unitGuessed: layout.unitGuessed,
      columns: columnsOf(layout),
      seconds,
      values,
      startsAtMs: layout.timeForm === 'elapsed' || layout.timeForm === 'clock' ? null : this.base * 1000,
      digit: Math.abs(layout.factor) * 10 ** -this.decimals,
      stepSeconds,
      gaps: gapsIn(seconds, stepSeconds),
      repeats: this.repeats,
      marks: this.marks,
      odd: this.odd,
      dayOrMonth: layout.dayOrMonth,
      rows: this.rows,
    };
  }

  private take(bytes: Uint8Array, end: number): void {
    let from = 0;
    if (!this.layout) {
      if (bytes.subarray(0, 4096).includes(0))
        throw new TraceProblem('This is no text file.', 'the beginning', 'Export the recording as a table of text.');
      this.layout = {
        ...layoutOf(new TextDecoder().decode(bytes.subarray(0, Math.min(end, HEAD_BYTES)))),
        ...this.change,
      };
      this.cells.commaParts = this.layout.separator === COMMA;
      for (; this.line < this.layout.headLines; this.line++) from = bytes.indexOf(LF, from) + 1;
    }
    const plain = this.plain(this.layout);
    while (from < end) {
      if (plain && !Number.isNaN(this.base)) {
        from = this.plainly(plain, bytes, from, end);
        if (from >= end) break;
      }
      this.line++;
      from = this.row(bytes, from, this.layout);
    }
  }

  /** What plain rows of a layout are read by; null where its rows are not plain. */
  private plain(layout: TraceLayout): PlainState | null {
    const { timeForm, timeColumn, valueColumn, decimal, separator, timeFactor, factor, shift } = layout;
    if (timeColumn !== 0 || valueColumn !== 1 || decimal !== DOT) return null;
    if (timeForm !== 'elapsed' && timeForm !== 'epoch') return null;
    const { samples } = this;
    const counts = { base: 0, last: 0, rows: 0, repeats: 0, decimals: 0 };
    return { separator, timeFactor, factor, shift, samples, ...counts };
  }

  private plainly(plain: PlainState, bytes: Uint8Array, from: number, end: number): number {
    plain.base = this.base - this.shift;
    plain.last = this.last;
    plain.decimals = this.decimals;
    plain.rows = 0;
    plain.repeats = 0;
    const at = plainRows(bytes, from, end, plain);
    this.last = plain.last;
    this.decimals = plain.decimals;
    this.rows += plain.rows;
    this.line += plain.rows;
    this.repeats += plain.repeats;
    return at;
  }

  /** One line; gives where the next one begins. What is read ends in a line feed, so that no place needs to be held against the end. */
  private row(b: Uint8Array, from: number, layout: TraceLayout): number {
    const { separator, timeColumn, valueColumn, clockColumn } = layout;
    const lastColumn = Math.max(timeColumn, valueColumn, clockColumn);
    let p = from;
    let time = Number.NaN;
    let clock = 0;
    let value = Number.NaN;
    let c = 0;
    for (let column = 0; column <= lastColumn && c !== LF; column++) {
      while (b[p] === BLANK || b[p] === QUOTE) p++;
      if (column === timeColumn) {
        time = this.time(b, p, layout);
        p = this.cells.at;
      } else if (column === valueColumn) {
        value = this.value(b, p, layout);
        p = this.cells.at;
      } else if (column === clockColumn) {
        this.cells.at = p;
        clock = this.cells.clock(b);
        p = this.cells.at;
      }
      while (p < b.length && (c = b[p]!) !== separator && c !== LF) p++;
      p++;
    }
    if (c !== LF) p = b.indexOf(LF, p) + 1;
    if (isBlank(b, from, p)) return p;
    this.rows++;
    if (Number.isNaN(value)) this.mark('no-number', b, from);
    else if (Number.isNaN(time + clock)) this.mark('no-time', b, from);
    else this.keep(time + clock, value, b, from);
    return p;
  }

  private time(b: Uint8Array, from: number, layout: TraceLayout): number {
    const { cells } = this;
    cells.at = from;
    switch (layout.timeForm) {
      case 'elapsed':
      case 'epoch':
        return cells.number(b, from, layout.decimal) * layout.timeFactor;
      case 'clock':
        return cells.clock(b);
      default: {
        const day = cells.date(b, layout.timeForm);
        if (layout.clockColumn >= 0 || (b[cells.at] !== LETTER_T && b[cells.at] !== BLANK)) return day;
        cells.at++;
        const clock = cells.clock(b);
        if (Number.isNaN(clock)) return day;
        const zone = cells.zone(b);
        if (zone !== null) this.zoned = true;
        return day + clock - (zone ?? 0);
      }
    }
  }

  private value(b: Uint8Array, from: number, layout: TraceLayout): number {
    const { cells } = this;
    const written = cells.number(b, from, layout.decimal);
    if (Number.isNaN(written)) return written;
    if (cells.decimals > this.decimals) this.decimals = cells.decimals;
    let p = cells.at;
    while (b[p] === BLANK && layout.separator !== BLANK) p++;
    const c = b[p];
    if (c === layout.separator || c === LF || c === CR || c === QUOTE) return written * layout.factor + layout.shift;
    return this.withUnit(written, b, p, layout);
  }

  /** A number with a unit of its own behind it: taken by that, and marked where the head or the first row said another. */
  private withUnit(written: number, b: Uint8Array, from: number, layout: TraceLayout): number {
    let p = from;
    while (b[p] !== layout.separator && b[p] !== QUOTE && b[p] !== LF && b[p] !== CR) p++;
    const unit = tracedUnit(new TextDecoder().decode(b.subarray(from, p)));
    this.cells.at = p;
    if (!unit || unit.kind !== layout.kind) return Number.NaN;
    if (unit.factor !== layout.factor) this.mark('other-unit', b, from);
    return written * unit.factor + (unit.shift ?? 0);
  }

  private keep(time: number, value: number, b: Uint8Array, from: number): void {
    if (Number.isNaN(this.base)) this.base = time;
    let t = time - this.base + this.shift;
    if (t < this.last) {
      const back = this.last - t;
      const { timeForm } = this.layout!;
      if (timeForm === 'clock' && back > DAY_SECONDS / 2) {
        this.shift += DAY_SECONDS;
        t += DAY_SECONDS;
      } else if (timeForm !== 'elapsed' && timeForm !== 'epoch' && !this.zoned && isAnHour(back)) {
        // A clock without a zone is set back by an hour once a year.
        this.shift += HOUR_SECONDS;
        t += HOUR_SECONDS;
        this.mark('clock-set-back', b, from);
      } else return this.mark('backwards', b, from);
    }
    if (t === this.last) this.repeats++;
    this.last = t;
    if (!this.samples.push(t, value))
      throw new TraceProblem(
        `The recording has over ${MOST_SAMPLES / 1e6} million samples.`,
        `line ${this.line}`,
        'Cut it into parts of some weeks, or record less often: nothing was changed.',
      );
  }

  private mark(reason: OddReason, b: Uint8Array, from: number): void {
    this.odd[reason]++;
    if (this.marks.length >= MOST_MARKS) return;
    const cell = new TextDecoder().decode(b.subarray(from, Math.min(b.indexOf(LF, from), from + SHOWN_BYTES))).trim();
    this.marks.push({ line: this.line, reason, cell });
  }
}

/** What a clock jumps by when it is set back, with a sample's step less: about an hour. */
const isAnHour = (seconds: number): boolean => seconds <= HOUR_SECONDS && seconds > HOUR_SECONDS - 600;

/** What the columns of a layout are called. */
const columnsOf = ({ names, timeColumn, valueColumn, clockColumn }: TraceLayout): Recording['columns'] => ({
  time: itemAt(names, timeColumn),
  value: itemAt(names, valueColumn),
  others: names.filter((_, i) => i !== timeColumn && i !== valueColumn && i !== clockColumn),
});

/** Whether nothing stands between two places but the end of a line. */
const isBlank = (b: Uint8Array, from: number, next: number): boolean =>
  next - from <= 1 || (next - from === 2 && b[from] === CR);

/** Most steps that the usual one is taken from. */
const MOST_STEPS = 100_001;

/** The median step between samples, s; from steps spread evenly over a long recording. */
function usualStep(seconds: Float64Array): number {
  const every = Math.max(1, Math.floor((seconds.length - 1) / MOST_STEPS));
  const steps: number[] = [];
  for (let i = 1; i < seconds.length; i += every) {
    const step = seconds[i]! - seconds[i - 1]!;
    if (step > 0) steps.push(step);
  }
  if (steps.length === 0) return 0;
  const sorted = Float64Array.from(steps).sort();
  return sorted[sorted.length >> 1]!;
}

/** Stretches without samples that are longer than ten usual steps. */
function gapsIn(seconds: Float64Array, step: number): { fromSeconds: number; toSeconds: number }[] {
  const gaps: { fromSeconds: number; toSeconds: number }[] = [];
  if (step <= 0) return gaps;
  for (let i = 1; i < seconds.length; i++) {
    const a = seconds[i - 1]!;
    const b = seconds[i]!;
    if (b - a > GAP_STEPS * step) gaps.push({ fromSeconds: a, toSeconds: b });
  }
  return gaps;
}
