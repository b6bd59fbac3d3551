import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, freshMove, stepOf, type Job, type JobEdit, type MoveStep } from '../../ground/job';
import { demoJob, unmoved } from '../../testing/jobs';
import { supplyRun } from '.';

const flaps = unmoved(demoJob('steam-flaps'));

describe('what is pressed together', () => {
  it('draws together, and every move is a course of its own', () => {
    const known = assess(flaps).facts;
    const press = (press: string, ...also: string[]) => stepOf('press', { press, also, seconds: 0.5 });
    const move = (id: string, ...steps: MoveStep[]): JobEdit => ({
      do: 'put',
      list: 'act.moves',
      item: { ...freshMove(id, id), steps },
    });
    const bare = { ...flaps, act: { ...flaps.act, moves: [] } };
    const job = [
      move('one', press('flap-1'), stepOf('wait', { seconds: 60 }), press('flap-2')),
      move('both', press('flap-1', 'flap-2')),
    ].reduce<Job>((j, e) => edited(j, e, '2026-03-02T14:00:00Z'), bare);
    const { courses } = supplyRun(job, known);
    const most = (id: string): number =>
      Math.max(...courses.find((c) => c.id === id)!.instants.map((i) => i.active.length));
    // One more motor beside the first; the pins of both are one load of the controller.
    expect(most('move.both')).toBe(most('script') + 1);
    // What some move presses is no course by itself.
    expect(courses.some((c) => c.id === 'press.flap-1')).toBe(false);
  });
});
