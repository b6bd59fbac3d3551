import { edited, freshJob, type Job, type JobEdit } from '../ground/job';

const NOW = '2026-03-02T14:05:00Z';
const with_ = (...edits: JobEdit[]): Job =>
  edits.reduce((job, e) => edited(job, e, NOW), freshJob({ title: 'Rice pot' }, 'j1', NOW));
const control = (name: string): JobEdit => ({ do: 'add-control', id: `control-${name}`, name });
export const one = with_(control('start'));
export const two = with_(control('start'), control('stop'));
export const strip = with_(control('start'), {
  do: 'put',
  list: 'survey.strips',
  item: { id: 'strip-back', name: 'back', wires: ['red', 'white', 'green', 'black', '', ''] },
});
