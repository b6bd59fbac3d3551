import { BASE_TURN_ON_AMPS } from './driver-levels';
import { contactLeg, GROUND, leg, legOf, pin, voltsEnd } from '../ends';
import { constant, derive, finding, type Finding } from '../../ground/finding';
import { partInput, partValue, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import { coilDrive } from './coil';
import { sides, wires, type WayContext, type WayResult } from './context';
import { closedOhms } from './in-series';
import { levelFindings } from './line';
import { requirements } from './requirements';
import { perKey } from './scanned';
import { closedCurrent, openVoltage } from './ratings';
import { carriesLoad, contactOf, minimumLoad, openContact, result, takePart, wireOhms } from './result';
import { coilDraw } from './draws';

/** How late the contact opens after the pin lets go: the diode keeps the coil's current going, and the armature follows that. */
function release(way: 'relay-contact', relay: TakenPart): Finding {
  const stated = partInput(relay, 'operateSeconds');
  const step = derive('contact open again after, at most', 't_off', 'k * t_op', 's', [
    constant('k', 'later with a diode across the coil', 3, '1', 'relay-moves'),
    { ...partValue(relay, 'operateSeconds'), name: `${stated.name}, highest`, value: stated.range.high },
  ]);
  return finding('thumb', `${way}.release`, {
    verdict: 'settled',
    title:
      `With the diode across its coil the ${relay.name.split(',')[0]} relay may ` +
      'let go this long after the pin; the press is that much longer',
    caption: 'lets go late',
    value: step.result,
    steps: [step],
    source: ['relay-moves'],
  });
}

/** A relay contact across the button, its coil driven by a transistor, with a diode across the coil. */
export function relayContact(c: WayContext): WayResult {
  const way = 'relay-contact';
  const relay = takenPart(c.job, 'relay');
  const drive = coilDrive(way, c, relay);
  const gold = takePart(c, 'relay', 'relay-signal', 'Use a signal relay', 'A gold signal contact works from 10 µA.');
  const findings = [
    ...(c.line
      ? [minimumLoad(way, c.line, relay, relay.id === 'relay-signal' ? null : gold)]
      : carriesLoad(way, c, relay)),
    ...requirements(way, c, 'apart', relay),
    ...perKey(way, c),
    ...drive.findings,
    release(way, relay),
    ...(c.line
      ? [
          ...levelFindings(way, c.line, { onOhms: closedOhms(c, way, relay), leakage: openContact }, wireOhms(c)),
          openVoltage(way, c.line, relay, 'contactVolts', 'Open contact under four fifths of its voltage rating'),
          ...closedCurrent(way, c, c.line, relay, 'contactAmps'),
        ]
      : []),
  ];
  const { upper, lower } = sides(c);
  const volts = valueOf(relay, 'coilVolts');
  return result(
    way,
    findings,
    [{ name: 'relay', value: relay.name, quantity: 1 }, ...drive.parts],
    wires(c, [
      [pin(), leg('driver of the coil', 'base resistor')],
      [GROUND, leg('driver of the coil', 'emitter')],
      [contactLeg('contact', 'contact', 1), upper],
      [contactLeg('contact', 'contact', 2), lower],
      [voltsEnd(formatQuantity(volts, 'V')), legOf('driver of the coil', 'coil', 'A1, diode’s cathode')],
      [leg('driver of the coil', 'collector'), legOf('driver of the coil', 'coil', 'A2, diode’s anode')],
    ]),
    ['relay', 'npn'],
    {
      turnOnVolts: drive.turnOnVolts,
      turnOnAmps: BASE_TURN_ON_AMPS,
      pinAmps: drive.pinAmps,
      draws: [coilDraw('relay coil and its driver', volts, drive.coil.result.value)],
      resistorOhms: drive.ohms,
      contact: c.line ? null : contactOf(relay),
    },
  );
}
