import { firstItem, itemAt, present } from '../../ground/lists';
import Papa from 'papaparse';
import { CaptureProblem } from './problem';
import { MOST_LINES, TimingRecorder, type CaptureTiming } from './timing';

const TIME_UNITS: readonly (readonly [RegExp, number])[] = [
  [/\b(ns|nanosec)/i, 1e-9],
  [/\b(us|µs|microsec)/i, 1e-6],
  [/\b(ms|millisec)/i, 1e-3],
];

/**
 * Reads a capture as CSV piece by piece: a head line, a time column first, then one column a line with 0 and 1 or with volts.
 * Volts count as high above half of the highest value seen in the first rows. Throws CaptureProblem where a cell cannot be read.
 */
export class CsvReader {
  private readonly decoder = new TextDecoder();
  private carry = '';
  private row = 0;
  private tick = 1;
  private columns: number[] = [];
  private recorder: TimingRecorder | undefined;
  private threshold = 0.5;
  private last = Number.NEGATIVE_INFINITY;
  private delimiter = '';

  constructor(private readonly only: readonly string[] = []) {}

  push(piece: Uint8Array): void {
    const text = this.carry + this.decoder.decode(piece, { stream: true });
    const cut = text.lastIndexOf('\n');
    this.carry = text.slice(cut + 1);
    if (this.carry.length > 100_000)
      throw new CaptureProblem(
        'This is no table: a line of it never ends.',
        `row ${this.row + 1}`,
        'Pick a file with a time column and one column a line.',
      );
    if (cut >= 0) this.rows(text.slice(0, cut));
  }

  end(): { timing: CaptureTiming; cutOff: boolean } {
    const cells = this.carry.trim() ? this.carry.split(this.delimiter || ',').length : 0;
    const cutOff = cells > 0 && this.recorder !== undefined && cells <= Math.max(...this.columns);
    if (this.carry.trim() && !cutOff) this.rows(this.carry);
    if (!this.recorder || this.row < 2)
      throw new CaptureProblem(
        'The table has a head and no rows, or not even that.',
        `row ${this.row + 1}`,
        'Record again; the capture is empty.',
      );
    return { timing: this.recorder.result(), cutOff };
  }

  private rows(text: string): void {
    const { data, meta } = Papa.parse<string[]>(text, {
      skipEmptyLines: true,
      ...(this.delimiter ? { delimiter: this.delimiter } : {}),
    });
    this.delimiter ||= meta.delimiter;
    let from = 0;
    if (!this.recorder) {
      this.head(data[0] ?? []);
      from = 1;
      this.row = 1;
      const first = data
        .slice(1, 2000)
        .flatMap((r) => this.columns.map((c) => Number(r[c])))
        .filter(Number.isFinite);
      const top = first.reduce((a, b) => Math.max(a, b), 0);
      this.threshold = top > 1.2 ? top / 2 : 0.5;
    }
    for (let i = from; i < data.length; i++) this.take(itemAt(data, i));
  }

  private head(cells: string[]): void {
    if (cells.length < 2 || cells.slice(1).every((c) => c.trim() !== '' && Number.isFinite(Number(c))))
      throw new CaptureProblem(
        'The first row is no head line with a time column and line names.',
        'row 1',
        'Add a first row such as: time,row1,row2,col1',
      );
    this.tick = TIME_UNITS.find(([words]) => words.test(firstItem(cells)))?.[1] ?? 1;
    const names = cells.slice(1).map((c) => c.trim());
    const missing = this.only.filter((o) => !names.includes(o));
    if (missing.length)
      throw new CaptureProblem(
        `There is no column ${missing.join(', ')}.`,
        'row 1',
        `The table has: ${names.slice(0, 40).join(', ')}.`,
      );
    const chosen = names
      .map((name, i) => ({ name, column: i + 1 }))
      .filter(({ name }) => name && (this.only.length === 0 || this.only.includes(name)));
    if (chosen.length > MOST_LINES)
      throw new CaptureProblem(
        `The table has ${chosen.length} lines; ${MOST_LINES} can be followed.`,
        'row 1',
        `Name those of the keypad: ${names.slice(0, 40).join(', ')}.`,
      );
    this.columns = chosen.map((c) => c.column);
    this.recorder = new TimingRecorder(chosen.map((c) => c.name));
  }

  private take(cells: string[]): void {
    this.row++;
    const where = `row ${this.row}`;
    const time = Number(cells[0]) * this.tick;
    if (!cells[0]?.trim() || !Number.isFinite(time))
      throw new CaptureProblem(
        `"${(cells[0] ?? '').slice(0, 30)}" is no time.`,
        where,
        'The first column must hold times as numbers.',
      );
    if (time < this.last)
      throw new CaptureProblem(
        `Time runs backwards here: ${cells[0]} after a later one.`,
        where,
        'Sort the rows by time, or export the capture anew.',
      );
    this.last = time;
    present(this.recorder).advance(time);
    this.columns.forEach((c, line) => {
      const cell = cells[c];
      const value = Number(cell);
      if (cell === undefined || cell.trim() === '' || !Number.isFinite(value))
        throw new CaptureProblem(
          `"${(cell ?? '').slice(0, 30)}" is no level.`,
          `${where}, column ${c + 1}`,
          'Levels are 0 and 1, or volts.',
        );
      present(this.recorder).set(line, value > this.threshold ? 1 : 0);
    });
  }
}
