import { byteAt, firstItem, itemAt, present } from '../../ground/lists';
import { CaptureProblem } from './problem';
import { MOST_LINES, TimingRecorder, type CaptureTiming } from './timing';

const UNITS: Record<string, number> = { s: 1, ms: 1e-3, us: 1e-6, ns: 1e-9, ps: 1e-12, fs: 1e-15 };
/** Bytes of the dump's text: blanks end at the space, and the characters of a signal's code are printable (IEEE 1364, 18.2). */
const [NEW_LINE, SPACE, HASH, ZERO, ONE, NINE] = [10, 32, 35, 48, 49, 57];
const FIRST_CODE = 33;
const AFTER_CODES = 127;
const CODES = AFTER_CODES - FIRST_CODE;
const NO_LINE = -1;
/** Signals that are declared and not followed. */
const LEFT_OUT = -2;

interface Declared {
  readonly name: string;
  readonly width: number;
  /** First followed line of the signal, the highest bit first; LEFT_OUT where it is not followed. */
  line: number;
}

/** Widest signal, bits, and so the longest word that is one: its bits, a letter before them and a name. */
const WIDEST = 4096;
const LONGEST_WORD = 2 * WIDEST;

/**
 * Reads a value change dump (IEEE 1364, four-state) piece by piece, in memory that does not grow with its length.
 * Vectors are followed bit by bit; x and z count as no change. Throws CaptureProblem where the file cannot be what it says.
 */
export class VcdReader {
  private readonly signals = new Map<string, Declared>();
  private names: string[] = [];
  private recorder: TimingRecorder | undefined;
  private tick = 0;
  private time = -1;
  private line = 1;
  /** Bytes of a token that a piece cut in two. */
  private carry = '';
  private inside = '';
  private words: string[] = [];
  private scope: string[] = [];
  /** `b` and `r` values wait for their signal. */
  private vector = '';
  private codes: Int16Array = new Int16Array(CODES ** 2 + CODES).fill(NO_LINE);

  /** @param only names of the signals to follow; without it all are, up to MOST_LINES. */
  constructor(private readonly only: readonly string[] = []) {}

  push(piece: Uint8Array): void {
    let i = 0;
    const n = piece.length;
    while (i < n) {
      // Runs of the commonest two tokens, a time and a one-bit change, are read from the bytes without making strings.
      if (this.recorder && !this.inside && !this.vector && this.carry === '') i = this.fast(this.recorder, piece, i, n);
      if (i >= n) break;
      const c = byteAt(piece, i);
      if (c <= SPACE) {
        if (this.carry) this.flush();
        if (c === NEW_LINE) this.line++;
        i++;
      } else i = this.word(piece, i);
    }
  }

  /** Takes the word that begins at a byte; gives where it ends in this piece. */
  private word(piece: Uint8Array, from: number): number {
    let end = from + 1;
    while (end < piece.length && byteAt(piece, end) > SPACE) end++;
    const text = String.fromCharCode(...piece.subarray(from, end));
    const inComment = this.inside === '$comment';
    this.carry = inComment && this.carry.length > LONGEST_WORD ? text.slice(-8) : this.carry + text;
    if (this.carry.length > LONGEST_WORD && !inComment)
      throw this.problem(
        'This is not a value change dump: a word of it never ends.',
        'Pick a file that a logic analyser or simulator saved as VCD.',
      );
    return end;
  }

