import { describe, expect, it } from 'vitest';
import { HAND_METER, type Meter, type Reading } from '../../../ground/job';
import { readNoteLine } from '../../../ground/notes';
import { CONTROL, ISOLATED, jobWith, T } from '../../../testing/probe-jobs';
import { isolationOf, probeFindings, surveysOf } from '..';
import { batteryWanted, ohmsPast, showsNone, showsTie, throughJunction } from './second-look';

const shown = (value: number, set: Partial<Reading> = {}): Reading => ({
  id: 'r',
  at: T(0),
  control: '',
  from: { kind: 'ground', name: '' },
  to: { kind: 'mains', name: '' },
  state: 'off',
  kind: 'battery',
  relation: '=',
  value,
  digit: 1e-3,
  by: 'hand',
  said: '',
  struck: false,
  ...set,
});
const STATED: Meter = { ...HAND_METER, inputOhms: 10e6, stated: true };

describe('a battery in series with the meter', () => {
  // A divider of two resistances: 9.2 V over 190 MΩ and 10 MΩ leave 0.46 V.
  it('tells what lies between by the volts that are left', () => {
    expect(ohmsPast(shown(0.46, { digit: 0 }), 9.2, STATED).most).toBeCloseTo(190e6, -3);
    expect(ohmsPast(shown(0.46), 9.2, STATED).least).toBeLessThan(190e6);
    expect(ohmsPast(shown(0), 9.2, STATED).most).toBe(Number.POSITIVE_INFINITY);
    expect(ohmsPast(shown(9.2), 9.2, STATED).most).toBe(0);
  });

  it('takes the least input for proof and the most for a tie, where nobody said what the meter has', () => {
    const { least, most } = ohmsPast(shown(4.6, { digit: 0 }), 9.2, HAND_METER);
    expect(least).toBeCloseTo(1e6, -3);
    expect(most).toBeCloseTo(11e6, -3);
    expect(showsNone(shown(0.8), 9.2, STATED, 10e6)).toBe(true);
    expect(showsNone(shown(0.9), 9.2, HAND_METER, 10e6)).toBe(false);
    expect(showsNone(shown(0.8), 7.9, STATED, 10e6)).toBe(false);
    expect(showsNone(shown(0.8), null, STATED, 10e6)).toBe(false);
    expect(showsTie(shown(9.1), 9.2, HAND_METER, 1e6)).toBe(true);
    expect(showsTie(shown(5), 9.2, HAND_METER, 1e6)).toBe(false);
  });

  it('knows a junction by one way round that lets through and one that does not', () => {
    const back = (volts: number): Reading => shown(volts, { from: shown(0).to, to: shown(0).from });
    expect(throughJunction([back(0.05), shown(7.9)], 9.2)).toMatchObject({ value: 7.9 });
    expect(throughJunction([back(6.2), shown(6.2)], 9.2)).toBeUndefined();
    // The same way round twice is no other way round.
    expect(throughJunction([shown(0.05), shown(7.9)], 9.2)).toBeUndefined();
    expect(throughJunction([back(0.05), shown(7.9)], null)).toBeUndefined();
  });

  it('is asked for again while it is flat, and where there is none nothing is asked', () => {
    const side = { ...jobWith().survey.mains, tester: 'none' } as const;
    expect([null, 7.9, 8, 0].map((batteryVolts) => batteryWanted({ ...side, batteryVolts }))).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
});

describe('what is written of it', () => {
  const said = (line: string, job = jobWith()) => readNoteLine(line, job, { id: 'x', now: T(1) });

  it.each([
    ['ground to mains diode 612', /612 mV are 0\.612 V/],
    ['ground to mains diode -0.2 V', /still charged/],
    ['ground to mains diode 3.3 kohm', /Ω/],
    ['ground to mains battery 40 V', /unplugged/],
    ['start A-B diode 0.6 V', /live, neutral or both together/],
    ['mains battery 92 V', /unplugged/],
    ['mains battery -9 V', /tips touching/],
    ['mains battery many', /number/],
  ])('is refused where it cannot be: %s', (line, why) =>
    expect(said(line)).toMatchObject({ ok: false, message: expect.stringMatching(why) }),
  );

  const found = (...lines: string[]) => {
    const job = jobWith(...ISOLATED, 'mains tester none', 'mains battery 9.2 V', ...lines);
    return {
      verdict: isolationOf(job, CONTROL).verdict,
      of: (end: string) => probeFindings(job, surveysOf(job)).find((f) => f.id.endsWith(end)),
    };
  };

  it('shows its arithmetic, and stops at a tie with what is left to do', () => {
    // One way round alone is half of it, whatever it shows.
    const once = found('ground to mains battery 0.06 V').of('isolation-battery')!;
    expect(once).toMatchObject({ verdict: 'unknown', remedy: { text: expect.stringContaining('Exchange') } });
    const apart = found('ground to mains battery 0.06 V', 'mains to ground battery 0.05 V').of('isolation-battery')!;
    expect(apart).toMatchObject({ verdict: 'settled', limit: { value: 10e6 } });
    // The meter is not stated: 1 MΩ · (9.2 / 0.07 − 1), its last digit included.
    expect(apart.value!.value).toBeCloseTo(130.4e6, -5);
    // All of the battery's volts, and no number under none.
    expect(found('ground to mains battery 9.2 V').of('isolation-battery')).toMatchObject({
      verdict: 'stop',
      value: { value: 0 },
    });
    const tied = found('ground to mains battery 7.9 V', 'mains to ground battery 0.05 V');
    expect(tied.verdict).toBe('not-isolated');
    expect(tied.of('isolation-battery')).toMatchObject({
      verdict: 'stop',
      remedy: { text: expect.stringContaining('No shared ground') },
    });
  });

  it('says where a battery is flat, and where both ways round were the same way', () => {
    expect(found('ground to mains off 3M', 'ground to mains battery 0.4 V').of('isolation-flat')).toMatchObject({
      verdict: 'unknown',
      title: expect.stringContaining('must show about 7.08 V'),
    });
    const twice = found('ground to mains diode 0.61 V', 'mains to ground diode 0.612 V');
    expect(twice.of('isolation-same-way')).toMatchObject({ verdict: 'unknown' });
    expect(twice.of('isolation-diode')).toMatchObject({ verdict: 'stop' });
    // One way round alone shows nothing of the other.
    const once = found('ground to mains diode OL').of('isolation-diode');
    expect(once).toMatchObject({ verdict: 'unknown', remedy: { text: expect.stringContaining('Exchange') } });
    const both = found('ground to mains diode OL', 'mains to ground diode OL');
    expect(both.of('isolation-diode')).toMatchObject({ verdict: 'settled' });
  });
});
