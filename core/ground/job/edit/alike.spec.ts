import { describe, expect, it } from 'vitest';
import { assess } from '../../../house/assess';
import { gravest } from '../../finding';
import { demoJob, findingOf } from '../../../testing/jobs';
import { edited, likeOf, moreLike, onAllAlike, type Job, type JobEdit, type Reading } from '..';

const NOW = '2026-03-02T14:00:00Z';
const shutter = demoJob('hatch-shutter');
const control = shutter.controls[0]!.id;
const eight = edited(shutter, moreLike(shutter, control, 7, NOW), NOW);

describe('seven more like this one', () => {
  it('have its presses, ways, plans, parts and moves, each under a name of its own', () => {
    expect(eight.controls.map((c) => c.name)).toEqual(['motor', ...[2, 3, 4, 5, 6, 7, 8].map((n) => `motor ${n}`)]);
    expect(eight.presses).toHaveLength(8);
    expect(new Set(eight.presses.map((p) => p.way))).toEqual(new Set(['reverse-motor']));
    expect(new Set(eight.presses.map((p) => JSON.stringify(p.motor))).size).toBe(1);
    expect(eight.act.parts).toHaveLength(8);
    // “open” and “close” of each.
    expect(eight.act.moves).toHaveLength(16);
    for (const list of [eight.controls, eight.presses, eight.act.parts, eight.act.moves]) {
      expect(new Set(list.map((x) => x.id)).size).toBe(list.length);
      expect(new Set(list.map((x) => x.name)).size).toBe(list.length);
    }
    for (const c of eight.controls.slice(1)) expect(likeOf(eight, c.id)).toBe(control);
    // Each part obeys its own press, each move presses its own.
    expect(new Set(eight.act.parts.map((p) => p.heeds[0]!.press)).size).toBe(8);
    expect(new Set(eight.act.moves.map((m) => m.steps[0]!.press)).size).toBe(8);
    // One undo takes all of it back: it is one edit.
    expect(eight.log.length - shutter.log.length).toBe(1);
  });

  it('go on counting where the first has a number, and refuse more than a job holds', () => {
    const flaps = demoJob('steam-flaps');
    const last = flaps.controls.at(-1)!;
    const more = edited(flaps, moreLike(flaps, last.id, 1, NOW), NOW);
    expect(more.controls.at(-1)!.name).not.toBe(last.name);
    expect(() => moreLike(eight, control, 39, NOW)).toThrow(RangeError);
    expect(() => moreLike(eight, 'gone', 1, NOW)).toThrow(/no control gone/);
  });

  it('are tight until one value was read of each: nothing was read of them', () => {
    const pot = demoJob('rice-pot');
    const two = edited(pot, moreLike(pot, 'control-start', 1, NOW), NOW);
    const copy = two.controls[1]!.id;
    expect(findingOf(pot, 'probe.control-start.kind').verdict).toBe('settled');
    // Whether it is tied to mains nobody read of it, and the first one tells nothing of that.
    expect(assess(pot).facts.controls['control-start']!.isolation).toBe('isolated');
    expect(assess(two).facts.controls[copy]!.isolation).toBe('unknown');
    expect(findingOf(two, `probe.${copy}.kind`)).toMatchObject({
      verdict: 'tight',
      title: 'start 2 is taken to be like start; nothing was read of it',
    });
    const thumb = assess(two).findings.filter((f) => f.room === 'thumb' && f.about?.press === two.presses[1]!.id);
    expect(gravest(thumb.map((f) => f.verdict))).not.toBe('settled');
    expect(thumb.some((f) => f.id.includes('.alike'))).toBe(true);
    // Nor is a rating of the circuit that hangs on its line.
    const rated = assess(two).ledger.filter((p) => p.name.endsWith('of start 2'));
    const titles = rated.flatMap((p) => p.ratings).filter((f) => f.verdict === 'tight');
    expect(titles.map((f) => f.title).join()).toContain('start 2 is taken to be like another');
    // One that fits settles it; one that does not, does not.
    const like = pot.readings.find((r) => r.control === 'control-start' && r.kind === 'volts-dc')!;
    const read = (value: number): Job =>
      edited(two, { do: 'add-reading', reading: { ...like, id: 'own', control: copy, value }, say: 'own' }, NOW);
    expect(findingOf(read(like.value), `probe.${copy}.kind`).verdict).toBe('settled');
    expect(findingOf(read(like.value * 3), `probe.${copy}.kind`)).toMatchObject({
      verdict: 'unknown',
      title: expect.stringContaining('start 2 is not like start'),
      remedy: { label: 'Read it by itself' },
    });
    expect(assess(read(like.value * 3)).facts.controls[copy]!.kind).toBeNull();
    const own = (of: Reading, set: Partial<Reading>): Job =>
      edited(two, { do: 'add-reading', reading: { ...of, id: 'own', control: copy, ...set }, say: 'own' }, NOW);
    const verdict = (job: Job): string => findingOf(job, `probe.${copy}.kind`).verdict;
    // What was read of its tie to mains bears out nothing of how it is built.
    const tie =
      pot.readings.find((r) => r.control === 'control-start' && r.from.kind === 'mains') ??
      pot.readings.find((r) => r.control === 'control-start' && r.to.kind === 'mains')!;
    expect(verdict(own(tie, {}))).toBe('tight');
    // Milliamperes count as much as volts, and a look that says otherwise as much as a number.
    const amps = pot.readings.find((r) => r.control === 'control-start' && r.kind === 'amps')!;
    expect(verdict(own(amps, { value: amps.value * 4 }))).toBe('unknown');
    const look = pot.readings.find((r) => r.control === 'control-start' && r.said === 'springs-back')!;
    // One that says the same is the same in many that are not alike.
    expect(verdict(own(look, {}))).toBe('tight');
    expect(verdict(own(look, { said: 'stays-down' }))).toBe('unknown');
  });

  it('are edited as one until they differ', () => {
    const set = (of: string): JobEdit => ({ do: 'set', at: 'press.motor', of, set: { coastSeconds: 0.9 } });
    const first = eight.presses[0]!.id;
    const all = edited(eight, onAllAlike(eight, set(first)), NOW);
    expect(all.presses.map((p) => p.motor.coastSeconds)).toEqual(Array(8).fill(0.9));
    expect(all.log.at(-1)!.text).toContain('motor and 7 alike');
    // One that was taken out by itself is left alone, and is edited alone.
    const third = eight.presses[2]!;
    const apart = edited(eight, { do: 'change-control', id: third.control, set: { like: '' } }, NOW);
    const rest = edited(apart, onAllAlike(apart, set(first)), NOW);
    expect(rest.presses.filter((p) => p.motor.coastSeconds === 0.9)).toHaveLength(7);
    expect(onAllAlike(apart, set(third.id))).toEqual(set(third.id));
    // A remedy of several edits is one of all as well.
    const remedy: JobEdit = { do: 'several', edits: [set(first)], say: 'a remedy' };
    const cured = edited(eight, onAllAlike(eight, remedy), NOW);
    expect(cured.presses.map((p) => p.motor.coastSeconds)).toEqual(Array(8).fill(0.9));
    expect(cured.log.at(-1)!.text).toBe('a remedy');
    // So are the parts of the machine.
    const part = eight.act.parts[3]!;
    const slow: JobEdit = { do: 'put', list: 'act.parts', item: { ...part, runSeconds: 21 } };
    const parts = edited(eight, onAllAlike(eight, slow), NOW).act.parts;
    expect(parts.map((p) => p.runSeconds)).toEqual(Array(8).fill(21));
    expect(new Set(parts.map((p) => p.name)).size).toBe(8);
  });

  it('stay when the first one goes: what they were taken to be like is cleared', () => {
    const gate = edited(eight, { do: 'change-control', id: eight.controls[1]!.id, set: { like: control } }, NOW);
    expect(likeOf(gate, eight.controls[1]!.id)).toBe(control);
    expect(likeOf({ controls: [{ ...eight.controls[1]!, like: eight.controls[1]!.id }] }, eight.controls[1]!.id)).toBe(
      eight.controls[1]!.id,
    );
  });
});
