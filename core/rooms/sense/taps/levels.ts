import { highShare, OVER_VOLTS, readSignal, tapOf } from '../../../build/panel';
import { TAP_PARTS, TAP_SHARES, type Tap } from '../../../engines/tap';
import type { DriveFact } from '../../../ground/facts';
import {
  atLeast,
  atMost,
  carried,
  chosen,
  constant,
  derive,
  derivedLimit,
  judged,
  worst,
  type Finding,
  type Input,
  type Origin,
  type RangedInput,
  type Step,
} from '../../../ground/finding';
import type { Sense } from '../../../ground/job';
import { within, type Interval, type Unit } from '../../../ground/quantity';
import { pulledLow } from '../../../build/lines';

/** A pin takes less than this share of its supply for low (`cmos-levels`). */
export const LOW_SHARE = 0.3;

/** Inputs of a tap, by symbol: what was read, what nobody read, what its parts are from one to the next. */
class Inputs {
  constructor(
    private readonly sense: Sense,
    readonly tap: Tap,
  ) {}
  private read(field: 'sourceOhms' | 'lowVolts' | 'duty'): Origin {
    return readSignal(this.sense)[field] === null
      ? { from: 'default', what: 'nobody read it', path: `senses.signal.${field}` }
      : { from: 'maker', what: 'read at the machine' };
  }
  private ranged(symbol: string, name: string, range: Interval, unit: Unit, origin: Origin): RangedInput {
    return { symbol, name, range, unit, origin };
  }
  part(symbol: string, name: string, key: keyof typeof TAP_PARTS, unit: Unit): RangedInput {
    return this.ranged(symbol, name, TAP_PARTS[key], unit, { from: 'source', key: 'tap-parts' });
  }
  ohms(symbol: string, name: string, value: number): RangedInput {
    return this.ranged(symbol, name, within(value, TAP_SHARES.ohms), 'Ω', { from: 'source', key: 'tap-parts' });
  }
  farads(symbol: string, name: string, value: number): RangedInput {
    return this.ranged(symbol, name, within(value, TAP_SHARES.farads), 'F', { from: 'source', key: 'tap-parts' });
  }
  high(): RangedInput {
    const { highVolts } = this.tap.signal;
    return this.ranged('V_s', `high level of ${this.sense.name}`, within(highVolts, TAP_SHARES.volts), 'V', {
      from: 'maker',
      what: 'set in Sense',
    });
  }
  low(): Input {
    return {
      symbol: 'V_l',
      name: 'its low level',
      value: this.tap.signal.lowVolts,
      unit: 'V',
      origin: this.read('lowVolts'),
    };
  }
  source(): Input {
    return {
      symbol: 'R_s',
      name: 'what stands behind it',
      value: this.tap.signal.sourceOhms,
      unit: 'Ω',
      origin: this.read('sourceOhms'),
    };
  }
  duty(): Input {
    return {
      symbol: 'd',
      name: 'share of each turn that it is up',
      value: this.tap.signal.duty,
      unit: '1',
      origin: this.read('duty'),
    };
  }
  hertz(): Input {
    return chosen('f', 'how often it goes up and down', this.tap.signal.hertz ?? 0, 'Hz', 'read at the machine');
  }
  supply(): Input {
    return chosen('V_DD', 'supply of the pins', this.tap.pinVolts, 'V', 'the board');
  }
  pull(): RangedInput {
    return this.ohms('R_p', 'pull-up of the pin', this.tap.pullOhms);
  }
  left(): RangedInput {
    return this.part('V_left', 'what the transistor leaves', 'leftVolts', 'V');
  }
  leak(): RangedInput {
    return this.part('I_l', 'what leaks at the pin', 'leakAmps', 'A');
  }
}

/** The pin while the signal is so, and while it is not, each at its worst corner, V. */
interface Chains {
  readonly on: readonly Step[];
  readonly off: readonly Step[];
}

