import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { demoJob } from '../../testing/jobs';

const RATED = assess(demoJob('rice-pot'))
  .ledger.flatMap((p) => p.ratings)
  .concat(assess(demoJob('yard-gate')).ledger.flatMap((p) => p.ratings));

describe('the local law of a value out of the circuit', () => {
  it('of a current through an LED or out of a pin is that of the resistor in its way, which its digits bear out', () => {
    const led = RATED.find((f) => f.id === 'thumb.rating.start-relay.led-amps')!;
    const [step] = led.steps;
    expect(step!.formula).toBe('(V_a - V_b) / R');
    const of = (symbol: string): number => Number(step!.inputs.find((i) => i.symbol === symbol)!.value.toPrecision(3));
    // Worked out again from what the sheet shows, in its three digits: with volts over the junction's slope of an ohm it would be lost.
    expect((of('V_a') - of('V_b')) / of('R')).toBeCloseTo(led.value!.value, 4);
    const pin = RATED.find((f) => f.id === 'board.rating.pin-start.amps')!;
    expect(pin.steps[0]!.formula).toBe('(V_a - V_b) / R');
  });

  it('comes to what the circuit was solved to, wherever it is told', () => {
    const told = RATED.filter((f) => f.limit && f.steps.length > 0);
    expect(told.length).toBeGreaterThan(10);
    for (const f of told) expect(f.steps.at(-1)!.result.value).toBeCloseTo(f.value!.value, 9);
  });
});
