import { LOGIC_TURN_ON_AMPS } from './driver-levels';
import { GROUND, leg, legOf, pin } from '../ends';
import { atLeast, atMost, derive, derivedLimit, judged, worst, type Finding } from '../../ground/finding';
import { partInput, partValue, takenPart, type TakenPart } from '../../engines/parts';
import { within } from '../../ground/quantity';
import { sides, wires, type WayContext, type WayResult } from './context';
import { deadMachine, INTO_MACHINE_OHMS } from './dead-side';
import { pinHigh, resistorRemedy } from './drive';
import { levelFindings, probed, type ControlLine } from './line';
import { RESISTOR_SHARE } from './practice';
import { closedCurrent } from './ratings';
import { requirements } from './requirements';
import { crossings, perKey } from './scanned';
import { carriesLoad, noUse, result, resistorPart, takePart, wireOhms } from './result';

/** The switch runs from the machine's own supply: its range, and the level that its control input wants. */
function insideSupply(c: WayContext, part: TakenPart, supply: ControlLine['supply']): Finding[] {
  const way = 'analogue-switch';
  const [least, most] = [partValue(part, 'leastVolts'), partValue(part, 'mostVolts')];
  const low = worst('lowest', 'machine’s supply', 'V_CC', 'V_CC', 'V', [supply]);
  const high = worst('highest', 'machine’s supply', 'V_CC', 'V_CC', 'V', [supply]);
  const want = worst('highest', 'control level that it takes for high', 'V_IH', '0.7 * V_CC', 'V', [supply]);
  const pin = worst('lowest', 'pin high', 'V_OH', 'V_OH', 'V', [pinHigh(c.drive)]);
  const wide = takePart(
    c,
    'analogue-switch',
    'switch-cmos',
    'Take the wide-range switch',
    'Take a switch whose supply range holds the machine’s.',
  );
  return [
    judged('thumb', `${way}.least`, {
      title: 'The machine’s supply over the least that the switch runs from',
      caption: 'supply range',
      steps: [low],
      limit: atLeast(least.value, 'V', 'least supply of the switch', least.origin),
      tightShare: 0.05,
      remedy: low.result.value < least.value ? wide : null,
    }),
    judged('thumb', `${way}.most`, {
      title: 'The machine’s supply under the most that the switch bears',
      caption: 'supply range',
      steps: [high],
      limit: atMost(most.value, 'V', 'highest supply of the switch', most.origin),
      tightShare: 0.05,
      remedy: high.result.value > most.value ? wide : null,
    }),
    judged('thumb', `${way}.control`, {
      title: 'Pin level against what the control input takes for high',
      caption: 'control level',
      steps: [pin],
      limit: derivedLimit('at least', [want], 'seven tenths of the machine’s supply'),
      tightShare: 0.05,
      source: ['switch-control'],
      remedy:
        pin.result.value < want.result.value
          ? {
              text: 'Put a level shifter before its control input, or take a solid-state relay, which asks for no level.',
            }
          : null,
    }),
  ];
}

/** The supply of a control, also of a ladder, which has no logic line. */
function supplyOf(c: WayContext): ControlLine['supply'] | null {
  if (c.line) return c.line.supply;
  const volts = c.fact.parameters['supplyVolts'];
  return volts
    ? { symbol: 'V_CC', name: 'appliance supply', range: volts, unit: 'V', origin: probed(c.fact, 'supplyVolts') }
    : null;
}

/** What a high pin pushes into the control of a switch whose supply, the machine's, is off, over the maker's own resistor or ours. */
function controlInto(c: WayContext): Finding {
  const own = c.press.resistorOhms;
  return deadMachine(
    'analogue-switch',
    c,
    {
      symbol: 'R_c',
      name: own === null ? 'resistor before the control' : 'resistor before the control, your choice',
      range: within(own ?? INTO_MACHINE_OHMS, RESISTOR_SHARE),
      unit: 'Ω',
      origin: own === null ? { from: 'source', key: 'unpowered' } : { from: 'maker', what: 'chosen in Thumb' },
      possible: [1, 10e6],
    },
    resistorRemedy(c.press, INTO_MACHINE_OHMS),
  );
}

/** An analogue switch or one crossing of a crosspoint across the button, inside the machine's supply rails. */
export function analogueSwitch(c: WayContext): WayResult {
  const way = 'analogue-switch';
  if (c.fact.leading === 'dry-pair')
    return noUse(
      way,
      'A loop of which no rail is known: an analogue switch lives inside a supply',
      'Use a contact or a solid-state relay across the pair.',
    );
  const part = takenPart(c.job, 'analogue-switch');
  const supply = supplyOf(c);
  const findings = [
    ...carriesLoad(way, c, part),
    ...perKey(way, c),
    ...crossings(c, part),
    ...requirements(way, c, 'ground'),
    ...(supply ? insideSupply(c, part, supply) : []),
    controlInto(c),
  ];
  if (c.line)
    findings.push(
      ...closedCurrent(way, c, c.line, part, 'switchAmps'),
      ...levelFindings(
        way,
        c.line,
        { onOhms: partInput(part, 'onOhms'), leakage: partInput(part, 'leakageAmps') },
        wireOhms(c),
      ),
    );
  const turnOn = derive('control level below which it is open for certain', 'V_IL', '0.3 * V_CC', 'V', [
    {
      symbol: 'V_CC',
      name: 'appliance supply',
      value: supply?.range.low ?? 5,
      unit: 'V',
      origin: supply?.origin ?? { from: 'source', key: 'switch-control' },
    },
  ]);
  const { upper, lower } = sides(c);
  return result(
    way,
    findings,
    [
      { name: 'analogue switch', value: part.name, quantity: 1 },
      resistorPart('before its control', c.press.resistorOhms ?? INTO_MACHINE_OHMS),
    ],
    wires(c, [
      [pin(), leg('analogue switch', 'control resistor')],
      [GROUND, legOf('machine', 'machine’s', 'ground'), true],
      [leg('analogue switch', 'switch 1'), upper, true],
      [leg('analogue switch', 'switch 2'), lower, true],
      [legOf('machine', 'machine’s', 'supply'), leg('analogue switch', 'switch supply'), true],
    ]),
    ['analogue-switch'],
    {
      sharesGround: true,
      galvanicallyApart: false,
      turnOnVolts: turnOn.result.value,
      turnOnAmps: LOGIC_TURN_ON_AMPS,
      pinAmps: LOGIC_TURN_ON_AMPS,
      resistorOhms: c.press.resistorOhms ?? INTO_MACHINE_OHMS,
    },
  );
}
