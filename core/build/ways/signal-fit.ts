import { atMost, computed, derive, finding, judged, type Finding } from '../../ground/finding';
import type { SignalPlan } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import type { FittedLine } from '../../engines/signal';

/** The unit of a drive signal: volts, hertz or a share. */
export const unitOf = (plan: SignalPlan): 'V' | 'Hz' => (plan.what === 'level' ? 'V' : 'Hz');

/** The gain from the readings, and how well a straight line meets them. */
export function fitFindings(plan: SignalPlan, line: FittedLine | null): Finding[] {
  const way = 'drive-signal';
  const n = new Set(plan.points.map((p) => p.step)).size;
  if (!line)
    return [
      finding('thumb', `${way}.points`, {
        verdict: 'unknown',
        title: `${n} of at least two readings at different steps: the gain follows from them`,
        caption: 'two readings wanted',
        source: ['least-squares'],
        remedy: { text: 'Set the knob to two steps or more, measure the signal at each, and enter the pairs.' },
      }),
    ];
  const unit = unitOf(plan);
  const gain = derive('gain for one step', 'k', 'k_fit', unit, [
    computed('k_fit', 'slope of the line', line.gain, unit, `least squares through ${line.points} readings`),
  ]);
  const out: Finding[] = [
    finding('thumb', `${way}.gain`, {
      verdict: 'settled',
      title: `${formatQuantity(line.gain, unit)} for one step, ${formatQuantity(line.offset, unit)} at step 0`,
      caption: 'gain',
      value: gain.result,
      steps: [gain],
      source: ['least-squares'],
    }),
  ];
  const values = plan.points.map((p) => p.value);
  if (line.points > 2) {
    const share = derive('what the line misses, as a share of the span', 'e', '100 * s / span', '%', [
      computed('s', 'standard deviation of what is left', line.residual, unit, `${line.points} readings`),
      computed('span', 'span of the readings', Math.max(...values) - Math.min(...values), unit, 'readings'),
    ]);
    out.push(
      judged('thumb', `${way}.straight`, {
        title: 'A straight line meets the readings',
        caption: 'straight line',
        steps: [share],
        limit: atMost(3, '%', 'still a straight line', { from: 'source', key: 'gain-fit' }),
        verdict: share.result.value <= 3 ? 'settled' : 'tight',
        remedy:
          share.result.value <= 3
            ? null
            : { text: 'Measure the steps again, or use only the part of the scale that is straight.' },
      }),
    );
  } else
    out.push(
      finding('thumb', `${way}.straight`, {
        verdict: 'tight',
        title: 'Two readings always lie on a line; a third would show whether it is one',
        caption: 'third reading wanted',
        source: ['gain-fit'],
        remedy: { text: 'Measure one more step, in the middle.' },
      }),
    );
  return [...out, ...beyondFinding(plan)];
}

/** A line says nothing of steps over the highest one that was read: the machine's own electronics may end there. */
function beyondFinding(plan: SignalPlan): Finding[] {
  const highest = Math.max(...plan.points.map((p) => p.step));
  if (plan.topStep <= highest) return [];
  return [
    finding('thumb', 'drive-signal.beyond', {
      verdict: 'tight',
      title:
        `Step ${formatQuantity(plan.topStep, '1')} is asked for, and the highest that was read is ` +
        `${formatQuantity(highest, '1')}: what the machine does above it nobody knows`,
      caption: 'over the readings',
      source: ['least-squares'],
      remedy: {
        text: 'Measure the signal at the highest step of the knob, or ask for no more than what was read.',
      },
    }),
  ];
}
