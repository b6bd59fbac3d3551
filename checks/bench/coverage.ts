// Whether what Probe states of values holds on boards that it was not drawn from: truth by nodal analysis, without any meter.
import type { ControlKind } from '../../core/ground/job';
import { surveyOf } from '../../core/rooms/probe';
import type { Phase } from './board';
import type { Went } from './drive';
import { steady, type Part } from './solve';

/** Nearly a wire, and nearly nothing, Ω. */
const WIRE_OHMS = 1e-3;
/** What the room and the pins of a board take beside what is meant, as a share: bounds are of the meter and of the reading. */
const BESIDE = 0.02;
/** Kinds with one contact and a steady voltage across it. */
const STEADY: readonly ControlKind[] = [
  'low-when-pressed',
  'high-when-pressed',
  'ladder',
  'dry-pair',
  'latching-switch',
];
const OPEN_VOLTS: readonly string[] = ['supplyVolts', 'loopVolts'];
const BEHIND: readonly string[] = ['pullUpOhms', 'pullDownOhms', 'loopOhms'];

/** What a steady source counts as none beside what alternates, V. */
const STEADY_VOLTS = 0.3;

/** Volts across both terminals with so many ohms between them, over all that the source goes through: its mean, or r.m.s. without one. */
function across(phases: readonly Phase[], ohms?: number): number {
  const at = phases.map(({ share, parts }) => {
    const loaded: readonly Part[] = ohms === undefined ? parts : [...parts, { is: 'r', a: 'A', b: 'B', ohms }];
    return { share, volts: steady([...loaded], 'A', 'B') };
  });
  const mean = at.reduce((sum, p) => sum + p.share * p.volts, 0);
  const alternates = ohms === undefined ? Math.abs(mean) < STEADY_VOLTS : Math.abs(across(phases)) < STEADY_VOLTS;
  return alternates ? Math.sqrt(at.reduce((sum, p) => sum + p.share * p.volts ** 2, 0)) : Math.abs(mean);
}

/** The truth of an estimate, or undefined where this bench tells none. */
function truthOf(name: string, phases: readonly Phase[]): number | undefined {
  const open = across(phases);
  const amps = across(phases, WIRE_OHMS) / WIRE_OHMS;
  if (OPEN_VOLTS.includes(name)) return open;
  if (name === 'loopAmps') return amps;
  return BEHIND.includes(name) ? open / amps : undefined;
}

/** Values that were stated from readings of boards whose kind was rightly known, and how many of them hold, by name. */
export function coverageOf(went: readonly Went[]): Record<string, { held: number; of: number }> {
  const out: Record<string, { held: number; of: number }> = {};
  for (const w of went) {
    const { kind, battery } = w.bench.control;
    if (w.end !== 'known' || w.kind !== kind || !STEADY.includes(kind) || battery) continue;
    const phases = w.bench.control.phases('idle');
    for (const [name, e] of Object.entries(surveyOf(w.job, 'it').candidates[0]!.estimates)) {
      const truth = e.steps.length > 0 ? truthOf(name, phases) : undefined;
      if (truth === undefined) continue;
      const row = (out[name] ??= { held: 0, of: 0 });
      row.of++;
      if (truth >= e.value.low * (1 - BESIDE) && truth <= e.value.high * (1 + BESIDE)) row.held++;
    }
  }
  return out;
}
