import type { BoardPin, BoardProfile, SenseLimit, SwitchModule } from '../types';

/** What in a board contradicts itself, where, and what to do; null where nothing does. */
export interface ProfileProblem {
  readonly what: string;
  readonly where: string;
  readonly todo: string;
}

/** A high level may be over the supply by the error of both readings: common practice, no source. */
const MOST_OVER = 1.1;

/** What in a threshold contradicts itself; null where nothing does. */
export const limitProblem = ({ over, under }: SenseLimit): ProfileProblem | null =>
  under > over
    ? {
        what: `It says so over ${over}, and says not so already under ${under}: between the two it would say both.`,
        where: 'limit.under',
        todo: 'Let it say not so under a value that is no higher than the one over which it says so.',
      }
    : null;

/** What cannot be together, where it shows, and what to do about it. */
type Check<T> = readonly [
  wrong: (x: T, p: BoardProfile) => boolean,
  what: (x: T, p: BoardProfile) => string,
  where: string,
  todo: string,
];

const OF_BOARD: readonly Check<BoardProfile>[] = [
  [(p) => p.pins.length === 0, (p) => `${p.name} has no pin.`, 'pins', 'Give it at least one pin.'],
  [
    (p) => p.highVolts[2] > p.volts * MOST_OVER,
    (p) => `A high pin gives up to ${p.highVolts[2]} V from a supply of ${p.volts} V.`,
    'highVolts',
    'Give a high level that is no higher than the supply of the pins.',
  ],
  [
    (p) => p.meanAmps > p.peakAmps,
    (p) => `It draws ${p.meanAmps} A and at most ${p.peakAmps} A.`,
    'peakAmps',
    'Give a peak no lower than the mean.',
  ],
  [
    (p) => p.riseSeconds > p.readySeconds,
    () => 'Its program has set the pins before its supply stands.',
    'readySeconds',
    'Give the time from power rising until the program has set its pins.',
  ],
  [
    (p) => p.allPinsAmps !== null && p.allPinsAmps < p.pinAmps,
    () => 'All pins together give less than one.',
    'allPinsAmps',
    'Give what all pins give together.',
  ],
];

const OF_MODULE: readonly Check<SwitchModule>[] = [
  [
    (m, p) => !p.pins.some((pin) => pin.gpio === m.contactGpio && pin.can.includes('output')),
    (m) => `Its contact hangs on pin ${m.contactGpio}, which this board does not have or which gives no level.`,
    'contactGpio',
    'Name the pin that closes its contact, and list it as an output.',
  ],
  [
    (m, p) => m.buttonGpio !== null && !p.pins.some((pin) => pin.gpio === m.buttonGpio && pin.can.includes('input')),
    (m) => `Its button hangs on pin ${m.buttonGpio}, which this board does not have or which reads nothing.`,
    'buttonGpio',
    'Name the pin of its button, and list it as an input.',
  ],
  [
    (m, p) => m.lampGpio !== null && !p.pins.some((pin) => pin.gpio === m.lampGpio && pin.can.includes('output')),
    (m) => `Its lamp hangs on pin ${m.lampGpio}, which this board does not have or which gives no level.`,
    'lampGpio',
    'Name the pin of its lamp, and list it as an output.',
  ],
  [
    (m) => new Set([m.contactGpio, m.buttonGpio ?? -1, m.lampGpio ?? -2]).size < 3,
    () => 'Two of contact, button and lamp hang on one pin.',
    'contactGpio',
    'Give each the pin that it is soldered to.',
  ],
  [
    (m) => m.contactVolts < m.mainsVolts[0],
    (m) => `Its contact bears ${m.contactVolts} V, and it runs on mains of ${m.mainsVolts[0]} V and more.`,
    'contactVolts',
    'Give the voltage that stands beside the current of its contact.',
  ],
  [
    (m) => m.inrushAmps < m.contactAmps,
    (m) => `Its contact carries ${m.contactAmps} A and bears less as it closes, ${m.inrushAmps} A.`,
    'inrushAmps',
    'Give what it bears as it closes: no less than what it carries.',
  ],
];

const can = (pin: BoardPin, ...any: BoardPin['can']): boolean => any.some((x) => pin.can.includes(x));
const inReset = (pin: BoardPin, level: 'low' | 'high'): boolean =>
  pin.levels.reset === level || pin.levels.rising === level;

const OF_PIN: readonly Check<BoardPin>[] = [
  [
    (pin) => can(pin, 'pull-up') && !can(pin, 'input'),
    () => 'has a pull-up and is no input',
    'can',
    'Let it be an input as well.',
  ],
  [
    (pin) => can(pin, 'interrupt', 'wake') && !can(pin, 'input'),
    () => 'tells of changes and is no input',
    'can',
    'Let it be an input as well.',
  ],
  [
    (pin) => can(pin, 'pulse-width') && !can(pin, 'output'),
    () => 'gives pulses and is no output',
    'can',
    'Let it be an output as well.',
  ],
  [
    (pin) => pin.strap === 'high' && inReset(pin, 'low'),
    () => 'must be high at reset and is held low by the chip',
    'levels.reset',
    'Say which of the two is so.',
  ],
  [
    (pin) => pin.strap === 'low' && inReset(pin, 'high'),
    () => 'must be low at reset and is driven high by the chip',
    'levels.reset',
    'Say which of the two is so.',
  ],
  [
    (pin) => pin.levels.running === 'program' && pin.can.length === 0,
    () => 'can do nothing and is set by the program',
    'levels.running',
    'Say what it can do, or what it does.',
  ],
  [
    (pin, p) => pin.pulse !== null && pin.pulseSeconds > p.readySeconds - p.riseSeconds,
    () => 'pulses for longer than the start lasts',
    'pulseSeconds',
    'Give a pulse that ends before the program is ready.',
  ],
];

/** What each value of a board allows by itself and what cannot be together; null where nothing contradicts. */
export function profileProblem(p: BoardProfile): ProfileProblem | null {
  for (const [wrong, what, where, todo] of OF_BOARD) if (wrong(p, p)) return { what: what(p, p), where, todo };
  if (p.module)
    for (const [wrong, what, where, todo] of OF_MODULE)
      if (wrong(p.module, p)) return { what: what(p.module, p), where: `module.${where}`, todo };
  const labels = new Map<string, number>();
  for (const [i, pin] of p.pins.entries()) {
    const twin = labels.get(pin.label);
    if (twin !== undefined)
      return {
        what: `Pin ${pin.gpio} has the label of pin ${twin}.`,
        where: `pins[${i}].label`,
        todo: 'Give each pin the label that is printed beside it.',
      };
    labels.set(pin.label, pin.gpio);
    for (const [wrong, what, where, todo] of OF_PIN)
      if (wrong(pin, p)) return { what: `Pin ${pin.gpio} ${what(pin, p)}.`, where: `pins[${i}].${where}`, todo };
  }
  return null;
}
