import { present, realAt } from '../../ground/lists';
import { solvedAcross } from './eliminate';
import { rangeOf, VALUES, type Element, type ElementOf } from './element';
import type { CircuitQuantity, Standing } from './point';

type Tell = (key: string, slope: number) => void;

/**
 * By how much a quantity moves for one unit more of each value that has bounds: the adjoint network has the transposed matrix, and what it
 * is driven by is what is asked.
 */
export function slopesOf(net: Standing, of: CircuitQuantity): ReadonlyMap<string, number> {
  const c = new Float64Array(net.size);
  const mark = (i: number, v: number): void => {
    if (i >= 0) c[i] = realAt(c, i) + v;
  };
  const through = 'amps' in of ? net.elements.find((e) => e.id === of.amps) : undefined;
  const direct = through && !net.hasRow(through.id) ? directly(net, through) : null;
  if ('amps' in of && !direct) mark(net.row(of.amps), 1);
  else {
    const [a, b] = 'volts' in of ? of.volts : [present(through).a, present(through).b];
    const g = direct?.conductance ?? 1;
    mark(net.place(a), g);
    mark(net.place(b), -g);
  }
  const y = solvedAcross(present(net.lu), c);
  const out = new Map<string, number>();
  for (const e of net.elements) {
    if (isExact(e)) continue;
    slopesOfElement(net, e, y, (key, slope) => {
      const { low, high } = rangeOf(e, key);
      if (low !== high) out.set(`${e.id} ${key}`, slope);
    });
  }
  if (direct?.own) out.set(direct.own, (out.get(direct.own) ?? 0) + direct.slope);
  return out;
}

const EXACT = new WeakMap<Element, boolean>();
/** Whether no value of an element has bounds. */
function isExact(e: Element): boolean {
  const known = EXACT.get(e);
  if (known !== undefined) return known;
  const exact = VALUES[e.is].every((key) => {
    const { low, high } = rangeOf(e, key);
    return low === high;
  });
  EXACT.set(e, exact);
  return exact;
}

/** A resistor's, a channel's or a drain's current has no row of its own: its conductance, and what its own value does to it beside that. */
function directly(net: Standing, e: Element): { conductance: number; own: string; slope: number } {
  if (e.is === 'drain') return { conductance: 0, own: `${e.id} amps`, slope: 1 };
  const ohms = e.is === 'resistor' || e.is === 'channel' ? net.value(e.id, 'ohms') : Number.NaN;
  const conductance = e.is === 'channel' ? net.conductance(e) : 1 / ohms;
  const across = net.nodeVolts(e.a) - net.nodeVolts(e.b);
  return { conductance, own: `${e.id} ohms`, slope: (-across * conductance) / ohms };
}

/** What the adjoint voltages `y` say of one element's values. */
function slopesOfElement(net: Standing, e: Element, y: Float64Array, tell: Tell): void {
  const of = (node: string): number => {
    const i = net.place(node);
    return i < 0 ? 0 : realAt(y, i);
  };
  const [across, here] = [of(e.a) - of(e.b), net.nodeVolts(e.a) - net.nodeVolts(e.b)];
  const side = net.sides.get(e.id);
  const series = (volts: string): void => {
    const r = net.row(e.id);
    tell(volts, realAt(y, r));
    tell('ohms', realAt(y, r) * net.current(e.id));
  };
  switch (e.is) {
    case 'resistor':
      tell('ohms', (across * here) / net.value(e.id, 'ohms') ** 2);
      break;
    case 'drain':
      tell('amps', -across);
      break;
    case 'source':
      series('volts');
      break;
    case 'junction':
      if (side !== 'off') series('volts');
      break;
    case 'follower':
      if (side === 'full') series('leastVolts');
      else if (side === 'on') tell('gain', realAt(y, net.row(e.id)) * net.current(e.of));
      break;
    case 'channel':
      slopesOfChannel(net, e, across * here, tell);
      break;
    case 'converter':
      slopesOfConverter(net, e, y, across, tell);
  }
}

function slopesOfChannel(net: Standing, e: ElementOf<'channel'>, product: number, tell: Tell): void {
  const now = net.conductance(e);
  if (now === 0) return;
  const ohms = net.value(e.id, 'ohms');
  tell('ohms', (product * now) / ohms);
  if (net.sides.get(e.id) === 'full') return;
  tell('thresholdVolts', product * now);
  tell('fullVolts', product * now);
}

function slopesOfConverter(
  net: Standing,
  e: ElementOf<'converter'>,
  y: Float64Array,
  across: number,
  tell: Tell,
): void {
  const side = net.sides.get(e.id);
  if (side === 'off') return;
  tell('idleAmps', -across);
  if (side === 'on') return tell('dropVolts', -realAt(y, net.row(e.id)));
  tell('volts', realAt(y, net.row(e.id)));
  const efficiency = net.value(e.id, 'efficiency');
  if (efficiency !== 0) tell('efficiency', (-across * net.ratio(e) * net.current(e.id)) / efficiency);
}
