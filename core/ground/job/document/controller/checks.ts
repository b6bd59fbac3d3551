import type { BoardProfile } from '../types';

/** What in a board contradicts itself, where, and what to do; null where nothing does. */
export interface ProfileProblem {
  readonly what: string;
  readonly where: string;
  readonly todo: string;
}

/** What each value of a board allows by itself and what cannot be together. */
export function profileProblem(p: BoardProfile): ProfileProblem | null {
  const no = (what: string, where: string, todo: string): ProfileProblem => ({ what, where, todo });
  if (p.pins.length === 0) return no(`${p.name} has no pin.`, 'pins', 'Give it at least one pin.');
  if (p.highVolts[2] > p.volts * 1.1)
    return no(
      `A high pin gives up to ${p.highVolts[2]} V from a supply of ${p.volts} V.`,
      'highVolts',
      'Give a high level that is no higher than the supply of the pins.',
    );
  if (p.meanAmps > p.peakAmps)
    return no(
      `It draws ${p.meanAmps} A and at most ${p.peakAmps} A.`,
      'peakAmps',
      'Give a peak no lower than the mean.',
    );
  if (p.riseSeconds > p.readySeconds)
    return no(
      'Its program has set the pins before its supply stands.',
      'readySeconds',
      'Give the time from power rising until the program has set its pins.',
    );
  if (p.allPinsAmps !== null && p.allPinsAmps < p.pinAmps)
    return no('All pins together give less than one.', 'allPinsAmps', 'Give what all pins give together.');
  const labels = new Map<string, number>();
  for (const [i, pin] of p.pins.entries()) {
    const at = (what: string, field: string, todo: string): ProfileProblem =>
      no(`Pin ${pin.gpio} ${what}.`, `pins[${i}].${field}`, todo);
    const twin = labels.get(pin.label);
    if (twin !== undefined)
      return at(`has the label of pin ${twin}`, 'label', 'Give each pin the label that is printed beside it.');
    labels.set(pin.label, pin.gpio);
    if (pin.can.includes('pull-up') && !pin.can.includes('input'))
      return at('has a pull-up and is no input', 'can', 'Let it be an input as well.');
    if ((pin.can.includes('interrupt') || pin.can.includes('wake')) && !pin.can.includes('input'))
      return at('tells of changes and is no input', 'can', 'Let it be an input as well.');
    if (pin.can.includes('pulse-width') && !pin.can.includes('output'))
      return at('gives pulses and is no output', 'can', 'Let it be an output as well.');
    if (pin.strap === 'high' && (pin.levels.reset === 'low' || pin.levels.rising === 'low'))
      return at('must be high at reset and is held low by the chip', 'levels.reset', 'Say which of the two is so.');
    if (pin.strap === 'low' && (pin.levels.reset === 'high' || pin.levels.rising === 'high'))
      return at('must be low at reset and is driven high by the chip', 'levels.reset', 'Say which of the two is so.');
    if (pin.levels.running === 'program' && pin.can.length === 0)
      return at('can do nothing and is set by the program', 'levels.running', 'Say what it can do, or what it does.');
    if (pin.pulse !== null && pin.pulseSeconds > p.readySeconds - p.riseSeconds)
      return at(
        'pulses for longer than the start lasts',
        'pulseSeconds',
        'Give a pulse that ends before the program is ready.',
      );
  }
  return null;
}
