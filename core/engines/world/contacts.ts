import { meetEvent } from './parts';
import { FLAG, LOGGED, note, type Log, type WorldState } from './state';

/** Two instants are one within this, s: sums of the same times may part in their last bits. */
const SAME = 1e-7;

/** Whether an output's contact would be closed, were nothing there to end it: as asked and as it twitches, unless it is welded or dirty. */
const wouldClose = (s: WorldState, line: number): boolean =>
  s.bad[line] === 1 || (s.bad[line] !== 2 && (s.drive[line] === 1 || s.twitch[line] === 1));

/** Whether an output's contact is closed, and what it closes with it. A monostable ends what its driver is asked, a timer all of it. */
export function isClosed(s: WorldState, line: number): boolean {
  if (s.ended[line] === 0) return wouldClose(s, line);
  return s.w.ends[line]!.by === 'one-shot' && s.bad[line] === 1;
}

/** What ends an output by itself begins with the closure and is ready for another once that is over. */
function endFollows(s: WorldState, line: number, at: number): void {
  const end = s.w.ends[line];
  if (!end) return;
  const asked = end.by === 'timer' ? wouldClose(s, line) : s.drive[line] === 1 || s.twitch[line] === 1;
  const due = s.at.ends + line;
  if (!asked) {
    s.ended[line] = 0;
    s.due[due] = Infinity;
  } else if (s.ended[line] === 0 && s.due[due] === Infinity) s.due[due] = at + end.seconds;
}

/** The time of what ends an output by itself is up. */
export function endsByItself(s: WorldState, line: number, at: number, log: Log | null): void {
  s.due[s.at.ends + line] = Infinity;
  if (s.noEnd[line] === 0) befalls(s, line, () => (s.ended[line] = 1), at, log);
}

/** A channel, true or believed, closes. */
function closes(s: WorldState, who: number, at: number): void {
  const { channels } = s.w;
  const c = who % channels.count;
  s.closed[who] = 1;
  s.closedAt[who] = at;
  s.heldLong[who] = 0;
  // Where a long press means something else, a short one counts only when it lets go.
  s.due[s.at.obey + who] = channels.long[c]! < Infinity ? Infinity : at + channels.least[c]!;
  s.due[s.at.long + who] = at + channels.long[c]!;
}

/** A press was held for as long as the machine wants, or long enough for the other meaning. */
export function obeys(s: WorldState, who: number, at: number, long: boolean, log: Log | null): void {
  const { channels } = s.w;
  const c = who % channels.count;
  const believed = who >= channels.count;
  s.due[(long ? s.at.long : s.at.obey) + who] = Infinity;
  if (long) s.heldLong[who] = 1;
  if (at - s.obeyedAt[who]! < channels.gap[c]! - SAME) return;
  const part = channels.part[c]! + (believed ? s.w.start.length : 0);
  const event = long ? channels.held[c]! : channels.down[c]!;
  s.obeyedAt[who] = at;
  meetEvent(s, part, event, at, log);
  if (believed) return;
  if (s.flag[FLAG.machinePower] === 1) note(log, at, LOGGED.obeyed, c, s.thumb[c]! > 0 ? 1 : 0);
  // One that bounces is taken for two, where the machine takes two so close together.
  if (!long && s.doubling[channels.line[c]!] === 1 && channels.gap[c] === 0) meetEvent(s, part, event, at, log);
}

function opens(s: WorldState, who: number, at: number, log: Log | null): void {
  const { channels } = s.w;
  const c = who % channels.count;
  s.closed[who] = 0;
  const short = channels.long[c]! < Infinity && s.heldLong[who] === 0;
  if (short && at - s.closedAt[who]! >= channels.least[c]! - SAME) obeys(s, who, at, false, log);
  s.due[s.at.obey + who] = Infinity;
  s.due[s.at.long + who] = Infinity;
  const part = channels.part[c]! + (who >= channels.count ? s.w.start.length : 0);
  // What lets go was pressed for long enough to be met at all.
  if (at - s.closedAt[who]! >= channels.least[c]! - SAME) meetEvent(s, part, channels.up[c]!, at, log);
}

/** The contact of an output, or a thumb beside it, may have changed: every channel on it follows. */
export function followLine(s: WorldState, line: number, at: number, log: Log | null): void {
  const { channels } = s.w;
  const heard = isClosed(s, line) && s.missing[line] === 0;
  for (let c = 0; c < channels.count; c++) {
    if (channels.line[c] !== line) continue;
    const want = heard || s.thumb[c]! > 0 ? 1 : 0;
    if (want === s.closed[c]) continue;
    if (want === 1) closes(s, c, at);
    else opens(s, c, at, log);
  }
}

/** The power comes back while a contact or a thumb is down: for the machine that is a press that begins now. */
export function pressedAgain(s: WorldState, at: number): void {
  for (let c = 0; c < s.w.channels.count; c++) if (s.closed[c] === 1) closes(s, c, at);
}

/** The controller closes or opens an output; what the plan believes hears it as it is meant. */
export function drives(s: WorldState, line: number, on: number, at: number, log: Log | null): void {
  if (s.drive[line] === on) return;
  const was = isClosed(s, line);
  if (on === 1) {
    s.flag[FLAG.presses] = s.flag[FLAG.presses]! + 1;
    s.missing[line] = s.missNext[line]! & 1;
    s.missNext[line] = s.missNext[line]! >>> 1;
    s.doubling[line] = s.twiceNext[line]! & 1;
    s.twiceNext[line] = s.twiceNext[line]! >>> 1;
  }
  s.drive[line] = on;
  if (on === 0) s.letGoAt[line] = at;
  endFollows(s, line, at);
  if (s.w.routine !== null) s.due[s.at.longest + line] = on === 1 ? at + s.w.routine.longest[line]! : Infinity;
  if (isClosed(s, line) !== was) note(log, at, LOGGED.contact, line, was ? 0 : 1);
  followLine(s, line, at, log);
  if (on === 0) {
    s.missing[line] = 0;
    s.doubling[line] = 0;
  }
  const { channels } = s.w;
  for (let c = 0; c < channels.count; c++) {
    if (channels.line[c] !== line) continue;
    if (on === 1) closes(s, channels.count + c, at);
    else opens(s, channels.count + c, at, log);
  }
}

/** Twitch, weld or dirt: what the plan does not mean and never hears of. */
export function befalls(s: WorldState, line: number, change: () => void, at: number, log: Log | null): void {
  const was = isClosed(s, line);
  change();
  endFollows(s, line, at);
  const is = isClosed(s, line);
  if (is !== was) note(log, at, LOGGED.contact, line, is ? 1 : 0);
  followLine(s, line, at, log);
}
