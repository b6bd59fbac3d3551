import { contactLeg, GROUND, leg, pin } from '../ends';
import { atLeast, judged, worst } from '../../ground/finding';
import { partInput, partValue, takenPart } from '../../engines/parts';
import { sides, wires, type WayContext, type WayResult } from './context';
import { closedOhms } from './in-series';
import { pinCurrent, pinHigh, resistorRemedy, seriesResistor } from './drive';
import { levelFindings } from './line';
import { OPERATE_AIM } from './practice';
import { closedCurrent, openVoltage } from './ratings';
import { requirements } from './requirements';
import { perKey } from './scanned';
import { carriesLoad, resistorPart, result, wireOhms } from './result';

/** A solid-state relay with MOSFET output across the button. */
export function solidStateRelay(c: WayContext): WayResult {
  const way = 'solid-state-relay';
  const ssr = takenPart(c.job, 'solid-state-relay');
  const [ledVolts, operate] = [partInput(ssr, 'ledVolts'), partValue(ssr, 'operateAmps')];
  const own = c.press.resistorOhms;
  const wanted = (c.drive.highVolts.low - ledVolts.range.high) / (operate.value * OPERATE_AIM);
  const r = seriesResistor(wanted, own);
  const remedy = resistorRemedy(c.press, seriesResistor(wanted, null).ohms);
  const led = worst('lowest', 'LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [pinHigh(c.drive), ledVolts, r.input]);
  const findings = [
    ...carriesLoad(way, c, ssr),
    ...requirements(way, c, 'apart', ssr),
    ...perKey(way, c),
    ...(c.line
      ? levelFindings(
          way,
          c.line,
          { onOhms: closedOhms(c, way, ssr), leakage: partInput(ssr, 'leakageAmps') },
          wireOhms(c),
        )
      : []),
    judged('thumb', `${way}.led`, {
      title: 'LED current over what it needs to close',
      caption: 'LED current',
      steps: [led],
      remedy,
      limit: atLeast(operate.value, 'A', 'LED current that closes it for certain', operate.origin),
    }),
    pinCurrent(way, c.drive, ledVolts, r.input, remedy),
    ...(c.line
      ? [
          openVoltage(way, c.line, ssr, 'loadVolts', 'Open contact under four fifths of its voltage rating'),
          ...closedCurrent(way, c, c.line, ssr, 'loadAmps'),
        ]
      : []),
  ];
  const { upper, lower } = sides(c);
  return result(
    way,
    findings,
    [{ name: 'solid-state relay', value: ssr.name, quantity: 1 }, resistorPart('LED', r.ohms)],
    wires(c, [
      [pin(), leg('solid-state relay', 'LED resistor, anode')],
      [GROUND, leg('solid-state relay', 'cathode')],
      [contactLeg('solid-state relay', 'output', 1), upper],
      [contactLeg('solid-state relay', 'output', 2), lower],
    ]),
    ['solid-state-relay'],
    {
      turnOnVolts: ledVolts.range.low,
      turnOnAmps: 500e-6,
      pinAmps: (c.drive.highVolts.nominal - ledVolts.range.nominal) / r.ohms,
      resistorOhms: r.ohms,
    },
  );
}
