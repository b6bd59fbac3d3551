import { finding, type Finding, type Remedy } from '../../ground/finding';
import { withMachine, type Job, type MachinePart, type Timing } from '../../ground/job';
import { formatQuantity, type Interval } from '../../ground/quantity';
import { betweenFindings } from './between';
import { reserveFindings } from './reserve';

/**
 * Two-sided 95 % points of Student's t by degrees of freedom, 1 to 10; beyond, the normal one is taken with a little more. Source:
 * NIST/SEMATECH e-Handbook of Statistical Methods, section 1.3.6.7.2, upper critical values of Student's t distribution.
 */
const T95 = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228] as const;
const T95_MORE = 2.2;

/** Timings of one thing, s. */
const timingsOf = (p: MachinePart, of: Timing['of']): readonly number[] =>
  p.timings.flatMap((t) => (t.of === of ? [t.seconds] : []));

/**
 * The mean of timings, and between which the next one will lie at 95 %: x ± t·s·√(1 + 1/n), not under 0. Null for fewer than two,
 * from which no spread follows. Source: the same, section 6.5.1 and the prediction interval of its worked examples.
 */
export function nextTiming(values: readonly number[]): Interval | null {
  const n = values.length;
  if (n < 2) return null;
  const mean = values.reduce((s, v) => s + v, 0) / n;
  const s = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1));
  const half = (T95[n - 2] ?? T95_MORE) * s * Math.sqrt(1 + 1 / n);
  return { low: Math.max(0, mean - half), nominal: mean, high: mean + half };
}

const WHAT = { run: 'run', back: 'way back' } as const;
const say = (s: number): string => formatQuantity(Number(s.toPrecision(3)), 's');

/** A part's time against what was timed of it, and the waits of the moves against the longest that it may take. */
export const timedFindings = (job: Job, p: MachinePart): Finding[] => [
  ...(['run', 'back'] as const).flatMap((of): Finding[] => {
    const values = timingsOf(p, of);
    return values.length > 0 ? [...timedOf(job, p, of, values), ...reserveFindings(job, p, of, values)] : [];
  }),
  ...betweenFindings(job, p),
];

/** A told time this far from the mean of what was timed is another one, as a share: common practice. */
const SAME_SHARE = 0.05;

function timedOf(job: Job, p: MachinePart, of: 'run' | 'back', values: readonly number[]): Finding[] {
  const id = `part.${p.id}.timed${of === 'run' ? '' : '-back'}`;
  const set = of === 'run' ? p.runSeconds : (p.backSeconds ?? p.runSeconds);
  const range = nextTiming(values);
  const mean = values.reduce((s, v) => s + v, 0) / values.length;
  const once = `timed ${values.length === 1 ? 'once' : `${values.length} times`}`;
  const apart = set === null || Math.abs(set - mean) > Math.max(SAME_SHARE * mean, range ? range.high - mean : 0);
  return [
    finding('act', id, {
      verdict: apart || !range ? 'tight' : 'settled',
      title:
        `The ${WHAT[of]} of the ${p.name}, ${once}: ${say(mean)}` +
        (range ? `, the next between ${say(range.low)} and ${say(range.high)}` : '') +
        (apart ? `; the machine is told to take ${set === null ? 'an unknown time' : say(set)}` : ''),
      caption: once,
      value: { value: mean, unit: 's' },
      source: ['repeat-timings'],
      remedy: timedRemedy(job, p, of, apart ? mean : null, range !== null, once),
    }),
    ...tooShort(job, p, range?.high ?? mean, id),
  ];
}

/** The mean that the machine is not told yet is taken over; else more timings are asked for where no spread follows. */
function timedRemedy(
  job: Job,
  p: MachinePart,
  of: 'run' | 'back',
  mean: number | null,
  spread: boolean,
  once: string,
): Remedy | null {
  if (mean !== null && p.id === job.act.parts[0]?.id) {
    const use = Number(mean.toPrecision(4));
    const said = formatQuantity(use, 's');
    const set = of === 'run' ? { runSeconds: use } : { backSeconds: use };
    return {
      text: 'Use the mean of what was timed.',
      label: `Use ${said}`,
      edit: withMachine(job, set, `${WHAT[of]}: ${said}, ${once}`),
    };
  }
  return spread ? null : { text: 'Time it twice more: from one timing no spread follows.' };
}

/** Waits for a sense that end before the machine may be through. */
function tooShort(job: Job, p: MachinePart, most: number, id: string): Finding[] {
  const short = job.act.moves.flatMap((m) =>
    m.steps.flatMap((s, i) =>
      (s.do === 'until' || s.do === 'hold') && s.seconds < most && senseOf(job, s.sense) === p.id
        ? [`step ${i + 1} of ${m.name} waits ${say(s.seconds)} at most`]
        : [],
    ),
  );
  return short.length === 0
    ? []
    : [
        finding('act', `${id}-wait`, {
          verdict: 'tight',
          title: `The ${p.name} may take ${say(most)}, and ${short.join(', ')}`,
          caption: 'waits too short',
          source: ['repeat-timings'],
          remedy: { text: `Let it wait for more than ${say(most)}.` },
        }),
      ];
}

/** Id of the part that a sense tells of. */
const senseOf = (job: Job, sense: string): string | undefined => {
  const s = job.senses.find((x) => x.id === sense);
  return s && (s.part || job.act.parts[0]?.id);
};
