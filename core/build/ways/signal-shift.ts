import {
  atLeast,
  atMost,
  carried,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  worst,
  type Finding,
  type Input,
  type Step,
} from '../../ground/finding';
import type { SignalPlan } from '../../ground/job';
import { formatQuantity, within } from '../../ground/quantity';
import { gainPair, pwmFilter, valueAt, type FittedLine } from '../../engines/signal';
import type { Part, WayContext } from './context';
import { CLAMP_AMPS, RESISTOR_SHARE } from './practice';
import { planned, planOrigin } from './ratings';
import { resistorPart } from './result';
import { unitOf } from './signal-fit';

/** Pull-up of an open collector, Ω (`pull-up-usual`). */
export const PULL_OHMS = 4700;
/** Base resistor of that open collector and of an enable line's transistors, Ω: common practice. */
export const COLLECTOR_BASE_OHMS = 10e3;
/** Resistor of the filter that makes a level of pulses, and the one before the pin that pulses come back to, Ω. */
export const FILTER_OHMS = 10e3;

/** What a step of the shift brings: its findings and its parts. */
export interface Shift {
  readonly findings: Finding[];
  readonly parts: Part[];
  /** An amplifier stands between it and the machine. */
  readonly amplified: boolean;
  /** An open collector stands there, whose pull-up makes the original's high level. */
  readonly collector: boolean;
}
const NOTHING: Shift = { findings: [], parts: [], amplified: false, collector: false };
const both = (a: Shift, b: Shift): Shift => ({
  findings: [...a.findings, ...b.findings],
  parts: [...a.parts, ...b.parts],
  amplified: a.amplified || b.amplified,
  collector: a.collector || b.collector,
});
const WAY = 'drive-signal';

type Told = 'highVolts' | 'loadOhms' | 'pwmHertz';
const told = (c: WayContext, symbol: string, name: string, key: Told, unit: 'V' | 'Ω' | 'Hz'): Input =>
  planned(c, `signal.${key}`, symbol, name, c.press.signal[key], unit);
const highOf = (c: WayContext): Input => told(c, 'V_o', 'high level of the original', 'highVolts', 'V');
const loadOf = (c: WayContext): Input => told(c, 'R_L', 'load of the signal', 'loadOhms', 'Ω');

/** How the controller's pin becomes the machine's signal: parts and margins. */
export function shiftFindings(c: WayContext, plan: SignalPlan, line: FittedLine | null): Shift {
  if (plan.what === 'level') {
    const top = line && valueAt(line, plan.topStep, unitOf(plan), planOrigin(c, 'signal.topStep'));
    return top ? both(filterShift(c), topShift(c, plan, top)) : filterShift(c);
  }
  return collectorShift(c);
}

/** The filter that makes a level of pulses: its ripple, and how soon a new level stands. */
function filterShift(c: WayContext): Shift {
  const swing = constant('V', 'swing of the pin', c.drive.highVolts.nominal, 'V', 'pin-drive');
  const filter = pwmFilter(told(c, 'f', 'pulse frequency', 'pwmHertz', 'Hz'), swing, FILTER_OHMS);
  const most = derive('a hundredth of the swing', 'ΔV_most', 'k_r * V', 'V', [
    constant('k_r', 'share of the swing', 0.01, '1', 'pwm-filter'),
    swing,
  ]);
  return {
    ...NOTHING,
    parts: [
      resistorPart('filter', FILTER_OHMS),
      { name: 'capacitor, filter', value: formatQuantity(filter.farads.result.value, 'F'), quantity: 1 },
    ],
    findings: [
      judged('thumb', `${WAY}.ripple`, {
        title: 'Ripple that is left of the pulses',
        caption: 'ripple',
        steps: [filter.farads, filter.ripple],
        limit: derivedLimit('at most', [most], 'a hundredth of the swing'),
        tightShare: 'met',
        source: ['low-pass'],
      }),
      finding('thumb', `${WAY}.settles`, {
        verdict: 'settled',
        title: 'A new level stands to a hundredth after',
        caption: 'settling',
        value: filter.settles.result,
        steps: [filter.farads, filter.settles],
        source: ['low-pass'],
      }),
    ],
  };
}

/** The level at the highest step, with the amplifier that it wants, or what the load leaves of it without one. */
function topShift(c: WayContext, plan: SignalPlan, top: Step): Shift {
  const wanted = derive('gain that the pin’s level wants', 'G', 'U / V_OH', '1', [
    carried(top),
    constant('V_OH', 'pin high, lowest', c.drive.highVolts.low, 'V', 'pin-drive'),
  ]);
  const level = judged('thumb', `${WAY}.top`, {
    title: 'Level at the highest step against what the original gave',
    caption: 'highest level',
    steps: [top],
    limit: derivedLimit(
      'at most',
      [derive('high level of the original', 'V_most', 'V_o', 'V', [highOf(c)])],
      'high level of the original',
    ),
    tightShare: 0.01,
  });
  const pair = gainPair(wanted.result.value, RESISTOR_SHARE);
  return both(
    { ...NOTHING, findings: [level] },
    pair ? amplifierShift(c, plan, top, wanted, pair) : { ...NOTHING, findings: [loadFinding(c)] },
  );
}

