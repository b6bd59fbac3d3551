import { predict, type Build, type ReadingSpec } from '../circuit';
import type { Meter } from '../../ground/job';
import type { Random } from '../../ground/quantity';

/** What an ohmmeter meets at a cut, and a part that is as good as not there, Ω. */
const OPEN_OHMS = 2e9;
const FLOATING_OHMS = 1e9;

/** What can be wrong with a control: a contact that needs several tries, or a trace that no longer joins. */
export type StandinFault =
  | { readonly fault: 'dirty-contact'; /** Ohms it may add, log-uniform. */ readonly upToOhms: number }
  | { readonly fault: 'broken-trace'; readonly terminal: 'A' | 'B' };

/** What each fault of a stand-in is called. */
export const STANDIN_FAULT_WORDS: Readonly<Record<StandinFault['fault'], string>> = {
  'dirty-contact': 'a dirty contact: every press closes with another resistance',
  'broken-trace': 'a broken trace: one terminal no longer reaches the board',
};

/** The build as it is at this very press. */
export function afflicted(build: Build, faults: readonly StandinFault[], random: Random): Build {
  const dirty = faults.find((f) => f.fault === 'dirty-contact');
  return dirty && dirty.fault === 'dirty-contact'
    ? { ...build, contactOhms: build.contactOhms + dirty.upToOhms ** random.next() }
    : build;
}

/** What a meter would show with a terminal cut off from the board: the contact itself still joins A and B. */
export function predictAfflicted(
  build: Build,
  faults: readonly StandinFault[],
  spec: ReadingSpec,
  meter: Meter,
): number {
  const cut = faults.find((f) => f.fault === 'broken-trace');
  const onCut = (p: ReadingSpec['from']): boolean =>
    cut?.fault === 'broken-trace' && p.kind === 'contact' && p.name === cut.terminal;
  if (!cut || !(onCut(spec.from) || onCut(spec.to))) return predict(build, spec, meter);
  const closed = spec.state === 'pressed';
  const other = cut.fault === 'broken-trace' && cut.terminal === 'A' ? 'B' : 'A';
  const across = spec.from.kind === 'contact' && spec.to.kind === 'contact';
  if (spec.kind === 'ohms' || spec.kind === 'continuity') {
    if (across) return closed ? build.contactOhms : OPEN_OHMS;
    return closed
      ? build.contactOhms + predict(build, { ...spec, from: { kind: 'contact', name: other } }, meter)
      : OPEN_OHMS;
  }
  // The loose terminal floats: the meter pulls it to its other tip, or it takes the other terminal's level through the closed contact.
  return closed && !across
    ? predict({ ...build, contactOhms: FLOATING_OHMS }, { ...spec, from: { kind: 'contact', name: other } }, meter)
    : 0;
}
