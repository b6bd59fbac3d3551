import { loadJob } from '../ground/job';
import { answered } from './answer';
import type { RowBead } from './thread';

/** The beads of one version of a job, worked out before anybody asks. */
export interface DemoRow {
  readonly id: string;
  readonly touchedAt: string;
  readonly thread: readonly RowBead[];
}

/**
 * The rows of jobs as their files have them: the same program gives the same of the same file, so a shelf need not work them out again.
 * @param texts job files.
 * @throws where one is no job.
 */
export const demoRows = (texts: readonly string[]): DemoRow[] =>
  texts.map((text) => {
    const loaded = loadJob(text);
    if (!loaded.ok) throw new Error(`${loaded.problem.what} ${loaded.problem.where}`);
    const { job } = loaded;
    const row = answered({ job, skip: {}, studies: [], asked: [], of: 'row' });
    return { id: job.id, touchedAt: job.touchedAt, thread: row.of === 'row' ? row.beads : [] };
  });
