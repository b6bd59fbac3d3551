import { freshSense, type Job, type Sense } from '../../core/ground/job';
import { APART, edit, finished, onPin, put, said } from './situation';

/** A job that only listens to one sense of a machine that was read to be apart from mains. */
export const listens = (set: Partial<Sense>, pin = 13): Job => {
  const job = finished(said(APART));
  const bare: Job = {
    ...put(job, 'wish', { role: 'listens' }),
    presses: [],
    act: { ...job.act, moves: [] },
    routine: { ...job.routine, sentences: [] },
    board: { ...job.board, pins: [] },
  };
  return onPin(
    edit(bare, { do: 'put', list: 'senses', item: { ...freshSense('told', 'told'), tells: 'at-work', ...set } }),
    pin,
    'told',
  );
};
/** The same with its sense put otherwise. */
export const told = (job: Job, set: Partial<Sense>): Job =>
  edit(job, { do: 'put', list: 'senses', item: { ...job.senses[0]!, ...set } });
