import { itemAt } from '../../ground/lists';
import { GROUND, leg, pin } from '../ends';
import { carried, constant, derivedLimit, finding, judged, worst, type Finding } from '../../ground/finding';
import { partInput, takenPart } from '../../engines/parts';
import { sides, wires, type WayContext, type WayResult } from './context';
import { pinCurrent, pinHigh, resistorRemedy, seriesResistor } from './drive';
import { levelFindings } from './line';
import { OPTO_AGEING } from './practice';
import { closedCurrent, directCurrentOnly, openVoltage } from './ratings';
import { requirements } from './requirements';
import { perKey } from './scanned';
import { carriesLoad, resistorPart, result, wireOhms } from './result';
import { twiceButton } from './transistor';

/** LED current at which any optocoupler begins to conduct, A, and what of the supply is moved then: common practice. */
const STARTS_AMPS = 100e-6;
const MOVED_SHARE = 0.3;
/** Transfer ratios are stated at milliamperes; under this they fall away, A. */
const STATED_AMPS = 2e-3;
/** Resistor while nothing is known of the button, Ω. */
const USUAL_OHMS = 680;

/** LED current from which its transistor already moves the line by a third of its supply, A: a weak pull-up may give that. */
function startsAt(c: WayContext, highestTransfer: number): number {
  const line = c.line;
  return line
    ? Math.min(STARTS_AMPS, (MOVED_SHARE * line.supply.range.low) / line.pull.range.high / highestTransfer)
    : STARTS_AMPS;
}

/** At a crossing of a scanned pad the collector must lie on the higher side, which is the sense line where strobes go low. */
function polarityKnown(c: WayContext): Finding[] {
  if (c.fact.leading !== 'scanned-matrix' || c.fact.strobesLow !== 'unknown') return [];
  return [
    finding('thumb', 'optocoupler.polarity', {
      verdict: 'unknown',
      title: 'Whether strobes go low or high is not known, and the collector belongs on the higher side',
      caption: 'strobe polarity?',
      remedy: { text: 'Load a capture of the pad in Probe; or take a solid-state relay, which conducts either way.' },
    }),
  ];
}

/** An optocoupler with transistor output across the button. */
export function optocoupler(c: WayContext): WayResult {
  const way = 'optocoupler';
  const opto = takenPart(c.job, 'optocoupler');
  const [ledVolts, transfer] = [partInput(opto, 'ledVolts'), partInput(opto, 'transfer')];
  const own = c.press.resistorOhms;
  const findings = [
    ...carriesLoad(way, c, null),
    ...requirements(way, c, 'apart', opto),
    ...directCurrentOnly(way, c.line),
    ...polarityKnown(c),
    ...perKey(way, c),
  ];
  let ohms = own ?? USUAL_OHMS;
  if (c.line) {
    const need = twiceButton(c.line);
    const aim = Math.max(STATED_AMPS, itemAt(need, 1).result.value / (transfer.range.low * OPTO_AGEING));
    const wanted = (c.drive.highVolts.low - ledVolts.range.high) / aim;
    const r = seriesResistor(wanted, own);
    ohms = r.ohms;
    const remedy = resistorRemedy(c.press, seriesResistor(wanted, null).ohms);
    const led = worst('lowest', 'LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [pinHigh(c.drive), ledVolts, r.input]);
    const sink = worst(
      'lowest',
      'current it sinks when aged',
      'I_sink',
      'CTR * k_age * I_F',
      'A',
      [transfer],
      [constant('k_age', 'share left after ageing', OPTO_AGEING, '1', 'parts-opto'), carried(led)],
    );
    findings.push(
      ...levelFindings(
        way,
        c.line,
        { saturation: partInput(opto, 'saturationVolts'), leakage: partInput(opto, 'leakageAmps') },
        wireOhms(c),
      ),
      judged('thumb', `${way}.sink`, {
        title: 'Current it can sink against what the button needs',
        caption: 'sink current',
        steps: [led, sink],
        limit: derivedLimit('at least', need, 'twice the button current'),
        remedy,
        tightShare: 'met',
      }),
      pinCurrent(way, c.drive, ledVolts, r.input, remedy),
      openVoltage(way, c.line, opto, 'outputVolts', 'Open output under four fifths of its voltage rating'),
      ...closedCurrent(way, c, c.line, opto, 'outputAmps'),
    );
  }
  const { upper, lower } = sides(c);
  return result(
    way,
    findings,
    [{ name: 'optocoupler', value: opto.name, quantity: 1 }, resistorPart('LED', ohms)],
    wires(c, [
      [pin(), leg('optocoupler', 'LED resistor, anode')],
      [GROUND, leg('optocoupler', 'cathode')],
      [leg('optocoupler', 'collector'), upper],
      [leg('optocoupler', 'emitter'), lower],
    ]),
    ['optocoupler'],
    {
      turnOnVolts: ledVolts.range.low,
      turnOnAmps: startsAt(c, transfer.range.high),
      pinAmps: (c.drive.highVolts.nominal - ledVolts.range.nominal) / ohms,
      resistorOhms: ohms,
    },
  );
}
