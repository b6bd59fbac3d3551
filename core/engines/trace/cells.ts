/** Numbers and times out of the bytes of a cell, without a text in between: a file has millions of them. */

const ZERO = 48;
const NINE = 57;
const DOT = 46;
const COMMA = 44;
const COLON = 58;
const MINUS = 45;
const PLUS = 43;
const SMALL_E = 101;
const LARGE_E = 69;
const ZULU = 90;
const SLASH = 47;
/** What parts a day, a month and a year. */
const DATE_STROKES: readonly number[] = [MINUS, DOT, SLASH];
/** What may stand in a number beside digits and its point. */
const SIGNS: readonly number[] = [MINUS, PLUS, SMALL_E, LARGE_E];
const POINTS: readonly number[] = Array.from({ length: 23 }, (_, i) => 10 ** i);
/** Digits that a double holds exactly. */
const MOST_DIGITS = 15;
export const DAY_SECONDS = 86400;
export const HOUR_SECONDS = 3600;
const MINUTE_SECONDS = 60;

/** Reads cells one by one; `at` is where the last one ended, `decimals` how many digits stood behind its point. */
export class Cells {
  at = 0;
  /** Whether a comma parts cells, and so no seconds. */
  commaParts = false;
  decimals = 0;
  private dayKey = -1;
  private dayStart = 0;

  /** The number that begins at `from`, or NaN; `decimal` is the byte of its point. What is read ends in a line feed. */
  number(b: Uint8Array, from: number, decimal: number): number {
    let p = from;
    let c = b[p]!;
    const negative = c === MINUS;
    if (negative || c === PLUS) c = b[++p]!;
    const first = p;
    let mantissa = 0;
    while (c >= ZERO && c <= NINE) {
      mantissa = mantissa * 10 + (c - ZERO);
      c = b[++p]!;
    }
    let digits = p - first;
    let behind = 0;
    if (c === decimal) {
      const point = p;
      c = b[++p]!;
      while (c >= ZERO && c <= NINE) {
        mantissa = mantissa * 10 + (c - ZERO);
        c = b[++p]!;
      }
      behind = p - point - 1;
      digits += behind;
    }
    this.at = p;
    this.decimals = behind;
    if (digits === 0) return Number.NaN;
    if (c === SMALL_E || c === LARGE_E || digits > MOST_DIGITS) return this.slow(b, from, decimal);
    const value = behind === 0 ? mantissa : mantissa / POINTS[behind]!;
    return negative ? -value : value;
  }

  /** With an exponent, or more digits than a double holds: as the language reads it. */
  private slow(b: Uint8Array, from: number, decimal: number): number {
    let p = from;
    let text = '';
    for (let c = b[p]!; (c >= ZERO && c <= NINE) || c === decimal || SIGNS.includes(c); c = b[++p]!)
      text += c === decimal ? '.' : String.fromCharCode(c);
    this.at = p;
    return text === '' ? Number.NaN : Number(text);
  }

  /** A whole number at `at`; NaN where there is none. */
  private whole(b: Uint8Array): number {
    let p = this.at;
    const from = p;
    let n = 0;
    for (let c = b[p]!; c >= ZERO && c <= NINE; c = b[++p]!) n = n * 10 + (c - ZERO);
    this.at = p;
    return p === from ? Number.NaN : n;
  }

  /** The whole number behind the stroke, dot or slash at `at`; NaN where none of these stands there. */
  private next(b: Uint8Array): number {
    if (!DATE_STROKES.includes(b[this.at]!)) return Number.NaN;
    this.at++;
    return this.whole(b);
  }

  /** A time of day at `at`, in seconds: `14:05`, `14:05:09`, `14:05:09.25`; NaN where there is none. */
  clock(b: Uint8Array): number {
    const hours = this.whole(b);
    if (b[this.at] !== COLON) return Number.NaN;
    this.at++;
    const minutes = this.whole(b);
    let seconds = 0;
    if (b[this.at] === COLON) {
      this.at++;
      seconds = this.whole(b);
      if (b[this.at] === DOT || (b[this.at] === COMMA && !this.commaParts)) {
        const from = ++this.at;
        const share = this.whole(b);
        if (!Number.isNaN(share)) seconds += share / 10 ** (this.at - from);
      }
    }
    return hours * HOUR_SECONDS + minutes * MINUTE_SECONDS + seconds;
  }

  /**
   * A date at `at`, in seconds since 1970; NaN where there is none, or no such day.
   * @param order which of year, month and day comes first.
   */
  date(b: Uint8Array, order: 'year-first' | 'day-first' | 'month-first'): number {
    const one = this.whole(b);
    const two = this.next(b);
    const three = this.next(b);
    const [year, month, day] =
      order === 'year-first' ? [one, two, three] : order === 'day-first' ? [three, two, one] : [three, one, two];
    const key = (year * 13 + month) * 32 + day;
    if (key === this.dayKey) return this.dayStart;
    const ms = Date.UTC(year, month - 1, day);
    const made = new Date(ms);
    if (Number.isNaN(ms) || made.getUTCDate() !== day || made.getUTCMonth() !== month - 1) return Number.NaN;
    this.dayKey = key;
    this.dayStart = ms / 1000;
    return this.dayStart;
  }

  /** How far the zone that is written at `at` lies before the world's time, s; null where none is written. */
  zone(b: Uint8Array): number | null {
    const c = b[this.at];
    if (c === ZULU) {
      this.at++;
      return 0;
    }
    if (c !== PLUS && c !== MINUS) return null;
    this.at++;
    let n = this.whole(b);
    if (b[this.at] === COLON) {
      this.at++;
      n = n * 100 + this.whole(b);
    } else if (n < 100) n *= 100;
    const seconds = Math.floor(n / 100) * HOUR_SECONDS + (n % 100) * MINUTE_SECONDS;
    return c === MINUS ? -seconds : seconds;
  }
}
