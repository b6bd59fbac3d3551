import { present } from '../../ground/lists';
import { PRESS_TIMES } from '../../engines/circuit';
import { atLeast, atMost, computed, derive, finding, judged, type Finding } from '../../ground/finding';
import { proofLevels, type ProofResult } from './proof';
import type { ToleranceResult } from './tolerance';
import { levelLimit, type WayContext } from '../../build/ways';

/** The corners of a proof in words. */
export const CORNER_WORDS: Readonly<Record<ProofResult['corner'], string>> = {
  nominal: 'at nominal values',
  worst: 'at the worst corner, pressed',
  idle: 'at the worst corner, idle',
};

/** The simulated levels of one corner as findings, so that each can be opened: value, limit, closed form beside it. */
export function proofFindings(c: WayContext, r: ProofResult): { pressed: Finding; idle: Finding } {
  const { low } = proofLevels(c);
  const where = CORNER_WORDS[r.corner];
  const of = (id: 'pressed' | 'idle', volts: number, form: number): Finding => {
    const down = low === (id === 'pressed');
    const limit = down
      ? levelLimit('at most', present(c.line).lowBelow)
      : levelLimit('at least', present(c.line).highAbove);
    const step = derive(`${id} level, simulated ${where}`, 'V_sim', 'V_form + d', 'V', [
      computed('V_form', 'the same in closed form', form, 'V', 'worked out from the same values'),
      computed('d', 'what the simulation adds', volts - form, 'V', 'mean of the settled part of the simulated press'),
    ]);
    return judged('thumb', `proof.${r.corner}.${id}`, {
      title: `${id === 'pressed' ? 'Pressed' : 'Idle'} level ${where}, simulated`,
      caption: 'proof',
      steps: [step],
      limit,
      source: ['ngspice', 'line-filter', 'relay-moves'],
      tightShare: 0.1,
      span: present(c.line).supply.range.high,
    });
  };
  return {
    pressed: of('pressed', r.read.pressedVolts, r.closedForm.pressed),
    idle: of('idle', r.read.idleVolts, r.closedForm.idle),
  };
}

/** The yield of scattered parts as a finding that can be opened. */
export function toleranceFinding(t: ToleranceResult): Finding {
  const step = derive('joints that are obeyed', 'Y', '100 * n_ok / n', '%', [
    computed(
      'n_ok',
      'obeyed',
      t.yield * t.draws,
      '1',
      'closed form, each value drawn between its bounds, likeliest at nominal',
    ),
    computed('n', 'drawn', t.draws, '1', 'seed of this joint'),
  ]);
  return judged('thumb', 'proof.yield', {
    title: `Of ${t.draws} joints from parts within their tolerances, those that the machine obeys`,
    caption: 'yield',
    steps: [step],
    limit: atLeast(99.9, '%', 'one in a thousand may fail', { from: 'source', key: 'yield-wanted' }),
    tightShare: 'met',
    source: ['ebers-moll', 'ohm'],
  });
}

/** The least margin of all draws as a finding, worked out from the draw that came closest. */
export function leastMarginFinding(t: ToleranceResult): Finding {
  const { level, limit, supply, side } = t.closest;
  const step = derive(
    'distance of the closest level from the limit, as a share of the supply',
    'm',
    side === 'below' ? '100 * (V_lim - V) / V_s' : '100 * (V - V_lim) / V_s',
    '%',
    [
      computed('V', 'level of the closest draw', level, 'V', 'closed form, from the drawn values'),
      computed('V_lim', `the machine wants it ${side}`, limit, 'V', 'what the machine takes for low or high'),
      computed('V_s', 'supply of that draw', supply, 'V', 'drawn between its bounds'),
    ],
  );
  return judged('thumb', 'proof.margin', {
    title: `Least distance of a level from the machine’s limit over ${t.draws} draws`,
    caption: 'least margin',
    steps: [step],
    limit: atLeast(0, '%', 'the limit itself', { from: 'source', key: 'yield-wanted' }),
    span: 100,
    source: ['ohm', 'ebers-moll'],
  });
}

