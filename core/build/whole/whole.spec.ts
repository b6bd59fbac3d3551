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

describe('what rests on a guess', () => {
  const unread = (job: Job): Job => ({
    ...job,
    readings: job.readings.map((r) => (r.kind === 'volts-dc' || r.kind === 'amps' ? { ...r, struck: true } : r)),
  });

  it('is unknown where nobody read the machine’s side, and settled beside it where that does not matter', () => {
    const job = unread(demoJob('rice-pot'));
    expect(row(job, 'solid-state-relay', 'load-volts')).toMatchObject({
      verdict: 'unknown',
      guess: expect.stringContaining('nobody read'),
    });
    expect(row(job, 'solid-state-relay', 'led-least-amps')).toMatchObject({ verdict: 'settled', guess: '' });
  });

  it('is tight where a usual lead stands for one that nobody described', () => {
    const job = fed(gate, {}, { metres: null, squareMetres: null });
    expect(row(job, 'relay', 'coil-most-volts')).toMatchObject({
      verdict: 'tight',
      guess: expect.stringContaining('lead'),
    });
    expect(row(job, 'pin', 'amps')).toMatchObject({ verdict: 'settled' });
  });

  it.each([
    ['whose volts nobody said', { volts: null }],
    ['that alternates', { current: 'ac' as const }],
  ])('is unknown behind a supply %s, and never settled at no volts', (_, set) => {
    const job = fed(gate, set);
    for (const key of ['coil-least-volts', 'coil-most-volts']) expect(row(job, 'relay', key).verdict).toBe('unknown');
  });

  it('meets what alternates either way round', () => {
    const loop = {
      ...gate,
      readings: gate.readings.map((r) => (r.kind === 'volts-dc' ? { ...r, kind: 'volts-ac' as const } : r)),
    };
    const facts = assess(loop).facts;
    const fact = Object.values(facts.controls)[0]!;
    if (fact.alternating === 'no') throw new Error('it does not alternate');
    const coupled = pressed(loop, { way: 'optocoupler' });
    const reverse = row(coupled, 'optocoupler', 'output-reverse-volts');
    expect(reverse.verdict).not.toBe('settled');
    expect(reverse.stress!).toBeGreaterThan(6);
  });
});

describe('what moves, what is let go, and what people hold', () => {
  const flaps = demoJob('steam-flaps');
  const motor = (set: Partial<Job['presses'][number]['motor']>, given: string[] = []): Job =>
    pressed(flaps, { motor: { ...flaps.presses[0]!.motor, ...set }, given });
  const first = (job: Job, key: string): LedgerRow => row(job, 'bridge', key);

  it('is a bridge’s peak as its motor is blocked: the supply over winding and bridge, and no more', () => {
    const peak = first(flaps, 'peak-amps');
    expect(peak.state?.id).toBe('stalled flap-1');
    // 0.8 A at 12 V are 15 Ω; the supply is 5 % high at most, the bridge has 0.3 Ω at least.
    expect(peak.stress!).toBeLessThanOrEqual((12 * 1.05) / (15 + 0.3));
    expect(peak.stress!).toBeGreaterThan(0.95 * 0.8);
    expect(first(motor({ stallAmps: 6 }), 'peak-amps').verdict).toBe('stop');
    // Its winding was read in Probe: the supply over that flows as it stands.
    expect(first(motor({ stallAmps: null }), 'peak-amps')).toMatchObject({ verdict: 'settled', guess: '' });
  });

  it('is tight while nobody confirmed what the motor draws, and unknown where that contradicts itself', () => {
    expect(first(flaps, 'lasting-amps')).toMatchObject({
      verdict: 'tight',
      guess: expect.stringContaining('nobody confirmed'),
    });
    expect(first(motor({}, ['motor.stallAmps', 'motor.runningAmps']), 'lasting-amps')).toMatchObject({
      verdict: 'settled',
      guess: '',
    });
    expect(first(motor({ runningAmps: 1.2 }), 'lasting-amps').verdict).toBe('unknown');
  });

  it('is a coil’s collector over the supply by its diode, at the instant at which it is let go', () => {
    const collector = row(gate, 'npn', 'collector-volts');
    expect(collector.state?.id).toBe('release gate');
    expect(collector.stress!).toBeGreaterThan(5 * 1.05 + 0.9);
    expect(collector.stress!).toBeLessThan(5 * 1.05 + 1.1);
    const diode = row(gate, 'diode', 'forward-amps');
    expect(diode.state?.id).toBe('release gate');
  });

  it('is a hand’s high through its pull-up less what the pin leaks, and the heat of the pull-up while it is held', () => {
    const arm = (ohms: number): Job => ({ ...gate, hands: gate.hands.map((h) => ({ ...h, pullUpOhms: ohms })) });
    const high = (job: Job): LedgerRow =>
      rows(job).find((r) => r.part.id === 'pin arm' && r.rating.key === 'least-volts')!;
    // 1 µA through 1.05 MΩ.
    expect(high(arm(1e6)).stress!).toBeCloseTo(3.3 - 1.05, 2);
    expect(high(arm(1e6)).verdict).toBe('stop');
    expect(high(arm(4700)).verdict).toBe('settled');
    const heat = rows(arm(100)).find((r) => r.part.id === 'arm pull-up' && r.rating.key === 'watts')!;
    expect(heat.state?.id).toBe('hands');
    expect(heat.stress!).toBeCloseTo(3.3 ** 2 / 95, 2);
  });

  it('is a servo at the least volts of its supply while it presses', () => {
    const rocker = demoJob('extractor-rocker');
    expect(row(rocker, 'servo', 'supply-least-volts').verdict).toBe('settled');
    expect(row(fed(rocker, { volts: 4 }), 'servo', 'supply-least-volts').verdict).toBe('stop');
  });
});

