import { firstItem, itemAt, lastItem, present } from '../../ground/lists';
import { PRESS_TIMES } from './press-netlist';

/** An edge is timed between these shares of its swing (IEC 60469; from memory); levels are the mean of the last share before a change. */
const EDGE = { from: 0.1, to: 0.9 } as const;
const IDLE_SHARE = 0.05;
const PRESSED_SHARE = 0.2;
/** Until then a simulation finds its own footing, s. */
const SETTLED_SECONDS = 50e-6;

/** A simulated press as samples; the arrays have the same length, times grow. */
export interface PressWave {
  readonly seconds: readonly number[];
  readonly line: readonly number[];
  readonly pin: readonly number[];
}

/** What is read off a wave. Volts and seconds; null where the line never gets there. */
export interface PressReading {
  readonly idleVolts: number;
  readonly pressedVolts: number;
  /** Furthest from the idle level while the pin floats at power-up, as a level. */
  readonly powerUpVolts: number;
  /** From the pin's edge until the line first lies beyond the machine's level, and until it stays there. */
  readonly seenAfter: number | null;
  readonly steadyAfter: number | null;
  /** From the release until the line is back at the idle side for good. */
  readonly goneAfter: number | null;
  /** How long the line wavers between the first moment it is seen and the moment from which it holds. */
  readonly chatter: number | null;
  /** 10 to 90 % of the swing: the first edge of the press, and the last one of the release. */
  readonly pressEdge: number | null;
  readonly releaseEdge: number | null;
}

/** Times at which the line crosses a level within a span, interpolated between samples; s. */
function crossings(w: PressWave, level: number, from: number, to: number): number[] {
  const out: number[] = [];
  for (let i = 1; i < w.seconds.length; i++) {
    const [t0, t1] = [itemAt(w.seconds, i - 1), itemAt(w.seconds, i)];
    if (t1 < from || t0 > to) continue;
    const [a, b] = [itemAt(w.line, i - 1) - level, itemAt(w.line, i) - level];
    if (a === 0 || a * b < 0) out.push(t0 + ((t1 - t0) * a) / (a - b || 1));
  }
  return out;
}

/** Duration of an edge from a share of its swing to another. `which` takes the first pair of crossings or the last. */
function edge(
  w: PressWave,
  start: number,
  end: number,
  from: number,
  to: number,
  which: 'first' | 'last',
): number | null {
  const [tenth, most] = [start + EDGE.from * (end - start), start + EDGE.to * (end - start)];
  const [a, b] = [crossings(w, tenth, from, to), crossings(w, most, from, to)];
  if (a.length === 0 || b.length === 0) return null;
  const done = which === 'first' ? firstItem(b) : lastItem(b);
  const begun = a.filter((t) => t <= done).at(-1);
  return begun === undefined ? null : done - begun;
}

const mean = (w: PressWave, from: number, to: number): number => {
  let area = 0;
  let time = 0;
  for (let i = 1; i < w.seconds.length; i++) {
    const a = Math.max(from, itemAt(w.seconds, i - 1));
    const b = Math.min(to, itemAt(w.seconds, i));
    if (b <= a) continue;
    area += ((itemAt(w.line, i - 1) + itemAt(w.line, i)) / 2) * (b - a);
    time += b - a;
  }
  return time > 0 ? area / time : Number.NaN;
};

/**
 * Reads levels and times off a simulated press.
 * @param low true where a press pulls the line down.
 * @param lowBelow the machine takes less than this for low, V; @param highAbove more than this for high.
 */
export function readPress(w: PressWave, low: boolean, lowBelow: number, highAbove: number): PressReading {
  const pressed = (v: number): boolean => (low ? v < lowBelow : v > highAbove);
  const idle = (v: number): boolean => (low ? v > highAbove : v < lowBelow);
  const { driven, press, release, end } = PRESS_TIMES;
  // Shortly before the press: a relay that a module never lets go has pulled in by then.
  const idleVolts = mean(w, press - IDLE_SHARE * (press - driven), press);
  let powerUp = idleVolts;
  let seenAfter: number | null = null;
  let steadySince: number | null = null;
  let goneSince: number | null = null;
  w.seconds.forEach((t, i) => {
    const v = itemAt(w.line, i);
    if (t > SETTLED_SECONDS && t < driven && Math.abs(v - idleVolts) > Math.abs(powerUp - idleVolts)) powerUp = v;
    if (t >= press && t < release) {
      if (pressed(v)) {
        seenAfter ??= t - press;
        steadySince ??= t - press;
      } else steadySince = null;
    } else if (t >= release) {
      if (idle(v)) goneSince ??= t - release;
      else goneSince = null;
    }
  });
  const pressedVolts = mean(w, release - PRESSED_SHARE * (release - press), release);
  const come = seenAfter !== null && steadySince !== null;
  return {
    idleVolts,
    pressedVolts,
    powerUpVolts: powerUp,
    seenAfter,
    steadyAfter: steadySince,
    goneAfter: end > release ? goneSince : null,
    chatter: come ? present<number>(steadySince) - present<number>(seenAfter) : null,
    pressEdge: come ? edge(w, idleVolts, pressedVolts, press, release, 'first') : null,
    releaseEdge: goneSince === null ? null : edge(w, pressedVolts, idleVolts, release, end, 'last'),
  };
}
