import type { Facts } from '../../ground/facts';
import { CONTROLLER, tickedAt, type Job } from '../../ground/job';
import { exactly, within } from '../../ground/quantity';
import { feedingSource } from '../../engines/supply';
import { leadJoins, LEAD_APART } from '../programming-lead';
import { common, notApplying, notKnown, resistorElement, volts, amps, type CircuitPiece } from './piece';
import { LEAD_ALONE, LEAD_BESIDE } from './state';
import type { SupplyPiece } from './supplies';

/** What a lead gives to a board's own regulator, and most that it may be asked for, V and A (`usb`). */
const LEAD_VOLTS = { low: 4.75, nominal: 5, high: 5.25 } as const;
const LEAD_AMPS = 0.5;
/** What goes into the chip's pin beside its own regulator is as exact as such regulators are. */
const CHIP_SPREAD = 0.05;
/** Its two conductors together, Ω: a usual one of a metre (common practice). */
const LEAD_OHMS = exactly(0.4);
/** Volts over the lead's that count as driving current back into it, V: what a milliampere makes over its conductors, and its plug. */
const BACK_VOLTS = 0.001;

const ID = 'programming lead';

/** The programming lead in the controller's socket; null where there is no controller or nothing feeds it. */
export function programmingLead(job: Job, facts: Facts, supplies: SupplyPiece): CircuitPiece | null {
  const { drive } = facts;
  const place = supplies.at(CONTROLLER);
  if (!drive || !place) return null;
  const part = { id: ID, kind: 'programming-lead', name: ID, of: CONTROLLER, owner: '', room: 'feed' } as const;
  const off = (because: string): CircuitPiece => ({
    elements: () => [],
    parts: [
      {
        ...part,
        ratings: [
          notApplying('back-volts', 'volts back into it', because),
          notApplying('amps', 'its current', because),
        ],
      },
    ],
  });
  if (!leadJoins(job, drive))
    return off(
      'such boards take their supply before a regulator of their own, and the lead behind it (common practice)',
    );
  if (tickedAt(job, LEAD_APART)) return off('the supply is taken off before the lead goes in');
  const given = job.feed.duty.into === 'chip' ? within(drive.pinVolts, CHIP_SPREAD) : LEAD_VOLTS;
  const inner = `${ID} +`;
  return {
    elements: (state) =>
      state.lead
        ? [
            { is: 'source', id: ID, a: inner, b: place.minus, volts: given, ohms: exactly(0) },
            resistorElement(`${ID} conductors`, inner, place.plus, LEAD_OHMS),
          ]
        : [],
    parts: [
      {
        ...part,
        ratings: [
          common('back-volts', 'usb', 1, {
            name: 'volts that drive current back into it',
            unit: 'V',
            limit: BACK_VOLTS,
            stress: volts(place.plus, inner),
            states: [LEAD_BESIDE],
            soft: true,
          }),
          // What a rail of the machine draws backwards is the whole machine.
          feedingSource(job.feed, CONTROLLER)?.kind === 'rail'
            ? notKnown(
                'amps',
                'its current',
                'what the machine draws from its rail while the lead feeds it was not read',
              )
            : common('amps', 'usb', 1, {
                name: 'its current',
                unit: 'A',
                limit: LEAD_AMPS,
                stress: amps(ID),
                states: [LEAD_ALONE],
                soft: true,
              }),
        ],
      },
    ],
  };
}
