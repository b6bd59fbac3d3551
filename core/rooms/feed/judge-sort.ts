import { finding, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import type { FeedSource, Job } from '../../ground/job';
import { firstOr } from './ids';
import { putSource } from './judge-sources';

/** Which conductor is plus, and whether it alternates. */
export function polarityFinding(s: FeedSource, first: boolean): Finding[] {
  const id = firstOr(first, 'polarity', s.id);
  if (s.current === 'ac') return [];
  const say = {
    unknown: ['unknown', `Which conductor of the ${s.name} is plus was not read`, 'plus read?'],
    read: ['settled', `Which conductor of the ${s.name} is plus was read`, 'plus read'],
    keyed: ['settled', `The plug of the ${s.name} goes in one way only`, 'keyed plug'],
    reversed: ['stop', `The ${s.name} is the wrong way round for what hangs on it`, 'plus and minus'],
  } as const;
  const [verdict, title, caption] = say[s.polarity];
  return [
    finding('feed', id, {
      verdict,
      title,
      caption,
      source: ['cautions'],
      remedy:
        verdict === 'settled'
          ? null
          : verdict === 'stop'
            ? { text: 'Exchange its two conductors, then read them again before anything is plugged in.' }
            : {
                text: 'Read it, red tip on what should be plus, before anything hangs on it.',
                label: 'It was read, and is right',
                edit: putSource(s, { polarity: 'read' }, `${s.name}: plus was read`),
              },
    }),
  ];
}

/** Whether a supply keeps mains away from the controller, and from whoever touches it. */
export function isolationFinding(facts: Facts, s: FeedSource, first: boolean): Finding[] {
  const id = firstOr(first, 'isolated', s.id);
  const whose = first ? '' : `${s.name}: `;
  if (s.kind === 'rail') {
    const controls = Object.values(facts.controls);
    const tied = controls.some((f) => f.isolation === 'not-isolated');
    const proven = controls.length > 0 && controls.every((f) => f.isolation === 'isolated');
    return [
      finding('feed', id, {
        verdict: tied ? 'stop' : proven ? 'settled' : 'unknown',
        caption: tied ? 'rail is live' : proven ? 'rail isolated' : 'rail isolated?',
        source: ['isolation-bounds'],
        title: tied
          ? 'The machine’s rail is tied to mains: a controller on it is live, with its USB lead, its switches and sensors'
          : proven
            ? 'The machine’s rail is isolated from mains, as read in Probe'
            : 'Whether the machine’s rail is isolated from mains is not proven',
        remedy: tied
          ? { text: 'Take an isolated supply of its own.' }
          : proven
            ? null
            : { text: 'Take the isolation readings in Probe.' },
      }),
    ];
  }
  if (s.kind === 'cells')
    return [
      finding('feed', id, {
        verdict: 'settled',
        title: `${whose}Cells have no mains in them`,
        caption: 'cells',
        source: ['cautions'],
      }),
    ];
  const words = {
    yes: ['settled', 'The supply is isolated and rated: class II with a safety mark, or a battery', 'isolated supply'],
    no: ['stop', 'A supply that is not isolated makes the controller live', 'supply not isolated'],
    unknown: ['unknown', 'Whether the supply is isolated from mains is not said', 'supply isolated?'],
  } as const;
  const [verdict, title, caption] = words[s.isolated];
  return [
    finding('feed', id, {
      verdict,
      title: `${whose}${title}`,
      caption,
      source: ['cautions'],
      remedy:
        s.isolated === 'yes'
          ? null
          : {
              text: 'Look for the double square of class II and a safety mark on its plate; without them take another.',
              ...(s.isolated === 'unknown'
                ? { label: 'It has both', edit: putSource(s, { isolated: 'yes' }, 'the supply is isolated, class II') }
                : {}),
            },
    }),
  ];
}

/** Whether a rail of the machine is there at the times when the controller must be awake. */
export function whenFinding(job: Job, s: FeedSource, first: boolean): Finding[] {
  const rail = s.kind === 'rail' ? job.survey.rails.find((r) => r.id === s.rail) : undefined;
  if (!rail) return [];
  const { whileIdle, whileRunning } = rail;
  const known = whileIdle !== null && whileRunning !== null;
  const always = whileIdle === true && whileRunning === true;
  return [
    finding('feed', firstOr(first, 'always', s.id), {
      verdict: always ? 'settled' : known ? 'stop' : 'unknown',
      title: always
        ? `${rail.name} is there at rest and while the machine runs`
        : !known
          ? `Whether ${rail.name} is there at rest and while the machine runs was not read`
          : whileIdle
            ? `${rail.name} goes away while the machine runs, and the controller with it`
            : `${rail.name} is not there at rest: what hangs on it cannot start the machine`,
      caption: always ? 'always there' : 'not always there',
      source: ['rail-sag'],
      remedy: always
        ? null
        : {
            text: known
              ? 'Take a rail that is always there, or a supply of its own.'
              : 'Read it at rest and while the machine runs, in Probe.',
          },
    }),
  ];
}

/** A module with mains on its terminals. */
export const moduleFinding = (s: FeedSource): Finding[] =>
  s.kind === 'mains-module'
    ? [
        finding('feed', `mains@${s.id}`, {
          verdict: 'tight',
          title:
            `The ${s.name} has mains on its terminals: it belongs in a closed box with strain relief and a fuse of its own, ` +
            'and its wiring to licensed practice and the local electrical code',
          caption: 'mains module',
          source: ['cautions'],
          remedy: { text: 'A plug-in supply does the same without mains conductors in your box.' },
        }),
      ]
    : [];
