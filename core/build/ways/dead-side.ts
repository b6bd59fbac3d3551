import {
  atMost,
  constant,
  finding,
  judged,
  worst,
  type Finding,
  type RangedInput,
  type Remedy,
} from '../../ground/finding';
import { CONTROLLER, type Job, type Way } from '../../ground/job';
import { feedingSource } from '../../engines/supply';
import type { WayContext } from './context';
import { pinHigh } from './drive';
import { levelLimit } from './line';
import { CLAMP_AMPS } from './practice';

/** Where the clamp of a side without power holds what is pushed into it, V (`unpowered`). */
const DEAD_VOLTS = 0.6;
/** Resistor in a line that a pin drives into a machine which may be off, Ω: some tenths of a milliampere into its clamp. */
export const INTO_MACHINE_OHMS = 10e3;

/** Whether controller and machine have power together: the controller hangs on a rail of the machine that is always there. */
function onTogether(job: Job): boolean {
  const source = feedingSource(job.feed, CONTROLLER);
  const rail = source?.kind === 'rail' ? job.survey.rails.find((r) => r.id === source.rail) : undefined;
  return rail?.whileIdle === true && rail.whileRunning === true;
}

const together = (way: Way): Finding =>
  finding('thumb', `${way}.dead-side`, {
    verdict: 'settled',
    title: 'The controller hangs on a rail of the machine: neither side is ever on without the other',
    caption: 'on together',
    source: ['unpowered'],
  });

const bears = atMost(CLAMP_AMPS, 'A', 'what a dead side bears', { from: 'source', key: 'unpowered' });
const dropOf = (what: string) => constant('V_dead', what, DEAD_VOLTS, 'V', 'unpowered');

/**
 * The controller off and the machine on, over a line that a pin of it hangs on: what flows into the dead pin, and where that leaves the
 * line. @param resistor what stands in the line, Ω.
 */
export function deadController(way: Way, c: WayContext, resistor: ReturnType<typeof constant>): Finding[] {
  const { line } = c;
  if (onTogether(c.job)) return [together(way)];
  if (!line)
    return [
      finding('thumb', `${way}.dead-pin`, {
        verdict: 'unknown',
        title:
          'Controller off, pad on: what flows into its dead pins is not known, since the pad’s supply was not read',
        caption: 'controller off',
        source: ['unpowered'],
        remedy: { text: 'Read the pad’s supply and what pulls its lines, in Probe.' },
      }),
    ];
  const drop = dropOf('clamp of a dead pin');
  const amps = worst(
    'highest',
    'current into a dead pin',
    'I_dead',
    `(V_CC - V_dead) / ${resistor.symbol}`,
    'A',
    [line.supply],
    [drop, resistor],
  );
  const out = [
    judged('thumb', `${way}.dead-pin`, {
      title: 'Controller off, pad on: current into its dead pins',
      caption: 'controller off',
      steps: [amps],
      limit: bears,
      tightShare: 0.1,
      remedy: {
        text:
          'Feed the controller from a rail of the machine that is always there, so that both are on or ' +
          'off, or keep the sides apart with a solid-state relay per key.',
      },
    }),
  ];
  if (line.polarity === 'low') {
    const level = worst(
      'lowest',
      'sense line while the controller is off',
      'V_sense',
      `V_dead + (V_CC - V_dead) * ${resistor.symbol} / (R + ${resistor.symbol})`,
      'V',
      [line.supply, line.pull],
      [drop, resistor],
    );
    out.push(
      judged('thumb', `${way}.dead-level`, {
        title: 'Controller off, pad on: the sense line must still rest',
        caption: 'controller off',
        steps: [level],
        limit: levelLimit('at least', line.highAbove),
        tightShare: 0.1,
        span: line.supply.range.high,
        remedy: {
          text: 'While the controller is off its pins press: feed it from a rail of the machine, or keep the sides apart.',
        },
      }),
    );
  }
  return out;
}

/** The machine off and the controller on: what a pin that is high pushes into it. @param resistor what stands in the line, Ω. */
export function deadMachine(way: Way, c: WayContext, resistor: RangedInput, remedy: Remedy | null): Finding {
  if (onTogether(c.job)) return together(way);
  const amps = worst(
    'highest',
    'current into the dead side',
    'I_dead',
    `max(0, V_OH - V_dead) / ${resistor.symbol}`,
    'A',
    [pinHigh(c.drive), resistor],
    [dropOf('clamp of a dead input')],
  );
  return judged('thumb', `${way}.dead-machine`, {
    title: 'Machine off, controller on: what a high pin pushes into it',
    caption: 'machine off',
    steps: [amps],
    limit: bears,
    tightShare: 0.1,
    remedy,
  });
}
