import { gearRatio } from './gear';
import { at, row, type ShippedPart } from './shipped-part';

/** The train of the small geared stepper, as counted on opened ones (`parts-stepper`). */
const SMALL_GEARS = gearRatio([
  [32, 9],
  [22, 11],
  [26, 9],
  [31, 10],
]);

/** Servos, steppers and geared motors that ship. */
export const MOTION: readonly ShippedPart[] = [
  row('servo-micro', 'servo', 'micro servo, plastic gears, 0.15 N·m', 'parts-servo', {
    supplyVolts: at(5),
    torqueNewtonMetres: [0.12, 0.15, 0.18],
    secondsPer60: [0.1, 0.12, 0.15],
    leastPulseSeconds: at(0.5e-3),
    mostPulseSeconds: at(2.4e-3),
    rangeDegrees: at(180),
    idleAmps: at(0.01),
    stallAmps: at(0.7),
  }),
  row('servo-metal', 'servo', 'micro servo, metal gears, 0.2 N·m', 'parts-servo', {
    supplyVolts: at(5),
    torqueNewtonMetres: [0.17, 0.2, 0.24],
    secondsPer60: [0.08, 0.1, 0.13],
    leastPulseSeconds: at(0.5e-3),
    mostPulseSeconds: at(2.4e-3),
    rangeDegrees: at(180),
    idleAmps: at(0.01),
    stallAmps: at(0.8),
  }),
  row('servo-standard', 'servo', 'standard servo, 0.9 N·m', 'parts-servo', {
    supplyVolts: at(5),
    torqueNewtonMetres: [0.75, 0.9, 1],
    secondsPer60: [0.15, 0.18, 0.22],
    leastPulseSeconds: at(0.5e-3),
    mostPulseSeconds: at(2.5e-3),
    rangeDegrees: at(180),
    idleAmps: at(0.015),
    stallAmps: at(1.8),
  }),
  row('servo-strong', 'servo', 'strong servo, 1.9 N·m', 'parts-servo', {
    supplyVolts: at(6),
    torqueNewtonMetres: [1.6, 1.9, 2.1],
    secondsPer60: [0.14, 0.16, 0.2],
    leastPulseSeconds: at(0.5e-3),
    mostPulseSeconds: at(2.5e-3),
    rangeDegrees: at(270),
    idleAmps: at(0.02),
    stallAmps: at(2.6),
  }),

  row('stepper-five', 'stepper', 'geared stepper, 28 mm, 5 V, five wires', 'parts-stepper', {
    fullSteps: at(32),
    gear: at(SMALL_GEARS),
    phaseOhms: [45, 50, 55],
    ratedVolts: at(5),
    torqueNewtonMetres: [0.03, 0.034, 0.04],
    stepRateHertz: at(500),
    torqueHertz: at(120),
    centreTapped: at(1),
  }),
  row('stepper-twelve', 'stepper', 'geared stepper, 28 mm, 12 V, five wires', 'parts-stepper', {
    fullSteps: at(32),
    gear: at(SMALL_GEARS),
    phaseOhms: [180, 200, 220],
    ratedVolts: at(12),
    torqueNewtonMetres: [0.03, 0.034, 0.04],
    stepRateHertz: at(500),
    torqueHertz: at(120),
    centreTapped: at(1),
  }),
  row('stepper-four', 'stepper', 'hybrid stepper, 42 mm, 1.8°, four wires', 'parts-stepper-hybrid', {
    fullSteps: at(200),
    gear: at(1),
    phaseOhms: [1.3, 1.5, 1.7],
    ratedVolts: at(2.5),
    torqueNewtonMetres: [0.35, 0.4, 0.45],
    stepRateHertz: at(1500),
    torqueHertz: at(300),
    centreTapped: at(0),
  }),

  row('gear-worm', 'gear-motor', 'worm gear motor, 12 V, 30 rpm', 'parts-gear-motor', {
    ratedVolts: at(12),
    freeRpm: [27, 30, 33],
    stallNewtonMetres: [2.5, 3, 3.5],
    stallAmps: at(2.5),
    freeAmps: at(0.15),
    selfLocking: at(1),
  }),
  row('gear-spur', 'gear-motor', 'spur gear motor, 12 V, 60 rpm', 'parts-gear-motor', {
    ratedVolts: at(12),
    freeRpm: [54, 60, 66],
    stallNewtonMetres: [1.2, 1.5, 1.8],
    stallAmps: at(1.8),
    freeAmps: at(0.1),
    selfLocking: at(0),
  }),
  row('gear-small', 'gear-motor', 'small plastic gear motor, 5 V, 200 rpm', 'parts-gear-motor', {
    ratedVolts: at(5),
    freeRpm: [160, 200, 240],
    stallNewtonMetres: [0.06, 0.08, 0.1],
    stallAmps: at(0.8),
    freeAmps: at(0.12),
    selfLocking: at(0),
  }),
];
