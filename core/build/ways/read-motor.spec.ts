import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { applyEdit } from '../../ground/job';
import { demoJob } from '../../testing/jobs';

const shutter = demoJob('hatch-shutter');
const press = shutter.presses[0]!;
const withMotor = (set: Partial<typeof press.motor>, given: readonly string[] = press.given) => ({
  ...shutter,
  presses: shutter.presses.map((p) => (p === press ? { ...p, given: [...given], motor: { ...p.motor, ...set } } : p)),
});
const findingsOf = (job: typeof shutter) => {
  const of = (id: string) => assess(job).findings.find((f) => f.id === `thumb.reverse-motor.${id}`);
  return { supply: of('supply-read'), winding: of('winding-read'), defaults: of('defaults') };
};

describe('a motor in the plan beside the motor that was read', () => {
  it('has its supply confirmed by a reading of the same', () => {
    // 11.7 V were read at it while it moved.
    const none = press.given.filter((path) => path !== 'motor.supplyVolts');
    expect(findingsOf(withMotor({ wiring: 'bridge' }, none)).defaults?.title ?? '').not.toContain('motor supply');
    expect(findingsOf(withMotor({ wiring: 'bridge' }, none)).supply).toBeUndefined();
    // Half a volt further off it is neither confirmed nor another one.
    const off = findingsOf(withMotor({ wiring: 'bridge', supplyVolts: 12.6 }, none));
    expect(off.defaults?.title).toContain('motor supply');
    expect(off.supply).toBeUndefined();
  });

  it('is unknown while the plan feeds it something else, confirmed or not, and one press takes what was read', () => {
    const job = withMotor({ supplyVolts: 24 });
    const { supply } = findingsOf(job);
    expect(supply).toMatchObject({ verdict: 'unknown' });
    const edited = applyEdit(job, supply!.remedy!.edit!, '2026-11-30T12:00:00Z');
    const cured = edited.ok ? edited.job : job;
    expect(findingsOf(cured).supply).toBeUndefined();
    expect(cured.presses[0]!.motor.supplyVolts).toBeCloseTo(11.7, 1);
  });

  it('cannot draw less when it stands than its winding lets through (Ohm)', () => {
    // 4.6 Ω at 12 V: 2.6 A; brushes may show a third too many ohms, not three times as many.
    expect(findingsOf(withMotor({ stallAmps: 0.8 })).winding).toMatchObject({ verdict: 'unknown' });
    expect(findingsOf(withMotor({ stallAmps: 2 })).winding).toBeUndefined();
    expect(findingsOf(withMotor({ stallAmps: 4 })).winding).toBeUndefined();
  });
});
