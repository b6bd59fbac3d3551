import { flag, isBounds, isShortText, list, name, oneOf, real, record, seconds, shape, text } from './shapes';
import { YES_NO } from './types';
import { BOX_WIRINGS, KNOBS, MOTOR_WIRINGS, MOUNTS, PART_KINDS, WAY_WISHES, WAYS } from './thumb-types';

const positive = (max: number) => real().moreThan(0).max(max);
const upTo = (max: number) => real().min(0).max(max);
const angle = () => real().min(-180).max(180);

const finger = () =>
  shape({
    on: oneOf(['button', 'rocker']),
    hornMetres: positive(1),
    axisMetres: positive(1),
    restDegrees: angle(),
    pressDegrees: angle(),
    mount: oneOf(MOUNTS),
    padLengthMetres: positive(1),
    padWidthMetres: positive(1),
    leverMetres: upTo(1),
  });

const motor = () =>
  shape({
    wiring: oneOf(MOTOR_WIRINGS),
    boxWiring: oneOf(BOX_WIRINGS),
    supplyVolts: positive(1000),
    runningAmps: positive(1000).nullable(),
    stallAmps: positive(1000).nullable(),
    windingOhms: positive(1e6).nullable(),
    coastSeconds: seconds(),
    swapped: flag(),
    mirrored: flag(),
    runCapacitor: oneOf(YES_NO),
  });

const signal = () =>
  shape({
    what: oneOf(['level', 'frequency']),
    points: list(shape({ step: real().min(-1e6).max(1e6), value: real().min(-1e9).max(1e9) }), 200),
    topStep: real().min(-1e6).max(1e6),
    highVolts: positive(100),
    enable: oneOf(['none', 'high', 'low']),
    loadOhms: positive(1e9),
    returnVolts: positive(100).nullable(),
    pwmHertz: positive(1e7),
    knob: oneOf(KNOBS),
  });

const hand = () =>
  shape({
    drive: oneOf(['tube', 'crank']),
    motor: oneOf(['gear-motor', 'stepper']),
    loadKilograms: upTo(1000),
    tubeMetres: positive(1),
    crankNewtons: upTo(10000),
    crankMetres: positive(2),
    turns: positive(1e5),
    rewired: flag(),
    driverVolts: positive(100),
    mirrored: flag(),
    fits: list(shape({ inner: name(), outer: name() }), 20),
  });

/** What Thumb records. */
export const thumbSchema = () =>
  shape({
    control: text(200),
    way: oneOf(WAYS).nullable(),
    resistorOhms: real().moreThan(0).max(1e9).nullable(),
    groundWireMetres: real().min(0).max(1000),
    colours: record(isShortText, 'colours'),
    wishes: list(oneOf(WAY_WISHES), WAY_WISHES.length).test(
      'each-once',
      '${path} must hold every wish once',
      (v) => v === undefined || new Set(v).size === WAY_WISHES.length,
    ),
    parts: list(shape({ id: name(), kind: oneOf(PART_KINDS), name: name(), values: record(isBounds, 'bounds') }), 100),
    picks: record((v) => typeof v === 'string' && v.length <= 200, 'part ids'),
    stock: list(shape({ name: name(), price: upTo(1e7).nullable(), have: real().integer().min(0).max(1e6) }), 200),
    currency: text(3).matches(/^[A-Z]{3}$/, '${path} must be a currency of three letters such as EUR'),
    machines: real().integer().min(1).max(1000),
    finger: finger(),
    motor: motor(),
    signal: signal(),
    supply: shape({ resumes: oneOf(['untested', 'yes', 'no']), atRest: oneOf(['open', 'closed']) }),
    hand: hand(),
    scan: shape({
      medianSeconds: positive(10),
      mostSeconds: positive(100),
      leadSeconds: upTo(1),
      scansNeeded: real().integer().min(1).max(100),
      holdSeconds: positive(60),
    }),
    remote: shape({ has: oneOf(['unknown', 'yes', 'no']), batteryVolts: positive(100), pullOhms: positive(1e9) }),
    given: list(name(), 200),
  });
