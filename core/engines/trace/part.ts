import { plainRows, type PlainState } from './plain-rows';
import { Samples } from './samples';

/** How the plain rows of a part are read: as its whole was found to be laid out, and counted from the whole's first time. */
export type PlainOrder = Pick<PlainState, 'separator' | 'timeFactor' | 'factor' | 'shift' | 'base'>;

/** What the plain rows of a part hold. */
export interface PlainPart extends Pick<PlainState, 'rows' | 'repeats' | 'decimals'> {
  readonly seconds: Float64Array;
  readonly values: Float64Array;
}

const LF = 10;

/** Reads a part of a recording by itself, from the beginning of a line to the end of one, as another thread does. */
export class PartReader {
  private readonly state: PlainState;
  private carry = new Uint8Array(0);
  private plain = true;

  /** @param most samples that it may hold. */
  constructor(order: PlainOrder, most: number) {
    const samples = new Samples(most);
    this.state = { ...order, samples, last: Number.NEGATIVE_INFINITY, rows: 0, repeats: 0, decimals: 0 };
  }

  /** False once a row is not plain: nothing more needs to be pushed. */
  push(piece: Uint8Array): boolean {
    if (!this.plain) return false;
    let bytes = piece;
    if (this.carry.length > 0) {
      bytes = new Uint8Array(this.carry.length + piece.length);
      bytes.set(this.carry);
      bytes.set(piece, this.carry.length);
    }
    const end = bytes.lastIndexOf(LF) + 1;
    this.plain = plainRows(bytes, 0, end, this.state) === end;
    this.carry = bytes.slice(end);
    return this.plain;
  }

  /** Null where a row is not plain: whoever reads the whole takes this part itself, and says what is odd. */
  end(): PlainPart | null {
    if (this.carry.length > 0) this.push(Uint8Array.of(LF));
    const { rows, repeats, decimals, samples } = this.state;
    return this.plain && rows > 0 ? { ...samples.done(), rows, repeats, decimals } : null;
  }
}
