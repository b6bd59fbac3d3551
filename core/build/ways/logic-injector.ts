import { LOGIC_PIN_AMPS, LOGIC_TURN_ON_AMPS } from './driver-levels';
import { GROUND, leg, legOf, pin } from '../ends';
import {
  atMost,
  computed,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  worst,
  type Finding,
  type RangedInput,
} from '../../ground/finding';
import { usableAmps } from '../../engines/electrics';
import { takenPart, partInput, partValue, type TakenPart } from '../../engines/parts';
import { injectorKey, injectorOf, type Injector } from '../../engines/scan';
import { within, type Interval } from '../../ground/quantity';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { deadMachine, INTO_MACHINE_OHMS } from './dead-side';
import { pinHigh } from './drive';
import { levelLimit, probed } from './line';
import { planned } from './ratings';
import { RESISTOR_SHARE } from './practice';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';
import { NOT_SCANNED, scanRead, unread } from './scan-read';

const WAY = 'logic-injector';

/** The same beside logic, whose inputs bear the pad's levels: only against ringing, Ω. */
const INJECT_OHMS = 220;

/** What the regulator of the logic makes, with its spread, V, and what it needs over that (`logic-fed`). */
const LOGIC_VOLTS: Interval = { low: 3.2, nominal: 3.3, high: 3.4 };
const HEADROOM_VOLTS = 0.3;
/** What the logic takes from the pad's own supply, A (`logic-fed`). */
const LOGIC_AMPS = 0.02;
/** Resistor that holds a select line at none while no pin drives it, Ω: common practice. */
const SELECT_PULL_OHMS = 100e3;

const fedVolts: RangedInput = {
  symbol: 'V_logic',
  name: 'supply of the logic, behind its regulator',
  range: LOGIC_VOLTS,
  unit: 'V',
  origin: { from: 'source', key: 'logic-fed' },
};
const selectOhms = constant('R_sel', 'resistor in a select line', INTO_MACHINE_OHMS, 'Ω', 'unpowered');

/**
 * The logic lives with the pad: a regulator on the pad's own supply feeds it, so that it is never off while the pad is on, when its dead
 * pins would press keys. What crosses to the controller are select lines behind resistors.
 */
function logicSupply(c: WayContext, part: TakenPart): Finding[] {
  const most = partValue(part, 'mostVolts');
  const fed = worst('highest', 'supply of the logic', 'V_fed', 'V_logic', 'V', [fedVolts]);
  const select = worst(
    'lowest',
    'high level at a select input',
    'V_sel',
    'V_OH * R_pull / (R_pull + R_sel)',
    'V',
    [pinHigh(c.drive)],
    [constant('R_pull', 'pull-down of a select line', SELECT_PULL_OHMS, 'Ω', 'unpowered'), selectOhms],
  );
  const wants = worst(
    'highest',
    'taken as high for certain',
    'V_IH',
    'k_h * V_logic',
    'V',
    [fedVolts],
    [constant('k_h', 'share of its supply', 0.7, '1', 'cmos-levels')],
  );
  return [
    judged('thumb', `${WAY}.fed`, {
      title: 'The logic’s regulator under the most that the logic runs from',
      caption: 'logic supply',
      steps: [fed],
      limit: atMost(most.value, 'V', 'highest supply of the logic', most.origin),
      tightShare: 0.02,
    }),
    judged('thumb', `${WAY}.select`, {
      title: 'A pin’s high level behind its resistor, against what a select input takes for high',
      caption: 'select level',
      steps: [select],
      limit: derivedLimit('at least', [wants], 'taken as high for certain'),
      tightShare: 0.05,
    }),
    deadMachine(WAY, c, { ...selectOhms, range: within(INTO_MACHINE_OHMS, RESISTOR_SHARE) }, null),
    ...answerFindings(c, part),
  ];
}

/** The level of the logic's answer on the sense line. */
function answerFindings(c: WayContext, part: TakenPart): Finding[] {
  const { line } = c;
  if (!line) return [];
  if (line.polarity === 'high') {
    const level = worst('lowest', 'its high level', 'V_high', 'V_logic', 'V', [fedVolts]);
    return [
      judged('thumb', `${WAY}.level`, {
        title: 'High level of the logic against what the pad takes for pressed',
        caption: 'answer level',
        steps: [level],
        limit: levelLimit('at least', line.highAbove),
        tightShare: 0.05,
        remedy: {
          text: 'A pad that is pressed by a high level over 3.3 V wants one solid-state relay per key, or a level shifter per sense line.',
        },
      }),
    ];
  }
  const level = worst(
    'highest',
    'level of the sense line while answered',
    'V_answer',
    'V_CC * (R_out + R_line) / (R + R_out + R_line)',
    'V',
    [line.supply, line.pull, { ...partInput(part, 'onOhms'), symbol: 'R_out' }],
    [constant('R_line', 'resistor in the line', INJECT_OHMS, 'Ω', 'clamp')],
  );
  return [
    judged('thumb', `${WAY}.level`, {
      title: 'Low level of the logic against what the pad takes for pressed',
      caption: 'answer level',
      steps: [level],
      limit: levelLimit('at most', line.lowBelow),
      tightShare: 0.1,
      span: line.supply.range.high,
    }),
  ];
}

