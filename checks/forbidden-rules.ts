import { pinOf } from '../core/build/lines';
import { machineOf, scriptOf, type Job, type PartKind, type Room, type Way } from '../core/ground/job';
import { SHIPPED_PARTS } from '../core/engines/parts';
import { mainsLoad } from './bench-jobs';
import type { Drawn } from './forbidden-jobs';

/** Pin of the first press. */
const pinIn = (job: Job): number | null => pinOf(job, job.presses[0]!.id);

/** A rating of the part that is picked, or of the first class of its kind. */
function rating(job: Job, kind: PartKind, key: string): number {
  const all = SHIPPED_PARTS.filter((p) => p.kind === kind);
  return (all.find((p) => p.id === job.bench.picks[kind]) ?? all[0]!).values[key]![1];
}

/** Ways that are a switch between two terminals: the part, and its ratings for volts and amperes. */
const SWITCH: Partial<Record<Way, readonly [kind: PartKind, volts: string, amps: string]>> = {
  'npn-to-ground': ['npn', 'collectorVolts', 'collectorAmps'],
  'nmos-to-ground': ['nmos', 'drainVolts', 'drainAmps'],
  optocoupler: ['optocoupler', 'outputVolts', 'outputAmps'],
  'solid-state-relay': ['solid-state-relay', 'loadVolts', 'loadAmps'],
  'relay-contact': ['relay', 'contactVolts', 'contactAmps'],
  'relay-module': ['relay-module', 'contactVolts', 'contactAmps'],
  'analogue-switch': ['analogue-switch', 'mostVolts', 'switchAmps'],
};
const SHARES_GROUND: readonly Way[] = [
  'npn-to-ground',
  'nmos-to-ground',
  'analogue-switch',
  'strobe-answer',
  'logic-injector',
  'drive-signal',
];
const POLAR: readonly Way[] = ['npn-to-ground', 'nmos-to-ground', 'optocoupler'];
const BARRIER: Partial<Record<Way, PartKind>> = {
  optocoupler: 'optocoupler',
  'solid-state-relay': 'solid-state-relay',
  'relay-contact': 'relay',
  'relay-module': 'relay-module',
};
/** Ways that are judged on the two terminals of the control. */
const ON_CONTROL: readonly Way[] = [...(Object.keys(SWITCH) as Way[]), 'strobe-answer', 'logic-injector'];

