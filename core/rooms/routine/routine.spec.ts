import { describe, expect, it } from 'vitest';
import { DateTime } from 'luxon';
import { assess } from '../../house/assess';
import { edited, sentenceAt, type Sentence } from '../../ground/job';
import { changed, demoJob, findingOf, onPin } from '../../testing/jobs';
import { calendarOf, firingsWithin, nextFirings as next, sayDays, saySentence } from '.';

const at = (time: string, days = [1, 2, 3, 4, 5, 6, 7]): Sentence => sentenceAt(time, { id: time, days });
const said = (s: Sentence, moves: readonly { id: string; name: string }[] = []) =>
  saySentence(s, { senses: [], modes: [], presses: [], moves });
const calendar = (sentences: readonly Sentence[], timeZone: string) => {
  const job = demoJob('yard-gate');
  return calendarOf({ ...job, region: { ...job.region, timeZone } }, sentences);
};
const nextFirings = (sentences: readonly Sentence[], from: string, zone: string, count: number) =>
  next(calendar(sentences, zone), from, count);
const firingSeconds = (sentences: readonly Sentence[], from: string, zone: string, days: number) =>
  firingsWithin(calendar(sentences, zone), from, days).map((f) => f.seconds);

describe('sentences in words', () => {
  it('name their move where there are several, and one without a day is told', () => {
    const moves = [
      { id: 'a', name: 'low on' },
      { id: 'b', name: 'high on' },
    ];
    expect(said({ ...at('14:00'), move: 'b' }, moves)).toBe('At 14:00 on every day: “high on”.');
    expect(said(at('14:00'), moves)).toBe('At 14:00 on every day: “low on”.');
    expect(said(at('14:00'), moves.slice(1))).toBe('At 14:00 on every day, press.');
    const job = changed(demoJob('yard-gate'), 'routine', { sentences: [at('22:30'), at('14:00', [])] });
    expect(findingOf(job, 'routine.no-day')).toMatchObject({
      verdict: 'tight',
      title: expect.stringContaining('14:00'),
    });
  });
});

describe('the next firings', () => {
  it('keeps to the chosen weekdays and to strictly later times', () => {
    const list = nextFirings([at('10:40', [1, 3])], '2026-03-02T10:40:00Z', 'UTC', 4);
    expect(list.map((f) => f.at)).toEqual([
      '2026-03-04T10:40:00.000Z',
      '2026-03-09T10:40:00.000Z',
      '2026-03-11T10:40:00.000Z',
      '2026-03-16T10:40:00.000Z',
    ]);
  });

  // European Union summer time, Directive 2000/84/EC: from 01:00 UTC on the last Sunday of March to 01:00 UTC on the
  // last Sunday of October.
  it('keeps the wall clock over both clock changes in Europe', () => {
    const spring = nextFirings([at('10:40')], '2026-03-28T00:00:00Z', 'Europe/London', 2);
    expect(spring.map((f) => f.at)).toEqual(['2026-03-28T10:40:00.000Z', '2026-03-29T09:40:00.000Z']);
    const autumn = nextFirings([at('10:40')], '2026-10-24T00:00:00Z', 'Europe/London', 2);
    expect(autumn.map((f) => f.at)).toEqual(['2026-10-24T09:40:00.000Z', '2026-10-25T10:40:00.000Z']);
  });

  it('moves on from an hour that is skipped, and says so', () => {
    const [f] = nextFirings([at('01:30')], '2026-03-29T00:00:00Z', 'Europe/London', 1);
    expect(f).toMatchObject({ at: '2026-03-29T01:30:00.000Z', clockChange: expect.stringContaining('skipped') });
    expect(f!.local.slice(11, 16)).toBe('02:30');
  });

  // United States, Energy Policy Act of 2005: back at 02:00 on the first Sunday of November.
  it('fires once, the first time, in an hour that comes twice', () => {
    const list = nextFirings([at('01:30')], '2026-11-01T03:00:00Z', 'America/New_York', 2);
    expect(list[0]).toMatchObject({ at: '2026-11-01T05:30:00.000Z', clockChange: expect.stringContaining('twice') });
    expect(list[1]).toMatchObject({ at: '2026-11-02T06:30:00.000Z', clockChange: 'none' });
  });

  it('gives nothing for no days, and refuses a zone that does not exist', () => {
    expect(nextFirings([at('10:00', [])], '2026-01-01T00:00:00Z', 'UTC', 10)).toEqual([]);
    expect(nextFirings([], '2026-01-01T00:00:00Z', 'UTC', 10)).toEqual([]);
    expect(() => nextFirings([at('10:00')], '2026-01-01T00:00:00Z', 'Nowhere/Land', 1)).toThrow(RangeError);
  });

  it('counts seconds from the first midnight for the simulation', () => {
    expect(firingSeconds([at('10:40'), at('06:00', [2])], '2026-03-02T15:00:00Z', 'UTC', 2)).toEqual([
      38_400,
      86_400 + 21_600,
      86_400 + 38_400,
    ]);
  });

  // By the other road: the same firings one by one, through the days on which the clock is moved and an hour is skipped or comes twice.
  it('counts them as the firings themselves fall, over a year with its clock changes', () => {
    const sentences = [at('02:30'), at('01:15', [7]), at('10:40', [1, 2, 3, 4, 5])];
    for (const zone of ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'UTC']) {
      const from = '2026-01-01T12:00:00Z';
      const seconds = firingSeconds(sentences, from, zone, 365);
      const midnight = DateTime.fromISO(from, { zone }).startOf('day');
      const before = midnight.minus({ milliseconds: 1 }).toUTC().toISO()!;
      const one = nextFirings(sentences, before, zone, seconds.length).map(
        (f) => (Date.parse(f.at) - midnight.toMillis()) / 1000,
      );
      expect(seconds.length).toBeGreaterThan(650);
      expect(seconds, zone).toEqual(one);
    }
  });
});

