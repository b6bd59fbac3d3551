import { itemAt } from '../../ground/lists';
import type { ModeWire } from './plan';
import { CLOCK, LOGGED, note, type Log, type WorldState } from './state';

/** Puts a mode on or off. */
export function setMode(s: WorldState, mode: number, on: number, at: number, log: Log | null): void {
  s.due[s.at.modeEnd + mode] = on === 1 ? at + itemAt(s.w.routine!.modes, mode).seconds : Infinity;
  if (s.mode[mode] === on) return;
  s.mode[mode] = on;
  note(log, at, LOGGED.mode, mode, on);
}

/** The program begins: modes are as they are then, and a switch that stays where it is put has its say. */
export function modesBegin(s: WorldState, modes: readonly ModeWire[]): void {
  const switched = (m: number): boolean =>
    s.w.plan.hands.some((h, i) => h.does === 'mode' && h.latching && h.mode === m && s.handFelt[i] === 1);
  modes.forEach(({ on, seconds }, m) => {
    const is = on || switched(m);
    s.mode[m] = is ? 1 : 0;
    s.due[s.at.modeEnd + m] = is ? s.clock[CLOCK.now]! + seconds : Infinity;
  });
}
