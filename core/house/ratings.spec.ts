import { describe, expect, it } from 'vitest';
import { demoJob } from '../testing/jobs';
import { assess } from './assess';

describe('the ledger of a job', () => {
  const { ledger } = assess(demoJob('hatch-shutter'));
  const rating = (part: RegExp, name: RegExp) =>
    ledger.find((p) => part.test(p.name))!.ratings.find((f) => name.test(f.title))!;

  it('tells derating apart from a limit', () => {
    // 10.95 of 12 mA out of a pin of which nine tenths are used; 101 of 200 mA through a transistor of which half is.
    const pin = rating(/^pin 1 of motor/, /current of the pin/);
    expect(pin).toMatchObject({ verdict: 'tight', limit: { value: 0.012 } });
    expect(pin.title).toMatch(/within its limit, 91\.3 % of it, and parts last where they are used to 90 %$/);
    expect(pin.source).toContain('part-share');
    expect(rating(/NPN/, /collector amps/).title).toMatch(/50\.6 % of it, and parts last where they are used to 50 %$/);
  });

  it('says nothing of derating where a part is used as it should be', () => {
    for (const f of ledger.flatMap((p) => p.ratings).filter((x) => x.verdict === 'settled'))
      expect(f.title).not.toMatch(/parts last/);
  });

  it('stands with the gravest part first', () => {
    const order = ['stop', 'unknown', 'tight', 'settled'];
    const places = ledger.map((p) => order.indexOf(p.verdict));
    expect(places).toEqual([...places].sort((a, b) => a - b));
  });
});
