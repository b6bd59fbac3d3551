import { firstItem, present } from '../../ground/lists';
import {
  freshJob,
  freshMove,
  freshPress,
  stepOf,
  type Fault,
  type Job,
  type MachineModel,
  type ScriptStep,
} from '../../ground/job';
import { partOfModel } from './machine';
import { sceneOf, type Scene } from './scene';
import { runScene, type Parting, type SeenPress, type Span, type StateSpan, type TravelPoint } from './trace';

/** A step of a script as the control that is followed meets it. */
export type TimedStep = Pick<ScriptStep, 'do' | 'seconds'>;

/** A run of a machine with one button: everything that happened, exact times in seconds. */
export interface Trace {
  readonly contact: readonly Span[];
  readonly seen: readonly SeenPress[];
  readonly missed: readonly number[];
  readonly machine: readonly StateSpan[];
  readonly believes: readonly StateSpan[];
  readonly parted: readonly Parting[];
  readonly travel: readonly TravelPoint[];
  readonly noPower: readonly Span[];
  readonly end: number;
}

/** A machine of one button with its script and faults. */
export interface Scenario {
  readonly machine: MachineModel;
  readonly script: readonly TimedStep[];
  readonly faults: readonly Fault[];
  /** Instants at which the script is started, s. */
  readonly starts: readonly number[];
  readonly end: number;
}

/** The closures that a script makes from one start. */
export function scriptPresses(script: readonly TimedStep[], start: number): Span[] {
  let t = start;
  const out: Span[] = [];
  for (const step of script) {
    if (step.do === 'press') out.push({ from: t, to: t + step.seconds });
    t += step.seconds;
  }
  return out;
}

/** Length of a script, s. */
export const scriptSeconds = (script: readonly TimedStep[]): number => script.reduce((s, x) => s + x.seconds, 0);

const NOTHING: Job = freshJob({ title: 'one button' }, 'one', '2026-01-01T00:00:00Z');

/** A machine of one button and its script as a scene. */
export const sceneOfModel = (machine: MachineModel, script: readonly TimedStep[]): Scene =>
  present(
    sceneOf({
      ...NOTHING,
      presses: [freshPress('press', 'press')],
      act: {
        parts: [partOfModel(machine)],
        moves: [
          {
            ...freshMove('move', 'move'),
            steps: script.map((s) => stepOf(s.do, { press: s.do === 'press' ? 'press' : '', seconds: s.seconds })),
          },
        ],
        faults: [],
      },
    }),
  );

/** Simulates a machine with one button exactly: events in order of time, nothing sampled. */
export function simulate(s: Scenario): Trace {
  const run = runScene(sceneOfModel(s.machine, s.script), {
    starts: s.starts.map((at) => ({ at, move: 0, ifArmed: false })),
    faults: s.faults,
    end: s.end,
  });
  const [part] = run.parts;
  return {
    ...present(part),
    contact: firstItem(run.outputs).spans,
    missed: run.missed,
    noPower: run.noPower,
    end: run.end,
  };
}
