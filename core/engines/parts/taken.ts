import { firstItem, present } from '../../ground/lists';
import type { Input, Origin, RangedInput } from '../../ground/finding';
import type { Bounds, Job, OwnPart, PartKind } from '../../ground/job';
import type { Interval } from '../../ground/quantity';
import { partProblems, type PartProblem } from './check';
import { PART_FIELDS, type PartField } from './fields';
import { SHIPPED_PARTS } from './shipped';
import { COLD, HOT, movesWithHeat, overTemperature } from './temperature';

/** The part that is taken for a kind: one of the job's own, or a class that ships. */
export interface TakenPart {
  readonly id: string;
  readonly kind: PartKind;
  readonly name: string;
  readonly origin: Origin;
  readonly values: Readonly<Record<string, Bounds>>;
}

const own = (p: OwnPart): TakenPart => ({ ...p, origin: { from: 'maker', what: `own part: ${p.name}` } });
const shipped = SHIPPED_PARTS.map((p): TakenPart => ({
  id: p.id,
  kind: p.kind,
  name: p.name,
  values: p.values,
  origin: { from: 'class', key: p.source, part: p.name },
}));
const byKind = new Map<PartKind, readonly TakenPart[]>();
for (const p of shipped) byKind.set(p.kind, [...(byKind.get(p.kind) ?? []), p]);

/**
 * Every part of a kind that may be picked in a job: its own first, then the classes that ship. An own part hides a
 * class of the same id.
 */
export function partsOf(job: Job, kind: PartKind): readonly TakenPart[] {
  const mine = job.bench.parts.filter((p) => p.kind === kind).map(own);
  return mine.length
    ? [...mine, ...present(byKind.get(kind)).filter((s) => !mine.some((m) => m.id === s.id))]
    : present(byKind.get(kind));
}

/**
 * The part that a job takes of a kind: the picked one, else the first class that ships. A pick that is gone, or that
 * cannot be, counts as none.
 */
export function takenPart(job: Job, kind: PartKind): TakenPart {
  const picked = partsOf(job, kind).find((p) => p.id === job.bench.picks[kind]);
  const mine = picked && job.bench.parts.find((p) => p.id === picked.id && p.kind === kind);
  return picked && !(mine && partProblems(mine).length) ? picked : firstItem(present(byKind.get(kind)));
}

/** Own parts that are picked and cannot be, each with what is wrong first. */
export const brokenPicks = (job: Job): { part: OwnPart; problem: PartProblem }[] =>
  job.bench.parts.flatMap((part) => {
    const problem = job.bench.picks[part.kind] === part.id ? partProblems(part)[0] : undefined;
    return problem ? [{ part, problem }] : [];
  });

const fieldOf = (kind: PartKind, key: string): PartField => {
  const field = PART_FIELDS[kind].find((f) => f.key === key);
  if (!field) throw new RangeError(`a ${kind} has no value ${key}`);
  return field;
};

/** A value of a part with its bounds from part to part and from 0 to 60 °C. Throws RangeError for a value that its kind does not have. */
export function boundsOf(part: TakenPart, key: string): Interval {
  const [low, nominal, high] = part.values[key] ?? [Number.NaN, Number.NaN, Number.NaN];
  fieldOf(part.kind, key);
  return overTemperature(part.kind, key, { low, nominal, high });
}

/** The usual value of a part, or its rating. */
export const valueOf = (part: TakenPart, key: string): number => boundsOf(part, key).nominal;

/** A value of a part as an input at the corners, with where it comes from. */
export function partInput(part: TakenPart, key: string, symbol?: string): RangedInput {
  const f = fieldOf(part.kind, key);
  return {
    symbol: symbol ?? f.symbol,
    name: movesWithHeat(key) ? `${f.name}, ${COLD} to ${HOT} °C` : f.name,
    range: boundsOf(part, key),
    unit: f.unit,
    origin: part.origin,
  };
}

/** The usual value of a part, or its rating, as an input. */
export function partValue(part: TakenPart, key: string, symbol?: string): Input {
  const { range, ...rest } = partInput(part, key, symbol);
  return { ...rest, value: range.nominal };
}
