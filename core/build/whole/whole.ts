import type { Facts } from '../../ground/facts';
import type { Job } from '../../ground/job';
import type { Element } from '../../engines/net';
import { isInside } from '../lines';
import { fitted, type Fitted } from './fitted';
import { machineSide, type MachineSide } from './machine-side';
import { handPiece, sensePiece } from './input-pieces';
import type { CircuitPiece, UnreadElement } from './piece';
import { pressPiece } from './presses';
import { programmingLead } from './programming-lead';
import { signPiece } from './sign-piece';
import { statesOf, type State } from './state';
import { supplyPiece } from './supplies';

/** The circuit of a whole job: supplies, pins, drivers, what stands at the controller, and the machine's side as Probe has it. */
export interface WholeCircuit {
  readonly states: readonly State[];
  readonly elements: (state: State) => readonly Element[];
  /** Every part of it with every rating that its kind has. */
  readonly parts: readonly Fitted[];
  /** Elements that rest on what nobody read or confirmed. */
  readonly guesses: readonly UnreadElement[];
  /** Presses whose way is no circuit of pins and terminals, by name: their own findings judge them. */
  readonly apart: readonly string[];
}

/** Without a board nothing is known of its inputs' pulls, Ω: common practice. */
const WEAK: readonly [number, number] = [30e3, 100e3];

/** Builds the circuit of a job. Pure; a part that lacks a rating of its kind is an error. */
export function wholeCircuit(job: Job, facts: Facts, weakOhms: readonly [number, number] = WEAK): WholeCircuit {
  const states = statesOf(job, facts);
  const supplies = supplyPiece(job, facts);
  const sides = new Map<string, MachineSide | null>();
  const pieces: CircuitPiece[] = [supplies];
  const apart: string[] = [];
  for (const press of facts.presses) {
    const control = job.controls.find((c) => c.id === press.control);
    if (control && !sides.has(control.id)) {
      const side = machineSide(control, facts.controls[control.id]);
      sides.set(control.id, side);
      if (side) pieces.push(side);
    }
    const piece = pressPiece(job, facts, press, (control && sides.get(control.id)) ?? null, supplies, states);
    if (piece) pieces.push(piece);
    else apart.push(press.name);
  }
  const { drive } = facts;
  const lead = programmingLead(job, facts, supplies);
  if (lead) pieces.push(lead);
  if (drive) {
    const wired = ({ id }: { readonly id: string }): boolean => !isInside(job, drive.module, id);
    pieces.push(...job.signs.filter(wired).map((s) => signPiece(job, s, drive)));
    const weak = { low: weakOhms[0], nominal: Math.sqrt(weakOhms[0] * weakOhms[1]), high: weakOhms[1] };
    pieces.push(
      ...job.senses.flatMap((s) => sensePiece(s, drive, weak) ?? []),
      ...job.hands.filter(wired).flatMap((h) => handPiece(h, drive, weak) ?? []),
    );
  }
  return {
    states,
    elements: (state) => pieces.flatMap((p) => p.elements(state)),
    parts: pieces.flatMap((p) => p.parts).map(fitted),
    guesses: pieces.flatMap((p) => p.guesses ?? []),
    apart,
  };
}
