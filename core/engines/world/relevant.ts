import { itemAt } from '../../ground/lists';
import type { Clue, Disturbance, WorldEventKind, WorldPlan } from './plan';

/** What a condition can hang on beside the controller itself: parts, senses, and outputs that are watched as such. */
interface Reach {
  readonly parts: ReadonlySet<number>;
  readonly senses: ReadonlySet<number>;
  readonly lines: ReadonlySet<number>;
}

const cluesOf = (plan: WorldPlan): readonly Clue[] =>
  plan.monitors.flatMap((m): readonly Clue[] => {
    if (m.kind === 'starts') return [];
    // A loop hangs on its part, and by its rules on its sense.
    if (m.kind === 'heat') {
      const { part, sense } = itemAt(plan.loops ?? [], m.loop);
      return [
        { of: 'part', part, keys: [] },
        { of: 'sense', sense },
      ];
    }
    return m.kind === 'unwarned' ? [{ of: 'part', part: m.part, keys: [] }] : m.clues;
  });

/** Senses that rules and limits look at. */
const sensesOfRules = ({ routine }: WorldPlan): readonly number[] =>
  routine
    ? [
        ...routine.rules.flatMap(({ edge, ifs }) => [
          ...(edge.of === 'sense' ? [edge.sense] : []),
          ...ifs.flatMap((x) => (x.of === 'sense' ? [x.index] : [])),
        ]),
        ...routine.mayStart.map((m) => m.fresh),
      ].filter((sense) => sense >= 0)
    : [];

/** Everything that may bear on a condition: the controller always, the senses that its moves read, and the parts that those tell of. */
function reachOf(plan: WorldPlan): Reach {
  const clues = cluesOf(plan);
  const senses = new Set([
    ...clues.flatMap((c) => (c.of === 'sense' ? [c.sense] : [])),
    ...plan.moves.flatMap((m) => m.flatMap((op) => (op.sense >= 0 ? [op.sense] : []))),
    ...sensesOfRules(plan),
  ]);
  const parts = new Set([
    ...clues.flatMap((c) => (c.of === 'part' ? [c.part] : [])),
    ...[...senses].flatMap((s) => (itemAt(plan.senses, s).part >= 0 ? [itemAt(plan.senses, s).part] : [])),
  ]);
  return { parts, senses, lines: new Set(clues.flatMap((c) => (c.of === 'line' ? [c.line] : []))) };
}

/**
 * The disturbances that can bear on any condition of a world. The others change what no condition looks at, and no move reads: a story
 * with them breaks what the same story without them breaks.
 */
export function relevantOnes(plan: WorldPlan, disturbances: readonly Disturbance[]): Disturbance[] {
  const { parts, senses, lines } = reachOf(plan);
  const reaches = (line: number): boolean => plan.channels.some((c) => c.line === line && parts.has(c.part));
  /** Whether it bears on a condition, by what it befalls. */
  const bears: Readonly<Record<Befalls, (of: number) => boolean>> = {
    press: reaches,
    contact: (of) => reaches(of) || lines.has(of),
    channel: (of) => parts.has(itemAt(plan.channels, of).part),
    part: (of) => parts.has(of),
    machine: () => parts.size > 0,
    sense: (of) => senses.has(of),
    all: () => true,
  };
  return disturbances.filter(({ what, of }) => bears[BEFALLS[what] ?? 'all'](of));
}

type Befalls = 'press' | 'contact' | 'channel' | 'part' | 'machine' | 'sense' | 'all';
/** What each kind of event befalls; what is not named here bears on everything. */
const BEFALLS: Readonly<Partial<Record<WorldEventKind, Befalls>>> = {
  missed: 'press',
  misses: 'press',
  twice: 'press',
  welded: 'contact',
  dirty: 'contact',
  thumb: 'channel',
  meets: 'part',
  'plug-out': 'machine',
  stuck: 'sense',
  reversed: 'sense',
  late: 'sense',
  moved: 'sense',
  lost: 'sense',
  dips: 'sense',
  silent: 'sense',
  reads: 'sense',
  'cut-fails': 'sense',
  'end-fails': 'contact',
  well: 'sense',
};
