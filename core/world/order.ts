import type { WorldState } from './state';

/**
 * When an output may close, asked at an instant: once the other direction of its press has come to rest and its way is set. Infinity
 * while the other direction is closed.
 */
export function mayClose(s: WorldState, line: number, at: number): number {
  const { rival, apart, lead } = s.w;
  const other = rival[line]!;
  if (other < 0) return at;
  return s.drive[other] === 1 ? Infinity : Math.max(at, s.letGoAt[other]! + apart[line]!) + lead[line]!;
}

/** Whether an output that waited for its turn has it now: nothing pressed the other direction meanwhile. */
export function hasTurn(s: WorldState, line: number, at: number): boolean {
  const other = s.w.rival[line]!;
  return s.drive[other] === 0 && s.letGoAt[other]! + s.w.apart[line]! + s.w.lead[line]! <= at + 1e-9;
}
