import {
  chosen,
  constant,
  derive,
  finding,
  evidenceLevel,
  type Finding,
  type Remedy,
  type Step as DerivedStep,
} from '../../ground/finding';
import type { Facts, SequenceRule } from '../../ground/facts';
import { ownerOf, pressedBy, sidesOf, type HeedRole, type Job, type Press } from '../../ground/job';
import { handsIn } from '../../build/panel';
import { formatQuantity } from '../../ground/quantity';
import { orderOf } from '../../engines/reversing';

/** What outputs must not do together or too soon after each other: the order of a motor's directions, and keys of one pad. */
export const pressedTogetherFindings = (job: Job, facts: Facts): Finding[] => [
  ...keysAtOnce(job, facts),
  ...opposedAtOnce(job),
  ...facts.presses.flatMap((p) => p.sequence.map((rule) => sequence(job, p.id, rule))).map((of, i) => of(i)),
];

/** Roles of presses that pull a part two ways. */
const OPPOSED: readonly (readonly [HeedRole, HeedRole])[] = [
  ['open', 'close'],
  ['on', 'off'],
];

/** One side or direction of a press: a motor has two, and pressing the one is not pressing the other. */
const sideOf = (press: string, other: boolean): string => `${press}${other ? '/other' : ''}`;

/** A step, or two hands, that press both directions of one part: its motor, or the machine, decides what comes of that. */
function opposedAtOnce(job: Job): Finding[] {
  const hands = handsIn(job);
  return job.act.parts.flatMap((part) =>
    OPPOSED.flatMap(([one, other]): Finding[] => {
      const of = (role: HeedRole): string[] =>
        part.heeds.filter((h) => h.as === role).map((h) => sideOf(h.press, h.other));
      const [there, back] = [of(one), of(other)];
      const both = (ids: readonly string[]): boolean =>
        ids.some((x) => there.includes(x)) && ids.some((x) => back.includes(x));
      const steps = job.act.moves.flatMap((m) =>
        m.steps.flatMap((s, i): Finding[] =>
          both(sidesOf(s).map((p) => sideOf(p.press, p.other)))
            ? [
                finding('act', `both.${m.id}.${i + 1}`, {
                  verdict: 'stop',
                  title: `Step ${i + 1} of “${m.name}” presses ${one} and ${other} of the ${part.name} at once`,
                  caption: 'both ways at once',
                  remedy: { text: 'Press them one after the other, with the machine at rest between.' },
                }),
              ]
            : [],
        ),
      );
      const side = (h: (typeof hands)[number]): string => sideOf(h.asks, h.other);
      const asked = hands.filter((h) => there.includes(side(h)) || back.includes(side(h)));
      const separate = new Set(asked.map((h) => ownerOf(h.id))).size > 1 && both(asked.map(side));
      return separate
        ? [
            ...steps,
            finding('act', `both.hands.${part.id}`, {
              verdict: 'tight',
              title: `${asked.map((h) => h.name).join(' and ')} can be held together: ${one} and ${other} of the ${part.name} at once`,
              caption: 'hands both ways',
              remedy: {
                text: 'Take one rocker for both, whose sides cannot be held together, or lock the outputs against each other by wiring.',
              },
            }),
          ]
        : steps;
    }),
  );
}

/** The select lines of a pad carry one number: two at once, by a step or by two hands, would be a third key. */
function keysAtOnce(job: Job, facts: Facts): Finding[] {
  const padOf = (id: string): string | undefined => facts.presses.find((p) => p.id === id)?.select?.of;
  const asked = handsIn(job).filter((h) => h.asks !== '' && padOf(h.asks) !== undefined);
  const hands =
    new Set(asked.map((h) => h.asks)).size < 2
      ? []
      : [
          finding('act', 'keys.hands', {
            verdict: 'stop',
            title:
              `${asked.map((h) => h.name).join(' and ')} press keys of one pad: ` +
              'held together their numbers would mix to that of another key',
            caption: 'two keys at once',
            remedy: {
              text: 'Let each begin a move with its key instead, in Board: a move that begins ends the other.',
            },
          }),
        ];
  const steps = job.act.moves.flatMap((m) =>
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
  return [...hands, ...steps];
}

const COAST = 'motor.coastSeconds';

/** The wait of an order: the coast where it is as long, else the time of a contact. */
function waitOf(press: Press, rule: SequenceRule): DerivedStep {
  const { coastSeconds } = press.motor;
  if (rule.waitSeconds !== coastSeconds)
    return derive('wait', 't', 't_contact', 's', [
      constant('t_contact', 'a contact moves and stops bouncing', rule.waitSeconds, 's', 'parts-relay'),
    ]);
  const coast = chosen('t_coast', 'it turns on after power is taken', coastSeconds, 's', 'set in Thumb');
  const origin = { from: 'default', what: 'as the plan begins; nobody confirmed it', path: COAST } as const;
  return derive('wait', 't', 't_coast', 's', [press.given.includes(COAST) ? coast : { ...coast, origin }]);
}

const coastIsRight = (press: Press): Remedy => ({
  text: 'Time how long the motor turns on and enter it in Thumb, or say that it is right as it stands.',
  label: 'It is right as it stands',
  edit: { do: 'set', at: 'press', of: press.id, set: { given: [...press.given, COAST] }, say: 'confirmed: the coast' },
});

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
    const wait = order ? waitOf(press, rule) : null;
    const stands = wait ? evidenceLevel(wait.inputs) : 'unknown';
    return finding('act', `sequence-${i}`, {
      verdict: kept ? stands : 'unknown',
      title:
        `First ${rule.first}, then ${formatQuantity(rule.waitSeconds, 's')} later ${rule.then}: ${rule.why}. ` +
        (kept
          ? 'Run and packed program keep this, whoever asks: a move, a hand, or power that comes back'
          : order
            ? 'The packed program keeps this once both outputs have a pin'
            : 'The packed program drives one output and does not keep this'),
      caption: kept ? 'order kept' : 'order not kept',
      value: { value: rule.waitSeconds, unit: 's' },
      ...(wait ? { steps: [wait] } : {}),
      source: ['relay-moves', 'parts-relay'],
      remedy: kept
        ? stands === 'settled'
          ? null
          : coastIsRight(press)
        : order
          ? { text: 'Choose a pin for each of its outputs in Board.' }
          : { text: 'Write this order, with its wait, into the program that drives the outputs, and try it in Try.' },
    });
  };
