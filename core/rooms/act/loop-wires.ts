import type { LoopWire, MachineTable } from '../../engines/world';
import { isSaid, type Job, type Loop, type MachinePart, type Sense } from '../../ground/job';
import { itemAt } from '../../ground/lists';
import { restKeys } from './machine';

/** Number of the part that a loop warms or cools by; −1 where it is not known. */
const partOf = (l: Loop, parts: readonly Pick<MachinePart, 'id'>[]): number =>
  l.part ? parts.findIndex((p) => p.id === l.part) : Math.min(0, parts.length - 1);

/** The loop whose thermometer a sense is, where a run can follow it; undefined for any other sense. */
export const loopOf = (job: Job, s: Sense, parts: readonly Pick<MachinePart, 'id'>[]): Loop | undefined =>
  s.kind === 'temperature' && s.limit !== null && s.limit.over > s.limit.under
    ? job.routine.loops.find((l) => l.sense === s.id && isSaid(l) && partOf(l, parts) >= 0)
    : undefined;

/** Every loop that a run can follow, as the world has it: one thermometer is that of one loop. */
export function loopsIn(
  job: Job,
  parts: readonly MachinePart[],
  tables: readonly MachineTable[],
): { readonly loop: Loop; readonly wire: LoopWire }[] {
  return job.senses.flatMap((s, sense): { loop: Loop; wire: LoopWire }[] => {
    const loop = loopOf(job, s, parts);
    if (!loop || !isSaid(loop) || s.limit === null) return [];
    const part = partOf(loop, parts);
    const table = itemAt(tables, part);
    const { placed } = restKeys(table);
    return [
      {
        loop,
        wire: {
          sense,
          part,
          works: table.states.filter((x) => x.role !== 'dark' && !placed.includes(x.key)).map((x) => x.key),
          kelvin: loop.way === 'warms' ? loop.kelvin : -loop.kelvin,
          tau: loop.tauSeconds,
          dead: loop.deadSeconds,
          around: loop.around,
          over: s.limit.over,
          under: s.limit.under,
          saysOver: s.closedThen,
          ...(loop.cutsOffAt === null || loop.way === 'cools'
            ? {}
            : { cutOff: { at: loop.cutsOffAt, back: loop.backAt ?? -Infinity } }),
        },
      },
    ];
  });
}
