import type { DriveFact } from '../../../ground/facts';
import { concerning, type Finding } from '../../../ground/finding';
import type { Job, Sense } from '../../../ground/job';
import { isInside, SENSES } from '../../../build/lines';
import { coilFindings } from './coil';
import { heardFindings } from './heard';
import { leadFindings } from './lead';
import { tapLevelFindings } from './levels';
import { loadingFindings } from './loading';
import { magnetFindings } from './magnet';
import { natureFindings, ofMachine } from './nature';
import { thermometerFindings } from './thermometer';

export { putSense } from './edits';

/** How what a sense reads comes to its pin: what comes in, its joint, its lead, its place. */
export function tapFindings(job: Job, drive: DriveFact | null): Finding[] {
  return job.senses
    .filter((s) => !drive || !isInside(job, drive.module, s.id))
    .flatMap((s) => concerning({ owner: s.id }, ofSense(s, drive)));
}

/** Whether it is read as a number: any level of it goes, high or low. */
const analogue = ({ kind }: Sense): boolean => SENSES[kind].sort === 'analogue';

function ofSense(sense: Sense, drive: DriveFact | null): Finding[] {
  const nature = analogue(sense) ? [] : natureFindings(sense);
  // A joint that does not fit what was read has no levels worth telling.
  const fits = nature.every((f) => f.verdict !== 'stop');
  return [
    ...nature,
    ...magnetFindings(sense),
    ...thermometerFindings(sense, drive),
    ...(drive
      ? [
          ...(fits && !analogue(sense)
            ? [...tapLevelFindings(sense, drive, ofMachine(sense)), ...heardFindings(sense, drive)]
            : []),
          ...loadingFindings(sense, drive),
          ...coilFindings(sense, drive),
          ...leadFindings(sense, drive),
        ]
      : []),
  ];
}
