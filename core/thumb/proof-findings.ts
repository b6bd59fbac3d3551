import { atLeast, atMost, chosen, derive, finding, judged, type Finding } from '../finding';
import { proofLevels, type ProofResult } from './proof';
import type { ToleranceResult } from './tolerance';
import type { WayContext } from './way';

/** The simulated levels of one corner as findings, so that each can be opened: value, limit, closed form beside it. */
export function proofFindings(c: WayContext, r: ProofResult): { pressed: Finding; idle: Finding } {
  const { low, lowBelow, highAbove } = proofLevels(c);
  const where = r.corner === 'worst' ? 'at the worst corner' : 'at nominal values';
  const of = (id: 'pressed' | 'idle', volts: number, form: number): Finding => {
    const down = low === (id === 'pressed');
    const limit = down ? atMost(lowBelow, 'V', c.line!.lowBelow.name, c.line!.lowBelow.origin) : atLeast(highAbove, 'V', c.line!.highAbove.name, c.line!.highAbove.origin);
    const step = derive(`${id} level, simulated ${where}`, 'V_sim', 'V_form + d', 'V', [
      chosen('V_form', 'the same in closed form', form, 'V', 'worked out from the same values'), chosen('d', 'what the simulation adds', volts - form, 'V', 'mean of the settled part of the simulated press'),
    ]);
    return judged('thumb', `proof.${r.corner}.${id}`, { title: `${id === 'pressed' ? 'Pressed' : 'Idle'} level ${where}, simulated`, caption: 'proof', steps: [step], limit, source: ['ngspice', 'line-filter', 'relay-moves'], tightShare: 0.1, span: c.line!.supply.range.high });
  };
  return { pressed: of('pressed', r.read.pressedVolts, r.closedForm.pressed), idle: of('idle', r.read.idleVolts, r.closedForm.idle) };
}

/** The yield of scattered parts as a finding that can be opened. */
export function toleranceFinding(t: ToleranceResult): Finding {
  const step = derive('joints that are obeyed', 'Y', '100 * n_ok / n', '%', [chosen('n_ok', 'obeyed', t.yield * t.draws, '1', 'closed form, each value drawn between its bounds, likeliest at nominal'), chosen('n', 'drawn', t.draws, '1', 'seed of this joint')]);
  return judged('thumb', 'proof.yield', {
    title: `Of ${t.draws} joints from parts within their tolerances, those that the machine obeys`, caption: 'yield', steps: [step], limit: atLeast(99.9, '%', 'one in a thousand may fail', { from: 'source', key: 'yield-wanted' }), tightShare: 0, source: ['ebers-moll', 'ohm'],
  });
}

/** The least margin of all draws as a finding. */
export function leastMarginFinding(t: ToleranceResult): Finding {
  return finding('thumb', 'proof.margin', { verdict: t.leastMargin > 0.05 ? 'settled' : t.leastMargin > 0 ? 'tight' : 'stop', title: 'Least distance of a level from the machine’s limit over all draws, as a share of the supply', caption: 'least margin', value: { value: 100 * t.leastMargin, unit: '%' }, source: ['ohm', 'yield-wanted'] });
}
