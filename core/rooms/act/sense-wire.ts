import { firstItem, itemAt } from '../../ground/lists';
import { isOfTheWorld, type Job, type MachinePart, type Sense } from '../../ground/job';
import { heardAfter, SENSES, type SenseInfo } from '../../build/lines';
import type { MachineTable, SenseWire, StateRole } from '../../engines/world';
import { loopOf } from './loop-wires';
import { restKeys } from './machine';

/** States in which a part was stopped somewhere on its way. */
export const STOPPED: readonly (StateRole | undefined)[] = ['stopped', 'stopped-up', 'stopped-down'];

const NOTHING: SenseWire = { part: -1, yes: [], taken: ['', ''], delay: 0, hold: 0, stale: null, away: false };

/** After how long a sense is heard to say so, and not so, and after how long without news nothing is known. */
const afterOf = (s: Sense): Pick<SenseWire, 'delay' | 'hold' | 'stale'> => ({
  delay: heardAfter(s, true),
  hold: heardAfter(s, false),
  stale: s.staleSeconds,
});

/** What a sense tells of a part: its rest, its work, its far end, or states that are named. */
export function wireOf(
  job: Job,
  s: Sense,
  parts: readonly MachinePart[],
  tables: readonly MachineTable[],
): { readonly wire: SenseWire; readonly lacks: string } {
  const part = s.part ? parts.findIndex((p) => p.id === s.part) : Math.min(0, parts.length - 1);
  if (part < 0) return { wire: NOTHING, lacks: 'its part of the machine is not known' };
  // What a part warms or cools is told by no state of it, but by how warm it has become.
  if (loopOf(job, s, parts)) return { wire: { ...NOTHING, ...afterOf(s) }, lacks: '' };
  const { states } = itemAt(tables, part);
  // A contact that has moved from its place is open, whatever that means.
  const away = SENSES[s.kind].stays && !s.closedThen;
  if (isOfTheWorld(s)) return ofTheWorld(s, part, states, away);
  const lit = states.filter((x) => x.role !== 'dark');
  const yes = yesOf(s, itemAt(parts, part), itemAt(tables, part));
  if (yes.length === 0) return { wire: NOTHING, lacks: lacksStates(s) };
  if (yes.length === states.length) return { wire: NOTHING, lacks: 'it says the same in every state' };
  const taken = (is: boolean): string => {
    const fits = lit.filter((x) => yes.includes(x.key) === is);
    return (fits.find((x) => x.speed === 0 && !STOPPED.includes(x.role)) ?? fits[0] ?? firstItem(lit)).key;
  };
  return { wire: { part, yes, taken: [taken(true), taken(false)], ...afterOf(s), away }, lacks: '' };
}

const lacksStates = (s: Sense): string =>
  s.tells === 'at-end'
    ? 'its part has no far end'
    : s.states.length > 0
      ? `its part has no state called ${s.states.join(' or ')}`
      : 'no state of its part shows what it reads';

/** What is looked at and is no state of the machine: it says throughout what a run takes it for, and teaches a plan nothing. */
function ofTheWorld(
  s: Sense,
  part: number,
  states: MachineTable['states'],
  away: boolean,
): { readonly wire: SenseWire; readonly lacks: string } {
  if (s.takenFor === 'unknown')
    return { wire: NOTHING, lacks: 'it tells of no state of the machine, and nobody said what runs take it for' };
  const yes = s.takenFor === 'yes' ? states.map((x) => x.key) : [];
  return { wire: { part, yes, taken: ['', ''], ...afterOf(s), away }, lacks: '' };
}

/**
 * Whether a sense says without power what it said before: a contact at a lever or a door tells where it stands, what shines or sounds does
 * not. Nothing is drawn then, so that what says so under its threshold says so then as well.
 */
function staysDark(s: Sense): boolean {
  const { stays, number } = SENSES[s.kind];
  return stays || ((number?.kind === 'power' || number?.kind === 'current') && !s.closedThen);
}

/** What a state must show for a sense to say so of it: watts by their threshold, where one is said. */
function showsTo(s: Sense): SenseInfo['tells'] {
  const { limit } = s;
  if (s.kind !== 'watts' || limit === null) return SENSES[s.kind].tells;
  return s.closedThen ? (x) => (x.watts ?? 0) > limit.over : (x) => x.watts !== null && x.watts < limit.under;
}

/** States in which a sense says yes. */
function yesOf(s: Sense, part: MachinePart, table: MachineTable): readonly string[] {
  const { states } = table;
  const lit = states.filter((x) => x.role !== 'dark');
  const { powered, placed } = restKeys(table);
  const stays = staysDark(s);
  const withDark = (keys: readonly string[]): readonly string[] =>
    stays ? [...keys, ...keys.flatMap((k) => states.find((x) => x.darkOf === k)?.key ?? [])] : keys;
  switch (s.tells) {
    case 'at-rest':
      return stays ? placed : powered;
    case 'at-work':
      return (stays ? states : lit).filter((x) => !placed.includes(x.key)).map((x) => x.key);
    case 'at-end':
      return withDark(lit.filter((x) => x.role === 'open').map((x) => x.key));
    case 'other': {
      const named = lit.filter((x) => s.states.some((w) => plain(w) === plain(x.word))).map((x) => x.key);
      // Of which nobody said in which states it says so tells those that shine, sound, draw or warm, as its kind is.
      const shown = showing(part, showsTo(s)).filter((k) => lit.some((x) => x.key === k));
      return withDark(s.states.length > 0 ? named : shown);
    }
  }
}

/** States of a part that show what a sense of a kind hears or sees. */
const showing = (p: MachinePart, tells: SenseInfo['tells']): readonly string[] =>
  p.shows.filter(tells).map((s) => s.state);

/** A text as names are held against each other. */
export const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
