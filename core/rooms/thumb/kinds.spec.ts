import { describe, expect, it } from 'vitest';
import { benchJob, pressed, waysOf } from '../../testing/jobs';
import { readNoteLine } from '../../ground/notes';
import { edited, JOINT_WAYS, type Job, type Way } from '../../ground/job';

const T = (i: number): string => `2026-03-02T14:${String(i).padStart(2, '0')}:00Z`;
function jobWith(...lines: string[]): Job {
  return [
    'ground to mains off >20M',
    'it A to mains off >20M',
    'it B to mains off >20M',
    'it A to earth on 0.3 VAC',
    'it A to earth plug-turned 0.3 VAC',
    ...lines,
  ].reduce((job, line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: T(i) });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    return edited(job, u.edit, T(i));
  }, benchJob());
}
const ways = (job: Job) =>
  Object.fromEntries(waysOf(job).map((w) => [w.way, w])) as Record<Way, ReturnType<typeof waysOf>[number]>;

describe('ways of pressing what Probe found', () => {
  it('have nothing to bridge on a touch pad, a motor, an encoder or a bus', () => {
    for (const lines of [
      ['it look glass', 'it A idle 0.31 V', 'it A-B pressed >20M'],
      ['it look two wires', 'it A-B off 4.7 ohm', 'it A-B moving 11.4 V'],
      ['it look turns on', 'it A turning 12 Hz', 'it A-B pressed >1M'],
      [
        'it look connector',
        'it A idle 3.1 V',
        'it A idle 480 Hz',
        'it A idle 94 %',
        'it B idle 0 V',
        'it B to ground off 0.1 ohm',
      ],
    ]) {
      const found = ways(jobWith(...lines));
      for (const way of JOINT_WAYS) {
        expect(found[way], `${way} on ${lines[0]}`).toMatchObject({ verdict: 'stop', applies: false });
        expect(found[way].reason).toMatch(/no contact here/);
      }
    }
  });

  it('of a ladder: a contact and a solid-state relay by how far they shift its level, a transistor never', () => {
    const found = ways(
      jobWith(
        'it look springs back',
        'it A idle 5.02 V',
        'it B to ground off 2.2k',
        'it A pressed 1.61 V',
        'it A neighbour 2.97 V',
        'it A-B pressed 0.3 ohm',
        'it short 0.728 mA',
      ),
    );
    const shift = found['solid-state-relay'].findings.find((f) => f.id === 'thumb.solid-state-relay.ladder')!;
    // (2.2k + 2.5)/(R + 2.2k + 2.5) − 2.2k/(R + 2.2k) with the lowest R ≈ 4.5k: about 0.00025 of the supply.
    expect(shift.value!.value).toBeGreaterThan(0.0002);
    expect(shift.value!.value).toBeLessThan(0.0003);
    // The 10 A relay's silver wants 100 mA, and the ladder passes 0.7 mA.
    expect(found['relay-contact'].findings.find((f) => f.id.endsWith('.minimum-load'))!.verdict).toBe('tight');
    expect(shift.verdict).toBe('settled');
    expect(found['relay-contact'].findings.find((f) => f.id.endsWith('.ladder'))!.value!.value).toBeLessThan(
      shift.value!.value,
    );
    for (const way of ['npn-to-ground', 'nmos-to-ground', 'optocoupler'] as const)
      expect(found[way].verdict).toBe('stop');
  });

  it('of a scanned key: an isolated contact stands for the finger, a transistor to ground does not', () => {
    const found = ways(
      jobWith(
        'it look membrane',
        'it A idle 4.35 V',
        'it A idle 62.4 Hz',
        'it B idle 4.96 V',
        'it B pressed 4.35 V',
        'it A-B pressed 85 ohm',
      ),
    );
    expect(found['solid-state-relay'].verdict).not.toBe('stop');
    expect(found['npn-to-ground'].findings.find((f) => f.id.endsWith('.ground-side'))!.verdict).toBe('stop');
  });

  it('of a latching switch and a selector are those of a plain line, ground side included', () => {
    const found = ways(
      jobWith(
        'it look stays down',
        'it A-B released 0.3 ohm',
        'it B to ground off 0.1 ohm',
        'it A idle 4.97 V',
        'it short 0.5 mA',
      ),
    );
    expect(found['nmos-to-ground'].verdict).not.toBe('stop');
    expect(found['npn-to-ground'].findings.find((f) => f.id.endsWith('.ground'))!.verdict).toBe('settled');
  });
});

describe('a MOSFET to ground', () => {
  const job = jobWith(
    'it look springs back',
    'it B to ground off 0.1 ohm',
    'it A idle 4.98 V',
    'it A-B pressed 0.4 ohm',
    'it A neighbour 4.98 V',
    'it short 0.498 mA',
  );
  it(
    'is driven by a pin of at least 2.9 V over the 2.5 V that its ' +
      'on-resistance is stated at, and takes no more than its pull-down draws',
    () => {
      const way = ways(job)['nmos-to-ground'];
      const of = (id: string) => way.findings.find((f) => f.id === `thumb.nmos-to-ground.${id}`)!;
      expect(of('gate').value!.value).toBeCloseTo(2.9, 6);
      expect(of('gate').limit!.value).toBeCloseTo(2.5, 6);
      expect(of('gate').verdict).toBe('settled');
      // 3.4 V over 100 kΩ.
      expect(of('pin-current').value!.value).toBeLessThan(40e-6);
      expect(way.press).toMatchObject({ sharesGround: true, holdOhms: 100e3, draws: [] });
      expect(way.parts.map((p) => p.name)).toContain('resistor, gate pull-down');
    },
  );

  it('adds the ground wire to its own resistance in the pressed level', () => {
    const long = pressed(job, { groundWireMetres: 100 });
    const level = (j: Job): number =>
      ways(j)['nmos-to-ground'].findings.find((f) => f.id.endsWith('pressed-level'))!.value!.value;
    // 100 m at 0.1 Ω a metre add 10 Ω: some 5 mV at half a milliampere.
    expect(level(long) - level(job)).toBeCloseTo(0.005, 3);
  });
});
