import { finding, type Finding } from '../finding';
import type { Job } from '../job';

/** What Pack judges: whether anything beyond the job file can leave yet. */
export function packFindings(job: Job, wayChosen: boolean, signedOff: boolean): Finding[] {
  const missing = [wayChosen ? '' : 'wiring, parts (choose a way in Thumb)', job.board.pressPin === null ? 'firmware (choose a pin in Board)' : '', job.act.script.length === 0 ? 'a press script (Act)' : ''].filter(Boolean);
  if (missing.length > 0) return [finding('pack', 'files', { verdict: 'unknown', title: `Not in the pack yet: ${missing.join('; ')}`, caption: missing.length === 3 ? 'nothing to pack' : 'not complete yet' })];
  return [finding('pack', 'files', signedOff
    ? { verdict: 'settled', title: 'Everything can leave: job, wiring, parts, firmware, test sheet, log', caption: 'ready to leave' }
    : { verdict: 'tight', title: 'Files are complete, but the test sheet is not signed off', caption: 'not signed off yet', remedy: { text: 'Finish Try, so that the sheet leaves with its results.' } })];
}
