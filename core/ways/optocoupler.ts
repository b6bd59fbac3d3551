import { atLeast, carried, constant, judged, worst } from '../finding';
import { partInput, takenPart } from '../parts';
import { sides, wires, type WayContext, type WayResult } from './context';
import { pinCurrent, pinHigh, resistorRemedy, seriesResistor } from './drive';
import { levelFindings } from './line';
import { OPTO_AGEING } from './practice';
import { requirements } from './requirements';
import { perKey } from './scanned';
import { buttonCurrent, carriesLoad, openVoltage, resistorPart, result, wireOhms } from './result';
import { twiceButton } from './transistor';

/** An optocoupler with transistor output across the button. */
export function optocoupler(c: WayContext): WayResult {
  const way = 'optocoupler';
  const opto = takenPart(c.job, 'optocoupler');
  const [ledVolts, transfer] = [partInput(opto, 'ledVolts'), partInput(opto, 'transfer')];
  const own = c.job.thumb.resistorOhms;
  const findings = [...carriesLoad(way, c, null), ...requirements(way, c, 'apart'), ...perKey(way, c)];
  let ohms = own ?? 680;
  if (c.line) {
    const need = twiceButton(c, buttonCurrent(c.line));
    // Transfer ratios are stated at milliamperes; under 2 mA they fall away.
    const aim = Math.max(2e-3, need.value / (transfer.range.low * OPTO_AGEING));
    const wanted = (c.drive.highVolts.low - ledVolts.range.high) / aim;
    const r = seriesResistor(wanted, own);
    ohms = r.ohms;
    const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
    const led = worst('lowest', 'LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [pinHigh(c.drive), ledVolts, r.input]);
    const sink = worst('lowest', 'current it sinks when aged', 'I_sink', 'CTR * k_age * I_F', 'A', [transfer], [constant('k_age', 'share left after ageing', OPTO_AGEING, '1', 'parts-opto'), carried(led)]);
    findings.push(
      ...levelFindings(way, c.line, { saturation: partInput(opto, 'saturationVolts'), leakage: partInput(opto, 'leakageAmps') }, wireOhms(c)),
      judged('thumb', `${way}.sink`, {
        title: 'Current it can sink against what the button needs', caption: 'sink current', steps: [led, sink], limit: atLeast(need.value, 'A', need.name, need.origin), remedy, tightShare: 0,
      }),
      pinCurrent(way, c.drive, ledVolts, r.input, remedy),
      openVoltage(way, c.line, opto, 'outputVolts', 'Open output under its voltage rating'),
    );
  }
  const { upper, lower } = sides(c);
  return result(way, findings, [{ name: 'optocoupler', value: opto.name, quantity: 1 }, resistorPart('LED', ohms)], wires(c.job, [['pin', 'LED resistor, anode'], ['controller ground', 'cathode'], ['collector', upper], ['emitter', lower]]), ['optocoupler'], {
    turnOnVolts: 1.0, turnOnAmps: 100e-6, pinAmps: (c.drive.highVolts.nominal - ledVolts.range.nominal) / ohms, resistorOhms: ohms, pressesOn: null,
  });
}
