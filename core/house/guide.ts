import { lastItem } from '../ground/lists';
import { isAllBare, isUntouched, machineOf, onlyListens, reachOf, scriptOf, type Job, type Room } from '../ground/job';
import { needsPin, pinOf } from '../build/lines';
import { questionsOf } from '../rooms/probe';
import type { Bead } from './thread';

/** What a maker does next in a first job, and why just now. */
export interface GuideStep {
  readonly room: Room;
  readonly now: string;
  readonly because: string;
}

/** The steps of a first job in the order of the work; the first that is not done is the one to take. */
interface Step extends GuideStep {
  readonly done: (job: Job, bead: (room: Room) => Bead | undefined) => boolean;
  /** Whether it is a step of a job that presses, or of one that only listens; both where it is not said. */
  readonly only?: 'presses' | 'listens';
}
const STEPS: readonly Step[] = [
  {
    room: 'wish',
    now: 'tick what can hurt someone',
    because: 'the list in Guard is made of it',
    done: (j) => j.wish.hazardsReviewed,
  },
  {
    room: 'sense',
    now: 'say what is listened to, and where its wires go',
    only: 'listens',
    because: 'a wire into the machine asks for readings, one that stays outside for none',
    done: (j) => j.senses.length > 0 && j.senses.every((s) => reachOf(s) !== 'unsaid'),
  },
  {
    room: 'board',
    now: 'put each sense on a pin that reads it',
    only: 'listens',
    because: 'what lies on no pin is not heard',
    done: (j) => j.senses.every((s) => !needsPin(s) || pinOf(j, s.id) !== null),
  },
  {
    room: 'probe',
    now: 'name the control that the machine listens to',
    only: 'presses',
    because: 'everything that is measured belongs to it',
    done: (j) => j.controls.length > 0 || isAllBare(j),
  },
  {
    room: 'probe',
    now: 'say how the machine is fed',
    because: 'the order of the readings keeps you apart from mains',
    done: (j) => questionsOf(j.survey.mains).length === 0 || j.controls.every((c) => isUntouched(j, c.id)),
  },
  {
    room: 'probe',
    now: 'take the one reading that is asked for, and the next',
    because: 'a handful of them tell what the control is',
    done: (_, bead) => bead('probe')?.verdict !== 'unknown',
  },
  {
    room: 'thumb',
    now: 'choose a way for each press; the first of the list is a good one',
    only: 'presses',
    because: 'pin, supply and wires follow from it',
    done: (j) => j.presses.length > 0 && j.presses.every((p) => p.way !== null),
  },
  {
    room: 'board',
    now: 'put each press on a pin that keeps still at power-up',
    only: 'presses',
    because: 'a pin that twitches presses by itself',
    done: (j) => j.presses.length > 0 && j.presses.every((p) => pinOf(j, p.id) !== null),
  },
  {
    room: 'feed',
    now: 'say what supply you have',
    because: 'too weak a one restarts the controller in mid-press',
    done: (j, bead) =>
      bead('feed')?.verdict === 'settled' ||
      j.feed.sources.some((s) => s.kind === 'cells' || (s.volts !== null && s.amps !== null)),
  },
  {
    room: 'sense',
    now: 'decide how you will know that it happened',
    only: 'presses',
    because: 'without a sensor one missed press turns the day round',
    done: (j, bead) => j.senses.length > 0 || bead('act')?.verdict === 'settled',
  },
  {
    room: 'act',
    now: 'say what a press does, and how long it lasts',
    only: 'presses',
    because: 'the plan is then played against the machine',
    done: (j) => machineOf(j).kind !== 'unknown' && scriptOf(j).length > 0,
  },
  {
    room: 'routine',
    now: 'say when it acts by itself',
    only: 'presses',
    because: 'that is what the wish was about',
    done: (j) => j.routine.sentences.length > 0 && j.routine.sentences.every((s) => s.days.length > 0),
  },
  {
    room: 'guard',
    now: 'go through what can hurt, one line after the other',
    because: 'the test sheet is signed only when all of it is in place',
    done: (_, bead) => bead('guard')?.verdict === 'settled' || bead('guard')?.verdict === 'tight',
  },
  {
    room: 'try',
    now: 'take the steps of the test sheet from the top',
    because: 'their order keeps the machine out of harm’s way',
    done: (_, bead) => bead('try')?.verdict === 'settled',
  },
  {
    room: 'pack',
    now: 'carry the papers away',
    because: 'wiring sheet, list, program and log belong beside the machine',
    done: () => false,
  },
];

/** The next step of a job. It never says that something is safe: it only names what is not done yet. */
export function guideFor(job: Job, thread: readonly Bead[]): GuideStep {
  const bead = (room: Room): Bead | undefined => thread.find((b) => b.room === room);
  const does = onlyListens(job) ? 'listens' : 'presses';
  const { room, now, because } = STEPS.find((s) => (s.only ?? does) === does && !s.done(job, bead)) ?? lastItem(STEPS);
  return { room, now, because };
}
