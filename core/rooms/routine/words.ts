import { isTimed, sayAt, sayIfs, type Job, type LimitNames, type Sentence } from '../../ground/job';
import { formatQuantity, WEEKDAYS } from '../../ground/quantity';

/** Days in words: `weekdays`, `every day`, `Mon, Thu`. */
export function sayDays(days: readonly number[]): string {
  const sorted = [...new Set(days)].sort((a, b) => a - b);
  const key = sorted.join('');
  if (key === '1234567') return 'every day';
  if (key === '12345') return 'weekdays';
  if (key === '67') return 'weekends';
  return sorted.map((d) => WEEKDAYS.short[d]).join(', ') || 'no day';
}

/** Names of all that sentences and limits of a job speak of. */
export const namesIn = (job: Job): LimitNames => ({
  senses: job.senses,
  modes: job.routine.modes,
  presses: job.presses,
  moves: job.act.moves,
});

const called = (list: readonly { readonly id: string; readonly name: string }[], id: string, none: string): string =>
  `“${list.find((x) => x.id === id)?.name ?? none}”`;

/** What a sentence does, in words. */
function sayDeed(s: Sentence, n: LimitNames): string {
  switch (s.does) {
    case 'move': {
      const move = n.moves.length > 1 ? (n.moves.find((m) => m.id === s.move) ?? n.moves[0]) : undefined;
      return move ? `: “${move.name}”` : ', press';
    }
    case 'mode-on':
      return `: put ${called(n.modes, s.sets, 'a mode')} on`;
    case 'mode-off':
      return `: put ${called(n.modes, s.sets, 'a mode')} off`;
    case 'call':
      return ': call for somebody';
  }
}

const DATE_WORDS: Readonly<Record<Sentence['dates'], string>> = {
  any: '',
  holidays: ', on holidays alone',
  others: ', not on holidays',
};
const HELD_WORDS: Readonly<Record<Sentence['whenHeld'], (s: Sentence) => string>> = {
  dropped: () => '',
  late: (s) => `, up to ${formatQuantity(s.lateSeconds, 's')} late`,
  kept: () => ', however late',
};

/** A rule of the routine in words, as it can be typed as well; where there are several moves it names its own. */
export function saySentence(s: Sentence, n: LimitNames): string {
  const days = isTimed(s) || (s.days.length > 0 && s.days.length < 7) ? ` on ${sayDays(s.days)}` : '';
  const often = [
    s.gapSeconds > 0 ? `, not again for ${formatQuantity(s.gapSeconds, 's')}` : '',
    s.aDay === null ? '' : s.aDay === 1 ? ', at most once a day' : `, at most ${s.aDay} times a day`,
  ].join('');
  const tier = s.tier === 'comfort' ? '' : ` (${s.tier})`;
  const when = `${isTimed(s) ? 'At' : 'When'} ${sayAt(s, n)}${days}${DATE_WORDS[s.dates]}${s.ifArmed ? ', if armed' : ''}`;
  return `${when}${sayIfs(s, n)}${often}${HELD_WORDS[s.whenHeld](s)}${sayDeed(s, n)}${tier}.`;
}

/** What begins a rule, in quotation marks: names within it stand in single ones. */
export const quotedAt = (s: Sentence, n: LimitNames): string =>
  `“${sayAt(s, n).replace(/“/g, '‘').replace(/”/g, '’')}”`;
