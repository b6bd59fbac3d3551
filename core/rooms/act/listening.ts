import { finding, type Finding } from '../../ground/finding';
import type { Job, Sense } from '../../ground/job';
import { heardAfter } from '../../build/lines';
import { formatQuantity } from '../../ground/quantity';

/** For how long a change has to stand before it is heard, in words; both ways where they differ. */
export function stoodFor(s: Sense): string {
  const [so, not] = [heardAfter(s, true), heardAfter(s, false)];
  const time = (seconds: number): string => formatQuantity(seconds, 's');
  return so === not ? time(so) : `${time(so)} where it is so, ${time(not)} where it is not`;
}

/** What a job that presses nothing does: each change that a sense hears is told. */
export function listeningFindings(job: Job): Finding[] {
  if (job.senses.length === 0)
    return [
      finding('act', 'listens', {
        verdict: 'unknown',
        title: 'Nothing is listened to yet',
        caption: 'nothing heard yet',
        remedy: { text: 'Add in Sense what is listened to.' },
      }),
    ];
  return job.senses.map((s) =>
    s.kind === 'message'
      ? finding('act', `listens.${s.id}`, {
          verdict: 'settled',
          title: `Each change of ${s.name} is told as its message comes; nothing is pressed`,
          caption: 'tells each change',
          source: ['maker'],
        })
      : finding('act', `listens.${s.id}`, {
          verdict: 'tight',
          title:
            `Each change of ${s.name} is told once it has stood for ${stoodFor(s)}: ` +
            'whether it ever lasts less was not tried',
          caption: 'may be too short',
          source: ['maker'],
          remedy: { text: 'Let it say so at the machine for as short as it ever does, and see that it is told.' },
        }),
  );
}
