import { itemAt, realAt } from '../../ground/lists';
/** Most lines that one analysis follows; a keypad's tail has fewer. */
export const MOST_LINES = 16;
/** Intervals kept per line for medians; later ones are counted and no longer kept. */
const KEPT = 8192;
/** Events kept for drawing, from the beginning. */
const DRAWN = 4000;

/** A level change: line index, time in seconds, new level. */
export interface Edge {
  readonly line: number;
  readonly at: number;
  readonly level: 0 | 1;
}

/** What is known of one line after the last event. Times in seconds. */
export interface LineTiming {
  readonly name: string;
  /** Changes to low and to high. */
  readonly falls: number;
  readonly rises: number;
  readonly lowSeconds: number;
  readonly highSeconds: number;
  /** Median from one fall to the next, and from fall to rise and rise to fall; null where too few were seen. */
  readonly periodSeconds: number | null;
  readonly lowWidthSeconds: number | null;
  readonly highWidthSeconds: number | null;
  /** Share of periods that lie within a tenth of the median. */
  readonly steadyShare: number;
}

/** What a whole capture comes down to, in memory that does not grow with its length. */
export interface CaptureTiming {
  readonly lines: readonly LineTiming[];
  readonly seconds: number;
  readonly events: number;
  /** Seconds spent in each combination of levels; bit i of the key is line i. */
  readonly together: ReadonlyMap<number, number>;
  /** How often line j was the next to fall (rise) after line i fell (rose). */
  readonly nextFall: readonly (readonly number[])[];
  readonly nextRise: readonly (readonly number[])[];
  /** The first events, for drawing. */
  readonly excerpt: readonly Edge[];
}

function median(list: Float64Array, n: number): number | null {
  if (n < 2) return null;
  const sorted = list.slice(0, n).sort();
  return realAt(sorted, n >> 1);
}

/** One line's running record. */
class LineRecord {
  falls = 0;
  rises = 0;
  low = 0;
  high = 0;
  lastFall = -1;
  lastRise = -1;
  readonly periods = new Float64Array(KEPT);
  readonly lows = new Float64Array(KEPT);
  readonly highs = new Float64Array(KEPT);
  periodCount = 0;
  lowCount = 0;
  highCount = 0;

  fall(at: number): void {
    if (this.falls > 0 && this.periodCount < KEPT) this.periods[this.periodCount++] = at - this.lastFall;
    if (this.rises > 0 && this.highCount < KEPT) this.highs[this.highCount++] = at - this.lastRise;
    this.falls++;
    this.lastFall = at;
  }

  rise(at: number): void {
    if (this.falls > 0 && this.lowCount < KEPT) this.lows[this.lowCount++] = at - this.lastFall;
    this.rises++;
    this.lastRise = at;
  }

  result(name: string): LineTiming {
    const period = median(this.periods, this.periodCount);
    let near = 0;
    if (period !== null)
      for (let i = 0; i < this.periodCount; i++) if (Math.abs(realAt(this.periods, i) - period) <= 0.1 * period) near++;
    return {
      name,
      falls: this.falls,
      rises: this.rises,
      lowSeconds: this.low,
      highSeconds: this.high,
      periodSeconds: period,
      lowWidthSeconds: median(this.lows, this.lowCount),
      highWidthSeconds: median(this.highs, this.highCount),
      steadyShare: this.periodCount ? near / this.periodCount : 0,
    };
  }
}

/** Takes level changes one by one and keeps only what the timing comes down to. */
export class TimingRecorder {
  private readonly records: LineRecord[];
  private readonly together: Float64Array;
  private readonly falls: Float64Array;
  private readonly rises: Float64Array;
  private readonly excerpt: Edge[] = [];
  private mask = 0;
  private seen = 0;
  private began = 0;
  private at = 0;
  private lastFallen = -1;
  private lastRisen = -1;
  private events = 0;

  /** @param names up to MOST_LINES line names. Throws RangeError for more. */
  constructor(private readonly names: readonly string[]) {
    if (names.length > MOST_LINES) throw new RangeError(`at most ${MOST_LINES} lines are followed`);
    this.records = names.map(() => new LineRecord());
    this.together = new Float64Array(2 ** names.length);
    this.falls = new Float64Array(names.length ** 2);
    this.rises = new Float64Array(names.length ** 2);
  }

  /** Moves the clock on; the levels stay as they are. `at` must not lie before the last call. */
  advance(at: number): void {
    if (this.events === 0) this.began = this.at = at;
    const passed = at - this.at;
    if (passed > 0) {
      this.together[this.mask] = realAt(this.together, this.mask) + passed;
      this.at = at;
    }
  }

  /** A line takes a level now. The first level of a line is its beginning, not a change. */
  set(line: number, level: 0 | 1): void {
    this.events++;
    const bit = 1 << line;
    const known = (this.seen & bit) !== 0;
    if (known && (this.mask & bit ? 1 : 0) === level) return;
    this.mask = level ? this.mask | bit : this.mask & ~bit;
    this.seen |= bit;
    if (this.excerpt.length < DRAWN) this.excerpt.push({ line, at: this.at, level });
    if (!known) return;
    const n = this.names.length;
    if (level) {
      itemAt(this.records, line).rise(this.at);
      if (this.lastRisen >= 0)
        this.rises[this.lastRisen * n + line] = realAt(this.rises, this.lastRisen * n + line) + 1;
      this.lastRisen = line;
    } else {
      itemAt(this.records, line).fall(this.at);
      if (this.lastFallen >= 0)
        this.falls[this.lastFallen * n + line] = realAt(this.falls, this.lastFallen * n + line) + 1;
      this.lastFallen = line;
    }
  }

  result(): CaptureTiming {
    const n = this.names.length;
    const together = new Map<number, number>();
    this.together.forEach((seconds, mask) => {
      if (seconds > 0) {
        together.set(mask, seconds);
        for (let i = 0; i < n; i++)
          if (mask & (1 << i)) itemAt(this.records, i).high += seconds;
          else itemAt(this.records, i).low += seconds;
      }
    });
    const square = (flat: Float64Array): number[][] => this.names.map((_, i) => [...flat.subarray(i * n, (i + 1) * n)]);
    const lines = this.records.map((r, i) => r.result(itemAt(this.names, i)));
    this.records.forEach((r) => (r.high = r.low = 0));
    return {
      lines,
      seconds: this.at - this.began,
      events: this.events,
      together,
      nextFall: square(this.falls),
      nextRise: square(this.rises),
      excerpt: this.excerpt,
    };
  }
}
