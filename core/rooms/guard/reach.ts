import { chosen, derive, finding, type Finding } from '../../ground/finding';
import type { Facts } from '../../ground/facts';
import { comesByMessage, type Hazard, type Job, type ReachLink } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { hazardsOf } from './hazards';

/** Links over which somebody presses who does not stand in the house. */
const OUTSIDE: readonly ReachLink['kind'][] = ['port', 'remote-login', 'account'];
/** What hurts where it is set off by somebody who does not see it. */
const HURTS: readonly Hazard[] = ['moving-door', 'pinch', 'unattended-heat', 'pressure', 'gas', 'water', 'medical'];

/** What each kind of link shows, and to whom. */
export const SHOWN: Readonly<Record<ReachLink['kind'], string>> = {
  hand: 'whoever stands there',
  wire: 'whoever reaches the wire',
  radio: 'whoever is near enough with a receiver; what is sent without a key can be sent again',
  'home-network': 'everybody and every device on that network',
  broker: 'everybody who may read the broker: when it is pressed, and so when somebody is there',
  port: 'the whole world: open ports are found by search within hours',
  'remote-login': 'whoever has the password, from anywhere',
  account: 'whoever runs that service, and whoever gets into it: when somebody is there, and a way to press',
};

/** A link with all that lies before it, the one that is pressed first; null where they go round or one is missing. */
export function wayOf(links: readonly ReachLink[], link: ReachLink): readonly ReachLink[] | null {
  const way: ReachLink[] = [];
  for (let at: ReachLink | undefined = link; at; at = links.find((l) => l.id === at?.over)) {
    if (way.includes(at)) return null;
    way.unshift(at);
    if (at.over !== '' && !links.some((l) => l.id === at?.over)) return null;
  }
  return way;
}

/** How long a command takes over a way, s, and how many arrive, as a share; null where nobody said it of one of its links. */
export function overWay(way: readonly ReachLink[]): {
  readonly seconds: number | null;
  readonly arrive: number | null;
} {
  const sum = (
    of: (l: ReachLink) => number | null,
    by: (x: number, y: number) => number,
    from: number,
  ): number | null =>
    way.reduce<number | null>((x, l) => {
      const y = of(l);
      return x === null || y === null ? null : by(x, y);
    }, from);
  return {
    seconds: sum(
      (l) => l.seconds,
      (x, y) => x + y,
      0,
    ),
    arrive: sum(
      (l) => (l.lost === null ? null : 1 - l.lost),
      (x, y) => x * y,
      1,
    ),
  };
}

/** Links that still work with one of them down, by id. */
export const withoutLink = (links: readonly ReachLink[], down: string): readonly ReachLink[] =>
  links.filter((l) => {
    const way = wayOf(links, l);
    return way !== null && !way.some((x) => x.id === down);
  });

const listens = (job: Job): boolean => job.hands.some((h) => h.kind === 'command') || job.senses.some(comesByMessage);

/** Who can press from where: what each opening shows, what it lets others do, and the variant with less reach. */
export function reachFindings(job: Job, facts: Facts): Finding[] {
  const { links } = job.guard;
  if (links.length === 0)
    return listens(job)
      ? [
          finding('guard', 'reach', {
            verdict: 'unknown',
            title: 'Messages move it or tell it something, and who can send one from where was not said',
            caption: 'who can press?',
            source: ['reach'],
            remedy: { text: 'Say under “reach” over which links it comes, from the hand to the contact.' },
          }),
        ]
      : [];
  const hurts = hazardsOf(job, facts).filter((h) => HURTS.includes(h));
  return [
    ...links.flatMap((l) => [...brokenWay(links, l), ...opening(job, l, hurts), ...password(l, hurts)]),
    ...unseen(job, links, hurts),
    ...(listens(job) ? unmeasured(links) : []),
    ...delays(links),
    ...(listens(job) ? [] : unheard(links)),
  ];
}

const brokenWay = (links: readonly ReachLink[], l: ReachLink): Finding[] =>
  wayOf(links, l) !== null
    ? []
    : [
        finding('guard', `reach.${l.id}.way`, {
          verdict: 'unknown',
          title: `${l.name} comes over a link that is not there, or over itself`,
          caption: 'way unknown',
          source: ['reach'],
          remedy: { text: 'Say over which link it comes, or that whoever presses stands at its end.' },
        }),
      ];

/** A link that is open to others; less reach is offered where it is not needed. */
function opening(job: Job, l: ReachLink, hurts: readonly Hazard[]): Finding[] {
  if (!OUTSIDE.includes(l.kind)) return [];
  const port = l.kind === 'port';
  const others = job.guard.links.filter((x) => x.over === l.id);
  return [
    finding('guard', `reach.${l.id}.open`, {
      verdict: port && hurts.length > 0 ? 'stop' : 'tight',
      title: `${l.name} shows it to ${SHOWN[l.kind]}`,
      caption: port ? 'open to all' : 'open to others',
      source: ['reach'],
      remedy: {
        text: port
          ? 'Close the port. From outside come over a tunnel of your own into the network of the house, with a key for each who may.'
          : 'Do without it where you can: a tunnel of your own into the network of the house shows nobody anything.',
        ...(others.length === 0
          ? {
              label: 'Do without it',
              edit: {
                do: 'drop' as const,
                list: 'guard.links' as const,
                key: l.id,
                say: `less reach: without ${l.name}`,
              },
            }
          : {}),
      },
    }),
  ];
}

