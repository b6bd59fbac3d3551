import { MODULE_PIN_AMPS } from './driver-levels';
import { motorEnd } from './motor-end';
import { GROUND, leg, legOf, pin, voltsEnd } from '../ends';
import { breakingStep } from '../../engines/electrics';
import { atMost, chosen, constant, derive, derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import type { ControlKind, JobEdit } from '../../ground/job';
import { partValue, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { conductors, sequenceRules, reversingWiring, type ReversingWiring } from '../../engines/reversing';
import { formatQuantity } from '../../ground/quantity';
import type { Role } from './colours';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { planned, stallRead } from './ratings';
import { pullsOnDeadRail } from './relay-module';
import { reinforced } from './requirements';
import { forbiddenFindings } from './reversing';
import { contactOf, noUse, result, takePart } from './result';
import { coilDraw } from './draws';

/** What each net of the box is; every other one is a switched line. */
const ROLE_OF: Readonly<Record<string, Role>> = { live: 'line', neutral: 'neutral', earth: 'earth' };

/** Kinds that a two-direction control box can stand before. */
const BOXES: readonly ControlKind[] = ['switched-load', 'selector', 'latching-switch'];

/** The input of a relay on its module. */
const inputOf = (relay: string) => leg(`relay ${relay}`, `module input ${relay}`, `input ${relay}`);

const WAY = 'control-box';

/** A mains motor’s own control box replaced by two power contacts. */
export function controlBox(c: WayContext): WayResult {
  if (c.fact.leading === 'motor-pair')
    return noUse(
      WAY,
      'This motor runs on low voltage: run it both ways by its own two wires',
      'See the motor run both ways.',
    );
  const part = takenPart(c.job, 'relay-module');
  const pressesOn = valueOf(part, 'onLow') === 1 ? 'low' : 'high';
  if (!BOXES.includes(c.fact.leading))
    return noUse(
      WAY,
      'No box that switches a motor up and down has been found here',
      'Choose this way for a switch that feeds a mains motor one way and the other.',
      { pressesOn, outputs: 2 },
    );
  const plan = c.press.motor;
  const wiring = reversingWiring(plan, WAY);
  const channels = valueOf(part, 'channels');
  const wanted = plan.mirrored ? 4 : 2;
  const supply = valueOf(part, 'supplyVolts');
  const coil = valueOf(part, 'coilAmps');
  return result(
    WAY,
    [
      ...mainsFindings(c, wiring),
      ...stallRead(WAY, c),
      ratingFinding(c, part),
      voltsFinding(c, part),
      ...reinforced(WAY, c, part, 'III'),
      ...(plan.mirrored ? [OWN_CONTACTS] : []),
      ...(channels < 2 ? [channelsFinding(c, channels, wanted)] : []),
    ],
    [
      { name: 'relay module', value: part.name, quantity: Math.ceil(wanted / Math.max(1, channels)) },
      { name: 'closed box for mains', value: 'with strain relief', quantity: 1 },
    ],
    wires(c, [
      ...conductors(wiring).map((w): WireEnds => [motorEnd(w.from), motorEnd(w.to), false, ROLE_OF[w.net] ?? 'line']),
      ...inputWires(plan.mirrored),
      [GROUND, legOf('module', 'module', 'ground')],
      [voltsEnd(formatQuantity(supply, 'V')), legOf('module', 'module', 'supply')],
    ]),
    ['relay-module'],
    {
      turnOnVolts: 0,
      turnOnAmps: 0,
      pinAmps: MODULE_PIN_AMPS,
      draws: [coilDraw('coils of the relay module', supply, coil * (wanted / 2))],
      outputs: 2,
      sequence: sequenceRules(plan, WAY),
      pressesOn,
      contact: contactOf(part),
      mains: true,
      deadRailCloses: pullsOnDeadRail(part),
    },
  );
}

/** Outputs to the inputs of the relays; a second motor’s relays follow the first’s. */
function inputWires(mirrored: boolean): readonly WireEnds[] {
  const own: WireEnds[] = [
    [pin(' 1', 'K1'), inputOf('K1')],
    [pin(' 2', 'K2'), inputOf('K2')],
  ];
  const followers: WireEnds[] = [
    [inputOf('K1'), inputOf('K3')],
    [inputOf('K2'), inputOf('K4')],
  ];
  return mirrored ? [...own, ...followers] : own;
}

/** What holds of every such box: who may do it, what must never close together, what passes through. */
function mainsFindings(c: WayContext, wiring: ReversingWiring): Finding[] {
  const interlock: JobEdit = {
    do: 'set',
    at: 'press.motor',
    of: c.press.id,
    set: { boxWiring: 'box-interlocked' },
    say: 'interlock by wiring',
  };
  const plain = c.press.motor.boxWiring === 'box-plain';
  return [
    finding('thumb', `${WAY}.licensed`, {
      verdict: 'tight',
      title:
        'This is mains work: the sheet is for whoever may do it; the local electrical code and licensed practice decide',
      caption: 'licensed work',
      source: ['cautions', 'prove-dead'],
    }),
    ...forbiddenFindings(WAY, wiring, 'Interlock by wiring', plain ? interlock : null),
    finding('thumb', `${WAY}.through`, {
      verdict: 'settled',
      title: 'Neutral and earth pass through unswitched; only live is switched',
      caption: 'neutral, earth through',
      source: ['cautions'],
    }),
  ];
}

/** The stalled motor against what a contact breaks of one. */
function ratingFinding(c: WayContext, part: TakenPart): Finding {
  const plan = c.press.motor;
  if (plan.stallAmps === null)
    return finding('thumb', `${WAY}.rating`, {
      verdict: 'unknown',
      title: 'What the motor draws when it starts or stalls is not known; the running current does not tell',
      caption: 'stall current?',
      source: ['stall-rating'],
      remedy: { text: 'Read it off the motor’s plate or its sheet and enter it in the plan of this way.' },
    });
  const step = derive('current of a stalled motor', 'I', 'I_m', 'A', [
    planned(c, 'motor.stallAmps', 'I_m', 'stalled', plan.stallAmps, 'A'),
  ]);
  const breaks = breakingStep(partValue(part, 'contactAmps'), 'motor', c.job.region.mainsVolts, false);
  return judged('thumb', `${WAY}.rating`, {
    title: plan.mirrored
      ? 'Each motor against the contact of its own'
      : 'Motor against what the contact breaks of a motor',
    caption: 'contact rating',
    steps: [step],
    limit: derivedLimit('at most', [breaks], 'share for a motor'),
    tightShare: 0.1,
    source: ['stall-rating'],
    remedy:
      step.result.value > breaks.result.value
        ? { text: 'Let a contactor carry the motor, or take relays rated for motors.' }
        : null,
  });
}

/** The voltage on an open contact, which a run capacitor raises. */
function voltsFinding(c: WayContext, part: TakenPart): Finding {
  const { runCapacitor } = c.press.motor;
  const volts = partValue(part, 'contactVolts');
  const twice = runCapacitor !== 'no';
  const mains = derive(
    twice ? 'voltage on the open contact, with a run capacitor' : 'mains of the region',
    'V',
    'k_c * V_m',
    'V',
    [
      constant('k_c', twice ? 'a run capacitor raises it' : 'no run capacitor', twice ? 2 : 1, '1', 'run-capacitor'),
      chosen('V_m', 'mains', c.job.region.mainsVolts, 'V', 'region, in Wish'),
    ],
  );
  const over = mains.result.value > volts.value;
  return judged('thumb', `${WAY}.volts`, {
    title:
      runCapacitor === 'unknown'
        ? 'Voltage on the open contact; whether the motor has a run capacitor is not said, so twice the mains is reckoned with'
        : 'Voltage on the open contact under its rating',
    caption: 'contact voltage',
    steps: [mains],
    limit: atMost(volts.value, 'V', 'contact rating', volts.origin),
    tightShare: 0.02,
    ...(over && runCapacitor === 'unknown' ? { verdict: 'unknown' as const } : {}),
    remedy: over
      ? takePart(
          c,
          'relay-module',
          'module-motor',
          'Take the module for motors',
          'Take contacts that bear twice the mains when open, or a contactor.',
        )
      : null,
  });
}

const OWN_CONTACTS = finding('thumb', `${WAY}.two-motors`, {
  verdict: 'settled',
  title: 'Each motor has two relays of its own: tubular motors must not share a contact',
  caption: 'own contacts',
  source: ['cautions'],
});

const channelsFinding = (c: WayContext, channels: number, wanted: number): Finding =>
  finding('thumb', `${WAY}.channels`, {
    verdict: 'tight',
    title: `The module has ${channels} relay and this wants ${wanted}`,
    caption: `${wanted} relays`,
    remedy: takePart(
      c,
      'relay-module',
      'module-two',
      'Take a module with two relays',
      'One module with two relays keeps both coils on one supply.',
    ),
  });
