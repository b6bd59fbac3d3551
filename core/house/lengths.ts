import { allowedSpans, type WorldPlan } from '../engines/world';
import { HAND_SECONDS } from '../rooms/act';

/** How long a power cut of a story lasts, s: common practice, no source. */
export const CUT_SECONDS = 30;
/** By how much a sense comes late, s: common practice, no source. */
const LATE_SECONDS = 5;
/** A hand that is to be sure holds so much longer than is asked for, and what is to have passed is waited for as much longer. */
const SURELY = 1.1;
const unique = (list: readonly number[]): number[] => [...new Set(list.filter((x) => Number.isFinite(x) && x > 0))];
/**
 * How long somebody may hold a button: a touch, as long as the machine asks for, until it takes it for a long press, and where something
 * runs while it is held for longer than any condition allows.
 */
export function handLengths(plan: WorldPlan, c: WorldPlan['channels'][number]): number[] {
  const asked = c.least > HAND_SECONDS ? [SURELY * c.least] : [HAND_SECONDS];
  const long = c.long < Infinity ? [SURELY * c.long] : [];
  const held = c.up === '' ? [] : [SURELY * Math.max(0, ...allowedSpans(plan)) + c.least];
  return unique([...asked, ...long, ...held]);
}

/** How long power may stay away: a while, and longer than whatever runs by itself goes on and any condition allows. */
export function cutLengths(plan: WorldPlan): number[] {
  const runs = plan.parts.flatMap((p) => p.table.states.flatMap((x) => (x.after ? [x.after.seconds] : [])));
  const most = Math.max(0, ...allowedSpans(plan), ...runs.filter(Number.isFinite));
  return unique([CUT_SECONDS, ...(most > CUT_SECONDS && most < MOST_AWAY ? [SURELY * most] : [])]);
}
/** Power that stays away longer is seen by somebody, s. */
const MOST_AWAY = 86400;

/** By how much a sense may come late: somewhat, and by more than any move waits for it. */
export function lateLengths(plan: WorldPlan): number[] {
  const waits = plan.moves.flatMap((m) =>
    m.flatMap((op) => (op.sense >= 0 && Number.isFinite(op.seconds) ? [op.seconds] : [])),
  );
  const most = Math.max(0, ...waits);
  return unique([LATE_SECONDS, ...(most > LATE_SECONDS ? [SURELY * most] : [])]);
}
