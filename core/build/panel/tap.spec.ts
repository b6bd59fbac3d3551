import { describe, expect, it } from 'vitest';
import { demoJob } from '../../testing/jobs';
import { assess } from '../../house/assess';
import { wholeWiring } from '../../house/job-wiring';
import { edited, freshSense, type Sense } from '../../ground/job';

const pot = demoJob('rice-pot');
const SIGNAL = {
  nature: 'steady',
  lowVolts: 0,
  sourceOhms: 100,
  hertz: null,
  duty: null,
  shortestSeconds: null,
} as const;
function withSense(set: Partial<Sense>) {
  const lamp = freshSense('lamp', 'lamp');
  const item: Sense = { ...lamp, kind: 'lamp', touches: 'coupled', highVolts: 12, signal: SIGNAL, ...set };
  const job = edited(pot, { do: 'put', list: 'senses', item }, '2026-03-02T14:00:00Z');
  const a = assess(job);
  return { ...a, wiring: wholeWiring(job, a) };
}

describe('the joint of a sense', () => {
  it('pulls its pin low behind an optocoupler, with a pull-up of its own, and joins no grounds', () => {
    const a = withSense({ joint: 'coupler' });
    expect(a.lines.find((l) => l.id === 'lamp')).toMatchObject({ active: 'low', asks: ['input'] });
    const wires = a.wiring.wires.filter((w) => w.of === 'lamp').map((w) => `${w.from} – ${w.to}`);
    expect(wires.some((w) => w.includes('optocoupler, collector of lamp'))).toBe(true);
    expect(wires.some((w) => /lamp ground.*optocoupler, cathode/.test(w))).toBe(true);
    // (12 V − 1.2 V) at a milliampere are 10.8 kΩ, and the next of E12 below is 10 kΩ.
    expect(a.wiring.parts.find((p) => p.name === 'resistor, before the lamp of an optocoupler')!.value).toContain(
      '10 kΩ',
    );
    expect(a.wiring.parts.find((p) => p.name === 'resistor, pull-up of a sense')!.value).toContain('22 kΩ');
  });

  it('leaves a level high behind two resistors, and takes a tenth of it at most', () => {
    const a = withSense({ joint: 'divider', touches: 'machine' });
    expect(a.lines.find((l) => l.id === 'lamp')!.active).toBe('high');
    // 12 V over 29.2 kΩ + 10 kΩ are 306 µA; behind 100 Ω that is 0.3 % of it.
    const load = a.findings.find((f) => f.id === 'sense.tap.lamp.load')!;
    expect(load.value!.value).toBeCloseTo(0.26, 1);
    expect(load.verdict).toBe('settled');
  });

  it('lets what alternates through a capacitor that follows its hertz', () => {
    const a = withSense({
      kind: 'beep',
      touches: 'machine',
      highVolts: 5,
      joint: 'pump',
      signal: { ...SIGNAL, nature: 'alternating', hertz: 2700, shortestSeconds: 0.3 },
    });
    // 20 µS at 2.7 kHz are 7.4 nF, and the next of E6 above is 10 nF.
    const part = a.wiring.parts.find((p) => p.name === 'film capacitor that lets through what alternates')!;
    expect(part.value).toContain('10 nF');
    expect(a.findings.find((f) => f.id === 'sense.tap.lamp.on')!.verdict).toBe('settled');
  });
});
