import { describe, expect, it } from 'vitest';
import { edited, type Job } from '../job';
import { bareJob, demoJob } from '../../testing/jobs';
import { readNoteLine } from '.';

const NOW = '2026-03-02T14:00:00Z';
const say = (job: Job, ...lines: string[]): Job =>
  lines.reduce((j, line, i) => {
    const u = readNoteLine(line, j, { id: `r${i}`, now: NOW });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    return edited(j, u.edit, NOW);
  }, job);
const larder = demoJob('larder-dehumidifier');

describe('lines about the whole machine', () => {
  it('make presses, choose ways, place lines, add hands, signs, senses and steps', () => {
    const job = say(
      bareJob(),
      'control lid',
      'press lid',
      'press lid by solid-state relay',
      'pin lid 5',
      'hand stop',
      'hand arm key switch',
      'sign lamp armed',
      'sign beeper',
      'sense light tank: the tank is full',
      'step power 0.2 s',
      'step wait 1.5 s',
      'step lid 250ms',
    );
    expect(job.presses.map((p) => [p.id, p.name, p.way])).toEqual([
      ['power', 'power', null],
      ['lid', 'lid', 'solid-state-relay'],
    ]);
    expect(job.board.pins).toEqual([{ line: 'lid', gpio: 5, fixed: true }]);
    expect(job.hands.map((h) => [h.name, h.kind])).toEqual([
      ['stop', 'stop'],
      ['key switch', 'arm'],
    ]);
    expect(job.signs.map((s) => [s.kind, s.means])).toEqual([
      ['lamp', 'armed'],
      ['beeper', 'armed'],
    ]);
    expect(job.senses[0]).toMatchObject({ name: 'tank', kind: 'light', meaning: 'the tank is full' });
    expect(job.act.moves[0]!.steps.map((s) => [s.do, s.press, s.seconds])).toEqual([
      ['press', 'power', 0.2],
      ['wait', '', 1.5],
      ['press', 'lid', 0.25],
    ]);
    expect(say(job, 'pin lid none').board.pins).toEqual([]);
    expect(say(job, 'press lid').presses.at(-1)!.name).toBe('lid 2');
    expect(say(demoJob('hatch-shutter'), 'pin motor K2 14').board.pins).toContainEqual({
      line: 'motor/K2',
      gpio: 14,
      fixed: true,
    });
  });

  it.each([
    ['press power by magnet', /relay-contact/],
    ['press power now', /a way follows/],
    ['pin power', /on which pin/],
    ['pin power D5', /chip number/],
    ['pin power 900', /chip number/],
    ['hand lever', /arm, button, rocker, stop/],
    ['sign flag', /lamp, beeper/],
    ['step power quickly', /for how long/],
    ['step wait 3 V', /seconds|how long/],
  ])('“%s” is not understood, and says why', (line, why) => {
    const u = readNoteLine(line, larder, { id: 'r', now: NOW });
    expect(u.ok).toBe(false);
    if (!u.ok) expect(u.message).toMatch(why);
  });

  it('leave readings alone that begin alike', () => {
    for (const line of ['press: power A 0.1 V', 'power A pressed 0.1 V']) {
      const u = readNoteLine(line, larder, { id: 'r', now: NOW });
      expect(u.ok && u.edit.do).toBe('add-reading');
    }
  });

  it('times a run and a way, and takes the mean of what was timed', () => {
    const gate = demoJob('yard-gate');
    const job = ['travel up 21.4 s', 'travel up 20.6 s', 'travels down 19 s'].reduce((j, line) => {
      const u = readNoteLine(line, j, { id: 'x', now: NOW });
      if (!u.ok) throw new Error(u.message);
      return edited(j, u.edit, NOW);
    }, gate);
    expect(job.act.parts[0]).toMatchObject({ runSeconds: 21, backSeconds: 19 });
    expect(job.act.parts[0]!.timings).toHaveLength(3);
    const read = (line: string) => readNoteLine(line, gate, { id: 'x', now: NOW });
    expect(read('runs 25 min')).toMatchObject({ ok: true, edit: { item: { runSeconds: 1500 } } });
    expect(read('travel up soon')).toMatchObject({ ok: false, message: expect.stringContaining('how long') });
  });
});
