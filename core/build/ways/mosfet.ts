import { GROUND, leg, pin } from '../ends';
import { atMost, carried, constant, derive, derivedLimit, judged, worst, type Finding } from '../../ground/finding';
import { partInput, partValue, takenPart, type TakenPart } from '../../engines/parts';
import { sides, wires, type WayContext, type WayResult } from './context';
import { pinHigh } from './drive';
import { levelFindings } from './line';
import { DEAD_BAND_VOLTS, GATE_OHMS, HOLD_OHMS } from './practice';
import { closedCurrent, directCurrentOnly, openVoltage } from './ratings';
import { resistorBetween } from './own-wires';
import { requirements } from './requirements';
import { carriesLoad, resistorPart, result, takePart, wireOhms } from './result';

const WAY = 'nmos-to-ground';

/** A logic-level N-MOSFET to the shared ground: no current from the pin, and a resistor that holds the gate while the pin floats. */
export function nmosToGround(c: WayContext): WayResult {
  const part = takenPart(c.job, 'nmos');
  const threshold = partInput(part, 'thresholdVolts');
  const ohms = c.press.resistorOhms ?? GATE_OHMS;
  const holdOhms = constant('R_hold', 'gate pull-down', HOLD_OHMS, 'Ω', 'gate-drive');
  const hold = derive('current that would lift the held gate to its threshold', 'I_hold', 'V_th / R_hold', 'A', [
    { ...partValue(part, 'thresholdVolts'), value: threshold.range.low },
    holdOhms,
  ]);
  const steady = derive('current out of the pin', 'I_pin', 'V_OH / R_hold', 'A', [
    constant('V_OH', 'pin high, highest', c.drive.highVolts.high, 'V', 'pin-drive'),
    holdOhms,
  ]);
  const { upper, lower } = sides(c);
  return result(
    WAY,
    [
      ...carriesLoad(WAY, c, null),
      ...requirements(WAY, c, 'ground-side'),
      ...directCurrentOnly(WAY, c.line),
      gateFinding(c, part),
      ...(c.line ? lineFindings(c, c.line, part) : []),
      judged('thumb', `${WAY}.pin-current`, {
        title: 'Pin current under what the pin may give',
        caption: 'pin current',
        steps: [steady],
        limit: atMost(c.drive.limitAmps, 'A', `pin limit of the ${c.drive.controller}`, {
          from: 'source',
          key: c.drive.source,
        }),
        tightShare: 0.1,
      }),
    ],
    [
      { name: 'N-MOSFET', value: part.name, quantity: 1 },
      resistorPart('gate', ohms),
      resistorPart('gate pull-down', HOLD_OHMS),
    ],
    wires(c, [
      [pin(), leg('transistor', 'gate resistor')],
      [GROUND, lower, true],
      [leg('transistor', 'drain'), upper, true],
      [leg('transistor', 'source', 'source', { beside: true }), GROUND],
      ...resistorBetween('gate pull-down', leg('transistor', 'gate'), GROUND),
    ]),
    ['nmos'],
    {
      sharesGround: true,
      galvanicallyApart: false,
      turnOnVolts: threshold.range.low - DEAD_BAND_VOLTS,
      turnOnAmps: carried(hold).value,
      holdOhms: HOLD_OHMS,
      pinAmps: steady.result.value,
      resistorOhms: ohms,
    },
  );
}

/** Either rule suffices: twice the highest threshold, or the voltage at which the maker of the part states its on-resistance. */
function gateFinding(c: WayContext, part: TakenPart): Finding {
  const [threshold, stated] = [partInput(part, 'thresholdVolts'), partValue(part, 'statedAtVolts')];
  const wanted = worst(
    'highest',
    'gate voltage for certain',
    'V_need',
    'min(2 * V_th, V_GS)',
    'V',
    [threshold],
    [stated],
  );
  const drive = worst('lowest', 'pin high', 'V_gate', 'V_OH', 'V', [pinHigh(c.drive)]);
  const short = drive.result.value < wanted.result.value;
  return judged('thumb', `${WAY}.gate`, {
    title: 'Gate voltage against what its on-resistance is sure at',
    caption: 'gate drive',
    steps: [drive],
    limit: derivedLimit('at least', [wanted], 'twice the highest threshold, or the stated gate voltage'),
    tightShare: 'met',
    source: ['gate-drive', 'pin-drive'],
    remedy: short
      ? takePart(
          c,
          'nmos',
          'nmos-logic',
          'Take a logic-level MOSFET',
          'Take a MOSFET whose on-resistance is stated at 2.5 V on the gate.',
        )
      : null,
  });
}

/** What it does to the button's line. The wire to ground carries the button's current: its resistance adds to the switch's. */
function lineFindings(c: WayContext, line: NonNullable<WayContext['line']>, part: TakenPart): Finding[] {
  const wire = wireOhms(c);
  const bare = partInput(part, 'onOhms');
  const onOhms = {
    ...bare,
    range: {
      low: bare.range.low + wire.range.low,
      nominal: bare.range.nominal + wire.range.nominal,
      high: bare.range.high + wire.range.high,
    },
    name: `${bare.name}, with the ground wire`,
  };
  return [
    ...levelFindings(WAY, line, { onOhms, leakage: partInput(part, 'leakageAmps') }, wire),
    openVoltage(WAY, line, part, 'drainVolts', 'Open drain under four fifths of its voltage rating'),
    ...closedCurrent(WAY, c, line, part, 'drainAmps'),
  ];
}
