import { LEAST_TIMES, reserveOf } from '../../engines/trace';
import { chosen, computed, derive, derivedLimit, finding, judged, measured, type Finding } from '../../ground/finding';
import { type Job, type MachinePart, type Timing } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { partialPresses } from './between';
import { timedPresses, type TimedPress } from './timed-ways';

const say = (seconds: number): string => formatQuantity(Number(seconds.toPrecision(3)), 's');
const WAY = { run: 'there', back: 'back' } as const;

/** The shortest press that is to carry a part all the way by time alone; null where none does. */
function shortestTimed(job: Job, p: MachinePart, of: Timing['of']): TimedPress | null {
  // What is to stand between its ends is meant to stop short of them.
  const short = p.between === null ? [] : partialPresses(job, p).map((x) => x.name);
  return timedPresses(job, p, of)
    .filter((s) => !short.includes(s.name))
    .reduce<TimedPress | null>((best, s) => (best && best.seconds <= s.seconds ? best : s), null);
}

/**
 * A press that is timed to carry a part from end to end, against the reserve that its timings ask for: mean and spread with the one-sided
 * tolerance factor, 95 % with 95 % confidence. Source: ISO 16269-6.
 */
export function reserveFindings(job: Job, p: MachinePart, of: Timing['of'], values: readonly number[]): Finding[] {
  const step = p.kind === 'travels-while-held' ? shortestTimed(job, p, of) : null;
  if (!step) return [];
  const id = `part.${p.id}.reserve${of === 'run' ? '' : '-back'}`;
  const times = values.length === 1 ? 'once' : `${values.length} times`;
  if (values.length < LEAST_TIMES)
    return [
      finding('act', id, {
        verdict: 'unknown',
        title:
          `${step.name} holds the ${p.name} for ${formatQuantity(step.seconds, 's')} to carry it ${WAY[of]}; ` +
          `it was timed ${times}, and from fewer than three no reserve follows`,
        caption: 'no reserve known',
        source: ['tolerance-factor'],
        remedy: { text: 'Time it three times at least, ten are better; or let a sense end the press.' },
      }),
    ];
  const r = reserveOf(values);
  const what = `timed ${times}`;
  return [
    judged('act', id, {
      title: `${step.name} holds the ${p.name} for long enough to carry it ${WAY[of]}: all but one in twenty, with 95 % confidence`,
      caption: 'reserve of time',
      steps: [
        derive('length of the press', 't_p', 't', 's', [
          chosen('t', step.name, step.seconds, 's', 'set in Act', [0, 3600]),
        ]),
      ],
      limit: derivedLimit(
        'at least',
        [
          derive('reserve', 't_r', 'm + k * s', 's', [
            measured('m', 'mean of what was timed', r.mean, 's', '', what),
            computed('k', `factor of ${r.n}, 95 % / 95 %`, r.factor, '1', 'noncentral t'),
            measured('s', 'spread of what was timed', r.spread, 's', '', what),
          ]),
        ],
        'reserve of what was timed',
      ),
      tightShare: 'met',
      // Shorter than what was seen stops short of the end; shorter than what may come does so now and then.
      verdict: step.seconds < r.most ? 'stop' : step.seconds < r.allow ? 'tight' : 'settled',
      source: ['tolerance-factor', 'rank-of-next'],
      remedy:
        step.seconds < r.allow
          ? { text: `Let it hold for ${say(r.allow)}, time it more often, or let a sense end the press.` }
          : null,
    }),
  ];
}
