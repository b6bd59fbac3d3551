import { finding, type Finding } from '../finding';
import type { Job } from '../job';

/** What is told and what stays unknown for each way of sensing. */
export const CONTACT_TELLS: Record<Job['sense']['contact'], { knows: readonly string[]; not: readonly string[] }> = {
  none: {
    knows: [],
    not: ['whether the press was seen', 'whether the machine runs', 'whether someone pressed by hand'],
  },
  'at-rest': {
    knows: ['that the machine is at rest (closed, stopped)', 'that it has left its rest'],
    not: ['how far it went', 'whether it got to the other end'],
  },
  'at-work': {
    knows: ['that the machine is at work (open, running)', 'that it has left that state'],
    not: ['whether it is fully at rest', 'how far it is on the way'],
  },
};

/** What Sense judges: how much of the state is known. */
export function senseFindings(job: Job): Finding[] {
  const { contact } = job.sense;
  if (contact !== 'none') {
    const word = contact === 'at-rest' ? 'rest' : 'work';
    return [
      finding('sense', 'contact', {
        verdict: 'tight',
        title:
          `One contact tells ${CONTACT_TELLS[contact].knows[0]}; it cannot tell ` +
          `${CONTACT_TELLS[contact].not[0]}. Neither the runs in Act nor the packed program look at ` +
          'it yet',
        caption: `contact at ${word}, unread`,
        source: ['contact-meaning'],
        remedy: { text: 'Let your own program look at it before it presses; until then it settles nothing.' },
      }),
    ];
  }
  const { kind } = job.act.machine;
  const does =
    kind === 'unknown'
      ? 'What a missed or a second press does is not known, since the machine’s kind has not been said in Act'
      : kind === 'starts-and-stops-itself'
        ? 'A second press does no harm while it runs'
        : 'One missed press and the plan believes the opposite of what is true';
  return [
    finding('sense', 'blind', {
      verdict: kind === 'unknown' ? 'unknown' : 'tight',
      title: `Pressing blind: nothing tells whether the press was seen. ${does}`,
      caption: 'pressing blind',
      source: ['contact-meaning'],
      remedy: {
        text: 'One contact at rest tells whether the machine left its rest.',
        label: 'Add one contact at rest',
        edit: {
          do: 'set',
          at: 'sense',
          set: { contact: 'at-rest', restsClosed: true },
          say: 'one contact at rest',
        },
      },
    }),
  ];
}
