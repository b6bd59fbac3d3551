import type { Fault, MachineModel } from '../job';
import type { Random } from '../quantity';
import { simulate, type TimedStep } from './simulate';

/** How often things go wrong (`fault-rates`). */
export const FAULT_RATES = { missedShare: 1 / 50, handPerDay: 1 / 6, cutsPerYear: 2, cutSeconds: 600 } as const;

export interface DaysOutcome {
  readonly days: number;
  readonly starts: number;
  readonly presses: number;
  readonly missed: number;
  readonly byHand: number;
  readonly powerCuts: number;
  /** Starts after which the machine did what the plan believes, all through the script and its run. */
  readonly asBelieved: number;
  /** Seconds in which belief and truth differed. */
  readonly partedSeconds: number;
  readonly endsAs: string;
  readonly believedEnd: string;
}

/**
 * Many days in a row under random faults; the machine's state is carried from day to day.
 * @param starts instants of the routine, s from the start of the first day, increasing.
 * @param random seeded stream; the same seed gives the same days.
 */
export function simulateDays(
  plan: { machine: MachineModel; script: readonly TimedStep[] },
  starts: readonly number[],
  days: number,
  random: Random,
): DaysOutcome {
  const end = days * 86400;
  const faults: Fault[] = [];
  const add = (kind: Fault['kind'], atSeconds: number, seconds = 0): void =>
    void faults.push({ id: `${kind}-${faults.length}`, kind, atSeconds, seconds });
  const offsets = pressOffsets(plan.script);
  for (const start of starts)
    for (const offset of offsets) if (random.next() < FAULT_RATES.missedShare) add('missed-press', start + offset);
  for (let day = 0; day < days; day++) {
    if (random.next() < FAULT_RATES.handPerDay) add('hand-press', day * 86400 + random.next() * 86400);
    if (random.next() < FAULT_RATES.cutsPerYear / 365)
      add('power-cut', day * 86400 + random.next() * 86400, FAULT_RATES.cutSeconds);
  }
  const trace = simulate({ ...plan, faults, starts, end });
  const count = (kind: Fault['kind']): number => faults.filter((f) => f.kind === kind).length;
  let apart = 0;
  const asBelieved = starts.filter((start, i) => {
    const until = starts[i + 1] ?? end;
    while (apart < trace.parted.length && trace.parted[apart]!.to <= start) apart++;
    const first = trace.parted[apart];
    return !first || first.from >= until;
  }).length;
  return {
    days,
    starts: starts.length,
    presses: trace.contact.length,
    missed: count('missed-press'),
    byHand: count('hand-press'),
    powerCuts: count('power-cut'),
    asBelieved,
    partedSeconds: trace.parted.reduce((s, p) => s + p.to - p.from, 0),
    endsAs: trace.machine[trace.machine.length - 1]?.word ?? '',
    believedEnd: trace.believes[trace.believes.length - 1]?.word ?? '',
  };
}

function pressOffsets(script: readonly TimedStep[]): number[] {
  let t = 0;
  return script.flatMap((s) => {
    const at = t;
    t += s.seconds;
    return s.do === 'press' ? [at] : [];
  });
}
