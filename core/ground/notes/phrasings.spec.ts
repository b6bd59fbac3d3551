import { describe, expect, it } from 'vitest';
import { edited, type Job } from '../job';
import { one, two } from '../../testing/phrasing-jobs';
import { SAID } from '../../testing/phrasings';
import { readNoteLine } from '.';

const NOW = '2026-03-02T14:05:00Z';
const read = (line: string, job: Job) => readNoteLine(line, job, { id: 'r', now: NOW });

describe('lines as makers type them', () => {
  it('has two hundred of them', () =>
    expect(SAID.reduce((n, [, , lines]) => n + lines.length, 0)).toBeGreaterThanOrEqual(200));

  for (const [words, job, lines] of SAID)
    describe(words, () => {
      it.each(lines)('%s', (line) => expect(read(line, job)).toMatchObject({ ok: true, words }));
    });
});

describe('what was not said', () => {
  it('is taken as the plainest, and told before Enter', () => {
    expect(read('A 4.98 V', one)).toMatchObject({ hint: expect.stringContaining('taken as nobody presses') });
    expect(read('start 4.98 V', one)).toMatchObject({
      words: 'start, A to ground, nobody presses, 4.98 V DC',
      hint: expect.stringContaining('taken as A to ground'),
    });
  });

  it('is taken as the last reading had it', () => {
    const u = read('B pressed 0.2 V', one);
    const then = u.ok ? edited(one, u.edit, NOW) : one;
    expect(read('0.3 V', then)).toMatchObject({ words: 'start, B to ground, held pressed, 0.3 V DC' });
    expect(read('A 0.3 V', then)).toMatchObject({
      words: 'start, A to ground, held pressed, 0.3 V DC',
      hint: expect.stringContaining('as the last reading'),
    });
  });
});

describe('what is said each time', () => {
  const after = (line: string): Job => {
    const u = read(line, one);
    if (!u.ok) throw new Error(u.message);
    return edited(one, u.edit, NOW);
  };

  it.each([
    'start A idle 5 V',
    'start A to neutral off 5M',
    'start A to earth off OL',
    'start A to mains plug-turned 4M',
  ])('a probe at mains or earth is never taken over: after %s', (line) => {
    const told = read('3M', after(line));
    // After a plain reading of volts, ohms are taken across the terminals; after one to mains they are not read at all.
    if (line.endsWith('V')) expect(told).toMatchObject({ words: expect.stringContaining('A to B, unplugged') });
    else expect(told).toMatchObject({ ok: false });
  });

  it.each(['loaded', 'neighbour', 'plug-turned'])('%s does not go on to the next reading', (state) =>
    expect(read('A 4.9 V', after(`start A ${state} 2 V`))).toMatchObject({
      words: 'start, A to ground, nobody presses, 4.9 V DC',
      hint: expect.not.stringContaining('as the last reading'),
    }),
  );

  it('not pressed says nothing of the plug: ohms are taken as unplugged, and that is told', () =>
    expect(read('A-B not pressed 4k', one)).toMatchObject({
      words: 'start, A to B, unplugged, 4 kΩ',
      hint: expect.stringContaining('taken as unplugged'),
    }));
});

describe('what is no reading', () => {
  it.each([
    'the foam behind the board is loose',
    'start A idle 5 kg',
    'ask about the fuse tomorrow',
    'A wobbles at 4.98 V',
    'start A 4.98 V and B 0 V',
    // Switched off is not unplugged, and two lines are not a pair.
    'A 12 V when the machine is off',
    'A 0 V when switched off',
    'A and B both 5 V',
    'A is not 5 V',
    'A should be 5 V',
  ])('%s: is not guessed, and may be kept as a remark', (line) =>
    expect(read(line, one)).toMatchObject({ ok: false, suggestion: `note: ${line}` }),
  );

  it('takes I for whoever measures', () =>
    expect(read('I measured 3.28 V from A to ground with the machine on', one)).toMatchObject({
      words: 'start, A to ground, nobody presses, 3.28 V DC',
    }));

  it.each(['start A idel 3 V', 'start A to nuetral off 5M', 'start A off -3 ohm', 'supply main 5 Q'])(
    '%s: what is offered would be understood',
    (line) => {
      const u = read(line, one);
      const offered = u.ok ? '' : (u.suggestion ?? '');
      expect(offered).not.toBe('');
      expect(read(offered, one).ok).toBe(true);
    },
  );

  it('offers nothing for one word that is none', () => expect(read('zzz', one)).not.toHaveProperty('suggestion'));

  it.each(['add solder', 'new fuse', 'second try', 'the fuse is called F3', 'new switch fitted'])(
    '%s: names no control',
    (line) => expect(read(line, one)).toMatchObject({ ok: false }),
  );

  it('stays refused where the grammar knows why', () => {
    expect(read('A powered 4 ohm', one)).toMatchObject({ ok: false });
    expect(read('A 4.98 V', two)).toMatchObject({ ok: false, message: expect.stringContaining('which control') });
  });
});
