import type { MachinePart } from '../job';
import type { TableState } from '../world';

/** A row while it is built: whether the part rests in it. */
export interface Row extends TableState {
  readonly rests: boolean;
}

interface Rows {
  readonly start: string;
  readonly rows: readonly Row[];
}

/** The other behaviours of a part laid over the rows of its kind, each over what came before it. */
export function withBehaviours(p: MachinePart, start: string, rows: readonly Row[], events: readonly string[]): Rows {
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
const there = (r: Rows, ...keys: string[]): string | undefined => keys.find((k) => r.rows.some((s) => s.key === k));
/** It runs or moves. */
const busy = (s: Row): boolean => s.speed !== 0 || s.key === 'running';
/** What a press does, and not what its end or a loss of power does. */
const isPress = (event: string): boolean => !/ let go$|^power |^obstacle$|^nobody comes$/.test(event);

/** A timer of its own: on goes off, open goes to, what is neither is left alone. */
function timed(p: MachinePart, r: Rows): Rows {
  if (p.timerSeconds === null) return r;
  const seconds = p.timerSeconds;
  const to = there(r, 'closing', 'off', r.start)!;
  const timedKeys = there(r, 'open') ? ['open'] : r.rows.filter((s) => !s.rests && s.after === null).map((s) => s.key);
  return each(r, (s) => (timedKeys.includes(s.key) ? { ...s, after: { seconds, then: to } } : s));
}

function deaf(p: MachinePart, r: Rows, events: readonly string[]): Rows {
  if (!p.deafWhileBusy) return r;
  return each(r, (s) =>
    busy(s)
      ? { ...s, on: Object.fromEntries(Object.entries(s.on).filter(([e]) => !(events.includes(e) && isPress(e)))) }
      : s,
  );
}

/** A long press switches off from wherever it is, or does nothing. */
function longPressed(p: MachinePart, r: Rows, events: readonly string[]): Rows {
  if (p.longPress !== 'off') return r;
  const long = events.filter((e) => e.endsWith(' held long'));
  return each(r, (s) =>
    s.rests ? s : { ...s, on: { ...s.on, ...Object.fromEntries(long.map((e) => [e, r.start])) } },
  );
}

/** Its own safety: what moves stops, or goes back the other way. */
function blocked(p: MachinePart, r: Rows): Rows {
  if (p.whenBlocked === 'goes-on') return r;
  return each(r, (s) => {
    if (!busy(s)) return s;
    // Only what closes goes back: nobody is caught by what opens.
    const back = s.key === 'closing' ? there(r, 'opening') : undefined;
    const stopped = there(r, 'stopped', `stopped on its way ${s.speed > 0 ? 'up' : 'down'}`, r.start)!;
    return { ...s, on: { ...s.on, obstacle: p.whenBlocked === 'goes-back' ? (back ?? stopped) : stopped } };
  });
}

/** Its first press only wakes it: asleep it knows no other, and at rest it falls asleep again. */
function sleeps(p: MachinePart, r: Rows, events: readonly string[]): Rows {
  if (!p.firstPressWakes) return r;
  const presses = events.filter((e) => isPress(e) && !e.endsWith(' held long'));
  const asleep: Row = {
    key: 'asleep',
    word: 'asleep',
    speed: 0,
    after: null,
    atEnd: null,
    rests: true,
    on: Object.fromEntries(presses.map((e) => [e, r.start])),
  };
  const rows = r.rows.map((s) =>
    s.key === r.start ? { ...s, after: { seconds: p.awakeSeconds ?? 0, then: 'asleep' } } : s,
  );
  return { start: 'asleep', rows: [asleep, ...rows] };
}

/** Without power nothing moves; what comes back is told by where it was. */
function powered(p: MachinePart, r: Rows): Rows {
  const keeps = r.rows.some((s) => s.speed !== 0);
  const on = there(r, 'on', 'running', r.rows.find((s) => !s.rests)?.key ?? r.start)!;
  const stands = (s: Row): string =>
    s.speed === 0 ? s.key : (there(r, `stopped on its way ${s.speed > 0 ? 'up' : 'down'}`, 'stopped') ?? s.key);
  const back = (key: string): string => {
    // What has a way stands where the power left it.
    if (keeps || p.afterPowerCut === 'as-before') return key;
    return p.afterPowerCut === 'on' ? on : r.start;
  };
  const standing = [...new Set(r.rows.map(stands))];
  const rows = r.rows.map((s) => ({ ...s, on: { ...s.on, 'power lost': `dark, ${stands(s)}` } }));
  const dark = standing.map((key): Row => ({
    key: `dark, ${key}`,
    word: 'no power',
    speed: 0,
    after: null,
    atEnd: null,
    rests: false,
    on: { 'power back': back(key) },
  }));
  return { start: r.start, rows: [...rows, ...dark] };
}
