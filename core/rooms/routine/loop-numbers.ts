import { finding, type Finding } from '../../ground/finding';
import { pressedBy, type Job, type Loop, type RoutineLimit, type Sense, type SenseLimit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { heardAfter } from '../../build/lines';
import type { LoopNumbers } from './loop-cycle';
import { FROM_MEAN } from './made-up';

/** A digital thermometer may be off by so much, K (`thermometer-off`). */
export const OFF_KELVIN = 0.5;
/** What was recorded of a room holds within this share (`first-order-room`). */
export const ROOM_SHARE = 0.1;

/** A loop of which all is said. */
export interface WholeLoop {
  readonly job: Job;
  readonly loop: Loop;
  readonly sense: Sense & { readonly limit: SenseLimit };
  /** With what is around it at its hardest, and at its mildest. */
  readonly numbers: LoopNumbers;
  readonly mildest: LoopNumbers;
}

/** Presses by which the part of a loop works, by id. */
export function pressesOf(job: Job, l: Loop): readonly string[] {
  const part = job.act.parts.find((p) => p.id === l.part) ?? job.act.parts[0];
  const heeds = part?.heeds.map((h) => h.press) ?? [];
  return heeds.length > 0 ? heeds : job.act.moves.flatMap((m) => m.steps.flatMap(pressedBy));
}

/** For how long limits let a loop work and rest at the least, and work at the most, s; Infinity for no end. */
export function limitsOf(job: Job, l: Loop): { readonly on: number; readonly off: number; readonly longest: number } {
  const presses = pressesOf(job, l);
  const of = (kind: RoutineLimit['kind']): number[] =>
    job.routine.limits.flatMap((x) => (x.kind === kind && presses.includes(x.press) ? [x.seconds] : []));
  return {
    on: Math.max(0, ...of('least-on')),
    off: Math.max(0, ...of('least-off')),
    longest: Math.min(Infinity, ...of('longest-on')),
  };
}

/** A loop in numbers, with what is around it as given; null while something is not said. */
export function numbersOf(job: Job, l: Loop, around: number | null): LoopNumbers | null {
  const sense = job.senses.find((s) => s.id === l.sense);
  if (!sense?.limit || l.kelvin === null || l.tauSeconds === null || around === null) return null;
  const waits = (says: boolean): number =>
    heardAfter(sense, says) +
    Math.max(
      0,
      ...job.routine.sentences.flatMap((s) =>
        s.when === 'sense' && s.sense === l.sense && s.says === says ? [s.forSeconds] : [],
      ),
    );
  // What calls for work: being under for what warms, over for what cools.
  const calls = (l.way === 'warms') !== sense.closedThen;
  const least = limitsOf(job, l);
  return {
    warms: l.way === 'warms',
    kelvin: l.kelvin,
    tau: l.tauSeconds,
    dead: l.deadSeconds,
    around,
    over: sense.limit.over,
    under: sense.limit.under,
    beginsAfter: waits(calls),
    endsAfter: waits(!calls),
    leastOn: least.on,
    leastOff: least.off,
  };
}

/** What is around it: for what warms the coldest and the warmest, for what cools the other way round; null where nobody said. */
export function aroundOf(l: Loop): { readonly hardest: number | null; readonly mildest: number | null } {
  if (l.around === null || !l.weather) return { hardest: l.around, mildest: l.around };
  const by = l.way === 'warms' ? FROM_MEAN : -FROM_MEAN;
  return { hardest: l.around - by, mildest: l.around + by };
}

/** What is found of a loop, with what to do. */
export const loopTold = (
  l: Loop,
  id: string,
  of: Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly todo: string },
): Finding =>
  finding('routine', `loop.${l.id}.${id}`, {
    verdict: of.verdict,
    title: of.title,
    caption: of.caption,
    source: ['maker', 'first-order-room'],
    remedy: of.todo === '' ? null : { text: of.todo },
  });

/** Numbers that were typed rest on somebody's word, those of a recording that is there on what was seen. */
export const roomEvidence = (job: Job, l: Loop): 'settled' | 'tight' =>
  isRecorded(job, l) && l.deadSeconds > 0 ? 'settled' : 'tight';

/** Whether the recording that a loop's numbers are from is still beside the job. */
export const isRecorded = (job: Job, l: Loop): boolean => job.recordings.some((r) => r.id === l.recording);

/** A temperature as it is told. */
export const degrees = (x: number): string => formatQuantity(Number(x.toFixed(1)), '°C');
