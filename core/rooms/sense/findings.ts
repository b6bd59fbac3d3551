import { finding, type Finding } from '../../ground/finding';
import { restContact, stateSense, type Job, type Sense, machineOf, sensesRead } from '../../ground/job';

/** What is told and what stays unknown for each way of sensing. */
export const CONTACT_TELLS: Record<
  'none' | 'at-rest' | 'at-work',
  { knows: readonly string[]; not: readonly string[] }
> = {
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

/** What Sense judges: how much of the state is known, and what each sense still lacks. */
export function senseFindings(job: Job): Finding[] {
  return [
    ...stateFindings(job),
    ...job.senses.filter((s) => s !== stateSense(job)).flatMap(otherFindings),
    ...job.senses.flatMap(staleFinding),
  ];
}

/** What comes by message tells what was so when it was sent: without an age it is believed for ever. */
function staleFinding(sense: Sense): Finding[] {
  if (sense.kind !== 'message' || sense.staleSeconds !== null) return [];
  return [
    finding('sense', `stale.${sense.id}`, {
      verdict: 'tight',
      title: `${sense.name} comes by message and is never too old: a sender that fell silent is believed for ever`,
      caption: 'never too old',
      source: ['contact-meaning'],
      remedy: {
        text: 'Say after how long without news nothing is known: two to three times as long as its sender takes between two messages.',
        label: 'After two minutes',
        edit: {
          do: 'put',
          list: 'senses',
          item: { ...sense, staleSeconds: STALE_SECONDS },
          say: `${sense.name}: too old after two minutes`,
        },
      },
    }),
  ];
}
const STALE_SECONDS = 120;

/** A sense that tells something else than rest or work: what it means, and how its message comes. */
function otherFindings(sense: Sense): Finding[] {
  const lacks =
    sense.kind === 'message' && !sense.topic
      ? 'no topic is named that its message comes on'
      : sense.tells === 'other' && !sense.meaning
        ? 'nobody said what it tells'
        : '';
  return [
    finding('sense', `sense.${sense.id}`, {
      verdict: lacks ? 'unknown' : 'tight',
      title: lacks
        ? `${sense.name}: ${lacks}`
        : `${sense.name} tells ${sense.meaning || 'the state once more'}. Neither the runs in Act nor the packed program look at it yet`,
      caption: lacks ? 'sense not told' : `${sense.name}, unread`,
      source: ['contact-meaning'],
      remedy: { text: lacks ? 'Say it below.' : 'Let your own program look at it; until then it settles nothing.' },
    }),
  ];
}

function stateFindings(job: Job): Finding[] {
  const sense = stateSense(job);
  if (sense && sense.tells !== 'other') {
    const contact = sense.tells;
    const word = contact === 'at-rest' ? 'rest' : 'work';
    const read = sensesRead(job).includes(sense.id);
    const tells =
      `${sense.kind === 'contact' ? 'One contact' : sense.name} tells ${CONTACT_TELLS[contact].knows[0]}; it cannot tell ` +
      `${CONTACT_TELLS[contact].not[0]}`;
    return [
      finding('sense', 'contact', {
        verdict: read ? 'settled' : 'tight',
        title: read ? `${tells}. A move looks at it` : `${tells}. No move looks at it yet`,
        caption: read ? `contact at ${word}` : `contact at ${word}, unread`,
        source: ['contact-meaning'],
        remedy: read
          ? null
          : {
              text: 'Let a move in Act look at it before it presses.',
            },
      }),
    ];
  }
  const { kind } = machineOf(job);
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
        edit: restContact(job),
      },
    }),
  ];
}
