import { courseOfMove, type Job } from '../../ground/job';
import { RUNS } from './machine';
import { MOST_EVENTS } from '../../engines/world';
import { QUIET, sceneOf, type PowerUp } from './scene';
import { scriptSeconds } from './simulate';
import { runScene, type RunTrace } from './trace';

/** A condition that allows more than this is not waited for on the lanes, s. */
const MOST_HELD = 600;

/** The span that the lanes show: the move, the machine's own run and the pinned faults, with room after them. */
export function laneSeconds(job: Job, move = 0): number {
  const { faults, moves, parts } = job.act;
  const steps = moves[move] ? courseOfMove(moves[move]) : [];
  const run = Math.max(
    Math.min(10, Math.max(4, 2 * scriptSeconds(steps))),
    ...parts.map((p) => (RUNS.includes(p.kind as never) ? (p.runSeconds ?? 0) : 0)),
  );
  const lastFault = Math.max(0, ...faults.map((f) => f.atSeconds + f.seconds));
  // What must not last is seen to have lasted, where that is no matter of hours.
  const lasting = job.wish.nevers.map((n) => n.seconds).filter((s) => s <= MOST_HELD);
  const held = faults.length > 0 ? Math.max(0, ...lasting) + 1 : 0;
  return Math.max(scriptSeconds(steps), lastFault) + Math.max(run * 1.25 + 1, held);
}

/**
 * One run of a move, started at zero, with the faults pinned in Act; null while the machine is not known.
 * @param more seconds beyond what the lanes show. @param up what the pins do as the controller comes up.
 * @param most events that it may take. Throws RunEnded beyond them.
 */
export function oneRun(
  job: Job,
  faults = job.act.faults,
  move = 0,
  more = 0,
  up: PowerUp = QUIET,
  most = MOST_EVENTS,
): RunTrace | null {
  const scene = job.act.moves[move] ? sceneOf(job, up) : null;
  return (
    scene &&
    runScene(scene, { starts: [{ at: 0, move, ifArmed: false }], faults, end: laneSeconds(job, move) + more, most })
  );
}
