import { intAt, itemAt } from '../../ground/lists';
import { finding, type Finding } from '../../ground/finding';
import { pressedBy, type Job, type Move } from '../../ground/job';
import { compileWorld, freshLog, happeningsOf, LOGGED, runTo, worldOf, type MachineTable } from '../../engines/world';
import { goalKeys } from './policies';
import { laneSeconds } from './runs';
import { sceneOf, type Scene } from './scene';
import { STOPPED } from './sense-wire';

/** What a move comes to from a state in which the machine may stand: the state at the end, and whether it was ever where it should be. */
interface From {
  readonly part: number;
  readonly key: string;
  readonly ends: string;
  readonly reaches: boolean;
  /** It calls for help although nothing goes wrong. */
  readonly calls: boolean;
}

/** Where along its way a part stands in a state that lasts. */
function placeIn(table: MachineTable, key: string): number {
  if (table.states.some((s) => s.speed > 0 && s.atEnd === key)) return 1;
  return table.states.some((s) => s.speed < 0 && s.atEnd === key) || !table.states.some((s) => s.speed !== 0) ? 0 : 0.5;
}

/** A move without faults from every state that lasts, of one part. */
function fromEach(job: Job, scene: Scene, move: number, part: number, goal: readonly string[]): From[] {
  const table = itemAt(scene.tables, part);
  const end = laneSeconds(job, move);
  const given = happeningsOf([{ at: 0, what: 'start', of: move, how: 0 }]);
  const lasting = table.states.filter((s) => s.role !== 'dark' && s.after === null && s.atEnd === null);
  return lasting.map(({ key }) => {
    const { plan } = scene.world;
    const parts = plan.parts.map((p, i) =>
      i === part ? { ...p, table: { ...table, start: key, startAt: placeIn(table, key) } } : p,
    );
    const w = compileWorld({ ...plan, parts });
    const log = freshLog();
    const state = worldOf(w, given, log);
    runTo(state, end, given, log);
    let reaches = goal.includes(key);
    let calls = false;
    for (let i = 0; i < log.count; i++) {
      if (log.kind[i] === LOGGED.call) calls = true;
      if (log.kind[i] === LOGGED.part && log.index[i] === part && goal.includes(itemAt(w.keys, intAt(log.value, i))))
        reaches = true;
    }
    return { part, key, ends: itemAt(w.keys, intAt(state.part, part)), reaches, calls };
  });
}

/** The parts of the machine that the presses of a move reach. */
function pressedParts(scene: Scene, move: number): readonly number[] {
  const { channels, moves } = scene.world.plan;
  const lines = new Set(itemAt(moves, move).flatMap((op) => op.lines));
  return scene.parts.flatMap((_, part) => (channels.some((c) => c.part === part && lines.has(c.line)) ? [part] : []));
}

/**
 * Whether each move comes to what it is for with the parts that it presses, from wherever they may stand; a move for something else is not
 * asked.
 */
export function purposeFindings(job: Job): Finding[] {
  const scene = sceneOf(job);
  if (!scene) return [];
  return job.act.moves.flatMap((m, move): Finding[] => {
    if (m.purpose === 'other' || !m.steps.some((s) => pressedBy(s).length > 0)) return [];
    const parts = pressedParts(scene, move);
    if (parts.length === 0) return [reachesNothing(m, move)];
    const all = parts.flatMap((part) => {
      const goal = goalKeys(itemAt(scene.parts, part), m.purpose, scene);
      return goal.length === 0
        ? []
        : fromEach(job, scene, move, part, goal).map((f) => ({ ...f, meets: meets(scene, m, f, goal) }));
    });
    return all.length === 0 ? [] : [said(job, scene, m, move, all)];
  });
}

/** What runs for a while has come to its purpose once it ran; what should stand somewhere, or travels, must stand there in the end. */
function meets(scene: Scene, m: Move, f: From, goal: readonly string[]): boolean {
  if (f.calls) return false;
  if (m.purpose !== 'start') return goal.includes(f.ends);
  const ends = itemAt(scene.tables, f.part).states.find((s) => s.key === f.ends);
  const switchedOff = goal.includes(f.key) && !goal.includes(f.ends);
  // Left half-way it was moved and not brought anywhere.
  return f.reaches && !switchedOff && !(f.ends !== f.key && STOPPED.includes(ends?.role));
}

const idOf = (m: Move, move: number): string => (move === 0 ? 'purpose' : `purpose.${m.id}`);

const reachesNothing = (m: Move, move: number): Finding =>
  finding('act', idOf(m, move), {
    verdict: 'unknown',
    title: `“${m.name}” is to ${m.purpose} it, and no part of the machine that is told obeys what it presses`,
    caption: 'reaches no part',
    source: ['simulation'],
    remedy: { text: 'Say under “A press” which part obeys that press, or press another.' },
  });

function said(
  job: Job,
  scene: Scene,
  m: Move,
  move: number,
  all: readonly (From & { readonly meets: boolean })[],
): Finding {
  const id = idOf(m, move);
  const wrong = all.filter((f) => !f.meets);
  const several = scene.parts.length > 1;
  const nameOf = (f: From): string => (several ? `${itemAt(scene.parts, f.part).name} ` : '');
  if (wrong.length === 0) {
    const parts = [...new Set(all.map((f) => itemAt(scene.parts, f.part).name))];
    return finding('act', id, {
      verdict: 'settled',
      title: `“${m.name}” does it${several ? ` with ${parts.join(', ')}` : ''} from ${
        all.length === 1 ? 'its rest' : `each of ${all.length} states`
      }`,
      caption: 'comes to its purpose',
      source: ['simulation'],
    });
  }
  const door =
    wrong.some((f) => itemAt(scene.parts, f.part).kind === 'open-stop-close-stop') ||
    job.wish.hazards.includes('moving-door');
  const told = wrong
    .slice(0, 3)
    .map((f) =>
      f.calls ? `from ${nameOf(f)}“${f.key}” it calls for help` : `from ${nameOf(f)}“${f.key}” it comes to “${f.ends}”`,
    )
    .join(', ');
  return finding('act', id, {
    verdict: door ? 'stop' : 'tight',
    title: `“${m.name}” is to ${m.purpose} it, and ${told}`,
    caption: door ? 'the wrong way round' : 'not from everywhere',
    source: ['simulation'],
    remedy: {
      text: m.steps.some((s) => s.sense !== '')
        ? 'What it looks at does not tell these states apart: give it a sense at the very end that it is for.'
        : 'Let it look before it presses: a ready policy in Act does.',
    },
  });
}
