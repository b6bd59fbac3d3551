import { finding, type Finding } from '../finding';
import type { Job } from '../job';

/** What is told and what stays unknown for each way of sensing. */
export const CONTACT_TELLS: Record<Job['sense']['contact'], { knows: readonly string[]; not: readonly string[] }> = {
  none: { knows: [], not: ['whether the press was seen', 'whether the machine runs', 'whether someone pressed by hand'] },
  'at-rest': { knows: ['that the machine is at rest (closed, stopped)', 'that it has left its rest'], not: ['how far it went', 'whether it got to the other end'] },
  'at-work': { knows: ['that the machine is at work (open, running)', 'that it has left that state'], not: ['whether it is fully at rest', 'how far it is on the way'] },
};

/** What Sense judges: how much of the state is known. */
export function senseFindings(job: Job): Finding[] {
  const { contact } = job.sense;
  if (contact !== 'none') {
    const word = contact === 'at-rest' ? 'rest' : 'work';
    return [finding('sense', 'contact', { verdict: 'settled', title: `One contact tells ${CONTACT_TELLS[contact].knows[0]}; it cannot tell ${CONTACT_TELLS[contact].not[0]}`, caption: `one contact at ${word}`, source: ['contact-meaning'] })];
  }
  const forgiving = job.act.machine.kind === 'starts-and-stops-itself';
  return [finding('sense', 'blind', {
    verdict: 'tight',
    title: forgiving ? 'Pressing blind: nothing tells whether the press was seen. A second press does no harm here' : 'Pressing blind: one missed press and the plan believes the opposite of what is true',
    caption: 'pressing blind', source: ['contact-meaning'],
    remedy: {
      text: 'One contact at rest tells whether the machine left its rest.', label: 'Add one contact at rest',
      edit: { do: 'change', section: 'sense', set: { contact: 'at-rest', restsClosed: true }, say: 'one contact at rest' },
    },
  })];
}
