import type { Clue, Disturbance, WorldPlan } from './plan';

/** What a condition can hang on beside the controller itself: parts, senses, and outputs that are watched as such. */
interface Reach {
  readonly parts: ReadonlySet<number>;
  readonly senses: ReadonlySet<number>;
  readonly lines: ReadonlySet<number>;
}

const cluesOf = (plan: WorldPlan): readonly Clue[] =>
  plan.monitors.flatMap((m): readonly Clue[] => {
    if (m.kind === 'starts') return [];
    return m.kind === 'unwarned' ? [{ of: 'part', part: m.part, keys: [] }] : m.clues;
  });

/** Everything that may bear on a condition: the controller always, the senses that its moves read, and the parts that those tell of. */
function reachOf(plan: WorldPlan): Reach {
  const clues = cluesOf(plan);
  const senses = new Set([
    ...clues.flatMap((c) => (c.of === 'sense' ? [c.sense] : [])),
    ...plan.moves.flatMap((m) => m.flatMap((op) => (op.sense >= 0 ? [op.sense] : []))),
  ]);
  const parts = new Set([
    ...clues.flatMap((c) => (c.of === 'part' ? [c.part] : [])),
    ...[...senses].flatMap((s) => (plan.senses[s]!.part >= 0 ? [plan.senses[s]!.part] : [])),
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
  return disturbances.filter(({ what, of }) => {
    switch (what) {
      case 'missed':
      case 'misses':
      case 'twice':
        return reaches(of);
      case 'welded':
      case 'dirty':
        return reaches(of) || lines.has(of);
      case 'thumb':
        return parts.has(plan.channels[of]!.part);
      case 'meets':
        return parts.has(of);
      case 'plug-out':
        return parts.size > 0;
      case 'stuck':
      case 'reversed':
      case 'late':
      case 'moved':
      case 'lost':
      case 'well':
        return senses.has(of);
      default:
        return true;
    }
  });
}