/** What the pad's own supply has for the logic: volts for its regulator, and amperes that some rail of the machine can spare. */
function padSupply(c: WayContext, supply: Interval): Finding[] {
  const low = derive('pad supply', 'V_CC', 'V_pad', 'V', [
    {
      symbol: 'V_pad',
      name: 'pad supply, lowest',
      value: supply.low,
      unit: 'V',
      origin: probed(c.fact, 'supplyVolts'),
    },
  ]);
  const wants = derive('least that its regulator wants', 'V_in', 'V_reg + V_over', 'V', [
    constant('V_reg', 'what it makes', LOGIC_VOLTS.nominal, 'V', 'logic-fed'),
    constant('V_over', 'over that', HEADROOM_VOLTS, 'V', 'logic-fed'),
  ]);
  return [
    judged('thumb', `${WAY}.regulator`, {
      title: 'The pad’s own supply over what the logic’s regulator wants',
      caption: 'feeds the logic',
      steps: [low],
      limit: derivedLimit('at least', [wants], 'what it makes and its headroom'),
      tightShare: 'met',
      remedy: {
        text: 'A pad of so few volts wants logic that runs from it as it is, or one solid-state relay per key.',
      },
    }),
    spareFinding(c),
  ];
}

/** Whether the machine's rail bears the logic as well. Rails are read in Probe; the strongest is taken for the pad's. */
function spareFinding(c: WayContext): Finding {
  const spare = c.job.survey.rails.flatMap((r) => usableAmps(r) ?? []).sort((a, b) => b.amps - a.amps)[0];
  if (!spare)
    return finding('thumb', `${WAY}.spare`, {
      verdict: 'unknown',
      title: 'What the pad’s own supply can spare for the logic was not read',
      caption: 'feeds the logic?',
      source: ['logic-fed', 'rail-sag'],
      remedy: {
        text: 'In Probe, load the pad’s supply with a resistor that takes about 50 mA, and read its volts again.',
      },
    });
  const takes = derive('what the logic takes', 'I', 'I_logic', 'A', [
    constant('I_logic', 'small programmable logic with its regulator', LOGIC_AMPS, 'A', 'logic-fed'),
  ]);
  return judged('thumb', `${WAY}.spare`, {
    title: 'What the logic takes, of what the machine’s rail can spare',
    caption: 'feeds the logic',
    steps: [takes],
    limit: derivedLimit('at most', spare.steps, 'what the rail can spare'),
    tightShare: 'met',
    remedy: { text: 'The rail is too weak for it: one solid-state relay per key takes nothing from the pad.' },
  });
}

/** Which key of the pad the press is. */
const keyOf = (c: WayContext, injector: Injector): Finding => {
  const key = injectorKey(injector, c.press, c.control.name);
  return key
    ? finding('thumb', 'logic-injector.key', {
        verdict: 'settled',
        title: `Key ${key.label} of the pad is number ${key.select} on the select lines`,
        caption: `key ${key.label}`,
        value: { value: key.select, unit: '1' },
      })
    : finding('thumb', 'logic-injector.key', {
        verdict: 'unknown',
        title: `No key of the pad is called ${c.press.scan.key || c.press.name}`,
        caption: 'which key',
        remedy: { text: 'Say beside the scan which key of the pad this press is.' },
      });
};

/** Small programmable logic watches every strobe and answers for the selected key. */
export function logicInjector(c: WayContext): WayResult {
  if (c.fact.leading !== 'scanned-matrix') return noUse(WAY, NOT_SCANNED, 'Press it with a contact across the button.');
  const part = takenPart(c.job, 'logic');
  const pad = c.job.survey.keypads.find((k) => k.scan);
  const injector = pad ? injectorOf(pad) : null;
  const key = injector && injectorKey(injector, c.press, c.control.name);
  const bits = injector?.bits ?? 1;
  return result(
    WAY,
    [
      ...requirements(WAY, c, 'ground'),
      delayFinding(c, part),
      ...supplyFindings(c, part),
      ...(injector ? [keyOf(c, injector), linesFinding(part, injector)] : [NO_KEY_MAP]),
    ],
    [
      { name: 'programmable logic', value: part.name, quantity: 1 },
      { name: 'linear regulator, 3.3 V', value: '0.3 V of headroom, 50 mA or more', quantity: 1 },
      resistorPart('in each select line', INTO_MACHINE_OHMS, bits),
      resistorPart('each select line to ground', SELECT_PULL_OHMS, bits),
      ...(injector
        ? [resistorPart('in each line', INJECT_OHMS, injector.strobes.length + injector.senses.length)]
        : []),
    ],
    wires(c, wiresOf(bits, injector)),
    ['logic'],
    {
      sharesGround: true,
      galvanicallyApart: false,
      input: 'level',
      outputs: bits,
      select: key && { value: key.select, of: c.press.id },
      turnOnVolts: 1,
      turnOnAmps: LOGIC_TURN_ON_AMPS,
      pinAmps: LOGIC_PIN_AMPS,
    },
  );
}

