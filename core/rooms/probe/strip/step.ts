import type { Reading } from '../../../ground/job';

/** What to read next on a strip. */
export interface StripStep {
  readonly title: string;
  readonly why: string;
  readonly caution: string;
  /** How the answer begins as a note line. */
  readonly notePrefix: string;
  readonly a: number;
  readonly b: number | 'mains' | 'earth';
  readonly kind: Reading['kind'];
  /** The state that the question asks for; an answer is kept in it and in no other. */
  readonly state: Reading['state'];
}

/** Volts from one terminal to another, powered. */
export const voltsStep = (
  name: string,
  a: number,
  b: number,
  kind: 'volts-dc' | 'volts-ac',
  why: string,
): StripStep => ({
  title: `${kind === 'volts-ac' ? 'AC volts' : 'Volts'} from terminal ${a} to ${b}, powered`,
  why,
  caution: 'One hand in the pocket; tips only on the two screws.',
  notePrefix: `${name} ${a}-${b} idle`,
  a,
  b,
  kind,
  state: 'idle',
});
