import type { RangedInput } from '../../ground/finding';
import { isJointWay, type Way } from '../../ground/job';
import { partInput, type TakenPart } from '../../engines/parts';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { twice } from './draws';

/** Ways whose contact may stand twice in one wire: a metal contact or a solid-state relay, each with a driver of its own. */
const IN_SERIES: ReadonlySet<Way> = new Set(['relay-contact', 'relay-module', 'solid-state-relay']);

/** Whether a second contact of the same sort may stand in series with the first. */
export const mayBeInSeries = (way: Way | null): boolean => way !== null && isJointWay(way) && IN_SERIES.has(way);

/** How many contacts of a way stand one behind the other. */
export const contactsOf = (c: Pick<WayContext, 'press'>, way: Way): number =>
  c.press.twoContacts && mayBeInSeries(way) ? 2 : 1;

/** The closed switch of a way as an input: twice its part where two stand in series. */
export function closedOhms(c: WayContext, way: Way, part: TakenPart): RangedInput {
  const one = partInput(part, 'onOhms');
  if (contactsOf(c, way) === 1) return one;
  const { low, nominal, high } = one.range;
  return { ...one, name: `${one.name}, two in series`, range: { low: 2 * low, nominal: 2 * nominal, high: 2 * high } };
}

/** The terminal of a contact, as the wires of these ways call it. */
const CONTACT = /^(contact|output)$/;

/** The second contact: its driver on a pin of its own, its parts, and the wire from the first contact to it. */
export function withSecondContact(r: WayResult, c: WayContext): WayResult {
  if (contactsOf(c, r.way) === 1 || r.wires.length === 0) return r;
  const across = r.wires.filter((w) => CONTACT.test(w.from));
  const [upper, lower] = across;
  if (!upper || !lower) return r;
  const second = (end: string): string =>
    end === 'pin' ? 'pin 2' : /^(controller ground|[\d.]+ ?[mk]?V)/.test(end) ? end : `${end} of contact 2`;
  const list: WireEnds[] = [
    ...r.wires
      .filter((w) => w !== lower)
      .map((w): WireEnds => [w === upper ? `${w.from} 1` : w.from, w.to, w.crosses, w.role]),
    [`${upper.from} 1`, `${upper.from} 2`],
    [`${lower.from} 2`, lower.to, lower.crosses, lower.role],
    ...r.wires
      .filter((w) => !across.includes(w) && !w.from.startsWith('one-shot') && !w.to.startsWith('one-shot'))
      .map((w): WireEnds => [second(w.from), second(w.to), w.crosses, w.role]),
  ];
  // A one-shot stands before the first contact alone; that one opens is enough.
  const shared = r.parts.filter((p) => /one-shot|monostable/.test(p.name));
  return {
    ...r,
    wires: wires(c, list),
    parts: [...r.parts.filter((p) => !shared.includes(p)).map((p) => ({ ...p, quantity: 2 * p.quantity })), ...shared],
    press: {
      ...r.press,
      outputs: 2,
      draws: r.press.draws.map(twice),
    },
  };
}
