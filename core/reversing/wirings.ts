import type { MotorPlan } from '../job';
import type { Contact, Wiring } from './wiring';

type Key = MotorPlan['wiring'] | MotorPlan['boxWiring'];

export const WIRING_WORDS: Readonly<Record<Key, { name: string; for: string; against: string }>> = {
  'double-pole': { name: 'One double-pole relay and a power contact', for: 'one contact decides whether, the other which way', against: 'the motor coasts when it is off; three contacts carry its current' },
  'two-changeovers': { name: 'Two changeover relays', for: 'the motor is braked at rest, and no state shorts the supply', against: 'both relays must agree; at rest both motor wires lie on minus' },
  bridge: { name: 'A bridge module', for: 'silent, can also set the speed', against: 'has its own voltage drop and heat; its logic alone keeps the sides apart' },
  'box-interlocked': { name: 'Two mains contacts, the second fed through the first’s rest contact', for: 'up and down together are impossible by wiring', against: 'needs changeover contacts, and mains work' },
  'box-plain': { name: 'Two mains contacts side by side', for: 'any two-channel module does it', against: 'up and down together rest on software alone' },
};

const pole = (coil: string, n: 1 | 2, common: string, rest: string | null, work: string | null): Contact => ({ coil, names: [`${coil}:${n}1`, `${coil}:${n}2`, `${coil}:${n}4`], common, rest, work });

/** The wiring that a plan asks for, terminal by terminal; motor wires exchanged and a facing second motor included. */
export function wiringOf(plan: MotorPlan, way: 'reverse-motor' | 'control-box'): Wiring {
  const key = way === 'control-box' ? plan.boxWiring : plan.wiring;
  const base = way === 'control-box' ? box(plan.boxWiring) : motor(plan.wiring);
  const [a, b] = plan.swapped ? [base.motor[1], base.motor[0]] : base.motor;
  const run = way === 'control-box' ? ['up', 'down'] : ['+', '−'];
  const ends = (name: string, first: string, second: string) => [{ terminal: `${name} ${run[0]}`, net: first }, { terminal: `${name} ${run[1]}`, net: second }];
  const [plus, minus] = base.feed;
  const through = way === 'control-box' ? [{ terminal: 'M1 neutral', net: minus }, { terminal: 'supply earth', net: 'earth' }, { terminal: 'M1 earth', net: 'earth' }] : [];
  return {
    ...base, key, name: WIRING_WORDS[key].name, motor: [a, b],
    fixed: [
      { terminal: way === 'control-box' ? 'supply live' : 'supply +', net: plus }, { terminal: way === 'control-box' ? 'supply neutral' : 'supply −', net: minus },
      ...ends('M1', a, b),
      // A motor that faces the first turns the other way for the same push: one pair is swapped.
      ...(plan.mirrored ? ends('M2', b, a) : []),
      ...through,
    ],
  };
}

type Bare = Pick<Wiring, 'coils' | 'contacts' | 'kind' | 'feed' | 'motor' | 'electronic'>;

function motor(key: MotorPlan['wiring']): Bare {
  const dc = { kind: 'dc', feed: ['plus', 'minus'], motor: ['m1', 'm2'], electronic: false } as const;
  if (key === 'double-pole') {
    return { ...dc, coils: ['K1', 'K2'], contacts: [pole('K2', 1, 'plus', null, 'fed'), pole('K1', 1, 'm1', 'fed', 'minus'), pole('K1', 2, 'm2', 'minus', 'fed')] };
  }
  const coils = key === 'bridge' ? ['IN1', 'IN2'] : ['K1', 'K2'];
  return { ...dc, electronic: key === 'bridge', coils, contacts: [pole(coils[0]!, 1, 'm1', 'minus', 'plus'), pole(coils[1]!, 1, 'm2', 'minus', 'plus')] };
}

function box(key: MotorPlan['boxWiring']): Bare {
  const mains = { kind: 'mains', feed: ['live', 'neutral'], motor: ['up', 'down'], electronic: false, coils: ['K1', 'K2'] } as const;
  return key === 'box-interlocked'
    ? { ...mains, contacts: [pole('K1', 1, 'live', 'second', 'up'), pole('K2', 1, 'second', null, 'down')] }
    : { ...mains, contacts: [pole('K1', 1, 'live', null, 'up'), pole('K2', 1, 'live', null, 'down')] };
}

/** The conductors that make the wiring: the terminals of each net joined one after the other. Bridge modules have these inside. */
export function conductors(w: Wiring): { from: string; to: string; net: string }[] {
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
  } else for (const c of w.contacts) [c.common, c.rest, c.work].forEach((net, i) => hang(net, c.names[i]!));
  return [...nets].flatMap(([net, ends]) => ends.slice(1).map((to, i) => ({ from: ends[i]!, to, net })));
}

