// Nodal analysis of the bench's own: resistors, sources, diodes in two straight pieces, and capacitors at mains frequency.
// Written without the core's circuits, so that what Probe predicts is measured against something else.

/** A part between two named nodes. Ohms, volts, farads; a diode conducts from `a` to `b` over `drop` volts. */
export type Part =
  | { readonly is: 'r'; readonly a: string; readonly b: string; readonly ohms: number }
  | { readonly is: 'v'; readonly a: string; readonly b: string; readonly volts: number; readonly ohms: number }
  | {
      readonly is: 'd';
      readonly a: string;
      readonly b: string;
      readonly drop: number;
      readonly ohms: number;
      readonly weakOhms: number;
    }
  | { readonly is: 'c'; readonly a: string; readonly b: string; readonly farads: number };

const REVERSE_OHMS = 1e9;
/** Every node leaks a little into the room, so that nothing floats without a value. */
const ROOM_SIEMENS = 1e-12;
const MAINS_HERTZ = 50;

interface Complex {
  readonly re: number;
  readonly im: number;
}
const times = (p: Complex, q: Complex): Complex => ({ re: p.re * q.re - p.im * q.im, im: p.re * q.im + p.im * q.re });
const over = (p: Complex, q: Complex): Complex => {
  const d = q.re * q.re + q.im * q.im;
  return { re: (p.re * q.re + p.im * q.im) / d, im: (p.im * q.re - p.re * q.im) / d };
};

/** Gauss with pivots on a complex system; the right side is the last column. */
function eliminate(m: Complex[][]): Complex[] {
  const n = m.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++)
      if (Math.hypot(m[i]![k]!.re, m[i]![k]!.im) > Math.hypot(m[best]![k]!.re, m[best]![k]!.im)) best = i;
    [m[k], m[best]] = [m[best]!, m[k]!];
    for (let i = k + 1; i < n; i++) {
      if (m[i]![k]!.re === 0 && m[i]![k]!.im === 0) continue;
      const f = over(m[i]![k]!, m[k]![k]!);
      for (let c = k; c <= n; c++) {
        const t = times(f, m[k]![c]!);
        m[i]![c] = { re: m[i]![c]!.re - t.re, im: m[i]![c]!.im - t.im };
      }
    }
  }
  const x: Complex[] = new Array<Complex>(n);
  for (let k = n - 1; k >= 0; k--) {
    let rest = m[k]![n]!;
    for (let c = k + 1; c < n; c++) {
      const t = times(m[k]![c]!, x[c]!);
      rest = { re: rest.re - t.re, im: rest.im - t.im };
    }
    x[k] = over(rest, m[k]![k]!);
  }
  return x;
}

interface Branch {
  readonly a: string;
  readonly b: string;
  readonly siemens: Complex;
  /** Source in series, V, from a to b. */
  readonly volts: number;
}

function nodeVolts(branches: readonly Branch[], zero: string): Map<string, Complex> {
  const names = [...new Set(branches.flatMap((p) => [p.a, p.b]))].filter((x) => x !== zero);
  const at = new Map(names.map((x, i) => [x, i]));
  const none: Complex = { re: 0, im: 0 };
  const m = names.map((_, i) =>
    Array.from({ length: names.length + 1 }, (__, j): Complex => (i === j ? { re: ROOM_SIEMENS, im: 0 } : none)),
  );
  const add = (i: number, j: number, g: Complex, sign: number): void => {
    m[i]![j] = { re: m[i]![j]!.re + sign * g.re, im: m[i]![j]!.im + sign * g.im };
  };
  for (const p of branches) {
    const i = at.get(p.a);
    const j = at.get(p.b);
    const amps = { re: p.siemens.re * p.volts, im: p.siemens.im * p.volts };
    if (i !== undefined) {
      add(i, i, p.siemens, 1);
      add(i, names.length, amps, 1);
      if (j !== undefined) add(i, j, p.siemens, -1);
    }
    if (j !== undefined) {
      add(j, j, p.siemens, 1);
      add(j, names.length, amps, -1);
      if (i !== undefined) add(j, i, p.siemens, -1);
    }
  }
  const x = eliminate(m);
  return new Map<string, Complex>([[zero, none], ...names.map((n, i): [string, Complex] => [n, x[i]!])]);
}

const real = (ohms: number): Complex => ({ re: 1 / ohms, im: 0 });

/** Volts between two nodes at rest; diodes are tried until none changes its mind. */
export function steady(parts: readonly Part[], from: string, to: string): number {
  const diodes = parts.filter((p) => p.is === 'd');
  const state = diodes.map(() => 'off' as 'off' | 'weak' | 'on');
  let shown = 0;
  for (let turn = 0; turn < 14; turn++) {
    let k = 0;
    const branches = parts.flatMap((p): Branch[] => {
      if (p.is === 'c') return [];
      if (p.is === 'r') return [{ a: p.a, b: p.b, siemens: real(p.ohms), volts: 0 }];
      if (p.is === 'v') return [{ a: p.a, b: p.b, siemens: real(p.ohms), volts: p.volts }];
      const is = state[k++]!;
      return [
        is === 'on'
          ? { a: p.a, b: p.b, siemens: real(p.ohms), volts: p.drop }
          : { a: p.a, b: p.b, siemens: real(is === 'weak' ? p.weakOhms : REVERSE_OHMS), volts: 0 },
      ];
    });
    const v = nodeVolts(branches, to);
    const of = (n: string): number => v.get(n)?.re ?? 0;
    shown = of(from);
    let changed = false;
    diodes.forEach((d, i) => {
      const u = of(d.a) - of(d.b);
      const next = u > d.drop ? 'on' : u > 0 ? 'weak' : 'off';
      if (next !== state[i]) changed = true;
      state[i] = next;
    });
    if (!changed) break;
  }
  return shown;
}

/** What alternates at mains frequency between two nodes, V r.m.s.; sources in `parts` are those of the mains alone. */
export function alternating(parts: readonly Part[], from: string, to: string): number {
  const omega = 2 * Math.PI * MAINS_HERTZ;
  const branches = parts.map((p): Branch => {
    if (p.is === 'c') return { a: p.a, b: p.b, siemens: { re: 0, im: omega * p.farads }, volts: 0 };
    if (p.is === 'd') return { a: p.a, b: p.b, siemens: real(p.weakOhms), volts: 0 };
    return { a: p.a, b: p.b, siemens: real(p.ohms), volts: p.is === 'v' ? p.volts : 0 };
  });
  const v = nodeVolts(branches, to).get(from) ?? { re: 0, im: 0 };
  return Math.hypot(v.re, v.im);
}
