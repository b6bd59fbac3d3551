import type { Job } from '../core/ground/job';
import { partsTold, whichSense } from '../core/house/which-sense';
import { Unusable } from './unusable';

/** What the senses of a job leave confused, and what every set of up to three more would. */
export function sensesVerb(job: Job): unknown {
  const parts = partsTold(job).flatMap((p) => whichSense(job, p.id) ?? []);
  if (parts.length === 0)
    throw new Unusable('no part of the machine is told: say in Act what a press does to it, and how long it runs');
  return parts.map(({ part, sets }) => ({
    part: part.name,
    sets: sets.map((s) => ({
      added: s.added.map((x) => ({ name: x.name, kind: x.kind, tells: x.tells })),
      pins: s.pins,
      pairsAlike: s.pairs,
      alike: s.alike,
      alikeForAWhile: s.forNow,
    })),
  }));
}
