import { describe, expect, it } from 'vitest';
import { edited, type AlikeUnit, type Job } from '../ground/job';
import { demoJob, findingOf, pressed } from '../testing/jobs';
import { assess } from './assess';
import { filesOf } from './deliver';

const NOW = '2026-03-02T14:00:00Z';
const unit = (set: Partial<AlikeUnit>): AlikeUnit => ({
  ...{ id: 'unit-2', name: 'left door', side: 'as drawn', order: 2, differs: '', pins: {} },
  ...set,
});
const withUnit = (job: Job, set: Partial<AlikeUnit>): Job =>
  edited(
    { ...job, bench: { ...job.bench, machines: 2, units: [] } },
    { do: 'put', list: 'bench.units', item: unit(set) },
    NOW,
  );
const textOf = (job: Job, name: string): string | undefined =>
  filesOf(job, assess(job)).find((f) => f.name === name)?.text;
/** What two texts do not share, line by line. */
const apart = (a: string, b: string): string[] => {
  const others = new Set(b.split('\n'));
  return a.split('\n').filter((line) => !others.has(line));
};

describe('machines that are built otherwise', () => {
  const pot = demoJob('rice-pot');

  it('have no files of their own but a test sheet where only the name differs', () => {
    const names = filesOf(withUnit(pot, {}), assess(pot)).map((f) => f.name);
    expect(names.filter((n) => n.includes('left-door'))).toEqual(['test-sheet-left-door.csv']);
  });

  it('get wires, pins and a program with their own pins, and nothing else in it differs', () => {
    const [line] = pot.board.pins;
    const job = withUnit(pot, { pins: { [line!.line]: 4 } });
    const [first, own] = [textOf(job, 'gentle_thumb.c')!, textOf(job, 'gentle_thumb-left-door.c')!];
    const differing = apart(own, first);
    expect(differing.length).toBeGreaterThan(0);
    for (const row of differing) expect(row).toMatch(/\b4\b/);
    expect(textOf(job, 'pins-left-door.csv')).toMatch(/,4,/);
    expect(textOf(job, 'wires-left-door.csv')).toContain('pin 4');
    expect(textOf(job, 'wiring-left-door.svg')).toContain('pin 4');
    // One header serves all: what is to be filled in knows no pin.
    expect(own).toContain('#include "gentle_thumb.h"');
  });

  it('mirrored, a motor has its wires exchanged, and a servo swings as far to the other side', () => {
    const shutter = demoJob('hatch-shutter');
    const wires = (side: AlikeUnit['side']): string | undefined =>
      textOf(withUnit(shutter, { side }), 'wires-left-door.csv');
    expect(wires('as drawn')).toBeUndefined();
    expect(apart(wires('mirrored')!, textOf(shutter, 'wires.csv')!).length).toBeGreaterThan(0);
    const rocker = demoJob('extractor-rocker');
    const program = textOf(withUnit(rocker, { side: 'mirrored' }), 'gentle_thumb-left-door.c')!;
    const pulses = (c: string): number[] => [...c.matchAll(/(\d{3,4}) us\b/g)].map((m) => Number(m[1]));
    const first = pulses(textOf(rocker, 'gentle_thumb.c')!);
    // The middle between the ends of its pulses, 0.5 and 2.5 ms, stands between the two.
    expect(pulses(program)).toEqual(first.map((us) => 3000 - us));
  });

  it('with a pin that the board does not have, a line that is no more, or two lines on one pin, are a stop with a way back', () => {
    const [line, other] = demoJob('yard-gate').board.pins;
    const gate = demoJob('yard-gate');
    const judge = (pins: Record<string, number>) => findingOf(withUnit(gate, { pins }), 'board.unit.unit-2');
    expect(judge({ [line!.line]: 99 })).toMatchObject({ verdict: 'stop', title: expect.stringContaining('pin 99') });
    expect(judge({ nothing: 4 })).toMatchObject({ verdict: 'stop', title: expect.stringContaining('nothing') });
    const clash = judge({ [line!.line]: other!.gpio });
    expect(clash.verdict).toBe('stop');
    const mended = edited(withUnit(gate, { pins: { [line!.line]: other!.gpio } }), clash.remedy!.edit!, NOW);
    expect(mended.bench.units[0]!.pins).toEqual({});
    // Named after a press that the job no longer has.
    expect(assess(pressed(gate, {})).findings.some((f) => f.id.startsWith('board.unit.'))).toBe(false);
  });
});
