import { finding, type Finding } from '../ground/finding';
import type { Job } from '../ground/job';
import { formatQuantity } from '../ground/quantity';
import { sceneOf } from '../rooms/act';
import { OFF_KELVIN } from '../rooms/routine';
import { loopRuns, type LoopRun } from './loop-run';

/** What the runs of loops say beside what was worked out: the rules themselves may be what does not keep it. */
export const loopRunFindings = (job: Job): Finding[] =>
  sceneOf(job) === null ? [] : loopRuns(job).map((r) => runFinding(r));

const degrees = (x: number): string => formatQuantity(Number(x.toFixed(1)), '°C');

const says = (r: LoopRun, of: Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly todo: string }): Finding =>
  finding('routine', `loop.${r.loop.id}.run`, {
    verdict: of.verdict,
    title: `In a run of ${r.days} days ${of.title}`,
    caption: of.caption,
    source: ['simulation', 'first-order-room'],
    remedy: of.todo === '' ? null : { text: of.todo },
  });

/** A bound that the run breaks, in words; null where it keeps both. */
function broken({ loop: l, reached, lowest, highest }: LoopRun): Pick<Finding, 'title' | 'caption'> | null {
  if (l.highest !== null && highest + OFF_KELVIN > l.highest)
    return {
      title: `${l.name} comes to ${degrees(highest)}, and it may never be over ${degrees(l.highest)}`,
      caption: 'gets too warm',
    };
  return l.lowest !== null && reached && lowest - OFF_KELVIN < l.lowest
    ? {
        title: `${l.name} comes to ${degrees(lowest)}, and it may never be under ${degrees(l.lowest)}`,
        caption: 'gets too cold',
      }
    : null;
}

function runFinding(r: LoopRun): Finding {
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
  if (!reached)
    return says(r, {
      verdict: 'tight',
      title: `${l.name} does not come to where its work is to end`,
      caption: 'does not get there',
      todo: 'Look at its run: a rule, a window or a limit may end its work before.',
    });
  const often = formatQuantity(Number(cycles.toPrecision(3)), '1');
  return says(r, {
    verdict: l.recording === '' || l.deadSeconds === 0 ? 'tight' : 'settled',
    title: `${l.name} stays between ${degrees(lowest)} and ${degrees(highest)} and works ${often} times a day`,
    caption: 'loop in a run',
    todo: '',
  });
}