describe('sentences', () => {
  it('says days as people do', () => {
    expect([
      sayDays([1, 2, 3, 4, 5]),
      sayDays([7, 6]),
      sayDays([1, 4]),
      sayDays([]),
      sayDays([1, 2, 3, 4, 5, 6, 7]),
    ]).toEqual(['weekdays', 'weekends', 'Mon, Thu', 'no day', 'every day']);
    expect(said({ ...at('10:40', [1, 2, 3, 4, 5]), ifArmed: true })).toBe('At 10:40 on weekdays, if armed, press.');
  });

  it('warns of an arming that lets any number of starts of a heater go, and one start for one arming mends it', () => {
    const pot = demoJob('rice-pot');
    expect(assess(pot).findings.some((f) => f.id === 'routine.rearm')).toBe(false);
    const forGood = { ...pot, hands: pot.hands.map((h) => ({ ...h, startsPerArming: null })) };
    const rearm = findingOf(forGood, 'routine.rearm');
    expect(rearm.verdict).toBe('tight');
    const mended = edited(forGood, rearm.remedy!.edit!, '2026-03-02T14:00:00Z');
    expect(assess(mended).findings.some((f) => f.id === 'routine.rearm')).toBe(false);
  });
  it('warns of heating unarmed, of arming without a pin, and of the hour of the clock change', () => {
    const job = demoJob('rice-pot');
    const set = (s: Partial<Sentence>) =>
      changed(job, 'routine', { sentences: [{ ...job.routine.sentences[0]!, ...s }] });
    expect(findingOf(set({ ifArmed: false, move: '' }), 'routine.unarmed').verdict).toBe('tight');
    const [first] = job.routine.sentences;
    const two = changed(job, 'routine', {
      sentences: [first!, { ...first!, id: 'second', days: [1, 7], ifArmed: false, move: '' }],
    });
    expect(findingOf(two, 'routine.unarmed').verdict).toBe('tight');
    expect(findingOf(two, 'routine.twice').verdict).toBe('tight');
    expect(findingOf(onPin(job, null, 'arm'), 'routine.armed').verdict).toBe('tight');
    expect(findingOf(set({ at: '01:30', days: [7] }), 'routine.clock-change').title).toMatch(/2 of a year's firings/);
    expect(findingOf(set({ days: [] }), 'routine.none').verdict).toBe('unknown');
  });
});
