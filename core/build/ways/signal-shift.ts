import {
  atLeast,
  carried,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  worst,
  type Finding,
  type Input,
} from '../../ground/finding';
import type { SignalPlan } from '../../ground/job';
import { formatQuantity, within } from '../../ground/quantity';
import { gainPair, pwmFilter, valueAt, type FittedLine } from '../../engines/signal';
import type { Part, WayContext } from './context';
import { RESISTOR_SHARE } from './practice';
import { planned, planOrigin } from './ratings';
import { resistorPart } from './result';
import { unitOf } from './signal-fit';

/** Pull-up of an open collector, Ω (`pull-up-usual`). */
const PULL_OHMS = 4700;
/** Resistor of the filter that makes a level of pulses, and the one before the pin that pulses come back to, Ω. */
export const FILTER_OHMS = 10e3;

/** How the controller's pin becomes the machine's signal: parts and margins. */
export function shiftFindings(
  c: WayContext,
  plan: SignalPlan,
  line: FittedLine | null,
): { findings: Finding[]; parts: Part[] } {
  const way = 'drive-signal';
  const findings: Finding[] = [];
  const parts: Part[] = [];
  const set = (
    symbol: string,
    name: string,
    key: 'highVolts' | 'loadOhms' | 'pwmHertz',
    unit: 'V' | 'Ω' | 'Hz',
  ): Input => planned(c, `signal.${key}`, symbol, name, plan[key], unit);
  const highVolts = set('V_o', 'high level of the original', 'highVolts', 'V');
  const top = line && valueAt(line, plan.topStep, unitOf(plan), planOrigin(c, 'signal.topStep'));
  const pin = c.drive.highVolts.low;
  const swing = constant('V', 'swing of the pin', c.drive.highVolts.nominal, 'V', 'pin-drive');
  if (plan.what === 'level') {
    const filter = pwmFilter(set('f', 'pulse frequency', 'pwmHertz', 'Hz'), swing, FILTER_OHMS);
    parts.push(resistorPart('filter', FILTER_OHMS), {
      name: 'capacitor, filter',
      value: formatQuantity(filter.farads.result.value, 'F'),
      quantity: 1,
    });
    findings.push(
      judged('thumb', `${way}.ripple`, {
        title: 'Ripple that is left of the pulses',
        caption: 'ripple',
        steps: [filter.farads, filter.ripple],
        limit: derivedLimit(
          'at most',
          [
            derive('a hundredth of the swing', 'ΔV_most', 'k_r * V', 'V', [
              constant('k_r', 'share of the swing', 0.01, '1', 'pwm-filter'),
              swing,
            ]),
          ],
          'a hundredth of the swing',
        ),
        tightShare: 'met',
        source: ['low-pass'],
      }),
    );
    findings.push(
      finding('thumb', `${way}.settles`, {
        verdict: 'settled',
        title: 'A new level stands to a hundredth after',
        caption: 'settling',
        value: filter.settles.result,
        steps: [filter.farads, filter.settles],
        source: ['low-pass'],
      }),
    );
    if (top) {
      findings.push(
        judged('thumb', `${way}.top`, {
          title: 'Level at the highest step against what the original gave',
          caption: 'highest level',
          steps: [top],
          limit: derivedLimit(
            'at most',
            [derive('high level of the original', 'V_most', 'V_o', 'V', [highVolts])],
            'high level of the original',
          ),
          tightShare: 0.01,
        }),
      );
      const wanted = derive('gain that the pin’s level wants', 'G', 'U / V_OH', '1', [
        carried(top),
        constant('V_OH', 'pin high, lowest', pin, 'V', 'pin-drive'),
      ]);
      const pair = gainPair(wanted.result.value, RESISTOR_SHARE);
      if (pair) {
        const supply = planned(
          c,
          'signal.highVolts',
          'V_op',
          'supply of the amplifier: the original’s high level',
          plan.highVolts,
          'V',
        );
        parts.push(
          {
            name: 'operational amplifier, rail to rail',
            value: `fed with ${formatQuantity(plan.highVolts, 'V')} or more`,
            quantity: 1,
          },
          resistorPart('feedback', pair.feedback),
          resistorPart('to ground', pair.ground),
        );
        const is = worst('lowest', 'gain of the E24 pair, at its worst', 'G_is', '1 + R_f / R_g', '1', [
          {
            symbol: 'R_f',
            name: 'feedback',
            range: within(pair.feedback, RESISTOR_SHARE),
            unit: 'Ω',
            origin: { from: 'computed', what: 'standard value of IEC 60063' },
          },
          {
            symbol: 'R_g',
            name: 'to ground',
            range: within(pair.ground, RESISTOR_SHARE),
            unit: 'Ω',
            origin: { from: 'computed', what: 'standard value of IEC 60063' },
          },
        ]);
        findings.push(
          judged('thumb', `${way}.amplifier`, {
            title:
              `An amplifier of 1 + ${formatQuantity(pair.feedback, 'Ω')} / ` +
              `${formatQuantity(pair.ground, 'Ω')} reaches the highest step with resistors ` +
              'of 5 %',
            caption: 'amplifier',
            steps: [is],
            limit: derivedLimit('at least', [top, wanted], 'gain wanted'),
            tightShare: 'met',
          }),
          judged('thumb', `${way}.amplifier-supply`, {
            title: 'The amplifier’s own supply over the highest level it must give',
            caption: 'amplifier supply',
            steps: [
              derive('highest level it gives', 'V_gives', 'V_op - V_rail', 'V', [
                supply,
                constant('V_rail', 'rail to rail leaves', 0.1, 'V', 'amplifier-supply'),
              ]),
            ],
            limit: derivedLimit('at least', [top], 'level at the highest step'),
            tightShare: 0.01,
            remedy: {
              text: 'Feed the amplifier from a supply of half a volt over the highest level: the controller’s own 5 V does not make 10 V.',
            },
          }),
        );
      } else {
        const loaded = derive('share that the load leaves of an unbuffered level', 's', 'R_L / (R_L + R_F)', '1', [
          set('R_L', 'load of the signal', 'loadOhms', 'Ω'),
          constant('R_F', 'filter resistor', FILTER_OHMS, 'Ω', 'pwm-filter'),
        ]);
        findings.push(
          judged('thumb', `${way}.loaded`, {
            title: 'What the machine’s input leaves of the level without an amplifier',
            caption: 'load',
            steps: [loaded],
            limit: atLeast(0.97, '1', 'a straight line within 3 %', { from: 'source', key: 'gain-fit' }),
            verdict: loaded.result.value >= 0.97 ? 'settled' : 'tight',
            remedy: { text: 'Follow the filter with an amplifier of gain one.' },
          }),
        );
      }
    }
  } else if (plan.highVolts > pin) {
    parts.push(
      { name: 'NPN transistor, open collector', value: '40 V, 200 mA', quantity: 1 },
      resistorPart('base', 10e3),
      resistorPart('pull-up to the original’s high level', PULL_OHMS),
    );
    const step = derive('high level through the pull-up', 'V_high', 'V_o * R_L / (R_L + R_p)', 'V', [
      highVolts,
      set('R_L', 'load of the signal', 'loadOhms', 'Ω'),
      constant('R_p', 'pull-up', PULL_OHMS, 'Ω', 'pull-up-usual'),
    ]);
    findings.push(
      judged('thumb', `${way}.shift`, {
        title: 'An open collector with a pull-up gives the original’s high level',
        caption: 'level shift',
        steps: [step],
        limit: derivedLimit(
          'at least',
          [
            derive('seven tenths of it', 'V_want', 'k_h * V_o', 'V', [
              constant('k_h', 'share', 0.7, '1', 'cmos-levels'),
              highVolts,
            ]),
          ],
          'seven tenths of it',
        ),
        tightShare: 0.05,
        remedy: { text: 'A smaller pull-up, or a driver with two outputs.' },
      }),
    );
  }
  return { findings, parts };
}
