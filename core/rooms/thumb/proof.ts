import { present } from '../../ground/lists';
import {
  NOMINAL_PARTS,
  PRESS_TIMES,
  PULL_DOWN_OHMS,
  pressNetlist,
  readPress,
  settledLevels,
  type Joint,
  type PressReading,
  type PressWave,
} from '../../engines/circuit';
import type { PartKind } from '../../ground/job';
import { boundsOf, takenPart } from '../../engines/parts';
import {
  jointOf,
  leakageOf,
  onOhmsOf,
  OPTO_AGEING,
  RESISTOR_SHARE,
  type WayContext,
  type WayResult,
} from '../../build/ways';

/** Gain of an optocoupler's transistor at its least (`parts-opto`). */
const LEAST_GAIN = 100;

/** One simulated press to be asked for: the joint, its netlist, and the levels that the machine obeys. */
export interface ProofCase {
  readonly corner: 'nominal' | 'worst' | 'idle';
  readonly joint: Joint;
  readonly netlist: string;
  readonly id: string;
}

/** What a case came to, beside the closed form. */
export interface ProofResult {
  readonly corner: ProofCase['corner'];
  readonly wave: PressWave;
  readonly read: PressReading;
  readonly closedForm: { readonly pressed: number; readonly idle: number };
  /** Largest difference of a settled level from the closed form, as a share of the supply. */
  readonly apart: number;
}

/** The corner in which the pressed level is worst: strong supply and pull, weak drive, tired parts. */
function worstOf(c: WayContext, nominal: Joint): Joint {
  const line = present(c.line);
  const low = (kind: PartKind, key: string): number => boundsOf(takenPart(c.job, kind), key).low;
  const high = (kind: PartKind, key: string): number => boundsOf(takenPart(c.job, kind), key).high;
  return {
    ...nominal,
    supplyVolts: line.supply.range.high,
    pullOhms: line.pull.range.low,
    pinHighVolts: c.drive.highVolts.low,
    seriesOhms: nominal.seriesOhms * (1 + RESISTOR_SHARE),
    onOhms: onOhmsOf(c, nominal.way).high,
    gainForward: nominal.way === 'npn-to-ground' ? low('npn', 'gain') : LEAST_GAIN,
    gainReverse: NOMINAL_PARTS.gainReverse / 2,
    transferRatio: low('optocoupler', 'transfer') * OPTO_AGEING,
    groundWireOhms: nominal.groundWireOhms * 2,
    thresholdVolts: high('nmos', 'thresholdVolts'),
    // A module that presses on low is worst where its drop is least: it may then stay pulled in. One that presses on
    // high, where it is most.
    moduleDropVolts: nominal.moduleOnLow ? low('relay-module', 'dropVolts') : high('relay-module', 'dropVolts'),
  };
}

/** The corner in which the idle level is worst: weak supply and pull, everything that leaks warm and at its most. */
const idleWorst = (c: WayContext, nominal: Joint): Joint => ({
  ...nominal,
  supplyVolts: present(c.line).supply.range.low,
  pullOhms: present(c.line).pull.range.high,
  leakAmps: leakageOf(c, nominal.way).high,
  pinHighVolts: c.drive.highVolts.low,
  ...(nominal.moduleOnLow ? { moduleDropVolts: boundsOf(takenPart(c.job, 'relay-module'), 'dropVolts').low } : {}),
});

/**
 * The presses that prove a way: at nominal values, at the worst corner of the pressed level, and at that of the idle
 * level. Empty where there is no line to simulate.
 */
export function proofCases(c: WayContext, way: WayResult, id: string): ProofCase[] {
  const nominal = jointOf(c, way);
  if (!nominal) return [];
  const pullDown = c.press.pullDown ? PULL_DOWN_OHMS : null;
  return (
    [
      ['nominal', nominal],
      ['worst', worstOf(c, nominal)],
      ['idle', idleWorst(c, nominal)],
    ] as const
  ).map(([corner, joint]) => ({
    corner,
    joint,
    id: `${id}-${corner}`,
    netlist: pressNetlist(joint, `${id}-${corner}`, pullDown),
  }));
}

/** The levels that the machine takes for pressed and for idle. */
export const proofLevels = (c: WayContext): { low: boolean; lowBelow: number; highAbove: number } => ({
  low: present(c.line).polarity === 'low',
  lowBelow: present(c.line).lowBelow.volts,
  highAbove: present(c.line).highAbove.volts,
});

/**
 * Reads a simulated press and holds it against the closed form.
 * Throws RangeError where the wave ends before the press does: the simulator gave up on the way.
 */
export function proofResult(c: WayContext, proof: ProofCase, wave: PressWave): ProofResult {
  const last = wave.seconds[wave.seconds.length - 1] ?? 0;
  if (last < PRESS_TIMES.end * 0.999)
    throw new RangeError(`the simulation ended after ${(1000 * last).toFixed(1)} ms of ${1000 * PRESS_TIMES.end}`);
  const { low, lowBelow, highAbove } = proofLevels(c);
  const read = readPress(wave, low, lowBelow, highAbove);
  const closedForm = settledLevels(proof.joint);
  const apart =
    Math.max(Math.abs(read.pressedVolts - closedForm.pressed), Math.abs(read.idleVolts - closedForm.idle)) /
    proof.joint.supplyVolts;
  return { corner: proof.corner, wave, read, closedForm, apart };
}
