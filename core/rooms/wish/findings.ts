import { present } from '../../ground/lists';
import { finding, type Finding, summary } from '../../ground/finding';

import { HAZARD_WORDS, type Job } from '../../ground/job';

const pressing = (job: Job): string =>
  `${job.presses.map((p) => p.name).join(', ')} ${job.presses.length === 1 ? 'is' : 'are'}`;

/** What Wish judges: whether the four questions are answered and the hazards looked through. */
export function wishFindings(job: Job): Finding[] {
  const w = job.wish;
  const open = [
    ['what should happen', w.outcome],
    ['when', w.when],
    ['what must never happen', w.never],
  ]
    .filter(([, text]) => !present(text).trim())
    .map(([name]) => present(name));
  const out: Finding[] = [];
  out.push(
    open.length
      ? summary('wish', 'questions', {
          verdict: 'unknown',
          title: `Not yet said: ${open.join(', ')}`,
          caption: `${open.length} of 3 open`,
          remedy: { text: 'Answer in your own words; one line each is enough.' },
        })
      : summary('wish', 'questions', {
          verdict: 'settled',
          title: `${w.outcome}, ${w.when}`,
          caption: w.when || w.outcome,
          source: ['maker'],
        }),
  );
  out.push(
    w.hazardsReviewed
      ? finding('wish', 'hazards', {
          verdict: 'settled',
          title: w.hazards.length
            ? `Hazards named: ${w.hazards.map((h) => HAZARD_WORDS[h]).join(', ')}`
            : 'Hazards looked through, none named',
          caption: w.hazards.length === 1 ? '1 hazard named' : `${w.hazards.length} hazards named`,
          source: ['cautions'],
        })
      : finding('wish', 'hazards', {
          verdict: 'unknown',
          title: 'Hazards not yet looked through',
          caption: 'hazards not asked',
          remedy: { text: 'Tick what applies; Guard builds its list from it.' },
        }),
  );
  if (w.role === 'listens' && job.presses.length > 0)
    out.push(
      finding('wish', 'listens', {
        verdict: 'unknown',
        title: `It is to listen only, and ${pressing(job)} planned to press`,
        caption: 'listens or presses?',
        source: ['maker'],
        remedy: {
          text: 'Take the presses away in Thumb, or let it press.',
          label: 'It presses',
          edit: { do: 'set', at: 'wish', set: { role: 'acts' }, say: 'it presses, moves or switches something' },
        },
      }),
    );
  return out;
}
