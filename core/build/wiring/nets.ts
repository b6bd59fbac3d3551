import type { ControlFact } from '../../ground/facts';
import { terminalKey } from '../ends';
import type { Job, Strip } from '../../ground/job';

/** A conductor of less than this joins two terminals, Ω. */
const JOINED_OHMS = 1;

/**
 * Which terminals of a job stand on one potential: the sides of controls that were read as the machine's ground, terminals of a
 * strip that two controls share, and those of a strip that a meter found joined. Terminals that nobody read are in no net.
 * @returns the net of each terminal by its key, as `ground` or `back 3`.
 */
export function netsOf(job: Job, facts: Readonly<Record<string, ControlFact>>): ReadonlyMap<string, string> {
  const nets = new Map<string, string>();
  for (const control of job.controls) {
    const fact = facts[control.id];
    const strip = job.survey.strips.find((s) => s.id === control.strip);
    const [a, b] = control.terminals;
    for (const letter of ['A', 'B'] as const) {
      const name = terminalKey({ control: control.id, letter });
      const terminal = letter === 'A' ? a : b;
      if (strip && terminal !== undefined) nets.set(name, joinedTo(job, strip, terminal));
      else if (fact?.kind && fact.farSide === 'ground' && fact.signal !== letter) nets.set(name, 'ground');
    }
  }
  return nets;
}

/** A strip's terminal by the lowest number that it was found joined to. */
function joinedTo(job: Job, strip: Strip, n: number): string {
  const reached = new Set([n]);
  const joins = job.readings.filter(
    (r) => r.control === strip.id && !r.struck && r.kind === 'ohms' && r.relation !== '>' && r.value < JOINED_OHMS,
  );
  for (let grown = true; grown;) {
    grown = false;
    for (const r of joins) {
      const [a, b] = [Number(r.from.name), Number(r.to.name)];
      if (reached.has(a) !== reached.has(b)) {
        reached.add(a).add(b);
        grown = true;
      }
    }
  }
  return `${strip.name} ${Math.min(...reached)}`;
}
