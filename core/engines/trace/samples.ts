/** Samples of one block. */
const BLOCK = 1 << 18;

/** Times and values that grow without being copied while they do. */
export class Samples {
  private readonly blocks: { readonly seconds: Float64Array; readonly values: Float64Array }[] = [];
  private seconds = new Float64Array(0);
  private values = new Float64Array(0);
  private used = 0;
  count = 0;

  constructor(private readonly most: number) {}

  /** False where there are as many as there may be. */
  push(seconds: number, value: number): boolean {
    if (this.used === this.seconds.length && !this.grow(BLOCK)) return false;
    this.seconds[this.used] = seconds;
    this.values[this.used++] = value;
    this.count++;
    return true;
  }

  /** Makes room for so many more, beside those that are there: where no more come, nothing is put together in the end. */
  expect(more: number): void {
    if (more <= BLOCK || this.count + more > this.most) return;
    const { seconds, values } = this.done();
    this.blocks.length = 0;
    const known = this.count;
    this.count = 0;
    this.grow(known + more);
    this.append(seconds, values);
  }

  /** Many at once, of as many times as values. False, and none taken, where there would be more than there may be. */
  append(seconds: Float64Array, values: Float64Array): boolean {
    if (this.count + seconds.length > this.most) return false;
    let from = 0;
    while (from < seconds.length) {
      if (this.used === this.seconds.length) this.grow(seconds.length - from);
      const taken = Math.min(this.seconds.length - this.used, seconds.length - from);
      this.seconds.set(seconds.subarray(from, from + taken), this.used);
      this.values.set(values.subarray(from, from + taken), this.used);
      this.used += taken;
      this.count += taken;
      from += taken;
    }
    return true;
  }

  /** All of them, each list in one piece. */
  done(): { seconds: Float64Array; values: Float64Array } {
    this.close();
    const [only] = this.blocks;
    if (only && this.blocks.length === 1) return only;
    const join = (of: 'seconds' | 'values'): Float64Array => {
      const all = new Float64Array(this.count);
      let at = 0;
      for (const b of this.blocks) {
        all.set(b[of], at);
        at += b[of].length;
      }
      return all;
    };
    return { seconds: join('seconds'), values: join('values') };
  }

  /** A block of so many, or as many as there may be; what the one before did not need is given up. False where there may be no more. */
  private grow(wanted: number): boolean {
    if (this.count >= this.most) return false;
    this.close();
    const size = Math.min(wanted, this.most - this.count);
    this.seconds = new Float64Array(size);
    this.values = new Float64Array(size);
    this.blocks.push({ seconds: this.seconds, values: this.values });
    this.used = 0;
    return true;
  }

  /** The last block is as long as what stands in it. */
  private close(): void {
    if (this.blocks.length === 0) return;
    this.blocks[this.blocks.length - 1] = {
      seconds: this.seconds.subarray(0, this.used),
      values: this.values.subarray(0, this.used),
    };
    [this.seconds, this.values] = [new Float64Array(0), new Float64Array(0)];
    this.used = 0;
  }
}
