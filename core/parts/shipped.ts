import type { SourceKey } from '../finding';
import type { Bounds, PartKind } from '../job';
import { gearRatio } from './gear';

/** A class of parts that ships: values as the trade knows them, each row with its source. */
export interface ShippedPart {
  readonly id: string;
  readonly kind: PartKind;
  readonly name: string;
  readonly source: SourceKey;
  readonly values: Readonly<Record<string, Bounds>>;
}

const at = (x: number): Bounds => [x, x, x];
const tenth = (x: number): Bounds => [0.9 * x, x, 1.1 * x];
const row = (id: string, kind: PartKind, name: string, source: SourceKey, values: Readonly<Record<string, Bounds>>): ShippedPart => ({ id, kind, name, source, values });

const silver = { onOhms: [0.02, 0.1, 0.5] as Bounds, minimumAmps: at(0.1), contactAmps: at(10), inrushAmps: at(25), contactVolts: at(250), isolationVolts: at(4000), gapMetres: at(8e-3) };
/** What ready-made boards keep apart, whatever the relay on them bears. */
const boarded = { ...silver, isolationVolts: at(2500), gapMetres: at(3e-3) };
const gold = { onOhms: [0.02, 0.1, 0.5] as Bounds, minimumAmps: at(10e-6), contactAmps: at(1), inrushAmps: at(2), contactVolts: at(60), isolationVolts: at(1500), gapMetres: at(1.5e-3) };
const small = { leakageAmps: [0, 1e-9, 50e-9] as Bounds, baseVolts: [0.65, 0.7, 0.85] as Bounds, saturationVolts: [0.02, 0.05, 0.2] as Bounds };

/** The train of the small geared stepper, as counted on opened ones (`parts-stepper`). */
const SMALL_GEARS = gearRatio([[32, 9], [22, 11], [26, 9], [31, 10]]);

