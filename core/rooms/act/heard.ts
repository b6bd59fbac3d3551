import { firstItem } from '../../ground/lists';
import {
  closedTimes,
  lastsOf,
  pressedBy,
  pressedIn,
  sidesOf,
  type Job,
  type MachinePart,
  type ScriptStep,
} from '../../ground/job';
import { ROLES_OF } from './machine';

/** The press that a plain machine's run follows: the first that a move makes, else the first of the job. */
export const heardPress = (job: Job): string =>
  job.act.moves[0]?.steps.flatMap(pressedBy)[0] ?? job.presses[0]?.id ?? '';

/** Presses that reach a part: those that were named, or for the first part the first press that a move makes. */
export function heedsOf(job: Job, p: MachinePart): MachinePart['heeds'] {
  if (p.heeds.length > 0 || p.kind === 'unknown') return p.heeds;
  const press = heardPress(job);
  return press === '' || p.id !== job.act.parts[0]?.id
    ? []
    : [{ press, other: false, as: firstItem(ROLES_OF[p.kind]) }];
}

/** Presses that some move makes and that reach no part of the machine that is told, by name. */
export function unheard(job: Job): readonly string[] {
  const reach = new Set(job.act.parts.flatMap((p) => heedsOf(job, p).map((h) => `${h.press} ${h.other}`)));
  const others = job.act.moves.flatMap((m) => m.steps.flatMap(sidesOf).flatMap((s) => (s.other ? [s.press] : [])));
  return job.presses.flatMap((p) => [
    ...(pressedIn(job).includes(p.id) && !reach.has(`${p.id} false`) ? [p.name] : []),
    ...(others.includes(p.id) && !reach.has(`${p.id} true`) ? [`the other side of ${p.name}`] : []),
  ]);
}

/** The first move as that press's control meets it: presses of others are waits. */
export function heardScript(job: Job): readonly ScriptStep[] {
  const press = heardPress(job);
  const move = job.act.moves[0];
  if (!move) return [];
  const own = closedTimes(move).filter((c) => c.press === press && !c.other);
  const wait = (seconds: number): readonly ScriptStep[] =>
    seconds > 0 ? [{ do: 'wait', press: '', other: false, seconds }] : [];
  const ends = own.map((c, i) => [
    ...wait(c.from - (own[i - 1]?.to ?? 0)),
    { do: 'press' as const, press, other: false, seconds: c.to - c.from },
  ]);
  return [...ends.flat(), ...wait(lastsOf(move) - (own.at(-1)?.to ?? 0))];
}
