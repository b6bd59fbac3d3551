import { finding, type Finding } from '../../ground/finding';
import type { Job, MachinePart, WholeRun } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { RUNS } from './machine';

/** Two runs of one machine take within so much of each other the same time, as a share: common practice. */
const SAME_SHARE = 0.1;

/** A machine that is told no time, or another than it took when it was whole; told where it is one part and one timed run. */
export function asBoughtFindings(job: Job): Finding[] {
  const timed = job.wish.whole.filter((r) => r.seconds !== null);
  const [run, part] = [timed[0], job.act.parts[0]];
  if (timed.length !== 1 || job.act.parts.length !== 1 || !run || !part || !RUNS.includes(part.kind as never))
    return [];
  const seconds = run.seconds ?? 0;
  const told = part.runSeconds;
  if (seconds === 0 || (told !== null && Math.abs(told - seconds) <= SAME_SHARE * seconds)) return [];
  return [differs(part, run, seconds)];
}

const toldOf = ({ runSeconds }: MachinePart): string =>
  runSeconds === null ? 'is not told how long it takes' : `is told to take ${formatQuantity(runSeconds, 's')}`;

const differs = (part: MachinePart, run: WholeRun, seconds: number): Finding =>
  finding('act', 'as-bought', {
    verdict: part.runSeconds === null ? 'unknown' : 'tight',
    title: `${part.name} ${toldOf(part)}, and took ${formatQuantity(seconds, 's')} when it was whole (${run.what})`,
    caption: 'not as it was bought',
    source: ['maker'],
    remedy: {
      text: 'Time it once more; or take what it took when it was whole.',
      label: `Take ${formatQuantity(seconds, 's')}`,
      edit: {
        do: 'put',
        list: 'act.parts',
        item: { ...part, runSeconds: seconds },
        say: `${part.name} takes ${formatQuantity(seconds, 's')}, as it was bought`,
      },
    },
  });
