import type { Assessment } from './assess';
import { contactAtPowerUp, longestClosed, profileOf } from './board';
import type { Job } from './job';
import type { Random } from './quantity';
import { pressStandin, restartStandin, STANDINS, type TryOut } from './standin';
import { chosenWay, jointOf, wayContext } from './thumb';

/** Takes one step of the test sheet on the job's stand-in. Throws RangeError where there is none or it cannot take that step. */
export function runOnStandin(job: Job, a: Assessment, step: string, times: number, random: Random): TryOut {
  const standin = STANDINS[job.standin.model];
  if (!standin) throw new RangeError('this job has no stand-in');
  const way = chosenWay(job, a.ways);
  const context = wayContext(job, a.facts);
  const joint = way && context ? jointOf(context, way) : null;
  switch (step) {
    case 'dummy-load':
    case 'one-press':
      return pressStandin(standin, joint, job.act.script, 1, random);
    case 'many-presses':
      return pressStandin(standin, joint, job.act.script, times, random);
    case 'restarts': {
      const pin = profileOf(job)?.pins.find((p) => p.gpio === job.board.pressPin);
      if (!pin || !a.facts.press) return { count: times, failed: times, observed: 'no pin and no way of pressing are chosen, so nothing can be restarted' };
      const closed = longestClosed(contactAtPowerUp(pin, a.facts.press, job.board.activeHigh, job.board.pullDown, profileOf(job)!), 'maybe');
      return restartStandin(standin, closed, times);
    }
    case 'hand-switch':
      // The thumb sits across the button and at rest it is open, so a hand still closes the same contact.
      return pressStandin(standin, joint && { ...joint, way: 'relay-contact', onOhms: standin.build.contactOhms }, [{ do: 'press', seconds: 0.3 }], 1, random);
    default:
      throw new RangeError(`the stand-in cannot take the step ${step}`);
  }
}