describe('pins at the machine’s own lines', () => {
  const proofer = demoJob('dough-proofer');
  const fan = demoJob('hood-fan');
  const switched = pressed(demoJob('rice-pot'), { way: 'analogue-switch', resistorOhms: null });
  const signal = (set: Partial<Job['presses'][number]['signal']>): Job =>
    pressed(fan, { signal: { ...fan.presses[0]!.signal, ...set } });

  it('push no more into a machine without power than its clamps bear', () => {
    // (3.4 − 0.3) V over 9.5 kΩ and the clamp; over 95 Ω a hundred times that.
    const held = row(switched, 'analogue-switch', 'control-clamp-amps');
    expect([held.verdict, held.state?.id]).toEqual(['settled', 'machine-dead-pressed']);
    const bare = row(
      { ...switched, presses: [{ ...switched.presses[0]!, resistorOhms: 100 }] },
      'analogue-switch',
      'control-clamp-amps',
    );
    expect([bare.verdict, bare.state?.id]).toEqual(['stop', 'machine-dead-pressed']);
    expect(row(proofer, 'logic', 'select-clamp-amps').verdict).toBe('settled');
  });

  it('take no more from it while the controller is off, and read what it gives', () => {
    const back = (job: Job, key: string): LedgerRow =>
      rows(job).find((r) => r.part.id === 'pin speed/back' && r.rating.key === key)!;
    const dead = back(fan, 'clamp-amps');
    expect([dead.verdict, dead.state?.id]).toEqual(['settled', 'board-dead']);
    // (5 − 0.3) V over 9.5 kΩ.
    expect(dead.stress!).toBeCloseTo(4.7 / 9.51e3, 5);
    expect(back(signal({ returnVolts: 24 }), 'clamp-amps').verdict).toBe('stop');
    expect(back(signal({ returnVolts: 1.8 }), 'least-volts').verdict).toBe('stop');
  });

  it('are there for a strobe that a program answers, whose dead pins hold the pad', () => {
    const strobe = pressed(proofer, { way: 'strobe-answer' });
    const dead = rows(strobe).find((r) => r.rating.key === 'clamp-amps' && r.rating.applies)!;
    expect([dead.verdict, dead.state?.id]).toEqual(['stop', 'board-dead']);
  });

  it('bring nothing of their own for a key that another press has wired, nor for a way that is no use here', () => {
    expect(rows(proofer).some((r) => r.part.of === 'key-2')).toBe(false);
    expect(rows(pressed(demoJob('rice-pot'), { way: 'drive-signal' })).some((r) => r.part.room === 'thumb')).toBe(
      false,
    );
  });
});
