import type { Keypad, PadKey } from '../../ground/job';

/** Keys that share a line with another one: one contact cannot press the one without a path through the other. */
export interface SharedLine {
  readonly line: string;
  readonly keys: readonly string[];
}

/** Three held keys at the corners of a rectangle that make the fourth appear pressed. */
export interface Ghost {
  readonly held: readonly [string, string, string];
  readonly appears: string;
}

const known = (k: PadKey): k is PadKey & { lines: [string, string] } => k.lines.length === 2;

/** Which keys hang on each line, lines with two keys or more. */
export function sharedLines(pad: Keypad): SharedLine[] {
  const by = new Map<string, string[]>();
  for (const k of pad.keys.filter(known)) for (const line of k.lines) by.set(line, [...(by.get(line) ?? []), k.label]);
  return [...by]
    .filter(([, keys]) => keys.length > 1)
    .map(([line, keys]) => ({ line, keys }))
    .sort((a, b) => a.line.localeCompare(b.line, 'en', { numeric: true }));
}

/** Every rectangle of keys on a pad without diodes: any three held make the fourth a ghost. One entry a rectangle. */
export function ghosts(pad: Keypad): Ghost[] {
  const at = new Map(pad.keys.filter(known).map((k) => [`${k.lines[0]}|${k.lines[1]}`, k.label]));
  const firsts = [...new Set(pad.keys.filter(known).map((k) => k.lines[0]))];
  const seconds = [...new Set(pad.keys.filter(known).map((k) => k.lines[1]))];
  const out: Ghost[] = [];
  firsts.forEach((a, i) =>
    firsts.slice(i + 1).forEach((b) =>
      seconds.forEach((c, j) =>
        seconds.slice(j + 1).forEach((d) => {
          const [ac, ad, bc, bd] = [at.get(`${a}|${c}`), at.get(`${a}|${d}`), at.get(`${b}|${c}`), at.get(`${b}|${d}`)];
          if (ac && ad && bc && bd) out.push({ held: [ac, ad, bc], appears: bd });
        }),
      ),
    ),
  );
  return out;
}

/** One row of a continuity table: while a key is held, these two tail pins join. */
export interface PinJoin {
  readonly key: string;
  readonly a: string;
  readonly b: string;
}

/** The pins of a pad in two sides, as its rows and columns. */
export interface PinSides {
  /** Pins that are never joined among themselves, as two sides; rows and columns are only names. */
  readonly one: readonly string[];
  readonly other: readonly string[];
  /** Keys whose joins close an odd ring: no grid of two sides can be so built. */
  readonly contradiction: readonly string[];
}

/** Splits tail pins into two sides, so that every key joins one of each: the two-colouring of the graph of joins. */
export function pinSides(joins: readonly PinJoin[]): PinSides {
  const side = new Map<string, 0 | 1>();
  const contradiction = new Set<string>();
  for (const start of joins.map((j) => j.a)) {
    if (side.has(start)) continue;
    side.set(start, 0);
    const queue = [start];
    for (let pin = queue.shift(); pin !== undefined; pin = queue.shift()) {
      for (const j of joins) {
        const other = j.a === pin ? j.b : j.b === pin ? j.a : undefined;
        if (other === undefined) continue;
        const wanted = side.get(pin) === 0 ? 1 : 0;
        if (!side.has(other)) {
          side.set(other, wanted);
          queue.push(other);
        } else if (side.get(other) !== wanted) contradiction.add(j.key);
      }
    }
  }
  const of = (s: 0 | 1): string[] =>
    [...side]
      .filter(([, x]) => x === s)
      .map(([p]) => p)
      .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  return { one: of(0), other: of(1), contradiction: [...contradiction] };
}
