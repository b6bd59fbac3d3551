import { FLAG, type WorldState } from './state';
import { TIER, WHO } from './plan';

/** The tier under which everything is held back now: by modes that are on, rules that last, and a hand that was there. */
export function heldTier(s: WorldState): number {
  const { routine } = s.w;
  if (routine === null) return 0;
  let held: number = s.flag[FLAG.handHolds] === 1 ? TIER.hand : 0;
  for (let m = 0; m < s.mode.length; m++) if (s.mode[m] === 1) held = Math.max(held, routine.modes[m]!.holds);
  const { holders } = s.w.timers;
  for (let i = 0; i < holders.length; i++) {
    const r = holders[i]!;
    if (s.holding[r] === 1) held = Math.max(held, routine.rules[r]!.tier);
  }
  return held;
}

/** Whether somebody at the controller is not obeyed: what locks out or keeps from harm is under way, or lasts. */
export const handIsHeld = (s: WorldState): boolean =>
  (s.flag[FLAG.move]! >= 0 && s.flag[FLAG.tier]! > TIER.hand) || heldTier(s) > TIER.hand;

/** Somebody at the controller has moved something: comfort waits from now on. */
export function handHolds(s: WorldState, at: number): void {
  const seconds = s.w.routine?.handHolds ?? 0;
  if (seconds <= 0) return;
  s.flag[FLAG.handHolds] = 1;
  s.due[s.at.handHolds] = at + seconds;
}

/** Who holds a tier back now, as `WHO` counts: a rule before a mode before a hand, and of several the first. */
export function holderOf(s: WorldState, tier: number): number {
  const { routine } = s.w;
  if (routine === null) return WHO.nobody;
  const first = WHO.modes + routine.modes.length;
  for (let r = 0; r < s.holding.length; r++) if (s.holding[r] === 1 && routine.rules[r]!.tier > tier) return first + r;
  for (let m = 0; m < s.mode.length; m++) if (s.mode[m] === 1 && routine.modes[m]!.holds > tier) return WHO.modes + m;
  return WHO.hand;
}
