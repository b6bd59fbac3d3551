import { itemAt } from '../../ground/lists';
import { BASE_TURN_ON_AMPS } from './driver-levels';
import { GROUND, leg, pin } from '../ends';
import { carried, derive, type Step } from '../../ground/finding';
import { boundsOf, partInput, takenPart } from '../../engines/parts';
import { sides, wires, type WayContext, type WayResult } from './context';
import { baseDrive, forcedGain, pinCurrent, resistorRemedy, seriesResistor } from './drive';
import { levelFindings, type ControlLine } from './line';
import { DEAD_BAND_VOLTS, FORCED_GAIN } from './practice';
import { closedCurrent, directCurrentOnly, openVoltage } from './ratings';
import { requirements } from './requirements';
import { buttonCurrent, carriesLoad, resistorPart, result, wireOhms } from './result';

/** Twice the button's current, the margin that makes a saturated transistor certain; the last step is what is needed. */
export function twiceButton(line: ControlLine): Step[] {
  const current = buttonCurrent(line);
  return [current, derive('twice that, for certain saturation', 'I_need', '2 * I_button', 'A', [carried(current)])];
}

/** A transistor to the shared ground. */
export function npnToGround(c: WayContext): WayResult {
  const way = 'npn-to-ground';
  const npn = takenPart(c.job, 'npn');
  const base = partInput(npn, 'baseVolts');
  const own = c.press.resistorOhms;
  const findings = [
    ...carriesLoad(way, c, null),
    ...requirements(way, c, 'ground-side'),
    ...directCurrentOnly(way, c.line),
  ];
  const gain = forcedGain(FORCED_GAIN, boundsOf(npn, 'gain').low);
  let ohms = own ?? 2200;
  if (c.line) {
    const need = twiceButton(c.line);
    // Half a milliampere of base current is the least worth wiring: below it leakage and noise begin to count.
    const wanted = (c.drive.highVolts.low - base.range.high) / Math.max(itemAt(need, 1).result.value / gain, 0.5e-3);
    const r = seriesResistor(wanted, own);
    ohms = r.ohms;
    const remedy = resistorRemedy(c.press, seriesResistor(wanted, null).ohms);
    findings.push(
      ...levelFindings(
        way,
        c.line,
        { saturation: partInput(npn, 'saturationVolts'), leakage: partInput(npn, 'leakageAmps') },
        wireOhms(c),
      ),
      baseDrive(way, c.drive, base, r.input, gain, need, 'twice the button current', remedy),
      pinCurrent(way, c.drive, base, r.input, remedy),
      openVoltage(way, c.line, npn, 'collectorVolts', 'Open collector under four fifths of its voltage rating'),
      ...closedCurrent(way, c, c.line, npn, 'collectorAmps'),
    );
  }
  const { upper, lower } = sides(c);
  return result(
    way,
    findings,
    [{ name: 'NPN transistor', value: npn.name, quantity: 1 }, resistorPart('base', ohms)],
    wires(c, [
      [pin(), leg('transistor', 'base resistor')],
      [GROUND, lower, true],
      [leg('transistor', 'collector'), upper, true],
      [leg('transistor', 'emitter', 'emitter', { beside: true }), GROUND],
    ]),
    ['npn'],
    {
      sharesGround: true,
      galvanicallyApart: false,
      turnOnVolts: base.range.low - DEAD_BAND_VOLTS,
      turnOnAmps: BASE_TURN_ON_AMPS,
      pinAmps: (c.drive.highVolts.nominal - base.range.nominal) / ohms,
      resistorOhms: ohms,
    },
  );
}
