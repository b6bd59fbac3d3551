import { carried, derive, type Input } from '../finding';
import { partInput, takenPart } from '../parts';
import { sides, wires, type WayContext, type WayResult } from './context';
import { baseDrive, pinCurrent, resistorRemedy, seriesResistor } from './drive';
import { levelFindings } from './line';
import { FORCED_GAIN } from './practice';
import { requirements } from './requirements';
import { buttonCurrent, carriesLoad, openVoltage, resistorPart, result, wireOhms } from './result';

/** Twice the button's current, the margin that makes a saturated transistor certain, as an input with its origin. */
export function twiceButton(c: WayContext, current: ReturnType<typeof buttonCurrent>): Input {
  const twice = derive('twice that, for certain saturation', 'I_need', '2 * I_button', 'A', [carried(current)]);
  return { ...carried(twice), name: 'twice the button current', origin: { from: 'measured', at: c.fact.lastReadingAt, what: 'button current from Probe, doubled' } };
}

/** A transistor to the shared ground. */
export function npnToGround(c: WayContext): WayResult {
  const way = 'npn-to-ground';
  const npn = takenPart(c.job, 'npn');
  const base = partInput(npn, 'baseVolts');
  const own = c.job.thumb.resistorOhms;
  const findings = [...carriesLoad(way, c, null), ...requirements(way, c, 'ground-side')];
  let ohms = own ?? 2200;
  if (c.line) {
    const need = twiceButton(c, buttonCurrent(c.line));
    // Half a milliampere of base current is the least worth wiring: below it leakage and noise begin to count.
    const wanted = (c.drive.highVolts.low - base.range.high) / Math.max(need.value / FORCED_GAIN, 0.5e-3);
    const r = seriesResistor(wanted, own);
    ohms = r.ohms;
    const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
    findings.push(
      ...levelFindings(way, c.line, { saturation: partInput(npn, 'saturationVolts'), leakage: partInput(npn, 'leakageAmps') }, wireOhms(c)),
      baseDrive(way, c.drive, base, r.input, FORCED_GAIN, need, remedy),
      pinCurrent(way, c.drive, base, r.input, remedy),
      openVoltage(way, c.line, npn, 'collectorVolts', 'Open collector under its voltage rating'),
    );
  }
  const { upper, lower } = sides(c);
  return result(way, findings, [{ name: 'NPN transistor', value: npn.name, quantity: 1 }, resistorPart('base', ohms)], wires(c.job, [['pin', 'base resistor'], ['controller ground', lower, true], ['collector', upper, true]]), ['npn'], {
    sharesGround: true, galvanicallyApart: false, turnOnVolts: base.range.low * 0.9, turnOnAmps: 5e-6, pinAmps: (c.drive.highVolts.nominal - base.range.nominal) / ohms, resistorOhms: ohms, pressesOn: null,
  });
}
