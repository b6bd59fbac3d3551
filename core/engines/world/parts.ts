import { LOGGED, note, type Log, type WorldState } from './state';

/** Share of its way at which a part stands at an instant. */
export function positionOf(s: WorldState, who: number, at: number): number {
  const speed = s.w.speed[s.part[who]!]!;
  const was = s.position[who]!;
  return speed === 0 ? was : Math.min(1, Math.max(0, was + speed * (at - s.since[who]!)));
}

/** Puts a part, or what is believed of it, into a state, and tells when it ends. */
export function enter(s: WorldState, who: number, state: number, at: number, position: number, log: Log | null): void {
  const { w } = s;
  const parts = w.start.length;
  s.part[who] = state;
  s.since[who] = at;
  s.position[who] = position;
  const speed = w.speed[state]!;
  const way = speed > 0 ? (1 - position) / speed : speed < 0 ? position / -speed : Infinity;
  const after = w.after[state]!;
  s.byTime[who] = after <= way ? 1 : 0;
  s.due[who] = at + (after <= way ? after : way);
  note(log, at, who < parts ? LOGGED.part : LOGGED.belief, who % parts, state);
}

/** A part's own time is up, or it is at the end of its way: at the end it is there, and not a rounding short of it. */
export function ends(s: WorldState, who: number, at: number, log: Log | null): void {
  const state = s.part[who]!;
  if (s.byTime[who] === 1) enter(s, who, s.w.then[state]!, at, positionOf(s, who, at), log);
  else enter(s, who, s.w.atEnd[state]!, at, s.w.speed[state]! > 0 ? 1 : 0, log);
}

/** An event reaches a part; it may be overlooked. Tells whether it was obeyed. */
export function meetEvent(s: WorldState, who: number, event: number, at: number, log: Log | null): boolean {
  const to = event < 0 ? -1 : s.w.next[s.part[who]! * s.w.width + event]!;
  if (to < 0) return false;
  enter(s, who, to, at, positionOf(s, who, at), log);
  return true;
}

/** What a plan believes of a part, where a look tells it otherwise. */
export function learns(s: WorldState, sense: number, at: number, log: Log | null): void {
  const part = s.w.senses.part[sense]!;
  const says = s.heard[sense]!;
  if (part < 0 || says === 2) return;
  const who = s.w.start.length + part;
  if (s.w.senses.yes[sense * s.w.words.length + s.part[who]!]! === says) return;
  const to = (says === 1 ? s.w.senses.takenYes : s.w.senses.takenNo)[sense]!;
  if (to < 0) return;
  enter(s, who, to, at, positionOf(s, who, at), log);
}
