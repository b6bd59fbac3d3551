import { filledIn, type Finding } from '../../ground/finding';
import { sayTime, type Job } from '../../ground/job';

// Every character that could begin markup is escaped; line ends would leave the list.
const plain = (text: string): string =>
  text.replace(/([\\`*_{}[\]()#+\-.!|<>~&=])/g, '\\$1').replace(/\s*[\r\n]+\s*/g, ' ');

/** The job's log as Markdown: the wish, the findings as they stand, then what happened, in order. */
export function logMarkdown(job: Job, findings: readonly Finding[]): string {
  const w = job.wish;
  const list = findings.map((f) => {
    const worked = f.steps.at(-1);
    return `- **${f.room}**, ${f.verdict}: ${plain(f.title)}${worked ? ` (${plain(filledIn(worked))})` : ''}`;
  });
  const log = job.log.map(
    (e) => `- ${sayTime(e.at, job.region.timeZone)}${e.room ? `, ${e.room}` : ''}: ${plain(e.text)}`,
  );
  return [
    `# ${plain(job.title)}`,
    '',
    ...(job.place ? [plain(job.place), ''] : []),
    `- What should happen: ${plain(w.outcome || 'not said')}`,
    `- When: ${plain(w.when || 'not said')}`,
    `- Never: ${plain(w.never || 'not said')}`,
    '',
    '## Findings',
    '',
    ...list,
    '',
    '## Log',
    '',
    `Times are those of ${plain(job.region.timeZone)}.`,
    '',
    ...log,
    '',
  ].join('\n');
}
