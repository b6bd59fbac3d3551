import { itemAt, present } from '../../ground/lists';
import { heardAfter } from '../../build/lines';
import { finding, type Finding } from '../../ground/finding';
import { stepOf, type Job, type MachinePart, type MoveStep } from '../../ground/job';
import type { TableState } from '../../engines/world';
import { heedsOf } from './heard';
import { NOBODY } from './events';
import { turnEvent } from './machine';
import { oneRun } from './runs';
import { sceneOf, type Scene } from './scene';

/** Between two presses of a sequence at least, s: common practice. */
const BETWEEN_SECONDS = 0.3;
/** What takes a time is given this much more than that, and a second: common practice. */
export const MORE = 1.25;

/** The sense, by its place, that says something else in a state than in the one that follows it; −1 where none does. */
const tellsApart = (scene: Scene, part: number, from: string, to: string): number =>
  scene.world.plan.senses.findIndex((w) => w.part === part && w.yes.includes(from) !== w.yes.includes(to));

/** Just after an ask begins nobody has come yet, s. */
const JUST_AFTER = 1e-3;

/**
 * What a machine asks of somebody, where the plan goes on without knowing whether they did it: the run is run again with nobody there,
 * and nothing calls for help.
 */
export function askedFindings(job: Job): Finding[] {
  const scene = sceneOf(job);
  const asked = scene?.tables.map(
    (t) => new Set(t.states.filter((s) => s.on[NOBODY.key] !== undefined).map((s) => s.word)),
  );
  if (!scene || !asked?.some((words) => words.size > 0)) return [];
  return present(oneRun(job, [])).parts.flatMap((trace, place): Finding[] => {
    const p = itemAt(scene.parts, place);
    const words = itemAt(asked, place);
    const waits = trace.machine.filter(({ word }) => words.has(word));
    const alone = waits.filter((s): boolean => {
      const fault = {
        id: 'alone',
        kind: 'not-answered',
        atSeconds: s.from + JUST_AFTER,
        seconds: 0,
        of: p.id,
      } as const;
      return present(oneRun(job, [fault])).calls.length === 0;
    });
    return [...new Set(alone.map((s) => s.word))].map((word) =>
      finding('act', `asked.${p.id}.${word}`, {
        verdict: 'tight',
        title: `${p.name} ${word}: with nobody there the plan presses on all the same, and calls nobody`,
        caption: 'answered blind',
        source: ['simulation'],
        remedy: {
          text: `Let a sense tell “${word}”, and wait in the move until it no longer says so, at most so long, and else call.`,
        },
      }),
    );
  });
}

/** Waits for a state to go over into the next one: until a sense tells that it did, else for longer than it takes. */
function waitFor(scene: Scene, part: number, from: TableState, to: string): MoveStep {
  const seconds = MORE * present(from.after).seconds + 1;
  const tells = tellsApart(scene, part, from.key, to);
  const sense = scene.senses[tells];
  const is = tells >= 0 && itemAt(scene.world.plan.senses, tells).yes.includes(to);
  return sense
    ? stepOf('until', {
        sense: sense.id,
        is,
        seconds: seconds + heardAfter(sense, is),
        orElse: 'call',
      })
    : stepOf('wait', { seconds });
}

/**
 * The presses of a machine that asks in turn, each once what stands before it is over. Nobody but a sense tells whether somebody came:
 * without one a wait is only as good as their word.
 * @param seconds length of each press.
 */
export function sequenceOf(job: Job, part: MachinePart, scene: Scene, seconds: number): MoveStep[] {
  const presses = heedsOf(job, part).filter((h) => h.as === 'press');
  const place = scene.parts.indexOf(part);
  const byKey = new Map(itemAt(scene.tables, place).states.map((s) => [s.key, s]));
  let at = byKey.get('at rest');
  return presses.flatMap((press, i): MoveStep[] => {
    const waits: MoveStep[] = [];
    at = byKey.get(at?.on[turnEvent(part.heeds, i)] ?? '');
    while (at?.after && at.role === 'asks') {
      waits.push(waitFor(scene, place, at, at.after.then));
      at = byKey.get(at.after.then);
    }
    const pause = Math.max(BETWEEN_SECONDS, MORE * (part.leastGapSeconds ?? 0));
    const last = i === presses.length - 1;
    return [
      stepOf('press', { press: press.press, other: press.other, seconds }),
      ...waits,
      ...(last || waits.length > 0 ? [] : [stepOf('wait', { seconds: pause })]),
    ];
  });
}
