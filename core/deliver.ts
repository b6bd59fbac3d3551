import type { Seen } from './assess';
import { netlistOf } from './circuit';
import { drawWay } from './draw';
import { needsProveDead } from './guard';
import type { Job } from './job';
import { lacksOf, packFiles, type PackFile, type PackInput } from './pack';
import { billOf } from './parts';
import { chosenWay, wayContext } from './thumb';
import { basisOf, progressOf, testSheet } from './try';
import { jointOf, type WayResult } from './ways';

/** What the press pin gives: a level unless the way asks for pulses, and of those the servo's two are known. */
function drivesOf(way: WayResult | null): PackInput['drives'] {
  if (!way || way.press.input === 'level') return 'level';
  return way.press.pulses;
}

/** Every file that Pack can write for a job now. */
export function filesOf(job: Job, a: Seen): PackFile[] {
  const way = chosenWay(job, a.ways);
  const context = wayContext(job, a.facts);
  const joint = way && context ? jointOf(context, way) : null;
  const basis = basisOf(job);
  const sheet = progressOf(job, testSheet(job, needsProveDead(job, a.facts))).map((p) => ({
    ...p.step,
    done: p.done,
    state: p.state,
    last: p.trials.findLast((t) => t.basis === basis) ?? null,
  }));
  return packFiles({
    job,
    findings: a.findings,
    sheet,
    drives: drivesOf(way),
    lacks: lacksOf(job, a.facts.press),
    pressesOn: a.facts.press?.pressesOn ?? 'high',
    joint: way && {
      sheet: drawWay(job, a, way),
      wires: way.wires,
      bill: billOf(way.parts, job.thumb.stock, job.thumb.machines),
      netlist: joint && netlistOf(joint, true),
    },
  });
}
