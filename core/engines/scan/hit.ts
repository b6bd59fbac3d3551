import { itemAt } from '../../ground/lists';
import { constant, derive, inPlan, type Input, type Origin, type Step } from '../../ground/finding';
import type { ScanPlan } from '../../ground/job';

/** Standard normal deviate that 95 % stay below. */
const Z95 = 1.645;

/**
 * Share of scans in which a controller that answers by software drives its line in time; steps, the last one is the
 * share. Times in seconds.
 */
export function hitSteps(
  plan: ScanPlan,
  widthSeconds: number,
  width: Origin,
  given: (key: keyof ScanPlan) => Origin = () => ({ from: 'maker', what: 'set in Thumb' }),
): Step[] {
  const set = (symbol: string, name: string, key: 'leadSeconds' | 'mostSeconds' | 'medianSeconds'): Input =>
    inPlan({ symbol, name, value: plan[key], unit: 's', origin: given(key) }, `scan.${key}`);
  const room = derive('time left for the answer', 't_room', 'w - t_lead', 's', [
    { symbol: 'w', name: 'strobe width', value: widthSeconds, unit: 's', origin: width },
    set('t_lead', 'the machine looks this long before the strobe ends', 'leadSeconds'),
  ]);
  const spread = derive('spread of the response, in logarithms', 's', 'ln(t_95 / t_50) / z', '1', [
    set('t_95', 'response that 95 % stay below', 'mostSeconds'),
    set('t_50', 'median response', 'medianSeconds'),
    constant('z', 'normal deviate of 95 %', Z95, '1', 'log-normal'),
  ]);
  const hit = derive('share of scans answered in time', 'p', 'Φ(ln(max(t_room, c) / t_50) / max(s, c_s))', '1', [
    { symbol: 't_room', name: room.what, value: room.result.value, unit: 's', origin: { from: 'step' } },
    set('t_50', 'median response', 'medianSeconds'),
    { symbol: 's', name: spread.what, value: spread.result.value, unit: '1', origin: { from: 'step' } },
    constant('c', 'least time that counts', 1e-9, 's', 'log-normal'),
    constant('c_s', 'least spread that counts', 1e-3, '1', 'log-normal'),
  ]);
  return [room, spread, hit];
}

/** The same share as a plain number, for a curve over strobe widths. */
export const hitChance = (plan: ScanPlan, widthSeconds: number): number =>
  itemAt(hitSteps(plan, widthSeconds, { from: 'maker', what: 'strobe width' }), 2).result.value;
