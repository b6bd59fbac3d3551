import { LOGIC_PIN_AMPS, LOGIC_TURN_ON_AMPS } from './driver-levels';
import { GROUND, leg, legOf, pin, RAIL } from '../ends';
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
} from '../../ground/finding';
import { takenPart, partInput, partValue, type TakenPart } from '../../engines/parts';
import { injectorKey, injectorOf, type Injector } from '../../engines/scan';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { pinHigh } from './drive';
import { levelLimit, probed } from './line';
import { planned } from './ratings';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';
import { NOT_SCANNED, scanRead, unread } from './scan-read';

/** The same beside logic, whose inputs bear the pad's levels: only against ringing, Ω. */
const INJECT_OHMS = 220;

/** The logic runs from the controller's 3.3 V, and its outputs reach no more than that; to pull a line low that is enough. */
function logicSupply(c: WayContext, part: TakenPart): Finding[] {
  const way = 'logic-injector';
  const most = partValue(part, 'mostVolts');
  const fed = worst('highest', 'supply of the logic', 'V_logic', 'V_OH', 'V', [pinHigh(c.drive)]);
  const out = [
    judged('thumb', `${way}.fed`, {
      title: 'The controller’s own supply under the most that the logic runs from',
      caption: 'logic supply',
      steps: [fed],
      limit: atMost(most.value, 'V', 'highest supply of the logic', most.origin),
      tightShare: 0.02,
    }),
  ];
  if (c.line?.polarity === 'high') {
    const level = worst('lowest', 'its high level', 'V_high', 'V_OH', 'V', [pinHigh(c.drive)]);
    out.push(
      judged('thumb', `${way}.level`, {
        title: 'High level of the logic against what the pad takes for pressed',
        caption: 'answer level',
        steps: [level],
        limit: levelLimit('at least', c.line.highAbove),
        tightShare: 0.05,
        remedy: {
          text: 'A pad that is pressed by a high level over 3.3 V wants one solid-state relay per key, or a level shifter per sense line.',
        },
      }),
    );
  } else if (c.line) {
    const out_ = partInput(part, 'onOhms');
    const level = worst(
      'highest',
      'level of the sense line while answered',
      'V_answer',
      'V_CC * (R_out + R_line) / (R + R_out + R_line)',
      'V',
      [c.line.supply, c.line.pull, { ...out_, symbol: 'R_out' }],
      [constant('R_line', 'resistor in the line', INJECT_OHMS, 'Ω', 'clamp')],
    );
    out.push(
      judged('thumb', `${way}.level`, {
        title: 'Low level of the logic against what the pad takes for pressed',
        caption: 'answer level',
        steps: [level],
        limit: levelLimit('at most', c.line.lowBelow),
        tightShare: 0.1,
        span: c.line.supply.range.high,
      }),
    );
  }
  return out;
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

const WAY = 'logic-injector';

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
  [RAIL, legOf('programmable logic', 'logic', 'supply')],
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
  if (!supply) return [];
  const origin = probed(c.fact, 'supplyVolts');
  const high = derive('pad supply', 'V_CC', 'V_pad', 'V', [
    { symbol: 'V_pad', name: 'pad supply, highest', value: supply.high, unit: 'V', origin },
  ]);
  const bears = partValue(part, 'inputVolts');
  return [
    ...logicSupply(c, part),
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
