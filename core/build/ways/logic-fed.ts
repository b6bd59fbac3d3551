import {
  atMost,
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
import { partInput, partValue, type TakenPart } from '../../engines/parts';
import { within, type Interval } from '../../ground/quantity';
import type { WayContext } from './context';
import { deadMachine, INTO_MACHINE_OHMS } from './dead-side';
import { pinHigh } from './drive';
import { levelLimit, probed } from './line';
import { RESISTOR_SHARE } from './practice';

const WAY = 'logic-injector';

/** The same beside logic, whose inputs bear the pad's levels: only against ringing, Ω. */
export const INJECT_OHMS = 220;

/** How the logic is fed: what its regulator makes, what it needs over that, V, and what the logic takes, A (`logic-fed`). */
export const LOGIC_FED = {
  volts: { low: 3.2, nominal: 3.3, high: 3.4 } satisfies Interval,
  headroomVolts: 0.3,
  amps: 0.02,
} as const;
/** Resistor that holds a select line at none while no pin drives it, Ω: common practice. */
export const SELECT_PULL_OHMS = 100e3;

const fedVolts: RangedInput = {
  symbol: 'V_logic',
  name: 'supply of the logic, behind its regulator',
  range: LOGIC_FED.volts,
  unit: 'V',
  origin: { from: 'source', key: 'logic-fed' },
};
const selectOhms = constant('R_sel', 'resistor in a select line', INTO_MACHINE_OHMS, 'Ω', 'unpowered');

/**
 * The logic lives with the pad: a regulator on the pad's own supply feeds it, so that it is never off while the pad is on, when its dead
 * pins would press keys. What crosses to the controller are select lines behind resistors.
 */
export function logicSupply(c: WayContext, part: TakenPart): Finding[] {
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
  if (!line)
    return [
      finding('thumb', `${WAY}.level`, {
        verdict: 'unknown',
        title: 'What pulls the pad’s lines was not read: whether the answer reaches its levels is not known',
        caption: 'answer level?',
        remedy: { text: 'Read the pad’s supply and what pulls its lines, in Probe.' },
      }),
    ];
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
export function padSupply(c: WayContext, supply: Interval): Finding[] {
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
    constant('V_reg', 'what it makes', LOGIC_FED.volts.nominal, 'V', 'logic-fed'),
    constant('V_over', 'over that', LOGIC_FED.headroomVolts, 'V', 'logic-fed'),
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
    spareFinding(c, supply),
  ];
}

/** A rail of the pad's volts, within this share, is taken for the pad's own: common practice. */
const SAME_RAIL = 0.1;

/** Whether the pad's own rail bears the logic as well; of several of its volts the weakest counts. */
function spareFinding(c: WayContext, supply: Interval): Finding {
  const own = c.job.survey.rails.filter(
    (r) => r.openVolts !== null && Math.abs(r.openVolts / supply.nominal - 1) <= SAME_RAIL,
  );
  const known = own.map(usableAmps);
  // One of the pad's volts that nobody loaded may be the very one.
  const spare = known.includes(null) ? undefined : known.flatMap((k) => k ?? []).sort((a, b) => a.amps - b.amps)[0];
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
    constant('I_logic', 'small programmable logic with its regulator', LOGIC_FED.amps, 'A', 'logic-fed'),
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
