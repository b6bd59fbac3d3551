import type { Reading, Strip } from '../../../ground/job';
import { levelsOf, NO_VOLTS, terminalNumber } from './pairs';
import { voltsStep, type StripStep } from './step';

/**
 * Volts from one terminal to every other; those that show nothing may float apart from it, so one of them becomes the next centre.
 * So n − 1 readings usually do for what n·(n − 1)/2 pairs would take.
 */
export function starStep(strip: Strip, readings: readonly Reading[]): StripStep | null {
  let group = strip.wires.map((_, i) => i + 1);
  for (let round = 0; group.length > 1 && round < strip.wires.length; round++) {
    const [centre, ...others] = group as [number, ...number[]];
    const floating: number[] = [];
    for (const t of others) {
      const read = (kind: Reading['kind']): Reading | undefined =>
        readings.find(
          (r) =>
            r.kind === kind &&
            r.state === 'idle' &&
            ((terminalNumber(r.from) === centre && terminalNumber(r.to) === t) ||
              (terminalNumber(r.from) === t && terminalNumber(r.to) === centre)),
        );
      const dc = read('volts-dc');
      if (!dc)
        return voltsStep(
          strip.name,
          centre,
          t,
          'volts-dc',
          `Volts of every pair come first; terminal ${centre} is the centre, the other pairs follow by difference.`,
        );
      if (Math.abs(dc.value) >= NO_VOLTS) continue;
      const ac = read('volts-ac');
      if (!ac) return voltsStep(strip.name, centre, t, 'volts-ac', 'No DC between them; an AC loop would show here.');
      if (ac.value < NO_VOLTS * 4) floating.push(t);
    }
    group = floating;
  }
  return null;
}

/**
 * A terminal that shows nothing against one may stand at its level and be no part of it, as a line that is pulled up does: it is read
 * against another level of each group as well. What shows nothing against two levels of a group floats apart from it.
 */
export function crossStep({ name, wires }: Strip, readings: readonly Reading[]): StripStep | null {
  const all = wires.map((_, i) => i + 1);
  const levels = levelsOf(wires.length, readings);
  const idle = readings.filter((r) => r.kind === 'volts-dc' && r.state === 'idle');
  const isRead = (a: number, b: number): boolean =>
    idle.some((r) => [a, b].every((t) => terminalNumber(r.from) === t || terminalNumber(r.to) === t));
  const groupOf = (t: number): number => levels.get(t)?.of ?? t;
  for (const first of new Set(all.map(groupOf))) {
    const group = all.filter((t) => groupOf(t) === first);
    if (group.length < 2) continue;
    for (const t of all.filter((x) => !group.includes(x))) {
      const read = group.filter((g) => isRead(g, t));
      const differs = (x: number, y: number): boolean =>
        Math.abs((levels.get(x)?.volts ?? 0) - (levels.get(y)?.volts ?? 0)) >= NO_VOLTS;
      const [nothing] = read;
      const other = group.find((g) => read.every((x) => differs(x, g)));
      if (nothing === undefined || other === undefined || read.some((x) => differs(x, nothing))) continue;
      const why = `Terminal ${t} shows nothing against ${nothing}: it may stand at its level, as a line that is pulled does.`;
      return voltsStep(name, other, t, 'volts-dc', why);
    }
  }
  return null;
}
