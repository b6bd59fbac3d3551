import { describe, expect, it } from 'vitest';
import { chosen, derive, type RangedInput } from '../../ground/finding';
import { freshPress, type FingerPlan, type HandPlan, type Piece } from '../../ground/job';
import { exactly, type Unit } from '../../ground/quantity';
import {
  depthStep,
  endToEnd,
  sizeFit,
  forceStep,
  motorUnderLoad,
  neededTorque,
  pullStep,
  pulseStep,
  rewired,
  standstillAmps,
  swingStep,
  travelStep,
} from '.';

const plan = (set: Partial<FingerPlan> = {}): FingerPlan => ({ ...freshPress().finger, ...set });
const given = () => ({ from: 'maker', what: 'test' }) as const;
const hand = (set: Partial<HandPlan> = {}): HandPlan => ({ ...freshPress().hand, ...set });
const exact = (symbol: string, value: number, unit: Unit): RangedInput => ({
  symbol,
  name: symbol,
  range: exactly(value),
  unit,
  origin: { from: 'maker', what: 'test' },
});

describe('a finger', () => {
  // Trigonometry by hand: 20 mm · (sin 30° − sin 0°) = 10 mm.
  it('moves its tip by r·(sin θ2 − sin θ1), and stands below the face by what is left', () => {
    const p = plan({ hornMetres: 0.02, restDegrees: 0, pressDegrees: 30, axisMetres: 0.009 });
    expect(travelStep(p, given).result.value).toBeCloseTo(0.01, 9);
    expect(depthStep(p, 'press', given).result.value).toBeCloseTo(0.001, 9);
    expect(depthStep(p, 'rest', given).result.value).toBeCloseTo(-0.009, 9);
  });

  // Statics: a torque of 0.18 N·m on an arm of 20 mm pushes with 9 N.
  it('pushes with torque over arm, at the weakest servo of its class', () => {
    expect(
      forceStep(
        plan({ hornMetres: 0.02 }),
        { ...exact('τ', 0.18, 'N·m'), range: { low: 0.15, nominal: 0.18, high: 0.2 } },
        given,
      ).result.value,
    ).toBeCloseTo(7.5, 9);
  });

  // 0.12 s for 60° is 90 ms for 45°, either way.
  it('takes its time to swing', () => {
    expect(
      swingStep(plan({ restDegrees: -5, pressDegrees: 40 }), exact('t_60', 0.12, 's'), given).result.value,
    ).toBeCloseTo(0.09, 9);
    expect(
      swingStep(plan({ restDegrees: 40, pressDegrees: -5 }), exact('t_60', 0.12, 's'), given).result.value,
    ).toBeCloseTo(0.09, 9);
  });

  // A servo of 180° between 0.5 and 2.5 ms moves 90° for a millisecond.
  it('gets the pulse that holds each angle, around the middle of its range', () => {
    const ends = {
      least: chosen('t_0', 'a', 0.5e-3, 's'),
      most: chosen('t_1', 'b', 2.5e-3, 's'),
      range: chosen('range', 'r', 180, '°'),
    };
    const p = plan({ restDegrees: -45, pressDegrees: 45 });
    expect(pulseStep(p, ends, 'rest', given).result.value).toBeCloseTo(1e-3, 9);
    expect(pulseStep(p, ends, 'press', given).result.value).toBeCloseTo(2e-3, 9);
  });

  // Bending of a rectangle (strength of materials): F/A = 4/(0.05·0.02) = 4 kPa; M/W = 4·0.03·6/(0.02·0.05²) = 14.4 kPa.
  it('pulls at its tape with force over area and with the tilt', () => {
    expect(
      pullStep(
        plan({ padLengthMetres: 0.05, padWidthMetres: 0.02, leverMetres: 0.03 }),
        derive('force', 'F', 'F_0', 'N', [chosen('F_0', 'f', 4, 'N')]),
        given,
      ).result.value,
    ).toBeCloseTo(18_400, 6);
  });
});