function coupler(x: Inputs): Chains {
  const led = [x.part('V_F', 'what the lamp drops', 'ledVolts', 'V'), x.ohms('R_in', 'its resistor', x.tap.ledOhms)];
  const lit = worst(
    'lowest',
    'current of the lamp',
    'I_F',
    'max(0, V_s - V_F) / (R_in + R_s)',
    'A',
    [x.high(), ...led],
    [x.source()],
  );
  const transfer = x.part('T', 'how much comes through, aged', 'transfer', '1');
  const pin = worst(
    'highest',
    'the pin while it is so',
    'V_on',
    'max(V_left, V_DD - R_p * T * I_F)',
    'V',
    [x.left(), x.pull(), transfer],
    [x.supply(), carried(lit)],
  );
  const climbs =
    x.tap.pinFarads === 0
      ? []
      : [
          worst(
            'highest',
            'the pin before the next wave',
            'V_w',
            'V_DD - (V_DD - V_on) * exp(-1 / (f * R_p * C_p))',
            'V',
            [x.pull(), x.farads('C_p', 'capacitor at the pin', x.tap.pinFarads)],
            [x.supply(), x.hertz(), carried(pin)],
          ),
        ];
  const dark = worst(
    'highest',
    'current of the lamp at the low level',
    'I_F0',
    'max(0, V_l - V_F) / (R_in + R_s)',
    'A',
    led,
    [x.low(), x.source()],
  );
  const off = worst(
    'lowest',
    'the pin while it is not',
    'V_off',
    'V_DD - R_p * (T * I_F0 + I_l)',
    'V',
    [x.pull(), transfer, x.leak()],
    [x.supply(), carried(dark)],
  );
  return { on: [lit, pin, ...climbs], off: [dark, off] };
}

/** What a base makes of volts that are kept: its current, and the pin. */
function based(x: Inputs, kept: Step): Step[] {
  const base = x.part('V_be', 'what the base drops', 'baseVolts', 'V');
  const amps = worst(
    'lowest',
    'current of the base',
    'I_b',
    'max(0, (V_k - V_be) / R_b - V_be / R_e)',
    'A',
    [
      base,
      x.ohms('R_b', 'resistor to the base', x.tap.baseOhms),
      x.ohms('R_e', 'resistor from base to ground', x.tap.bleedOhms),
    ],
    [carried(kept)],
  );
  const pin = worst(
    'highest',
    'the pin while it is so',
    'V_on',
    'max(V_left, V_DD - R_p * h * I_b)',
    'V',
    [x.left(), x.pull(), x.part('h', 'gain of the transistor', 'gain', '1')],
    [x.supply(), carried(amps)],
  );
  return [kept, amps, pin];
}

/** Volts at the capacitor that keeps a base fed, while the signal is so, at their least. */
function keptVolts(x: Inputs): Step {
  const shared = [
    x.high(),
    x.part('V_d', 'what a diode drops', 'diodeVolts', 'V'),
    x.part('V_be', 'what the base drops', 'baseVolts', 'V'),
    x.ohms('R_b', 'resistor to the base', x.tap.baseOhms),
  ];
  return x.tap.joint === 'pump'
    ? worst(
        'lowest',
        'volts that are kept',
        'V_k',
        '(f * C * (V_s - 2 * V_d) + V_be / R_b) / (f * C + 1 / R_b)',
        'V',
        [...shared, x.farads('C', 'capacitor that lets it through', x.tap.couplingFarads)],
        [x.hertz()],
      )
    : worst(
        'lowest',
        'volts that are kept',
        'V_k',
        '(d * (V_s - V_d) / (R_c + R_s) + V_be / R_b) / (d / (R_c + R_s) + 1 / R_b)',
        'V',
        [...shared, x.ohms('R_c', 'resistor that it is charged through', x.tap.chargeOhms)],
        [x.duty(), x.source()],
      );
}

function kept(x: Inputs): Chains {
  const leaks = (over: string, fixed: readonly Input[]): Step =>
    worst(
      'lowest',
      'the pin while it is not',
      'V_off',
      `V_DD - R_p * (${over}I_l)`,
      'V',
      [x.pull(), x.leak()],
      [x.supply(), ...fixed],
    );
  const on = based(x, keptVolts(x));
  if (x.tap.joint === 'pump') return { on, off: [leaks('', [])] };
  const rest = worst(
    'highest',
    'current of the base at the low level',
    'I_b0',
    'max(0, (V_l - V_d - V_be) / (R_b + R_c) - V_be / R_e)',
    'A',
    [
      x.part('V_d', 'what a diode drops', 'diodeVolts', 'V'),
      x.part('V_be', 'what the base drops', 'baseVolts', 'V'),
      x.ohms('R_b', 'resistor to the base', x.tap.baseOhms),
      x.ohms('R_c', 'resistor that it is charged through', x.tap.chargeOhms),
      x.ohms('R_e', 'resistor from base to ground', x.tap.bleedOhms),
    ],
    [x.low()],
  );
  const most = chosen('h', 'gain of the transistor, highest', TAP_PARTS.gain.high, '1', 'class of the part');
  return { on, off: [rest, leaks('h * I_b0 + ', [most, carried(rest)])] };
}

