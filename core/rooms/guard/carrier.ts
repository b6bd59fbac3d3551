import { freshOf } from '../../ground/field';
import type { ContactFact, Facts, PressFact } from '../../ground/facts';
import { chainFields, loadOf, type Chain, type Job, type Load } from '../../ground/job';
import { isOwnLoad } from './load';
import { isContactPlanned } from './module';

/** A contact that carries a load, with the press that closes it; null for that of a bought switch that no press moves. */
export interface Carrier {
  readonly press: PressFact | null;
  readonly contact: ContactFact;
  readonly load: Load;
  /** It stands in a mains lead, and not in the supply of a load of its own. */
  readonly mains: boolean;
  /** It is that of a bought switch that is plugged in: its casing holds what is behind it. */
  readonly bought: boolean;
}

/** Every contact of a plan that carries a load. */
export function carriersOf(job: Job, facts: Facts): readonly Carrier[] {
  const carrying = facts.presses.flatMap((press): Carrier[] =>
    press.contact
      ? [
          {
            press,
            contact: press.contact,
            load: loadOf(job, press.id),
            mains: !isOwnLoad(press),
            bought: press.way === 'module-contact',
          },
        ]
      : [],
  );
  const held = isContactPlanned(facts) ? null : (facts.drive?.moduleContact ?? null);
  return held
    ? [...carrying, { press: null, contact: held, load: loadOf(job, ''), mains: true, bought: true }]
    : carrying;
}

/** What was said of the lead of a contact; all unknown where nothing was. */
export const chainOf = ({ guard }: Job, press: string): Chain =>
  guard.chains.find((c) => c.press === press) ?? { ...freshOf(chainFields), press };
