import { GROUND, leg, lineEnd, PLUS } from '../ends';
import {
  atLeast,
  atMost,
  chosen,
  constant,
  derive,
  derivedLimit,
  judged,
  worst,
  finding,
  type Finding,
  type RangedInput,
} from '../../ground/finding';
import type { DriveFact } from '../../ground/facts';
import type { Sign } from '../../ground/job';
import { throughTransistor } from '../lines';
import { formatQuantity, nextAbove, nextBelow, within } from '../../ground/quantity';
import { panelEnd, type PanelPart, type PanelWire, type PanelDevice } from './thing';

/** Tolerance of a resistor, and of a lamp's forward voltage. */
const SHARE = 0.05;
const FORWARD_SHARE = 0.1;
/** Base and emitter of a small transistor, V, and the gain that it is driven with. */
const BASE_VOLTS = 0.7;
const FORCED_GAIN = 15;
/** Up to this share of a pin's limit a computed resistor lets a lamp go. */
const NEAR_LIMIT = 0.9;
const LEAST_BASE_VOLTS = 0.6;
/** What a small-signal NPN bears between collector and emitter, V, and switches, A. */
const NPN_VOLTS = 40;
const NPN_AMPS = 0.2;
/** A lamp is seen by day from about this current on, A. */
const SEEN_AMPS = 0.5e-3;

const SIGN_WORDS: Readonly<Record<Sign['means'], string>> = {
  armed: 'it is armed',
  'about-to-move': 'it is about to move',
  call: 'it calls for help',
  due: 'it is due for care',
};

const pinHigh = (drive: DriveFact): RangedInput => ({
  symbol: 'V_OH',
  name: `pin high of the ${drive.controller}`,
  range: drive.highVolts,
  unit: 'V',
  origin: { from: 'source', key: 'pin-drive' },
});

/** Series resistor of a lamp on a pin, or base resistor of the transistor before it, Ω: a standard value, or the maker's own. */
export function signResistor(sign: Sign, drive: DriveFact): number {
  if (sign.resistorOhms !== null) return sign.resistorOhms;
  if (throughTransistor(sign))
    return nextBelow(Math.max(1, (drive.highVolts.low - BASE_VOLTS) / (sign.amps / FORCED_GAIN)), 'E12');
  // What it is to take, and no less than what keeps the pin's highest level within its limit.
  const usual = (drive.highVolts.nominal - sign.forwardVolts) / sign.amps;
  const most = NEAR_LIMIT * drive.limitAmps;
  const safe = (drive.highVolts.high - (1 - FORWARD_SHARE) * sign.forwardVolts) / most / (1 - SHARE);
  return nextAbove(Math.max(1, usual, safe), 'E12');
}

/** What a sign takes and how it is judged. Values of one board; amperes and volts. */
export function signThing(sign: Sign, drive: DriveFact): PanelDevice {
  const ohms = signResistor(sign, drive);
  const what = `tells that ${SIGN_WORDS[sign.means]}`;
  return throughTransistor(sign) ? switched(sign, drive, ohms, what) : direct(sign, drive, ohms, what);
}

