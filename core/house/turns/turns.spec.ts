import { describe, expect, it } from 'vitest';
import { edited, type Job } from '../../ground/job';
import { demoJob, unmoved } from '../../testing/jobs';
import { assess } from '../assess';
import { ratingTurns, type Turns } from './turns';

const found = (job: Job, id: string): Turns => {
  const t = ratingTurns(job, id);
  if (!t) throw new Error(`no rating ${id}`);
  return t;
};
const ratingOf = (job: Job, id: string) =>
  assess(job)
    .ledger.flatMap((p) => p.ratings)
    .find((f) => f.id === id);

describe('what would turn a rating of the whole circuit', () => {
  const gate = demoJob('yard-gate');
  const press = gate.presses[0]!;
  const amps = 'thumb.rating.gate-base-resistor.watts';

  it('is found by solving anew, and is an edge: a hair before it nothing is turned', () => {
    const before = ratingOf(gate, amps)!;
    const { values, verdict, all } = found(gate, amps);
    expect([verdict, all]).toEqual([before.verdict, true]);
    const resistor = values.find((v) => v.words.endsWith('Resistor'))!;
    const at = (ohms: number) =>
      ratingOf(
        edited(gate, { do: 'set', at: 'press', of: press.id, set: { resistorOhms: ohms } }, gate.touchedAt),
        amps,
      )!.verdict;
    expect(at(resistor.to)).toBe(resistor.verdict);
    expect(at(resistor.to * 1.02)).toBe(before.verdict);
    // By hand: over 3.2 V or so across it, an eighth of a watt is reached at some 80 Ω and less.
    expect(resistor.to).toBeGreaterThan(40);
    expect(resistor.to).toBeLessThan(100);
    // The pin gives out long before.
    expect(resistor.first).toContain('pin current');
  });

  it('is a confirmation where nobody confirmed a number that is well as it stands', () => {
    // One flap of the eight is enough.
    const all = unmoved(demoJob('steam-flaps'));
    const flaps = all.presses
      .slice(1)
      .reduce((job, p) => edited(job, { do: 'drop', list: 'presses', key: p.id }, job.touchedAt), all);
    const open = assess(flaps)
      .ledger.flatMap((p) => p.ratings)
      .find((f) => f.verdict === 'tight')!;
    const { values } = found(flaps, open.id);
    expect(values.map((v) => [v.confirms, v.verdict])).toContainEqual([true, 'settled']);
    for (const v of values) expect(v.first).toEqual([]);
  });

  it('is the number and every other part that settle it, each tried in the whole job', () => {
    const pot = demoJob('rice-pot');
    const weak = edited(
      pot,
      { do: 'set', at: 'press', of: pot.presses[0]!.id, set: { resistorOhms: 450 } },
      pot.touchedAt,
    );
    const id = 'thumb.rating.start-relay.led-least-amps';
    expect(ratingOf(weak, id)!.verdict).toBe('stop');
    const { parts, values } = found(weak, id);
    expect(values.map((v) => [v.words, v.verdict])).toEqual([['start: Resistor', 'settled']]);
    expect(values[0]!.to).toBeLessThan(450);
    expect(parts.length).toBeGreaterThan(0);
    const before = assess({ ...weak, trials: [] }).findings;
    for (const p of parts) {
      const after = { ...edited(weak, p.edit, weak.touchedAt), trials: [] };
      expect(ratingOf(after, id)!.verdict).toBe('settled');
      const stops = (all: typeof before): number => all.filter((f) => f.verdict === 'stop' && f.room !== 'try').length;
      expect(stops(assess(after).findings)).toBeLessThanOrEqual(stops(before));
    }
  });

  it('is no more than the supply allows: a coil of 5 V on 9 V', () => {
    const source = gate.feed.sources[0]!;
    const high = edited(gate, { do: 'put', list: 'feed.sources', item: { ...source, volts: 9 } }, gate.touchedAt);
    const { values } = found(high, 'thumb.rating.gate-relay.coil-most-volts');
    const volts = values.find((v) => v.words.includes('supply gives'))!;
    expect(volts.to).toBeLessThan(9);
    expect(volts.to).toBeGreaterThan(5);
  });

  it('is nothing for a rating that the job has not, and stops when it is told to', () => {
    expect(ratingTurns(gate, 'thumb.rating.nothing.watts')).toBeNull();
    const cut = ratingTurns(gate, amps, () => false)!;
    expect([cut.looked, cut.all]).toEqual([0, false]);
  });
});
