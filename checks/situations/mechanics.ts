import { demoJob } from '../../core/testing/jobs';
import { freshFace, type FaceSurvey, type FingerPlan, type Job, type MotorPlan } from '../../core/ground/job';
import { BUTTON, edit, fed, machine, moves, pressed, put, source, type Situation } from './situation';

const face = (job: Job, set: Partial<FaceSurvey>): Job => {
  const control = job.controls[0]!.id;
  const known = job.survey.faces.find((f) => f.control === control) ?? freshFace(control);
  return edit(job, { do: 'put', list: 'survey.faces', item: { ...known, ...set } });
};
const finger = (job: Job, set: Partial<FingerPlan>): Job =>
  pressed(job, { finger: { ...job.presses[0]!.finger, ...set } });
const motor = (job: Job, set: Partial<MotorPlan>): Job => pressed(job, { motor: { ...job.presses[0]!.motor, ...set } });

/** A flat button of 2 N and half a millimetre, pressed from outside by a strong little servo on screws. */
const FINGER: Job = finger(
  face(
    pressed(fed(BUTTON, { volts: 5, amps: 3 }, { squareMetres: 0.5e-6 }), {
      way: 'finger',
      picks: { servo: 'servo-metal' },
    }),
    {
      forceNewtons: 2,
      travelMetres: 0.5e-3,
      access: 'open',
      shape: 'flat',
      neighbourMetres: 0.02,
    },
  ),
  { mount: 'screws' },
);
/** The same with all that its plan begins with confirmed at the bench. */
const GIVEN: Job = pressed(FINGER, {
  given: ['hornMetres', 'axisMetres', 'restDegrees', 'pressDegrees', 'leverMetres'].map((k) => `finger.${k}`),
});
/** A window shutter that two relays run both ways. */
const SHUTTER: Job = demoJob('hatch-shutter');
/** Eight flaps on bridges, of which the first is changed. */
const FLAPS: Job = demoJob('steam-flaps');
const flaps =
  (set: Partial<MotorPlan>) =>
  (j: Job): Job =>
    motor(j, set);
/** The same where nobody read a winding. */
const woundUnread = (j: Job): Job => ({
  ...j,
  readings: j.readings.filter((r) => r.kind !== 'ohms' || r.to.kind !== 'contact' || r.from.kind !== 'contact'),
});
/** A fan whose speed signal is taken over. */
const HOOD: Job = demoJob('hood-fan');

