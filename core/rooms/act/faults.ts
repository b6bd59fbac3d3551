import { intAt, itemAt, realAt } from '../../ground/lists';
import type { Fault } from '../../ground/job';
import { freshLog, happeningsOf, LOGGED, runTo, worldOf, type WorldEvent } from '../../engines/world';
import { DISTURBANCES, placeIn } from './disturbances';
import type { Scene } from './scene';

/** How long a person holds a button, s: common practice. */
export const HAND_SECONDS = 0.3;

/** A start of a move, at its time; the second says whether only if armed. */
export interface Start {
  readonly at: number;
  readonly move: number;
  readonly ifArmed: boolean;
  /** Number of the rule that asks for it, in a world with rules: its tier and what it looks at count then. */
  readonly rule?: number;
}

/** Starts of moves as what comes from outside. */
export const startsAsHappenings = (starts: readonly Start[]): WorldEvent[] =>
  starts.map((s) =>
    s.rule === undefined
      ? { at: s.at, what: 'start', of: s.move, how: s.ifArmed ? 1 : 0 }
      : { at: s.at, what: 'fires', of: s.rule, how: 0 },
  );

/** When each output is closed by the plan in a run in which only so much befalls it, rising. */
export function closuresOf(
  scene: Scene,
  starts: readonly Start[],
  end: number,
  befallen: readonly WorldEvent[] = [],
): { line: number; at: number }[] {
  const given = happeningsOf([...befallen, ...startsAsHappenings(starts)]);
  const log = freshLog();
  runTo(worldOf(scene.world, given, log), end, given, log);
  const out: { line: number; at: number }[] = [];
  for (let i = 0; i < log.count; i++)
    if (log.kind[i] === LOGGED.contact && log.value[i] === 1)
      out.push({ line: intAt(log.index, i), at: realAt(log.at, i) });
  return out;
}

/** Which closure of an output lies nearest to an instant. */
function nearest(closures: readonly number[], at: number): number | null {
  let [low, high] = [0, closures.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (itemAt(closures, middle) < at) low = middle + 1;
    else high = middle;
  }
  const [before, after] = [closures[low - 1], closures[low]];
  if (before !== undefined && (after === undefined || at - before <= after - at)) return before;
  return after ?? null;
}

/**
 * The faults of a run as happenings. A press that is missed or seen twice is the one of its output that lies nearest to the fault, each
 * once; a fault that befalls what this world does not hold is left out.
 */
export function faultsAsHappenings(
  scene: Scene,
  faults: readonly Fault[],
  closures: readonly { readonly line: number; readonly at: number }[],
): WorldEvent[] {
  const used = new Set<string>();
  const byLine = new Map<number, number[]>();
  for (const c of closures) byLine.set(c.line, [...(byLine.get(c.line) ?? []), c.at]);
  return faults.flatMap((f): WorldEvent[] => {
    const { what, befalls } = DISTURBANCES[f.kind];
    const at = befalls ? placeIn(scene, befalls, f.of) : 0;
    if (at < 0) return [];
    if (what === 'missed' || what === 'twice') {
      const when = nearest(byLine.get(at) ?? [], f.atSeconds);
      const key = `${f.kind} ${at} ${when}`;
      if (when === null || used.has(key)) return [];
      used.add(key);
      return [{ at: when, what, of: at, how: 0 }];
    }
    return befalling(scene, f, at);
  });
}

/** A fault of what stands at a place of its scene. */
function befalling(scene: Scene, f: Fault, place: number): WorldEvent[] {
  const { what, lasts, event } = DISTURBANCES[f.kind];
  const at = f.atSeconds;
  switch (what) {
    case 'thumb': {
      const channel = scene.world.plan.channels.findIndex((c) => c.line === place);
      return channel < 0 ? [] : [{ at, what, of: channel, how: f.seconds || HAND_SECONDS }];
    }
    case 'hand': {
      const put: WorldEvent = { at, what, of: place, how: f.seconds || HAND_SECONDS };
      const back: WorldEvent = { at: at + f.seconds, what: 'let-go', of: place, how: 0 };
      return itemAt(scene.hands, place).latching && f.seconds > 0 ? [put, back] : [put];
    }
    case 'meets': {
      const how = event ? itemAt(scene.tables, place).events.indexOf(event.key) : -1;
      return how < 0 ? [] : [{ at, what, of: place, how }];
    }
    case 'reads':
      return [{ at, what, of: place, how: 1 }];
    default:
      return [{ at, what, of: place, how: lasts === 'yes' ? f.seconds : 0 }];
  }
}
