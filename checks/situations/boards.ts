import { edited, freshHand, reachLinkFields, withSteps } from '../../core/ground/job';
import type { BoardLayout, Job, JobEdit, ReachLink } from '../../core/ground/job';
import { freshOf } from '../../core/ground/field';
import { demoJob } from '../../core/testing/jobs';
import { put, type Situation } from './situation';

const edit = (job: Job, ...edits: JobEdit[]): Job => edits.reduce((j, e) => edited(j, e, j.touchedAt), job);

/** A gate with the board of its yard light. */
const GATE = demoJob('yard-gate');
const board =
  (set: (b: BoardLayout) => Partial<BoardLayout>) =>
  (j: Job): Job =>
    put(j, 'guard', { boards: j.guard.boards.map((b) => ({ ...b, ...set(b) })) });
/** Parts so many holes further from the edge. */
const moved = (b: BoardLayout, by: number): BoardLayout['parts'] =>
  b.parts.map((p) => ({ ...p, column: p.column + by, row: p.row + by }));

const LINKS: readonly ReachLink[] = [
  { ...freshOf(reachLinkFields), id: 'hall', name: 'house network', seconds: 0.2, lost: 0, ownPassword: 'yes' },
];
/** The same gate, moved by messages over the network of the house. */
const REACHED = edit(
  GATE,
  { do: 'put', list: 'hands', item: { ...freshHand('command', 'command'), kind: 'command', latching: false } },
  { do: 'put', list: 'guard.links', item: LINKS[0] as ReachLink },
);
const link =
  (set: Partial<ReachLink>) =>
  (j: Job): Job =>
    edit(j, {
      do: 'put',
      list: 'guard.links',
      item: {
        ...freshOf(reachLinkFields),
        ...{ id: 'out', name: 'from outside', over: 'hall', ownPassword: 'yes', seconds: 0.5, lost: 0 },
        ...set,
      },
    });

const GUARD = ['guard'] as const;