/** What must never be green of fingers, motors and signals. */
export const OF_MECHANICS: readonly Situation[] = [
  {
    what: 'a button of 40 N under a servo of 0.17 N·m on a horn of 22 mm',
    source: 'lever: 0.17/0.022 = 7.7 N at best',
    sound: FINGER,
    make: (j) => face(j, { forceNewtons: 40 }),
    rooms: ['thumb'],
  },
  {
    what: 'a finger on a button of which nobody measured the force',
    source: 'common practice',
    sound: GIVEN,
    make: (j) => face(j, { forceNewtons: null }),
    rooms: ['thumb', 'probe'],
  },
  {
    what: 'a finger on a button of which nobody measured the travel',
    source: 'common practice',
    sound: GIVEN,
    make: (j) => face(j, { travelMetres: null }),
    rooms: ['thumb', 'probe'],
  },
  {
    what: 'a finger whose axis stands higher than its horn is long',
    source: 'geometry: 40 mm of axis, 22 mm of horn',
    sound: FINGER,
    make: (j) => finger(j, { axisMetres: 0.04 }),
    rooms: ['thumb'],
  },
  {
    what: 'a finger that turns by two degrees',
    source: 'geometry',
    sound: FINGER,
    make: (j) => finger(j, { pressDegrees: j.presses[0]!.finger.restDegrees + 2 }),
    rooms: ['thumb'],
  },
  {
    what: 'a finger turned further than its servo turns',
    source: 'range of 180° of common servos',
    sound: FINGER,
    make: (j) => finger(j, { restDegrees: -120, pressDegrees: 120 }),
    rooms: ['thumb'],
  },
  {
    what: 'a press of 20 N held by foam tape of 20 mm by 10 mm',
    source: 'peel of foam tape, some N a centimetre of width',
    sound: finger(face(pressed(FINGER, { picks: { servo: 'servo-strong' } }), { forceNewtons: 2 }), {
      mount: 'screws',
    }),
    make: (j) =>
      finger(face(j, { forceNewtons: 20 }), { mount: 'foam-tape', padLengthMetres: 0.02, padWidthMetres: 0.01 }),
    rooms: ['thumb'],
  },
  {
    what: 'a servo of 1.8 A stalled on a supply of 0.5 A',
    source: 'stall current of servos, data sheets',
    sound: pressed(FINGER, { picks: { servo: 'servo-standard' } }),
    make: (j) => source(j, { amps: 0.5 }),
    rooms: ['feed'],
  },
  {
    what: 'a servo for 6 V on a supply of 5 V',
    source: 'rated voltage of servos: torque falls with it',
    sound: FINGER,
    make: (j) => pressed(j, { picks: { servo: 'servo-strong' } }),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'a press of 50 ms by a servo that swings for longer than that',
    source: '0.10 to 0.13 s for 60°, data sheets of servos',
    sound: FINGER,
    make: (j) => moves(j, ['press', 0.05]),
    rooms: ['thumb', 'act'],
  },
  {
    what: 'a finger that a hung controller leaves on a heater’s button that runs while it is held',
    source: 'IEC 60335-1 §22: a failed controller must not hold it on',
    sound: FINGER,
    make: (j) =>
      put(moves(machine({ kind: 'while-held', longestPressSeconds: 60, runSeconds: null })(j), ['press', 5]), 'guard', {
        cutOff: 'none',
      }),
    rooms: ['guard', 'act'],
  },
  {
    what: 'a one-shot before a servo: it ends no press, since a servo stays where it is without pulses',
    source: 'a servo without pulses holds or goes limp where it stands, common practice',
    sound: machine({ kind: 'while-held', longestPressSeconds: 60, runSeconds: null })(
      put(BUTTON, 'guard', { cutOff: 'one-shot' }),
    ),
    make: (j) => ({ ...j, presses: FINGER.presses, bench: FINGER.bench, survey: FINGER.survey, feed: FINGER.feed }),
    rooms: ['guard', 'thumb'],
  },
  {
    what: 'a finger on a soft pad',
    source: 'a soft face gives way: travel is not that of the button, common practice',
    sound: FINGER,
    make: (j) => face(j, { shape: 'soft' }),
    rooms: ['thumb', 'probe'],
  },
  {
    what: 'a finger beside a neighbour 1 mm away',
    source: 'common practice: the tip of a horn is 4 mm wide and more',
    sound: FINGER,
    make: (j) => face(j, { neighbourMetres: 0.001 }),
    rooms: ['thumb', 'probe'],
  },
  {
    what: 'a bridge of 2 A whose motor draws 6 A when it is blocked',
    source: 'peak current of bridges, data sheets',
    sound: FLAPS,
    make: flaps({ stallAmps: 6 }),
    rooms: ['thumb'],
  },
  {
    what: 'a bridge whose motor draws 3 A while it runs',
    source: 'lasting current of bridges: 2 A',
    sound: FLAPS,
    make: flaps({ runningAmps: 3 }),
    rooms: ['thumb'],
  },
  {
    what: 'a motor of 24 V supply on a bridge that bears 10.8 V',
    source: 'absolute maximum of bridges',
    sound: FLAPS,
    make: (j) => pressed(motor(j, { supplyVolts: 24 }), { picks: { bridge: 'bridge-small' } }),
    rooms: ['thumb'],
  },
  {
    what: 'a motor of 5 V supply on a bridge that runs from 6.5 V',
    source: 'least supply of bridges',
    sound: FLAPS,
    make: flaps({ supplyVolts: 5 }),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'a motor of which nobody said what it draws when it is blocked',
    source: 'common practice',
    sound: FLAPS,
    make: (j) => woundUnread(flaps({ stallAmps: null, windingOhms: null })(j)),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'a motor of 0.3 Ω of winding on 12 V: 40 A when it is blocked',
    source: 'Ohm: 12 V / 0.3 Ω',
    sound: FLAPS,
    make: flaps({ stallAmps: null, windingOhms: 0.3 }),
    rooms: ['thumb'],
  },
  {
    what: 'flaps for 12 V on a supply of 5 V',
    source: 'rated voltage of a motor and of its bridge',
    sound: FLAPS,
    make: (j) => fed(j, { volts: 5 }),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'eight flaps of 0.8 A started at once on a supply of 1 A',
    source: 'sum of starting currents',
    sound: FLAPS,
    make: (j) =>
      edit(
        fed(j, { amps: 1 }),
        ...j.feed.groups.map((g) => ({ do: 'put' as const, list: 'feed.groups' as const, item: { ...g, atOnce: 8 } })),
      ),
    rooms: ['feed'],
  },
  {
    what: 'a shutter’s AC motor with a run capacitor on contacts of 250 V',
    source: 'a run capacitor puts some twice the mains on the winding that is not fed',
    sound: SHUTTER,
    make: (j) => motor(j, { supplyVolts: 230, runCapacitor: 'yes' }),
    rooms: ['thumb', 'guard'],
  },
  {
    what: 'a shutter’s motor of 15 A when it is blocked on contacts of 8 A',
    source: 'contact rating',
    sound: SHUTTER,
    make: (j) => motor(j, { stallAmps: 30, runningAmps: 12 }),
    rooms: ['thumb', 'guard'],
  },
  {
    what: 'a drive signal of 24 V out of a pin of 3.3 V',
    source: 'an amplifier gives no more than it is fed',
    sound: HOOD,
    make: (j) => pressed(j, { signal: { ...j.presses[0]!.signal, highVolts: 24 } }),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'a drive signal into an input of 50 Ω',
    source: 'Ohm: 5 V / 50 Ω = 100 mA',
    sound: HOOD,
    make: (j) => pressed(j, { signal: { ...j.presses[0]!.signal, loadOhms: 50 } }),
    rooms: ['thumb'],
  },
  {
    what: 'pulses back of 12 V into a pin',
    source: 'absolute maximum V_DD + 0.3 V',
    sound: HOOD,
    make: (j) => pressed(j, { signal: { ...j.presses[0]!.signal, returnVolts: 24 } }),
    rooms: ['thumb', 'board'],
  },
  {
    what: 'a drive signal asked for more than any point that was read',
    source: 'extrapolation',
    sound: HOOD,
    make: (j) => pressed(j, { signal: { ...j.presses[0]!.signal, topStep: 40 } }),
    rooms: ['thumb'],
  },
];
