// How the bench's boards meet mains.
import type { MainsSide } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import type { Part } from './solve';
import { chance, decades, pick } from './draw';

/** Nodes: P and Q are the plug's pins, E is earth, G the board's ground. */
export interface Mains {
  readonly variant: string;
  readonly tied: boolean;
  readonly said: MainsSide;
  readonly insulationOhms: number;
  /** What joins the board's ground to the pins, unplugged or not. */
  readonly parts: readonly Part[];
}

const r = (a: string, b: string, ohms: number): Part => ({ is: 'r', a, b, ohms });
const c = (a: string, b: string, farads: number): Part => ({ is: 'c', a, b, farads });
const d = (a: string, b: string, weakOhms: number): Part => ({ is: 'd', a, b, drop: 0.6, ohms: 20, weakOhms });

const said = (random: Random): MainsSide => ({
  feed: chance(random, 0.75) ? 'plug-turns' : 'plug-one-way',
  mainSwitch: chance(random, 0.5) ? 'closed' : 'none',
  cables: 'none',
  earth: chance(random, 0.6) ? 'pin' : 'nowhere',
  tester: 'unknown',
  batteryVolts: null,
});
const BATTERY: MainsSide = {
  feed: 'none',
  mainSwitch: 'unknown',
  cables: 'none',
  earth: 'unknown',
  tester: 'unknown',
  batteryVolts: null,
};

export function battery(): Mains {
  return { variant: 'battery', tied: false, said: BATTERY, insulationOhms: 1e9, parts: [] };
}

export function isolated(random: Random): Mains {
  const variant = pick(random, [
    ['class II switch-mode', 4],
    ['plug adapter', 3],
    ['class II transformer', 3],
    ['class I, floating', 2],
    ['class I, bonded', 2],
  ] as const);
  // Primary winding or bridge between the pins; leakage of a clean board.
  const primary = r('P', 'Q', variant.includes('transformer') ? decades(random, 20, 800) : decades(random, 100e3, 2e6));
  const leak = [r('G', 'P', decades(random, 2e8, 5e9)), r('G', 'Q', decades(random, 2e8, 5e9))];
  const y =
    variant === 'class II switch-mode'
      ? decades(random, 1e-9, 2.5e-9)
      : variant === 'plug adapter'
        ? decades(random, 0.3e-9, 1.2e-9)
        : decades(random, 30e-12, 500e-12);
  const parts: Part[] = [primary, ...leak, c('G', 'P', y / 2), c('G', 'Q', y / 2)];
  if (variant === 'class I, bonded') parts.push(r('G', 'E', 0.1));
  if (variant === 'class I, floating') parts.push(c('G', 'E', decades(random, 1e-9, 50e-9)));
  return { variant, tied: false, said: said(random), insulationOhms: decades(random, 50e6, 5e9), parts };
}

export function tied(random: Random): Mains {
  const variant = pick(random, [
    ['capacitive dropper', 4],
    ['live chassis', 3],
    ['offline step-down', 4],
  ] as const);
  const across = r('P', 'Q', decades(random, 200e3, 2e6));
  const parts: Part[] = [across];
  if (variant === 'capacitive dropper') parts.push(r('G', chance(random, 0.5) ? 'P' : 'Q', decades(random, 0.05, 200)));
  else if (variant === 'live chassis') parts.push(r('G', chance(random, 0.5) ? 'P' : 'Q', decades(random, 0.05, 10)));
  else parts.push(d('G', 'P', decades(random, 0.8e6, 6e6)), d('G', 'Q', decades(random, 0.8e6, 6e6)));
  return { variant, tied: true, said: said(random), insulationOhms: decades(random, 1e3, 1e6), parts };
}

/** Where the contact itself is in the mains of a load: its board's ground is apart. */
export function mainsLoad(random: Random): Mains {
  return {
    variant: 'mains on the contact',
    tied: true,
    said: said(random),
    insulationOhms: decades(random, 10, 1e3),
    parts: [r('P', 'L', 0.05), r('Q', 'N', 0.05), r('G', 'P', 2e9)],
  };
}

/** The house's own wiring at the pins: one of them live, the other bonded to earth far away. */
export function plugged(m: Mains, turned: boolean): Part[] {
  const [live, neutral] = turned ? ['Q', 'P'] : ['P', 'Q'];
  const house: Part[] = [{ is: 'v', a: live, b: neutral, volts: 230, ohms: 0.5 }, r(neutral, 'E', 0.5)];
  // A single junction at live conducts for half of the wave: seen from earth, its ground is a strong source of 115 V r.m.s. of AC.
  const half = m.parts.some((p) => p.is === 'd' && (p.a === live || p.b === live));
  if (m.variant.startsWith('half-wave') && half)
    return [...m.parts.filter((p) => p.is !== 'd'), ...house, { is: 'v', a: 'G', b: 'E', volts: 115, ohms: 50 }];
  if (m.variant !== 'offline step-down') return [...m.parts, ...house];
  // A bridge holds the ground half a wave below the pins: seen from earth, a strong source of 125 V r.m.s.
  return [...m.parts.filter((p) => p.is !== 'd'), ...house, { is: 'v', a: 'G', b: 'E', volts: 125, ohms: 50 }];
}
