import type { Finding, Input } from './finding';
import { flips, metWith, type Flip } from './flip';
import { inputsOf } from './evidence-level';

/** A value at which a verdict would turn, with what moves along with it. */
export interface Turn extends Flip {
  /** Other findings that rest on the same input and hold all the same. */
  readonly moves: readonly Finding[];
}

/** Whether two inputs are one value from one place. */
const isSame = (a: Input, b: Input): boolean =>
  a.unit === b.unit &&
  (a.usual ?? a.value) === (b.usual ?? b.value) &&
  (a.of ?? a.name) === (b.of ?? b.name) &&
  JSON.stringify(a.origin) === JSON.stringify(b.origin);

/** How far on the way to an edge something else must have broken to have come first. */
const EARLIER = 0.98;

/**
 * What would turn a finding, worked out anew for all that rests on the same inputs. A value that mends this and breaks something else is no
 * answer, an edge before which something else breaks is no edge; what else moves is told.
 * @param all every finding of the job.
 */
export function turnsWithin(finding: Finding, all: readonly Finding[]): Turn[] {
  return flips(finding).flatMap((flip): Turn[] => {
    const { input, now, to } = flip;
    const others = all.flatMap((f) => {
      const own =
        f.id === finding.id || !f.limit ? undefined : inputsOf(f.steps, f.limit).find((i) => isSame(i, input));
      return own ? [{ f, own }] : [];
    });
    const mends = metWith(finding, input, now) === false;
    const asked = mends ? to : now + EARLIER * (to - now);
    const breaks = others.some(({ f, own }) => metWith(f, own, now) === true && metWith(f, own, asked) === false);
    return breaks ? [] : [{ ...flip, moves: others.map(({ f }) => f) }];
  });
}
