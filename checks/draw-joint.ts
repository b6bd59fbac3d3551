import { NOMINAL_PARTS, type Joint } from '../core/engines/circuit';
import type { JointWay } from '../core/ground/job';
import type { Random } from '../core/ground/quantity';

const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();
const decade = (r: Random, low: number, high: number): number => low * (high / low) ** r.next();

/** A joint at random, starved ones included: an optocoupler with too little LED current must be told as it is. */
export function drawJointAt(r: Random, way: JointWay): Joint {
  const supplyVolts = [1.8, 3.3, 5, 12][Math.floor(r.next() * 4)]! * between(r, 0.95, 1.05);
  const pullOhms = decade(r, 2e3, 100e3);
  // Inputs as modules have them: two LEDs or a bare base on low, a base on high. A bare one stays pulled in by a 3.3 V
  // pin, and both forms must tell.
  const module = [
    { moduleDropVolts: between(r, 2.6, 3.4), moduleOnAmps: 1e-3, moduleOnLow: true },
    { moduleDropVolts: between(r, 0.55, 0.7), moduleOnAmps: 0.3e-3, moduleOnLow: true },
    { moduleDropVolts: between(r, 0.55, 0.7), moduleOnAmps: 0.5e-3, moduleOnLow: false },
  ][Math.floor(r.next() * 3)]!;
  return {
    ...NOMINAL_PARTS,
    ...module,
    way,
    supplyVolts,
    pullOhms,
    moduleVolts: between(r, 4.75, 5.25),
    polarity: way !== 'npn-to-ground' && way !== 'nmos-to-ground' && r.next() < 0.5 ? 'high' : 'low',
    pinHighVolts: between(r, 2.9, 3.4),
    seriesOhms:
      way === 'npn-to-ground'
        ? decade(r, 1e3, 3.9e3)
        : way === 'relay-contact'
          ? between(r, 220, 470)
          : way === 'relay-module'
            ? 1000
            : between(r, 180, 680),
    onOhms:
      way === 'solid-state-relay'
        ? between(r, 5, 35)
        : way === 'nmos-to-ground'
          ? between(r, 0.05, 1)
          : way === 'analogue-switch'
            ? between(r, 2, 120)
            : between(r, 0.02, 0.5),
    thresholdVolts: between(r, 0.7, 1.5),
    offOhms: 1e9,
    leakAmps: way.startsWith('relay') ? 0 : 10 ** between(r, -9, -6),
    ...[
      { coilVolts: 5, coilOhms: 70 },
      { coilVolts: 5, coilOhms: 167 },
      { coilVolts: 5, coilOhms: 500 },
      { coilVolts: 12, coilOhms: 400 },
    ][Math.floor(r.next() * 4)]!,
    gainForward: between(r, 100, 400),
    gainReverse: between(r, 2, 8),
    transferRatio: between(r, 1, 4),
    groundWireOhms: between(r, 0.01, 0.3),
  };
}
