/** A matrix as lower and upper triangle, with the order of its rows. */
export interface Factored {
  readonly size: number;
  readonly lu: Float64Array;
  readonly order: Int32Array;
}

/**
 * Factors `size` rows of `size` numbers with partial pivoting, in their own place. A row without a pivot makes what is solved NaN or
 * infinite.
 */
export function factored(m: Float64Array, size: number): Factored {
  const order = Int32Array.from({ length: size }, (_, i) => i);
  for (let k = 0; k < size; k++) {
    let best = k;
    for (let i = k + 1; i < size; i++) if (Math.abs(m[i * size + k]!) > Math.abs(m[best * size + k]!)) best = i;
    if (best !== k) {
      for (let c = 0; c < size; c++) {
        const kept = m[k * size + c]!;
        m[k * size + c] = m[best * size + c]!;
        m[best * size + c] = kept;
      }
      const kept = order[k]!;
      order[k] = order[best]!;
      order[best] = kept;
    }
    const pivot = m[k * size + k]!;
    for (let i = k + 1; i < size; i++) {
      if (m[i * size + k] === 0) continue;
      const factor = m[i * size + k]! / pivot;
      m[i * size + k] = factor;
      for (let c = k + 1; c < size; c++) m[i * size + c] = m[i * size + c]! - factor * m[k * size + c]!;
    }
  }
  return { size, lu: m, order };
}

/** Solves for a right side. */
export function solved({ size, lu, order }: Factored, right: Float64Array): Float64Array {
  const x = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    let sum = right[order[i]!]!;
    for (let c = 0; c < i; c++) sum -= lu[i * size + c]! * x[c]!;
    x[i] = sum;
  }
  for (let i = size - 1; i >= 0; i--) {
    let sum = x[i]!;
    for (let c = i + 1; c < size; c++) sum -= lu[i * size + c]! * x[c]!;
    x[i] = sum / lu[i * size + i]!;
  }
  return x;
}

/** Solves the transposed matrix, as the adjoint network asks for. */
export function solvedAcross({ size, lu, order }: Factored, right: Float64Array): Float64Array {
  const y = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    let sum = right[i]!;
    for (let r = 0; r < i; r++) sum -= lu[r * size + i]! * y[r]!;
    y[i] = sum / lu[i * size + i]!;
  }
  for (let i = size - 1; i >= 0; i--) {
    let sum = y[i]!;
    for (let r = i + 1; r < size; r++) sum -= lu[r * size + i]! * y[r]!;
    y[i] = sum;
  }
  const out = new Float64Array(size);
  for (let i = 0; i < size; i++) out[order[i]!] = y[i]!;
  return out;
}
