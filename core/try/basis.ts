import type { Job } from '../job';

/** FNV-1a, 32 bits, twice with different beginnings: short, and the same everywhere. Not a guard against ill will. */
function hash(text: string, begin: number): string {
  let h = begin;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return h.toString(16).padStart(8, '0');
}

/**
 * What a trial rests on: control, way, parts, resistor, the plan of the way, wiring, pins, supply, script, what ends a
 * press, and whether anything fires unarmed. A change of any voids it.
 */
export function basisOf(job: Job): string {
  const { thumb, board, feed, act, guard, routine } = job;
  const {
    wishes: _wishes,
    stock: _stock,
    currency: _currency,
    machines: _machines,
    given: _given,
    colours: _colours,
    ...joint
  } = thumb;
  const text = JSON.stringify([
    joint,
    board,
    feed.volts,
    feed.rail,
    act.script,
    guard.cutOff,
    routine.sentences.some((s) => !s.ifArmed),
  ]);
  return hash(text, 0x811c9dc5) + hash(text, 0x9747b28c);
}