  /** The result. `cutOff` where the file ends in the middle of a word. */
  end(): { timing: CaptureTiming; cutOff: boolean } {
    const cutOff = this.carry !== '' && !/^(#\d+|[01xXzZ][!-~]+|\$end)$/.test(this.carry);
    if (this.carry && !cutOff) this.flush();
    if (!this.recorder)
      throw this.problem(
        'The file ends before its definitions do.',
        'It was cut off, or is no value change dump; take another copy.',
      );
    if (this.time < 0)
      throw this.problem('The file has definitions and no times.', 'Record again; the capture is empty.');
    return { timing: this.recorder.result(), cutOff: cutOff || this.inside !== '' };
  }

  private flush(): void {
    const token = this.carry;
    this.carry = '';
    this.take(token);
  }

  /** Reads times and one-bit changes from bytes; gives the place where something else begins or a token is cut. */
  private fast(recorder: TimingRecorder, b: Uint8Array, from: number, n: number): number {
    let i = from;
    for (;;) {
      while (i < n && byteAt(b, i) <= SPACE) if (b[i++] === NEW_LINE) this.line++;
      if (i >= n) return n;
      const c = byteAt(b, i);
      const next = c === HASH ? this.fastTime(b, i, n) : c === ZERO || c === ONE ? this.fastBit(recorder, b, i, n) : -1;
      if (next < 0) return i;
      i = next;
    }
  }

  /** A time from its bytes; gives where it ends, -1 where it is cut or none. */
  private fastTime(b: Uint8Array, start: number, n: number): number {
    let t = 0;
    let i = start + 1;
    while (i < n && byteAt(b, i) >= ZERO && byteAt(b, i) <= NINE) t = t * 10 + byteAt(b, i++) - ZERO;
    if (i >= n || byteAt(b, i) > SPACE || i === start + 1) return -1;
    this.moveTo(t);
    return i;
  }

  /** A change of one bit of a signal whose code is one or two characters; gives where it ends, -1 where it is cut or another. */
  private fastBit(recorder: TimingRecorder, b: Uint8Array, start: number, n: number): number {
    let i = start + 2;
    if (i >= n) return -1;
    const [first, second] = [byteAt(b, start + 1), byteAt(b, i)];
    let code = first - FIRST_CODE;
    if (second > SPACE) {
      code = CODES + code * CODES + second - FIRST_CODE;
      i++;
      if (i >= n || byteAt(b, i) > SPACE) return -1;
    }
    const known = first > SPACE && first < AFTER_CODES && (second <= SPACE || second < AFTER_CODES);
    const line = known ? itemAt(this.codes, code) : NO_LINE;
    if (line === NO_LINE) return -1;
    if (line >= 0) recorder.set(line, b[start] === ONE ? 1 : 0);
    return i;
  }

  private moveTo(t: number): void {
    if (t < this.time)
      throw this.problem(
        `Time runs backwards here: ${t} after ${this.time}.`,
        'Record again, or export the capture anew.',
      );
    this.time = t;
    present(this.recorder).advance(t * this.tick);
  }

  private take(token: string): void {
    if (this.inside) {
      if (token === '$end') this.section(this.inside, this.words.splice(0), () => (this.inside = ''));
      else if (this.inside !== '$comment' && this.words.length < 1000) this.words.push(token);
      return;
    }
    // A signal's code may be any printable character, `$` and `#` included, so a waiting vector comes first.
    if (this.vector) {
      const value = this.vector;
      this.vector = '';
      return this.change(token, value.slice(1));
    }
    if (token.startsWith('$')) {
      if (['$dumpvars', '$dumpall', '$dumpon', '$dumpoff', '$end'].includes(token)) return;
      this.inside = token;
      return;
    }
    if (!this.recorder)
      throw this.problem(
        `"${token.slice(0, 30)}" stands before the definitions end.`,
        'Pick a file that a logic analyser or simulator saved as VCD.',
      );
    if (token.startsWith('#')) {
      const t = Number(token.slice(1));
      if (!Number.isSafeInteger(t) || t < 0)
        throw this.problem(`"${token.slice(0, 30)}" is no time.`, 'Record again, or export the capture anew.');
      this.moveTo(t);
    } else if (/^[bBrR]/.test(token)) this.vector = token;
    else if (/^[01xXzZ]./.test(token)) this.change(token.slice(1), firstItem(token));
    else
      throw this.problem(
        `"${token.slice(0, 30)}" is neither a time nor a change.`,
        'The file is damaged here; take another copy.',
      );
  }

  private section(kind: string, words: string[], close: () => void): void {
    close();
    switch (kind) {
      case '$timescale': {
        const m = /^(\d+)(s|ms|us|ns|ps|fs)$/.exec(words.join(''));
        if (!m)
          throw this.problem(`"${words.join(' ')}" is no time scale.`, 'It should read as 1 ns, 10 us or the like.');
        this.tick = Number(m[1]) * present(UNITS[itemAt(m, 2)]);
        return;
      }
      case '$scope':
        this.scope.push(words[1] ?? '');
        return;
      case '$upscope':
        this.scope.pop();
        return;
      case '$var':
        return this.declare(words);
      case '$enddefinitions':
        return this.ready();
      default:
    }
  }

  private declare([, width, code, name]: string[]): void {
    const bits = Number(width);
    if (!code || !name || !Number.isInteger(bits) || bits < 1 || bits > WIDEST)
      throw this.problem(
        'A signal is declared without width, code or name.',
        'The file is damaged here; take another copy.',
      );
    // The same code under several names is one signal; the first name is kept.
    if (!this.signals.has(code)) this.signals.set(code, { name, width: bits, line: LEFT_OUT });
  }

  private ready(): void {
    if (this.tick === 0)
      throw this.problem('The file has no time scale.', 'Without it no time can be told; export the capture anew.');
    const all = [...this.signals.values()];
    const bits = (s: Declared): string[] =>
      s.width === 1 ? [s.name] : Array.from({ length: s.width }, (_, i) => `${s.name}[${s.width - 1 - i}]`);
    const missing = this.only.filter((o) => !all.some((s) => s.name === o));
    if (missing.length)
      throw this.problem(
        `There is no signal ${missing.join(', ')}.`,
        `The file has: ${all
          .map((s) => s.name)
          .slice(0, 40)
          .join(', ')}.`,
      );
    for (const s of all) {
      if (this.only.length && !this.only.includes(s.name)) continue;
      s.line = this.names.length;
      this.names.push(...bits(s));
    }
    if (this.names.length === 0)
      throw this.problem('The file declares no signal.', 'Record again with the lines connected.');
    if (this.names.length > MOST_LINES)
      throw this.problem(
        `The file has ${this.names.length} lines; ${MOST_LINES} can be followed.`,
        `Name those of the keypad: ${all
          .map((s) => s.name)
          .slice(0, 40)
          .join(', ')}.`,
      );
    this.recorder = new TimingRecorder(this.names);
    for (const [code, s] of this.signals)
      if (s.width === 1 && code.length <= 2)
        this.codes[
          code.length === 1 ? code.charCodeAt(0) - 33 : 94 + (code.charCodeAt(0) - 33) * 94 + code.charCodeAt(1) - 33
        ] = s.line;
  }

  private change(code: string, value: string): void {
    const s = this.signals.get(code);
    if (!s)
      throw this.problem(
        `A change of the unknown signal "${code.slice(0, 30)}".`,
        'The file is damaged here, or two files were joined; take another copy.',
      );
    if (s.line === LEFT_OUT) return;
    // Short vectors are filled up on the left: with zero, or with their first bit where that is x or z.
    const fill = /^[xXzZ]/.test(value) ? firstItem(value) : '0';
    const bits = value.padStart(s.width, fill).slice(-s.width);
    for (let i = 0; i < s.width; i++)
      if (bits[i] === '0' || bits[i] === '1') present(this.recorder).set(s.line + i, bits[i] === '1' ? 1 : 0);
  }

  private problem(what: string, todo: string): CaptureProblem {
    return new CaptureProblem(what, `line ${this.line}`, todo);
  }
}
