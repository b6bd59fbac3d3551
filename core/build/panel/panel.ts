import type { DriveFact } from '../../ground/facts';
import { concerning, type Finding } from '../../ground/finding';
import type { Job } from '../../ground/job';
import { handThing } from './hand';
import { senseThing } from './sense';
import { signThing } from './sign';
import type { PanelDevice } from './thing';

/** What stands at the controller beside the presses: senses, hands and signs, in the order of the wire table. */
export const panelOf = (job: Job, drive: DriveFact): readonly PanelDevice[] => [
  ...job.senses.map((s) => senseThing(s, drive)),
  ...job.hands.map((h) => handThing(job, h)),
  ...job.signs.map((s) => signThing(s, drive)),
];

/** What is judged of senses, hands and signs. */
export const panelFindings = (job: Job, drive: DriveFact | null): readonly Finding[] =>
  drive
    ? [
        ...job.senses.map((s) => senseThing(s, drive)),
        ...job.hands.map((h) => handThing(job, h)),
        ...job.signs.map((s) => signThing(s, drive)),
      ].flatMap((t) => concerning({ owner: t.id }, t.findings))
    : [];
