import { WORLD_EVENTS, type Compiled } from './table';

/** Events from outside in order of time; of those at one instant the first comes first. */
export interface Happenings {
  readonly at: Float64Array;
  /** Places in `WORLD_EVENTS`. */
  readonly what: Uint8Array;
  readonly count: number;
}

/** What a machine did: the n-th entry is in state `state[n]` from `from[n]` on, beginning its way at `position[n]`. */
export interface Course {
  from: Float64Array;
  state: Int32Array;
  position: Float64Array;
  count: number;
  /** The state that each of the happenings found. */
  found: Int32Array;
}

/** Room for a run; one may serve many runs, and grows where it is too small. */
export const roomFor = (entries: number, happenings: number): Course => ({
  from: new Float64Array(entries),
  state: new Int32Array(entries),
  position: new Float64Array(entries),
  count: 0,
  found: new Int32Array(happenings),
});

function grow(room: Course): void {
  const wider = <T extends Float64Array | Int32Array>(old: T, fresh: T): T => {
    fresh.set(old as never);
    return fresh;
  };
  const size = Math.max(16, 2 * room.from.length);
  room.from = wider(room.from, new Float64Array(size));
  room.state = wider(room.state, new Int32Array(size));
  room.position = wider(room.position, new Float64Array(size));
}

const EVENTS = WORLD_EVENTS.length;

/**
 * Runs a machine through what happens, exactly: every change at its own time, nothing sampled, nothing allocated but for what the
 * course itself needs. An event at the very instant at which a state ends finds the state that follows.
 * @param end up to which changes are followed, s.
 */
export function run(m: Compiled, happenings: Happenings, end: number, room: Course): Course {
  if (room.found.length < happenings.count) room.found = new Int32Array(happenings.count);
  let state = m.start;
  let position = 0;
  let since = 0;
  /** When the state ends by itself, and whether its time ends it or the end of its way. */
  let until = Infinity;
  let byTime = false;
  let count = 0;
  const enter = (next: number, at: number): void => {
    state = next;
    since = at;
    const speed = m.speed[state]!;
    const way = speed > 0 ? (1 - position) / speed : speed < 0 ? position / -speed : Infinity;
    const after = m.after[state]!;
    byTime = after <= way;
    until = at + (byTime ? after : way);
    if (count === room.from.length) grow(room);
    room.from[count] = at;
    room.state[count] = state;
    room.position[count] = position;
    count++;
  };
  const pass = (to: number): void => {
    while (until <= to) {
      const at = until;
      if (byTime) {
        position = positionAt(m, state, position, at - since);
        enter(m.then[state]!, at);
      } else {
        // At the end of its way it is there, and not a rounding short of it.
        position = m.speed[state]! > 0 ? 1 : 0;
        enter(m.atEnd[state]!, at);
      }
    }
  };
  enter(state, 0);
  for (let i = 0; i < happenings.count; i++) {
    const at = happenings.at[i]!;
    if (at > end) break;
    pass(at);
    room.found[i] = state;
    const cell = state * EVENTS + happenings.what[i]!;
    if (m.overlooked[cell] === 1) continue;
    position = positionAt(m, state, position, at - since);
    enter(m.next[cell]!, at);
  }
  pass(end);
  room.count = count;
  return room;
}

/** Position `seconds` after a state was entered at `position`: 0 to 1. */
export const positionAt = (m: Compiled, state: number, position: number, seconds: number): number => {
  const speed = m.speed[state]!;
  return speed === 0 ? position : Math.min(1, Math.max(0, position + speed * seconds));
};
