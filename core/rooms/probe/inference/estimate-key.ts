import { present } from '../../../ground/lists';
import { carried, chosen, derive } from '../../../ground/finding';
import type { Reading } from '../../../ground/job';
import type { Interval } from '../../../ground/quantity';
import { shareWith } from './grid-estimate';
import { type Estimate, type EstimateReadings, input, latest } from './estimate-parts';

/** What two readings of one divider leave open, as a share; a frequency that is none, Hz; a pad may sleep from this probability on. */
const DIVIDER_SPREAD = 0.03;
const LEAST_HERTZ = 1e-9;
const MAY_SLEEP = 0.05;

/** This button's resistor of a ladder, read unplugged. */
export function keyUnplugged(s: EstimateReadings, out: Record<string, Estimate>): void {
  const other = s.signal === 'A' ? 'B' : 'A';
  const direct = latest(
    s.usable.filter((r) => r.kind === 'ohms' && r.state === 'off' && r.from.name === other && r.to.kind === 'ground'),
  );
  if (!direct) return;
  const [low, high] = s.bounds(direct);
  out['keyOhms'] = {
    value: { low: Math.max(0, low), nominal: direct.value, high },
    steps: [derive('resistor of this button, unplugged', 'R_key', 'R', 'Ω', [input('R', direct)])],
    at: direct.at,
  };
}

/** The same from the divider while the button is held. */
export function keyFromDivider(s: EstimateReadings, out: Record<string, Estimate>): void {
  const held = latest(
    s.usable.filter(
      (r) => r.kind === 'volts-dc' && r.state === 'pressed' && r.from.name === s.signal && r.to.kind === 'ground',
    ),
  );
  const supply = present(out['supplyVolts']).value;
  const pull = present(out['pullUpOhms']);
  if (!held || held.value >= supply.low) return;
  const step = derive('resistor of this button, from the divider', 'R_key', 'R * V / (V_CC - V)', 'Ω', [
    chosen('R', 'pull-up', pull.value.nominal, 'Ω', 'estimated beside this'),
    chosen('V_CC', 'supply', supply.nominal, 'V', 'estimated beside this'),
    input('V', held),
  ]);
  const share = step.result.value / pull.value.nominal;
  out['keyOhms'] = {
    value: {
      low: pull.value.low * share * (1 - DIVIDER_SPREAD),
      nominal: step.result.value,
      high: pull.value.high * share * (1 + DIVIDER_SPREAD),
    },
    steps: [step],
    at: held.at,
    ...(pull.steps.length === 0 || pull.guessed ? { guessed: true } : {}),
  };
}

/** Period and width of the pulses, from a counter and from the mean of the line. */
export function scanTimes(s: EstimateReadings, out: Record<string, Estimate>): void {
  const f = latest(s.usable.filter((r) => r.kind === 'hertz' && r.value > 0));
  if (!f) return;
  const [low, high] = s.bounds(f);
  const period = derive('period', 'T', '1 / f', 's', [input('f', f)]);
  out['periodSeconds'] = {
    value: { low: 1 / high, nominal: period.result.value, high: 1 / Math.max(low, LEAST_HERTZ) },
    steps: [period],
    at: f.at,
  };
  // One that sleeps shows nothing of its pulses while nobody presses.
  if (
    s.kind === 'encoder' ||
    (s.kind === 'scanned-matrix' && shareWith(s.kind, s.p, (b) => b.layout === 'asleep') > MAY_SLEEP)
  )
    return;
  const low_ = shareWith(s.kind, s.p, (b) => b.flag) >= 0.5 || s.kind === 'serial-bus';
  const duty = latest(
    s.usable.filter((r) => r.kind === 'duty' && r.value > 0 && r.value < 1 && r.from.name === s.signal),
  );
  const mean = latest(
    s.usable.filter(
      (r) => r.kind === 'volts-dc' && r.state === 'idle' && r.from.name === s.signal && r.to.kind === 'ground',
    ),
  );
  const supply = present(out['supplyVolts']).value;
  const width = duty
    ? derive('width of a pulse', 'w', low_ ? 'T * (1 - D)' : 'T * D', 's', [carried(period), input('D', duty)])
    : mean &&
      derive('width of a pulse, from the mean of the line', 'w', low_ ? 'T * (1 - V / V_CC)' : 'T * V / V_CC', 's', [
        carried(period),
        input('V', mean),
        chosen('V_CC', 'supply', supply.nominal, 'V', 'estimated beside this'),
      ]);
  if (!width || width.result.value <= 0) return;
  // The short part is what is left of nearly the whole: a small error of the share or of the mean is a large one of the width.
  const [shortest, longest] = shareBounds(s, duty, mean, supply, low_);
  const T = present(out['periodSeconds']).value;
  out['widthSeconds'] = {
    value: { low: T.low * shortest, nominal: width.result.value, high: T.high * longest },
    steps: [period, width],
    at: present(duty ?? mean).at,
  };
}

/** Bounds of the pulse's share of the period, from the counter's share or from the mean of the line. */
function shareBounds(
  s: EstimateReadings,
  duty: Reading | undefined,
  mean: Reading | undefined,
  supply: Interval,
  low: boolean,
): [number, number] {
  const clamp = (x: number): number => Math.min(1, Math.max(0, x));
  const [a, b] = duty
    ? s.bounds(duty)
    : [s.bounds(present(mean))[0] / supply.high, s.bounds(present(mean))[1] / supply.low];
  return low ? [clamp(1 - b), clamp(1 - a)] : [clamp(a), clamp(b)];
}
