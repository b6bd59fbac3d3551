import { NOMINAL_PARTS, type Joint } from '../circuit';
import type { Way } from '../job';
import type { Interval } from '../quantity';
import { CLASSES } from './classes';
import type { WayContext, WayResult } from './way';

/** The closed switch of a way, Ω; a bipolar transistor has none of its own and takes the contact's. */
export const onOhmsOf = (way: Way): Interval => (way === 'solid-state-relay' ? CLASSES.ssr : way === 'nmos-to-ground' ? CLASSES.nmos : { onOhms: CLASSES.relay.contactOhms }).onOhms.range;

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
    onOhms: onOhmsOf(way.way).nominal,
    offOhms: way.way === 'nmos-to-ground' ? 1e8 : 1e9,
    coilOhms: relay.coilOhms.nominal,
    groundWireOhms: Math.max(c.job.thumb.groundWireMetres * 0.1, 1e-3),
  };
}
