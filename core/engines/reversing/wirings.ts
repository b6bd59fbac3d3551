import { firstItem, itemAt } from '../../ground/lists';
import type { MotorPlan } from '../../ground/job';
import type { Contact, ReversingWiring } from './wiring';

type Key = MotorPlan['wiring'] | MotorPlan['boxWiring'];

/** What each wiring is called, and what speaks for and against it. */
export const WIRING_WORDS: Readonly<Record<Key, { name: string; for: string; against: string }>> = {
  'double-pole': {
    name: 'One double-pole relay and a power contact',
    for: 'one contact decides whether, the other which way',
    against: 'the motor coasts when it is off; three contacts carry its current',
  },
  'two-changeovers': {
    name: 'Two changeover relays',
    for: 'the motor is braked at rest, and no state shorts the supply',
    against: 'both relays must agree; at rest both motor wires lie on minus',
  },
  bridge: {
    name: 'A bridge module',
    for: 'silent, can also set the speed',
    against: 'has its own voltage drop and heat; its logic alone keeps the sides apart',
  },
  'box-interlocked': {
    name: 'Two mains contacts, the second fed through the first’s rest contact',
    for: 'up and down together are impossible by wiring',
    against: 'needs changeover contacts, and mains work',
  },
  'box-plain': {
    name: 'Two mains contacts side by side',
    for: 'any two-channel module does it',
    against: 'up and down together rest on software alone',
  },
};

const pole = (coil: string, n: 1 | 2, common: string, rest: string | null, work: string | null): Contact => ({
  coil,
  names: [`${coil}:${n}1`, `${coil}:${n}2`, `${coil}:${n}4`],
  common,
  rest,
  work,
});

/** The wiring that a plan asks for, terminal by terminal; motor wires exchanged and a facing second motor included. */
export function reversingWiring(plan: MotorPlan, way: 'reverse-motor' | 'control-box'): ReversingWiring {
  const key = [way, way === 'control-box' ? plan.boxWiring : plan.wiring, plan.mirrored, plan.swapped].join();
  const known = drawn.get(key) ?? draw(plan, way);
  drawn.set(key, known);
  return known;
}

/** Wirings that were drawn already; there are few. */
const drawn = new Map<string, ReversingWiring>();

function draw(plan: MotorPlan, way: 'reverse-motor' | 'control-box'): ReversingWiring {
  const key = way === 'control-box' ? plan.boxWiring : plan.wiring;
  const base = way === 'control-box' ? box(plan.boxWiring, plan.mirrored) : motor(plan.wiring);
  const [a, b] = plan.swapped ? [base.motor[1], base.motor[0]] : base.motor;
  const run = way === 'control-box' ? ['up', 'down'] : ['+', '−'];
  const ends = (name: string, first: string, second: string) => [
    { terminal: `${name} ${run[0]}`, net: first },
    { terminal: `${name} ${run[1]}`, net: second },
  ];
  const [plus, minus] = base.feed;
  const passes = (name: string) => [
    { terminal: `${name} neutral`, net: minus },
    { terminal: `${name} earth`, net: 'earth' },
  ];
  const through =
    way === 'control-box'
      ? [{ terminal: 'supply earth', net: 'earth' }, ...passes('M1'), ...(plan.mirrored ? passes('M2') : [])]
      : [];
  return {
    ...base,
    key,
    name: WIRING_WORDS[key].name,
    motor: [a, b],
    fixed: [
      { terminal: way === 'control-box' ? 'supply live' : 'supply +', net: plus },
      { terminal: way === 'control-box' ? 'supply neutral' : 'supply −', net: minus },
      ...ends('M1', a, b),
      // A motor that faces the first turns the other way for the same push: one pair is swapped.
      // Tubular mains motors never share a contact: through the first one's windings the second would be fed backwards.
      ...(plan.mirrored
        ? base.second
          ? ends(
              'M2',
              ...((plan.swapped ? [base.second[0], base.second[1]] : [base.second[1], base.second[0]]) as [
                string,
                string,
              ]),
            )
          : ends('M2', b, a)
        : []),
      ...through,
    ],
  };
}

type Bare = Pick<ReversingWiring, 'coils' | 'contacts' | 'kind' | 'feed' | 'motor' | 'second' | 'electronic'>;

function motor(key: MotorPlan['wiring']): Bare {
  const dc = { kind: 'dc', feed: ['plus', 'minus'], motor: ['m1', 'm2'], second: null, electronic: false } as const;
  if (key === 'double-pole') {
    return {
      ...dc,
      coils: ['K1', 'K2'],
      contacts: [
        pole('K2', 1, 'plus', null, 'fed'),
        pole('K1', 1, 'm1', 'fed', 'minus'),
        pole('K1', 2, 'm2', 'minus', 'fed'),
      ],
    };
  }
  const coils = key === 'bridge' ? ['IN1', 'IN2'] : ['K1', 'K2'];
  return {
    ...dc,
    electronic: key === 'bridge',
    coils,
    contacts: [pole(firstItem(coils), 1, 'm1', 'minus', 'plus'), pole(itemAt(coils, 1), 1, 'm2', 'minus', 'plus')],
  };
}

function box(key: MotorPlan['boxWiring'], two: boolean): Bare {
  const second: readonly [string, string] | null = two ? ['up 2', 'down 2'] : null;
  const mains = {
    kind: 'mains',
    feed: ['live', 'neutral'],
    motor: ['up', 'down'],
    second,
    electronic: false,
    coils: ['K1', 'K2'],
  } as const;
  // The second motor has relays of its own, K3 and K4, whose inputs lie beside those of K1 and K2.
  const pair = (up: string, down: string, between: string, to: readonly [string, string]): Contact[] =>
    key === 'box-interlocked'
      ? [relay('K1', up, 'live', between, to[0]), relay('K2', down, between, null, to[1])]
      : [relay('K1', up, 'live', null, to[0]), relay('K2', down, 'live', null, to[1])];
  return {
    ...mains,
    contacts: [...pair('K1', 'K2', 'second', mains.motor), ...(second ? pair('K3', 'K4', 'second 2', second) : [])],
  };
}

/** A changeover contact of the relay `name` that moves with the input of `coil`. */
const relay = (coil: string, name: string, common: string, rest: string | null, work: string | null): Contact => ({
  ...pole(name, 1, common, rest, work),
  coil,
});

/** The conductors that make the wiring: the terminals of each net joined one after the other. Bridge modules have these inside. */
export function conductors(w: ReversingWiring): { from: string; to: string; net: string }[] {
  const nets = new Map<string, string[]>();
  const hang = (net: string | null, terminal: string): void => {
    if (net !== null) nets.set(net, [...(nets.get(net) ?? []), terminal]);
  };
  for (const f of w.fixed) hang(f.net, f.terminal);
  if (w.electronic) {
    hang(w.feed[0], 'module supply +');
    hang(w.feed[1], 'module supply −');
    hang('m1', 'module OUT1');
    hang('m2', 'module OUT2');
  } else for (const c of w.contacts) [c.common, c.rest, c.work].forEach((net, i) => hang(net, itemAt(c.names, i)));
  return [...nets].flatMap(([net, ends]) => ends.slice(1).map((to, i) => ({ from: itemAt(ends, i), to, net })));
}
