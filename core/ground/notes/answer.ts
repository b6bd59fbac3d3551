import { UNIT_OF, type Meter, type Reading } from '../job';
import { refuse } from './note-reading';
import { typedValue } from './typed-value';

/** A question that a number answers: what is read, where, and in which state. */
export type NoteQuestion = Pick<Reading, 'kind' | 'from' | 'to' | 'state'>;

/** What an answer to a question of Probe came to. */
export type AnswerRead =
  | { readonly ok: true; readonly shown: Pick<Reading, 'value' | 'digit' | 'relation' | 'said'> }
  | { readonly ok: false; readonly message: string };

/** What is kept of a number of this kind, of what is typed: shares are typed as percent. */
const scaleOf = (kind: Reading['kind']): number => (kind === 'duty' ? 0.01 : 1);

/** The number while it is being typed, in what is kept; null where it is none yet. */
export function typedNumber(kind: Reading['kind'], text: string): number | null {
  if (!text.trim()) return null;
  const parsed = typedValue(kind, text, { mostOhms: Number.NaN });
  return parsed.ok ? parsed.quantity.value * scaleOf(kind) : null;
}

/**
 * Reads the answer to a question as a note line would: its setting, its state and its place go with the question, a unit of another
 * kind is refused, and so is what this meter cannot show. Every box that asks for a reading reads it here.
 */
export function readAnswer(question: NoteQuestion, text: string, meter: Meter): AnswerRead {
  const no = (message: string): AnswerRead => ({
    ok: false,
    message: `${message.charAt(0).toUpperCase()}${message.slice(1)}.`,
  });
  const unit = UNIT_OF[question.kind];
  const parsed = typedValue(question.kind, text, meter);
  if (!parsed.ok) return no(`not understood at character ${parsed.at + 1}: ${parsed.message}`);
  const { value, digit, relation, kind } = parsed.quantity;
  if (parsed.quantity.unit !== unit) return no(`this reading is in ${unit}, not in ${parsed.quantity.unit}`);
  if (kind && question.kind.startsWith('volts') && `volts-${kind}` !== question.kind)
    return no(
      `the question is for ${question.kind === 'volts-ac' ? 'AC' : 'DC'} volts, and this says ${kind.toUpperCase()}: ` +
        'set the meter to the one that is asked',
    );
  const scale = scaleOf(question.kind);
  const refusal = refuse({ ...question, value: value * scale }, meter);
  return refusal
    ? no(refusal)
    : { ok: true, shown: { value: value * scale, digit: digit * scale, relation, said: '' } };
}
