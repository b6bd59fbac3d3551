import { firstItem, intAt, itemAt, present } from '../../ground/lists';
import { finding, type Finding } from '../../ground/finding';
import { machineOf, type Job, type Move } from '../../ground/job';
import { compileWorld, freshLog, happeningsOf, LOGGED, runTo, worldOf, type MachineTable } from '../../engines/world';
import { goalKeys } from './policies';
import { laneSeconds } from './runs';
import { sceneOf, type Scene } from './scene';

/** What a move comes to from a state in which the machine may stand: the state at the end, and whether it was ever where it should be. */
interface From {
  readonly key: string;
  readonly ends: string;
  readonly reaches: boolean;
}

/** Where along its way a part stands in a state that lasts. */
function placeIn(table: MachineTable, key: string): number {
  if (table.states.some((s) => s.speed > 0 && s.atEnd === key)) return 1;
  return table.states.some((s) => s.speed < 0 && s.atEnd === key) || !table.states.some((s) => s.speed !== 0) ? 0 : 0.5;
}

/** A move without faults from every state that lasts, of the first part. */
function fromEach(job: Job, scene: Scene, move: number, goal: readonly string[]): From[] {
  const [table] = scene.tables;
  const end = laneSeconds(job, move);
  const given = happeningsOf([{ at: 0, what: 'start', of: move, how: 0 }]);
  return present(table)
    .states.filter((s) => s.role !== 'dark' && s.after === null && s.atEnd === null)
    .map(({ key }) => {
      const { plan } = scene.world;
      const first = {
        ...firstItem(plan.parts),
        table: { ...present(table), start: key, startAt: placeIn(present(table), key) },
      };
      const w = compileWorld({ ...plan, parts: [first, ...plan.parts.slice(1)] });
      const log = freshLog();
      const state = worldOf(w, given, log);
      runTo(state, end, given, log);
      let reaches = goal.includes(key);
      for (let i = 0; i < log.count; i++)
        if (log.kind[i] === LOGGED.part && log.index[i] === 0 && goal.includes(itemAt(w.keys, intAt(log.value, i))))
          reaches = true;
      return { key, ends: itemAt(w.keys, intAt(state.part, 0)), reaches };
    });
}

/** Whether each move comes to what it is for, from wherever the machine may stand; a move for something else is not asked. */
export function purposeFindings(job: Job): Finding[] {
  const scene = sceneOf(job);
  if (!scene) return [];
  return job.act.moves.flatMap((m, move): Finding[] => {
    if (m.purpose === 'other' || m.steps.length === 0) return [];
    const goal = goalKeys(firstItem(scene.parts), m.purpose, scene);
    if (goal.length === 0) return [];
    const all = fromEach(job, scene, move, goal);
    // What runs for a while has come to its purpose once it ran; what should stand somewhere must stand there in the end.
    const meets = (f: From): boolean =>
      m.purpose === 'start' ? f.reaches && !switchedOff(f, goal) : goal.includes(f.ends);
    const wrong = all.filter((f) => !meets(f));
    return [said(job, m, move, wrong, all.length)];
  });
}

/** It was where it should be and was taken out of it by the press. */
const switchedOff = (f: From, goal: readonly string[]): boolean => goal.includes(f.key) && !goal.includes(f.ends);

function said(job: Job, m: Move, move: number, wrong: readonly From[], of: number): Finding {
  const id = move === 0 ? 'purpose' : `purpose.${m.id}`;
  if (wrong.length === 0)
    return finding('act', id, {
      verdict: 'settled',
      title: `“${m.name}” does it from ${of === 1 ? 'its rest' : `each of ${of} states`}`,
      caption: 'comes to its purpose',
      source: ['simulation'],
    });
  const door = machineOf(job).kind === 'open-stop-close-stop' || job.wish.hazards.includes('moving-door');
  const told = wrong
    .slice(0, 3)
    .map((f) => `from “${f.key}” it comes to “${f.ends}”`)
    .join(', ');
  return finding('act', id, {
    verdict: door ? 'stop' : 'tight',
    title: `“${m.name}” is to ${m.purpose} it, and ${told}`,
    caption: door ? 'the wrong way round' : 'not from everywhere',
    source: ['simulation'],
    remedy: { text: 'Let it look before it presses: a ready policy in Act does.' },
  });
}
