import {
  freshSense,
  stepOf,
  withSteps,
  type Job,
  type JobRecording,
  type Looked,
  type MachinePart,
  type Sense,
} from '../../core/ground/job';
import { BUTTON, edit, machine, onPin, pressed } from './situation';

/** What was found in a sound recording: one run with rests of two minutes, forty minutes of standby behind it. */
const FOUND: Looked = {
  over: 20,
  under: 10,
  runs: 1,
  restSeconds: 120,
  tailSeconds: 2400,
  gapSeconds: 0,
  below: 3,
  above: 120,
  noiseBelow: 0.5,
  noiseAbove: 6,
  longestSeconds: 3600,
  shortestSeconds: 3500,
  joules: 4e6,
};
export const recording = (n: number, set: Partial<JobRecording> = {}, looked: Partial<Looked> = {}): JobRecording => ({
  id: String(n).repeat(64),
  name: `run ${n}.csv`,
  bytes: 1e5,
  kind: 'power',
  unit: 'W',
  said: '',
  unitGuessed: false,
  samples: 6000,
  seconds: 6000,
  stepSeconds: 1,
  odd: 0,
  shows: 'the usual programme',
  sense: 'draw',
  runs: 1,
  heldOut: n === 5,
  shared: false,
  looked: { ...FOUND, restSeconds: 120 + n, ...looked },
  ...set,
});
const DRAW: Sense = {
  ...freshSense('draw', 'its draw'),
  kind: 'watts',
  touches: 'own',
  tells: 'at-work',
  topic: 'kitchen/meter',
  staleSeconds: 60,
  debounceSeconds: 5,
  limit: { over: 20, under: 10, holdSeconds: 600 },
};
export const withAll = (job: Job, list: readonly JobRecording[]): Job => ({ ...job, recordings: [...list] });
export const draw = (job: Job, set: Partial<Sense>): Job =>
  edit(job, { do: 'put', list: 'senses', item: { ...DRAW, ...set } });
/** One of the recordings otherwise. */
export const one =
  (n: number, set: Partial<JobRecording>, looked: Partial<Looked> = {}) =>
  (job: Job): Job =>
    withAll(
      job,
      job.recordings.map((r, i) => (i === n - 1 ? recording(n, set, looked) : r)),
    );
export const each =
  (set: (n: number) => Partial<JobRecording>, looked: (n: number) => Partial<Looked> = () => ({})) =>
  (job: Job): Job =>
    withAll(
      job,
      job.recordings.map((_, i) => recording(i + 1, set(i + 1), looked(i + 1))),
    );

export const RUNS: Partial<MachinePart> = {
  kind: 'starts-and-stops-itself',
  runSeconds: 3600,
  shows: [
    { state: 'at rest', watts: 3, light: false, sound: false, warm: false },
    { state: 'running', watts: 120, light: false, sound: false, warm: false },
  ],
};
/** A door of which is said what it draws where: the same at both ends. */
export const DOOR_DRAWS: Partial<MachinePart> = {
  kind: 'open-stop-close-stop',
  runSeconds: 20,
  shows: [
    ...['closed', 'open', 'stopped on its way up', 'stopped on its way down'].map((state) => ({
      state,
      watts: 3,
      light: false,
      sound: false,
      warm: false,
    })),
    ...['opening', 'closing'].map((state) => ({ state, watts: 200, light: false, sound: false, warm: false })),
  ],
};
export const until = (job: Job, seconds: number): Job => {
  const press = job.presses[0]!.id;
  const steps = [
    stepOf('press', { press, seconds: 0.18 }),
    stepOf('until', { sense: 'draw', is: false, seconds, orElse: 'call' }),
  ];
  return edit(job, withSteps(job, steps, 'start, and wait for its end'));
};
/** A machine that runs by itself, its draw by a meter with messages, five recordings of which one is kept back. */
export const SOUND = until(
  withAll(
    draw(machine(RUNS)(BUTTON), {}),
    [1, 2, 3, 4, 5].map((n) => recording(n)),
  ),
  7200,
);
export const PLUG = 'a meter at the plug, and the programmes of the machine';
/** A level of the machine on a pin. */
export const TAPPED = onPin(
  edit(pressed(BUTTON, {}), {
    do: 'put',
    list: 'senses',
    item: { ...freshSense('told', 'tank full'), kind: 'pulses', touches: 'own', tells: 'at-work', highVolts: 3.3 },
  }),
  13,
  'told',
);
