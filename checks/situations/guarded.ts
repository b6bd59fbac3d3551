import { drillJob } from '../../core/house/drill/drill-job';
import { drillRecord } from '../../core/house/drill/drill-findings';
import { chainFields, edited, freshHand, freshNever, reachLinkFields, withSteps } from '../../core/ground/job';
import type { BoardLayout, Chain, Job, JobEdit, ReachLink } from '../../core/ground/job';
import { freshOf } from '../../core/ground/field';
import { tickEdit } from '../../core/rooms/guard';
import { demoJob } from '../../core/testing/jobs';
import { put, type Situation } from './situation';

const edit = (job: Job, ...edits: JobEdit[]): Job => edits.reduce((j, e) => edited(j, e, j.touchedAt), job);

/** A bought switch before 1,200 W of heating, its lead read to the end. */
const WASHER = put(demoJob('glass-washer'), 'guard', {
  loadWatts: 1200,
  chains: [
    {
      ...freshOf(chainFields),
      ...{ press: '', plug: 'fused-plug', outletAmps: 13, plugFuse: 13, breaker: 32, cord: 1.5e-6, duty: 'hours' },
    },
  ],
});
const lead =
  (set: Partial<Chain>) =>
  (j: Job): Job =>
    put(j, 'guard', { chains: j.guard.chains.map((c) => ({ ...c, ...set })) });
/** A valve of 24 V behind a relay of its own, every link of its lead read. */
const VALVE = demoJob('ice-bath-valve');

/** A gate with the board of its yard light. */
const GATE = demoJob('yard-gate');
const board =
  (set: (b: BoardLayout) => Partial<BoardLayout>) =>
  (j: Job): Job =>
    put(j, 'guard', { boards: j.guard.boards.map((b) => ({ ...b, ...set(b) })) });
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
      item: { ...freshOf(reachLinkFields), id: 'out', name: 'from outside', over: 'hall', ownPassword: 'yes', ...set },
    });

/** A pot that was drilled, all of its gates closed. */
const POT = demoJob('rice-pot');
const GUARD = ['guard'] as const;

