import { atLeast, finding, type Finding } from '../finding';
import type { Job } from '../job';
import { isolationFindings } from './isolation';
import { KIND_WORDS, PARAMETER_WORDS } from './kind-words';
import { KNOWN_AT, type Survey } from './survey';

/** What Probe judges about the job: per control its kind, its values and its isolation; and readings that disagree. */
export function probeFindings(job: Job, surveys: readonly Survey[]): Finding[] {
  if (job.controls.length === 0) {
    return [finding('probe', 'none', { verdict: 'unknown', title: 'No control has been named yet', caption: 'no control yet', remedy: { text: 'Name the button or terminals that the machine listens to.' } })];
  }
  return surveys.flatMap((s) => {
    const name = job.controls.find((c) => c.id === s.control)!.name;
    return [...kindFindings(s, name), ...isolationFindings(job, s.control, name)];
  });
}

function kindFindings(s: Survey, name: string): Finding[] {
  const best = s.candidates[0]!;
  const words = KIND_WORDS[best.kind].name;
  const limit = atLeast(100 * KNOWN_AT, '%', 'counts as known', { from: 'source', key: 'bayes' });
  const value = { value: 100 * best.probability, unit: '%' as const };
  const out: Finding[] = [
    finding('probe', `${s.control}.kind`, {
      verdict: s.known ? 'settled' : 'unknown', value, limit, source: ['bayes', 'kind-priors', 'outliers', 'meter-hand'],
      title: s.known ? `${name} is ${words}` : `${name} may be ${words}, not certain yet`,
      caption: s.known ? words : 'more readings wanted',
      remedy: s.known ? null : { text: 'Take the next reading that Probe proposes.' },
    }),
  ];
  for (const [key, estimate] of Object.entries(best.estimates)) {
    if (estimate.steps.length === 0) continue;
    const last = estimate.steps[estimate.steps.length - 1]!;
    out.push(finding('probe', `${s.control}.${key}`, {
      verdict: 'settled', title: `${PARAMETER_WORDS[key] ?? key} of ${name}`, caption: words, value: last.result, steps: estimate.steps, source: ['ohm', 'meter-hand'],
    }));
  }
  s.contradictions.forEach((c) =>
    out.push(finding('probe', `${s.control}.contradiction.${c.readings.join('+')}`, {
      verdict: 'tight', title: c.text, caption: 'readings disagree', source: ['bayes', 'outliers'],
      remedy: { text: 'Withdraw the wrong one; it stays in the record.', label: 'Withdraw the later one', edit: { do: 'strike-reading', id: c.readings[c.readings.length - 1]!, struck: true } },
    })));
  return out;
}
