import type { WorldPlan } from './plan';

/** After so many time constants a loop is where it goes to, within one in two hundred. */
const SETTLED = 5.3;
/** How long something may last before a condition is broken by it: a loop is left at work until it is where it goes to. */
export const allowedSpans = (plan: WorldPlan): number[] =>
  plan.monitors.flatMap((m) => {
    if (m.kind === 'starts') return [];
    const loop = m.kind === 'heat' ? plan.loops?.[m.loop] : undefined;
    if (m.kind === 'heat') return loop ? [loop.dead + SETTLED * loop.tau] : [];
    return [m.seconds];
  });
