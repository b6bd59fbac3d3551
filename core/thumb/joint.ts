import { NOMINAL_PARTS, type Joint } from '../circuit';
import { CLASSES } from './classes';
import type { WayContext, WayResult } from './way';

/** The chosen way as a joint with nominal values, for the simulator; null for a switched load. */
export function jointOf(c: WayContext, way: WayResult): Joint | null {
  if (!c.line) return null;
  const relay = CLASSES.relay[c.job.thumb.relayContact];
  return {
    ...NOMINAL_PARTS,
    way: way.way,
    polarity: c.line.polarity,
    supplyVolts: c.line.supply.range.nominal,
    pullOhms: c.line.pull.range.nominal,
    pinHighVolts: c.drive.highVolts.nominal,
    seriesOhms: way.press.resistorOhms ?? NOMINAL_PARTS.seriesOhms,
    onOhms: way.way === 'solid-state-relay' ? CLASSES.ssr.onOhms.range.nominal : CLASSES.relay.contactOhms.range.nominal,
    offOhms: 1e9,
    coilOhms: relay.coilOhms.nominal,
    groundWireOhms: Math.max(c.job.thumb.groundWireMetres * 0.1, 1e-3),
  };
}
