import { describe, expect, it } from 'vitest';
import { edited, freshPress, type GuardRecord, type Job } from '../../ground/job';
import { assess } from '../../house/assess';
import { benchJob, changed, demoJob, machined, pressed, scripted } from '../../testing/jobs';

const NOW = '2026-03-02T14:00:00Z';
const verdicts = (job: Job) => new Map(assess(job).findings.map((f) => [f.id, f]));
/** Two valves of their own, each behind a relay. */
const valves = (guard: Partial<GuardRecord>): Job =>
  changed(
    edited(
      benchJob(),
      {
        do: 'several',
        edits: ['hot', 'cold'].map((id) => ({
          do: 'put' as const,
          list: 'presses' as const,
          item: { ...freshPress(id, id), way: 'relay-contact' as const },
        })),
        say: 'x',
      },
      NOW,
    ),
    'guard',
    guard,
  );
const OF = { kind: 'resistive', volts: 24, current: 'ac' } as const;
const ALL = { loadWatts: 100, loadKind: 'resistive', loadVolts: 24, loadCurrent: 'ac' } as const;
const ids = (job: Job): string[] =>
  [...verdicts(job).keys()].filter((id) => id.startsWith('guard.contact') && !id.includes('volts'));

describe('several contacts that carry loads', () => {
  it('are tight where one number was said for all, and settled once each has its own', () => {
    const one = valves(ALL);
    const [first, second] = ids(one);
    for (const id of [first!, second!])
      expect(verdicts(one).get(id), id).toMatchObject({ verdict: 'tight', caption: 'same load?' });
    const said = edited(one, verdicts(one).get(first!)!.remedy!.edit!, NOW);
    expect(verdicts(said).get(first!)!.verdict).toBe('settled');
    expect(verdicts(said).get(second!)!.verdict).toBe('tight');
  });

  it('are each held against their own load: 20 A behind one contact do not hide behind the other', () => {
    const two = valves({
      ...ALL,
      loads: [
        { press: 'hot', watts: 100, ...OF },
        { press: 'cold', watts: 480, ...OF },
      ],
    });
    const [hot, cold] = ids(two);
    expect(verdicts(two).get(hot!)!.verdict).toBe('settled');
    expect(verdicts(two).get(cold!)!.verdict).toBe('stop');
  });

  it('are dangerous one by one: a valve on mains beside one on 24 V', () => {
    const two = valves({ ...ALL, loads: [{ press: 'cold', watts: 10, kind: 'solenoid', volts: 230, current: 'ac' }] });
    const stops = assess(two).findings.filter((f) => f.caption === 'dangerous side');
    expect(stops.map((f) => f.about?.press)).toEqual(['cold']);
  });

  it('lose the load of a press that goes', () => {
    const two = valves({ ...ALL, loads: [{ press: 'cold', watts: 10, ...OF }] });
    expect(edited(two, { do: 'drop', list: 'presses', key: 'cold' }, NOW).guard.loads).toEqual([]);
  });
});

describe('an end of the machine’s own', () => {
  const pot = changed(
    scripted(pressed(demoJob('rice-pot'), { way: 'solid-state-relay' }), [{ do: 'press', seconds: 240 }]),
    'guard',
    { cutOff: 'own-end' },
  );
  const end = (job: Job) => verdicts(job).get('guard.press-end')!;
  const tried = (job: Job): Job => edited(job, end(job).remedy!.edit!, NOW);

  it('is unknown until it was tried with the program stopped, then as good as what Act was told of the machine', () => {
    expect(end(pot)).toMatchObject({ verdict: 'unknown', remedy: { label: 'It was tried' } });
    expect(end(tried(pot)).verdict).toBe('settled');
    expect(end(tried(machined(pot, { kind: 'unknown' }))).verdict).toBe('tight');
  });

  it('is a stop where Act says that the machine goes on for as long as it is pressed, whatever was tried', () => {
    const held = machined(pot, { kind: 'while-held' });
    expect(end(held).verdict).toBe('stop');
    expect(end(edited(held, { do: 'tick', step: 'press-hung-tried', title: 'x', on: true }, NOW)).verdict).toBe('stop');
  });
});