/** The pin of what is pulled low, against what it takes for low and for high. */
function pulledFindings(sense: Sense, drive: DriveFact, tap: Tap): Finding[] {
  const x = new Inputs(sense, tap);
  const { on, off } = tap.joint === 'coupler' ? coupler(x) : kept(x);
  const share = (symbol: string, name: string, value: number, key: 'cmos-levels' | 'pin-input'): Step =>
    derive(name, symbol, 'k * V_DD', 'V', [
      constant('k', 'share of the pins’ supply', value, '1', key),
      constant('V_DD', `supply of the pins of the ${drive.controller}`, drive.pinVolts, 'V', drive.source),
    ]);
  return [
    judged('sense', `tap.${sense.id}.on`, {
      title: `${sense.name}: its pin while it is so, behind its joint`,
      caption: 'pin pulled low',
      steps: on,
      limit: derivedLimit(
        'at most',
        [share('V_IL', 'taken as low for certain', LOW_SHARE, 'cmos-levels')],
        'taken as low for certain',
      ),
      tightShare: 'met',
      source: ['tap-parts'],
      remedy: {
        text: 'What comes in is too little for this joint: read its levels again while it is so, or take another joint.',
      },
    }),
    judged('sense', `tap.${sense.id}.off`, {
      title: `${sense.name}: its pin while it is not so, behind its joint`,
      caption: 'pin let go',
      steps: off,
      limit: derivedLimit(
        'at least',
        [share('V_IH', 'taken as high for certain', highShare(drive.pinVolts), 'pin-input')],
        'taken as high for certain',
      ),
      tightShare: 'met',
      source: ['tap-parts'],
      remedy: {
        text: 'At its low level it still gives enough to be taken for so: take a divider that leaves less of it.',
      },
    }),
  ];
}

/** The low level of a wire or a divider, against what the pin takes for low: a high one alone would always read as so. */
function lowFinding(sense: Sense, drive: DriveFact, tap: Tap): Finding {
  const x = new Inputs(sense, tap);
  const step =
    tap.joint === 'divider' && tap.upperOhms > 0
      ? derive('low level at the pin', 'V_pin', 'V_l * R_l / (R_u + R_l)', 'V', [
          x.low(),
          chosen('R_u', 'upper resistor', tap.upperOhms, 'Ω', 'divider'),
          chosen('R_l', 'lower resistor', tap.lowerOhms, 'Ω', 'divider'),
        ])
      : derive('low level at the pin', 'V_pin', 'V_l', 'V', [x.low()]);
  return judged('sense', `tap.${sense.id}.low`, {
    title: `${sense.name}: its low level at the pin`,
    caption: 'reads low as well',
    steps: [step],
    limit: atMost(LOW_SHARE * drive.pinVolts, 'V', 'taken as low for certain', { from: 'source', key: 'cmos-levels' }),
    tightShare: 'met',
    remedy: { text: 'A comparator between the two levels, or a tap at another point of the machine.' },
  });
}

/** It may not go under ground either. */
const underFinding = (sense: Sense, tap: Tap): Finding[] =>
  tap.signal.lowVolts >= 0
    ? []
    : [
        judged('sense', `tap.${sense.id}.under`, {
          title: `${sense.name}: its low level under ground, at the pin`,
          caption: 'under ground?',
          steps: [derive('low level', 'V_l', 'V', 'V', [{ ...new Inputs(sense, tap).low(), symbol: 'V' }])],
          limit: atLeast(-OVER_VOLTS, 'V', 'what a pin bears under ground', { from: 'source', key: 'pin-input' }),
          tightShare: 'met',
          remedy: {
            text: 'Take an optocoupler with a diode across its lamp: the pin sees nothing of what lies under ground.',
          },
        }),
      ];

/** Levels of a tap that Board does not hold against the pin already. */
export function tapLevelFindings(sense: Sense, drive: DriveFact, machine: boolean): Finding[] {
  const tap = tapOf(sense, drive);
  if (!tap) return [];
  if (pulledLow(sense)) return pulledFindings(sense, drive, tap);
  return machine ? [lowFinding(sense, drive, tap), ...underFinding(sense, tap)] : [];
}