/** How much each value moves the margin, as findings that can be opened; largest first. */
export function sensitivityFindings(t: ToleranceResult): Finding[] {
  const sum = t.sensitivity.reduce((s, x) => s + x.correlation ** 2, 0);
  return t.sensitivity.map(({ name, correlation }, i) => {
    const step = derive(`share of ${name}`, 'q', '100 * r^2 / S', '%', [
      computed('r', 'its correlation with the margin', correlation, '1', `over ${t.draws} draws`),
      computed('S', 'sum of the squares of all', sum || 1, '1', `over ${t.draws} draws`),
    ]);
    return finding('thumb', `proof.moves-${i}`, {
      verdict: 'settled',
      title: `${name}: how much it moves the margin`,
      caption: name,
      value: step.result,
      steps: [step],
      source: ['least-squares'],
    });
  });
}

const SPANS = {
  chatter: ['Chatter: from first seen to steady', 'the line holds from here on', 'the line is first seen'],
  pressEdge: ['Edge of the press, 10 to 90 %', 'nine tenths of the swing', 'a tenth of it'],
  releaseEdge: ['Last edge of the release, 10 to 90 %', 'nine tenths of the swing', 'a tenth of it'],
} as const;

/** One duration read off a simulated press as a finding; null where the line never gets there. */
export function proofSpan(r: ProofResult, span: keyof typeof SPANS): Finding | null {
  const seconds = r.read[span];
  if (seconds === null) return null;
  const [title, last, first] = SPANS[span];
  const began = span === 'chatter' ? PRESS_TIMES.press + present(r.read.seenAfter) : 0;
  const step = derive(title, 't', 't_2 - t_1', 's', [
    computed(
      't_2',
      last,
      began + seconds,
      's',
      span === 'chatter' ? 'read off the simulated press' : 'interpolated between samples, from the edge’s beginning',
    ),
    computed('t_1', first, began, 's', 'read off the simulated press'),
  ]);
  return finding('thumb', `proof.${r.corner}.${span}`, {
    verdict: 'settled',
    title: `${title}, simulated ${CORNER_WORDS[r.corner]}`,
    caption: 'proof',
    value: step.result,
    steps: [step],
    source: ['ngspice', 'line-filter', 'relay-moves'],
  });
}

const MOMENTS = {
  seenAfter: ['Press seen after', 'first sample beyond the machine’s level', PRESS_TIMES.press],
  steadyAfter: ['Press steady after', 'sample from which the level holds until release', PRESS_TIMES.press],
  goneAfter: ['Press gone after', 'sample from which the line stays on its idle side', PRESS_TIMES.release],
} as const;

/** One time read off a simulated press, from the pin's edge, as a finding; null where the line never gets there. */
export function proofTime(r: ProofResult, moment: keyof typeof MOMENTS): Finding | null {
  const after = r.read[moment];
  if (after === null) return null;
  const [title, sample, edge] = MOMENTS[moment];
  const step = derive(title, 't', 't_line - t_pin', 's', [
    computed('t_line', sample, edge + after, 's', 'read off the simulated press'),
    computed('t_pin', 'edge of the pin', edge, 's', 'the simulated course of events'),
  ]);
  return finding('thumb', `proof.${r.corner}.${moment}`, {
    verdict: 'settled',
    title: `${title}, simulated ${CORNER_WORDS[r.corner]}`,
    caption: 'proof',
    value: step.result,
    steps: [step],
    source: ['ngspice', 'line-filter', 'relay-moves'],
  });
}

/** How far simulation and closed form lie apart, at most over all corners, as a share of the supply. */
export function agreementFinding(results: readonly ProofResult[]): Finding {
  const apart = Math.max(...results.map((r) => r.apart));
  const step = derive('largest difference over idle and pressed, all corners', 'e', '100 * d', '%', [
    computed(
      'd',
      'largest difference, as a share of the supply',
      apart,
      '1',
      'simulated level less the closed form, over the supply',
    ),
  ]);
  return judged('thumb', 'proof.agreement', {
    title: 'Closed form and simulation, apart',
    caption: 'agreement',
    steps: [step],
    limit: atMost(2, '%', 'counts as agreeing', { from: 'source', key: 'proof-agrees' }),
    tightShare: 'met',
    source: ['ngspice', 'ohm', 'ebers-moll'],
  });
}
