import { existsSync, readFileSync } from 'node:fs';
import {
  laneSeconds,
  planWay,
  policiesFor,
  runScene,
  sayPlanned,
  type PolicyKind,
  type Scene,
} from '../core/rooms/act';
import { triedAnswers } from '../core/house/tried-answers';
import { assess } from '../core/house/assess';
import { asQuantity } from '../core/ground/field';
import { FAULT_KINDS, faultFields, withSteps, edited, type Fault, type Job } from '../core/ground/job';
import { manyDays } from '../core/house/many-days';
import { handsIn } from '../core/build/panel';
import { wholeScene } from '../core/house/power-up-scene';
import { formatQuantity } from '../core/ground/quantity';
import { searchJob, searchOf } from '../core/house/stories';
import { WorldProblem } from '../core/engines/world';
import { Unusable } from './unusable';

/** No fault lies later or lasts longer, s. */
const LONGEST_SECONDS = asQuantity(faultFields.atSeconds).most;

const say = (s: number): string => formatQuantity(s, 's');

/** What cannot be run is no fault of this program: it is told with its step. */
function run<T>(f: () => T): T {
  try {
    return f();
  } catch (error) {
    if (error instanceof WorldProblem) throw new Unusable(`this cannot be run: ${error.message}`);
    throw error;
  }
}

function sceneIn(job: Job): Scene {
  const scene = run(() => wholeScene(job, assess(job)));
  if (!scene) throw new Unusable('this job does not know its machine yet: say in Act what a press does, and its times');
  return scene;
}

/** The number of a move by name or id; the first where none is named. */
function moveIn(job: Job, name: string | undefined): number {
  const at = name === undefined ? 0 : job.act.moves.findIndex((m) => m.name === name || m.id === name);
  if (at < 0 || !job.act.moves[at])
    throw new Unusable(
      `the job has no move ${name ?? '(name it with --move)'}; it has: ${job.act.moves.map((m) => m.name).join(', ') || 'none'}`,
    );
  return at;
}

/** A file of faults: each with kind and atSeconds, and where it matters seconds and of. */
function faultsIn(file: string | undefined, job: Job): readonly Fault[] {
  if (file === undefined) return job.act.faults;
  if (!existsSync(file)) throw new Unusable(`${file}: cannot be read`);
  let list: unknown;
  try {
    list = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    throw new Unusable(`${file}: is not complete JSON`);
  }
  if (!Array.isArray(list)) throw new Unusable(`${file}: wants a list of faults`);
  const owners = [job.presses, job.senses, job.act.parts, job.act.moves, job.hands, handsIn(job)];
  const ids = new Set(['', ...owners.flat().map((x) => x.id)]);
  return list.map((x: unknown, i): Fault => {
    const { kind, atSeconds, seconds = 0, of = '' } = (typeof x === 'object' && x !== null ? x : {}) as Partial<Fault>;
    const where = `${file}: fault ${i + 1}`;
    if (!FAULT_KINDS.includes(kind!)) throw new Unusable(`${where} has no kind; say one of ${FAULT_KINDS.join(', ')}`);
    const isTime = (x: unknown): boolean => typeof x === 'number' && x >= 0 && x <= LONGEST_SECONDS;
    if (!isTime(atSeconds) || !isTime(seconds))
      throw new Unusable(`${where} wants atSeconds and seconds from 0 to ${LONGEST_SECONDS}, a year`);
    if (!ids.has(of)) throw new Unusable(`${where} befalls ${of}, which the job has not`);
    return { id: `f${i + 1}`, kind: kind!, atSeconds: atSeconds!, seconds, of };
  });
}

/** One run of a move with faults: outputs, senses, parts, what was believed, calls, and conditions that were broken. */
export function runVerb(job: Job, move: string | undefined, faults: string | undefined): unknown {
  const at = moveIn(job, move);
  const list = faultsIn(faults, job);
  const last = Math.max(0, ...list.map((f) => f.atSeconds + f.seconds));
  const end = Math.max(laneSeconds(job, at), last + 60);
  return run(() => runScene(sceneIn(job), { starts: [{ at: 0, move: at, ifArmed: false }], faults: list, end }));
}

const POLICY_NAMES: readonly PolicyKind[] = ['blind', 'look-first', 'look-again', 'timed'];

/** Many days of a job, of a policy where one is named; the first move is the one that the routine begins unless it says another. */
export function daysVerb(
  job: Job,
  move: string | undefined,
  policy: string | undefined,
  days: number,
  seed: number,
): unknown {
  const at = moveIn(job, move);
  let planned = job;
  if (policy !== undefined) {
    if (!POLICY_NAMES.includes(policy as PolicyKind))
      throw new Unusable(`--policy wants one of ${POLICY_NAMES.join(', ')}`);
    const own = job.act.moves[at]!;
    const found = policiesFor(job, own).find((p) => p.kind === policy)!;
    if (found.lacks) throw new Unusable(`the policy ${policy} needs ${found.lacks}`);
    const first = { ...job, act: { ...job.act, moves: [own, ...job.act.moves.filter((m) => m !== own)] } };
    planned = edited(first, withSteps(first, found.steps, found.words), job.touchedAt);
  }
  const outcome = run(() => manyDays(planned, days, seed));
  if (!outcome)
    throw new Unusable('this job does not know its machine yet: say in Act what a press does, and its times');
  const { wrongByWeek: _weeks, ...told } = outcome;
  return { seed, move: job.act.moves[at]!.name, ...(policy === undefined ? {} : { policy }), ...told };
}

/** The shortest way from the states that are named, or from any, to another, in words and as data. */
export function planVerb(job: Job, from: string | undefined, to: string | undefined): unknown {
  const scene = sceneIn(job);
  const keys = scene.tables[0]!.states.filter((s) => s.role !== 'dark').map((s) => s.key);
  const named = (text: string, flag: string): string[] =>
    text.split(',').map((t) => {
      const key = keys.find((k) => k === t.trim());
      if (!key) throw new Unusable(`--${flag} names ${t.trim()}, and the states are: ${keys.join(', ')}`);
      return key;
    });
  if (to === undefined) throw new Unusable(`--to wants a state: ${keys.join(', ')}`);
  const { way, ended } = planWay(job, scene, 0, from === undefined ? keys : named(from, 'from'), named(to, 'to'));
  return {
    from: from === undefined ? keys : named(from, 'from'),
    to: named(to, 'to'),
    found: way !== null,
    ended,
    words: way || ended ? sayPlanned({ way, ended }, say) : [],
    steps: way?.steps ?? null,
  };
}

/** Every story with up to so many things going wrong, held against what must never happen. */
export function searchVerb(job: Job, most: number): unknown {
  const a = assess(job);
  const search = run(() => searchOf(job, a));
  if (!search) throw new Unusable('nothing can be searched before Act knows the machine and a move');
  const found = run(() => searchJob(search, most));
  const tried = run(() => triedAnswers(job, a, found.broken));
  return {
    most: found.most,
    stories: found.stories,
    states: found.states,
    whole: !found.stopped,
    broken: found.broken.map((b, i) => ({
      never: b.never.words,
      story: b.sentences,
      faults: b.faults,
      brokenAt: b.brokenAt,
      answers: (tried[i]?.cures ?? []).map((x) => x.words),
      triedInVain: tried[i]?.leave ?? 0,
    })),
    kept: found.kept.map((n) => n.words),
    notHeld: found.unheld.map((n) => ({ never: n.words, why: n.unheld })),
  };
}
