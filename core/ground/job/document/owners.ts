import { freshOf } from '../../field';
import { isFromOutside } from './press/types';
import { neverFields } from './plan/fields';
import { pressFields } from './press/fields';
import { handInputFields, signFields } from './controller/fields';
import { senseFields } from './controller/sense-fields';
import type { Control, Hand, Job, Never, Press, Sense, Sign } from './types';

/** A press in which nothing is chosen; the sizes of each way's own plan are the usual ones to begin with. */
export const freshPress = (id = 'press', name = 'press', control = ''): Press => ({
  ...freshOf(pressFields),
  id,
  name,
  control,
});

/** A condition of one kind of which nothing is said yet. */
export const freshNever = (id: string, kind: Never['kind']): Never => ({ ...freshOf(neverFields), id, kind });

/** A sense of which only the name is known. */
export const freshSense = (id: string, name: string): Sense => ({ ...freshOf(senseFields), id, name });
/** A hand of which only the name is known. */
export const freshHand = (id: string, name: string): Hand => ({ ...freshOf(handInputFields), id, name });
/** A sign of which only the name is known. */
export const freshSign = (id: string, name: string): Sign => ({ ...freshOf(signFields), id, name });

/** Ids of all that may have lines: no two alike, since a line is known by whose it is. */
export const ownersOf = (job: Job): readonly { readonly id: string; readonly name: string }[] => [
  ...job.presses,
  ...job.senses,
  ...job.hands,
  ...job.signs,
];

/** An id that none of a list has: from a name, so that files can be read. */
export function freeIn(list: readonly { readonly id: string }[], name: string): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'line';
  const taken = new Set(list.map((x) => x.id));
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/** An id for one more press, sense, hand or sign, that no other has. */
export const freeId = (job: Job, name: string): string => freeIn(ownersOf(job), name);

/** Whether a sense is of something that the machine's states do not hold, as a cup or water, of which a run has to be told. */
export const isOfTheWorld = (s: Sense): boolean =>
  s.tells === 'other' && s.states.length === 0 && s.meaning.trim() !== '';
/** The first sense that tells whether the machine rests or works, or undefined where it is pressed blind. */
export const stateSense = (job: Job): Sense | undefined => job.senses.find((s) => s.tells !== 'other');

/** A press of a control, called as the control is. */
export const pressOf = (job: Job, control: Pick<Control, 'id' | 'name'>): Press =>
  freshPress(freeId(job, control.name), control.name, control.id);

/** Whether all that presses belongs to no control: a motor, a valve, an outlet that is bought, of which nothing has to be read. */
export const isAllBare = (job: Pick<Job, 'presses'>): boolean =>
  job.presses.length > 0 && job.presses.every((p) => p.control === '');

/**
 * Whether a control is pressed from outside alone, by every press that it has, and nothing was read of it or of its machine: what was read
 * counts, whoever presses it how.
 */
export const isUntouched = (job: Pick<Job, 'presses' | 'readings'>, control: string): boolean => {
  const own = job.presses.filter((p) => p.control === control);
  return (
    own.length > 0 &&
    own.every((p) => isFromOutside(p.way)) &&
    !job.readings.some((r) => !r.struck && (r.control === control || r.control === ''))
  );
};
