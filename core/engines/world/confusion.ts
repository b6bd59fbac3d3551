import type { MachineTable, TableState } from './table';

/** Which states of a table look alike through some senses. */
export interface Confusion {
  /** Sets of states, by key, that no sense ever tells apart while nobody presses; each of two at least. */
  readonly forGood: readonly (readonly string[])[];
  /** Pairs that read alike now and part by themselves, and after how long at most, s. */
  readonly forNow: readonly { readonly a: string; readonly b: string; readonly seconds: number }[];
}

/** What a state goes over into by itself, and after how long at most; null where it lasts. */
function ownNext(s: TableState): { readonly to: string; readonly seconds: number } | null {
  if (s.after) return { to: s.after.then, seconds: s.after.seconds };
  return s.atEnd !== null && s.speed !== 0 ? { to: s.atEnd, seconds: 1 / Math.abs(s.speed) } : null;
}

/** States with power that can come up at all: from the start by whatever the table knows, presses, hands, cuts and time. */
function reachable({ start, states }: MachineTable): TableState[] {
  const byKey = new Map(states.map((s) => [s.key, s]));
  const seen = new Set<string>();
  const stack = [start];
  for (let key = stack.pop(); key !== undefined; key = stack.pop()) {
    const s = byKey.get(key);
    if (!s || seen.has(key)) continue;
    seen.add(key);
    stack.push(...Object.values(s.on));
    const next = ownNext(s);
    if (next) stack.push(next.to);
  }
  return states.filter(({ key, role }) => seen.has(key) && role !== 'dark');
}

/**
 * Which states can be mistaken for each other after a missed press, a hand or a power cut, when nothing but the senses tells: the coarsest
 * partition by what is read that stands when time goes on by itself. Lengths of time are not held against each other, so that it never
 * says of two states that they are told apart where only a watch would do it.
 * @param senses the states, by key, in which each says yes.
 */
export function confusionOf(table: MachineTable, senses: readonly (readonly string[])[]): Confusion {
  const states = reachable(table);
  const place = new Map(states.map((s, i) => [s.key, i]));
  const reads = states.map((s) => senses.map((yes) => (yes.includes(s.key) ? 1 : 0)).join(''));
  const next = states.map((s) => {
    const own = ownNext(s);
    return { to: (own && place.get(own.to)) ?? null, seconds: own?.seconds ?? 0 };
  });
  let block = numbered(reads);
  for (;;) {
    const finer = numbered(block.map((b, i) => `${b} ${block[next[i]?.to ?? i] ?? b}`));
    if (Math.max(-1, ...finer) === Math.max(-1, ...block)) break;
    block = finer;
  }
  const sets = new Map<number, string[]>();
  states.forEach((s, i) => sets.set(block[i] ?? 0, [...(sets.get(block[i] ?? 0) ?? []), s.key]));
  return {
    forGood: [...sets.values()].filter((set) => set.length > 1),
    forNow: states.flatMap((a, i) =>
      states.slice(i + 1).flatMap((b, k) => {
        const j = i + 1 + k;
        return reads[i] === reads[j] && block[i] !== block[j]
          ? [{ a: a.key, b: b.key, seconds: partAfter(i, j, reads, next) }]
          : [];
      }),
    ),
  };
}

/** How long two states that part go on reading alike, at most, s. */
function partAfter(
  i: number,
  j: number,
  reads: readonly string[],
  next: readonly { readonly to: number | null; readonly seconds: number }[],
): number {
  // When either of them is seen to change, they are told apart, or the other one is waited for in vain: the longer of the two courses.
  const untilSeen = (from: number): number => {
    let [at, seconds] = [from, 0];
    for (let n = 0; n < next.length; n++) {
      const own = next[at];
      if (!own || own.to === null) break;
      seconds += own.seconds;
      at = own.to;
      if (reads[at] !== reads[from]) return seconds;
    }
    return 0;
  };
  return Math.max(untilSeen(i), untilSeen(j));
}

/** Equal texts get equal numbers, in the order in which they come. */
function numbered(texts: readonly string[]): number[] {
  const known = new Map<string, number>();
  return texts.map((t) => {
    const n = known.get(t) ?? known.size;
    known.set(t, n);
    return n;
  });
}
