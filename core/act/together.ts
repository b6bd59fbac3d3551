import { finding, type Finding } from '../finding';
import type { Facts, SequenceRule } from '../facts';
import { ownerOf, pressedBy, type Job } from '../job';
import { formatQuantity } from '../quantity';
import { orderOf } from '../reversing';

/** What outputs must not do together or too soon after each other: the order of a motor's directions, and keys of one pad. */
export const togetherFindings = (job: Job, facts: Facts): Finding[] => [
  ...keysAtOnce(job, facts),
  ...facts.presses.flatMap((p) => p.sequence.map((rule) => sequence(job, p.id, rule))).map((of, i) => of(i)),
];

/** The select lines of a pad carry one number: two at once would be a third key. */
function keysAtOnce(job: Job, facts: Facts): Finding[] {
  const padOf = (id: string): string | undefined => facts.presses.find((p) => p.id === id)?.select?.of;
  return job.act.moves.flatMap((m) =>
    m.steps.flatMap((s, i): Finding[] => {
      const pads = pressedBy(s).flatMap((id) => padOf(id) ?? []);
      if (new Set(pads).size === pads.length) return [];
      return [
        finding('act', `keys.${m.id}.${i + 1}`, {
          verdict: 'stop',
          title: `Step ${i + 1} of “${m.name}” presses two keys of one pad at once: their numbers would mix to that of another key`,
          caption: 'two keys at once',
          remedy: { text: 'Press them one after the other in Act.' },
        }),
      ];
    }),
  );
}

/**
 * An order that the outputs must keep, as the chosen way of pressing asks for it. Run and packed program keep it where each output has
 * its pin; where the way is driven by a program of one's own, nothing of ours does.
 */
const sequence =
  (job: Job, id: string, rule: SequenceRule) =>
  (i: number): Finding => {
    const press = job.presses.find((p) => p.id === id);
    const order = press && orderOf(press);
    const placed = job.board.pins.filter((p) => ownerOf(p.line) === id).length > 1;
    const kept = order && placed;
    return finding('act', `sequence-${i}`, {
      verdict: kept ? 'settled' : 'unknown',
      title:
        `First ${rule.first}, then ${formatQuantity(rule.waitSeconds, 's')} later ${rule.then}: ${rule.why}. ` +
        (kept
          ? 'Run and packed program keep this, whoever asks: a move, a hand, or power that comes back'
          : order
            ? 'The packed program keeps this once both outputs have a pin'
            : 'The packed program drives one output and does not keep this'),
      caption: kept ? 'order kept' : 'order not kept',
      value: { value: rule.waitSeconds, unit: 's' },
      source: ['relay-moves', 'parts-relay'],
      remedy: kept
        ? null
        : order
          ? { text: 'Choose a pin for each of its outputs in Board.' }
          : { text: 'Write this order, with its wait, into the program that drives the outputs, and try it in Try.' },
    });
  };
