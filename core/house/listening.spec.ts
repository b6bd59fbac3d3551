import { describe, expect, it } from 'vitest';
import { edited, freshSense, type Job, type JobEdit, type Room } from '../ground/job';
import { benchJob, changed, demoJob } from '../testing/jobs';
import { assess } from './assess';
import { filesOf } from './deliver';
import { guideFor } from './guide';
import { threadOf } from './thread';

const put = (job: Job, ...edits: JobEdit[]): Job =>
  edited(job, { do: 'several', edits, say: 'x' }, '2026-03-02T14:00:00Z');
const bead = (job: Job, room: Room) => threadOf(assess(job).findings).find((b) => b.room === room)!;
const verdictOf = (job: Job, id: string) => assess(job).findings.find((f) => f.id === id)?.verdict;
const listening = changed(benchJob(), 'wish', { role: 'listens', hazardsReviewed: true });
const beeping = put(listening, {
  do: 'put',
  list: 'senses',
  item: { ...freshSense('beep', 'its beep'), kind: 'beep', touches: 'own', tells: 'at-work' },
});

describe('a job that presses nothing', () => {
  it('waits in no room for a control or a press', () => {
    for (const room of ['probe', 'thumb', 'routine'] as const)
      expect(bead(beeping, room).verdict, room).toBe('settled');
    expect(
      assess(beeping).findings.some((f) => f.caption === 'waits for Probe' || f.caption === 'waits for Thumb'),
    ).toBe(false);
  });

  it('is asked for what is listened to, then for its pin, and no step of it is a press', () => {
    const guide = (job: Job) => guideFor(job, threadOf(assess(job).findings));
    expect(guide(listening)).toMatchObject({ room: 'sense' });
    expect(guide(beeping)).toMatchObject({ room: 'board' });
    expect(
      assess(beeping)
        .findings.filter((f) => f.room === 'try')
        .map((f) => f.id),
    ).toEqual(['try.prove-dead', 'try.restarts', 'try.sense@beep', 'try.told@beep', 'try.sign-off', 'try.sheet']);
  });

  it('packs a program that tells each change once its sense lies on a pin', () => {
    const placed = put(beeping, { do: 'put', list: 'board.pins', item: { line: 'beep', gpio: 13, fixed: false } });
    const c = filesOf(placed, assess(placed)).find((f) => f.name === 'gentle_thumb.c')!.text;
    expect(c).toContain('gt_changed(i, heard[i] == UNHEARD ? -1 : heard[i]);');
    expect(filesOf(beeping, assess(beeping)).some((f) => f.name === 'gentle_thumb.c')).toBe(true);
    expect(bead(listening, 'pack')).toMatchObject({ verdict: 'unknown' });
  });

  it('asks for isolation alone where two terminals are tapped, whatever they would be as a control', () => {
    const named = put(beeping, { do: 'add-control', id: 'c', name: 'beeper' });
    expect(verdictOf(named, 'probe.c.kind')).toBe('settled');
    expect(bead(named, 'probe').verdict).toBe('unknown');
    expect(
      verdictOf(
        put(named, { do: 'put', list: 'senses', item: { ...named.senses[0]!, touches: 'machine' } }),
        'guard.isolation.c',
      ),
    ).toBe('stop');
  });

  it('hangs behind a bought switch whose contact is held against the load all the same', () => {
    const washer = demoJob('glass-washer');
    expect(verdictOf(washer, 'guard.contact')).toBe('settled');
    expect(verdictOf(changed(washer, 'guard', { loadWatts: 4000 }), 'guard.contact')).toBe('stop');
    expect(verdictOf(washer, 'guard.module.held')).toBe('tight');
    // The switch is bought, and nothing is drawn.
    const files = filesOf(washer, assess(washer));
    expect(files.find((f) => f.name === 'parts.csv')?.text).toMatch(/^bought switch,/m);
    expect(files.some((f) => f.name === 'wiring.svg')).toBe(false);
  });
});
