import { STRANGER_KINDS, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { CONTROL_KINDS, onlyListens, type Job, type Reading } from '../../../ground/job';
import { hangsOn } from './confirm';
import { informationBits } from '../inference/information';
import { following } from './follows';
import { wantedSpecs } from './wanted';
import { isolationOf, type IsolationState } from '../isolation/isolation';
import { MENU, possible } from '../inference/menu';
import { entropyBits } from '../inference/entropy';
import { specKey } from '../inference/spec-key';
import type { Posterior } from '../inference/posterior';
import { kindReadings } from '../isolation/relevant';
import { allowed } from '../isolation/safety-order';
import { describe, type NextReading } from './say-next';

/** Weight of learning the values of the leading kind against learning the kind. */
const VALUE_WEIGHT = 0.3;
/** Below this a reading tells nothing of the kind. */
const WORTH_KIND_BITS = 0.004;
/** What a well-chosen reading tells of the kind, for the rough count of readings to go. */
const TYPICAL_BITS = 0.6;
/** A control counts as known from this probability on; up to the second, cheap readings that could still turn it are proposed. */
export const KNOWN_AT = 0.95;
const SURE_AT = 0.995;
const CONFIRMS_BITS = 0.01;

/** A reading and what it is worth: information for its trouble. */
export interface Utility {
  readonly spec: ReadingSpec;
  readonly kindBits: number;
  readonly valueBits: number;
  readonly score: number;
}

/** Readings that may be taken of a control now, best first; those in `skip` are left out. */
export function readingsWorth(
  job: Job,
  control: string,
  p: Posterior,
  skip: ReadonlySet<string> = new Set(),
): Utility[] {
  const readings = kindReadings(job, control);
  // A reading that looks like a slip is asked for once more; read twice alike, it stands.
  const times = (key: string): number => readings.filter((r) => specKey(r) === key).length;
  const taken = new Set(readings.filter((r) => (p.slip[r.id] ?? 0) < 0.5 || times(specKey(r)) > 1).map(specKey));
  const live = isProbeable(isolationOf(job, control));
  const follows = following(readings);
  return MENU.filter(
    ([s]) =>
      !taken.has(specKey(s)) &&
      !skip.has(specKey(s)) &&
      !follows(s) &&
      possible(s, readings, p) &&
      allowed(s, readings, live),
  )
    .map(([spec, trouble]) => {
      const bits = informationBits(spec, p);
      return {
        spec,
        kindBits: bits.kind,
        valueBits: bits.values,
        score: (bits.kind + VALUE_WEIGHT * bits.values) / trouble,
      };
    })
    .sort((a, b) => b.score - a.score);
}

/** Whether the powered readings of a control may be taken: it is isolated, or shows no tie in all that can be read without a tester. */
const isProbeable = ({ verdict }: IsolationState): boolean => verdict === 'isolated' || verdict === 'low-voltage';

/** The first reading that gives a value which the way of pressing will want, of those that may be taken. */
const wantedValue = (p: Posterior, options: readonly Utility[], taken: readonly Reading[]): Utility | undefined =>
  wantedSpecs(p, taken)
    .map((w) => options.find((o) => specKey(o.spec) === specKey(w)))
    .find((o) => o !== undefined);

/**
 * The next reading for a control: the isolation readings in their order first, then the one that tells most for its trouble.
 * Null once the kind and the values that a way of pressing wants are known, where no reading could tell more, or where the control
 * is on the dangerous side and only licensed work goes on.
 * @param skip keys of readings that the maker cannot or will not take now.
 */
export function nextReading(
  job: Job,
  control: string,
  p: Posterior,
  skip: ReadonlySet<string> = new Set(),
): NextReading | null {
  const isolation = isolationOf(job, control);
  if (isolation.verdict === 'not-isolated' && isolation.dangerous) return null;
  // How it is fed and how its main switch stands is asked before any reading counts.
  if (isolation.asks.length > 0 && isolation.verdict !== 'not-isolated') return null;
  const first = isolation.verdict === 'not-isolated' || isProbeable(isolation) ? undefined : isolation.missing[0];
  if (first)
    return describe(job, control, first, p, {
      gainBits: 0,
      tellsKind: false,
      toGo: isolation.missing.length + (onlyListens(job) ? 0 : readingsLeft(p)),
      why: 'Isolation from mains comes before everything else.',
    });
  // What is only listened to may be of any kind.
  if (onlyListens(job)) return null;
  const stranger = STRANGER_KINDS.find((k) => p.kinds[k] >= SURE_AT);
  if (stranger) return confirmed(job, control, p, skip, stranger);
  return p.kinds[p.leading] >= KNOWN_AT ? knownNext(job, control, p, skip) : tellingNext(job, control, p, skip);
}

/**
 * About how many readings are left, by what is open and what a well-chosen one tells: told from the doubt alone, so that it falls with it
 * and does not jump with what the next one happens to be worth.
 */
const readingsLeft = (p: Posterior): number =>
  Math.max(1, Math.ceil(entropyBits(CONTROL_KINDS.map((k) => p.kinds[k])) / TYPICAL_BITS));
/** From here on a gain is told with one digit behind the point. */
const TOLD_BITS = 0.05;

const said = (
  best: Utility,
  p: Posterior,
  tellsKind: boolean,
  why: string,
): Pick<NextReading, 'gainBits' | 'tellsKind' | 'toGo' | 'why'> => ({
  gainBits: best.kindBits + VALUE_WEIGHT * best.valueBits,
  tellsKind,
  toGo: readingsLeft(p),
  why,
});

/** What hangs on one reading alone is no verdict yet: a slip of the hand at that place would turn it. Null where it stands. */
function confirmed(
  job: Job,
  control: string,
  p: Posterior,
  skip: ReadonlySet<string>,
  kind: ModelKind,
): NextReading | null {
  const again = hangsOn(kindReadings(job, control), p, skip, kind);
  if (!again) return null;
  return describe(job, control, again, p, {
    gainBits: CONFIRMS_BITS,
    tellsKind: true,
    toGo: 1,
    why: 'The verdict hangs on this one reading; taken once more alike, it stands.',
  });
}

/** The next reading once the kind is known: what would turn the verdict, what makes sure of it cheaply, what the way will want. */
function knownNext(job: Job, control: string, p: Posterior, skip: ReadonlySet<string>): NextReading | null {
  const again = confirmed(job, control, p, skip, p.leading);
  if (again) return again;
  const options = readingsWorth(job, control, p, skip);
  const confirming = p.kinds[p.leading] < SURE_AT ? options.find((o) => o.kindBits > CONFIRMS_BITS) : undefined;
  if (confirming)
    return describe(
      job,
      control,
      confirming.spec,
      p,
      said(confirming, p, true, 'Known already; this cheap one makes sure.'),
    );
  const wanted = wantedValue(p, options, kindReadings(job, control));
  if (!wanted) return null;
  const why = 'The kind is clear; the way of pressing will want this value.';
  return describe(job, control, wanted.spec, p, said(wanted, p, false, why));
}

/** Until the kind is known the kind is what counts; a reading that narrows only its values can wait. */
function tellingNext(job: Job, control: string, p: Posterior, skip: ReadonlySet<string>): NextReading | null {
  const options = readingsWorth(job, control, p, skip);
  const telling = (least: number): Utility | undefined => options.find((o) => o.kindBits > least);
  const best = telling(CONFIRMS_BITS) ?? telling(WORTH_KIND_BITS);
  if (!best) return null;
  const why =
    best.kindBits > TOLD_BITS
      ? `It tells the candidates apart best for its trouble: ${best.kindBits.toFixed(1)} bits.`
      : `It tells a little more of what is left: ${best.kindBits.toFixed(2)} bits.`;
  return describe(job, control, best.spec, p, said(best, p, true, why));
}