function amplifierShift(
  c: WayContext,
  plan: SignalPlan,
  top: Step,
  wanted: Step,
  pair: { readonly feedback: number; readonly ground: number },
): Shift {
  const supply = planned(
    c,
    'signal.highVolts',
    'V_op',
    'supply of the amplifier: the original’s high level',
    plan.highVolts,
    'V',
  );
  const standard = (symbol: string, name: string, ohms: number) =>
    ({
      symbol,
      name,
      range: within(ohms, RESISTOR_SHARE),
      unit: 'Ω',
      origin: { from: 'computed', what: 'standard value of IEC 60063' },
    }) as const;
  const gain = worst('lowest', 'gain of the E24 pair, at its worst', 'G_is', '1 + R_f / R_g', '1', [
    standard('R_f', 'feedback', pair.feedback),
    standard('R_g', 'to ground', pair.ground),
  ]);
  const gives = derive('highest level it gives', 'V_gives', 'V_op - V_rail', 'V', [
    supply,
    constant('V_rail', 'rail to rail leaves', 0.1, 'V', 'amplifier-supply'),
  ]);
  return {
    ...NOTHING,
    amplified: true,
    parts: [
      {
        name: 'operational amplifier, rail to rail',
        value: `fed with ${formatQuantity(plan.highVolts, 'V')} or more`,
        quantity: 1,
      },
      resistorPart('feedback', pair.feedback),
      resistorPart('to ground', pair.ground),
    ],
    findings: [
      judged('thumb', `${WAY}.amplifier`, {
        title:
          `An amplifier of 1 + ${formatQuantity(pair.feedback, 'Ω')} / ` +
          `${formatQuantity(pair.ground, 'Ω')} reaches the highest step with resistors of 5 %`,
        caption: 'amplifier',
        steps: [gain],
        limit: derivedLimit('at least', [top, wanted], 'gain wanted'),
        tightShare: 'met',
      }),
      judged('thumb', `${WAY}.amplifier-supply`, {
        title: 'The amplifier’s own supply over the highest level it must give',
        caption: 'amplifier supply',
        steps: [gives],
        limit: derivedLimit('at least', [top], 'level at the highest step'),
        tightShare: 0.01,
        remedy: {
          text: 'Feed the amplifier from a supply of half a volt over the highest level: the controller’s own 5 V does not make 10 V.',
        },
      }),
      finding('thumb', `${WAY}.dead-machine`, {
        verdict: 'tight',
        title:
          'What feeds the amplifier is not said: from a supply of its own it pushes into the machine’s input while that is off',
        caption: 'machine off',
        source: ['unpowered'],
        remedy: { text: 'Feed it from the machine itself: then it goes off with it.' },
      }),
    ],
  };
}

/** What a load leaves of an unbuffered level for it to stay a straight line (`gain-fit`). */
const STRAIGHT = 0.97;

function loadFinding(c: WayContext): Finding {
  const loaded = derive('share that the load leaves of an unbuffered level', 's', 'R_L / (R_L + R_F)', '1', [
    loadOf(c),
    constant('R_F', 'filter resistor', FILTER_OHMS, 'Ω', 'pwm-filter'),
  ]);
  return judged('thumb', `${WAY}.loaded`, {
    title: 'What the machine’s input leaves of the level without an amplifier',
    caption: 'load',
    steps: [loaded],
    limit: atLeast(STRAIGHT, '1', 'a straight line within 3 %', { from: 'source', key: 'gain-fit' }),
    verdict: loaded.result.value >= STRAIGHT ? 'settled' : 'tight',
    remedy: { text: 'Follow the filter with an amplifier of gain one.' },
  });
}

/** Pulses: an open collector with a pull-up, at any level, since a pin on the line itself would feed whichever side is off. */
function collectorShift(c: WayContext): Shift {
  const step = derive('high level through the pull-up', 'V_high', 'V_o * R_L / (R_L + R_p)', 'V', [
    highOf(c),
    loadOf(c),
    constant('R_p', 'pull-up', PULL_OHMS, 'Ω', 'pull-up-usual'),
  ]);
  const want = derive('seven tenths of it', 'V_want', 'k_h * V_o', 'V', [
    constant('k_h', 'share', 0.7, '1', 'cmos-levels'),
    highOf(c),
  ]);
  return {
    ...NOTHING,
    collector: true,
    parts: [
      { name: 'NPN transistor, open collector', value: '40 V, 200 mA', quantity: 1 },
      resistorPart('base', COLLECTOR_BASE_OHMS),
      resistorPart('pull-up to the original’s high level', PULL_OHMS),
    ],
    findings: [
      judged('thumb', `${WAY}.shift`, {
        title: 'An open collector with a pull-up gives the original’s high level',
        caption: 'level shift',
        steps: [step],
        limit: derivedLimit('at least', [want], 'seven tenths of it'),
        tightShare: 0.05,
        remedy: { text: 'A smaller pull-up, or a driver with two outputs.' },
      }),
      pullUpFed(c),
    ],
  };
}

/** What the pull-up pushes into a machine that is off, where something else than the machine feeds it: nobody said what does. */
function pullUpFed(c: WayContext): Finding {
  const step = derive('through the pull-up into a machine that is off', 'I_dead', 'max(0, V_o - V_dead) / R_p', 'A', [
    highOf(c),
    constant('V_dead', 'clamp of a dead input', 0.6, 'V', 'unpowered'),
    constant('R_p', 'pull-up', PULL_OHMS, 'Ω', 'pull-up-usual'),
  ]);
  return judged('thumb', `${WAY}.dead-machine`, {
    title: 'Machine off: what the pull-up pushes into its input',
    caption: 'machine off',
    steps: [step],
    limit: atMost(CLAMP_AMPS, 'A', 'what a dead side bears', { from: 'source', key: 'unpowered' }),
    verdict: step.result.value <= CLAMP_AMPS ? 'settled' : 'tight',
    remedy:
      step.result.value <= CLAMP_AMPS
        ? null
        : { text: 'Take the pull-up’s volts from the machine itself: then they go when it is off.' },
  });
}
