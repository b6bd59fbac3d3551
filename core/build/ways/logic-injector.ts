import { LOGIC_PIN_AMPS, LOGIC_TURN_ON_AMPS } from './driver-levels';
import { GROUND, leg, legOf, pin } from '../ends';
import { atMost, computed, derive, derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import { takenPart, partInput, partValue, type TakenPart } from '../../engines/parts';
import { injectorKey, injectorOf, type Injector } from '../../engines/scan';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { INTO_MACHINE_OHMS } from './dead-side';
import { probed } from './line';
import { INJECT_OHMS, logicSupply, padSupply, SELECT_PULL_OHMS } from './logic-fed';
import { planned } from './ratings';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';
import { NOT_SCANNED, scanRead, unread } from './scan-read';

const WAY = 'logic-injector';

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
  [leg('machine', 'pad supply'), legOf('programmable logic', 'logic', 'regulator input'), true],
  [leg('machine', 'pad ground'), legOf('programmable logic', 'logic', 'ground'), true],
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
