import { present } from '../../ground/lists';
import { GROUND, leg, legOf, pin, voltsEnd, type End } from '../ends';
import { finding, type Finding, type Remedy } from '../../ground/finding';
import type { Job, SignalPlan } from '../../ground/job';
import { partsOf, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import { clampAmps, fitLine } from '../../engines/signal';
import { coilDrive } from './coil';
import { wires, type Part, type WayContext, type WayResult, type WireEnds } from './context';
import { clampCurrent } from './drive';
import { requirements } from './requirements';
import { noUse, resistorPart, result } from './result';
import { COLLECTOR_BASE_OHMS, FILTER_OHMS, PULL_OHMS, shiftFindings } from './signal-shift';
import { fitFindings } from './signal-fit';
import { amplifierDraw, coilDraw, pullUpDraw } from './draws';

/** Resistor before the pin that hears the machine's pulses, Ω: common practice. */
export const RETURN_OHMS = 10e3;

/** What the old knob still does once the signal is taken over. */
export const KNOB_WORDS: Readonly<
  Record<SignalPlan['knob'], { name: string; does: string; verdict: 'settled' | 'tight' | 'stop' }>
> = {
  changeover: {
    name: 'a changeover contact chooses',
    does:
      'A changeover contact chooses between knob and controller; at rest the ' +
      'knob rules, so the machine works when the controller is dead',
    verdict: 'settled',
  },
  removed: {
    name: 'the knob is taken out',
    does: 'The knob does nothing any more, and nobody can slow the machine by hand',
    verdict: 'tight',
  },
  'highest-wins': {
    name: 'diodes: the higher of the two wins',
    does: 'The higher of knob and controller wins: the knob sets the least that runs',
    verdict: 'settled',
  },
  parallel: {
    name: 'both on the same wire',
    does: 'Knob and controller drive the same wire against each other: neither value holds, and one may feed the other',
    verdict: 'stop',
  },
};

/** A leg of what stands between the controller and the machine’s signal. */
const part = (words: string) => leg('signal parts', words);
/** The pin that hears the machine’s pulses. */
const RETURN_PIN = pin('', 'back', { direction: 'in', sort: 'pulses', note: ', by resistor' });

/** What the old knob takes besides the shaper: a driven relay, or two diodes. */
function knobParts(
  c: WayContext,
  plan: SignalPlan,
): { parts: Part[]; wires: WireEnds[]; findings: Finding[]; amps: number; ohms: number | null; coilVolts: number } {
  const none = { parts: [], wires: [], findings: [], amps: 0, ohms: null, coilVolts: 0 };
  if (plan.knob === 'changeover') {
    const relay = signalRelay(c.job);
    const drive = coilDrive('drive-signal', c, relay);
    return {
      parts: [{ name: 'signal relay, changeover', value: 'gold contact', quantity: 1 }, ...drive.parts],
      findings: [...drive.findings],
      ohms: drive.ohms,
      amps: drive.coil.result.value,
      coilVolts: valueOf(relay, 'coilVolts'),
      wires: [
        [pin(', changeover', 'changeover', { acts: false }), leg('driver of the coil', 'base resistor')],
        [GROUND, leg('driver of the coil', 'emitter')],
        [voltsEnd(formatQuantity(valueOf(relay, 'coilVolts'), 'V')), part('changeover A1, diode’s cathode')],
        [leg('driver of the coil', 'collector'), part('changeover A2, diode’s anode')],
      ],
    };
  }
  if (plan.knob === 'highest-wins') {
    return {
      ...none,
      parts: [{ name: 'Schottky diode', value: '30 V, 0.2 A', quantity: 2 }],
      findings: [
        finding('thumb', 'drive-signal.diodes', {
          verdict: 'tight',
          title: 'Each diode takes 0.2 to 0.4 V off its level: the machine sees that much less than either asks for',
          caption: 'diode drop',
          remedy: { text: 'Raise the level by the drop, or take a changeover contact.' },
        }),
      ],
    };
  }
  return none;
}

/** The gold relay that carries a signal, whatever power relay is picked for other ways. */
export const signalRelay = (job: Job): TakenPart => present(partsOf(job, 'relay').find((p) => p.id === 'relay-signal'));

/** What becomes of the old knob. */
function knobFinding(c: WayContext): Finding {
  const { verdict, does } = KNOB_WORDS[c.press.signal.knob];
  const changeover: Remedy = {
    text: 'A changeover contact leaves the knob in charge at rest.',
    label: 'Use a changeover',
    edit: {
      do: 'set',
      at: 'press.signal',
      of: c.press.id,
      set: { knob: 'changeover' },
      say: 'changeover between knob and controller',
    },
  };
  return finding('thumb', 'drive-signal.knob', {
    verdict,
    title: does,
    caption: 'old knob',
    remedy: verdict === 'settled' ? null : changeover,
  });
}

/** How the shaped signal and the old knob come together at the machine's input. */
const JOINED: Readonly<Record<SignalPlan['knob'], (shaper: End, input: End, oldKnob: End) => WireEnds[]>> = {
  changeover: (shaper, input, oldKnob) => [
    [shaper, part('changeover, work')],
    [part('changeover, common'), input, true],
    [oldKnob, part('changeover, rest'), true],
  ],
  'highest-wins': (shaper, input, oldKnob) => [
    [shaper, part('diode 1, anode')],
    [oldKnob, part('diode 2, anode'), true],
    [part('diode 1, cathode'), input, true],
    [part('diode 2, cathode'), input, true],
  ],
  removed: (shaper, input) => [[shaper, input, true]],
  parallel: (shaper, input) => [[shaper, input, true]],
};

/** The supply and the ground of an open collector. */
const pullUpWires = (collector: boolean, plan: SignalPlan): WireEnds[] =>
  collector
    ? [
        [voltsEnd(formatQuantity(plan.highVolts, 'V')), part('level shift, pull-up')],
        [GROUND, part('level shift, emitter')],
      ]
    : [];

/**
 * The line that lets the machine's drive run. A transistor pulls it low; two, one behind the other, make it high. Never the pin itself: a
 * controller without power would hold the line low through its clamp, and one that is on would push into a machine that is off.
 */
function enableLine(plan: SignalPlan): {
  readonly parts: Part[];
  readonly wires: WireEnds[];
  readonly driver: WireEnds[];
} {
  if (plan.enable === 'none') return { parts: [], wires: [], driver: [] };
  const from = pin(', enable', 'enable', { acts: false });
  const to = leg('machine', `enable, ${plan.enable}`);
  const driver = (of: string) => legOf('enable driver', 'enable driver', of);
  const high = plan.enable === 'high';
  return {
    parts: [
      { name: 'NPN transistor, enable', value: '40 V, 200 mA', quantity: high ? 2 : 1 },
      { ...resistorPart('base, enable', COLLECTOR_BASE_OHMS), quantity: high ? 2 : 1 },
      ...(high ? [{ ...resistorPart('pull-up, enable', PULL_OHMS), quantity: 2 }] : []),
    ],
    wires: [[driver('collector'), to, true]],
    driver: [
      [from, driver('base resistor')],
      [GROUND, driver('emitter')],
      ...(high ? [[voltsEnd(formatQuantity(plan.highVolts, 'V')), driver('pull-ups')] satisfies WireEnds] : []),
    ],
  };
}

/** The machine's own drive signal made by the controller instead of by its knob. */
export function driveSignal(c: WayContext): WayResult {
  const way = 'drive-signal';
  const plan = c.press.signal;
  if (plan.points.length === 0 && !['selector', 'encoder', 'serial-bus'].includes(c.fact.leading))
    return noUse(
      way,
      'No signal that sets a speed or a level has been read here',
      'Measure the signal at two steps of its knob and enter the pairs in the plan of this way.',
    );
  const line = fitLine(plan.points);
  const shift = shiftFindings(c, plan, line);
  const findings: Finding[] = [
    // Its readings say what it is; the kind of the control does not matter.
    ...requirements(way, c, 'ground').filter((f) => f.says !== 'kind-unknown'),
    ...fitFindings(plan, line),
    ...shift.findings,
    knobFinding(c),
  ];
  if (plan.returnVolts !== null)
    findings.push(clampCurrent(way, clampAmps(plan.returnVolts, c.drive.highVolts.high, RETURN_OHMS)));
  const enable = enableLine(plan);
  const filter = part(plan.what === 'level' ? 'filter' : 'level shift');
  const shaper = shift.amplified ? part('amplifier, output') : filter;
  const amplifier: WireEnds[] = shift.amplified
    ? [
        [filter, part('amplifier, input')],
        [voltsEnd(formatQuantity(plan.highVolts, 'V')), part('amplifier, supply')],
        [GROUND, part('amplifier, ground')],
      ]
    : [];
  const old = knobParts(c, plan);
  findings.push(...old.findings);
  const parts = [
    ...shift.parts,
    ...enable.parts,
    ...(plan.returnVolts === null ? [] : [resistorPart('before the pulse input', RETURN_OHMS)]),
    ...old.parts,
  ];
  return result(
    way,
    findings,
    parts,
    wires(c, [
      [pin(', signal', 'signal', { sort: 'frequency' }), filter],
      ...amplifier,
      ...JOINED[plan.knob](shaper, leg('machine', 'signal input'), leg('machine', 'old knob')),
      ...old.wires,
      ...enable.wires,
      ...(plan.returnVolts === null ? [] : [[leg('machine', 'pulses back'), RETURN_PIN, true] satisfies WireEnds]),
      [GROUND, legOf('machine', 'machine’s', 'ground'), true],
      // After all others: a colour that was chosen is kept by the number of its wire.
      ...pullUpWires(shift.collector, plan),
      ...enable.driver,
    ]),
    [],
    {
      sharesGround: true,
      galvanicallyApart: false,
      input: 'pulses',
      outputs: 1 + (plan.enable === 'none' ? 0 : 1) + (plan.knob === 'changeover' ? 1 : 0),
      pinAmps: c.drive.highVolts.nominal / FILTER_OHMS,
      resistorOhms: old.ohms,
      draws: [
        ...(old.amps > 0 ? [coilDraw('changeover relay', old.coilVolts, old.amps)] : []),
        ...(plan.what === 'level' ? [amplifierDraw(plan.highVolts)] : []),
        ...(shift.collector ? [pullUpDraw(plan.highVolts, PULL_OHMS)] : []),
      ],
    },
  );
}
