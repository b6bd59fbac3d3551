import type { BoardPin, BoardProfile, Level } from '../../ground/job';

/** What a pin's level does over a stretch of time, seconds from the event. */
export interface LevelSegment {
  readonly from: number;
  readonly to: number;
  readonly level: Level;
}

/** What may happen to a controller: power comes, it restarts, it is programmed. */
export const BOARD_EVENTS = ['power-cut', 'restart', 'programming'] as const;
/** What happens to a controller, as far as its pins move. */
export type BoardEvent = (typeof BOARD_EVENTS)[number];

/** What each of these is called. */
export const EVENT_WORDS: Readonly<Record<BoardEvent, string>> = {
  'power-cut': 'at power-up',
  restart: 'at a restart',
  programming: 'while it is programmed',
};

/** From an event until the program has set its pins, s. A board that nobody programs in place has no such event of its own. */
export function eventSeconds(p: BoardProfile, event: BoardEvent): number {
  const start = p.readySeconds - p.riseSeconds;
  if (event === 'power-cut') return p.readySeconds;
  return event === 'restart' ? p.resetSeconds + start : p.programSeconds + p.resetSeconds + start;
}

/** A pin's level from an event until the program is in charge, without gaps; stretches of one level are one. */
export function levelsOver(pin: BoardPin, p: BoardProfile, event: BoardEvent): LevelSegment[] {
  const parts: { seconds: number; level: Level }[] = [];
  const { levels } = pin;
  if (event === 'programming') parts.push({ seconds: p.programSeconds, level: levels.programming });
  parts.push(
    event === 'power-cut'
      ? { seconds: p.riseSeconds, level: levels.rising }
      : { seconds: p.resetSeconds, level: levels.reset },
  );
  const start = p.readySeconds - p.riseSeconds;
  const pulse = pin.pulse === null ? 0 : Math.min(pin.pulseSeconds, start);
  if (pin.pulse !== null) parts.push({ seconds: pulse, level: pin.pulse });
  parts.push({ seconds: start - pulse, level: levels.boot });
  const out: LevelSegment[] = [];
  let at = 0;
  for (const { seconds, level } of parts) {
    const last = out.at(-1);
    if (seconds <= 0) continue;
    if (last && last.level === level) out[out.length - 1] = { ...last, to: at + seconds };
    else out.push({ from: at, to: at + seconds, level });
    at += seconds;
  }
  return out;
}
