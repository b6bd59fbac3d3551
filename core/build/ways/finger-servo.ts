import type { Remedy } from '../../ground/finding';
import type { FingerPlan } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { forceStep, pullStep } from '../../engines/mechanics';
import { partInput, partsOf, valueOf, type TakenPart } from '../../engines/parts';
import type { WayContext } from './context';
import { givenBy } from './finger-given';
import { fitting, turned } from './finger-moves';
import { partTaken } from './result';

/** What foam tape bears with room to spare, Pa (`tape-pull`), and the longest pad that is tried, m. */
const TAPE_PASCALS = 24e3;
const LONGEST_PAD_METRES = 80e-3;

/** What holds a servo against its own push, as the plan has it: the tape that is there, a longer one, or screws. */
function heldWith(c: WayContext, servo: TakenPart, plan: FingerPlan): Pick<FingerPlan, 'mount' | 'padLengthMetres'> {
  const { mount } = plan;
  if (mount !== 'foam-tape') return { mount, padLengthMetres: plan.padLengthMetres };
  const given = givenBy(c);
  const push = forceStep(plan, partInput(servo, 'torqueNewtonMetres'), given, 'highest');
  for (let l = plan.padLengthMetres; l <= LONGEST_PAD_METRES; l += 1e-3)
    if (pullStep({ ...plan, padLengthMetres: l }, push, given).result.value <= TAPE_PASCALS)
      return { mount, padLengthMetres: Math.round(l * 1e3) / 1e3 };
  return { mount: 'screws', padLengthMetres: plan.padLengthMetres };
}

/** A horn and angles for a servo, with what then holds it, as a plan and in words. */
export function fittedPlan(
  c: WayContext,
  servo: TakenPart,
  newtons: number,
  travel: number,
): { readonly set: Partial<FingerPlan>; readonly words: string } | null {
  const better = fitting(c, servo, newtons, travel);
  if (!better) return null;
  const plan = c.press.finger;
  const held = heldWith(c, servo, { ...plan, ...better });
  const hold =
    held.mount !== plan.mount
      ? ', on screws'
      : held.padLengthMetres !== plan.padLengthMetres
        ? `, on a pad ${formatQuantity(held.padLengthMetres, 'm')} long`
        : '';
  return { set: { ...better, ...held }, words: `${turned(plan, better)}${hold}` };
}

/**
 * The weakest servo of those that may be picked which meets force, most force, reach and travel with some horn and angle, and what then
 * holds it; null where none does. What the present one would do is not looked at again.
 * @param newtons force that the control asks for, N.
 * @param travel its own travel, m.
 */
export function otherServo(c: WayContext, present: TakenPart, newtons: number, travel: number): Remedy | null {
  const weakestFirst = partsOf(c.job, 'servo')
    .filter((s) => s.id !== present.id)
    .sort((a, b) => valueOf(a, 'torqueNewtonMetres') - valueOf(b, 'torqueNewtonMetres'));
  for (const servo of weakestFirst) {
    const fit = fittedPlan(c, servo, newtons, travel);
    if (!fit) continue;
    const label = `Take the ${servo.name}: ${fit.words.toLowerCase()}`;
    const say = label.toLowerCase();
    return {
      text: 'This servo meets force, reach and travel together, breaks nothing where it stalls, and stays where it is held.',
      label,
      edit: {
        do: 'several',
        edits: [
          partTaken(c, 'servo', servo.id, say),
          { do: 'set', at: 'press.finger', of: c.press.id, set: fit.set, say },
        ],
        say,
      },
    };
  }
  return null;
}
