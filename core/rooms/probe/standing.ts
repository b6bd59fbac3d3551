import { present } from '../../ground/lists';
import {
  CONTROL_KINDS,
  isStated,
  sayPlace,
  sayValue,
  type ControlKind,
  type Job,
  type Reading,
} from '../../ground/job';
import { isolationOf } from './isolation/isolation';
import { KIND_WORDS, STRANGER_THEN } from './kind-words';
import { KNOWN_AT } from './next/next';
import { kindReadings } from './isolation/relevant';
import { specKey } from './inference/spec-key';
import type { SeenSurvey } from './survey';

const CHANCES: readonly (readonly [least: number, words: string])[] = [
  [0.99, 'as good as certain'],
  [KNOWN_AT, 'nearly sure'],
  [0.8, 'likely'],
  [0.5, 'more likely than not'],
  [0.2, 'possible'],
  [0.05, 'unlikely'],
];

/** A probability in words, for those who do not think in percent (`words-of-chance`). */
export function chanceWords(p: number): string {
  return CHANCES.find(([least]) => p >= least)?.[1] ?? 'hardly';
}

/** Kinds that a bare contact across the terminals presses, whichever way round it is wired. */
const CONTACT_PRESSES: readonly ControlKind[] = [
  'low-when-pressed',
  'high-when-pressed',
  'ladder',
  'scanned-matrix',
  'dry-pair',
];

/** A kind less likely than this is not named among what is still possible. */
const NAMED_AT = 0.01;

/** How a control stands that is not known yet: what a bare contact would do for every kind that is left. */
export interface ContactView {
  /** Kinds that are worth a name, and those of them that a contact would not press, likeliest first. */
  readonly kinds: readonly ControlKind[];
  readonly notFor: readonly ControlKind[];
  /**
   * True where it presses all of them, and whatever else it may be, the remainder included, is less likely than what
   * counts as known leaves.
   */
  readonly suits: boolean;
  /** Whether isolation from mains was read; before that nothing is worth going on with. */
  readonly apart: boolean;
}

/** Whether a bare contact works for every kind still possible, so that it is worth going on although the kind is open. */
export function contactView(job: Job, s: SeenSurvey): ContactView {
  const kinds = s.candidates.filter((c) => c.probability >= NAMED_AT).map((c) => c.kind);
  const notFor = kinds.filter((k) => !CONTACT_PRESSES.includes(k));
  const presses = CONTACT_PRESSES.reduce((sum, k) => sum + s.posterior.kinds[k], 0);
  return {
    kinds,
    notFor,
    suits: notFor.length === 0 && presses >= KNOWN_AT,
    apart: ['isolated', 'low-voltage'].includes(isolationOf(job, s.control).verdict),
  };
}

/** A kind less likely than this is no rival. */
const RIVAL_AT = 0.005;
/** From here on a reading is said to speak against something, bits. */
const AGAINST_BITS = 0.5;

/** The reading that speaks most against the leading kind, beside the kind that it speaks for; null where none does. */
export function againstLeader(job: Job, s: SeenSurvey): { reading: Reading; for: ControlKind } | null {
  // Where none of the kinds leads, there is no leading kind to speak against.
  if (s.remainder.leads) return null;
  const { leading, evidence } = s.posterior;
  const rivals = s.candidates
    .slice(1, 4)
    .filter((c) => c.probability >= RIVAL_AT)
    .map((c) => c.kind);
  const scored = kindReadings(job, s.control).flatMap((r) =>
    rivals.map((k) => ({ reading: r, for: k, bits: (evidence[r.id]?.[k] ?? 0) - (evidence[r.id]?.[leading] ?? 0) })),
  );
  const most = scored.reduce<(typeof scored)[number] | undefined>((a, b) => (!a || b.bits > a.bits ? b : a), undefined);
  return most && most.bits > AGAINST_BITS ? { reading: most.reading, for: most.for } : null;
}

/** Nothing of a board stands so far under its own ground, V. */
const BELOW_ZERO_VOLTS = -0.3;

/** What the candidates rest on without anybody having said or read it. */
export function assumptions(job: Job, s: SeenSurvey): string[] {
  const readings = kindReadings(job, s.control);
  const { meter, mains } = job.survey;
  return [
    ...(isStated(meter) ? [] : [`the meter is a usual one (${meter.name}); one in seven has a tenth of its input`]),
    ...(readings.some((r) => r.kind === 'look') ? [] : ['it was not looked at']),
    ...(mains.earth === 'unknown'
      ? ['where earth is was not said']
      : mains.earth === 'nowhere'
        ? ['earth was taken from a socket beside it']
        : []),
    ...(readings.some((r) => r.kind === 'volts-dc' && r.to.kind === 'ground' && r.value < BELOW_ZERO_VOLTS)
      ? ['volts below its ground were read with the leads exchanged']
      : []),
    ...(readings.length > 0 && !readings.some((r) => r.to.kind === 'ground')
      ? ['no reading went to its ground yet']
      : []),
  ];
}

/** The readings that fit no kind that is left, in words; of those taken again, the last. */
export function misfitWords(job: Job, s: SeenSurvey): string[] {
  const misfits = kindReadings(job, s.control).filter((r) => s.remainder.misfits.includes(r.id));
  return [...new Map(misfits.map((r) => [specKey(r), `${sayPlace(r)}, ${sayValue(r)}`])).values()];
}

/** What would tell more of a control that is none of the kinds. */
export function tellMore(s: SeenSurvey): string[] {
  const [first, second] = s.candidates;
  const { as } = s.remainder;
  return [
    ...(as ? [STRANGER_THEN[as]] : []),
    'Look at the other side of the board: follow both terminals to the parts they end at.',
    'Photograph both sides and pin the terminals on the picture, under photographs.',
    'Capture both lines while it is worked, and read the file under keypad.',
    ...(as
      ? []
      : [
          `Of the kinds, ${KIND_WORDS[present(first).kind].name} comes nearest, then ` +
            `${KIND_WORDS[present(second).kind].name}: ${KIND_WORDS[present(first).kind].means}; ` +
            `${KIND_WORDS[present(second).kind].means}.`,
        ]),
  ];
}

/** Kinds in the order of the candidates that stand above a share, named; for lists in sentences. */
export const kindNames = (kinds: readonly ControlKind[]): string =>
  CONTROL_KINDS.filter((k) => kinds.includes(k))
    .map((k) => KIND_WORDS[k].name)
    .join(', ');
