import { INPUT_AMPS } from '../ways';
import { present } from '../../ground/lists';
import type { DriveFact, PressFact } from '../../ground/facts';
import type { Control, Job } from '../../ground/job';
import { exactly, within, type Interval } from '../../ground/quantity';
import { ZERO, type Element } from '../../engines/net';
import { SUPPLY_SHARE } from '../../engines/electrics';
import type { TakenPart } from '../../engines/parts';
import { AMPS_SHARE, VOLTS_SHARE, type Whose } from './driver';
import type { Rating } from './fitted';
import type { MachineSide } from './machine-side';
import {
  amps,
  notApplying,
  notKnown,
  OPEN_SWITCH_OHMS,
  rated,
  resistorElement,
  volts,
  type CircuitPiece,
} from './piece';
import type { State } from './state';
import type { SupplyPiece } from './supplies';

/** What a press is built of. */
export interface Site {
  readonly job: Job;
  readonly press: PressFact;
  readonly control: Control | undefined;
  readonly drive: DriveFact;
  readonly side: MachineSide | null;
  readonly supplies: SupplyPiece;
  readonly whose: Whose;
  /** States in which it presses. */
  readonly on: readonly string[];
  readonly isOn: (state: State) => boolean;
}

/** The machine's side, where a way is only built with one. */
export const sideIn = (s: Site): MachineSide => present(s.side);

/** A contact between the two terminals: closed while it presses. */
export const contactBetween = (s: Site, ohms: Interval): CircuitPiece['elements'] => {
  const two = s.job.presses.find((p) => p.id === s.press.id)?.twoContacts === true;
  const closed = two ? { low: 2 * ohms.low, nominal: 2 * ohms.nominal, high: 2 * ohms.high } : ohms;
  return (state) =>
    s.side
      ? [
          resistorElement(
            `${s.press.id} contact`,
            s.side.upper,
            s.side.lower,
            s.isOn(state) ? closed : exactly(OPEN_SWITCH_OHMS),
          ),
        ]
      : [];
};

/** A rating of what closes a pair of which no line is known: a contact before a load is judged in Guard, of others nobody knows. */
export const withoutSide = (s: Site, key: string, name: string): Rating =>
  s.press.contact
    ? notApplying(key, name, 'it carries a load of its own: Guard holds it against that')
    : notKnown(key, name, NO_SIDE);
/** Why nothing is known of what stands between two terminals. */
export const NO_SIDE = 'the machine’s side of this control is not known';

/** Ratings of what closes the pair, by the names that its kind gives them; a contact that carries a load is judged in Guard. */
export function switchRatings(
  s: Site,
  part: TakenPart,
  names: { readonly volts: readonly [string, string]; readonly amps: readonly [string, string] },
): Rating[] {
  if (!s.side)
    return [withoutSide(s, names.volts[0], 'volts across it'), withoutSide(s, names.amps[0], 'current through it')];
  return [
    rated(part, names.volts[0], names.volts[1], VOLTS_SHARE, volts(s.side.upper, s.side.lower)),
    rated(part, names.amps[0], names.amps[1], AMPS_SHARE, amps(`${s.press.id} contact`)),
  ];
}

/** What the coil of the machine does to a contact that opens. */
export function kick(s: Site): Rating {
  const feeds = s.control?.feeds ?? 'unknown';
  const name = 'what it breaks';
  if (!s.side) return withoutSide(s, 'contact-kick', name);
  if (feeds === 'coil') return notKnown('contact-kick', name, 'a coil that nothing clamps');
  if (feeds === 'unknown' && s.side.mostAmps > INPUT_AMPS)
    return notKnown('contact-kick', name, 'whether the pair feeds a coil is not said');
  return notApplying(
    'contact-kick',
    name,
    feeds === 'coil-with-diode'
      ? 'a diode clamps the coil'
      : feeds === 'lamp'
        ? 'a lamp does not kick'
        : 'an input takes next to nothing',
  );
}

/** What feeds something: plus and minus, why its volts are not known, empty where they are, and a source where nobody said one. */
export interface Supplied {
  readonly plus: string;
  readonly minus: string;
  readonly unknown: string;
  readonly elements: readonly Element[];
}
/** What a load hangs on, or a source as it is rated where that is not known. @param load as Feed calls it. */
export function suppliedBy(s: Site, load: string, rating: number): Supplied {
  const at = s.supplies.at(load);
  if (at && at.unknown === '') return { ...at, elements: [] };
  const plus = `${load} supply`;
  return {
    plus,
    minus: ZERO,
    unknown: at?.unknown ?? 'what feeds it is not said',
    elements: [{ is: 'source', id: plus, a: plus, b: ZERO, volts: within(rating, SUPPLY_SHARE), ohms: exactly(0) }],
  };
}
/** The supply of a press's coil. */
export const coilSupply = (s: Site, rating: number): Supplied => suppliedBy(s, s.press.id, rating);