/** What must never be green of leads, boards, gates, failures and reach. */
export const OF_GUARD: readonly Situation[] = [
  {
    what: 'a cord too thin for its load',
    source: 'BS 7671, table 4F3A: 0.5 mm² carries 3 A',
    sound: WASHER,
    make: lead({ cord: 0.5e-6 }),
    rooms: GUARD,
  },
  {
    what: 'a fuse in the plug larger than its cord carries',
    source: 'BS 7671, 433.1: a fuse is at most what the conductor carries',
    sound: WASHER,
    make: lead({ cord: 0.75e-6 }),
    rooms: GUARD,
  },
  {
    what: 'a fuse smaller than the load',
    source: 'BS 1362: a 3 A fuse opens at more',
    sound: WASHER,
    make: lead({ plugFuse: 3 }),
    rooms: GUARD,
  },
  {
    what: 'a fuse of a size that plugs do not have',
    source: 'BS 1362: 3, 5 and 13 A',
    sound: WASHER,
    make: lead({ plugFuse: 10 }),
    rooms: GUARD,
  },
  {
    what: 'an outlet that is made for less than the load',
    source: 'its plate',
    sound: WASHER,
    make: lead({ outletAmps: 2.5 }),
    rooms: GUARD,
  },
  {
    what: 'a thin cord behind a breaker alone',
    source: 'BS 7671, 433.1',
    sound: WASHER,
    make: lead({ plug: 'plug', cord: 1e-6 }),
    rooms: GUARD,
  },
  {
    what: 'a lead that nobody looked at',
    source: 'not looked at',
    sound: WASHER,
    make: lead({ plug: 'unknown' }),
    rooms: GUARD,
  },
  { what: 'a cord that nobody read', source: 'not looked at', sound: WASHER, make: lead({ cord: null }), rooms: GUARD },
  {
    what: 'a fuse that nobody read',
    source: 'not looked at',
    sound: WASHER,
    make: lead({ plugFuse: null }),
    rooms: GUARD,
  },
  {
    what: 'a load of which nobody said for how long it runs',
    source: 'common practice: 80 % for hours',
    sound: WASHER,
    make: lead({ duty: 'unknown' }),
    rooms: GUARD,
  },
  {
    what: 'an inrush, measured, over what the contact bears',
    source: 'its data sheet',
    sound: WASHER,
    make: lead({ inrush: 400 }),
    rooms: GUARD,
  },
  {
    what: 'an inrush that was measured under the steady current',
    source: 'arithmetic: the meter was too slow',
    sound: WASHER,
    make: lead({ inrush: 0.5 }),
    rooms: GUARD,
  },
  {
    what: 'a diode across a load on alternating current',
    source: 'arithmetic: it conducts every other half wave',
    sound: WASHER,
    make: lead({ suppressor: 'diode' }),
    rooms: GUARD,
  },
  {
    what: 'a snubber across the contact of a load of a few watts',
    source: 'arithmetic: 100 nF lets 8 mA through at 230 V',
    sound: WASHER,
    make: (j) => put(lead({ suppressor: 'rc' })(j), 'guard', { loadWatts: 20 }),
    rooms: GUARD,
  },
  {
    what: 'a valve’s coil with nothing across it',
    source: 'common practice: an arc at each opening',
    sound: lead({ suppressor: 'varistor' })(VALVE),
    make: lead({ suppressor: 'none' }),
    rooms: GUARD,
  },
  {
    what: 'wires to a contact that nobody read',
    source: 'not looked at',
    sound: VALVE,
    make: lead({ wires: null }),
    rooms: GUARD,
  },
  {
    what: 'terminals that carry less than the load',
    source: 'their plate',
    sound: VALVE,
    make: lead({ terminalAmps: 0.2 }),
    rooms: GUARD,
  },
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
    what: 'a board at 4,500 m over the sea',
    source: 'IEC 60664-1, table F.10: clearance times 1.48',
    sound: put(GATE, 'guard', { boards: narrow(GATE.guard.boards), place: 'dry' }),
    make: (j) => put(j, 'guard', { apart: { ...j.guard.apart, altitude: 4500 } }),
    rooms: GUARD,
  },
  {
    what: 'a gate that was ticked before the door it is about was moved by other steps',
    source: 'what a tick rests on has changed',
    sound: edit(POT, tickEdit('heat-dry', 'arming by hand')),
    make: (j) => withHeat(j),
    rooms: GUARD,
  },
  {
    what: 'a tick on the load, of another load since',
    source: 'what a tick rests on has changed',
    sound: edit(VALVE, tickEdit('conductors', 'conductors')),
    make: (j) => put(j, 'guard', { loads: j.guard.loads.map((l) => ({ ...l, watts: 30 })) }),
    rooms: GUARD,
  },
  {
    what: 'a hazard added by hand with nothing that prevents it',
    source: 'not looked at',
    sound: POT,
    make: (j) =>
      edit(
        j,
        { do: 'put', list: 'guard.own', item: { id: 'edge', what: 'a sharp edge', harm: 'person', prevents: '' } },
        tickEdit('own.edge', 'a sharp edge'),
      ),
    rooms: GUARD,
  },
  {
    what: 'a failure drill of another plan',
    source: 'the plan was changed since',
    sound: POT,
    make: (j) =>
      put(j, 'wish', {
        nevers: [...j.wish.nevers, { ...freshNever('on', 'lasts-longer'), state: 'on', seconds: 7200 }],
      }),
    rooms: GUARD,
  },
  {
    what: 'no failure drill at all',
    source: 'not looked at',
    sound: POT,
    make: (j) => put(j, 'guard', { drills: [] }),
    rooms: GUARD,
  },
  {
    what: 'a thermometer that sticks, with nothing else that ends the heat',
    source: 'a failure drill: one thing goes wrong',
    sound: redrilled(demoJob('proving-cabinet')),
    make: (j) =>
      redrilled(
        put(j, 'routine', { loops: j.routine.loops.map((l) => ({ ...l, cutsOffAt: null, kelvin: 30 })) }),
        true,
      ),
    rooms: GUARD,
  },
  {
    what: 'a regulator in series that is set over what it may never reach',
    source: 'arithmetic',
    sound: demoJob('proving-cabinet'),
    make: (j) => put(j, 'routine', { loops: j.routine.loops.map((l) => ({ ...l, cutsOffAt: 45 })) }),
    rooms: ['routine'],
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

/** The pot with another first step, so that what was ticked of heat rests on another program. */
function withHeat(j: Job): Job {
  const [first, ...rest] = j.act.moves[0]!.steps;
  return edit(j, withSteps(j, [{ ...first!, seconds: first!.seconds + 0.1 }, ...rest], 'another step'));
}

/** A job drilled anew; what it came to is kept with it. */
function redrilled(job: Job, must = false): Job {
  const drilled = drillJob(job, 1);
  if (!drilled) throw new Error('nothing to drill');
  if (must && drilled.found.stories.length === 0) throw new Error('the drill finds nothing');
  const record = drillRecord(drilled.found, drilled.findings, drilled.basis, job.touchedAt);
  return put(job, 'guard', { drills: [record] });
}
