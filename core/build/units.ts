import type { AlikeUnit, Job, Press } from '../ground/job';
import { partValue, takenPart } from '../engines/parts';
import type { PressFact } from '../ground/facts';

const RUNS_A_MOTOR: readonly Press['way'][] = ['reverse-motor', 'control-box'];

/** Whether another side is another wiring or another program: it turns a motor, or swings a servo's horn. */
const hasSide = (job: Job): boolean => job.presses.some((p) => RUNS_A_MOTOR.includes(p.way) || p.way === 'finger');

/** Whether one of several machines wants wires, pins or a program of its own, and not a name alone. */
export const isBuiltOtherwise = (job: Job, unit: AlikeUnit): boolean =>
  (unit.side === 'mirrored' && hasSide(job)) ||
  job.board.pins.some((p) => (unit.pins[p.line] ?? p.gpio) !== p.gpio) ||
  Object.keys(unit.pins).some((line) => !job.board.pins.some((p) => p.line === line));

/**
 * The job as one of several machines: its lines on its own pins, and mirrored, its motors with their wires exchanged. What was tried was
 * tried on the first one.
 */
export function asUnit(job: Job, unit: AlikeUnit): Job {
  const pins = job.board.pins.map((p) => ({ ...p, gpio: unit.pins[p.line] ?? p.gpio }));
  const more = Object.entries(unit.pins).flatMap(([line, gpio]) =>
    pins.some((p) => p.line === line) ? [] : [{ line, gpio, fixed: true }],
  );
  const presses =
    unit.side === 'mirrored'
      ? job.presses.map((p) =>
          RUNS_A_MOTOR.includes(p.way) ? { ...p, motor: { ...p.motor, swapped: !p.motor.swapped } } : p,
        )
      : job.presses;
  return { ...job, board: { ...job.board, pins: [...pins, ...more] }, presses, trials: [] };
}

/** Pulses of a servo whose horn swings the other way: as far on the other side of the middle between its ends. */
export function mirroredPulses(job: Job, pulses: PressFact['pulses']): PressFact['pulses'] {
  if (!pulses) return pulses;
  const servo = takenPart(job, 'servo');
  const both = partValue(servo, 'leastPulseSeconds').value + partValue(servo, 'mostPulseSeconds').value;
  return {
    ...pulses,
    rest: both - pulses.rest,
    press: both - pulses.press,
    other: pulses.other === null ? null : both - pulses.other,
  };
}
