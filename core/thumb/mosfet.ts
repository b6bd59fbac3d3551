import { atLeast, atMost, carried, constant, derive, judged, worst } from '../finding';
import { formatQuantity } from '../quantity';
import { CLASSES } from './classes';
import { pinHigh } from './drive';
import { levelFindings } from './line';
import { requirements } from './requirements';
import { sides, wires, type WayContext, type WayResult } from './way';
import { carriesLoad, result, wireOhms } from './way-parts';

/** A logic-level N-MOSFET to the shared ground: no current from the pin, and a resistor that holds the gate while the pin floats. */
export function nmosToGround(c: WayContext): WayResult {
  const way = 'nmos-to-ground';
  const { nmos } = CLASSES;
  const ohms = c.job.thumb.resistorOhms ?? nmos.gateOhms;
  const findings = [...requirements(way, c, true), ...carriesLoad(way, c)];
  const wanted = worst('highest', 'gate voltage for certain', 'V_need', '2 * V_th', 'V', [nmos.threshold]);
  const drive = worst('lowest', 'pin high', 'V_gate', 'V_OH', 'V', [pinHigh(c.drive)]);
  findings.push(judged('thumb', `${way}.gate`, {
    title: 'Gate voltage against twice the highest threshold', caption: 'gate drive', steps: [drive], limit: atLeast(wanted.result.value, 'V', 'twice the highest threshold', { from: 'source', key: 'gate-drive' }), tightShare: 0.02, source: ['parts-nmos', 'pin-drive'],
    remedy: drive.result.value < wanted.result.value ? { text: 'Take a MOSFET whose on-resistance is stated at 2.5 V on the gate.' } : null,
  }));
  if (c.line) {
    // The wire to ground carries the button's current: its resistance adds to the switch's.
    const wire = wireOhms(c);
    const on = { ...nmos.onOhms, range: { low: nmos.onOhms.range.low + wire.range.low, nominal: nmos.onOhms.range.nominal + wire.range.nominal, high: nmos.onOhms.range.high + wire.range.high }, name: `${nmos.onOhms.name}, with the ground wire` };
    const open = derive('open-circuit voltage at the drain', 'V_open', 'V_CC', 'V', [{ symbol: 'V_CC', name: c.line.supply.name, value: c.line.supply.range.high, unit: 'V', origin: c.line.supply.origin }]);
    findings.push(
      ...levelFindings(way, c.line, { onOhms: on, leakage: nmos.leakage }, wire),
      judged('thumb', `${way}.voltage`, { title: 'Open drain under its voltage rating', caption: 'drain voltage', steps: [open], limit: atMost(nmos.drainVolts, 'V', 'rated voltage', { from: 'source', key: 'parts-nmos' }) }),
    );
  }
  const hold = derive('current that would lift the held gate to its threshold', 'I_hold', 'V_th / R_hold', 'A', [constant('V_th', 'lowest threshold', nmos.threshold.range.low, 'V', 'parts-nmos'), constant('R_hold', 'gate pull-down', nmos.holdOhms, 'Ω', 'gate-drive')]);
  const steady = derive('current out of the pin', 'I_pin', 'V_OH / R_hold', 'A', [constant('V_OH', 'pin high, highest', c.drive.highVolts.high, 'V', 'pin-drive'), constant('R_hold', 'gate pull-down', nmos.holdOhms, 'Ω', 'gate-drive')]);
  findings.push(judged('thumb', `${way}.pin-current`, { title: 'Pin current under what the pin may give', caption: 'pin current', steps: [steady], limit: atMost(c.drive.limitAmps, 'A', `pin limit of the ${c.drive.controller}`, { from: 'source', key: 'board-wifi17' }), tightShare: 0.1 }));
  const { upper, lower } = sides(c);
  return result(way, findings, [
    { name: 'logic-level N-MOSFET', value: '20 V, on-resistance stated at 2.5 V', quantity: 1 },
    { name: 'resistor, gate', value: `${formatQuantity(ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
    { name: 'resistor, gate pull-down', value: `${formatQuantity(nmos.holdOhms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
  ], wires(c.job, [['pin', 'gate resistor'], ['controller ground', lower, true], ['drain', upper, true]]), {
    sharesGround: true, galvanicallyApart: false, turnOnVolts: nmos.threshold.range.low, turnOnAmps: carried(hold).value, holdOhms: nmos.holdOhms, pinAmps: steady.result.value, supplyAmps: 0, needsVolts: 0, resistorOhms: ohms,
  });
}