const SHARED: readonly ReachLink['kind'][] = ['radio', 'home-network', 'broker', 'remote-login', 'account', 'port'];
function password(l: ReachLink, hurts: readonly Hazard[]): Finding[] {
  if (!SHARED.includes(l.kind) || l.ownPassword === 'yes') return [];
  const far = OUTSIDE.includes(l.kind);
  return [
    finding('guard', `reach.${l.id}.password`, {
      verdict: l.ownPassword === 'unknown' ? 'unknown' : far && hurts.length > 0 ? 'stop' : 'tight',
      title:
        l.ownPassword === 'unknown'
          ? `Whether each who uses ${l.name} has a password of their own was not said`
          : l.kind === 'radio'
            ? `${l.name} has no key of its own: what was sent once can be sent again by whoever heard it`
            : `${l.name} is used with a password that several share, or none: nobody can take it back from one of them`,
      caption: 'shared password',
      source: ['reach'],
      remedy: { text: 'A password or key for each who may, which can be taken back alone.' },
    }),
  ];
}

/** Something that can hurt is set off from where nobody sees it. */
function unseen(job: Job, links: readonly ReachLink[], hurts: readonly Hazard[]): Finding[] {
  const far = links.filter((l) => OUTSIDE.includes(l.kind));
  if (far.length === 0 || hurts.length === 0) return [];
  const silent = job.act.moves.filter((m) => {
    const press = m.steps.findIndex((s) => s.do === 'press' || s.do === 'hold');
    const warns = m.steps.findIndex((s) => s.do === 'warn');
    return press >= 0 && (warns < 0 || warns > press);
  });
  const armed = job.hands.some((h) => h.kind === 'arm');
  if (silent.length === 0 && armed) return [];
  return [
    finding('guard', 'reach.unseen', {
      verdict: silent.length > 0 ? 'stop' : 'tight',
      title:
        silent.length > 0
          ? `From afar (${far.map((l) => l.name).join(', ')}) “${silent.map((m) => m.name).join('”, “')}” begins without light ` +
            'or sound first, where nobody may see it'
          : 'From afar it begins without anybody having armed it on the spot',
      caption: 'unseen start',
      source: ['reach', 'cautions'],
      remedy: {
        text:
          silent.length > 0
            ? 'A warning step before the first press, and a look first where a sense tells whether somebody is there.'
            : 'An arm switch at the machine, which whoever is there turns.',
      },
    }),
  ];
}

/** Links of which nobody measured how long a message takes, or counted how many are lost. */
function unmeasured(links: readonly ReachLink[]): Finding[] {
  const open = links.filter((l) => l.kind !== 'hand' && (l.seconds === null || l.lost === null)).map((l) => l.name);
  if (open.length === 0) return [];
  return [
    finding('guard', 'reach.unmeasured', {
      verdict: 'unknown',
      title: `How long a message takes over ${open.join(', ')}, and how many are lost, was not measured`,
      caption: 'delay, loss?',
      source: ['reach'],
      remedy: { text: 'Send a hundred and count them; time the slowest.' },
    }),
  ];
}

/** What the slowest way adds up to, where it was said. */
function delays(links: readonly ReachLink[]): Finding[] {
  const ways = links.flatMap((l) => {
    const way = wayOf(links, l);
    const over = way && overWay(way);
    return over?.seconds ? [{ way: way ?? [], seconds: over.seconds, arrive: over.arrive }] : [];
  });
  const [slow] = [...ways].sort((x, y) => y.seconds - x.seconds);
  if (!slow) return [];
  const step = derive('a command over the slowest way', 't', slow.way.map((_, i) => `t_${i + 1}`).join(' + '), 's', [
    ...slow.way.map((l, i) => chosen(`t_${i + 1}`, l.name, l.seconds ?? 0, 's', 'said under “reach”', [0, 86400])),
  ]);
  const lost = slow.arrive === null ? null : 1 - slow.arrive;
  return [
    finding('guard', 'reach.delay', {
      verdict: lost === null || lost > 0 ? 'tight' : 'settled',
      title:
        `Over ${slow.way.map((l) => l.name).join(', then ')} a command takes ${formatQuantity(step.result.value, 's')}` +
        (lost === null
          ? '; how many are lost was not counted'
          : lost > 0
            ? `, and ${formatQuantity(Number((100 * lost).toPrecision(2)), '1')} of a hundred are lost`
            : ''),
      caption: 'delay and loss',
      source: ['reach'],
      remedy:
        lost === null || lost > 0
          ? {
              text: 'A lost “off” must not matter: a limit that the controller itself keeps ends what a message began.',
            }
          : null,
    }),
  ];
}

const unheard = (links: readonly ReachLink[]): Finding[] =>
  links.every((l) => l.kind === 'hand')
    ? []
    : [
        finding('guard', 'reach.unheard', {
          verdict: 'tight',
          title: 'Links lead to it, and nothing of the plan listens to them',
          caption: 'nothing listens',
          source: ['reach'],
          remedy: { text: 'Add a hand that is moved by messages in Board, or take the links away.' },
        }),
      ];
