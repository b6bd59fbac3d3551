import { chosen, constant, derive, worst, type Step } from '../../ground/finding';
import { nearest, nextAbove, within } from '../../ground/quantity';

/** A monostable between pin and driver: whatever the controller does, a press ends. Times in seconds, parts in base units. */
export interface OneShot {
  readonly ohms: number;
  readonly farads: number;
  /** The shortest and the longest time it lets a press last, at the corners of its parts. */
  readonly shortest: Step;
  readonly longest: Step;
  /** Twice the script's longest press. */
  readonly allowed: Step;
}

/** Share of R·C for which the chip holds, and its spread (`one-shot`). */
const HOLDS = 0.7;
const HOLDS_SHARE = 0.1;
const OHMS_SHARE = 0.05;
const FARADS_SHARE = 0.1;
/**
 * How much longer than the press it is meant to hold: between 1.30, under which its fastest corner cuts a press short,
 * and 1.57, over which its slowest holds twice as long.
 */
const AIM = 1.43;
/** Nothing that presses is shorter, and no chip of this sort holds for less, s: common practice. */
const LEAST_PRESS_SECONDS = 1e-6;

/**
 * Resistor and capacitor of a monostable for a press: its shortest hold lies over the press, its longest under twice of it.
 * @param pressSeconds longest press of the script, over 0.
 */
export function oneShot(pressSeconds: number): OneShot {
  const wanted = AIM * Math.max(LEAST_PRESS_SECONDS, pressSeconds);
  // A film capacitor of at most 10 µF with up to 10 MΩ reaches a minute; longer ones want a chip that counts.
  const farads = Math.min(10e-6, nextAbove(wanted / (HOLDS * 1e6), 'E6'));
  const ohms = nearest(wanted / (HOLDS * farads), 'E24');
  const R = {
    symbol: 'R',
    name: 'timing resistor',
    range: within(ohms, OHMS_SHARE),
    unit: 'Ω' as const,
    origin: { from: 'computed' as const, what: 'standard value of IEC 60063' },
  };
  const C = {
    symbol: 'C',
    name: 'timing capacitor',
    range: within(farads, FARADS_SHARE),
    unit: 'F' as const,
    origin: { from: 'computed' as const, what: 'standard value of IEC 60063' },
  };
  const k = {
    symbol: 'k',
    name: 'share of R·C for which the chip holds',
    range: within(HOLDS, HOLDS_SHARE),
    unit: '1' as const,
    origin: { from: 'source' as const, key: 'one-shot' as const },
  };
  return {
    ohms,
    farads,
    shortest: worst('lowest', 'it ends a press no sooner than', 't_min', 'k * R * C', 's', [k, R, C]),
    longest: worst('highest', 'it ends a press no later than', 't_max', 'k * R * C', 's', [k, R, C]),
    allowed: derive('twice the longest press of the script', 't_2', 'm * t_press', 's', [
      constant('m', 'a hanging controller may hold at most', 2, '1', 'press-longest'),
      chosen('t_press', 'longest press', pressSeconds, 's', 'press script, in Act', [0.01, 3600]),
    ]),
  };
}
