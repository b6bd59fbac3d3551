import { NOMINAL_PARTS, type Joint } from '../../engines/circuit';
import { isJointWay, type JointWay } from '../../ground/job';
import { boundsOf, takenPart, valueOf } from '../../engines/parts';
import { exactly, type Interval } from '../../ground/quantity';
import type { WayContext, WayResult } from './context';
import { contactsOf } from './in-series';

/** The closed switch of a way, Ω; a bipolar transistor has none of its own and takes the contact's. */
export function onOhmsOf(c: WayContext, way: JointWay): Interval {
  const kind =
    way === 'solid-state-relay' || way === 'relay-module' || way === 'analogue-switch'
      ? way
      : way === 'nmos-to-ground'
        ? 'nmos'
        : 'relay';
  const { low, nominal, high } = boundsOf(takenPart(c.job, kind), 'onOhms');
  const n = contactsOf(c, way);
  return { low: n * low, nominal: n * nominal, high: n * high };
}

const LEAKS: Partial<Record<JointWay, 'npn' | 'nmos' | 'optocoupler' | 'solid-state-relay' | 'analogue-switch'>> = {
  'npn-to-ground': 'npn',
  'nmos-to-ground': 'nmos',
  optocoupler: 'optocoupler',
  'solid-state-relay': 'solid-state-relay',
  'analogue-switch': 'analogue-switch',
};

/** What the open switch of a way leaks, A, from part to part and from 0 to 60 °C; a metal contact leaks nothing. */
export function leakageOf(c: WayContext, way: JointWay): Interval {
  const kind = LEAKS[way];
  return kind ? boundsOf(takenPart(c.job, kind), 'leakageAmps') : exactly(0);
}

/** The chosen way as a joint with nominal values, for the simulator; null for a way that is no such circuit, and for a switched load. */
export function jointOf(c: WayContext, way: WayResult): Joint | null {
  if (!c.line || !isJointWay(way.way) || !way.applies) return null;
  const bipolar = takenPart(c.job, 'npn');
  const module = takenPart(c.job, 'relay-module');
  const relay = takenPart(c.job, 'relay');
  const onModule = way.way === 'relay-module';
  const coilVolts = onModule ? valueOf(module, 'supplyVolts') : valueOf(relay, 'coilVolts');
  const coilAmps = onModule ? valueOf(module, 'coilAmps') : coilVolts / valueOf(relay, 'coilOhms');
  return {
    ...NOMINAL_PARTS,
    way: way.way,
    polarity: c.line.polarity,
    supplyVolts: c.line.supply.range.nominal,
    pullOhms: c.line.pull.range.nominal,
    pinHighVolts: c.drive.highVolts.nominal,
    seriesOhms: onModule ? valueOf(module, 'inputOhms') : (way.press.resistorOhms ?? NOMINAL_PARTS.seriesOhms),
    onOhms: onOhmsOf(c, way.way).nominal,
    leakAmps: leakageOf(c, way.way).nominal,
    coilOhms: coilVolts / coilAmps,
    coilVolts,
    gainForward: way.way === 'npn-to-ground' ? valueOf(bipolar, 'gain') : NOMINAL_PARTS.gainForward,
    transferRatio: valueOf(takenPart(c.job, 'optocoupler'), 'transfer'),
    thresholdVolts: valueOf(takenPart(c.job, 'nmos'), 'thresholdVolts'),
    groundWireOhms: Math.max(c.press.groundWireMetres * 0.1, 1e-3),
    moduleVolts: valueOf(module, 'supplyVolts'),
    moduleDropVolts: valueOf(module, 'dropVolts'),
    moduleOnAmps: valueOf(module, 'onAmps'),
    moduleOnLow: valueOf(module, 'onLow') === 1,
  };
}
