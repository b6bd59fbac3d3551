import type { Facts } from '../../ground/facts';
import { finding, type Finding } from '../../ground/finding';
import {
  comesByMessage,
  isSaid,
  machineOf,
  onlyListens,
  restContact,
  sensesRead,
  stateSense,
  type Job,
  type Sense,
} from '../../ground/job';
import { counterFindings } from './counter';
import { limitFindings } from './limits';
import { tapFindings } from './taps';

/** What is told and what stays unknown for each way of sensing. */
export const CONTACT_TELLS: Record<
  'none' | 'at-rest' | 'at-work' | 'at-end',
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
  'at-end': {
    knows: ['that the machine stands at its far end (open)', 'that it has left that end'],
    not: ['whether it is on its way there or at rest', 'how far it is on the way'],
  },
};

/** What Sense judges: how much of the state is known, and what each sense still lacks. */
export function senseFindings(job: Job, { drive }: Pick<Facts, 'drive'>): Finding[] {
  return [
    ...stateFindings(job),
    ...job.senses.filter((s) => s !== stateSense(job)).flatMap((s) => otherFindings(job, s)),
    ...job.senses.flatMap(staleFinding),
    ...limitFindings(job),
    ...tapFindings(job, drive),
    ...counterFindings(job),
  ];
}

/** What comes by message tells what was so when it was sent: without an age it is believed for ever. */
function staleFinding(sense: Sense): Finding[] {
  if (!comesByMessage(sense) || sense.staleSeconds !== null) return [];
  return [
    finding('sense', `stale.${sense.id}`, {
      verdict: 'tight',
      title: `${sense.name} comes by message and is never too old: a sender that fell silent is believed for ever`,
      caption: 'never too old',
      source: ['contact-meaning'],
      remedy: {
        text: 'Say after how long without news nothing is known: two to three times as long as its sender takes between two messages.',
        // A hold that is no longer than that would pass in silence.
        ...(sense.limit && sense.limit.holdSeconds <= STALE_SECONDS
          ? {}
          : {
              label: 'After two minutes',
              edit: {
                do: 'put',
                list: 'senses',
                item: { ...sense, staleSeconds: STALE_SECONDS },
                say: `${sense.name}: too old after two minutes`,
              },
            }),
      },
    }),
  ];
}
const STALE_SECONDS = 120;

/** What a sense beside the one of the state still lacks to tell anything; empty where it lacks nothing. */
function lacksOf(sense: Sense, read: boolean, warmed: boolean): string {
  if (comesByMessage(sense) && !sense.topic) return 'no topic is named that its message comes on';
  if (sense.tells !== 'other' || sense.states.length > 0) return '';
  if (!sense.meaning) return 'nobody said what it tells';
  return read && !warmed && sense.takenFor === 'unknown'
    ? 'it tells of no state of the machine, and nobody said what runs take it for'
    : '';
}

/** Who looks at a sense, in words. */
function lookedAt(job: Job, sense: Sense, read: boolean): string {
  if (onlyListens(job)) return 'Each change of it is told';
  const byMove = job.act.moves.some((m) => m.steps.some((x) => x.sense === sense.id));
  return byMove ? 'A move looks at it' : read ? 'A rule looks at it' : 'No move looks at it yet';
}

const TOLD: Readonly<Record<Exclude<Sense['tells'], 'other'>, string>> = {
  'at-rest': 'the rest',
  'at-work': 'the work',
  'at-end': 'the far end',
};
/** What a sense tells, in the fewest words. */
function toldBy(sense: Sense): string {
  if (sense.tells !== 'other') return TOLD[sense.tells];
  const states = sense.states.join(' or ');
  return sense.meaning && states ? `${sense.meaning} (${states})` : sense.meaning || states;
}

/** A sense beside the one of the state: what it means, how its message comes, and who looks at it. */
function otherFindings(job: Job, sense: Sense): Finding[] {
  const read = sensesRead(job).includes(sense.id);
  // What a loop of Routine warms or cools is told by how warm it gets in a run.
  const warmed = job.routine.loops.some((l) => l.sense === sense.id && isSaid(l));
  const lacks = lacksOf(sense, read, warmed);
  const ofWorld = read && !warmed && sense.tells === 'other' && sense.states.length === 0;
  const tells = `${sense.name} tells ${toldBy(sense)}`;
  const said = ofWorld
    ? `${tells}; runs take it for ${sense.takenFor === 'yes' ? 'so' : 'not so'}, and nothing of the machine follows from it`
    : tells;
  return [
    finding('sense', `sense.${sense.id}`, {
      verdict: lacks ? 'unknown' : read && !ofWorld ? 'settled' : 'tight',
      title: lacks ? `${sense.name}: ${lacks}` : `${said}. ${lookedAt(job, sense, read)}`,
      caption: lacks ? 'sense not told' : read ? sense.name : `${sense.name}, unread`,
      source: ['contact-meaning'],
      remedy: lacks
        ? { text: 'Say it below.' }
        : read
          ? ofWorld
            ? { text: 'Try it both ways at the machine: with what it looks for, and without.' }
            : null
          : { text: 'Let a move in Act look at it; until then it settles nothing.' },
    }),
  ];
}

const NOTHING_HEARD = finding('sense', 'none', {
  verdict: 'unknown',
  title: 'It is to listen, and nothing is listened to yet',
  caption: 'no sense yet',
  remedy: { text: 'Add a sense: what it is, what it tells, where its wires go.' },
});

function stateFindings(job: Job): Finding[] {
  const sense = stateSense(job);
  if (sense && sense.tells !== 'other') {
    const contact = sense.tells;
    const word = { 'at-rest': 'rest', 'at-work': 'work', 'at-end': 'the far end' }[contact];
    const read = sensesRead(job).includes(sense.id);
    const lacks = lacksOf(sense, read, false);
    if (lacks)
      return [
        finding('sense', 'contact', {
          verdict: 'unknown',
          title: `${sense.name}: ${lacks}`,
          caption: 'sense not told',
          source: ['contact-meaning'],
          remedy: { text: 'Say it below.' },
        }),
      ];
    const tells =
      `${sense.kind === 'contact' ? 'One contact' : sense.name} tells ${CONTACT_TELLS[contact].knows[0]}; it cannot tell ` +
      `${CONTACT_TELLS[contact].not[0]}`;
    return [
      finding('sense', 'contact', {
        verdict: read ? 'settled' : 'tight',
        title: `${tells}. ${lookedAt(job, sense, read)}`,
        caption: `${sense.kind === 'contact' ? `contact at ${word}` : `${sense.name}: ${word}`}${read ? '' : ', unread'}`,
        source: ['contact-meaning'],
        remedy: read
          ? null
          : {
              text: 'Let a move in Act look at it before it presses.',
            },
      }),
    ];
  }
  if (onlyListens(job)) return job.senses.length > 0 ? [] : [NOTHING_HEARD];
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
