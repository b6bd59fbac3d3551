import { ROOMS, type Room } from '../ground/job';
import { byHarm, gravest, type Finding, type Verdict } from '../ground/finding';

/** A bead of the thread: the room's gravest finding. */
export interface Bead {
  readonly room: Room;
  readonly verdict: Verdict;
  readonly caption: string;
  /** The finding that speaks for the room. */
  readonly finding: Finding | null;
}

/** A bead as the shelf shows it. */
export type RowBead = Pick<Bead, 'room' | 'verdict' | 'caption'>;

/** The beads of a row. */
export const rowOf = (thread: readonly Bead[]): RowBead[] =>
  thread.map(({ room, verdict, caption }) => ({ room, verdict, caption }));

/** The eleven beads of a job, in the order of the work. A settled room is spoken for by its first settled finding. */
export function threadOf(findings: readonly Finding[]): Bead[] {
  return ROOMS.map((room) => {
    const own = findings.filter((f) => f.room === room);
    const verdict = gravest(own.map((f) => f.verdict));
    const worst = [...own].sort(byHarm)[0];
    const summary = own.filter((f) => f.verdict === verdict && f.sums)[0];
    const speaker = summary ?? worst ?? null;
    return { room, verdict, caption: speaker?.caption ?? '', finding: speaker };
  });
}

/** In which order the verdicts of rooms ask for something to be done. */
const ASKS: readonly Verdict[] = ['stop', 'unknown', 'tight'];

/** What to do next: the first stop, else the first room that is not settled, in the order of the work. */
export function nextStep<B extends Pick<Bead, 'verdict'>>(beads: readonly B[]): B | null {
  for (const verdict of ASKS) {
    const bead = beads.find((b) => b.verdict === verdict);
    if (bead) return bead;
  }
  return null;
}
