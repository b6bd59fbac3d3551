import { finding, type Finding } from '../finding';
import { sensesRead, stepOf, type Job, type MachinePart, type Step } from '../job';
import type { TableState } from '../world';
import { heedsOf } from './heard';
import { isAskKey, NOBODY, turnEvent } from './machine';
import { sceneOf, type Scene } from './scene';

/** Between two presses of a sequence at least, s: common practice. */
const BETWEEN_SECONDS = 0.3;
/** What takes a time is given this much more than that, and a second: common practice. */
const MORE = 1.25;

/** The sense, by its place, that says something else in a state than in the one that follows it; −1 where none does. */
const tellsApart = (scene: Scene, part: number, from: string, to: string): number =>
  scene.world.plan.senses.findIndex((w) => w.part === part && w.yes.includes(from) !== w.yes.includes(to));

/**
 * What a machine asks of somebody, where the plan presses on without knowing whether they did it: no sense tells, or no move reads the
 * one that does.
 */
export function askedFindings(job: Job): Finding[] {
  const scene = sceneOf(job);
  if (!scene || job.act.moves.length === 0) return [];
  const read = sensesRead(job);
  return scene.parts.flatMap((p, place): Finding[] => {
    if (p.kind !== 'in-turn') return [];
    const states = scene.tables[place]!.states.filter((s) => s.on[NOBODY] !== undefined && s.after);
    return states.flatMap((s): Finding[] => {
      const tells = scene.senses[tellsApart(scene, place, s.key, s.after!.then)];
      if (tells && read.includes(tells.id)) return [];
      return [
        finding('act', `asked.${p.id}.${s.key}`, {
          verdict: 'tight',
          title: `${p.name} ${s.word}: ${
            tells
              ? `${tells.name} tells whether somebody did it, and no move reads it`
              : 'nothing tells whether somebody did it'
          }, so the plan presses on all the same`,
          caption: 'answered blind',
          source: ['simulation'],
          remedy: {
            text: tells
              ? `Wait in the move until ${tells.name} says so, and call where it does not.`
              : `Add a sense in Sense that tells “${s.word}”, and wait in the move until it no longer says so.`,
          },
        }),
      ];
    });
  });
}

/** Waits for a state to go over into the next one: until a sense tells that it did, else for longer than it takes. */
function waitFor(scene: Scene, part: number, from: TableState, to: string): Step {
  const seconds = MORE * from.after!.seconds + 1;
  const tells = tellsApart(scene, part, from.key, to);
  const sense = scene.senses[tells];
  return sense
    ? stepOf('until', {
        sense: sense.id,
        is: scene.world.plan.senses[tells]!.yes.includes(to),
        seconds: seconds + sense.debounceSeconds,
        orElse: 'call',
      })
    : stepOf('wait', { seconds });
}

/**
 * The presses of a machine that asks in turn, each once what stands before it is over. Nobody but a sense tells whether somebody came:
 * without one a wait is only as good as their word.
 * @param seconds length of each press.
 */
export function sequenceOf(job: Job, part: MachinePart, scene: Scene, seconds: number): Step[] {
  const presses = heedsOf(job, part).filter((h) => h.as === 'press');
  const place = scene.parts.indexOf(part);
  const byKey = new Map(scene.tables[place]!.states.map((s) => [s.key, s]));
  let at = byKey.get('at rest');
  return presses.flatMap((press, i): Step[] => {
    const waits: Step[] = [];
    at = byKey.get(at?.on[turnEvent(part.heeds, i)] ?? '');
    while (at?.after && isAskKey(at.key)) {
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
