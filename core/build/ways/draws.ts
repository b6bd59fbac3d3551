import type { Draw } from '../../ground/facts';
import type { Origin } from '../../ground/finding';
import type { Interval } from '../../ground/quantity';

/** Between which shares of its rated voltage a load works (`load-range`). */
const COIL = { low: 0.9, nominal: 1, high: 1.1 };
const SERVO = { low: 0.9, nominal: 1, high: 1.2 };
const MOTOR = { low: 0.8, nominal: 1, high: 1.2 };
/** How long a motor takes to get going (`motor-start`), s. */
const START_SECONDS = 0.3;
/** A servo that stands still (`feed-loads`), A. */
const SERVO_IDLE = 0.01;
/** An amplifier's own draw, A, and the most that such a one bears, V (`feed-loads`). */
const AMPLIFIER = { amps: 0.005, mostVolts: 30 };

const scaled = (shares: Interval, volts: number): Interval => ({
  low: shares.low * volts,
  nominal: shares.nominal * volts,
  high: shares.high * volts,
});

const WORKED_OUT: Origin = { from: 'computed', what: 'worked out in Thumb' };
const STEADY = { part: '', startAmps: null, startSeconds: 0, idleAmps: 0, sharesGround: true } as const;

/** The coil of a relay or of a module, at its rated voltage. */
export const coilDraw = (name: string, volts: number, amps: number): Draw => ({
  ...STEADY,
  name,
  volts: scaled(COIL, volts),
  runAmps: amps,
  origin: WORKED_OUT,
});

/** A servo presses until the button stops it: as long as it presses it draws what it draws stalled. */
export const servoDraw = (volts: number, stallAmps: number, origin: Origin): Draw => ({
  ...STEADY,
  name: 'servo',
  volts: scaled(SERVO, volts),
  runAmps: stallAmps,
  idleAmps: SERVO_IDLE,
  origin,
});

/** A motor starts with what it draws stalled; one of which the running current is not known is taken to draw that all along. */
export const motorDraw = (
  part: string,
  name: string,
  volts: number,
  amps: Pick<Draw, 'runAmps' | 'origin' | 'sharesGround'> & { readonly stallAmps: number | null },
): Draw => ({
  part,
  name,
  volts: scaled(MOTOR, volts),
  runAmps: amps.runAmps ?? amps.stallAmps,
  startAmps: amps.stallAmps,
  startSeconds: START_SECONDS,
  idleAmps: 0,
  origin: amps.origin,
  sharesGround: amps.sharesGround,
});

/** The amplifier of a level: its supply must reach the highest level. */
export const amplifierDraw = (highVolts: number): Draw => ({
  ...STEADY,
  part: 'amplifier',
  name: 'amplifier',
  volts: { low: highVolts, nominal: highVolts, high: Math.max(highVolts, AMPLIFIER.mostVolts) },
  runAmps: AMPLIFIER.amps,
  idleAmps: AMPLIFIER.amps,
  origin: { from: 'source', key: 'feed-loads' },
});

/** A pull-up to a level that the machine gives as its high: it must be made by some supply. */
export const pullUpDraw = (highVolts: number, ohms: number): Draw => ({
  ...STEADY,
  part: 'pull-up',
  name: 'pull-up of the signal',
  volts: scaled(COIL, highVolts),
  runAmps: highVolts / ohms,
  idleAmps: highVolts / ohms,
  origin: WORKED_OUT,
});

/** Two alike. */
export const twice = (d: Draw): Draw => ({
  ...d,
  runAmps: d.runAmps === null ? null : 2 * d.runAmps,
  startAmps: d.startAmps === null ? null : 2 * d.startAmps,
  idleAmps: 2 * d.idleAmps,
});
