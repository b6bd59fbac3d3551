import { atLeast, atMost, carried, chosen, constant, derive, judged, worst, type Input } from '../finding';
import { formatQuantity } from '../quantity';
import { CLASSES } from './classes';
import { baseDrive, pinCurrent, pinHigh, resistorRemedy, seriesResistor } from './drive';
import { levelFindings } from './line';
import { requirements } from './requirements';
import { sides, wires, type WayContext, type WayResult } from './way';
import { buttonCurrent, carriesLoad, result, wireOhms } from './way-parts';

/** A transistor to the shared ground. */
export function npnToGround(c: WayContext): WayResult {
  const way = 'npn-to-ground';
  const { npn } = CLASSES;
  const own = c.job.thumb.resistorOhms;
  const findings = [...requirements(way, c, true), ...carriesLoad(way, c)];
  let ohms = own ?? 2200;
  if (c.line) {
    const current = buttonCurrent(c.line);
    const twice = derive('twice that, for certain saturation', 'I_need', '2 * I_button', 'A', [carried(current)]);
    // Half a milliampere of base current is the least worth wiring: below it leakage and noise begin to count.
    const wanted = (c.drive.highVolts.low - npn.baseVolts.range.high) / Math.max(twice.result.value / npn.forcedGain, 0.5e-3);
    const r = seriesResistor(wanted, own);
    ohms = r.ohms;
    const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
    const need: Input = { ...carried(twice), name: 'twice the button current', origin: { from: 'measured', at: c.fact.lastReadingAt, what: 'button current from Probe, doubled' } };
    findings.push(
      ...levelFindings(way, c.line, { saturation: npn.saturation, leakage: npn.leakage }, wireOhms(c)),
      baseDrive(way, c.drive, npn.baseVolts, r.input, npn.forcedGain, need, remedy),
      pinCurrent(way, c.drive, npn.baseVolts, r.input, remedy),
    );
  }
  const { upper, lower } = sides(c);
  return result(way, findings, [
    { name: 'small-signal NPN transistor', value: '40 V, 200 mA', quantity: 1 },
    { name: 'resistor, base', value: `${formatQuantity(ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
  ], wires(c.job, [['pin', 'base resistor'], ['controller ground', lower, true], ['collector', upper, true]]), {
    sharesGround: true, galvanicallyApart: false, turnOnVolts: 0.6, turnOnAmps: 5e-6, pinAmps: (c.drive.highVolts.nominal - 0.7) / ohms, supplyAmps: 0, needsVolts: 0, resistorOhms: ohms,
  });
}

/** An optocoupler with transistor output across the button. */
export function optocoupler(c: WayContext): WayResult {
  const way = 'optocoupler';
  const { opto } = CLASSES;
  const own = c.job.thumb.resistorOhms;
  const findings = [...requirements(way, c, false), ...carriesLoad(way, c)];
  let ohms = own ?? 680;
  if (c.line) {
    const current = buttonCurrent(c.line);
    const twice = derive('twice that, for certain saturation', 'I_need', '2 * I_button', 'A', [carried(current)]);
    // Transfer ratios are stated at milliamperes; under 2 mA they fall away.
    const aim = Math.max(2e-3, twice.result.value / (opto.transfer.range.low * opto.ageing));
    const wanted = (c.drive.highVolts.low - opto.ledVolts.range.high) / aim;
    const r = seriesResistor(wanted, own);
    ohms = r.ohms;
    const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
    const led = worst('lowest', 'LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [pinHigh(c.drive), opto.ledVolts, r.input]);
    const sink = worst('lowest', 'current it sinks when aged', 'I_sink', 'CTR * k_age * I_F', 'A', [opto.transfer], [constant('k_age', 'share left after ageing', opto.ageing, '1', 'parts-opto'), carried(led)]);
    findings.push(
      ...levelFindings(way, c.line, { saturation: opto.saturation, leakage: opto.leakage }, wireOhms(c)),
      judged('thumb', `${way}.sink`, {
        title: 'Current it can sink against what the button needs', caption: 'sink current', steps: [led, sink],
        limit: atLeast(twice.result.value, 'A', 'twice the button current', { from: 'measured', at: c.fact.lastReadingAt, what: 'button current from Probe, doubled' }), remedy, tightShare: 0,
      }),
      pinCurrent(way, c.drive, opto.ledVolts, r.input, remedy),
    );
  }
  const { upper, lower } = sides(c);
  return result(way, findings, [
    { name: 'optocoupler, transistor output', value: 'transfer 50 to 600 %, 5 kV', quantity: 1 },
    { name: 'resistor, LED', value: `${formatQuantity(ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
  ], wires(c.job, [['pin', 'LED resistor, anode'], ['controller ground', 'cathode'], ['collector', upper], ['emitter', lower]]), {
    sharesGround: false, galvanicallyApart: true, turnOnVolts: 1.0, turnOnAmps: 100e-6, pinAmps: (c.drive.highVolts.nominal - 1.2) / ohms, supplyAmps: 0, needsVolts: 0, resistorOhms: ohms,
  });
}

/** A solid-state relay with MOSFET output across the button. */
export function solidStateRelay(c: WayContext): WayResult {
  const way = 'solid-state-relay';
  const { ssr } = CLASSES;
  const own = c.job.thumb.resistorOhms;
  const wanted = (c.drive.highVolts.low - ssr.ledVolts.range.high) / ssr.aimAmps;
  const r = seriesResistor(wanted, own);
  const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
  const led = worst('lowest', 'LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [pinHigh(c.drive), ssr.ledVolts, r.input]);
  const findings = [
    ...requirements(way, c, false),
    ...carriesLoad(way, c),
    ...(c.line ? levelFindings(way, c.line, { onOhms: ssr.onOhms, leakage: ssr.leakage }, wireOhms(c)) : []),
    judged('thumb', `${way}.led`, {
      title: 'LED current over what it needs to close', caption: 'LED current', steps: [led], remedy,
      limit: atLeast(ssr.operateAmps, 'A', 'LED current that closes it for certain', { from: 'source', key: 'parts-ssr' }),
    }),
    pinCurrent(way, c.drive, ssr.ledVolts, r.input, remedy),
  ];
  if (c.line) {
    const loop = derive('open-circuit voltage at the contact', 'V_open', 'V_CC', 'V', [{ symbol: 'V_CC', name: c.line.supply.name, value: c.line.supply.range.high, unit: 'V', origin: c.line.supply.origin }]);
    findings.push(judged('thumb', `${way}.voltage`, { title: 'Open contact under its voltage rating', caption: 'contact voltage', steps: [loop], limit: atMost(ssr.loadVolts, 'V', 'rated voltage', { from: 'source', key: 'parts-ssr' }) }));
  }
  const { upper, lower } = sides(c);
  return result(way, findings, [
    { name: 'solid-state relay, MOSFET output', value: '60 V, 0.4 A, 35 Ω', quantity: 1 },
    { name: 'resistor, LED', value: `${formatQuantity(r.ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
  ], wires(c.job, [['pin', 'LED resistor, anode'], ['controller ground', 'cathode'], ['output', upper], ['output', lower]]), {
    sharesGround: false, galvanicallyApart: true, turnOnVolts: 1.0, turnOnAmps: 500e-6, pinAmps: (c.drive.highVolts.nominal - 1.25) / r.ohms, supplyAmps: 0, needsVolts: 0, resistorOhms: r.ohms,
  });
}

/** A relay contact across the button, its coil driven by a transistor, with a diode across the coil. */
export function relayContact(c: WayContext): WayResult {
  const way = 'relay-contact';
  const { relay, npn } = CLASSES;
  const type = relay[c.job.thumb.relayContact];
  const own = c.job.thumb.resistorOhms;
  const coil = worst('highest', 'coil current', 'I_coil', 'V_coil / R_coil', 'A', [{ symbol: 'R_coil', name: 'coil resistance', range: type.coilOhms, unit: 'Ω', origin: { from: 'source', key: type.key } }], [chosen('V_coil', 'coil voltage', relay.coilVolts, 'V', 'class of the relay')]);
  const wanted = (c.drive.highVolts.low - npn.baseVolts.range.high) / (coil.result.value / npn.coilGain);
  const r = seriesResistor(wanted, own);
  const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
  const findings = [
    ...requirements(way, c, false),
    ...carriesLoad(way, c),
    baseDrive(way, c.drive, npn.baseVolts, r.input, npn.coilGain, { ...carried(coil), name: 'coil current', origin: { from: 'source', key: type.key } }, remedy),
    pinCurrent(way, c.drive, npn.baseVolts, r.input, remedy),
  ];
  if (c.line) {
    const least = worst('lowest', 'current that the contact passes', 'I_button', 'V_CC / R', 'A', [c.line.supply, c.line.pull]);
    const minimum = atLeast(type.minimumAmps, 'A', `least current a ${type.contact} wants`, { from: 'source', key: type.key });
    findings.unshift(
      judged('thumb', `${way}.minimum-load`, {
        title: `The button passes ${formatQuantity(least.result.value, 'A')}; a ${type.contact} wants ${formatQuantity(type.minimumAmps, 'A')}`, caption: 'contact may go deaf', steps: [least], limit: minimum,
        // A film on the contact fails now and then and hurts nobody: a reason to prefer another way, not to stop.
        verdict: least.result.value >= type.minimumAmps ? 'settled' : 'tight',
        remedy: c.job.thumb.relayContact === 'signal' ? null : { text: 'A gold signal contact works from 10 µA.', label: 'Use a signal relay', edit: { do: 'change', section: 'thumb', set: { relayContact: 'signal', resistorOhms: null }, say: 'signal relay with a gold contact' } },
      }),
    );
    findings.push(...levelFindings(way, c.line, { onOhms: relay.contactOhms, leakage: relay.leakage }, wireOhms(c)));
  }
  const { upper, lower } = sides(c);
  return result(way, findings, [
    { name: `relay, 5 V coil, ${type.contact}`, value: `coil ${formatQuantity(type.coilOhms.nominal, 'Ω')}`, quantity: 1 },
    { name: 'small-signal NPN transistor', value: '40 V, 200 mA', quantity: 1 },
    { name: 'resistor, base', value: `${formatQuantity(r.ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
    { name: 'diode across the coil', value: '1 A, 50 V or more', quantity: 1 },
  ], wires(c.job, [['pin', 'base resistor'], ['controller ground', 'emitter'], ['contact', upper], ['contact', lower], ['5 V', 'coil']]), {
    sharesGround: false, galvanicallyApart: true, turnOnVolts: 0.6, turnOnAmps: 5e-6, pinAmps: (c.drive.highVolts.nominal - 0.7) / r.ohms, supplyAmps: coil.result.value, needsVolts: relay.coilVolts, resistorOhms: r.ohms,
  });
}
