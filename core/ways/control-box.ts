import { atMost, chosen, derive, finding, judged, type Finding } from '../finding';
import type { ControlKind } from '../job';
import { partValue, takenPart, valueOf } from '../parts';
import { conductors, sequenceRules, wiringOf } from '../reversing';
import { formatQuantity } from '../quantity';
import { wires, type WayContext, type WayResult } from './context';
import { forbiddenFindings } from './reversing';
import { noUse, result, takePart } from './result';

/** Kinds that a two-direction control box can stand before. */
const BOXES: readonly ControlKind[] = ['switched-load', 'selector', 'latching-switch'];

/** The control box of a two-direction mains motor replaced by two mains contacts. */
export function controlBox(c: WayContext): WayResult {
  const way = 'control-box';
  if (c.fact.leading === 'motor-pair') return noUse(way, 'This motor runs on low voltage: run it both ways by its own two wires', 'See the motor run both ways.');
  if (!BOXES.includes(c.fact.leading)) return noUse(way, 'No box that switches a motor up and down has been found here', 'Choose this way for a switch that feeds a mains motor one way and the other.');
  const plan = c.job.thumb.motor;
  const part = takenPart(c.job, 'relay-module');
  const wiring = wiringOf(plan, way);
  const interlock = { do: 'change', section: 'thumb', set: { motor: { ...plan, boxWiring: 'box-interlocked' } }, say: 'interlock by wiring' };
  const findings: Finding[] = [
    finding('thumb', `${way}.licensed`, { verdict: 'tight', title: 'This is mains work: the sheet is for whoever may do it; the local electrical code and licensed practice decide', caption: 'licensed work', source: ['cautions', 'prove-dead'] }),
    ...forbiddenFindings(way, wiring, 'Interlock by wiring', plan.boxWiring === 'box-plain' ? interlock : null),
    finding('thumb', `${way}.through`, { verdict: 'settled', title: 'Neutral and earth pass through unswitched; only live is switched', caption: 'neutral, earth through', source: ['cautions'] }),
  ];
  const amps = plan.stallAmps ?? plan.runningAmps;
  if (amps === null) findings.push(finding('thumb', `${way}.rating`, { verdict: 'unknown', title: 'What the motor draws is not known', caption: 'motor current?', remedy: { text: 'Read it off the motor’s plate and enter it in the plan of this way.' } }));
  else {
    const rated = partValue(part, 'contactAmps');
    const step = derive('motor current', 'I', 'I_m', 'A', [chosen('I_m', plan.stallAmps !== null ? 'stalled' : 'running', amps, 'A', 'set in Thumb')]);
    findings.push(judged('thumb', `${way}.rating`, { title: 'Motor against the contact rating', caption: 'contact rating', steps: [step], limit: atMost(rated.value, 'A', 'contact rating', rated.origin), source: ['stall-rating', 'contact-derate'] }));
  }
  const volts = partValue(part, 'contactVolts');
  const mains = derive('mains of the region', 'V', 'V_m', 'V', [chosen('V_m', 'mains', c.job.region.mainsVolts, 'V', 'region, in Wish')]);
  findings.push(judged('thumb', `${way}.volts`, { title: 'Mains under the contact’s voltage rating', caption: 'contact voltage', steps: [mains], limit: atMost(volts.value, 'V', 'contact rating', volts.origin), tightShare: 0 }));
  const channels = valueOf(part, 'channels');
  if (channels < 2) findings.push(finding('thumb', `${way}.channels`, { verdict: 'tight', title: `The module has ${channels} relay and this wants two`, caption: 'two relays', remedy: takePart(c, 'relay-module', 'module-two', 'Take a module with two relays', 'One module with two relays keeps both coils on one supply.') }));
  const supply = valueOf(part, 'supplyVolts');
  const coil = valueOf(part, 'coilAmps');
  return result(way, findings, [{ name: 'relay module', value: part.name, quantity: channels >= 2 ? 1 : 2 }, { name: 'closed box for mains', value: 'with strain relief', quantity: 1 }], wires(c.job, [
    ...conductors(wiring).map((w): [string, string] => [w.from, w.to]), ['pin 1', 'module input K1'], ['pin 2', 'module input K2'], ['controller ground', 'module ground'], [formatQuantity(supply, 'V'), 'module supply'],
  ]), ['relay-module'], {
    turnOnVolts: 0, turnOnAmps: 0, pinAmps: 2e-3, supplyAmps: coil, peakAmps: coil, load: 'coils of the relay module', needsVolts: supply, outputs: 2, sequence: sequenceRules(plan, way), pressesOn: valueOf(part, 'onLow') === 1 ? 'low' : 'high',
  });
}
