import type { Job, JobEdit, Point, Reading, Strip } from '../../../ground/job';
import { controlId } from '../../../ground/notes';
import type { Pair } from './pairs';

/**
 * The pair of a strip that moves the machine, as a control of its own: A is the higher side, and what the strip already read of these
 * two terminals comes along under their letters. Readings under load were the pair's alone and stay behind.
 * @param newId gives an id for each copy.
 */
export function controlFromPair(
  job: Job,
  strip: Strip,
  pair: Pick<Pair, 'a' | 'b' | 'dcVolts'>,
  newId: () => string,
): JobEdit {
  const [high, low] = (pair.dcVolts ?? 1) >= 0 ? [pair.a, pair.b] : [pair.b, pair.a];
  const name = `${strip.name}.${high}.${low}`;
  const id = controlId(name);
  const isOne = (p: Point): boolean => p.kind !== 'contact' || Number(p.name) === high || Number(p.name) === low;
  const lettered = (p: Point): Point =>
    p.kind === 'contact' ? { ...p, name: Number(p.name) === high ? 'A' : 'B' } : p;
  const copies = job.readings
    .filter((r) => r.control === strip.id && !r.struck && r.state !== 'loaded' && isOne(r.from) && isOne(r.to))
    .map((r): Reading => ({ ...r, id: newId(), control: id, from: lettered(r.from), to: lettered(r.to) }));
  return {
    do: 'several',
    say: `control ${name}, with ${copies.length} readings from the strip`,
    edits: [
      { do: 'add-control', id, name },
      { do: 'change-control', id, set: { strip: strip.id, terminals: [high, low] } },
      ...copies.map((reading): JobEdit => ({ do: 'add-reading', say: '', reading })),
    ],
  };
}
