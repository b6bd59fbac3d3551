import { NOMINAL_PARTS, type Joint } from '../core/circuit';
import type { Way } from '../core/job';
import type { Random } from '../core/quantity';

const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();
const decade = (r: Random, low: number, high: number): number => low * (high / low) ** r.next();

/** A joint at random, starved ones included: an optocoupler with too little LED current must be told as it is. */
export function drawJointAt(r: Random, way: Way): Joint {
  const supplyVolts = [1.8, 3.3, 5, 12][Math.floor(r.next() * 4)]! * between(r, 0.95, 1.05);
  const pullOhms = decade(r, 2e3, 100e3);
  return {
    ...NOMINAL_PARTS, way, supplyVolts, pullOhms,
    polarity: way !== 'npn-to-ground' && way !== 'nmos-to-ground' && r.next() < 0.5 ? 'high' : 'low',
    pinHighVolts: between(r, 2.9, 3.4),
    seriesOhms: way === 'npn-to-ground' ? decade(r, 1e3, 3.9e3) : way === 'relay-contact' ? between(r, 220, 470) : between(r, 180, 680),
    onOhms: way === 'solid-state-relay' ? between(r, 5, 35) : way === 'nmos-to-ground' ? between(r, 0.05, 1) : between(r, 0.02, 0.5),
    thresholdVolts: between(r, 0.7, 1.5),
    offOhms: way === 'nmos-to-ground' ? 1e8 : 1e9, coilOhms: [70, 167][Math.floor(r.next() * 2)]!,
    gainForward: between(r, 100, 400), gainReverse: between(r, 2, 8), transferRatio: between(r, 1, 4), groundWireOhms: between(r, 0.01, 0.3),
  };
}
