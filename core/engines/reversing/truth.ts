import { groups, type Position, type ReversingWiring } from './wiring';

/** What the motor does: `both` is up and down at once, `short` the supply across closed contacts. */
export type Motion = 'forward' | 'backward' | 'braked' | 'off' | 'both' | 'short';

/** The motion for given positions of all contacts. */
export function motionOf(wiring: ReversingWiring, positions: readonly Position[]): Motion {
  const of = groups(wiring, positions);
  const same = (a: string, b: string): boolean => of.get(a) === of.get(b);
  const [plus, minus] = wiring.feed;
  const [a, b] = wiring.motor;
  if (same(plus, minus)) return 'short';
  if (wiring.kind === 'mains') {
    const run = ([x, y]: readonly [string, string]): Motion => {
      const [up, down] = [same(x, plus), same(y, plus)];
      return up && down ? 'both' : up ? 'forward' : down ? 'backward' : 'off';
    };
    const first = run([a, b]);
    return wiring.second && run(wiring.second) === 'both' ? 'both' : first;
  }
  if (same(a, plus) && same(b, minus)) return 'forward';
  if (same(b, plus) && same(a, minus)) return 'backward';
  return same(a, b) ? 'braked' : 'off';
}

/** A state of the coils and what the motor does in it. */
export interface TruthRow {
  readonly on: Readonly<Record<string, boolean>>;
  readonly motion: Motion;
}

/** What the motor does for every state of the coils, all off first. */
export function truthTable(wiring: ReversingWiring): TruthRow[] {
  const n = wiring.coils.length;
  return Array.from({ length: 2 ** n }, (_, state) => {
    const on = Object.fromEntries(wiring.coils.map((c, k) => [c, ((state >> (n - 1 - k)) & 1) === 1]));
    return {
      on,
      motion: motionOf(
        wiring,
        wiring.contacts.map((c) => (on[c.coil] ? 'work' : 'rest')),
      ),
    };
  });
}

/** What forbids or allows a state that must never be. */
export interface Forbidden {
  readonly motion: 'both' | 'short';
  /**
   * `wiring`: no state of the coils, nor a contact on its way, brings it about. `electronics`: the module's own logic
   * prevents it. `software`: nothing but the program.
   */
  readonly heldBy: 'wiring' | 'electronics' | 'software';
  /** The coil states that bring it about. */
  readonly states: readonly TruthRow[];
  /** True where even one contact welded in either position cannot bring it about. */
  readonly despiteWeld: boolean;
}

/** All positions of the contacts that some state of the coils, with any contact still on its way and at most one welded, can have. */
function reachable(wiring: ReversingWiring, weld: boolean): Position[][] {
  const out: Position[][] = [];
  for (const row of truthTable(wiring)) {
    const aim = wiring.contacts.map((c): Position => (row.on[c.coil] ? 'work' : 'rest'));
    for (let mask = 0; mask < 2 ** aim.length; mask++) {
      const positions = aim.map((p, i): Position => ((mask >> i) & 1 ? 'moving' : p));
      out.push(positions);
      if (weld)
        for (let i = 0; i < positions.length; i++)
          for (const stuck of ['rest', 'work'] as const) out.push(positions.map((p, k) => (k === i ? stuck : p)));
    }
  }
  return out;
}

/** Judged once for each wiring: thousands of positions are gone through. */
const sorted = new WeakMap<ReversingWiring, readonly Forbidden[]>();

/** For every state that must never be: what keeps it from being. */
export function forbiddenStates(wiring: ReversingWiring): readonly Forbidden[] {
  const known = sorted.get(wiring) ?? judge(wiring);
  sorted.set(wiring, known);
  return known;
}

function judge(wiring: ReversingWiring): Forbidden[] {
  const motions: Forbidden['motion'][] = wiring.kind === 'mains' ? ['both', 'short'] : ['short'];
  return motions.map((motion) => {
    const states = truthTable(wiring).filter((r) => r.motion === motion);
    const happens = (weld: boolean): boolean => reachable(wiring, weld).some((p) => motionOf(wiring, p) === motion);
    const heldBy = happens(false) ? 'software' : wiring.electronic ? 'electronics' : 'wiring';
    return { motion, heldBy, states, despiteWeld: !happens(true) };
  });
}
