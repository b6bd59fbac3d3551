import { ownerOf, type Fault, type FaultKind } from '../../ground/job';
import { freshLog, happeningsOf, LOGGED, runTo, worldOf, type Happening } from '../../engines/world';
import { NOBODY } from './machine';
import type { Scene } from './scene';

/** How long a person holds a button, s: common practice. */
export const HAND_SECONDS = 0.3;

/** What a fault is called where it lies on the time axis. */
export const FAULT_WORDS: Record<FaultKind, string> = {
  'missed-press': 'this press is missed',
  'power-cut': 'power cut',
  'hand-press': 'someone presses by hand',
  'seen-twice': 'this press is seen twice',
  'plug-out': 'the machine’s plug is pulled',
  'controller-out': 'the controller’s plug is pulled',
  restart: 'the controller restarts',
  welded: 'the contact sticks closed',
  dirty: 'the contact no longer closes',
  'stuck-sense': 'the sense sticks',
  'late-sense': 'the sense comes late',
  'reversed-sense': 'the sense says the opposite',
  obstacle: 'something is in the way',
  'wrong-moment': 'it is started at this moment too',
  'hand-moved': 'someone moves a hand at the controller',
  'nobody-came': 'nobody comes to move a hand at the controller',
  'moved-sense': 'the sense has moved from its place',
  'lost-message': 'the next news of the sense is lost',
  'not-answered': 'nobody does what the machine asks for',
};

/** What a fault befalls: an output, a sense, a part, a move or a hand; null for what befalls all. */
export const BEFALLS: Record<FaultKind, 'press' | 'sense' | 'part' | 'move' | 'hand' | null> = {
  'missed-press': 'press',
  'power-cut': null,
  'hand-press': 'press',
  'seen-twice': 'press',
  'plug-out': null,
  'controller-out': null,
  restart: null,
  welded: 'press',
  dirty: 'press',
  'stuck-sense': 'sense',
  'late-sense': 'sense',
  'reversed-sense': 'sense',
  obstacle: 'part',
  'wrong-moment': 'move',
  'hand-moved': 'hand',
  'nobody-came': 'hand',
  'moved-sense': 'sense',
  'lost-message': 'sense',
  'not-answered': 'part',
};

const ILLS = {
  'stuck-sense': 'stuck',
  'reversed-sense': 'reversed',
  'moved-sense': 'moved',
  'lost-message': 'lost',
} as const;

/** A start of a move, at its time; the second says whether only if armed. */
export interface Start {
  readonly at: number;
  readonly move: number;
  readonly ifArmed: boolean;
}

export const startsAsHappenings = (starts: readonly Start[]): Happening[] =>
  starts.map((s) => ({ at: s.at, what: 'start', of: s.move, how: s.ifArmed ? 1 : 0 }));

/** When each output is closed by the plan in a run without faults, rising. */
export function closuresOf(scene: Scene, starts: readonly Start[], end: number): { line: number; at: number }[] {
  const given = happeningsOf(startsAsHappenings(starts));
  const log = freshLog();
  runTo(worldOf(scene.world, given, log), end, given, log);
  const out: { line: number; at: number }[] = [];
  for (let i = 0; i < log.count; i++)
    if (log.kind[i] === LOGGED.contact && log.value[i] === 1) out.push({ line: log.index[i]!, at: log.at[i]! });
  return out;
}

/** Which closure of an output lies nearest to an instant. */
function nearest(closures: readonly number[], at: number): number | null {
  let [low, high] = [0, closures.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (closures[middle]! < at) low = middle + 1;
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
): Happening[] {
  const used = new Set<string>();
  const byLine = new Map<number, number[]>();
  for (const c of closures) byLine.set(c.line, [...(byLine.get(c.line) ?? []), c.at]);
  return faults.flatMap((f): Happening[] => {
    const at = f.atSeconds;
    const line = Math.max(
      0,
      scene.lines.findIndex((l) => l.press === f.of && !l.other),
    );
    const sense = f.of === '' ? 0 : scene.senses.findIndex((s) => s.id === f.of);
    const part = f.of === '' ? 0 : scene.parts.findIndex((p) => p.id === f.of);
    const hand = f.of === '' ? 0 : scene.hands.findIndex((h) => h.id === f.of || ownerOf(h.id) === f.of);
    const move = f.of === '' ? 0 : scene.moves.findIndex((m) => m.id === f.of);
    const one = (what: Happening['what'], of = 0, how = 0, when = at): Happening[] =>
      of < 0 ? [] : [{ at: when, what, of, how }];
    switch (f.kind) {
      case 'missed-press':
      case 'seen-twice': {
        const when = nearest(byLine.get(line) ?? [], at);
        const key = `${f.kind} ${line} ${when}`;
        if (when === null || used.has(key)) return [];
        used.add(key);
        return one(f.kind === 'missed-press' ? 'missed' : 'twice', line, 0, when);
      }
      case 'hand-press':
        return one(
          'thumb',
          scene.world.plan.channels.findIndex((c) => c.line === line),
          HAND_SECONDS,
        );
      case 'power-cut':
        return one('cut', 0, f.seconds);
      case 'plug-out':
      case 'controller-out':
        return one(f.kind, 0, f.seconds);
      case 'restart':
        return one('restart');
      case 'welded':
      case 'dirty':
        return one(f.kind, scene.lines.length > 0 ? line : -1);
      case 'stuck-sense':
      case 'reversed-sense':
      case 'moved-sense':
      case 'lost-message':
        return scene.senses.length > 0 ? one(ILLS[f.kind], sense) : [];
      case 'hand-moved': {
        const there = scene.hands[hand];
        if (!there) return [];
        const put = one('hand', hand, f.seconds || HAND_SECONDS);
        return there.latching && f.seconds > 0 ? [...put, ...one('let-go', hand, 0, at + f.seconds)] : put;
      }
      case 'nobody-came':
        return scene.hands.length > 0 ? one('nobody', hand) : [];
      case 'late-sense':
        return scene.senses.length > 0 ? one('late', sense, f.seconds) : [];
      case 'obstacle':
      case 'not-answered': {
        const event = part < 0 ? -1 : scene.tables[part]!.events.indexOf(f.kind === 'obstacle' ? 'obstacle' : NOBODY);
        return event < 0 ? [] : one('meets', part, event);
      }
      case 'wrong-moment':
        return scene.moves.length > 0 ? one('start', move) : [];
    }
  });
}
