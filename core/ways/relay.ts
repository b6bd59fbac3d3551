import { partInput, takenPart, valueOf } from '../parts';
import { formatQuantity } from '../quantity';
import { coilDrive } from './coil';
import { sides, wires, type WayContext, type WayResult } from './context';
import { levelFindings } from './line';
import { requirements } from './requirements';
import { carriesLoad, minimumLoad, openContact, openVoltage, result, takePart, wireOhms } from './result';

/** A relay contact across the button, its coil driven by a transistor, with a diode across the coil. */
export function relayContact(c: WayContext): WayResult {
  const way = 'relay-contact';
  const relay = takenPart(c.job, 'relay');
  const drive = coilDrive(way, c, relay);
  const gold = takePart(c, 'relay', 'relay-signal', 'Use a signal relay', 'A gold signal contact works from 10 µA.');
  const findings = [
    ...(c.line ? [minimumLoad(way, c.line, relay, relay.id === 'relay-signal' ? null : gold)] : carriesLoad(way, c, relay)),
    ...requirements(way, c, 'apart'),
    ...drive.findings,
    ...(c.line ? [...levelFindings(way, c.line, { onOhms: partInput(relay, 'onOhms'), leakage: openContact }, wireOhms(c)), openVoltage(way, c.line, relay, 'contactVolts', 'Open contact under its voltage rating')] : []),
  ];
  const { upper, lower } = sides(c);
  const volts = valueOf(relay, 'coilVolts');
  return result(way, findings, [{ name: 'relay', value: relay.name, quantity: 1 }, ...drive.parts], wires(c.job, [['pin', 'base resistor'], ['controller ground', 'emitter'], ['contact', upper], ['contact', lower], [formatQuantity(volts, 'V'), 'coil']]), ['relay', 'npn'], {
    turnOnVolts: 0.6, turnOnAmps: 5e-6, pinAmps: drive.pinAmps, supplyAmps: drive.coil.result.value, peakAmps: drive.coil.result.value, load: 'relay coil and its driver', needsVolts: volts, resistorOhms: drive.ohms, pressesOn: null,
  });
}
