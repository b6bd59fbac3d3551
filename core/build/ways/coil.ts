import {
  chosen,
  constant,
  derive,
  derivedLimit,
  judged,
  worst,
  type Finding,
  type Input,
  type RangedInput,
  type Step,
} from '../../ground/finding';
import type { Way } from '../../ground/job';
import { boundsOf, COPPER, HOT, partInput, partValue, takenPart, type TakenPart } from '../../engines/parts';
import { SUPPLY_SHARE } from '../../engines/electrics';
import { voltsAt } from '../../engines/supply';
import { baseDrive, forcedGain, pinCurrent, resistorRemedy, seriesResistor } from './drive';
import { COIL_GAIN, DEAD_BAND_VOLTS } from './practice';
import { resistorPart } from './result';
import type { Part, WayContext } from './context';

/** A coil on a transistor on a pin: its findings, its parts, and the base resistor, Ω. */
export interface CoilDrive {
  readonly coil: Step;
  readonly findings: readonly Finding[];
  readonly parts: readonly Part[];
  readonly ohms: number;
  readonly pinAmps: number;
  /** Pin level under which the coil is off for certain, V. */
  readonly turnOnVolts: number;
}

/** Must-operate voltage as a share of the rated one at 20 °C (`relay-moves`). */
const PULLS_IN = 0.75;

/** The voltage that feeds a coil, nominal: Feed's where it is meant for this coil, else the coil's own. */
const coilSupply = (c: WayContext, rated: Input): Input => {
  const volts = voltsAt(c.job, c.press.id);
  return volts !== null && Math.abs(volts - rated.value) <= 0.1 * rated.value
    ? chosen('V_s', 'supply of the coil', volts, 'V', 'set in Feed', [0.5 * rated.value, 1.3 * rated.value])
    : { ...rated, symbol: 'V_s', name: 'supply of the coil, as it is rated' };
};

/** What the driver leaves of a low supply against what a warm coil needs to pull in: copper has more resistance then. */
function pullIn(way: Way, npn: TakenPart, coilOhms: RangedInput, rated: Input, supply: Input): Finding {
  const left = worst(
    'lowest',
    'voltage left for the coil',
    'V_left',
    'V_s * (1 - k_s) - V_sat',
    'V',
    [partInput(npn, 'saturationVolts', 'V_sat')],
    [supply, constant('k_s', 'the supply may be this much low', SUPPLY_SHARE, '1', 'feed-volts')],
  );
  const want = derive(`voltage at which it pulls in at ${HOT} °C`, 'V_in', 'k_in * V_coil * (1 + α * (T - 20))', 'V', [
    constant('k_in', 'must-operate share', PULLS_IN, '1', 'relay-moves'),
    rated,
    constant('α', 'copper, for each kelvin', COPPER, '1', 'copper'),
    constant('T', 'inside the case, at most, °C', HOT, '1', 'temperature'),
  ]);
  const short = left.result.value < want.result.value;
  return judged('thumb', `${way}.coil-volts`, {
    title: `What ${npn.name.split(',')[0]} and a low supply leave of the coil’s voltage, warm`,
    caption: 'coil voltage',
    steps: [left],
    limit: derivedLimit('at least', [want], 'pulls in for certain'),
    tightShare: 0.02,
    source: [...(coilOhms.origin.from === 'class' ? [coilOhms.origin.key] : [])],
    remedy: short
      ? {
          text: 'Take a driver that drops less (a small NPN or a MOSFET), or a supply a little over the coil’s rating.',
        }
      : null,
  });
}

/** The coil's current under half of what its driver bears. */
function driverCurrent(way: Way, coil: Step, npn: TakenPart): Finding[] {
  const half = derive('half of the driver’s rating', 'I_half', 'k_I * I_rated', 'A', [
    constant('k_I', 'share used', 0.5, '1', 'part-share'),
    partValue(npn, 'collectorAmps', 'I_rated'),
  ]);
  return [
    judged('thumb', `${way}.driver-current`, {
      title: 'Coil current under half of what its driver bears',
      caption: 'driver current',
      steps: [coil],
      limit: derivedLimit('at most', [half], 'half of its rating'),
      tightShare: 'met',
    }),
  ];
}

/** The small transistor that drives a relay's coil, with a diode across the coil. @param count identical drives of one machine. */
export function coilDrive(way: Way, c: WayContext, relay: TakenPart, count = 1): CoilDrive {
  const npn = takenPart(c.job, 'npn');
  const base = partInput(npn, 'baseVolts');
  const coilOhms = partInput(relay, 'coilOhms');
  const rated = partValue(relay, 'coilVolts');
  const supply = coilSupply(c, rated);
  const coil = worst('highest', 'coil current', 'I_coil', 'V_coil / R_coil', 'A', [coilOhms], [rated]);
  const gain = forcedGain(COIL_GAIN, boundsOf(npn, 'gain').low);
  const own = c.press.resistorOhms;
  const wanted = (c.drive.highVolts.low - base.range.high) / (coil.result.value / gain);
  const r = seriesResistor(wanted, own);
  const remedy = resistorRemedy(c.press, seriesResistor(wanted, null).ohms);
  return {
    coil,
    ohms: r.ohms,
    turnOnVolts: base.range.low - DEAD_BAND_VOLTS,
    pinAmps: (c.drive.highVolts.nominal - base.range.nominal) / r.ohms,
    findings: [
      baseDrive(way, c.drive, base, r.input, gain, [coil], 'the coil’s current', remedy),
      pullIn(way, npn, coilOhms, rated, supply),
      ...driverCurrent(way, coil, npn),
      pinCurrent(way, c.drive, base, r.input, remedy),
    ],
    parts: [
      { name: 'NPN transistor, driver', value: npn.name, quantity: count },
      resistorPart('base', r.ohms, count),
      { name: 'diode across the coil', value: '1 A, 50 V or more', quantity: count },
    ],
  };
}
