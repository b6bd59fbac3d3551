import type { Press } from '../../ground/job';
import { CONTACT_SETTLES } from './sequence';

/** How the two directions of one press keep apart, in run and program alike. */
export interface OutputOrder {
  /** `two`: each direction has an output of its own. `direction`: the first output says which way, the second gives the power. */
  readonly by: 'two' | 'direction';
  /** From letting go of one direction until the other may begin, s: the coast. */
  readonly apartSeconds: number;
  /** From the output that says which way until the one that gives the power, s; 0 where each direction has its own. */
  readonly leadSeconds: number;
}

/** Whole milliseconds, as a program counts them: never shorter than asked. */
const upToMilliseconds = (s: number): number => Math.ceil(s * 1000 - 1e-9) / 1000;

/** The order that a press's way asks of its outputs; null where it has but one direction. It is that of `sequenceRules`. */
export function orderOf(press: Pick<Press, 'way' | 'motor'>): OutputOrder | null {
  const { way, motor } = press;
  if (way !== 'reverse-motor' && way !== 'control-box') return null;
  const apartSeconds = upToMilliseconds(Math.max(motor.coastSeconds, CONTACT_SETTLES));
  return way === 'reverse-motor' && motor.wiring === 'double-pole'
    ? { by: 'direction', apartSeconds, leadSeconds: upToMilliseconds(CONTACT_SETTLES) }
    : { by: 'two', apartSeconds, leadSeconds: 0 };
}

/** Whether a press has another side that a finger reaches, or another direction. */
export const hasOther = (p: Pick<Press, 'way' | 'motor' | 'finger'>): boolean =>
  (p.way === 'finger' && p.finger.otherDegrees !== null) || orderOf(p) !== null;
/** What that side is called. */
export const otherWords = (p: Pick<Press, 'way' | 'motor'>): string =>
  orderOf(p) ? 'the other way' : 'its other side';
