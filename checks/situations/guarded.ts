import { drillJob } from '../../core/house/drill/drill-job';
import { drillRecord } from '../../core/house/drill/drill-findings';
import { chainFields, edited, freshNever, withSteps } from '../../core/ground/job';
import type { Chain, Job, JobEdit } from '../../core/ground/job';
import { freshOf } from '../../core/ground/field';
import { tickEdit } from '../../core/rooms/guard';
import { demoJob } from '../../core/testing/jobs';
import { APART, finished, mainsLoad, pressed, put, said, type Situation } from './situation';

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

/** A pot that was drilled, all of its gates closed. */
const POT = demoJob('rice-pot');
const GUARD = ['guard'] as const;

/** A load of mains behind a relay of the maker's own, its lead read to the end. */
const SWITCHED = pressed(finished(said([...APART, ...mainsLoad])), {
  way: 'relay-contact',
  picks: { relay: 'relay-power' },
});
const OWN_MAINS = put(SWITCHED, 'guard', {
  chains: SWITCHED.presses.map((p) => ({
    ...freshOf(chainFields),
    ...{ press: p.id, plug: 'fused-plug' as const, outletAmps: 13, plugFuse: 3, cord: 1e-6, wires: 1e-6 },
    ...{ terminalAmps: 16, duty: 'short' as const, opens: 'line' as const, earth: 'through' as const },
    ...{ strainRelief: 'yes' as const, colours: 'yes' as const },
  })),
});
const OWN_LEAD = (
  rows: readonly (readonly [what: string, source: string, set: Partial<Chain>])[],
): readonly Situation[] =>
  rows.map(([what, source, set]) => ({ what, source, sound: OWN_MAINS, make: lead(set), rooms: GUARD }));

/** What must never be green of leads, gates and failures. */
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
  ...OWN_LEAD([
    ['a contact in the neutral alone', 'IEC 60364-5-53: a single pole stands in the line', { opens: 'neutral' }],
    ['a contact of which nobody looked which conductor it opens', 'not looked at', { opens: 'unknown' }],
    ['a load whose protective earth was left out', 'IEC 61140, class I', { earth: 'missing' }],
    ['a protective earth that nobody followed', 'not looked at', { earth: 'unknown' }],
    ['a cord that a knot holds', 'IEC 60335-1, clause 25', { strainRelief: 'no' }],
    ['wires of the bench at mains', 'IEC 60445', { colours: 'no' }],
    ['wires to the contact too thin for it in a warm box', 'BS 7671, table 4F3A, notes', { wires: 0.1e-6 }],
  ]),
  {
    what: 'a valve of 24 V on wires too thin for it, where cords go by gauge',
    source: 'common practice: 0.1 mm² bears 1 A, and less in a warm box',
    sound: put(put(VALVE, 'region', { mainsVolts: 120 }), 'guard', {
      loads: VALVE.guard.loads.map((l) => ({ ...l, watts: 20 })),
    }),
    make: lead({ wires: 0.1e-6 }),
    rooms: GUARD,
  },
  {
    what: 'a watchdog that nobody tried',
    source: 'common practice: one that an interrupt feeds never bites',
    sound: edit(put(VALVE, 'guard', { watchdogSeconds: 8 }), tickEdit('watchdog', 'tried')),
    make: (j) => edit(j, tickEdit('watchdog', 'tried', false)),
    rooms: GUARD,
  },
  {
    what: 'a story of the plan itself that somebody accepted',
    source: 'nothing has to go wrong for it',
    sound: POT,
    make: (j) => acceptedOfPlan(j),
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
];

/** The pot with another first step, so that what was ticked of heat rests on another program. */
function withHeat(j: Job): Job {
  const [first, ...rest] = j.act.moves[0]!.steps;
  return edit(j, withSteps(j, [{ ...first!, seconds: first!.seconds + 0.1 }, ...rest], 'another step'));
}

/** A plan that breaks its own condition, drilled, with all of its stories accepted by name. */
function acceptedOfPlan(job: Job): Job {
  const hot = { ...freshNever('on', 'lasts-longer'), state: 'cooking', seconds: 1 };
  const press = job.presses[0]?.id ?? '';
  const broken = put(job, 'wish', { nevers: [hot, { ...freshNever('held', 'output-longer'), press, seconds: 0.01 }] });
  const drilled = drillJob(broken, 1);
  if (!drilled) throw new Error('nothing to drill');
  const record = drillRecord(drilled.found, drilled.findings, drilled.basis, job.touchedAt);
  return edit(
    put(broken, 'guard', { drills: [record] }),
    ...drilled.rows.map(({ story }): JobEdit => ({
      ...{ do: 'accept', never: story.story.never.never.id, story: story.key, words: 'x', by: 'somebody', why: '' },
      basis: drilled.basis,
    })),
  );
}

/** A job drilled anew; what it came to is kept with it. */
function redrilled(job: Job, must = false): Job {
  const drilled = drillJob(job, 1);
  if (!drilled) throw new Error('nothing to drill');
  if (must && drilled.found.stories.length === 0) throw new Error('the drill finds nothing');
  const record = drillRecord(drilled.found, drilled.findings, drilled.basis, job.touchedAt);
  return put(job, 'guard', { drills: [record] });
}
