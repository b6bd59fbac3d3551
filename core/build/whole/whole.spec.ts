import { describe, expect, it } from 'vitest';
import { changed, demoJob, fed, pressed } from '../../testing/jobs';
import { assess } from '../../house/assess';
import type { Job } from '../../ground/job';
import { fitted, ledgerOf, wholeCircuit, type LedgerRow } from './index';

const rows = (job: Job): readonly LedgerRow[] => ledgerOf(wholeCircuit(job, assess(job).facts));
const row = (job: Job, part: string, key: string): LedgerRow => {
  const found = rows(job).find((r) => r.part.kind === part && r.rating.key === key);
  if (!found) throw new Error(`no ${key} of a ${part}`);
  return found;
};
const gate = demoJob('yard-gate');

describe('the ledger', () => {
  it('has a row for each rating that the kind of each part has, in every demo job', () => {
    for (const name of ['rice-pot', 'yard-gate', 'larder-dehumidifier', 'steam-flaps', 'dough-proofer'] as const)
      for (const r of rows(demoJob(name)))
        expect(r.rating.applies || r.rating.because, `${name} ${r.part.name}`).toBeTruthy();
  });

  it('refuses a part that leaves a rating of its kind out', () => {
    const part = wholeCircuit(gate, assess(gate).facts).parts[0]!;
    expect(() => fitted({ ...part, ratings: part.ratings.slice(1) })).toThrow(/its kind has/);
  });

  it('counts the coil’s own lead: a Darlington and 5 m of thin wire leave too little', () => {
    const thin = fed(
      pressed(gate, { picks: { ...gate.bench.picks, npn: 'npn-darlington' } }),
      {},
      { metres: 5.2, squareMetres: 0.08e-6 },
    );
    const coil = row(thin, 'relay', 'coil-least-volts');
    expect(coil.verdict).toBe('stop');
    expect(coil.state?.id).toBe('press gate');
    // 4.75 V less the lead with the board's burst and the coil, less what the Darlington keeps.
    expect(coil.stress!).toBeLessThan(4.75 - 1.1);
    expect(row(gate, 'relay', 'coil-least-volts').verdict).toBe('settled');
  });

  it('does not call a coil settled that nothing feeds', () => {
    const bare = changed(gate, 'feed', { sources: [], links: [], hangs: [], converters: [] });
    expect(row(bare, 'relay', 'coil-least-volts').verdict).toBe('unknown');
  });

  it('burns a pin with a small base resistor, in the state in which it presses', () => {
    const pin = row(pressed(gate, { resistorOhms: 22 }), 'pin', 'amps');
    expect([pin.verdict, pin.state?.id]).toEqual(['stop', 'press gate']);
    // (3.4 − 0.47) V over 20.9 Ω and the junction's slope.
    expect(pin.stress!).toBeGreaterThan(0.12);
  });

  it('shows of each value the law of its place with the volts at its ends', () => {
    const base = row(gate, 'resistor', 'watts');
    expect(base.steps.map((s) => s.formula)).toEqual(['V_a - V_b', '(V_a - V_b) / R', 'V * I']);
    expect(base.steps.at(-1)!.result.value / base.stress!).toBeCloseTo(1, 6);
  });

  it('leaves unknown what a contact breaks that may feed a coil', () => {
    const heavy = { ...gate, controls: gate.controls.map((c) => ({ ...c, feeds: 'coil' as const })) };
    expect(row(heavy, 'relay', 'contact-kick').verdict).toBe('unknown');
    expect(row(gate, 'relay', 'contact-kick').rating.applies).toBe(false);
  });
});
