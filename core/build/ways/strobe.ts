import { itemAt } from '../../ground/lists';
import { GROUND, leg, pin } from '../ends';
import { atLeast, computed, constant, derive, judged, worst, type Finding, type Step } from '../../ground/finding';
import { hitSteps, runChance } from '../../engines/scan';
import { formatQuantity } from '../../ground/quantity';
import { wires, type WayContext, type WayResult } from './context';
import { deadController } from './dead-side';
import { clampCurrent, pinHigh } from './drive';
import { levelLimit, probed } from './line';
import { planned, planOrigin } from './ratings';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';
import { NOT_SCANNED, scanRead, unread } from './scan-read';

/** Resistor in series with every line that is taken over, Ω: bears a mistake (`clamp`). */
export const LINE_OHMS = 2200;

const inLine = () => constant('R_line', 'resistor in the line', LINE_OHMS, 'Ω', 'clamp');

/** The strobe's high level into a pin of lower supply, through the line's resistor. */
function strobeClamp(c: WayContext): Step {
  const volts = c.fact.parameters['supplyVolts']?.high ?? c.line?.supply.range.high ?? c.drive.highVolts.high;
  return derive('current into the pin’s clamp', 'I_cl', 'max(0, V_CC - V_pin - V_d) / R_line', 'A', [
    { symbol: 'V_CC', name: 'pad supply, highest', value: volts, unit: 'V', origin: probed(c.fact, 'supplyVolts') },
    constant('V_pin', 'supply of the controller’s pins', c.drive.highVolts.high, 'V', 'pin-drive'),
    constant('V_d', 'drop of the clamp', 0.3, 'V', 'clamp'),
    inLine(),
  ]);
}

/** The level that the answer brings the sense line to, through the line's resistor, against what the pad takes for pressed. */
function answerLevel(way: 'strobe-answer', c: WayContext): Finding[] {
  const { line } = c;
  if (!line) return [];
  const resistor = inLine();
  if (line.polarity === 'low') {
    const level = worst(
      'highest',
      'level of the sense line while answered',
      'V_answer',
      'V_CC * R_line / (R + R_line)',
      'V',
      [line.supply, line.pull],
      [resistor],
    );
    return [
      judged('thumb', `${way}.level`, {
        title: 'Level of the answer against what the pad takes for pressed',
        caption: 'answer level',
        steps: [level],
        limit: levelLimit('at most', line.lowBelow),
        tightShare: 0.1,
        span: line.supply.range.high,
        remedy: {
          text: 'The resistor that saves the pins is too much for this pull-up: a solid-state relay per key asks for no level.',
        },
      }),
    ];
  }
  const level = worst(
    'lowest',
    'level of the sense line while answered',
    'V_answer',
    'V_OH * R / (R + R_line)',
    'V',
    [pinHigh(c.drive), line.pull],
    [resistor],
  );
  return [
    judged('thumb', `${way}.level`, {
      title: 'Level of the answer against what the pad takes for pressed',
      caption: 'answer level',
      steps: [level],
      limit: levelLimit('at least', line.highAbove),
      tightShare: 0.1,
      span: line.supply.range.high,
      remedy: { text: 'The pin does not reach this pad’s high level: a solid-state relay per key asks for no level.' },
    }),
  ];
}

/** The controller itself watches the strobe and drives the sense line in time. */
export function strobeAnswer(c: WayContext): WayResult {
  const way = 'strobe-answer';
  if (c.fact.leading !== 'scanned-matrix') return noUse(way, NOT_SCANNED, 'Press it with a contact across the button.');
  const plan = c.press.scan;
  const scan = scanRead(c);
  const findings: Finding[] = [
    ...requirements(way, c, 'ground'),
    clampCurrent(way, strobeClamp(c)),
    ...answerLevel(way, c),
    ...deadController(way, c, inLine()),
  ];
  if (scan) {
    const steps = hitSteps(plan, scan.width, scan.origin, (key) => planOrigin(c, `scan.${key}`));
    const p = itemAt(steps, 2).result.value;
    const scans = derive('scans while the key is held', 'n', 't_hold / T', '1', [
      planned(c, 'scan.holdSeconds', 't_hold', 'press', plan.holdSeconds, 's'),
      { symbol: 'T', name: 'scan period', value: scan.period, unit: 's', origin: scan.origin },
    ]);
    const whole = Math.floor(scans.result.value);
    const seen = derive('presses that are seen', 'P', '100 * P_run', '%', [
      computed(
        'P_run',
        `at least ${plan.scansNeeded} answered scans in a row within ${whole}, each answered with ${formatQuantity(100 * p, '%')}`,
        runChance(p, plan.scansNeeded, whole),
        '1',
        'runs of successes, state by state',
      ),
    ]);
    findings.push(
      judged('thumb', `${way}.seen`, {
        title:
          `With a strobe of ${formatQuantity(scan.width, 's')}, ` +
          `${formatQuantity(100 * p, '%')} of scans are answered in time; presses that ` +
          'are seen',
        caption: 'answered in time',
        steps: [...steps, scans, seen],
        limit: atLeast(99.9, '%', 'one press in a thousand may go unseen', { from: 'source', key: 'hit-wanted' }),
        tightShare: 'met',
        span: 100,
        source: ['log-normal', 'success-runs'],
        remedy: {
          text: 'A closed bidirectional contact at the crossing needs no timing at all; a small logic chip answers in nanoseconds.',
        },
      }),
    );
  } else findings.push(unread(way));
  return result(
    way,
    findings,
    [resistorPart('in each line', LINE_OHMS, 2)],
    wires(c, [
      [pin(', input', 'input', { direction: 'in' }), leg('machine', 'strobe line, by resistor'), true],
      [pin(', output', 'output'), leg('machine', 'sense line, by resistor'), true],
      [GROUND, leg('machine', 'pad ground'), true],
    ]),
    [],
    {
      sharesGround: true,
      galvanicallyApart: false,
      input: 'pulses',
      outputs: 2,
      pinAmps: 1e-3,
    },
  );
}
