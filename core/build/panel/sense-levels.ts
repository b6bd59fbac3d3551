import {
  atLeast,
  atMost,
  chosen,
  constant,
  derive,
  derivedLimit,
  judged,
  worst,
  type Finding,
  type RangedInput,
} from '../../ground/finding';
import type { DriveFact } from '../../ground/facts';
import type { Sense } from '../../ground/job';
import { formatQuantity, within, type Interval } from '../../ground/quantity';
import { isBare, SENSES } from '../lines';
import { dividerOhms, LOWER_OHMS } from './divider';
import { WORST_BOUNCE_SECONDS } from './practice';

/** How far a level that was entered may be off, and a resistor of a divider, as shares. */
const LEVEL_SHARE = 0.05;
const DIVIDER_SHARE = 0.01;
/** An input is high for certain from this share of its supply on: chips of 3.3 V, and of 5 V (`pin-input`). */
const HIGH_SHARE = { low: 0.75, five: 0.6 } as const;
const FIVE_VOLTS = 4;
/** What an input bears over its supply, V (`pin-input`). */
const OVER_VOLTS = 0.3;

/** What of a sense's line is judged beside its pin: the level that comes in, and how long its contact is waited for. */
export function inputFindings(sense: Sense, drive: DriveFact): Finding[] {
  if (SENSES[sense.kind].sort === null) return [];
  if (isBare(sense)) return [debounce(sense)];
  return sense.highVolts === null ? [] : levels(sense, sense.highVolts, drive);
}

function debounce(sense: Sense): Finding {
  const settle = derive('time in which it settles', 't_d', 't', 's', [
    chosen('t', `debounce of ${sense.name}`, sense.debounceSeconds, 's', 'set in Board', [0, 60]),
  ]);
  const short = sense.debounceSeconds < WORST_BOUNCE_SECONDS;
  return judged('board', `sense.${sense.id}.debounce`, {
    title: `${sense.name}: it settles later than contacts bounce`,
    caption: 'debounce',
    steps: [settle],
    limit: atLeast(WORST_BOUNCE_SECONDS, 's', 'worst bounce of common switches', {
      from: 'source',
      key: 'relay-bounce',
    }),
    tightShare: 'met',
    remedy: short
      ? {
          text: 'A contact bounces for longer than that: one change would count as several.',
          label: `Use ${formatQuantity(USUAL_DEBOUNCE, 's')}`,
          edit: {
            do: 'put',
            list: 'senses',
            item: { ...sense, debounceSeconds: USUAL_DEBOUNCE },
            say: `${sense.name} settles within ${formatQuantity(USUAL_DEBOUNCE, 's')}`,
          },
        }
      : null,
  });
}
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
  const share = drive.pinVolts > FIVE_VOLTS ? HIGH_SHARE.five : HIGH_SHARE.low;
  const supply: Interval = within(drive.pinVolts, LEVEL_SHARE);
  const wants = derive('taken as high for certain', 'V_IH', 'k * V_DD', 'V', [
    constant('k', 'share of the pins’ supply', share, '1', 'pin-input'),
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
      limit: tooHigh
        ? derivedLimit('at most', [bears], 'what the pin bears')
        : atMost(Math.max(bears.result.value, supply.high), 'V', 'what the pin bears', {
            from: 'source',
            key: 'pin-input',
          }),
      tightShare: 'met',
      remedy: tooHigh
        ? { text: 'Let two resistors bring it down: tick the divider of this sense, or take a coupler between.' }
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
