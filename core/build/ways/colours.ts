import type { Job } from '../../ground/job';

/** What a conductor is for; mains conductors have colours of their own, and those stand in the rules and not in the maker's choice. */
export type Role = 'line' | 'neutral' | 'earth' | 'signal';

const LOW_VOLTAGE = ['orange', 'black', 'green', 'grey', 'red', 'blue', 'brown', 'yellow', 'violet', 'white'] as const;

/** Colours of mains conductors by region, the usual one first (`iec-60445`, `nec-colours`). */
const MAINS: Readonly<Record<'europe' | 'america', Readonly<Record<Exclude<Role, 'signal'>, readonly string[]>>>> = {
  europe: { line: ['brown', 'black', 'grey'], neutral: ['blue'], earth: ['green-yellow'] },
  america: { line: ['black', 'red'], neutral: ['white', 'grey'], earth: ['green', 'green-yellow'] },
};

/** Low-voltage colours that no mains conductor has in any region. */
const NEVER_MAINS = LOW_VOLTAGE.filter(
  (c) => !Object.values(MAINS).some((region) => Object.values(region).some((list) => list.includes(c))),
);

/** Regions of 100 to 127 V colour their wires the one way, those of 220 to 240 V the other. */
const colourRules = (job: Job) => MAINS[job.region.mainsVolts < 150 ? 'america' : 'europe'];

/** The colours that a conductor may have here. A low-voltage wire beside mains has none that a mains conductor could have in any region. */
export function coloursFor(job: Job, role: Role, besideMains: boolean): readonly string[] {
  if (role !== 'signal') return colourRules(job)[role];
  return besideMains ? NEVER_MAINS : LOW_VOLTAGE;
}
