import { finding, type Finding, type Verdict } from '../../ground/finding';
import { comesByMessage, type JobRecording } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import type { Recorded, Numbered } from './evidence';

/** More odd rows than this share make a recording doubtful: common practice. */
const ODD_SHARE = 0.01;

/** What makes a recording say less than it seems to. */
interface Doubt {
  readonly key: string;
  readonly verdict: Verdict;
  readonly is: (r: JobRecording, s: Numbered) => boolean;
  readonly title: (r: JobRecording, s: Numbered) => string;
  readonly caption: string;
  readonly todo: string;
}
/** What to do about recordings that were looked at with another threshold. */
export const LOOK_AGAIN =
  'Press “look at them again” in Recordings: each is looked at with the threshold as it stands now.';
const time = (s: number): string => formatQuantity(s, 's');
const DOUBTS: readonly Doubt[] = [
  {
    key: 'no-run',
    verdict: 'unknown',
    is: (r) => r.looked?.runs === 0,
    title: (r, s) => `${r.name} never rises over the threshold of ${s.name}: no run can be seen in it`,
    caption: 'no run in it',
    todo: 'Record while it runs, with what came before and after; or set a lower threshold.',
  },
  {
    key: 'count',
    verdict: 'unknown',
    is: (r) => r.looked !== null && r.runs !== null && r.looked.runs !== r.runs,
    title: (r) => `${r.name} holds ${r.runs} runs by your count, and ${r.looked?.runs} are found in it`,
    caption: 'runs do not agree',
    todo: 'Count them again, or look where one was joined with the next.',
  },
  {
    key: 'uncounted',
    verdict: 'unknown',
    is: (r) => r.looked !== null && r.runs === null && r.looked.runs > 1,
    title: (r) =>
      `${r.looked?.runs} runs are found in ${r.name}, parted by a leap in the length of its rests, and nobody counted them: ` +
      'one long soak looks just so',
    caption: 'runs not counted',
    todo: 'Say how many runs it holds.',
  },
  {
    key: 'shows',
    verdict: 'tight',
    is: (r) => r.shows.trim() === '',
    title: (r) => `Nobody said which programme ${r.name} shows: what it says holds for that one alone`,
    caption: 'which programme?',
    todo: 'Say what each recording shows, and record every programme that is used.',
  },
  {
    key: 'stale',
    verdict: 'unknown',
    is: (r, s) => comesByMessage(s) && s.staleSeconds !== null && s.staleSeconds <= r.stepSeconds,
    title: (r, s) =>
      `${s.name} is believed for ${time(s.staleSeconds ?? 0)}, and in ${r.name} its meter tells something each ${time(r.stepSeconds)}: ` +
      'it is unknown in between',
    caption: 'too old too soon',
    todo: 'Believe it for two to three times as long as its meter takes between two messages.',
  },
  {
    key: 'unit',
    verdict: 'tight',
    is: (r) => r.unitGuessed,
    title: (r) => `${r.name} names no unit: its numbers are taken for ${r.unit}`,
    caption: 'unit guessed',
    todo: 'Say on the recording what its numbers are, or export it with the unit in its head.',
  },
  {
    key: 'gaps',
    verdict: 'tight',
    is: (r) => (r.looked?.gapSeconds ?? 0) > 0,
    title: (r) =>
      `${r.name} misses ${time(r.looked?.gapSeconds ?? 0)} within its runs: whether it rested there is not known`,
    caption: 'gaps within runs',
    todo: 'Record again where the meter is heard all the time.',
  },
  {
    key: 'step',
    verdict: 'tight',
    is: (r, s) => r.looked !== null && r.stepSeconds > s.limit.holdSeconds / 2,
    title: (r, s) =>
      `${r.name} has a sample each ${time(r.stepSeconds)}: a rest of ${time(s.limit.holdSeconds)} is told by one or two of them`,
    caption: 'sampled too seldom',
    todo: 'Let the meter report more often, or hold for longer.',
  },
  {
    key: 'tail',
    verdict: 'tight',
    is: (r, s) => r.looked !== null && r.looked.runs > 0 && r.looked.tailSeconds < s.limit.holdSeconds,
    title: (r, s) =>
      `${r.name} stands under for only ${time(r.looked?.tailSeconds ?? 0)} after a run: ` +
      `the end of that run is not told within ${time(s.limit.holdSeconds)}`,
    caption: 'ends too soon',
    todo: 'Record until well after the end; where the next run begins as soon as that, choose a shorter hold.',
  },
  {
    key: 'odd',
    verdict: 'tight',
    is: (r) => r.odd > ODD_SHARE * r.samples,
    title: (r) => `${r.name}: ${r.odd} of ${r.odd + r.samples} rows could not be taken as they stand`,
    caption: 'odd rows',
    todo: 'Look at the rows that are named in Recordings, and export it again.',
  },
];

/** What makes single recordings of a sense doubtful, one line for each sort. */
export function doubtFindings(s: Numbered, { learned, kept, old, foreign }: Recorded): Finding[] {
  const all = [...learned, ...kept];
  const said = DOUBTS.flatMap((d) => {
    const [first, ...more] = all.filter((r) => d.is(r, s));
    if (!first) return [];
    return [
      finding('sense', `limit.${s.id}.${d.key}`, {
        verdict: d.verdict,
        title: d.title(first, s) + (more.length > 0 ? `; ${more.length} more likewise` : ''),
        caption: d.caption,
        source: ['trace-levels'],
        remedy: { text: d.todo },
      }),
    ];
  });
  if (foreign.length > 0)
    said.push(
      finding('sense', `limit.${s.id}.foreign`, {
        verdict: 'unknown',
        title: `${foreign.map((r) => r.name).join(', ')}: not of what ${s.name} reads now, and its threshold may have been found in them`,
        caption: 'of something else',
        source: ['trace-levels'],
        remedy: { text: 'Say what the sense is, or record what it reads and find its threshold anew.' },
      }),
    );
  if (old.length === 0 || learned.length === 0) return said;
  return [
    ...said,
    finding('sense', `limit.${s.id}.old`, {
      verdict: 'unknown',
      title: `${old.map((r) => r.name).join(', ')}: not looked at with the threshold of ${s.name} as it is now`,
      caption: 'not looked at',
      source: ['trace-levels'],
      remedy: { text: LOOK_AGAIN },
    }),
  ];
}
