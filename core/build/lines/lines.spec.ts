import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, freshHand, freshSense, type JobEdit } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { linesOf, pinOf } from '.';

const NOW = '2026-03-02T14:00:00Z';

describe('the lines of a job', () => {
  it('come from presses, senses, hands and signs, each with what it asks of its pin', () => {
    const { lines } = assess(demoJob('yard-gate'));
    expect(lines.map((l) => [l.name, l.of, l.direction, l.acts])).toEqual([
      ['gate', 'press', 'out', true],
      ['arm switch', 'hand', 'in', false],
      ['closing lamp', 'sign', 'out', false],
      ['beeper', 'sign', 'out', false],
    ]);
    expect(lines[1]!.asks).toEqual(['input', 'pull-up']);
    // 30 mA go through a transistor; its base takes a fifteenth.
    expect(lines[3]!.amps).toBeCloseTo(0.002, 9);
  });

  it('of a way that takes several pins say what each is for, and only what moves the machine acts', () => {
    const motor = assess(demoJob('hatch-shutter')).lines.filter((l) => l.owner === 'motor');
    expect(motor.map((l) => [l.id, l.name, l.acts])).toEqual([
      ['motor', 'motor K1', true],
      ['motor/K2', 'motor K2', true],
    ]);
    const keys = assess(demoJob('dough-proofer')).lines.filter((l) => l.of === 'press');
    expect(keys.map((l) => [l.name, l.acts])).toEqual([0, 1, 2, 3].map((n) => [`warm select ${n}`, false]));
    expect(assess(demoJob('hood-fan')).lines.map((l) => [l.name, l.direction, l.sort])).toEqual([
      ['speed signal', 'out', 'frequency'],
      ['speed changeover', 'out', 'level'],
      ['speed enable', 'out', 'level'],
      ['speed back', 'in', 'pulses'],
    ]);
  });

  it('tell active levels, wake, analogue and 5 V, and leave out what comes as a message', () => {
    const edits: JobEdit[] = [
      { do: 'put', list: 'senses', item: { ...freshSense('a', 'a'), kind: 'message', tells: 'other', topic: 'x/y' } },
      { do: 'put', list: 'senses', item: { ...freshSense('b', 'b'), kind: 'light', highVolts: 5 } },
      { do: 'put', list: 'senses', item: { ...freshSense('c', 'c'), kind: 'contact', closedThen: false, wakes: true } },
      { do: 'put', list: 'hands', item: { ...freshHand('d', 'd'), kind: 'stop' } },
      { do: 'put', list: 'hands', item: { ...freshHand('e', 'e'), kind: 'rocker', pullUpOhms: 10e3 } },
    ];
    const job = edited(
      {
        ...demoJob('rice-pot'),
        senses: [],
        hands: [],
        presses: [],
        act: { ...demoJob('rice-pot').act, moves: [] },
        board: { ...demoJob('rice-pot').board, pins: [] },
      },
      { do: 'several', edits },
      NOW,
    );
    const lines = linesOf(job, []);
    expect(lines.map((l) => [l.id, l.active, l.asks.join(' '), l.volts])).toEqual([
      ['b', 'high', 'analogue', 5],
      ['c', 'high', 'input pull-up wake', null],
      ['d', 'high', 'input pull-up interrupt', null],
      ['e/up', 'low', 'input', null],
      ['e/down', 'low', 'input', null],
    ]);
    expect(pinOf(job, 'b')).toBeNull();
  });
});
