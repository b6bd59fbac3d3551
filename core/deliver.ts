import type { Assessment } from './assess';
import { netlistOf } from './circuit';
import { drawWay } from './draw';
import { needsProveDead } from './guard';
import type { Job } from './job';
import { packFiles, type PackFile } from './pack';
import { billOf } from './parts';
import { chosenWay, wayContext } from './thumb';
import { progressOf, testSheet } from './try';
import { jointOf } from './ways';

/** Every file that Pack can write for a job now. */
export function filesOf(job: Job, a: Assessment): PackFile[] {
  const way = chosenWay(job, a.ways);
  const context = wayContext(job, a.facts);
  const joint = way && context ? jointOf(context, way) : null;
  const sheet = progressOf(job, testSheet(job, needsProveDead(job))).map((p) => ({ ...p.step, done: p.done, state: p.state }));
  return packFiles({
    job, findings: a.findings, sheet,
    joint: way && { sheet: drawWay(job, a, way), wires: way.wires, bill: billOf(way.parts, job.thumb.stock, job.thumb.machines), netlist: joint && netlistOf(joint, true) },
  });
}
