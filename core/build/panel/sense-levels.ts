import {
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  worst,
  type Finding,
  type RangedInput,
} from '../../ground/finding';
import type { DriveFact } from '../../ground/facts';
import type { Sense } from '../../ground/job';
import { formatQuantity, within } from '../../ground/quantity';
import { isBare, needsPin, pulledLow, SENSES } from '../lines';
import { LOWER_OHMS } from '../../engines/tap';
import { dividerOhms } from './divider';
import { debounceFinding } from './debounce';
import { DIVIDER_SHARE, highShare, LEVEL_SHARE, OVER_VOLTS } from './practice';

/** What of a sense's line is judged beside its pin: the level that comes in, and how long its contact is waited for. */
export function inputFindings(sense: Sense, drive: DriveFact): Finding[] {
  if (!needsPin(sense)) return [];
  if (isBare(sense)) return [debounce(sense)];
  // Behind a transistor the pin sees what that leaves of its pull-up, which Sense holds against the signal.
  if (sense.highVolts !== null) return pulledLow(sense) ? [] : levels(sense, sense.highVolts, drive);
  // What a module gives is made for pins; what the machine gives nobody made for them.
  return ofMachine(sense) || sense.touches === 'machine' ? [unsaidLevel(sense)] : [];
}

/** Whether a sense brings what the machine itself gives. */
const ofMachine = ({ kind }: Sense): boolean => kind === 'level' || kind === 'lamp';

/** What comes from the machine may be any volts until somebody read them. */
const unsaidLevel = (sense: Sense): Finding =>
  finding('board', `sense.${sense.id}.volts`, {
    verdict: 'unknown',
    title: `${sense.name} brings a level of the machine, and nobody said how high it is`,
    caption: 'how many volts?',
    source: ['pin-input'],
    remedy: {
      text: 'Read it against ground, high and low, and write the high level in Sense before its wire comes near a pin.',
    },
  });

/** A contact is waited for until it has settled. */
const debounce = (sense: Sense): Finding => {
  const usual: Sense = { ...sense, debounceSeconds: USUAL_DEBOUNCE };
  const words = formatQuantity(USUAL_DEBOUNCE, 's');
  return debounceFinding(`sense.${sense.id}`, sense, {
    text: 'A contact bounces for longer than that: one change would count as several.',
    label: `Use ${words}`,
    edit: { do: 'put', list: 'senses', item: usual, say: `${sense.name} settles within ${words}` },
  });
};
const USUAL_DEBOUNCE = 0.05;

/** A level at its highest against what the pin bears, and at its lowest against what it takes for high. */
function levels(sense: Sense, high: number, drive: DriveFact): Finding[] {
  const upper = dividerOhms(sense, drive.highVolts.high);
  const level: RangedInput = {
    symbol: 'V_s',
    name: `high level of ${sense.name}, ±5 %`,
    range: within(high, LEVEL_SHARE),
    unit: 'V',
    origin: { from: 'maker', what: 'set in Board' },
    possible: [0.1, 100],
  };
  const ohms = (symbol: string, name: string, value: number): RangedInput => ({
    symbol,
    name,
    range: within(value, DIVIDER_SHARE),
    unit: 'Ω',
    origin: { from: 'computed', what: 'divider, in Board' },
  });
  const formula = upper === null ? 'V_s' : 'V_s * R_l / (R_u + R_l)';
  const inputs =
    upper === null ? [level] : [level, ohms('R_u', 'upper resistor', upper), ohms('R_l', 'lower resistor', LOWER_OHMS)];
  const wants = derive('taken as high for certain', 'V_IH', 'k * V_DD', 'V', [
    constant('k', 'share of the pins’ supply', highShare(drive.pinVolts), '1', 'pin-input'),
    constant('V_DD', `supply of the pins of the ${drive.controller}`, drive.pinVolts, 'V', drive.source),
  ]);
  const bears = derive('most that the pin bears', 'V_max', 'V_DD + V_over', 'V', [
    constant('V_DD', `supply of the pins of the ${drive.controller}`, drive.pinVolts, 'V', drive.source),
    constant('V_over', 'over its supply', OVER_VOLTS, 'V', 'pin-input'),
  ]);
  const most = worst('highest', 'level at the pin', 'V_pin', formula, 'V', inputs);
  const least = worst('lowest', 'level at the pin', 'V_pin', formula, 'V', inputs);
  const tooHigh = most.result.value > bears.result.value;
  const tooLow = least.result.value < wants.result.value;
  const analogue = SENSES[sense.kind].sort === 'analogue';
  return [
    judged('board', `sense.${sense.id}.most`, {
      title: `${sense.name}: highest level at its pin`,
      caption: 'level too high?',
      steps: [most],
      limit: derivedLimit('at most', [bears], 'what the pin bears'),
      tightShare: 'met',
      remedy: tooHigh
        ? { text: 'Let two resistors bring it down: say so before its pin in Sense, or take an optocoupler.' }
        : null,
    }),
    ...(analogue
      ? []
      : [
          judged('board', `sense.${sense.id}.least`, {
            title: `${sense.name}: lowest high level at its pin against what the pin takes for high`,
            caption: 'never reads high?',
            steps: [least],
            limit: derivedLimit('at least', [wants], 'taken as high for certain'),
            tightShare: 'met',
            remedy: tooLow
              ? {
                  text: 'Let a transistor or a comparator raise it to the pins’ supply, or read it on an analogue pin.',
                }
              : null,
          }),
        ]),
  ];
}
