import { isReadable, pinOf, readsNumber } from '../../build/lines';
import { senseFrom } from '../../build/program';
import type { PressFact } from '../../ground/facts';
import { onlyListens, packsWithoutPress, sensesRead, type Job, type Sense } from '../../ground/job';
import { orderOf } from '../../engines/reversing';
import { MOST_CONTACTS } from './most-contacts';

/** Contacts that the program closes for a press: of a key one for each bit of its number, of two directions, sides or contacts two. */
function contactsIn(job: Job, p: PressFact): number {
  if (p.select) return p.select.value.toString(2).replaceAll('0', '').length;
  const press = job.presses.find((x) => x.id === p.id);
  return press && (press.twoContacts || orderOf(press) !== null || (p.pulses?.other ?? null) !== null) ? 2 : 1;
}

/** What neither program drives: presses that are no level and no servo, outputs and orders that it has no words for. */
function undriven(job: Job, presses: readonly PressFact[]): string[] {
  const several = job.presses.length > 1;
  const of = (press: PressFact): string => (several ? `${press.name}: ` : '');
  const ordered = (id: string): boolean => job.presses.some((p) => p.id === id && orderOf(p) !== null);
  const inSeries = (id: string): boolean => job.presses.some((p) => p.id === id && p.twoContacts);
  const out = presses.flatMap((press): string[] => [
    ...(press.input === 'pulses' && !press.jerks
      ? [
          `${of(press)}the pulses that this way of pressing asks for: no press script makes them, so no program is packed`,
        ]
      : []),
    ...(press.outputs > 1 && !press.select && !inSeries(press.id) && !ordered(press.id)
      ? [`${of(press)}outputs 2 to ${press.outputs}: it drives the first alone`]
      : []),
    ...(press.sequence.length > 0 && !ordered(press.id)
      ? [`${of(press)}the order of the outputs and the waits between them, the other direction included`]
      : []),
  ]);
  const contacts = presses.reduce((n, p) => n + contactsIn(job, p), 0);
  if (contacts > MOST_CONTACTS)
    out.push(
      `anything at all: ${contacts} contacts are more than the ${MOST_CONTACTS} that it can close, so no program is packed`,
    );
  return out;
}

const isNumber = (s: Sense): boolean => readsNumber(s) && s.limit !== null;

/** What a function of the maker's own reads, told by the name of that function. */
const filledIn = (own: readonly Sense[], as: string, listens: boolean): string[] =>
  own.length === 0
    ? []
    : [
        `the reading of ${own.map((s) => s.name).join(', ')}${listens ? '' : ', which a move looks at'}: fill it in as ${as}`,
      ];

/** What is sensed and nothing looks at, and what is counted and forgotten at a power cut: neither program does that. */
function leftOut(job: Job): string[] {
  const read = sensesRead(job);
  const blind = job.senses.filter((s) => !read.includes(s.id)).map((s) => s.name);
  const counted = job.signs.filter((s) => s.means === 'due' && s.dueAfterStarts !== null).map((s) => s.name);
  return [
    ...(blind.length > 0 ? [`what is sensed and no move looks at: ${blind.join(', ')}`] : []),
    ...(counted.length > 0 ? [`the count of ${counted.join(', ')} over a power cut: it begins anew`] : []),
  ];
}

/** What the packed C99 does not do, and the plan has: said in the file, in Pack and on its bead. */
export function lacksOf(job: Job, presses: readonly PressFact[]): string[] {
  const listens = onlyListens(job);
  if (presses.length === 0 && !packsWithoutPress(job)) return [];
  const read = sensesRead(job);
  const strange = job.senses.filter((s) => read.includes(s.id) && !isReadable(s));
  const out = [
    ...undriven(job, presses),
    ...filledIn(
      strange.filter((s) => !isNumber(s)),
      'gt_read_sense',
      listens,
    ),
    ...filledIn(strange.filter(isNumber), 'gt_read_number', listens),
  ];
  if (listens) out.push('who is told of a change, and how: fill it in as gt_changed');
  if (job.act.moves.some((m) => m.steps.some((s) => s.do === 'tell'))) out.push('the messages that a move tells');
  const commands = job.hands.filter((h) => h.kind === 'command').map((h) => h.name);
  if (commands.length > 0)
    out.push(`what receives the messages of ${commands.join(', ')}: call gt_command from it, by their number from 0`);
  const { sentences } = job.routine;
  if (sentences.some((s) => (s.when === 'sun' || s.when === 'event') && s.days.length > 0))
    out.push('where the sun and your calendar stand: fill in gt_comes_true');
  if (sentences.some((s) => s.dates !== 'any' && s.days.length > 0))
    out.push('dates: it knows weekdays alone, and holidays are days like any other to it');
  return [...out, ...leftOut(job)];
}

/** The controller whose memory holds no interpreter. */
const SMALL_CHIP = 'eight-bit-20';

/** Whether MicroPython fits the controller: it asks for some hundred kilobytes of memory, which an 8-bit controller has not. */
export const runsPython = (job: Pick<Job, 'board'>): boolean =>
  job.board.profile !== '' && job.board.profile !== SMALL_CHIP;

/** The board whose memory holds the program and not its translation (from memory; the heap that a program takes is measured). */
const SMALL_BOARD = 'wifi-17';

/** What the packed MicroPython does not do, and the plan has. */
export function lacksInPython(job: Job, presses: readonly PressFact[]): string[] {
  if (presses.length === 0 && !packsWithoutPress(job)) return [];
  const read = sensesRead(job);
  const out = [
    ...undriven(job, presses),
    ...filledIn(
      job.senses.filter((s) => read.includes(s.id) && senseFrom(s, pinOf(job, s.id)) === 'own'),
      'read_sense in settings.py',
      onlyListens(job),
    ),
  ];
  const { sentences } = job.routine;
  const { latitude, longitude } = job.region;
  if (sentences.some((s) => s.when === 'sun' && s.days.length > 0) && (latitude === null || longitude === null))
    out.push('the sun: where the machine stands is not said, so it never rises or sets for it');
  if (job.board.profile === SMALL_BOARD)
    out.push(
      'room to be translated on this board: have it translated beforehand on a computer, or take a board of more memory',
    );
  if (job.board.profiles.some((p) => p.key === job.board.profile))
    out.push('a word on whether your own board runs MicroPython: nobody said');
  if (sentences.some((s) => s.dates !== 'any' && s.when !== 'clock' && s.when !== 'sun' && s.when !== 'event'))
    out.push('dates of rules that a sense or a mode begins: holidays are days like any other to those');
  return [...out, ...leftOut(job)];
}
