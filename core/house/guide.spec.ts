import { describe, expect, it } from 'vitest';
import { assess } from './assess';
import { guideFor } from './guide';
import { freshJob, type Job } from '../ground/job';
import { demoJob } from '../testing/jobs';
import { threadOf } from './thread';

const step = (job: Job) => guideFor(job, threadOf(assess(job).findings));

describe('the guide of a first job', () => {
  it('begins with the wish, and asks for the control once hazards are looked through', () => {
    const job = freshJob({ title: 'Pot' }, 'j', '2026-03-02T14:05:00Z');
    expect(step(job)).toMatchObject({ room: 'wish' });
    job.wish.hazardsReviewed = true;
    expect(step(job)).toMatchObject({ room: 'probe', now: expect.stringContaining('name the control') });
  });

  it('ends with the papers where everything is done', () => {
    expect(step(demoJob('rice-pot'))).toMatchObject({ room: 'pack' });
  });

  it('goes back to what was undone', () => {
    const job = demoJob('rice-pot');
    expect(step({ ...job, board: { ...job.board, pins: [] } })).toMatchObject({ room: 'board' });
    expect(step({ ...job, presses: job.presses.map((p) => ({ ...p, way: null })) })).toMatchObject({ room: 'thumb' });
  });
});
