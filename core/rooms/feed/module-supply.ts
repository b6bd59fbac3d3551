import { finding, type Finding } from '../../ground/finding';
import type { DriveFact } from '../../ground/facts';
import { CONTROLLER, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { feedingSource } from '../../engines/supply';

/** A bought switch makes its own supply of the mains that it switches: a second one would meet what stands at mains in it. */
export function moduleSupplyFindings(job: Job, { controller, module }: DriveFact): Finding[] {
  if (!module) return [];
  const second = feedingSource(job.feed, CONTROLLER);
  const [least, most] = module.mainsVolts;
  const { mainsVolts } = job.region;
  const volts = (x: number): string => formatQuantity(x, 'V');
  const fits = least <= mainsVolts && mainsVolts <= most;
  return [
    finding('feed', 'module', {
      verdict: fits ? 'settled' : 'stop',
      title: fits
        ? `The ${controller} makes its own supply of ${volts(mainsVolts)} mains; it runs on ${volts(least)} to ${volts(most)}`
        : `The ${controller} runs on ${volts(least)} to ${volts(most)}, and mains is ${volts(mainsVolts)} here`,
      caption: fits ? 'feeds itself' : 'wrong mains',
      source: ['cautions'],
      remedy: fits ? null : { text: 'Take a switch that is made for the mains of this place.' },
    }),
    ...(second
      ? [
          finding('feed', 'module-second', {
            verdict: 'stop' as const,
            title:
              `The ${controller} feeds itself, and the ${second.name} would feed it as well: ` +
              'whatever is joined to its inside may stand at mains',
            caption: 'fed twice',
            source: ['cautions'] as const,
            remedy: {
              text: `Take the ${second.name} away: nothing is joined to the inside of a switch that is on mains.`,
            },
          }),
        ]
      : []),
  ];
}
