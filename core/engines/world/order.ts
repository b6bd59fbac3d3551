import { itemAt } from '../../ground/lists';
import type { WorldState } from './state';

/**
 * When an output may close, asked at an instant: once the other direction of its press has come to rest and its way is set. Infinity
 * while the other direction is closed, or has a turn coming.
 */
export function mayClose(s: WorldState, line: number, at: number): number {
  const { rival, apart, lead } = s.w;
  const rested = limitedUntil(s, line, at);
  const other = rival[line]!;
  if (other < 0) return rested;
  // What was let go in this very instant goes on as it was.
  if (s.letGoAt[line] === at && s.letGoAt[other]! < at) return rested;
  return s.drive[other] === 1 || isAwaited(s, other)
    ? Infinity
    : Math.max(rested, s.letGoAt[other]! + apart[line]!) + lead[line]!;
}

/** When the limits of an output let it close: once it was open for long enough; Infinity while one that it is kept from is closed. */
function limitedUntil(s: WorldState, line: number, at: number): number {
  const { routine } = s.w;
  if (routine === null) return at;
  for (const [a, b] of routine.apart)
    if ((a === line && s.drive[b] === 1) || (b === line && s.drive[a] === 1)) return Infinity;
  return s.letGoAt[line] === at ? at : Math.max(at, s.letGoAt[line]! + routine.leastOff[line]!);
}

/** Whether a hand waits for its turn to close an output. */
function isAwaited(s: WorldState, line: number): boolean {
  const { hands } = s.w.plan;
  for (let h = 0; h < hands.length; h++)
    if (itemAt(hands, h).line === line && s.due[s.at.handTurn + h]! < Infinity) return true;
  return false;
}