/** What must never be green of boards and of who can press from where. */
export const OF_BOARDS: readonly Situation[] = [
  {
    what: 'two nets nearer than reinforced insulation asks for, round a slot that was left out',
    source: 'IEC 60664-1, table F.5: 8 mm at 230 V where it is damp',
    sound: GATE,
    make: board(() => ({ slots: [] })),
    rooms: GUARD,
  },
  {
    what: 'rings of copper left between mains and what can be touched',
    source: 'IEC 60664-1, 6.8: a gap under the least groove counts for nothing',
    sound: GATE,
    make: board(() => ({ cleared: [] })),
    rooms: GUARD,
  },
  {
    what: 'a slot narrower than a groove has to be',
    source: 'IEC 60664-1, 6.8: 1.5 mm at pollution degree 3',
    sound: GATE,
    make: board((b) => ({ slots: b.slots.map((s) => ({ ...s, width: 0.8e-3 })) })),
    rooms: GUARD,
  },
  {
    what: 'a slot through a pad',
    source: 'a pad that is cut holds nothing',
    sound: GATE,
    make: board((b) => ({ slots: b.slots.map((s) => ({ ...s, fromColumn: 6, toColumn: 6 })) })),
    rooms: GUARD,
  },
  {
    what: 'two parts in one hole',
    source: 'common practice: no wire through a shared hole',
    sound: GATE,
    make: board((b) => ({ parts: b.parts.map((p) => (p.id === 'terminal' ? { ...p, column: 6 } : p)) })),
    rooms: GUARD,
  },
  {
    what: 'a track of mains that ends beside what can be touched',
    source: 'IEC 60664-1, table F.5',
    sound: GATE,
    make: board((b) => ({
      tracks: [...b.tracks, { id: 't', net: 'line', fromColumn: 6, fromRow: 1, toColumn: 8, toRow: 1, width: 1.5e-3 }],
    })),
    rooms: GUARD,
  },
  {
    what: 'a net of which nobody said whether it can be touched',
    source: 'not looked at',
    sound: GATE,
    make: board((b) => ({ nets: b.nets.map((n) => (n.id === 'coil' ? { ...n, side: 'unknown' } : n)) })),
    rooms: GUARD,
    holds: (j) =>
      j.guard.boards.every(
        (b) => b.slots.every((s) => s.fromColumn !== 6) && b.parts.every((p) => p.id !== 'terminal' || p.column === 2),
      ),
  },
  {
    what: 'a relay of which nobody read what it keeps apart',
    source: 'its data sheet',
    sound: GATE,
    make: board((b) => ({ parts: b.parts.map((p) => (p.id === 'relay' ? { ...p, apart: null } : p)) })),
    rooms: GUARD,
    holds: (j) =>
      j.guard.boards.every(
        (b) => b.slots.every((s) => s.fromColumn !== 6) && b.parts.every((p) => p.id !== 'terminal' || p.column === 2),
      ),
  },
  {
    what: 'a net of mains that lies on no pin',
    source: 'what is nowhere is far from nothing',
    sound: GATE,
    make: board((b) => ({ nets: [...b.nets, { id: 'n', name: 'neutral', side: 'mains' }] })),
    rooms: GUARD,
  },
  {
    what: 'a board on which nothing was planned',
    source: 'not looked at',
    sound: GATE,
    make: board(() => ({ nets: [], parts: [], tracks: [] })),
    rooms: GUARD,
  },
  {
    what: 'parts that lie over each other',
    source: 'two bodies are not at one place',
    sound: GATE,
    make: board((b) => ({
      parts: b.parts.map((p) => (p.id === 'header' ? { ...p, column: 8, pins: p.pins } : p)),
    })),
    rooms: GUARD,
  },
  {
    what: 'a track that leaves the board',
    source: 'arithmetic',
    sound: GATE,
    make: board((b) => ({
      tracks: [
        ...b.tracks,
        { id: 'u', net: 'ground', fromColumn: 15, fromRow: 12, toColumn: 40, toRow: 12, width: 1e-3 },
      ],
    })),
    rooms: GUARD,
  },
  {
    what: 'copper of mains at the very edge of its board',
    source: 'IEC 60664-1: a metal box or a screw at the edge can be touched',
    sound: board((b) => ({
      columns: 26,
      rows: 24,
      parts: moved(b, 4),
      slots: [],
      cleared: [{ ...b.cleared[0]!, toColumn: 27, toRow: 25 }],
    }))(put(GATE, 'guard', { place: 'dry' })),
    make: board((b) => ({ parts: b.parts.map((p) => (p.id === 'terminal' ? { ...p, column: 1 } : p)) })),
    rooms: GUARD,
  },
  {
    what: 'a board whose pitch and rings nobody measured',
    source: 'a usual size is a guess',
    sound: board((b) => ({ cleared: [{ ...b.cleared[0]!, toColumn: 17 }], slots: b.slots }))(
      put(GATE, 'guard', { place: 'dry' }),
    ),
    make: board(() => ({ measured: false })),
    rooms: GUARD,
  },
  {
    what: 'a board at 4,500 m over the sea',
    source: 'IEC 60664-1, table F.10: clearance times 1.48',
    sound: put(GATE, 'guard', { boards: narrow(GATE.guard.boards), place: 'dry' }),
    make: (j) => put(j, 'guard', { apart: { ...j.guard.apart, altitude: 4500 } }),
    rooms: GUARD,
  },
  {
    what: 'a port that is open to the world, before a gate',
    source: 'common practice: open ports are found within hours',
    sound: REACHED,
    make: link({ kind: 'port' }),
    rooms: GUARD,
  },
  {
    what: 'an account at somebody else’s service',
    source: 'common practice: it shows when somebody is there',
    sound: REACHED,
    make: link({ kind: 'account' }),
    rooms: GUARD,
  },
  {
    what: 'a log-in from outside with a password that several share',
    source: 'common practice: nobody can take it back from one of them',
    sound: REACHED,
    make: link({ kind: 'remote-login', ownPassword: 'no' }),
    rooms: GUARD,
  },
  {
    what: 'a log-in from outside of which nobody said who knows the password',
    source: 'not looked at',
    sound: REACHED,
    make: link({ kind: 'remote-login', ownPassword: 'unknown' }),
    rooms: GUARD,
  },
  {
    what: 'a door that is closed from outside without light or sound first',
    source: 'EN 12453: a warning before an unattended closing',
    sound: link({ kind: 'remote-login' })(REACHED),
    make: (j) =>
      edit(
        j,
        withSteps(
          j,
          j.act.moves[0]!.steps.filter((s) => s.do !== 'warn'),
          'no warning',
        ),
      ),
    rooms: GUARD,
  },
  {
    what: 'a short radio link without a key',
    source: 'common practice: what was sent can be sent again',
    sound: REACHED,
    make: link({ kind: 'radio', over: '', ownPassword: 'no' }),
    rooms: GUARD,
  },
  {
    what: 'a link of which nobody measured delay and loss',
    source: 'not looked at',
    sound: REACHED,
    make: link({ kind: 'broker', seconds: null, lost: null }),
    rooms: GUARD,
  },
  {
    what: 'links that go round',
    source: 'arithmetic',
    sound: REACHED,
    make: (j) =>
      edit(link({})(j), { do: 'put', list: 'guard.links', item: { ...(LINKS[0] as ReachLink), over: 'out' } }),
    rooms: GUARD,
  },
  {
    what: 'messages that are lost on their way',
    source: 'arithmetic: a share of the links’ product',
    sound: REACHED,
    make: (j) => edit(j, { do: 'put', list: 'guard.links', item: { ...(LINKS[0] as ReachLink), lost: 0.05 } }),
    rooms: GUARD,
  },
  {
    what: 'a command by message over links that nobody named',
    source: 'not looked at',
    sound: REACHED,
    make: (j) => put(j, 'guard', { links: [] }),
    rooms: GUARD,
  },
];

/** The light's board with the relay of fewer holes, for a dry room: through the air little is left. */
function narrow(boards: readonly BoardLayout[]): BoardLayout[] {
  return boards.map((b) => ({
    ...b,
    cleared: b.cleared.map((c) => ({ ...c, toColumn: 7 })),
    slots: b.slots.map((s) => ({ ...s, fromColumn: 7, toColumn: 7, width: 1.2e-3, fromRow: 1, toRow: 13 })),
    parts: b.parts.map((p) =>
      p.id === 'relay' ? { ...p, pins: p.pins.map((x) => (x.column === 3 ? { ...x, column: 2 } : x)) } : p,
    ),
  }));
}
