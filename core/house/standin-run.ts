import { heardPress, heardScript, scriptSeconds, simulate } from '../rooms/act';
import type { Seen } from './assess';
import { contactOver, longestClosed, pinAt, profileOf } from '../rooms/board';
import { NOMINAL_PARTS, type Joint } from '../engines/circuit';
import { isJointWay, type Job, type ScriptStep } from '../ground/job';
import { formatQuantity, type Random } from '../ground/quantity';
import { buildFor, pressStandin, restartStandin, standinOf, type Standin, type TryOut } from '../engines/standin';
import { pinOf } from '../build/lines';
import { wayContext, type PlannedPress } from '../rooms/thumb';
import { jointOf, wayPhrase, type WayResult } from '../build/ways';

/** The press that the machine's own run follows. */
const heardPlan = (job: Job, a: Seen): PlannedPress | undefined => {
  const id = heardPress(job);
  return a.plans.find((p) => p.press.id === id);
};

/** A press by a thumb at the hand switch, s: common practice. */
const HAND_PRESS_SECONDS = 0.3;

/** Why the chosen way cannot be taken on a stand-in, which stands for a button and its circuit alone; null where it can. */
export function notRehearsed(job: Job, a: Seen): string | null {
  const way = heardPlan(job, a)?.way;
  if (!way || isJointWay(way.way) || way.way === 'finger') return null;
  return `A stand-in has a button and nothing else: ${wayPhrase(way.way)} is tried on the machine itself.`;
}

/** A finger closes the button's own contact, and is on its way there for the first part of each press. */
function fingerAt(standin: Standin, way: WayResult): { joint: Joint; late: number } {
  const { build } = standin;
  return {
    late: way.press.pulses?.swing ?? 0,
    joint: {
      ...NOMINAL_PARTS,
      way: 'relay-contact',
      polarity: build.kind === 'high-when-pressed' ? 'high' : 'low',
      supplyVolts: build.supplyVolts,
      pullOhms: build.seriesOhms,
      onOhms: build.contactOhms,
    },
  };
}

/** What stands across the stand-in's button, and the script as it comes through it. */
function wiredTo(
  standin: Standin,
  job: Job,
  a: Seen,
  plan: PlannedPress | undefined,
): { joint: Joint | null; script: readonly ScriptStep[] } {
  const script = heardScript(job);
  const way = plan?.way;
  if (!way) return { joint: null, script };
  if (way.way === 'finger') {
    const { joint, late } = fingerAt(standin, way);
    return {
      joint,
      script: script.map((s) => (s.do === 'press' ? { ...s, seconds: Math.max(0, s.seconds - late) } : s)),
    };
  }
  const context = wayContext(job, a.facts, plan.press, plan.wiresBefore);
  return { joint: context && jointOf(context, way), script };
}

/** Takes one step of the test sheet on the job's stand-in. Throws RangeError where there is none or it cannot take that step. */
export function runOnStandin(job: Job, a: Seen, step: string, times: number, random: Random): TryOut {
  const plan = heardPlan(job, a);
  const whole = standinOf(job.standin);
  if (!whole) throw new RangeError('this job has no stand-in');
  const name = job.controls.find((c) => c.id === plan?.press.control)?.name ?? '';
  const standin = { ...whole, build: buildFor(whole, name) };
  const refused = notRehearsed(job, a);
  if (refused) throw new RangeError(refused);
  const { joint, script } = wiredTo(standin, job, a, plan);
  switch (step) {
    case 'dummy-load':
      return pressStandin(standin, joint, script, 1, random);
    case 'one-press':
      return withStory(standin, job, pressStandin(standin, joint, script, 1, random));
    case 'many-presses':
      return pressStandin(standin, joint, script, times, random);
    case 'restarts':
      return restarted(standin, job, plan, times);
    case 'hand-switch':
      // The thumb sits across the button and at rest it is open, so a hand still closes the same contact.
      return pressStandin(
        standin,
        joint && { ...joint, way: 'relay-contact', onOhms: standin.build.contactOhms },
        [{ do: 'press', seconds: HAND_PRESS_SECONDS }],
        1,
        random,
      );
    default:
      throw new RangeError(`the stand-in cannot take the step ${step}`);
  }
}

/** The controller started anew, with what its pin does to the contact meanwhile. */
function restarted(standin: Standin, job: Job, plan: PlannedPress | undefined, times: number): TryOut {
  const profile = profileOf(job);
  const pin = plan && pinAt(profile, pinOf(job, plan.press.id));
  if (!profile || !pin || !plan.way)
    return {
      count: times,
      failed: times,
      observed: 'no pin and no way of pressing are chosen, so nothing can be restarted',
    };
  const { press } = plan.way;
  return restartStandin(standin, longestClosed(contactOver(pin, press, press.pullDown, profile), 'maybe'), times);
}

/** What the stand-in then does by itself, in words: when it starts, how long it runs, how it ends. */
function withStory(standin: Standin, job: Job, out: TryOut): TryOut {
  if (out.failed > 0) return out;
  const { machine } = standin;
  const script = heardScript(job);
  const end = scriptSeconds(script) + machine.runSeconds * 1.5;
  const { machine: spans } = simulate({ machine, script, faults: [], starts: [0], end });
  const story = spans
    .map((s, i) => (i === spans.length - 1 ? `then ${s.word}` : `${s.word} for ${formatQuantity(s.to - s.from, 's')}`))
    .join(', ');
  return { ...out, observed: `${out.observed}; ${story}` };
}
