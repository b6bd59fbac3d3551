import type { DriveFact } from '../../ground/facts';
import { concerning, type Finding } from '../../ground/finding';
import type { Job } from '../../ground/job';
import { isInside } from '../lines';
import { handThing } from './hand';
import { senseThing } from './sense';
import { signThing } from './sign';
import type { PanelDevice } from './thing';

/** A button or a lamp of a bought switch: it is wired and bought with it. */
const inside = (job: Job, drive: DriveFact, thing: PanelDevice): PanelDevice =>
  isInside(job, drive.module, thing.id)
    ? { ...thing, what: `${thing.what}, by the switch’s own`, wires: [], parts: [], findings: [] }
    : thing;

/** What stands at the controller beside the presses: senses, hands and signs, in the order of the wire table. */
export const panelOf = (job: Job, drive: DriveFact): readonly PanelDevice[] =>
  [
    ...job.senses.map((s) => senseThing(s, drive)),
    ...job.hands.map((h) => handThing(job, h)),
    ...job.signs.map((s) => signThing(s, drive)),
  ].map((thing) => inside(job, drive, thing));

/** What is judged of senses, hands and signs. */
export const panelFindings = (job: Job, drive: DriveFact | null): readonly Finding[] =>
  drive ? panelOf(job, drive).flatMap((t) => concerning({ owner: t.id }, t.findings)) : [];
