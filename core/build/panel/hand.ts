import { GROUND, lineEnd, RAIL } from '../ends';
import { finding, type Finding } from '../../ground/finding';
import { lineId, type Hand, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { debounceFinding } from './debounce';
import { panelEnd, type PanelPart, type PanelDevice, type PanelWire } from './thing';

/** A button that answers later than this feels dead, s (`hand-debounce`). */
const FELT_SECONDS = 0.1;

const KIND_WORDS: Readonly<Record<Hand['kind'], string>> = {
  arm: 'arms: nothing that asks for it starts while it is open',
  button: 'asks for',
  rocker: 'asks for',
  answer: 'answers: what calls or is due goes out',
  stop: 'stops whatever moves: its contact opens, so a broken wire stops as well',
  mode: 'puts on',
  command: 'begins',
};

/** What a hand asks for, in words. */
const whatOf = (job: Job, hand: Hand): string => (hand.kind === 'mode' ? modeOf(job, hand) : asksOf(job, hand));

function asksOf(job: Job, hand: Hand): string {
  if (hand.kind === 'arm') {
    const most = hand.startsPerArming;
    const button = hand.latching ? '' : '; a second push takes it back';
    return most === null
      ? `${KIND_WORDS.arm}${button}`
      : `arms for ${most === 1 ? 'one start' : `${most} starts`}, then it has to be armed again, as after a power cut${button}`;
  }
  if (hand.kind === 'stop' || hand.kind === 'answer') return KIND_WORDS[hand.kind];
  const all = hand.begins.map((id) => job.act.moves.find((m) => m.id === id)?.name ?? '');
  const begun = all.filter((name) => name !== '');
  if (begun.length > 0)
    return hand.kind === 'rocker'
      ? `begins ${sides(all, (name) => `“${name}”`)}`
      : `begins ${begun.map((name) => `“${name}”`).join(' and ')}${begun.length > 1 ? ' in turn' : ''}` +
          (hand.kind === 'command' ? byMessage(job, hand) : '');
  if (hand.kind === 'command') return 'begins nothing yet';
  const names = hand.asks.map((id) => job.presses.find((p) => p.id === id)?.name ?? '');
  if (names.every((name) => name === '')) return 'asks for nothing yet';
  return hand.kind === 'rocker'
    ? `asks for ${sides(names, (name, i) => (i === 1 && names[0] === name ? `${name} the other way` : name))}`
    : `asks for ${names[0]}, for as long as it ${hand.latching ? 'stays' : 'is held'} down`;
}

function modeOf(job: Job, hand: Hand): string {
  const mode = job.routine.modes.find((m) => m.id === hand.mode);
  if (!mode) return 'puts no mode on yet';
  return `puts “${mode.name}” on${hand.latching ? ' for as long as it stays' : ', and off again at the next push'}`;
}

/** How a command is met: whoever sends it does not stand at the machine. */
function byMessage(job: Job, hand: Hand): string {
  const arming = job.hands.some((h) => h.kind === 'arm') ? ', only while armed' : '';
  return ` at each message on ${hand.topic || 'a topic not named yet'}${arming}, behind every hand; it falls back by itself`;
}

/** What the two sides of a rocker do, the side that does nothing left out. */
const sides = (names: readonly string[], say: (name: string, i: number) => string): string =>
  names.flatMap((name, i) => (name === '' ? [] : [`${say(name, i)} when ${i === 0 ? 'up' : 'down'}`])).join(', ');

/** A hand with its wiring, its pull-up and its debounce. */
export function handThing(job: Job, hand: Hand): PanelDevice {
  if (hand.kind === 'command')
    return {
      id: hand.id,
      name: hand.name,
      what: whatOf(job, hand),
      wires: [],
      parts: [],
      findings: commandFindings(job, hand),
    };
  const lines = hand.kind === 'rocker' ? ['up', 'down'] : [''];
  const wires: PanelWire[] = [
    ...lines.map((part): PanelWire => [lineEnd(lineId(hand.id, part)), panelEnd(`${hand.name} ${part || '1'}`)]),
    [panelEnd(`${hand.name} ${hand.kind === 'rocker' ? 'common' : '2'}`), GROUND],
    ...(hand.pullUpOhms === null
      ? []
      : lines.map((part): PanelWire => [RAIL, panelEnd(`pull-up at ${part ? `${hand.name} ${part}` : hand.name}`)])),
  ];
  const parts: PanelPart[] = [
    {
      name:
        hand.kind === 'rocker'
          ? 'three-way rocker, middle open'
          : hand.kind === 'stop'
            ? 'stop button, opening contact'
            : hand.latching
              ? 'switch, stays where it is put'
              : 'push-button, closing contact',
      value: 'gold or signal contacts',
      quantity: 1,
    },
    ...(hand.pullUpOhms === null
      ? []
      : [
          {
            name: 'resistor, pull-up of a hand',
            value: `${formatQuantity(hand.pullUpOhms, 'Ω')}, 5 %, 0.25 W`,
            quantity: lines.length,
          },
        ]),
  ];
  return { id: hand.id, name: hand.name, what: whatOf(job, hand), wires, parts, findings: handFindings(hand) };
}

/** What of a command is not said yet, and that nobody stands at what it starts. */
const commandFindings = (job: Job, hand: Hand): Finding[] => [
  ...(job.hands.some((h) => h.kind === 'arm')
    ? []
    : [
        finding('board', `hand.${hand.id}.afar`, {
          verdict: 'tight' as const,
          title: `${hand.name} starts the machine from afar, and nothing arms`,
          caption: 'started from afar',
          remedy: {
            text:
              'Add an arm switch: a command then begins only while somebody at the machine has armed it. Whether it may be started ' +
              'out of sight at all, its maker and the local rules say.',
          },
        }),
      ]),
  ...(hand.topic === ''
    ? [
        finding('board', `hand.${hand.id}.topic`, {
          verdict: 'unknown' as const,
          title: `${hand.name}: no topic is named that its message comes on`,
          caption: 'no topic yet',
          remedy: { text: 'Name the topic in Board.' },
        }),
      ]
    : []),
  ...(hand.begins.every((id) => id === '')
    ? [
        finding('board', `hand.${hand.id}.asks`, {
          verdict: 'unknown' as const,
          title: `${hand.name} begins nothing yet`,
          caption: 'command begins nothing',
          remedy: { text: 'Say in Board which move it begins.' },
        }),
      ]
    : []),
];

function handFindings(hand: Hand): Finding[] {
  const slow = hand.debounceSeconds > FELT_SECONDS && hand.kind !== 'arm';
  const out = [
    debounceFinding(
      `hand.${hand.id}`,
      hand,
      setTo(hand, 0.03, 'A contact bounces for longer than that: one push would count as several.'),
      slow ? setTo(hand, 0.03, 'So late an answer feels dead, and the hand pushes again.') : null,
    ),
  ];
  if ((hand.kind === 'button' || hand.kind === 'rocker') && [...hand.asks, ...hand.begins].every((id) => id === ''))
    out.push(
      finding('board', `hand.${hand.id}.asks`, {
        verdict: 'unknown',
        title: `${hand.name} asks for nothing yet`,
        caption: 'hand asks nothing',
        remedy: { text: 'Say which press it makes while it is held, or which move it begins.' },
      }),
    );
  if (hand.kind === 'mode' && hand.mode === '')
    out.push(
      finding('board', `hand.${hand.id}.asks`, {
        verdict: 'unknown',
        title: `${hand.name} puts no mode on yet`,
        caption: 'switch of no mode',
        remedy: { text: 'Say which mode it puts on; Routine has them.' },
      }),
    );
  return out;
}

const setTo = (hand: Hand, seconds: number, text: string) => ({
  text,
  label: `Use ${formatQuantity(seconds, 's')}`,
  edit: {
    do: 'put' as const,
    list: 'hands' as const,
    item: { ...hand, debounceSeconds: seconds },
    say: `${hand.name} settles within ${formatQuantity(seconds, 's')}`,
  },
});
