import { settledLevels, type Joint } from '../circuit';
import type { ScriptStep } from '../../ground/job';
import type { Random } from '../../ground/quantity';
import type { Standin } from './models';

/** What a press on a stand-in did. */
export interface TryOut {
  readonly count: number;
  readonly failed: number;
  readonly observed: string;
}

/** Share of the time by which the stand-in's and the controller's clocks may differ: common practice for small controllers. */
const TIMING_SHARE = 0.01;

/** Whether the planned joint brings the stand-in's line to levels that its controller obeys. */
export function levelsObeyed(standin: Standin, joint: Joint | null): boolean {
  if (!joint) return false;
  const { build } = standin;
  const levels = settledLevels({
    ...joint,
    polarity: build.kind === 'high-when-pressed' ? 'high' : 'low',
    supplyVolts: build.supplyVolts,
    pullOhms: build.seriesOhms,
  });
  const low = build.kind !== 'high-when-pressed';
  return low
    ? levels.pressed < standin.lowBelowVolts && levels.idle > standin.highAboveVolts
    : levels.pressed > standin.highAboveVolts && levels.idle < standin.lowBelowVolts;
}

/** Presses the stand-in `times` times with the planned joint and script; each press bounces and is timed anew. */
export function pressStandin(
  standin: Standin,
  joint: Joint | null,
  script: readonly Pick<ScriptStep, 'do' | 'seconds'>[],
  times: number,
  random: Random,
): TryOut {
  const presses = script.filter((s) => s.do === 'press');
  if (presses.length === 0)
    return { count: times, failed: times, observed: 'the script has no press, so nothing happened' };
  if (!levelsObeyed(standin, joint))
    return { count: times, failed: times, observed: 'the line never reached a level that the machine obeys' };
  let failed = 0;
  let shortest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < times; i++) {
    const steady = presses.map(
      (p) => p.seconds * (1 + TIMING_SHARE * random.normal()) - standin.bounceSeconds * random.next(),
    );
    shortest = Math.min(shortest, ...steady);
    if (steady.some((s) => s < standin.machine.shortestPressSeconds)) failed++;
  }
  const least = `shortest steady closure ${Math.round(1000 * shortest)} ms`;
  return {
    count: times,
    failed,
    observed: failed ? `${failed} of ${times} presses not seen; ${least}` : `every press seen; ${least}`,
  };
}

/** Restarts the controller `times` times; `closedSeconds` is how long the contact closes at each power-up. */
export function restartStandin(standin: Standin, closedSeconds: number, times: number): TryOut {
  if (closedSeconds === 0)
    return { count: times, failed: 0, observed: 'the contact stayed open through every power-up' };
  const seen = closedSeconds >= standin.machine.shortestPressSeconds;
  return {
    count: times,
    failed: times,
    observed:
      `the contact closed for ${Math.round(1000 * closedSeconds)} ms at every power-up; ` +
      `the ${standin.name} ${seen ? 'took it for a press' : 'overlooked it'}`,
  };
}
