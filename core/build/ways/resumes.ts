import { finding, type Finding } from '../../ground/finding';
import type { JobEdit, Press, SupplyPlan, Way } from '../../ground/job';

/** An edit of how a machine meets the switching of its supply. */
const setSupply = (press: Pick<Press, 'id'>, set: Partial<SupplyPlan>, say: string): JobEdit => ({
  do: 'set',
  at: 'press.supply',
  of: press.id,
  set,
  say,
});

/** Why switching its supply is no use, and what is, where the machine waits for somebody after a power cut. */
export const WAITS_FOR_SOMEBODY: readonly [title: string, remedy: string] = [
  'It was tried: after a power cut this machine waits for somebody',
  'Press its own control instead.',
];

/** Whether the machine runs on by itself once it is fed again. */
export const resumesFinding = (way: Way, press: Press): Finding =>
  press.supply.resumes === 'yes'
    ? finding('thumb', `${way}.resumes`, {
        verdict: 'settled',
        title: 'It was tried: after a power cut the machine runs on by itself',
        caption: 'resumes',
        source: ['resume-test'],
      })
    : finding('thumb', `${way}.resumes`, {
        verdict: 'unknown',
        title:
          'Does it run on by itself after a power cut? Pull the plug while it runs, wait ten seconds, plug it in, do that three times',
        caption: 'try a power cut',
        source: ['resume-test'],
        remedy: {
          text: 'Say in the plan of this way what it did; the plug is enough, nothing is opened.',
          label: 'It ran on each time',
          edit: setSupply(press, { resumes: 'yes' }, 'runs on after a power cut: tried'),
        },
      });
