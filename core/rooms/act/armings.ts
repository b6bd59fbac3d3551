import { itemAt } from '../../ground/lists';
import type { WorldEvent } from '../../engines/world';
import type { Start } from './faults';
import type { Scene } from './scene';

/** How long somebody holds a button that arms, s. */
const HELD_SECONDS = 0.3;

/**
 * What people do for starts that come only if armed: somebody arms between the start before and this one, and puts a switch back first.
 * One that arms for good is armed once. Where there is nothing to arm with, none of these starts comes true.
 */
export function armingsFor(scene: Scene, starts: readonly Start[]): WorldEvent[] {
  const armed = starts.filter((s) => s.ifArmed);
  return scene.hands.flatMap(({ wire }, of): WorldEvent[] => {
    if (wire.does !== 'arm') return [];
    return armed.flatMap((start, i): WorldEvent[] => {
      const before = i > 0 ? itemAt(armed, i - 1).at : 0;
      const at = (k: number): number => before + k * (start.at - before);
      const on: WorldEvent = { at: at(0.6), what: 'hand', of, how: HELD_SECONDS };
      if (wire.latching) return i === 0 ? [on] : [{ at: at(0.4), what: 'let-go', of, how: 0 }, on];
      // A button that arms for good would take it back.
      return i === 0 || wire.most < Infinity ? [on] : [];
    });
  });
}
