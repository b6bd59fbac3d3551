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
    if (this.used === this.seconds.length) {
      if (this.count >= this.most) return false;
      this.seconds = new Float64Array(BLOCK);
      this.values = new Float64Array(BLOCK);
      this.blocks.push({ seconds: this.seconds, values: this.values });
      this.used = 0;
    }
    this.seconds[this.used] = seconds;
    this.values[this.used++] = value;
    this.count++;
    return true;
  }

  /** All of them, each list in one piece. */
  done(): { seconds: Float64Array; values: Float64Array } {
    const join = (of: 'seconds' | 'values'): Float64Array => {
      const all = new Float64Array(this.count);
      this.blocks.forEach((b, i) => all.set(b[of].subarray(0, Math.min(BLOCK, this.count - i * BLOCK)), i * BLOCK));
      return all;
    };
    return { seconds: join('seconds'), values: join('values') };
  }
}
