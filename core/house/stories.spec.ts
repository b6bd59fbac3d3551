import { describe, expect, it } from 'vitest';
import { answerFor } from './answer';
import { assess } from './assess';
import { keptFinding, wrongFinding } from './days-findings';
import { digitSteps } from './digits';
import { edited, freshNever, freshPress, type Job } from '../ground/job';
import { comparePolicies, manyDays } from './many-days';
import { wholeRun } from './power-up-scene';
import { searchJob, searchOf, storyFindings, type Stories } from './stories';
import { triedAnswers } from './tried-answers';
import { demoJob, withSense } from '../testing/jobs';

const NOW = '2026-03-02T14:00:00Z';
const search = (job: Job, most: number): Stories => searchJob(searchOf(job, assess(job))!, most);
/** Takes the answer whose words begin so. */
function answered(job: Job, words: string): Job {
  const found = search(job, 1);
  const all = triedAnswers(job, assess(job), found.broken).flatMap((t) => t.cures);
  const answer = all.find((x) => x.words.includes(words));
  expect(answer, `${words} among ${all.map((x) => x.words).join(', ')}`).toBeDefined();
  return edited(job, answer!.edit, NOW);
}

describe('stories', () => {
  const gate = demoJob('yard-gate');

  it('of a start that asks to be armed where nothing arms are searched as if somebody had', () => {
    const pot = demoJob('dough-proofer');
    const unarmed = {
      ...pot,
      hands: [],
      board: { ...pot.board, pins: pot.board.pins.filter((p) => p.line !== 'arm') },
    };
    expect(searchOf(pot, assess(pot))!.starts.every((s) => s.ifArmed)).toBe(true);
    expect(searchOf(unarmed, assess(unarmed))!.starts.some((s) => s.ifArmed)).toBe(false);
    expect(search(unarmed, 0).broken.length).toBe(1);
  });

  it('of the gate are told, answered one by one, and none is left with one thing going wrong', () => {
    const first = search(gate, 1);
    expect(first.broken.map((b) => [b.never.never.id, b.told.length])).toEqual([
      ['night', 0],
      ['warned', 1],
    ]);
    expect(first.broken[0]!.sentences).toEqual([
      'With nothing going wrong, 18 h after “close” began: “open” for longer than 18 h.',
    ]);
    expect(first.broken[1]!.sentences[0]).toMatch(/^Power cut for 30 s, .* after “close” began\.$/);
    expect(first.broken[1]!.faults).toMatchObject([{ kind: 'power-cut', seconds: 30, of: '' }]);
    let job = answered(gate, 'a contact that tells its rest, and close: look, press, look again');
    job = answered(job, 'two contacts in series');
    job = answered(job, 'pins that keep still');
    job = answered(job, 'look again at 10:30');
    const one = search(job, 1);
    expect(one.broken).toEqual([]);
    expect(one.kept.map((n) => n.never.id)).toEqual(['night', 'warned']);
    expect(one.stories).toBeGreaterThan(1000);
    // With one thing going wrong alone nothing is settled yet.
    expect(storyFindings(one).map((f) => f.verdict)).toEqual(['tight', 'tight', 'tight']);
    // Somebody opens it and the contact no longer closes: two things, and nothing here presses it shut. The plan calls for help.
    const two = search(job, 2);
    // One more look would leave that story as it is, and is not offered.
    const tried = triedAnswers(job, assess(job), two.broken);
    expect(tried).toEqual([{ cures: [], leave: 1, untried: 0 }]);
    const remedyOf = (answers: typeof tried): string =>
      storyFindings(two, answers).find((f) => f.id === 'act.never.night')!.remedy!.text;
    expect([remedyOf([]), remedyOf(tried)]).toEqual([
      expect.stringContaining('Take an answer'),
      expect.stringContaining('No ready change'),
    ]);
    expect(two.broken.map((b) => b.told.map((t) => t.what))).toEqual([['thumb', 'dirty']]);
    expect(storyFindings(two).map((f) => [f.id, f.verdict])).toEqual([
      ['act.stories', 'tight'],
      ['act.never.night', 'tight'],
      ['act.never.warned', 'settled'],
    ]);
  });

  it('come true on the lanes where they are pinned, with what the pins do at power-up', () => {
    const told = search(gate, 1).broken.find((b) => b.never.never.id === 'warned')!;
    const pinned = edited(gate, { do: 'set', at: 'act', set: { faults: [...told.faults] } }, NOW);
    const run = wholeRun(pinned, assess(pinned))!;
    expect(run.broken.map((b) => b.words)).toContain('“closing” without 3 s of warning before it');
    expect(run.parts[0]!.machine.map((s) => s.word)).toContain('closing');
  });

  /** Two buttons, on and off, of which the plan presses the second alone. */
  const twoButtons = (shortest: number): Job => {
    const pot = demoJob('rice-pot');
    const [on] = pot.presses;
    const off = freshPress('off', 'off', pot.controls[0]!.id);
    const [part] = pot.act.parts;
    return {
      ...pot,
      hands: [],
      senses: [],
      presses: [
        { ...on!, name: 'on' },
        { ...off, way: on!.way },
      ],
      wish: {
        ...pot.wish,
        nevers: [{ ...freshNever('n', 'lasts-longer'), state: 'on' }],
      },
      act: {
        faults: [],
        parts: [
          {
            ...part!,
            kind: 'on-and-off',
            shortestPressSeconds: shortest,
            longestPressSeconds: 30,
            longPress: 'same',
            runSeconds: null,
            heeds: [
              { press: on!.id, other: false, as: 'on' },
              { press: 'off', other: false, as: 'off' },
            ],
          },
        ],
        moves: [
          {
            ...pot.act.moves[0]!,
            steps: [{ ...pot.act.moves[0]!.steps[0]!, do: 'press', press: 'off', also: [], seconds: 1.5, sense: '' }],
          },
        ],
      },
      routine: { ...pot.routine, sentences: [] },
      board: { ...pot.board, pins: [] },
    };
  };

  it('have people hold a button for as long as the machine asks for, and are replayed as long', () => {
    const job = twoButtons(1);
    const told = search(job, 1).broken.find((b) => b.never.never.id === 'n');
    expect(told?.told.map((t) => t.what)).toEqual(['thumb']);
    expect(told!.faults).toMatchObject([{ kind: 'hand-press', seconds: expect.closeTo(1.1, 6) }]);
    expect(told!.sentences[0]).toMatch(/^Someone presses by hand \(on\) for 1\.1 s/);
    const pinned = edited(job, { do: 'set', at: 'act', set: { faults: [...told!.faults] } }, NOW);
    expect(wholeRun(pinned, assess(pinned))!.broken.map((b) => b.words)).toEqual([expect.stringContaining('on')]);
  });

  it('say nothing where no condition is held, and cannot be searched without a machine', () => {
    const pot = demoJob('rice-pot');
    const bare = { ...pot, wish: { ...pot.wish, nevers: [] } };
    expect(storyFindings(search(bare, 1))).toMatchObject([{ id: 'act.stories', verdict: 'unknown' }]);
    expect(searchOf({ ...pot, act: { ...pot.act, parts: [] } }, assess(pot))).toBeNull();
  });

  it('join the findings while the plan is what was searched, and say that they are old when it is not', () => {
    const a = assess(gate);
    const found = search(gate, 1);
    const study = {
      kind: 'stories' as const,
      of: '',
      basis: searchOf(gate, a)!.basis,
      at: NOW,
      findings: storyFindings(found),
    };
    const of = (job: Job) => answerFor(job, {}, [study]).assessment.findings.filter((f) => f.room === 'act');
    expect(of(gate).find((f) => f.id === 'act.never.warned')).toMatchObject({
      verdict: 'stop',
      caption: 'one thing breaks it',
    });
    expect(of(gate).filter((f) => f.id === 'act.never.warned')).toHaveLength(1);
    const changed = withSense(gate);
    expect(of(changed).find((f) => f.id === 'act.stories')).toMatchObject({
      verdict: 'unknown',
      caption: 'search out of date',
    });
    expect(of(changed).find((f) => f.id === 'act.never.warned')).toMatchObject({ verdict: 'tight' });
  });
});