/** Part classes that ship; the first of each kind is taken where nothing is picked. */
export const SHIPPED_PARTS: readonly ShippedPart[] = [
  row('npn-small', 'npn', 'small-signal NPN, 40 V, 200 mA', 'parts-npn', { ...small, gain: [100, 200, 400], collectorVolts: at(40), collectorAmps: at(0.2) }),
  row('npn-medium', 'npn', 'medium NPN, 40 V, 600 mA', 'parts-npn-medium', { ...small, baseVolts: [0.65, 0.75, 1.2], saturationVolts: [0.02, 0.1, 0.3], gain: [75, 150, 300], collectorVolts: at(40), collectorAmps: at(0.6) }),
  row('npn-darlington', 'npn', 'Darlington NPN, 50 V, 500 mA', 'parts-npn-darlington', { ...small, baseVolts: [1.2, 1.35, 1.6], saturationVolts: [0.6, 0.8, 1.1], gain: [1000, 3000, 20000], collectorVolts: at(50), collectorAmps: at(0.5) }),

  row('nmos-logic', 'nmos', 'logic-level N-MOSFET, 20 V, stated at 2.5 V', 'parts-nmos', { thresholdVolts: [0.6, 1, 1.3], onOhms: [0.05, 0.3, 1], statedAtVolts: at(2.5), leakageAmps: [0, 10e-9, 1e-6], drainVolts: at(20), drainAmps: at(0.8) }),
  row('nmos-small', 'nmos', 'small N-MOSFET, 60 V, stated at 4.5 V', 'parts-nmos-small', { thresholdVolts: [0.8, 2.1, 3], onOhms: [1, 2, 5], statedAtVolts: at(4.5), leakageAmps: [0, 10e-9, 1e-6], drainVolts: at(60), drainAmps: at(0.2) }),
  row('nmos-power', 'nmos', 'power N-MOSFET, 30 V, stated at 4.5 V', 'parts-nmos-power', { thresholdVolts: [1, 1.5, 2.2], onOhms: [0.004, 0.008, 0.015], statedAtVolts: at(4.5), leakageAmps: [0, 100e-9, 1e-6], drainVolts: at(30), drainAmps: at(20) }),

  row('opto-plain', 'optocoupler', 'transistor output, transfer 50 to 600 %', 'parts-opto', { ledVolts: [1, 1.2, 1.4], transfer: [0.5, 1, 6], saturationVolts: [0.05, 0.1, 0.3], leakageAmps: [0, 3e-9, 100e-9], outputVolts: at(35), outputAmps: at(0.05), isolationVolts: at(5000), gapMetres: at(7e-3) }),
  row('opto-ranked', 'optocoupler', 'transistor output, transfer ranked 100 to 200 %', 'parts-opto-ranked', { ledVolts: [1, 1.2, 1.4], transfer: [1, 1.4, 2], saturationVolts: [0.05, 0.1, 0.3], leakageAmps: [0, 3e-9, 100e-9], outputVolts: at(70), outputAmps: at(0.05), isolationVolts: at(5000), gapMetres: at(7e-3) }),
  row('opto-darlington', 'optocoupler', 'Darlington output, transfer over 600 %', 'parts-opto-darlington', { ledVolts: [1, 1.2, 1.4], transfer: [6, 15, 75], saturationVolts: [0.6, 0.8, 1.2], leakageAmps: [0, 50e-9, 1e-6], outputVolts: at(35), outputAmps: at(0.06), isolationVolts: at(5000), gapMetres: at(7e-3) }),

  row('ssr-60', 'solid-state-relay', 'MOSFET output, 60 V, 0.4 A, 2.5 Ω', 'parts-ssr', { ledVolts: [1.1, 1.25, 1.5], operateAmps: at(3e-3), onOhms: [0.5, 1, 2.5], leakageAmps: [0, 10e-9, 1e-6], loadVolts: at(60), loadAmps: at(0.4), isolationVolts: at(1500), gapMetres: at(3e-3) }),
  row('ssr-400', 'solid-state-relay', 'MOSFET output, 400 V, 0.12 A, 35 Ω', 'parts-ssr-400', { ledVolts: [1.1, 1.25, 1.5], operateAmps: at(3e-3), onOhms: [15, 25, 35], leakageAmps: [0, 10e-9, 1e-6], loadVolts: at(400), loadAmps: at(0.12), isolationVolts: at(5000), gapMetres: at(7e-3) }),
  row('ssr-low-ohm', 'solid-state-relay', 'MOSFET output, 60 V, 2 A, 0.3 Ω', 'parts-ssr-low-ohm', { ledVolts: [1.1, 1.3, 1.5], operateAmps: at(5e-3), onOhms: [0.05, 0.15, 0.3], leakageAmps: [0, 10e-9, 1e-6], loadVolts: at(60), loadAmps: at(2), isolationVolts: at(2500), gapMetres: at(5e-3) }),

  row('relay-power', 'relay', '10 A, 5 V coil, silver power contact', 'parts-relay', { ...silver, coilVolts: at(5), coilOhms: [63, 70, 77], poles: at(1), operateSeconds: [4e-3, 8e-3, 15e-3] }),
  row('relay-signal', 'relay', '1 A, 5 V coil, gold signal contact', 'parts-relay-signal', { ...gold, coilVolts: at(5), coilOhms: [150.3, 167, 183.7], poles: at(2), operateSeconds: [1e-3, 3e-3, 6e-3] }),
  row('relay-reed', 'relay', '0.5 A, 5 V coil, sealed reed contact', 'parts-relay-reed', { onOhms: [0.05, 0.15, 0.3], minimumAmps: at(10e-6), contactAmps: at(0.5), inrushAmps: at(1), contactVolts: at(100), isolationVolts: at(1500), gapMetres: at(3e-3), coilVolts: at(5), coilOhms: tenth(500), poles: at(1), operateSeconds: [0.2e-3, 0.5e-3, 1e-3] }),
  row('relay-double', 'relay', '8 A, 5 V coil, two changeover poles', 'parts-relay-double', { ...silver, contactAmps: at(8), inrushAmps: at(20), coilVolts: at(5), coilOhms: [56, 62, 68], poles: at(2), operateSeconds: [4e-3, 10e-3, 15e-3] }),
  row('relay-sixteen', 'relay', '16 A, 5 V coil, silver-tin contact for inrush', 'parts-relay-sixteen', { ...silver, contactAmps: at(16), inrushAmps: at(80), coilVolts: at(5), coilOhms: [56, 62, 68], poles: at(1), operateSeconds: [5e-3, 10e-3, 20e-3] }),
  row('relay-twelve', 'relay', '10 A, 12 V coil, silver power contact', 'parts-relay-twelve', { ...silver, coilVolts: at(12), coilOhms: tenth(400), poles: at(1), operateSeconds: [4e-3, 8e-3, 15e-3] }),

  row('module-leds', 'relay-module', 'one relay, presses on low, two LEDs in series at its input', 'parts-module', { ...boarded, supplyVolts: at(5), dropVolts: [2.6, 3, 3.4], inputOhms: at(1000), onAmps: at(1e-3), onLow: at(1), coilAmps: at(0.071), channels: at(1), apart: at(1) }),
  row('module-base', 'relay-module', 'one relay, presses on low, bare transistor input', 'parts-module', { ...boarded, supplyVolts: at(5), dropVolts: [0.55, 0.6, 0.7], inputOhms: at(1000), onAmps: at(0.3e-3), onLow: at(1), coilAmps: at(0.071), channels: at(1), apart: at(0) }),
  row('module-high', 'relay-module', 'one relay, presses on high, transistor input', 'parts-module', { ...boarded, supplyVolts: at(5), dropVolts: [0.55, 0.65, 0.75], inputOhms: at(1000), onAmps: at(0.5e-3), onLow: at(0), coilAmps: at(0.071), channels: at(1), apart: at(0) }),
  row('module-two', 'relay-module', 'two relays, press on low, two LEDs in series at each input', 'parts-module', { ...boarded, supplyVolts: at(5), dropVolts: [2.6, 3, 3.4], inputOhms: at(1000), onAmps: at(1e-3), onLow: at(1), coilAmps: at(0.071), channels: at(2), apart: at(1) }),
  row('module-motor', 'relay-module', 'two relays for motors, 8 A, 440 V, press on low, two LEDs in series at each input', 'parts-module-motor', { ...boarded, contactAmps: at(8), inrushAmps: at(50), contactVolts: at(440), isolationVolts: at(4000), gapMetres: at(8e-3), supplyVolts: at(5), dropVolts: [2.6, 3, 3.4], inputOhms: at(1000), onAmps: at(1e-3), onLow: at(1), coilAmps: at(0.071), channels: at(2), apart: at(1) }),

  row('switch-cmos', 'analogue-switch', 'four switches, 4.5 to 15 V, 1 050 Ω at 5 V', 'parts-analogue', { leastVolts: at(4.5), mostVolts: at(15), onOhms: [60, 300, 1050], leakageAmps: [0, 1e-9, 100e-9], switchAmps: at(0.01), lines: at(4), isCrosspoint: at(0) }),
  row('switch-low', 'analogue-switch', 'single switch, 1.65 to 5.5 V, 10 Ω', 'parts-analogue-low', { leastVolts: at(1.65), mostVolts: at(5.5), onOhms: [2, 5, 10], leakageAmps: [0, 1e-9, 1e-6], switchAmps: at(0.05), lines: at(1), isCrosspoint: at(0) }),
  row('switch-cross', 'analogue-switch', 'crosspoint, 8 by 8, 4.5 to 14 V, 350 Ω at 5 V', 'parts-crosspoint', { leastVolts: at(4.5), mostVolts: at(14), onOhms: [45, 150, 350], leakageAmps: [0, 1e-9, 500e-9], switchAmps: at(0.01), lines: at(64), isCrosspoint: at(1) }),

  row('logic-small', 'logic', 'programmable logic, 32 lines, 3.3 V, 5 V bearing inputs', 'parts-logic', { leastVolts: at(1.65), mostVolts: at(3.6), inputVolts: at(5.5), delaySeconds: [5e-9, 10e-9, 25e-9], lines: at(32), onOhms: [15, 30, 60] }),

  row('bridge-small', 'bridge', 'MOSFET bridge, 2.7 to 10.8 V, 1.2 A', 'parts-bridge', { leastVolts: at(2.7), mostVolts: at(10.8), motorAmps: at(1.2), peakAmps: at(2), onOhms: [0.2, 0.36, 0.6], inputHighVolts: at(2) }),
  row('bridge-medium', 'bridge', 'MOSFET bridge, 6.5 to 28 V, 3.6 A', 'parts-bridge', { leastVolts: at(6.5), mostVolts: at(28), motorAmps: at(2), peakAmps: at(3.6), onOhms: [0.3, 0.45, 0.8], inputHighVolts: at(1.5) }),
  row('bridge-large', 'bridge', 'half-bridge pair, 6 to 27 V, 12 A', 'parts-bridge', { leastVolts: at(6), mostVolts: at(27), motorAmps: at(12), peakAmps: at(40), onOhms: [0.01, 0.016, 0.03], inputHighVolts: at(2) }),

  row('servo-micro', 'servo', 'micro servo, plastic gears, 0.15 N·m', 'parts-servo', { supplyVolts: at(5), torqueNewtonMetres: [0.12, 0.15, 0.18], secondsPer60: [0.1, 0.12, 0.15], leastPulseSeconds: at(0.5e-3), mostPulseSeconds: at(2.4e-3), rangeDegrees: at(180), idleAmps: at(0.01), stallAmps: at(0.7) }),
  row('servo-metal', 'servo', 'micro servo, metal gears, 0.2 N·m', 'parts-servo', { supplyVolts: at(5), torqueNewtonMetres: [0.17, 0.2, 0.24], secondsPer60: [0.08, 0.1, 0.13], leastPulseSeconds: at(0.5e-3), mostPulseSeconds: at(2.4e-3), rangeDegrees: at(180), idleAmps: at(0.01), stallAmps: at(0.8) }),
  row('servo-standard', 'servo', 'standard servo, 0.9 N·m', 'parts-servo', { supplyVolts: at(5), torqueNewtonMetres: [0.75, 0.9, 1], secondsPer60: [0.15, 0.18, 0.22], leastPulseSeconds: at(0.5e-3), mostPulseSeconds: at(2.5e-3), rangeDegrees: at(180), idleAmps: at(0.015), stallAmps: at(1.8) }),
  row('servo-strong', 'servo', 'strong servo, 1.9 N·m', 'parts-servo', { supplyVolts: at(6), torqueNewtonMetres: [1.6, 1.9, 2.1], secondsPer60: [0.14, 0.16, 0.2], leastPulseSeconds: at(0.5e-3), mostPulseSeconds: at(2.5e-3), rangeDegrees: at(270), idleAmps: at(0.02), stallAmps: at(2.6) }),

  row('stepper-five', 'stepper', 'geared stepper, 28 mm, 5 V, five wires', 'parts-stepper', { fullSteps: at(32), gear: at(SMALL_GEARS), phaseOhms: [45, 50, 55], ratedVolts: at(5), torqueNewtonMetres: [0.03, 0.034, 0.04], stepRateHertz: at(500), torqueHertz: at(120), centreTapped: at(1) }),
  row('stepper-twelve', 'stepper', 'geared stepper, 28 mm, 12 V, five wires', 'parts-stepper', { fullSteps: at(32), gear: at(SMALL_GEARS), phaseOhms: [180, 200, 220], ratedVolts: at(12), torqueNewtonMetres: [0.03, 0.034, 0.04], stepRateHertz: at(500), torqueHertz: at(120), centreTapped: at(1) }),
  row('stepper-four', 'stepper', 'hybrid stepper, 42 mm, 1.8°, four wires', 'parts-stepper-hybrid', { fullSteps: at(200), gear: at(1), phaseOhms: [1.3, 1.5, 1.7], ratedVolts: at(2.5), torqueNewtonMetres: [0.35, 0.4, 0.45], stepRateHertz: at(1500), torqueHertz: at(300), centreTapped: at(0) }),

  row('gear-worm', 'gear-motor', 'worm gear motor, 12 V, 30 rpm', 'parts-gear-motor', { ratedVolts: at(12), freeRpm: [27, 30, 33], stallNewtonMetres: [2.5, 3, 3.5], stallAmps: at(2.5), freeAmps: at(0.15), selfLocking: at(1) }),
  row('gear-spur', 'gear-motor', 'spur gear motor, 12 V, 60 rpm', 'parts-gear-motor', { ratedVolts: at(12), freeRpm: [54, 60, 66], stallNewtonMetres: [1.2, 1.5, 1.8], stallAmps: at(1.8), freeAmps: at(0.1), selfLocking: at(0) }),
  row('gear-small', 'gear-motor', 'small plastic gear motor, 5 V, 200 rpm', 'parts-gear-motor', { ratedVolts: at(5), freeRpm: [160, 200, 240], stallNewtonMetres: [0.06, 0.08, 0.1], stallAmps: at(0.8), freeAmps: at(0.12), selfLocking: at(0) }),
];
