import { GROUND, leg, type End, type PinEnd } from '../ends';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { pinNeeds } from './pin-needs';

/** Wires of a way as they were given, to be numbered anew with more after them. */
const wireEnds = (r: WayResult): WireEnds[] => r.wires.map((w) => [w.ends[0], w.ends[1], w.crosses, w.role]);

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