/** Select lines from the controller, strobes and senses of the pad, its ground and its supply. */
const wiresOf = (bits: number, injector: Injector | null): WireEnds[] => [
  ...Array.from({ length: bits }, (_, i): WireEnds => [
    pin(`, select ${i}`, `select ${i}`, { acts: false }),
    legOf('programmable logic', 'logic', `select[${i}]`),
  ]),
  ...(injector?.strobes ?? []).map((s, i): WireEnds => [
    legOf('programmable logic', 'logic', `strobe[${i}]`),
    leg('machine', s),
    true,
  ]),
  ...(injector?.senses ?? []).map((s, i): WireEnds => [
    legOf('programmable logic', 'logic', `sense[${i}]`),
    leg('machine', s),
    true,
  ]),
  [GROUND, leg('machine', 'pad ground'), true],
  [leg('machine', 'pad supply'), legOf('programmable logic', 'logic’s regulator', 'input'), true],
];

/** The logic's answer within the strobe, less the machine's own look. */
function delayFinding(c: WayContext, part: TakenPart): Finding {
  const scan = scanRead(c);
  if (!scan) return unread(WAY);
  const room = derive('time left for the answer', 't_room', 'w - t_lead', 's', [
    { symbol: 'w', name: 'strobe width', value: scan.width, unit: 's', origin: scan.origin },
    planned(
      c,
      'scan.leadSeconds',
      't_lead',
      'the machine looks this long before the strobe ends',
      c.press.scan.leadSeconds,
      's',
    ),
  ]);
  const late = partInput(part, 'delaySeconds');
  const delay = derive('latest answer', 't_pd', 't_pd_max', 's', [
    { ...partValue(part, 'delaySeconds'), symbol: 't_pd_max', name: `${late.name}, highest`, value: late.range.high },
  ]);
  return judged('thumb', `${WAY}.delay`, {
    title: 'Answer of the logic within the strobe',
    caption: 'answers in time',
    steps: [delay],
    limit: derivedLimit('at most', [room], 'strobe less the machine’s look'),
  });
}

/** The pad's levels against what the logic runs from and bears; nothing while the pad's supply is not known. */
function supplyFindings(c: WayContext, part: TakenPart): Finding[] {
  const supply = c.fact.parameters['supplyVolts'] ?? c.line?.supply.range;
  if (!supply)
    return [
      finding('thumb', `${WAY}.supply`, {
        verdict: 'unknown',
        title: 'The pad’s supply was not read: nothing can be said of what its levels do to the logic',
        caption: 'pad supply?',
        remedy: { text: 'Read it in Probe.' },
      }),
    ];
  const origin = probed(c.fact, 'supplyVolts');
  const high = derive('pad supply', 'V_CC', 'V_pad', 'V', [
    { symbol: 'V_pad', name: 'pad supply, highest', value: supply.high, unit: 'V', origin },
  ]);
  const bears = partValue(part, 'inputVolts');
  return [
    ...logicSupply(c, part),
    ...padSupply(c, supply),
    judged('thumb', `${WAY}.supply`, {
      title: 'Pad levels under what the logic’s inputs bear',
      caption: 'pad levels',
      steps: [high],
      limit: atMost(bears.value, 'V', 'highest level at its inputs', bears.origin),
      tightShare: 0.02,
      remedy: { text: 'A pad over that wants a level shifter per line, or one solid-state relay per key.' },
    }),
  ];
}

function linesFinding(part: TakenPart, injector: Injector): Finding {
  const count = derive('lines it takes', 'n', 'n_strobe + n_sense + n_select', '1', [
    computed('n_strobe', 'strobe lines', injector.strobes.length, '1', 'decoded from the capture'),
    computed('n_sense', 'sense lines', injector.senses.length, '1', 'decoded from the capture'),
    computed(
      'n_select',
      `select bits for ${injector.keys.length} keys and none`,
      injector.bits,
      '1',
      'n bits address 2^n − 1 keys',
    ),
  ]);
  const lines = partValue(part, 'lines');
  return judged('thumb', `${WAY}.lines`, {
    title: `${injector.keys.length} keys and none want ${injector.bits} select bits; lines of the logic`,
    caption: 'lines',
    steps: [count],
    limit: atMost(lines.value, '1', 'lines that it has', lines.origin),
    tightShare: 'met',
  });
}

const NO_KEY_MAP = finding('thumb', `${WAY}.pad`, {
  verdict: 'unknown',
  title: 'Which key joins which lines is not known yet',
  caption: 'no key map',
  remedy: { text: 'Load a capture of the pad in Probe; the key map follows from it.' },
});
