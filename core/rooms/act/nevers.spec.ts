import { describe, expect, it } from 'vitest';
import { edited, freshNever, NEVER_KINDS, sayNever, type Job, type Never, type NeverKind } from '../../ground/job';
import { changed, demoJob, findingOf, scripted } from '../../testing/jobs';

const pot = demoJob('rice-pot');
const never = (kind: NeverKind, set: Partial<Never> = {}): Never => ({ ...freshNever('n', kind), ...set });
const judge = (n: Never, job: Job = pot) =>
  findingOf(edited(job, { do: 'put', list: 'wish.nevers', item: n }, '2026-03-02T14:00:00Z'), 'act.never.n');

describe('“never”, as conditions', () => {
  it('is not whole while something is not said', () => {
    for (const kind of NEVER_KINDS.filter((k) => k !== 'starts-per-arming'))
      expect(judge(never(kind)), kind).toMatchObject({
        verdict: 'unknown',
        title: expect.stringContaining('is not said'),
      });
  });

  it('of a state is held against the run without faults; one that names no state is held against none', () => {
    expect(judge(never('lasts-longer', { state: 'hot', seconds: 3600 }))).toMatchObject({
      verdict: 'unknown',
      title: expect.stringMatching(/no run is held against this yet, no state of the machine is called “hot”/),
    });
    // It runs for 1500 s: a run, and a run and a little less.
    expect(judge(never('lasts-longer', { state: 'running', seconds: 1501 }))).toMatchObject({
      verdict: 'tight',
      title: expect.stringContaining('kept while nothing goes wrong'),
    });
    expect(judge(never('lasts-longer', { state: 'running', seconds: 1499 }))).toMatchObject({
      verdict: 'stop',
      caption: 'broken without a fault',
    });
  });

  // The one-shot of a press of 180 ms ends it within 360 ms, whatever the controller does; without it only the program does.
  it('of a press is held by a one-shot, by the program alone, or by nothing', () => {
    const long = never('output-longer', { press: 'start', seconds: 1 });
    expect(judge(long).verdict).toBe('settled');
    expect(judge(long, changed(pot, 'guard', { cutOff: 'none' })).verdict).toBe('tight');
    expect(judge({ ...long, seconds: 0.1 }).verdict).toBe('stop');
    expect(judge(long, scripted(pot, [{ do: 'press', seconds: 5 }])).verdict).toBe('stop');
  });

  it('of two presses at once is tight by program alone, and no condition of one press', () => {
    const larder = demoJob('larder-dehumidifier');
    expect(judge(never('both-at-once', { press: 'power', otherPress: 'dryness' }), larder).verdict).toBe('tight');
    expect(judge(never('both-at-once', { press: 'power', otherPress: 'power' }), larder).verdict).toBe('stop');
  });

  // One horn, one winding, an interlock and two contacts side by side: what drives it decides, not how the words are put.
  it('of both ways of one press is held by what drives it', () => {
    const shutter = demoJob('hatch-shutter');
    const press = shutter.presses[0]!;
    const both = never('both-at-once', { press: press.id, otherPress: press.id });
    const driven = (way: 'reverse-motor' | 'control-box', boxWiring: 'box-interlocked' | 'box-plain'): Job => ({
      ...shutter,
      presses: shutter.presses.map((p) => (p.id === press.id ? { ...p, way, motor: { ...p.motor, boxWiring } } : p)),
    });
    expect(judge(both, driven('reverse-motor', 'box-plain'))).toMatchObject({
      verdict: 'settled',
      title: expect.stringContaining('one winding'),
    });
    expect(judge(both, driven('control-box', 'box-interlocked')).title).toContain('cannot bring it about');
    const plain = judge(both, driven('control-box', 'box-plain'));
    expect(plain.verdict).toBe('tight');
    expect(plain.remedy?.edit).toBeDefined();
    const mended = edited(driven('control-box', 'box-plain'), plain.remedy!.edit!, '2026-03-02T14:00:00Z');
    expect(judge(both, mended).remedy).toBeNull();
  });

  it('is said in words, with gaps where something is missing', () => {
    expect(sayNever(pot, never('no-warning', { state: 'closing', seconds: 3 }))).toBe(
      '“closing” without 3 s of warning before it',
    );
    expect(sayNever(pot, never('starts-per-arming', { count: 2 }))).toBe('more than 2 starts for one arming');
    expect(sayNever(pot, never('state-while'))).toBe('“…” while “…”');
    expect(sayNever(pot, never('lasts-longer', { state: 'open', seconds: 90 }))).toBe(
      '“open” for longer than 1 min 30 s',
    );
  });
});