describe('policies on many days', () => {
  it('meet the same bad luck; looking and trying again makes fewer wrong hours than pressing and hoping', () => {
    const pot = demoJob('rice-pot');
    const [blind, first, again, timed] = comparePolicies(pot, 3650, 1);
    expect(timed).toMatchObject({ kind: 'timed', outcome: null, lacks: expect.stringContaining('travels') });
    expect(blind!.outcome!.missed).toBe(again!.outcome!.missed);
    expect(blind!.outcome!.byHand).toBe(first!.outcome!.byHand);
    expect(again!.outcome!.wrongHours.nominal).toBeLessThan(blind!.outcome!.wrongHours.nominal);
    // Every missed press is made again, but for those that are missed twice.
    expect(again!.outcome!.presses).toBeGreaterThan(blind!.outcome!.presses);
    expect(comparePolicies(pot, 365, 1)).toEqual(comparePolicies(pot, 365, 1));
    const many = manyDays(pot, 3650, 1)!;
    // Its numbers open: a share of what was counted, and the wrong hours of all weeks over the weeks; rates are no readings.
    expect(keptFinding(many)).toMatchObject({ verdict: 'tight', value: { unit: '%' } });
    expect(keptFinding(many)!.value!.value).toBeCloseTo((100 * many.asBelieved) / many.starts, 9);
    expect(keptFinding(many)!.steps[0]!.result.value).toBeCloseTo(keptFinding(many)!.value!.value, 9);
    const wrong = wrongFinding(many, 'x');
    expect(wrong.steps[0]!.result.value).toBeCloseTo(
      many.wrongByWeek.reduce((s, x) => s + x, 0) / many.wrongByWeek.length,
      6,
    );
    expect(keptFinding({ ...many, kept: null })).toBeNull();
  });
});

describe('keys one after the other', () => {
  const pad: Job = { ...demoJob('rice-pot') };
  const job: Job = {
    ...pad,
    presses: [...pad.presses, ...['2', '7'].map((n) => freshPress(`key-${n}`, n))],
  };
  it('are presses with gaps, from digits or names', () => {
    const made = digitSteps({ ...job, act: { ...job.act, moves: [] } }, '27 start');
    expect(made.ok && made.steps.map((s) => [s.do, s.press])).toEqual([
      ['press', 'key-2'],
      ['wait', ''],
      ['press', 'key-7'],
      ['wait', ''],
      ['press', 'start'],
    ]);
  });

  it('are refused where a key has no press', () => {
    expect(digitSteps(job, '29')).toEqual({ ok: false, problem: expect.stringContaining('“9”') });
    expect(digitSteps(job, 'cancel 2')).toEqual({ ok: false, problem: expect.stringContaining('“cancel”') });
  });
});
