import { present } from '../../ground/lists';
import type { MachinePart } from '../../ground/job';
import type { StateRole, TableState } from '../../engines/world';
import { OBSTACLE, GETS_POWER, LOSES_POWER, type PartEvent } from './events';

/** A row while it is built: whether the part rests in it. */
export interface Row extends TableState {
  readonly rests: boolean;
}

interface Rows {
  readonly start: string;
  readonly rows: readonly Row[];
}

/** The other behaviours of a part laid over the rows of its kind, each over what came before it. */
export function withBehaviours(
  p: MachinePart,
  start: string,
  rows: readonly Row[],
  events: readonly PartEvent[],
): Rows {
  const steps: ((r: Rows) => Rows)[] = [
    (r) => timed(p, r),
    (r) => deaf(p, r, events),
    (r) => longPressed(p, r, events),
    (r) => blocked(p, r),
    (r) => sleeps(p, r, events),
    (r) => powered(p, r),
  ];
  return steps.reduce<Rows>((r, step) => step(r), { start, rows });
}

const each = (r: Rows, change: (row: Row) => Row): Rows => ({ ...r, rows: r.rows.map(change) });
/** The first state of one of these roles, the roles in their order. */
const there = (r: Rows, ...roles: StateRole[]): string | undefined =>
  roles.flatMap((role) => r.rows.find((s) => s.role === role)?.key ?? [])[0];
/** It moves, or runs for a time of its own. */
const busy = (s: Row): boolean => s.speed !== 0 || s.role === 'running';

/** A timer of its own: what is on goes to its rest, what is open begins to close; what rests is left alone. */
function timed(p: MachinePart, r: Rows): Rows {
  if (p.timerSeconds === null) return r;
  const seconds = p.timerSeconds;
  const open = there(r, 'open');
  const to = there(r, 'closing') ?? r.start;
  const timedKeys = open === undefined ? r.rows.filter((s) => !s.rests && s.after === null).map((s) => s.key) : [open];
  return each(r, (s) => (timedKeys.includes(s.key) ? { ...s, after: { seconds, then: to } } : s));
}

function deaf(p: MachinePart, r: Rows, events: readonly PartEvent[]): Rows {
  if (!p.deafWhileBusy) return r;
  // What its end does, an obstacle or a loss of power is heard all the same.
  const presses = new Set(events.filter((e) => e.how === 'down' || e.how === 'long').map((e) => e.key));
  return each(r, (s) =>
    busy(s) ? { ...s, on: Object.fromEntries(Object.entries(s.on).filter(([e]) => !presses.has(e))) } : s,
  );
}

/** A long press switches off from wherever it is, or does nothing. */
function longPressed(p: MachinePart, r: Rows, events: readonly PartEvent[]): Rows {
  if (p.longPress !== 'off') return r;
  const long = events.filter((e) => e.how === 'long');
  return each(r, (s) =>
    s.rests ? s : { ...s, on: { ...s.on, ...Object.fromEntries(long.map((e) => [e.key, r.start])) } },
  );
}

/** Its own safety: what moves stops, or goes back the other way. */
function blocked(p: MachinePart, r: Rows): Rows {
  if (p.whenBlocked === 'goes-on') return r;
  return each(r, (s) => {
    if (!busy(s)) return s;
    // Only what closes goes back: nobody is caught by what opens.
    const back = s.role === 'closing' ? there(r, 'opening') : undefined;
    const stopped = there(r, 'stopped', s.speed > 0 ? 'stopped-up' : 'stopped-down') ?? r.start;
    return { ...s, on: { ...s.on, [OBSTACLE.key]: p.whenBlocked === 'goes-back' ? (back ?? stopped) : stopped } };
  });
}

/** Its first press only wakes it: asleep it knows no other, and at rest it falls asleep again. */
function sleeps(p: MachinePart, r: Rows, events: readonly PartEvent[]): Rows {
  if (!p.firstPressWakes) return r;
  const presses = events.filter((e) => e.how === 'down');
  const key = freeKey(r.rows, 'asleep');
  const asleep: Row = {
    key,
    word: 'asleep',
    role: 'asleep',
    speed: 0,
    after: null,
    atEnd: null,
    rests: true,
    on: Object.fromEntries(presses.map((e) => [e.key, r.start])),
  };
  const rows = r.rows.map((s) =>
    s.key === r.start ? { ...s, after: { seconds: p.awakeSeconds ?? 0, then: key } } : s,
  );
  return { start: key, rows: [asleep, ...rows] };
}

/** Without power nothing moves; what comes back is told by where it was. */
function powered(p: MachinePart, r: Rows): Rows {
  const keeps = r.rows.some((s) => s.speed !== 0);
  const on = there(r, 'on', 'running') ?? r.rows.find((s) => !s.rests)?.key ?? r.start;
  const stands = (s: Row): string =>
    s.speed === 0 ? s.key : (there(r, s.speed > 0 ? 'stopped-up' : 'stopped-down', 'stopped') ?? s.key);
  const back = (key: string): string => {
    // What has a way stands where the power left it.
    if (keeps || p.afterPowerCut === 'as-before') return key;
    return p.afterPowerCut === 'on' ? on : r.start;
  };
  const dark = [...new Set(r.rows.map(stands))].map((darkOf): Row => ({
    key: freeKey(r.rows, `dark, ${darkOf}`),
    word: 'no power',
    role: 'dark',
    darkOf,
    speed: 0,
    after: null,
    atEnd: null,
    rests: false,
    on: { [GETS_POWER.key]: back(darkOf) },
  }));
  const rows = r.rows.map((s) => ({
    ...s,
    on: { ...s.on, [LOSES_POWER.key]: present(dark.find((d) => d.darkOf === stands(s))).key },
  }));
  return { start: r.start, rows: [...rows, ...dark] };
}

/** A key that no state has yet: a maker may call a mode as a state of ours is called. */
const freeKey = (rows: readonly Row[], wanted: string): string =>
  rows.some((s) => s.key === wanted) ? freeKey(rows, `${wanted} (no mode)`) : wanted;
