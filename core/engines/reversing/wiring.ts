import { present } from '../../ground/lists';
/** A contact that a coil moves: `common` lies on `rest` while the coil is off and on `work` while it is on; null is nothing. */
export interface Contact {
  readonly coil: string;
  /** Terminal names as printed on relays, EN 50005: common, normally closed, normally open. */
  readonly names: readonly [common: string, rest: string, work: string];
  readonly common: string;
  readonly rest: string | null;
  readonly work: string | null;
}

/** What a contact does to a circuit: nets are names, and a closed contact makes two of them one. */
export interface ReversingWiring {
  readonly key: string;
  readonly name: string;
  /** Coils or inputs, in the order of the table. */
  readonly coils: readonly string[];
  readonly contacts: readonly Contact[];
  readonly kind: 'dc' | 'mains';
  /** DC: plus and minus of the supply. Mains: live and neutral. */
  readonly feed: readonly [string, string];
  /** DC: the motor's two terminals. Mains: its two run wires, up first. */
  readonly motor: readonly [string, string];
  /** The run wires of a second mains motor, up first, on contacts of its own; null where there is none, or where it shares the first's. */
  readonly second: readonly [string, string] | null;
  /** Terminals that hang on a net for good: supply, motor, earth. */
  readonly fixed: readonly { readonly terminal: string; readonly net: string }[];
  /** True where the module's own logic, and no contact, keeps its two sides from being on together. */
  readonly electronic: boolean;
}

/** Where a contact stands while its coil is off, on, or on the way between the two. */
export type Position = 'rest' | 'moving' | 'work';

/** Which nets are one for given positions of the contacts, by a number of the group each net belongs to. */
export function groups(wiring: ReversingWiring, positions: readonly Position[]): ReadonlyMap<string, string> {
  const parent = new Map<string, string>();
  const root = (net: string): string => {
    let at = net;
    while (parent.has(at)) at = present(parent.get(at));
    return at;
  };
  wiring.contacts.forEach((c, i) => {
    const to = positions[i] === 'rest' ? c.rest : positions[i] === 'work' ? c.work : null;
    if (to === null) return;
    const [a, b] = [root(c.common), root(to)];
    if (a !== b) parent.set(a, b);
  });
  const nets = new Set([
    ...wiring.feed,
    ...wiring.motor,
    ...(wiring.second ?? []),
    ...wiring.contacts.flatMap((c) => [c.common, c.rest, c.work].filter((n) => n !== null)),
  ]);
  return new Map([...nets].map((n) => [n, root(n)]));
}
