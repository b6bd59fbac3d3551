import { ofSecond, type End, type LegEnd } from '../ends';
import type { RangedInput } from '../../ground/finding';
import { isJointWay, type Way } from '../../ground/job';
import { partInput, type TakenPart } from '../../engines/parts';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { ONE_SHOT } from './cut-off';
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

/** Whether an end is a leg of the contact itself. */
const isContact = (end: End): end is LegEnd => end.at === 'leg' && end.closes === true;
/** The nth of two contacts in series. */
const nth = (end: LegEnd, n: 1 | 2): LegEnd => ({
  ...end,
  words: `${end.words} of contact ${n}`,
  label: `${end.label} of contact ${n}`,
  ...(n === 2 ? { second: true } : {}),
});
/** Whether an end belongs to the one-shot. */
const ofOneShot = (end: End): boolean => end.at === 'leg' && end.device === ONE_SHOT;

/** The second contact: its driver on a pin of its own, its parts, and the wire from the first contact to it. */
export function withSecondContact(r: WayResult, c: WayContext): WayResult {
  if (contactsOf(c, r.way) === 1 || r.wires.length === 0) return r;
  const across = r.wires.flatMap((w) => (isContact(w.ends[0]) ? [{ ...w, contact: w.ends[0] }] : []));
  const [upper, lower] = across;
  if (!upper || !lower) return r;
  const others = r.wires.filter((w) => across.every((x) => x.number !== w.number));
  const list: WireEnds[] = [
    ...r.wires
      .filter((w) => w.number !== lower.number)
      .map((w): WireEnds => [
        w.number === upper.number ? nth(upper.contact, 1) : w.ends[0],
        w.ends[1],
        w.crosses,
        w.role,
      ]),
    [nth(lower.contact, 1), nth(upper.contact, 2)],
    [nth(lower.contact, 2), lower.ends[1], lower.crosses, lower.role],
    ...others
      .filter((w) => !w.ends.some(ofOneShot))
      .map((w): WireEnds => [ofSecond(w.ends[0]), ofSecond(w.ends[1]), w.crosses, w.role]),
  ];
  // A one-shot stands before the first contact alone; that one opens is enough.
  const shared = r.parts.filter((p) => p.shared);
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