function direct(sign: Sign, drive: DriveFact, ohms: number, what: string): PanelDevice {
  const lamp = sign.kind === 'lamp';
  const wires: PanelWire[] = lamp
    ? [
        [lineEnd(sign.id), panelEnd(`resistor of ${sign.name}`)],
        [panelEnd(`resistor of ${sign.name}`), panelEnd(`${sign.name} anode`)],
        [panelEnd(`${sign.name} cathode`), GROUND],
      ]
    : [
        [lineEnd(sign.id), panelEnd(`${sign.name} +`)],
        [panelEnd(`${sign.name} −`), GROUND],
      ];
  const parts: PanelPart[] = [
    { name: lamp ? 'LED' : 'beeper with its own tone', value: valueOf(sign), quantity: 1 },
    ...(lamp ? [{ name: 'resistor, of a lamp', value: `${formatQuantity(ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 }] : []),
  ];
  return {
    id: sign.id,
    name: sign.name,
    what,
    wires,
    parts,
    findings: lamp ? lampFindings(sign, drive, ohms) : [beeps(sign, drive)],
  };
}

const valueOf = (sign: Sign): string =>
  `${sign.kind === 'lamp' ? `${formatQuantity(sign.forwardVolts, 'V')}, ` : ''}${formatQuantity(sign.amps, 'A')}`;

/** A lamp's current at both corners: under what the pin gives, and enough to be seen. */
function lampFindings(sign: Sign, drive: DriveFact, ohms: number): Finding[] {
  const high = pinHigh(drive);
  const forward: RangedInput = {
    symbol: 'V_F',
    name: `forward voltage of ${sign.name}, ±10 %`,
    range: within(sign.forwardVolts, FORWARD_SHARE),
    unit: 'V',
    origin: { from: 'maker', what: 'set in Board' },
  };
  const series: RangedInput = {
    symbol: 'R_S',
    name: 'series resistor, ±5 %',
    range: within(ohms, SHARE),
    unit: 'Ω',
    origin:
      sign.resistorOhms === null
        ? { from: 'computed', what: 'next standard value of IEC 60063' }
        : { from: 'maker', what: 'set in Board' },
    possible: [1, 10e6],
  };
  const most = worst('highest', 'current through the lamp', 'I_F', '(V_OH - V_F) / R_S', 'A', [high, forward, series]);
  const least = worst('lowest', 'current through the lamp', 'I_F', '(V_OH - V_F) / R_S', 'A', [high, forward, series]);
  const dark = least.result.value < SEEN_AMPS;
  return [
    judged('board', `sign.${sign.id}.pin-current`, {
      title: `${sign.name}: current out of the pin`,
      caption: 'lamp current',
      steps: [most],
      limit: atMost(drive.limitAmps, 'A', `pin limit of the ${drive.controller}`, {
        from: 'source',
        key: drive.source,
      }),
      tightShare: 0.1,
      remedy:
        most.result.value > drive.limitAmps ? { text: 'Take a higher resistor, or let a transistor switch it.' } : null,
    }),
    judged('board', `sign.${sign.id}.seen`, {
      title: `${sign.name}: least current against what an eye sees by day`,
      caption: 'lamp seen?',
      steps: [least],
      limit: atLeast(SEEN_AMPS, 'A', 'a lamp that is seen by day', { from: 'source', key: 'lamp-seen' }),
      remedy: dark
        ? {
            text: `A lamp of ${formatQuantity(sign.forwardVolts, 'V')} hardly lights from this pin: take a red or green one of 2 V.`,
          }
        : null,
    }),
  ];
}

const beeps = (sign: Sign, drive: DriveFact): Finding =>
  judged('board', `sign.${sign.id}.pin-current`, {
    title: `${sign.name}: current out of the pin`,
    caption: 'beeper current',
    steps: [
      derive('current of the beeper', 'I', 'I_b', 'A', [
        chosen('I_b', sign.name, sign.amps, 'A', 'set in Board', [1e-5, 5]),
      ]),
    ],
    limit: atMost(drive.limitAmps, 'A', `pin limit of the ${drive.controller}`, { from: 'source', key: drive.source }),
    tightShare: 0.1,
  });

const baseResistor = (sign: Sign, ohms: number): RangedInput => ({
  symbol: 'R_B',
  name: 'base resistor, ±5 %',
  range: within(ohms, SHARE),
  unit: 'Ω',
  origin:
    sign.resistorOhms === null
      ? { from: 'computed', what: 'next standard value of IEC 60063' }
      : { from: 'maker', what: 'set in Board' },
  possible: [1, 10e6],
});

const switchesMore = (drive: DriveFact): string =>
  drive.highVolts.low > BASE_VOLTS
    ? 'Take a smaller base resistor, or a sign that takes less.'
    : `A high of the ${drive.controller} opens no transistor: take another board.`;

/** What the base of its transistor takes out of the pin at its highest. */
function basePin(sign: Sign, drive: DriveFact, ohms: number): Finding {
  const most = worst(
    'highest',
    'current out of the pin',
    'I_pin',
    '(V_OH - V_BE) / R_B',
    'A',
    [pinHigh(drive), baseResistor(sign, ohms)],
    [constant('V_BE', 'base and emitter, lowest', LEAST_BASE_VOLTS, 'V', 'forced-gain')],
  );
  const over = most.result.value > drive.limitAmps;
  return judged('board', `sign.${sign.id}.pin-current`, {
    title: `${sign.name}: current out of the pin into its transistor`,
    caption: 'base current',
    steps: [most],
    limit: atMost(drive.limitAmps, 'A', `pin limit of the ${drive.controller}`, { from: 'source', key: drive.source }),
    tightShare: 0.1,
    remedy:
      over && sign.resistorOhms !== null
        ? {
            text: 'Take the resistor that follows from what it switches.',
            label: 'Use the computed one',
            edit: {
              do: 'put',
              list: 'signs',
              item: { ...sign, resistorOhms: null },
              say: `${sign.name}: resistor as computed`,
            },
          }
        : null,
  });
}

/** On what it works: nobody can say what its transistor bears, or whether it works at all, before that is said. */
const signVolts = (sign: Sign): Finding[] => [
  sign.volts === null
    ? finding('board', `sign.${sign.id}.volts`, {
        verdict: 'unknown',
        title: `On what volts ${sign.name} works is not said`,
        caption: 'works on?',
        remedy: {
          text: 'Its plate says it; most work on the controller’s own supply.',
          label: 'It works on 5 V',
          edit: { do: 'put', list: 'signs', item: { ...sign, volts: 5 }, say: `${sign.name} works on 5 V` },
        },
      })
    : judged('board', `sign.${sign.id}.volts`, {
        title: `${sign.name}: volts across its open transistor`,
        caption: 'transistor’s volts',
        steps: [
          derive('volts across the open transistor', 'V_CE', 'k * V', 'V', [
            chosen('V', `supply of ${sign.name}`, sign.volts, 'V', 'set in Board', [0.5, 60]),
            constant('k', 'a supply may be this much high', 1.05, '1', 'feed-volts'),
          ]),
        ],
        limit: derivedLimit(
          'at most',
          [
            derive('four fifths of its rating', 'V_use', 'k_V * V_rated', 'V', [
              constant('k_V', 'share used', 0.8, '1', 'part-share'),
              constant('V_rated', 'small-signal NPN', NPN_VOLTS, 'V', 'parts-npn'),
            ]),
          ],
          'four fifths of its rating',
        ),
        tightShare: 'met',
        remedy: { text: 'Take a sign for less, or let a press of its own with a relay switch it.' },
      }),
];

/** A sign behind a small transistor, since it takes more than a pin gives for long. */
function switched(sign: Sign, drive: DriveFact, ohms: number, what: string): PanelDevice {
  const base = worst(
    'lowest',
    'base current',
    'I_B',
    '(V_OH - V_BE) / R_B',
    'A',
    [pinHigh(drive), baseResistor(sign, ohms)],
    [constant('V_BE', 'base and emitter', BASE_VOLTS, 'V', 'forced-gain')],
  );
  const sink = derive('current that it switches for certain', 'I_C', 'min(I_B * β, I_rated)', 'A', [
    constant('I_rated', 'small-signal NPN', NPN_AMPS, 'A', 'parts-npn'),
    {
      symbol: 'I_B',
      name: 'base current, lowest',
      value: base.result.value,
      unit: 'A',
      origin: { from: 'computed', what: 'the step above' },
    },
    constant('β', 'forced gain', FORCED_GAIN, '1', 'forced-gain'),
  ]);
  return {
    id: sign.id,
    name: sign.name,
    what: `${what}, switched by a transistor`,
    wires: [
      [lineEnd(sign.id), leg('transistor', `base resistor of ${sign.name}`)],
      [leg('transistor', `base resistor of ${sign.name}`), leg('transistor', `base of ${sign.name}`)],
      [leg('transistor', `emitter of ${sign.name}`), GROUND],
      [leg('transistor', `collector of ${sign.name}`), panelEnd(`${sign.name} −`)],
      [PLUS, panelEnd(`${sign.name} +`)],
    ],
    parts: [
      { name: sign.kind === 'lamp' ? 'lamp' : 'beeper with its own tone', value: valueOf(sign), quantity: 1 },
      { name: 'small-signal NPN', value: 'of a sign', quantity: 1 },
      { name: 'resistor, of a sign’s base', value: `${formatQuantity(ohms, 'Ω')}, 5 %, 0.25 W`, quantity: 1 },
      ...(sign.kind === 'beeper' ? [{ name: 'diode across a beeper', value: 'small-signal', quantity: 1 }] : []),
    ],
    findings: [
      basePin(sign, drive, ohms),
      ...signVolts(sign),
      judged('board', `sign.${sign.id}.switched`, {
        title: `${sign.name}: what its transistor switches against what it takes`,
        caption: 'sign current',
        steps: [base, sink],
        limit: atLeast(sign.amps, 'A', `current of ${sign.name}`, { from: 'maker', what: 'set in Board' }),
        tightShare: 'met',
        remedy: sink.result.value < sign.amps ? { text: switchesMore(drive) } : null,
      }),
      ...(sign.amps > NPN_AMPS
        ? [
            finding('board', `sign.${sign.id}.large`, {
              verdict: 'stop',
              title: `${sign.name} takes ${formatQuantity(sign.amps, 'A')}: a small transistor switches 0.2 A`,
              caption: 'sign too strong',
              source: ['forced-gain'],
              remedy: { text: 'Take a smaller one, or let a press of its own with a relay switch it.' },
            }),
          ]
        : []),
    ],
  };
}
