import { carried, chosen, derive, type Input, type Step } from '../../ground/finding';

/** A centre-tapped stepper as it comes: full steps `n_m`, gear `i`, half a winding `R` in Ω, rated voltage `V`, torque `τ` in N·m. */
export interface UnipolarStepper {
  readonly fullSteps: Input;
  readonly gear: Input;
  readonly phaseOhms: Input;
  readonly ratedVolts: Input;
  readonly torque: Input;
}

/** What cutting the centre tap makes of it. */
export interface Rewired {
  readonly ohms: Step;
  readonly unipolarAmps: Step;
  /** Winding current at which the motor gets just as warm as before. */
  readonly amps: Step;
  readonly heat: Step;
  readonly torque: Step;
  readonly stepsPerTurn: Step;
}

/**
 * A unipolar stepper driven as a bipolar one: both halves in series have twice the resistance and twice the turns; at the
 * same heat the current falls by √2 and the torque rises by √2. Source: any text on stepping motors (unipolar and bipolar drive).
 */
export function rewired(m: UnipolarStepper): Rewired {
  const half: Input = { ...m.phaseOhms, symbol: 'R_h' };
  const ohms = derive('whole winding, centre tap cut', 'R', '2 * R_h', 'Ω', [half]);
  const unipolarAmps = derive('current of half a winding, as it comes', 'I_h', 'V / R_h', 'A', [
    { ...m.ratedVolts, symbol: 'V' },
    half,
  ]);
  const amps = derive('current of the whole winding for the same heat', 'I', 'I_h / sqrt(2)', 'A', [
    carried(unipolarAmps),
  ]);
  const heat = derive('heat of a phase', 'P', 'I^2 * R', 'W', [carried(amps), carried(ohms)]);
  const torque = derive('torque at the same heat', 'τ', 'τ_0 * sqrt(2)', 'N·m', [{ ...m.torque, symbol: 'τ_0' }]);
  const stepsPerTurn = derive('full steps for one turn of the shaft', 'n', 'n_m * i', '1', [
    { ...m.fullSteps, symbol: 'n_m' },
    { ...m.gear, symbol: 'i' },
  ]);
  return { ohms, unipolarAmps, amps, heat, torque, stepsPerTurn };
}

/** Highest current that a driver without current limit lets flow at standstill, A. */
export const standstillAmps = (driverVolts: number, ohms: Step): Step =>
  derive('current at standstill without a limit', 'I_max', 'V_drv / R', 'A', [
    chosen('V_drv', 'supply of the driver', driverVolts, 'V', 'set in Thumb'),
    carried(ohms),
  ]);