describe('a motor on a mechanism', () => {
  it('lifts what hangs at half the diameter, or turns what the crank took', () => {
    // 2 kg · 9.80665 m/s² · 20 mm = 0.392 N·m.
    expect(neededTorque(hand({ drive: 'tube', loadKilograms: 2, tubeMetres: 0.04 }), given).result.value).toBeCloseTo(
      0.392_266,
      6,
    );
    expect(neededTorque(hand({ drive: 'crank', crankNewtons: 12, crankMetres: 0.15 }), given).result.value).toBeCloseTo(
      1.8,
      9,
    );
  });

  // The permanent-magnet motor of any textbook: at half the stall torque half the free speed, and the mean of free and stalled current.
  it('slows and draws in a straight line between free and stalled', () => {
    const need = neededTorque(hand({ drive: 'crank', crankNewtons: 10, crankMetres: 0.1 }), given);
    const { speed, amps } = motorUnderLoad(need, {
      free: exact('n_0', 60, 'rpm'),
      stall: exact('τ', 2, 'N·m'),
      stallAmps: chosen('I_stall', 's', 2.1, 'A'),
      freeAmps: chosen('I_0', 'f', 0.1, 'A'),
    });
    expect(speed.result.value).toBeCloseTo(30, 9);
    expect(amps.result.value).toBeCloseTo(1.1, 9);
    // 15 turns at 30 rpm are half a minute.
    expect(endToEnd(hand({ turns: 15 }), speed).result.value).toBeCloseTo(30, 9);
  });

  // Unipolar 5 V over 50 Ω: 100 mA, 0.5 W a phase. Bipolar, both halves: 100 Ω, 100/√2 = 70.7 mA for the same 0.5 W, and √2 of the torque.
  it('is rewired from half windings to whole ones at the same heat', () => {
    const r = rewired({
      fullSteps: chosen('n_m', 'n', 32, '1'),
      gear: chosen('i', 'i', 63.68395, '1'),
      phaseOhms: chosen('R', 'R', 50, 'Ω'),
      ratedVolts: chosen('V', 'V', 5, 'V'),
      torque: chosen('τ', 't', 0.03, 'N·m'),
    });
    expect(r.ohms.result.value).toBe(100);
    expect(r.amps.result.value).toBeCloseTo(0.070_710_7, 6);
    expect(r.heat.result.value).toBeCloseTo(0.5, 9);
    expect(r.torque.result.value).toBeCloseTo(0.042_426, 5);
    expect(r.stepsPerTurn.result.value).toBeCloseTo(2037.886, 2);
    expect(standstillAmps(12, r.ohms).result.value).toBeCloseTo(0.12, 9);
  });
});

describe('fits', () => {
  const piece = (name: string, ...readings: number[]): Piece => ({
    id: name,
    name,
    kind: 'shaft',
    readings,
    caliperMetres: 0.5e-6,
  });
  // ISO 286, 25 H7/g6: bore 25.000 to 25.021 mm, shaft 24.980 to 24.993 mm, play 7 to 41 µm.
  it('of H7 and g6 slide, at both ends of their tolerances', () => {
    for (const [shaft, bore, play] of [
      [24.993e-3, 25e-3, 7e-6],
      [24.98e-3, 25.021e-3, 41e-6],
    ] as const) {
      const fit = sizeFit(piece('shaft', shaft), piece('bore', bore))!;
      expect(fit.clearance).toBeCloseTo(play, 9);
      expect(fit.verdict).toBe('slides');
    }
  });
  // ISO 286, 25 H7/p6: shaft 25.022 to 25.035 mm, an overlap of 1 to 35 µm: pressed together.
  it('of H7 and p6 press', () => {
    expect(sizeFit(piece('shaft', 25.035e-3), piece('bore', 25e-3))!.verdict).toBe('press');
  });
  it('tell loose from what will not go, stay unsure where the caliper is, and wait for readings', () => {
    expect(sizeFit(piece('a', 9e-3), piece('b', 10e-3))!.verdict).toBe('loose');
    expect(sizeFit(piece('a', 10.2e-3), piece('b', 10e-3))!.verdict).toBe('will not go');
    expect(
      sizeFit({ ...piece('a', 10e-3), caliperMetres: 30e-6 }, { ...piece('b', 10.01e-3), caliperMetres: 30e-6 })!
        .verdict,
    ).toBe('unsure');
    expect(sizeFit(piece('a'), piece('b', 1e-2))).toBeNull();
  });
});
