import { finding, type Finding } from '../../ground/finding';
import type { Facts, PressFact } from '../../ground/facts';
import { isFromOutside, tickedAt, type Job, type Way } from '../../ground/job';
import { tickEdit } from './gates';
import { formatQuantity } from '../../ground/quantity';
import { isOwnLoad } from './load';

/** Ways that take something over that worked before: a knob, a crank, a box, a supply that was always there. */
const TAKES_OVER: readonly Way[] = [
  'drive-signal',
  'reverse-motor',
  'control-box',
  'switched-supply',
  'module-contact',
  'hand-mechanism',
];
/** Whether a press takes something over: a motor of its own does not, a mains lead and a box always do. */
export const takesOver = (p: Pick<PressFact, 'way' | 'control'>): boolean =>
  TAKES_OVER.includes(p.way) && (p.control !== '' || !['reverse-motor', 'hand-mechanism'].includes(p.way));

/** What is to be known before the first screw and before the first cut: what the machine did when it was whole, and what is lost. */
export const beforeFindings = (job: Job, facts: Facts): Finding[] => [
  ...(facts.presses.some((p) => p.applies && p.control !== '' && !isFromOutside(p.way)) ? [wholeFinding(job)] : []),
  ...(facts.presses.some((p) => p.applies && takesOver(p)) ? lossFindings(job) : []),
  ...facts.presses.filter((p) => p.applies && p.contact !== null && isOwnLoad(p)).map((p) => ownSupplyFinding(job, p)),
];

/** A load of its own hangs on a supply of its own, of which nobody read whether it is apart from mains. */
function ownSupplyFinding(job: Job, { id, name }: PressFact): Finding {
  const step = `own-supply.${id}`;
  const at = tickedAt(job, step);
  const what = `What ${name} runs on is a supply of its own, isolated: class II with a safety mark, or a battery`;
  return finding('guard', step, {
    verdict: at ? 'settled' : 'unknown',
    title: at ? what : `Whether ${name} runs on a supply of its own that is isolated from mains is not said`,
    caption: at ? 'own supply' : 'supply isolated?',
    source: ['cautions', 'iec-61140'],
    remedy: at
      ? null
      : {
          text:
            'Look for the double square of class II and a safety mark; what hangs inside of a machine is named in Probe ' +
            'and read there.',
          label: 'It has both',
          edit: tickEdit(step, what),
        },
  });
}

/** Own damage is told from a fault of the machine's own by what it did before anybody opened it. */
function wholeFinding({ wish }: Job): Finding {
  const [first] = wish.whole;
  const numbers = first
    ? [
        first.seconds === null ? '' : formatQuantity(first.seconds, 's'),
        first.watts === null ? '' : formatQuantity(first.watts, 'W'),
      ].filter(Boolean)
    : [];
  return finding('guard', 'whole', {
    verdict: first ? 'settled' : 'tight',
    title: first
      ? `What it did when it was whole is kept: ${[first.what, ...numbers].join(', ')}`
      : wish.cameBroken
        ? 'It came broken: what is wrong afterwards may have been so before'
        : 'Nothing is kept of what it did when it was whole: damage of your own looks like a fault of its own then',
    caption: first ? 'whole run kept' : wish.cameBroken ? 'came broken' : 'no run as bought',
    source: ['maker'],
    remedy:
      first || wish.cameBroken
        ? null
        : {
            text:
              'Run it once before the first screw and note in Wish how long it took, what it drew, how it sounded; ' +
              'or that it came broken.',
            label: 'It came broken',
            edit: { do: 'set', at: 'wish', set: { cameBroken: true }, say: 'it came broken' },
          },
  });
}

function lossFindings({ guard }: Job): Finding[] {
  const { losses, lossesReviewed } = guard;
  const each = losses.map((l): Finding => {
    const gone = l.instead.trim() === '';
    return finding('guard', `loss.${l.id}`, {
      verdict: l.safety ? 'stop' : gone ? 'tight' : 'settled',
      title: l.safety
        ? `${l.what} keeps from harm, and would no longer work`
        : gone
          ? `${l.what} no longer works, and nothing takes its place`
          : `${l.what} no longer works; in its place ${l.instead}`,
      caption: l.safety ? 'safety device lost' : gone ? 'lost' : 'replaced',
      source: ['cautions'],
      remedy: l.safety
        ? { text: 'Its own safety devices stay in the circuit, always: choose a way that leaves it working.' }
        : gone
          ? { text: 'Say below what takes its place, or live without it.' }
          : null,
    });
  });
  if (lossesReviewed || losses.length > 0) return each;
  return [
    finding('guard', 'losses', {
      verdict: 'unknown',
      title: 'What no longer works once it is taken over was not asked: a knob, a lamp, a reset, a safety device',
      caption: 'what is lost?',
      source: ['cautions'],
      remedy: {
        text: 'Go round the machine before the first cut and list below what would no longer work.',
        label: 'Nothing is lost',
        edit: { do: 'set', at: 'guard', set: { lossesReviewed: true }, say: 'nothing is lost by taking it over' },
      },
    }),
  ];
}
