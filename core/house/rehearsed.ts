import type { BenchRun, Rehearsed } from '../engines/rehearsal';

/** The file that is rehearsed. */
export const REHEARSED_FILE = 'main.py';
/** Times that differ by less are the same, ms: what falls into one instant has no order. */
const SAME_MS = 2;
/** A stretch in which a pin presses, ms. */
export type Pressed = readonly (readonly [from: number, to: number])[];
/** What one pin is to do and what it did; a pin that presses two sides or directions has a lane for each. */
export interface RehearsedLane {
  readonly pin: number;
  readonly name: string;
  /** The levels that press; of a servo the widths of its pulses, ns. */
  readonly levels: readonly number[];
  /** The pin that says which way, and its level for this one; null where none does. */
  readonly way: { readonly pin: number; readonly level: number } | null;
  readonly planned: Pressed;
  readonly found: Pressed;
}
/** Where file and plan part first. */
export interface FirstParting {
  readonly at: number;
  readonly name: string;
  /** What the plan has there, and what the file did. */
  readonly planned: boolean;
  readonly line: number | null;
}

/** A day of a job as it is rehearsed: what comes from outside, and what its pins are to do. */
export interface Rehearsal {
  readonly bench: BenchRun;
  /** The day, and the zone that its clock is in. */
  readonly date: string;
  readonly zone: string;
  readonly lanes: readonly Omit<RehearsedLane, 'found'>[];
}

/** Stretches from edges; those that touch are one, those of no length none. */
export function spansOf(edges: readonly (readonly [at: number, on: number])[]): Pressed {
  const out: [number, number][] = [];
  for (const [at, on] of edges) {
    const last = out.at(-1);
    if (on === 1 && last?.[1] !== Infinity) {
      if (last && last[1] === at) last[1] = Infinity;
      else out.push([at, Infinity]);
    } else if (on === 0 && last?.[1] === Infinity) last[1] = at;
  }
  return out.filter(([from, to]) => to > from);
}

/** The lanes of a rehearsal, with what the file did on each pin. */
export const lanesOf = (r: Rehearsal, ran: Rehearsed): RehearsedLane[] =>
  r.lanes.map((lane) => {
    const spans = spansOf(
      ran.written.filter((w) => w.pin === lane.pin).map((w) => [w.at, lane.levels.includes(w.level) ? 1 : 0] as const),
    );
    const { way } = lane;
    if (!way) return { ...lane, found: spans };
    const stands = (at: number): number | undefined =>
      ran.written.findLast((w) => w.pin === way.pin && w.at <= at)?.level;
    return { ...lane, found: spans.filter(([from]) => stands(from) === way.level) };
  });

/**
 * Where the file parts from the plan first; null where it never does. A thermometer is read every two seconds: so much later is no other.
 */
export function firstParting(r: Rehearsal, ran: Rehearsed): FirstParting | null {
  const slack = r.bench.events.some((e) => e.what === 'degrees') ? 3000 : SAME_MS;
  const partings = lanesOf(r, ran).flatMap((lane): FirstParting[] => {
    const [planned, found] = [edgesOf(lane.planned, ran.at), edgesOf(lane.found, ran.at)];
    const i = Array.from({ length: Math.max(planned.length, found.length) }, (_, k) => k).find(
      (k) => Math.abs((planned[k] ?? Infinity) - (found[k] ?? -Infinity)) > slack,
    );
    if (i === undefined) return [];
    const at = Math.min(planned[i] ?? Infinity, found[i] ?? Infinity);
    // Every second edge lets go. Who is first to change has it wrong, or has it right and the other one missed it.
    const presses = i % 2 === 0;
    const byPlan = at === planned[i];
    return [{ at, name: lane.name, planned: byPlan ? presses : !presses, line: lineOf(r, lane.pin) }];
  });
  return partings.sort((x, y) => x.at - y.at)[0] ?? null;
}

/** When a pin presses and lets go, in turn, ms; what a run did not come to is left out. */
const edgesOf = (spans: Pressed, until: number): readonly number[] =>
  spans.flat().filter((t) => t < Infinity && t <= until);

/** The line of the file that names a pin among those that press. */
function lineOf(r: Rehearsal, pin: number): number | null {
  const lines = (r.bench.files[REHEARSED_FILE] ?? '').split('\n');
  const from = Math.max(
    0,
    lines.findIndex((l) => l.startsWith('CONTACTS')),
  );
  const row = lines.slice(from).findIndex((l) => l.trimStart().startsWith(`(${pin},`));
  return row < 0 ? null : from + row + 1;
}
