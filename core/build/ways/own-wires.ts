import { loadOf, type Way } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { GROUND, leg, terminal, type End, type PinEnd, type TerminalEnd } from '../ends';
import { isBarePress } from './bare';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { pinNeeds } from './pin-needs';

/** Wires of a way as they were given, to be numbered anew with more after them. */
export const wireEnds = (r: WayResult): WireEnds[] => r.wires.map((w) => [w.ends[0], w.ends[1], w.crosses, w.role]);

/** A resistor of two legs between two ends, as two wires. @param name how its legs are called. */
export function resistorBetween(name: string, from: End, to: End): WireEnds[] {
  const end = (n: 1 | 2): End => leg('resistor', `${name}, end ${n}`, `${name}, end ${n}`, { beside: true });
  return [
    [from, end(1)],
    [end(2), to],
  ];
}

/** The resistors that Board puts from each pin that presses to ground, as wires after those of the way. */
export function withPullDowns(r: WayResult, c: WayContext): WayResult {
  if (!c.press.pullDown || r.press.input !== 'level' || r.wires.length === 0) return r;
  const acting = new Set(pinNeeds(r).flatMap((p) => (p.acts ? [p.end] : [])));
  const pins = new Map<string, PinEnd>();
  for (const end of r.wires.flatMap((w) => w.ends))
    if (end.at === 'pin' && acting.has(end.name) && !pins.has(end.name)) pins.set(end.name, { ...end, note: '' });
  return {
    ...r,
    wires: wires(c, [
      ...wireEnds(r),
      ...[...pins.values()].flatMap((p) =>
        resistorBetween(pins.size === 1 ? 'pull-down' : `pull-down, ${p.name}`, p, GROUND),
      ),
    ]),
  };
}

/** Ways whose contact stands in a lead of what it moves, and says nothing of the rest of that circuit. */
export const IN_A_LEAD: readonly Way[] = ['relay-contact', 'relay-module'];

/**
 * The circuit of a load that is no part of a machine: from its own supply through the contact to the load, and from there back. What the
 * supply gives is what Guard was told of the load.
 */
export function withOwnSupply(r: WayResult, c: WayContext): WayResult {
  if (!isBarePress(c) || !IN_A_LEAD.includes(r.way) || r.wires.length === 0) return r;
  const { volts, current } = loadOf(c.job, c.press.id);
  const direct = volts !== null && current === 'dc';
  const name = `supply of the ${c.control.name}`;
  const pole = (n: 0 | 1): End => {
    const mark = direct ? ['+', '−'][n] : `end ${n + 1}`;
    // The drawing of a joint ends at this pole; what leads back has no place in it.
    return leg('supply', `its own supply, ${mark}`, mark, n === 0 ? {} : { beside: true });
  };
  const [upper, lower] = [terminal(c.control, 'A'), terminal(c.control, 'B')];
  const isAt = (end: End, t: TerminalEnd): boolean => end.at === 'terminal' && end.letter === t.letter;
  return {
    ...r,
    wires: wires(c, [
      ...wireEnds(r).map(([from, to, ...rest]): WireEnds => [
        from,
        isAt(to, upper) ? pole(0) : isAt(to, lower) ? upper : to,
        ...rest,
      ]),
      [pole(1), lower],
    ]),
    parts: [
      ...r.parts,
      {
        name,
        value: volts === null ? 'as its plate says' : `${formatQuantity(volts, 'V')} ${direct ? 'DC' : 'AC'}`,
        quantity: 1,
      },
    ],
  };
}