/** A forbidden situation: whether it holds, and the rooms of which none may then be settled. */
export const FORBIDDEN: readonly {
  readonly name: string;
  readonly holds: (d: Drawn) => boolean;
  readonly rooms: readonly Room[];
}[] = [
  {
    name: 'shared ground without proven isolation',
    holds: (d) => SHARES_GROUND.includes(d.way) && d.isolation !== 'proven',
    rooms: ['thumb', 'guard'],
  },
  { name: 'polar part on AC', holds: (d) => POLAR.includes(d.way) && d.machine.alternating, rooms: ['thumb'] },
  {
    name: 'voltage over the rating',
    holds: (d) =>
      d.way in SWITCH &&
      d.machine.volts * (d.machine.alternating ? Math.SQRT2 : 1) >
        rating(d.job, SWITCH[d.way]![0], SWITCH[d.way]![1]) &&
      d.machine.lines !== mainsLoad,
    rooms: ['thumb'],
  },
  {
    name: 'current over the rating',
    holds: (d) =>
      d.way in SWITCH &&
      d.machine.amps > rating(d.job, SWITCH[d.way]![0], SWITCH[d.way]![2]) &&
      d.machine.lines !== mainsLoad,
    rooms: ['thumb'],
  },
  {
    name: 'a semiconductor carries a mains load',
    holds: (d) => d.machine.lines === mainsLoad && ON_CONTROL.includes(d.way),
    rooms: ['thumb'],
  },
  {
    name: 'extra-low-voltage part on a side tied to mains',
    holds: (d) =>
      d.isolation === 'tied' &&
      d.way in BARRIER &&
      (rating(d.job, BARRIER[d.way]!, 'isolationVolts') < 2000 || rating(d.job, BARRIER[d.way]!, 'gapMetres') < 3e-3),
    rooms: ['thumb'],
  },
  {
    name: 'anything electrical on a side tied to mains',
    holds: (d) => d.isolation === 'tied' && ON_CONTROL.includes(d.way),
    rooms: ['thumb', 'guard', 'probe'],
  },
  { name: 'a pull-up that nobody read', holds: (d) => !d.machine.read && ON_CONTROL.includes(d.way), rooms: ['thumb'] },
  {
    name: 'a supply outside the controller’s range',
    holds: ({ job }) => job.feed.sources[0]!.volts! * 0.95 < 4.5 || job.feed.sources[0]!.volts! * 1.05 > 5.5,
    rooms: ['feed'],
  },
  {
    name: 'a supply that nobody called isolated',
    holds: ({ job }) => job.feed.sources[0]!.isolated !== 'yes',
    rooms: ['feed'],
  },
  {
    name: 'a press without an end on a hazard',
    holds: ({ job }) =>
      job.guard.cutOff === 'none' &&
      (machineOf(job).kind === 'open-stop-close-stop' ||
        job.wish.hazards.some((h) => h === 'unattended-heat' || h === 'moving-door')),
    rooms: ['guard'],
  },
  {
    name: 'a one-shot whose trigger floats at power-up',
    holds: ({ job, way }) =>
      job.guard.cutOff === 'one-shot' &&
      !job.presses[0]!.pullDown &&
      [4, 5].includes(pinIn(job)!) &&
      ['npn-to-ground', 'solid-state-relay', 'relay-contact'].includes(way),
    rooms: ['board'],
  },
  {
    name: 'a resistor to ground under what presses on low',
    holds: ({ job, way }) =>
      way === 'relay-module' && pressesOn(job, way) === 0 && job.presses[0]!.pullDown && [4, 5].includes(pinIn(job)!),
    rooms: ['board'],
  },
  { name: 'a lead that nobody described', holds: ({ job }) => job.feed.links[0]!.metres === null, rooms: ['feed'] },
  {
    name: 'a press longer than the machine takes for one',
    holds: ({ job }) => scriptOf(job)[0]!.seconds > 3,
    rooms: ['act'],
  },
  { name: 'two presses that the machine takes for one', holds: ({ job }) => scriptOf(job).length > 1, rooms: ['act'] },
  {
    name: 'a load on a contact that was not entered',
    holds: (d) =>
      (d.way === 'switched-supply' || (d.way === 'control-box' && d.machine.lines === mainsLoad)) &&
      !d.job.guard.loadWatts,
    rooms: ['guard'],
  },
  {
    name: '4 kW on any contact of the table',
    holds: (d) => d.way === 'switched-supply' && d.job.guard.loadWatts === 4000,
    rooms: ['guard'],
  },
  { name: 'mains work', holds: (d) => d.way === 'switched-supply' || d.way === 'control-box', rooms: ['thumb'] },
  {
    name: 'a door pressed at a time of day',
    holds: ({ job }) => machineOf(job).kind === 'open-stop-close-stop',
    rooms: ['routine'],
  },
  {
    name: 'mains may be inside and nobody proved it dead',
    holds: ({ job }) => job.survey.mains.feed !== 'none' && job.guard.ticks['dead-isolate'] === undefined,
    rooms: ['guard'],
  },
  {
    name: 'a pin that is high or toggles at power-up',
    holds: (d) => [0, 2].includes(pinIn(d.job)!) && (d.way === 'npn-to-ground' || d.way === 'solid-state-relay'),
    rooms: ['board'],
  },
  {
    name: 'a weakly high pin under a transistor without a pull-down',
    holds: (d) => pinIn(d.job) === 12 && !d.job.presses[0]!.pullDown && d.way === 'npn-to-ground',
    rooms: ['board'],
  },
];

/** Which level presses: a module that presses on low, and everything else on high. */
export const pressesOn = (job: Job, way: Way): 0 | 1 =>
  (way === 'relay-module' || way === 'control-box') && rating(job, 'relay-module', 'onLow') === 1 ? 0 : 1;
