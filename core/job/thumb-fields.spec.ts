import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { loadJob, type Job } from '.';

const text = readFileSync(new URL('../../demo/hatch-shutter.json', import.meta.url), 'utf8');
const spoiled = (change: (thumb: Job['thumb'] & Record<string, unknown>) => void) => {
  const job = JSON.parse(text) as Job;
  change(job.thumb as Job['thumb'] & Record<string, unknown>);
  return loadJob(JSON.stringify(job));
};
const part = {
  id: 'x',
  kind: 'npn',
  name: 'mine',
  values: { gain: [100, 200, 300] },
} as unknown as Job['thumb']['parts'][number];

describe('plans of the ways of pressing in a job file', () => {
  it('come back as they were', () => {
    expect(spoiled(() => undefined)).toMatchObject({ ok: true });
    expect(spoiled((t) => t.parts.push(part))).toMatchObject({ ok: true });
  });

  it.each<[string, (t: Job['thumb'] & Record<string, unknown>) => void, RegExp]>([
    ['a way that is none', (t) => (t.way = 'magnet' as never), /thumb\.way/],
    ['a wish twice', (t) => (t.wishes = t.wishes.map(() => 'cheap' as const)), /thumb\.wishes/],
    ['a horn of no length', (t) => (t.finger.hornMetres = 0), /thumb\.finger\.hornMetres/],
    ['an angle beyond the front', (t) => (t.finger.pressDegrees = 400), /thumb\.finger\.pressDegrees/],
    ['a wiring that is none', (t) => (t.motor.wiring = 'triple' as never), /thumb\.motor\.wiring/],
    ['a supply of no volts', (t) => (t.motor.supplyVolts = -12), /thumb\.motor\.supplyVolts/],
    ['half a machine', (t) => (t.machines = 1.5), /thumb\.machines/],
    ['a currency in words', (t) => (t.currency = 'pounds'), /thumb\.currency/],
    ['a part of no kind', (t) => (t.parts = [{ ...part, kind: 'tube' as never }]), /thumb\.parts\[0\]\.kind/],
    [
      'a part whose bounds are words',
      (t) => (t.parts = [{ ...part, values: { gain: ['low', 'mid', 'high'] as never } }]),
      /thumb\.parts\[0\]/,
    ],
    [
      'a reading that is no number',
      (t) => (t.signal.points = [{ step: 1, value: 'fast' as never }]),
      /thumb\.signal\.points\[0\]\.value/,
    ],
    ['less than one scan in a row', (t) => (t.scan.scansNeeded = 0), /thumb\.scan\.scansNeeded/],
    ['a stock below nothing', (t) => (t.stock = [{ name: 'x', price: null, have: -1 }]), /thumb\.stock\[0\]\.have/],
    ['a plan left out', (t) => delete (t as Partial<Job['thumb']>).hand, /thumb\.hand/],
  ])('are refused with %s, and where', (_, change, where) => {
    const loaded = spoiled(change);
    expect(loaded.ok).toBe(false);
    if (!loaded.ok) expect(loaded.problem.where).toMatch(where);
  });
});
