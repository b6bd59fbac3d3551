import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { loadJob, type BenchPlan, type Job, type OwnPart, type Press } from '../..';

const text = readFileSync(new URL('../../../../../demo/hatch-shutter.json', import.meta.url), 'utf8');
const loaded = (): Job => {
  const read = loadJob(text);
  if (!read.ok) throw new Error(read.problem.what);
  return structuredClone(read.job);
};
type Both = Press & BenchPlan & Record<string, unknown>;
/** The job with its first press and its bench changed as if they were one. */
const spoiled = (change: (both: Both) => void) => {
  const job = loaded();
  const bench = job.bench as unknown as Record<string, unknown>;
  const press = job.presses[0] as unknown as Record<string, unknown>;
  const of = (key: string | symbol): Record<string, unknown> => (String(key) in bench ? bench : press);
  change(
    new Proxy({} as Both, {
      get: (_, key) => of(key)[String(key)],
      set: (_, key, value) => ((of(key)[String(key)] = value), true),
      deleteProperty: (_, key) => Reflect.deleteProperty(of(key), key),
    }),
  );
  return loadJob(JSON.stringify(job));
};
const part = {
  id: 'x',
  kind: 'npn',
  name: 'mine',
  values: { gain: [100, 200, 300] },
} as unknown as OwnPart;

describe('plans of the ways of pressing in a job file', () => {
  it('come back as they were', () => {
    expect(spoiled(() => undefined)).toMatchObject({ ok: true });
    expect(spoiled((t) => t.parts.push(part))).toMatchObject({ ok: true });
  });

  it.each<[string, (t: Both) => void, RegExp]>([
    ['a way that is none', (t) => (t.way = 'magnet' as never), /presses\[0\]\.way/],
    ['a wish twice', (t) => (t.wishes = t.wishes.map(() => 'cheap' as const)), /bench\.wishes/],
    ['a horn of no length', (t) => (t.finger.hornMetres = 0), /presses\[0\]\.finger\.hornMetres/],
    ['an angle beyond the front', (t) => (t.finger.pressDegrees = 400), /presses\[0\]\.finger\.pressDegrees/],
    ['a wiring that is none', (t) => (t.motor.wiring = 'triple' as never), /presses\[0\]\.motor\.wiring/],
    ['a supply of no volts', (t) => (t.motor.supplyVolts = -12), /presses\[0\]\.motor\.supplyVolts/],
    ['half a machine', (t) => (t.machines = 1.5), /bench\.machines/],
    ['a currency in words', (t) => (t.currency = 'pounds'), /bench\.currency/],
    ['a part of no kind', (t) => (t.parts = [{ ...part, kind: 'tube' as never }]), /bench\.parts\[0\]\.kind/],
    [
      'a part whose bounds are words',
      (t) => (t.parts = [{ ...part, values: { gain: ['low', 'mid', 'high'] as never } }]),
      /bench\.parts\[0\]/,
    ],
    [
      'a reading that is no number',
      (t) => (t.signal.points = [{ step: 1, value: 'fast' as never }]),
      /presses\[0\]\.signal\.points\[0\]\.value/,
    ],
    ['less than one scan in a row', (t) => (t.scan.scansNeeded = 0), /presses\[0\]\.scan\.scansNeeded/],
    ['a stock below nothing', (t) => (t.stock = [{ name: 'x', price: null, have: -1 }]), /bench\.stock\[0\]\.have/],
    ['a plan left out', (t) => delete (t as Partial<Both>).hand, /presses\[0\]\.hand/],
  ])('are refused with %s, and where', (_, change, where) => {
    const read = spoiled(change);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problem.where).toMatch(where);
  });
});
