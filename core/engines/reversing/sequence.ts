import type { SequenceRule } from '../../ground/facts';
import type { MotorPlan } from '../../ground/job';

/**
 * Time for a contact to move and to stop bouncing, s: with a diode across its coil a relay of 15 ms lets go up to three times as late, and
 * the worst measured bounce comes after that (`parts-relay`, `relay-moves`, `relay-bounce`).
 */
export const CONTACT_SETTLES = 3 * 0.015 + 0.0062;

/** In which order the outputs must move, and how long to wait between; Act keeps to it. */
export function sequenceRules(
  plan: MotorPlan,
  way: 'reverse-motor' | 'control-box',
  settlesSeconds = CONTACT_SETTLES,
): SequenceRule[] {
  const key = way === 'control-box' ? plan.boxWiring : plan.wiring;
  const settle = settlesSeconds;
  const coast = Math.max(plan.coastSeconds, settle);
  switch (key) {
    case 'double-pole':
      return [
        {
          first: 'K1, the direction',
          then: 'K2, the power',
          waitSeconds: settle,
          why: 'the changeover never makes or breaks the motor’s current',
        },
        {
          first: 'K2 off',
          then: 'K1 to the other direction',
          waitSeconds: coast,
          why: 'a motor that still turns pushes current against the supply',
        },
      ];
    case 'two-changeovers':
      return [
        {
          first: 'K1 and K2 both off',
          then: 'the other one on',
          waitSeconds: coast,
          why: 'the motor is braked to a stop before it is sent back',
        },
      ];
    case 'bridge':
      return [
        {
          first: 'IN1 and IN2 both low',
          then: 'the other one high',
          waitSeconds: coast,
          why: 'the motor stops before it is sent back',
        },
      ];
    case 'box-interlocked':
    case 'box-plain':
      return [
        {
          first: 'K1 and K2 both off',
          then: 'the other one on',
          waitSeconds: coast,
          why: 'up and down never together, and dead time at least the coast-down',
        },
      ];
  }
}
