import { describe, expect, it } from 'vitest';
import { proposedRules, readWhen, sayWeekdays } from './when';
import { sentenceAt, edited } from '../../ground/job';
import { demoJob, findingOf } from '../../testing/jobs';
import { ruleEdit } from '.';

const ALL = [1, 2, 3, 4, 5, 6, 7];

describe('“when”, as a rule', () => {
  it.each<[string, readonly string[] | null, readonly number[]]>([
    ['10:40 on weekdays', ['10:40'], [1, 2, 3, 4, 5]],
    ['11:45 and 14:15', ['11:45', '14:15'], ALL],
    ['04:30 on baking days', ['04:30'], []],
    ['every day at noon', ['12:00'], ALL],
    ['7 am and 6:30 pm on Saturdays and Sundays', ['07:00', '18:30'], [6, 7]],
    ['Mondays and Thursdays, 9.05', ['09:05'], [1, 4]],
    ['midnight at the weekend', ['00:00'], [6, 7]],
    ['12 am, 12 pm', ['00:00', '12:00'], ALL],
    ['before lunch on weekdays', null, []],
    ['whenever the power comes back', null, []],
    ['deliveries, and 22:30', ['22:30'], ALL],
  ])('%s', (text, times, days) => {
    const read = readWhen(text);
    expect(read?.times ?? null).toEqual(times);
    if (times) expect(read!.days).toEqual(days);
  });

  it('proposes what Routine does not have yet', () => {
    let n = 0;
    const rules = proposedRules(
      '07:30 and 18:00 on weekdays',
      [sentenceAt('07:30', { id: 'x', days: [1], ifArmed: true })],
      () => `r${++n}`,
    );
    expect(rules).toEqual([sentenceAt('18:00', { id: 'r1', days: [1, 2, 3, 4, 5] })]);
    expect(proposedRules('sometimes', [], () => 'x')).toEqual([]);
  });

  it('gives each time the move that is named before it', () => {
    const moves = [
      { id: 'a', name: 'low on' },
      { id: 'b', name: 'high on' },
      { id: 'c', name: 'off' },
    ];
    const said = (when: string) => proposedRules(when, [], () => 'r', moves).map((r) => [r.at, r.move]);
    expect(said('low at 13:00, high at 14:00, off at 15:00')).toEqual([
      ['13:00', 'a'],
      ['14:00', 'b'],
      ['15:00', 'c'],
    ]);
    // Words that several moves share name none, and neither does a text that names nothing.
    expect(said('on at 13:00 and 14:00')).toEqual([
      ['13:00', ''],
      ['14:00', ''],
    ]);
  });

  it('says days as people do', () => {
    expect([ALL, [1, 2, 3, 4, 5], [4, 1], [7]].map(sayWeekdays)).toEqual([
      'every day',
      'on weekdays',
      'on Monday and Thursday',
      'on Sunday',
    ]);
  });

  it('becomes moves of the presses that it names, once, and sentences that begin them; Routine offers the same', () => {
    const fan = demoJob('rice-pot');
    const press = (id: string) => ({ ...fan.presses[0]!, id, name: id });
    const job = {
      ...fan,
      wish: { ...fan.wish, when: 'low at 13:00, high at 14:00' },
      presses: [press('low'), press('high')],
      act: { ...fan.act, moves: [], parts: [] },
      board: { ...fan.board, pins: [] },
      hands: [],
      senses: [],
      routine: { ...fan.routine, sentences: [] },
    };
    let n = 0;
    const rule = ruleEdit(job, () => `r${++n}`)!;
    expect(rule.words).toBe('at 13:00 “low” and 14:00 “high”, every day');
    const ruled = edited(job, rule.edit, '2026-03-02T14:00:00Z');
    expect(ruled.act.moves.map((m) => [m.name, m.steps.map((s) => s.press)])).toEqual([
      ['low', ['low']],
      ['high', ['high']],
    ]);
    expect(ruled.routine.sentences.map((s) => [s.at, ruled.act.moves.find((m) => m.id === s.move)?.name])).toEqual([
      ['13:00', 'low'],
      ['14:00', 'high'],
    ]);
    expect(ruleEdit(ruled, () => 'x')).toBeNull();
    expect(findingOf(job, 'routine.none').remedy).toMatchObject({
      label: 'Make it a rule',
      text: `Wish says: ${rule.words}.`,
    });
  });
});
