import { finding, type Finding } from '../ground/finding';
import { isSaid, type Job, type Loop } from '../ground/job';
import { formatQuantity } from '../ground/quantity';
import { WorldProblem } from '../engines/world';
import { degrees, OFF_KELVIN, roomEvidence } from '../rooms/routine';
import { LOOP_DAYS, loopRuns, type LoopRun } from './loop-run';

/** What the runs of loops say beside what was worked out: the rules themselves may be what does not keep it. */
export function loopRunFindings(job: Job): Finding[] {
  const said = job.routine.loops.filter(isSaid);
  if (said.length === 0) return [];
  try {
    const runs = loopRuns(job);
    return said.map((l) => {
      const run = runs.find((r) => r.loop.id === l.id);
      return run ? runFinding(job, run) : notRun(l, 'its thermometer, or what works for it, is not known well enough');
    });
  } catch (error) {
    // What cannot be run at all has a finding of its own in Act.
    if (!(error instanceof WorldProblem)) throw error;
    return said.map((l) => notRun(l, error.message));
  }
}

const notRun = (l: Loop, why: string): Finding =>
  finding('routine', `loop.${l.id}.run`, {
    verdict: 'unknown',
    title: `No run can follow ${l.name}: ${why}`,
    caption: 'loop not run',
    source: ['simulation'],
    remedy: { text: 'Say in Sense where its thermometer says so, and in Act what a press does to its part.' },
  });

const says = (r: LoopRun, of: Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly todo: string }): Finding =>
  finding('routine', `loop.${r.loop.id}.run`, {
    verdict: of.verdict,
    title: `In a run of ${Number(r.days.toPrecision(2))} days ${of.title}`,
    caption: of.caption,
    source: ['simulation', 'first-order-room'],
    remedy: of.todo === '' ? null : { text: of.todo },
  });

/** A bound that the run breaks, in words; null where it keeps both. */
function broken({ loop: l, lowest, highest }: LoopRun): Pick<Finding, 'title' | 'caption'> | null {
  if (l.highest !== null && highest + OFF_KELVIN > l.highest)
    return {
      title: `${l.name} comes to ${degrees(highest)}, and it may never be over ${degrees(l.highest)}`,
      caption: 'gets too warm',
    };
  return l.lowest !== null && lowest - OFF_KELVIN < l.lowest
    ? {
        title: `${l.name} comes to ${degrees(lowest)}, and it may never be under ${degrees(l.lowest)}`,
        caption: 'gets too cold',
      }
    : null;
}

function runFinding(job: Job, r: LoopRun): Finding {
  const { loop: l, works, reached, lowest, highest, cycles } = r;
  if (works.length === 0)
    return says(r, {
      verdict: 'unknown',
      title: `no rule makes ${l.name} work: nothing keeps it ${l.way === 'warms' ? 'warm' : 'cold'}`,
      caption: 'no rule for the loop',
      todo: 'Give its thermometer two rules: one that begins its work, one that ends it; or one whose move presses until it says so.',
    });
  const bound = broken(r);
  if (bound)
    return says(r, {
      ...bound,
      verdict: 'stop',
      todo: 'Look at its run: rules that wait, windows and limits are in it as well as its room.',
    });
  if (r.days < LOOP_DAYS)
    return says(r, {
      verdict: 'unknown',
      title: `so much happens to ${l.name} that it was ended: what comes after is not known`,
      caption: 'run not whole',
      todo: 'Widen the band of its thermometer, or let work and rest last longer.',
    });
  if (!reached)
    return says(r, {
      verdict: 'tight',
      title: `${l.name} does not come to where its work is to end`,
      caption: 'does not get there',
      todo: 'Look at its run: a rule, a window or a limit may end its work before.',
    });
  const often = formatQuantity(Number(cycles.toPrecision(3)), '1');
  return says(r, {
    verdict: roomEvidence(job, l),
    title: `${l.name} stays between ${degrees(lowest)} and ${degrees(highest)} and works ${often} times a day`,
    caption: 'loop in a run',
    todo: '',
  });
}
