import { benchJob } from './jobs';
import { readNoteLine } from '../ground/notes';
import { edited, type Job } from '../ground/job';
import { surveyOf } from '../rooms/probe';

export const T = (i: number): string => `2026-03-02T14:${String(i).padStart(2, '0')}:00Z`;
export const CONTROL = 'control-start';

export function jobWith(...lines: string[]): Job {
  let job = edited(benchJob(), { do: 'add-control', id: CONTROL, name: 'start' }, T(0));
  lines.forEach((line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: T(i + 1) });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    job = edited(job, u.edit, T(i + 1));
  });
  return job;
}
export const ISOLATED = [
  'ground to mains off >20M',
  'start A to mains off >20M',
  'start B to mains off >20M',
  'start A to earth on 0.3 VAC',
  'start A to earth plug-turned 0.3 VAC',
];
export const kindOf = (job: Job) => {
  const s = surveyOf(job, CONTROL);
  return { kind: s.candidates[0]!.kind, p: s.candidates[0]!.probability, s };
};
