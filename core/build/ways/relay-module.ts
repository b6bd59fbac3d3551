import { contactLeg, GROUND, legOf, pin, voltsEnd } from '../ends';
import { atLeast, atMost, constant, judged, worst, type Finding, type Limit } from '../../ground/finding';
import { MODULE_TURNS_AT } from '../../engines/circuit';
import { boundsOf, partInput, partValue, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity, within } from '../../ground/quantity';
import { SUPPLY_SHARE } from '../../engines/electrics';
import { sides, wires, type WayContext, type WayResult } from './context';
import { closedOhms } from './in-series';
import { clampCurrent, pinHigh, pinTakes } from './drive';
import { levelFindings } from './line';
import { requirements } from './requirements';
import { perKey } from './scanned';
import { closedCurrent, openVoltage } from './ratings';
import { carriesLoad, contactOf, minimumLoad, openContact, result, takePart, wireOhms } from './result';
import { coilDraw } from './draws';

/** The input of a module: off for certain at one level of the pin, pulled in for certain at the other. */
const inputFindings = (c: WayContext, part: TakenPart): Finding[] =>
  valueOf(part, 'onLow') === 1 ? onLowFindings(c, part) : onHighFindings(c, part);

const WAY = 'relay-module';
const needOf = (part: TakenPart): Limit => {
  const onAmps = partValue(part, 'onAmps');
  return atLeast(onAmps.value, 'A', 'input current that pulls it in', onAmps.origin);
};

function onHighFindings(c: WayContext, part: TakenPart): Finding[] {
  const [drop, inOhms] = [partInput(part, 'dropVolts'), partValue(part, 'inputOhms')];
  const on = worst(
    'lowest',
    'input current',
    'I_in',
    '(V_OH - V_drop) / R_in',
    'A',
    [pinHigh(c.drive), drop],
    [inOhms],
  );
  const out = worst(
    'highest',
    'current out of the pin',
    'I_pin',
    '(V_OH - V_drop) / R_in',
    'A',
    [pinHigh(c.drive), drop],
    [inOhms],
  );
  return [
    judged('thumb', `${WAY}.on`, {
      title: 'Input current while the pin is high',
      caption: 'input current',
      steps: [on],
      limit: needOf(part),
    }),
    pinTakes(WAY, 'pin-current', 'Pin current under what the pin may give', c.drive, out),
  ];
}

/** An input that presses on low: what is left across it while the pin is high counts as well. */
function onLowFindings(c: WayContext, part: TakenPart): Finding[] {
  const [drop, supply, inOhms] = [
    partInput(part, 'dropVolts'),
    partValue(part, 'supplyVolts'),
    partValue(part, 'inputOhms'),
  ];
  // The module's supply is a plug-in one and may be a twentieth high or low.
  const fed = { ...supply, symbol: 'V_mod', range: within(supply.value, SUPPLY_SHARE) };
  const rest = worst('highest', 'voltage left across the input while the pin is high', 'V_rest', 'V_mod - V_OH', 'V', [
    pinHigh(c.drive),
    fed,
  ]);
  const on = worst('lowest', 'input current', 'I_in', '(V_mod - V_drop) / R_in', 'A', [drop, fed], [inOhms]);
  const sink = worst('highest', 'current into the pin', 'I_pin', '(V_mod - V_drop) / R_in', 'A', [drop, fed], [inOhms]);
  const clamp = worst(
    'highest',
    'current into the pin’s clamp',
    'I_cl',
    'max(0, V_mod - V_drop - V_pin - V_d) / R_in',
    'A',
    [drop, fed],
    [
      inOhms,
      constant('V_pin', 'supply of the controller’s pins', c.drive.highVolts.high, 'V', 'pin-drive'),
      constant('V_d', 'drop of the clamp', 0.3, 'V', 'clamp'),
    ],
  );
  const high = takePart(
    c,
    'relay-module',
    'module-high',
    'Take a module that presses on high',
    'A module that presses on a high pin has no such trouble, or feed its input LEDs from 3.3 V.',
  );
  return [
    judged('thumb', `${WAY}.off`, {
      title: 'Off while the pin is high: what is left across its input against the drop before current flows',
      caption: 'stays off',
      steps: [rest],
      limit: atMost(drop.range.low, 'V', 'drop of its input, lowest', drop.origin),
      tightShare: 0.1,
      source: ['parts-module'],
      remedy: rest.result.value > drop.range.low * 0.9 ? high : null,
    }),
    judged('thumb', `${WAY}.on`, {
      title: 'Input current while the pin is low',
      caption: 'input current',
      steps: [on],
      limit: needOf(part),
    }),
    pinTakes(WAY, 'pin-current', 'Current that the pin sinks while it presses', c.drive, sink),
    clampCurrent(WAY, clamp, high),
  ];
}

/** Drop of a dead rail's clamp, V (`module-powerup`). */
const DEAD_CLAMP_VOLTS = 0.6;

/** Whether a module that is fed before its controller pulls its own input in, through the controller's clamp and its dead rail. */
export const pullsOnDeadRail = (part: TakenPart): boolean =>
  valueOf(part, 'onLow') === 1 &&
  (valueOf(part, 'supplyVolts') - boundsOf(part, 'dropVolts').low - DEAD_CLAMP_VOLTS) / valueOf(part, 'inputOhms') >=
    MODULE_TURNS_AT * valueOf(part, 'onAmps');

/** A ready-made relay module, its contact across the button. */
export function relayModule(c: WayContext): WayResult {
  const way = 'relay-module';
  const part = takenPart(c.job, 'relay-module');
  const findings = [
    ...carriesLoad(way, c, part),
    ...requirements(way, c, 'apart', part),
    ...perKey(way, c),
    ...inputFindings(c, part),
    ...(c.line
      ? [
          minimumLoad(way, c.line, part, null),
          ...levelFindings(way, c.line, { onOhms: closedOhms(c, way, part), leakage: openContact }, wireOhms(c)),
          openVoltage(way, c.line, part, 'contactVolts', 'Open contact under four fifths of its voltage rating'),
          ...closedCurrent(way, c, c.line, part, 'contactAmps'),
        ]
      : []),
  ];
  const onLow = valueOf(part, 'onLow') === 1;
  const [volts, amps] = [valueOf(part, 'supplyVolts'), valueOf(part, 'coilAmps')];
  const input =
    Math.max(0, (onLow ? volts : c.drive.highVolts.nominal) - valueOf(part, 'dropVolts')) / valueOf(part, 'inputOhms');
  const { upper, lower } = sides(c);
  return result(
    way,
    findings,
    [{ name: 'relay module', value: part.name, quantity: 1 }],
    wires(c, [
      [pin(), legOf('module', 'module', 'input')],
      [GROUND, legOf('module', 'module', 'ground')],
      [contactLeg('module', 'contact', 1), upper],
      [contactLeg('module', 'contact', 2), lower],
      [voltsEnd(formatQuantity(volts, 'V')), legOf('module', 'module', 'supply')],
    ]),
    ['relay-module'],
    {
      // An input that presses on low needs nothing from the pin: a floating one leaves it off.
      turnOnVolts: onLow ? 0 : valueOf(part, 'dropVolts'),
      turnOnAmps: onLow ? 0 : valueOf(part, 'onAmps') * 0.8,
      pinAmps: input,
      draws: [coilDraw('coil of the relay module', volts, amps)],
      pressesOn: onLow ? 'low' : 'high',
      contact: c.line ? null : contactOf(part),
      deadRailCloses: pullsOnDeadRail(part),
    },
  );
}
