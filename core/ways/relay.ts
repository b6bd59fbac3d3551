import { COIL_SECONDS } from '../circuit';
import { constant, derive, finding, type Finding } from '../finding';
import { partInput, takenPart, valueOf, type TakenPart } from '../parts';
import { formatQuantity } from '../quantity';
import { coilDrive } from './coil';
import { sides, wires, type WayContext, type WayResult } from './context';
import { levelFindings } from './line';
import { requirements } from './requirements';
import { perKey } from './scanned';
import { carriesLoad, minimumLoad, openContact, openVoltage, result, takePart, wireOhms } from './result';

/** How long the contact stays closed after the pin lets go: the diode keeps the coil's current going, i(t) = I0·e^(−t·R/L). */
function release(way: 'relay-contact', relay: TakenPart): Finding {
  const step = derive('contact open again after, at most', 't_off', '-T * ln(s)', 's', [constant('T', 'time constant of the coil, L/R', COIL_SECONDS, 's', 'relay-moves'), constant('s', 'share of the rated current at which it lets go at the latest', 0.1, '1', 'relay-moves')]);
  return finding('thumb', `${way}.release`, { verdict: 'settled', title: `With the diode across its coil the ${relay.name.split(',')[0]} relay lets go at most this long after the pin`, caption: 'lets go late', value: step.result, steps: [step], source: ['relay-moves'] });
}

/** A relay contact across the button, its coil driven by a transistor, with a diode across the coil. */
export function relayContact(c: WayContext): WayResult {
  const way = 'relay-contact';
  const relay = takenPart(c.job, 'relay');
  const drive = coilDrive(way, c, relay);
  const gold = takePart(c, 'relay', 'relay-signal', 'Use a signal relay', 'A gold signal contact works from 10 µA.');
  const findings = [
    ...(c.line ? [minimumLoad(way, c.line, relay, relay.id === 'relay-signal' ? null : gold)] : carriesLoad(way, c, relay)),
    ...requirements(way, c, 'apart'),
    ...perKey(way, c),
    ...drive.findings,
    release(way, relay),
    ...(c.line ? [...levelFindings(way, c.line, { onOhms: partInput(relay, 'onOhms'), leakage: openContact }, wireOhms(c)), openVoltage(way, c.line, relay, 'contactVolts', 'Open contact under its voltage rating')] : []),
  ];
  const { upper, lower } = sides(c);
  const volts = valueOf(relay, 'coilVolts');
  return result(way, findings, [{ name: 'relay', value: relay.name, quantity: 1 }, ...drive.parts], wires(c.job, [['pin', 'base resistor'], ['controller ground', 'emitter'], ['contact', upper], ['contact', lower], [formatQuantity(volts, 'V'), 'coil']]), ['relay', 'npn'], {
    turnOnVolts: 0.6, turnOnAmps: 5e-6, pinAmps: drive.pinAmps, supplyAmps: drive.coil.result.value, peakAmps: drive.coil.result.value, load: 'relay coil and its driver', needsVolts: volts, resistorOhms: drive.ohms, pressesOn: null,
  });
}
