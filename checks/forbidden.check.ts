// Ten thousand random jobs against a list of situations that must never be shown settled. The list is simple on purpose and knows
// nothing of the core: it looks at what was drawn, at the shipped table of parts, and at what leaves.
import { beforeAll, describe, expect, it } from 'vitest';
import { assess, type Assessment } from '../core/assess';
import { filesOf } from '../core/deliver';
import { flips, inputsOf, turns, type Finding, type Room } from '../core/finding';
import { WAYS, type Job, type PartKind, type Way } from '../core/job';
import { SHIPPED_PARTS } from '../core/parts';
import { formatQuantity, seededRandom, type Random } from '../core/quantity';
import { demoJob } from '../core/testing/jobs';
import { threadOf } from '../core/thread';
import { dryPair, finished, ladderKey, latching, lowButton, mainsLoad, OHMS_APART, put, said, scannedKey } from './bench-jobs';

const JOBS = 10_000;
const SEED = 20261126;

/** What a machine is drawn as: what the lines say, and the truth beside them. */
interface Machine {
  readonly lines: readonly string[];
  readonly volts: number;
  readonly amps: number;
  readonly alternating: boolean;
  /** False where nobody read the pull-up. */
  readonly read: boolean;
}
const MACHINES: readonly Machine[] = [
  ...[[1.8, 4.7e3], [3.3, 47e3], [4.98, 10e3], [4.98, 220e3], [12, 2.2e3]].map(([v, r]): Machine => ({ lines: lowButton(v!, r!), volts: v!, amps: v! / r!, alternating: false, read: true })),
  ...[['11.6 V', 8.2, 11.6, false], ['24.1 V', 9.1, 24.1, false], ['24 VAC', 19.2, 24, true], ['38 V', 900, 38, false]].map(([v, ma, volts, ac]): Machine => ({ lines: dryPair(v as string, ma as number), volts: volts as number, amps: (ma as number) / 1e3, alternating: ac as boolean, read: true })),
  { lines: [...scannedKey(4.96), 'it B loaded-10k 1.55 V'], volts: 4.96, amps: 4.96 / 22e3, alternating: false, read: true },
  { lines: scannedKey(4.96), volts: 4.96, amps: 4.96 / 22e3, alternating: false, read: false },
  { lines: ladderKey, volts: 5.02, amps: 0.73e-3, alternating: false, read: true },
  { lines: latching, volts: 4.97, amps: 0.5e-3, alternating: false, read: true },
  { lines: mainsLoad, volts: 229, amps: 1, alternating: true, read: true },
  { lines: [], volts: 0, amps: 0, alternating: false, read: false },
];

/** Isolation as it was read, and what may be taken from it: proven, tied to mains, or neither. */
const ISOLATION: readonly { readonly lines: readonly string[]; readonly mains?: Partial<Job['survey']['mains']>; readonly is: 'proven' | 'tied' | 'open' }[] = [
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'], is: 'proven' },
  { lines: [...OHMS_APART, 'it A to earth on 97 VAC', 'it A to earth loaded-10k 1.1 VAC', 'it A to earth plug-turned 0.3 VAC'], is: 'proven' },
  { lines: [...OHMS_APART, 'it A to earth on 2.1 VAC'], is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 38 VAC', 'it A to earth plug-turned 38 VAC'], is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'], mains: { mainSwitch: 'unknown' }, is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'], mains: { mainSwitch: 'open' }, is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC'], mains: { feed: 'plug-one-way' }, is: 'open' },
  { lines: ['ground to mains off >20M', 'it A to mains off >20M'], is: 'open' },
  { lines: [], is: 'open' },
  { lines: ['ground to mains off 180k', 'it A to earth on 0.3 VAC'], is: 'tied' },
  { lines: [...OHMS_APART, 'it A to earth on 112 VAC', 'it A to earth loaded-10k 60 VAC'], is: 'tied' },
  { lines: [], mains: { feed: 'none', cables: 'none' }, is: 'proven' },
  { lines: ['it A to earth on 229 VAC'], mains: { feed: 'none', cables: 'none' }, is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC', 'it B to earth on 112 VAC'], is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC', 'ground to earth on 112 VAC', 'ground to earth loaded-10k 80 VAC'], is: 'tied' },
];

interface Drawn {
  readonly job: Job;
  readonly machine: Machine;
  readonly isolation: (typeof ISOLATION)[number]['is'];
  readonly way: Way;
}

const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;
const measured = new Map<string, Job>();

/** One of the machines with one of the isolations, finished but for some things drawn at random. */
function draw(r: Random): Drawn {
  const machine = pick(r, MACHINES);
  const isolation = pick(r, ISOLATION);
  const key = `${MACHINES.indexOf(machine)}|${ISOLATION.indexOf(isolation)}`;
  const lines = [...isolation.lines, ...machine.lines];
  if (!measured.has(key)) measured.set(key, said(lines.some((l) => l.startsWith('it ')) ? lines : [...lines, 'control it'], isolation.mains));
  const way = pick(r, WAYS);
  const often = r.next() < 0.5;
  let job = finished(measured.get(key)!);
  const picks = Object.fromEntries([...new Set(SHIPPED_PARTS.map((p) => p.kind))].flatMap((kind) => (r.next() < 0.5 ? [[kind, pick(r, SHIPPED_PARTS.filter((p) => p.kind === kind)).id]] : [])));
  job = put(job, 'thumb', { way, picks, resistorOhms: r.next() < 0.2 ? pick(r, [47, 270, 1000, 10e3]) : null, colours: r.next() < 0.3 ? { 1: 'green-yellow', 2: 'blue', 3: 'brown', 4: 'green-yellow' } : {}, motor: { ...job.thumb.motor, mirrored: r.next() < 0.3, stallAmps: r.next() < 0.5 ? 1.5 : null, boxWiring: pick(r, ['box-plain', 'box-interlocked'] as const) } });
  job = put(job, 'board', { pressPin: pick(r, [5, 4, 12, 15, 0, 2]), pullDown: r.next() < 0.5 });
  job = put(job, 'feed', { volts: often ? 5 : pick(r, [2, 3.3, 4.6, 6, 12, 24]), amps: pick(r, [0.3, 1, 3]), isolated: often ? 'yes' : pick(r, ['unknown', 'no']), leadMetres: pick(r, [1, 1, null]) });
  job = put(job, 'guard', { place: pick(r, ['dry', 'damp', 'unknown']), cutOff: pick(r, ['none', 'one-shot']), loadWatts: pick(r, [null, 0, 40, 400, 2200, 4000]), loadKind: pick(r, ['unknown', 'resistive', 'motor', 'filament']), ticks: ticks(r.next() < 0.7) });
  job = put(job, 'wish', { hazards: pick(r, [[], ['mains'], ['unattended-heat'], ['moving-door']]), hazardsReviewed: true });
  const press = { do: 'press', seconds: pick(r, [0.05, 0.2, 1, 20]) } as const;
  job = put(job, 'act', { script: pick(r, [[press], [press], [press, press], [press, { do: 'wait', seconds: 0.01 }, press]]), machine: { ...job.act.machine, kind: pick(r, ['starts-and-stops-itself', 'open-stop-close-stop', 'flips'] as const) } });
  job = put(job, 'routine', { sentences: [{ id: 's', at: '22:30', days: [1, 2, 3], ifArmed: false }] });
  if (r.next() < 0.3) job = put(job, 'region', { mainsVolts: 120, mainsHertz: 60 });
  return { job, machine, isolation: isolation.is, way };
}

const ALL_TICKS = ['mains-cover', 'mains-apart', 'not-isolated', 'heat-cutout', 'heat-dry', 'door-edge', 'door-sight', 'conductors', 'suppressor', 'restart', 'ground-shift', 'own-devices', 'dead-isolate', 'dead-hold', 'dead-test-tester', 'dead-test-dead', 'dead-test-tester-again'];
const ticks = (all: boolean): Record<string, string> => Object.fromEntries((all ? ALL_TICKS : ALL_TICKS.slice(0, 3)).map((t) => [t, '2026-03-02T14:00:00Z']));

/** A rating of the part that is picked, or of the first class of its kind. */
function rating(job: Job, kind: PartKind, key: string): number {
  const all = SHIPPED_PARTS.filter((p) => p.kind === kind);
  return (all.find((p) => p.id === job.thumb.picks[kind]) ?? all[0]!).values[key]![1];
}

/** Ways that are a switch between two terminals: the part, and its ratings for volts and amperes. */
const SWITCH: Partial<Record<Way, readonly [kind: PartKind, volts: string, amps: string]>> = {
  'npn-to-ground': ['npn', 'collectorVolts', 'collectorAmps'], 'nmos-to-ground': ['nmos', 'drainVolts', 'drainAmps'], optocoupler: ['optocoupler', 'outputVolts', 'outputAmps'], 'solid-state-relay': ['solid-state-relay', 'loadVolts', 'loadAmps'],
  'relay-contact': ['relay', 'contactVolts', 'contactAmps'], 'relay-module': ['relay-module', 'contactVolts', 'contactAmps'], 'analogue-switch': ['analogue-switch', 'mostVolts', 'switchAmps'],
};
const SHARES_GROUND: readonly Way[] = ['npn-to-ground', 'nmos-to-ground', 'analogue-switch', 'strobe-answer', 'logic-injector', 'drive-signal'];
const POLAR: readonly Way[] = ['npn-to-ground', 'nmos-to-ground', 'optocoupler'];
const BARRIER: Partial<Record<Way, PartKind>> = { optocoupler: 'optocoupler', 'solid-state-relay': 'solid-state-relay', 'relay-contact': 'relay', 'relay-module': 'relay-module' };
/** Ways that are judged on the two terminals of the control. */
const ON_CONTROL: readonly Way[] = [...(Object.keys(SWITCH) as Way[]), 'strobe-answer', 'logic-injector'];

/** A forbidden situation: whether it holds, and the rooms of which none may then be settled. */
const FORBIDDEN: readonly { readonly name: string; readonly holds: (d: Drawn) => boolean; readonly rooms: readonly Room[] }[] = [
  { name: 'shared ground without proven isolation', holds: (d) => SHARES_GROUND.includes(d.way) && d.isolation !== 'proven', rooms: ['thumb', 'guard'] },
  { name: 'polar part on AC', holds: (d) => POLAR.includes(d.way) && d.machine.alternating, rooms: ['thumb'] },
  { name: 'voltage over the rating', holds: (d) => d.way in SWITCH && d.machine.volts * (d.machine.alternating ? Math.SQRT2 : 1) > rating(d.job, SWITCH[d.way]![0], SWITCH[d.way]![1]) && d.machine.lines !== mainsLoad, rooms: ['thumb'] },
  { name: 'current over the rating', holds: (d) => d.way in SWITCH && d.machine.amps > rating(d.job, SWITCH[d.way]![0], SWITCH[d.way]![2]) && d.machine.lines !== mainsLoad, rooms: ['thumb'] },
  { name: 'a semiconductor carries a mains load', holds: (d) => d.machine.lines === mainsLoad && ON_CONTROL.includes(d.way), rooms: ['thumb'] },
  { name: 'extra-low-voltage part on a side tied to mains', holds: (d) => d.isolation === 'tied' && d.way in BARRIER && (rating(d.job, BARRIER[d.way]!, 'isolationVolts') < 2000 || rating(d.job, BARRIER[d.way]!, 'gapMetres') < 3e-3), rooms: ['thumb'] },
  { name: 'anything electrical on a side tied to mains', holds: (d) => d.isolation === 'tied' && ON_CONTROL.includes(d.way), rooms: ['thumb', 'guard', 'probe'] },
  { name: 'a pull-up that nobody read', holds: (d) => !d.machine.read && ON_CONTROL.includes(d.way), rooms: ['thumb'] },
  { name: 'a supply outside the controller’s range', holds: ({ job }) => job.feed.volts! * 0.95 < 4.5 || job.feed.volts! * 1.05 > 5.5, rooms: ['feed'] },
  { name: 'a supply that nobody called isolated', holds: ({ job }) => job.feed.isolated !== 'yes', rooms: ['feed'] },
  { name: 'a press without an end on a hazard', holds: ({ job }) => job.guard.cutOff === 'none' && (job.act.machine.kind === 'open-stop-close-stop' || job.wish.hazards.some((h) => h === 'unattended-heat' || h === 'moving-door')), rooms: ['guard'] },
  { name: 'a one-shot whose trigger floats at power-up', holds: ({ job, way }) => job.guard.cutOff === 'one-shot' && !job.board.pullDown && [4, 5].includes(job.board.pressPin!) && ['npn-to-ground', 'solid-state-relay', 'relay-contact'].includes(way), rooms: ['board'] },
  { name: 'a resistor to ground under what presses on low', holds: ({ job, way }) => way === 'relay-module' && pressesOn(job, way) === 0 && job.board.pullDown && [4, 5].includes(job.board.pressPin!), rooms: ['board'] },
  { name: 'a lead that nobody described', holds: ({ job }) => job.feed.leadMetres === null, rooms: ['feed'] },
  { name: 'a press longer than the machine takes for one', holds: ({ job }) => job.act.script[0]!.seconds > 3, rooms: ['act'] },
  { name: 'two presses that the machine takes for one', holds: ({ job }) => job.act.script.length > 1, rooms: ['act'] },
  { name: 'a load on a contact that was not entered', holds: (d) => (d.way === 'switched-supply' || (d.way === 'control-box' && d.machine.lines === mainsLoad)) && !d.job.guard.loadWatts, rooms: ['guard'] },
  { name: '4 kW on any contact of the table', holds: (d) => d.way === 'switched-supply' && d.job.guard.loadWatts === 4000, rooms: ['guard'] },
  { name: 'mains work', holds: (d) => d.way === 'switched-supply' || d.way === 'control-box', rooms: ['thumb'] },
  { name: 'a door pressed at a time of day', holds: ({ job }) => job.act.machine.kind === 'open-stop-close-stop', rooms: ['routine'] },
  { name: 'mains may be inside and nobody proved it dead', holds: ({ job }) => job.survey.mains.feed !== 'none' && job.guard.ticks['dead-isolate'] === undefined, rooms: ['guard'] },
  { name: 'a pin that is high or toggles at power-up', holds: (d) => [0, 2].includes(d.job.board.pressPin!) && (d.way === 'npn-to-ground' || d.way === 'solid-state-relay'), rooms: ['board'] },
  { name: 'a weakly high pin under a transistor without a pull-down', holds: (d) => d.job.board.pressPin === 12 && !d.job.board.pullDown && d.way === 'npn-to-ground', rooms: ['board'] },
];

/** Which level presses: a module that presses on low, and everything else on high. */
const pressesOn = (job: Job, way: Way): 0 | 1 => ((way === 'relay-module' || way === 'control-box') && rating(job, 'relay-module', 'onLow') === 1 ? 0 : 1);

const beads = (a: Assessment): Map<Room, string> => new Map(threadOf(a.findings).map((b) => [b.room, b.verdict]));
const problems: string[] = [];
const hits = new Map<string, number>();
const offered: { finding: Finding; where: string }[] = [];
let packed = 0;

beforeAll(() => {
  const random = seededRandom(SEED);
  for (let n = 0; n < JOBS; n++) {
    const d = draw(random);
    const a = assess(d.job);
    const thread = beads(a);
    for (const f of FORBIDDEN) {
      if (!f.holds(d)) continue;
      hits.set(f.name, (hits.get(f.name) ?? 0) + 1);
      for (const room of f.rooms) if (thread.get(room) === 'settled') problems.push(`${n}: ${f.name}: ${room} is settled, ${d.way} on ${d.machine.lines.join('; ')}, ${d.isolation}`);
    }
    // Nothing is signed off or ready over a stop.
    if (a.findings.some((f) => f.verdict === 'stop' && f.room !== 'try' && f.room !== 'pack') && (thread.get('try') === 'settled' || thread.get('pack') === 'settled')) problems.push(`${n}: ready over a stop`);
    for (const w of a.ways) {
      const america = d.job.region.mainsVolts === 120;
      for (const x of w.wires) {
        const ends = `${x.from}|${x.to}`;
        const allowed = /earth(\||$)/.test(ends) ? (america ? /^(green|green-yellow)$/ : /^green-yellow$/) : /neutral(\||$)/.test(ends) ? (america ? /^(white|grey)$/ : /^blue$/) : /live(\||$)/.test(ends) ? (america ? /^(black|red)$/ : /^(brown|black|grey)$/) : /^(?!green-yellow$)/;
        if (!allowed.test(x.colour)) problems.push(`${n}: ${w.way}, wire ${ends} is ${x.colour}`);
      }
    }
    if (n % 20 === 0) {
      for (const finding of a.findings) offered.push({ finding, where: `random ${n}` });
      for (const w of a.ways) for (const finding of w.findings) offered.push({ finding, where: `random ${n}, ${w.way}` });
      const c = filesOf(d.job, a).find((f) => f.name === 'gentle_thumb.c')?.text;
      const applies = a.ways.find((w) => w.way === d.way)!.applies;
      if (c && applies && !/holds pulses/.test(c)) {
        packed++;
        const level = Number(/#define PRESS_LEVEL (\d)/.exec(c)![1]);
        if (level !== pressesOn(d.job, d.way)) problems.push(`${n}: the program presses ${d.way} on ${level}`);
        if (a.facts.press!.pressesOn !== (level ? 'high' : 'low')) problems.push(`${n}: strip and program differ`);
      }
    }
  }
  for (const name of ['rice-pot', 'yard-gate', 'larder-dehumidifier', 'dough-proofer', 'cold-room-alarm', 'hatch-shutter', 'extractor-rocker', 'hood-fan'] as const) {
    const a = assess(demoJob(name));
    for (const finding of [...a.findings, ...a.ways.flatMap((w) => w.findings)]) offered.push({ finding, where: name });
  }
}, 600_000);

describe(`${JOBS} random jobs`, () => {
  it('never show a forbidden situation settled', () => expect(problems.slice(0, 20)).toEqual([]));
  it.each(FORBIDDEN.map((f) => f.name))('met: %s', (name) => expect(hits.get(name) ?? 0).toBeGreaterThan(30));
  it('packed programs that press on the level of their way', () => expect(packed).toBeGreaterThan(100));
});

describe('explanations of all demo jobs and of five hundred random ones', () => {
  it('offer only values that are possible, that were read or can be chosen, that change something, and that really turn the verdict', () => {
    const wrong: string[] = [];
    let count = 0;
    for (const { finding, where } of offered) {
      for (const flip of flips(finding)) {
        count++;
        const { input, now, to } = flip;
        const words = `${where}, ${finding.id}: ${input.name} of ${formatQuantity(to, input.unit)} instead of ${formatQuantity(now, input.unit)}`;
        if (!['measured', 'estimated', 'maker', 'default'].includes(input.origin.from)) wrong.push(`${words}: neither read nor chosen`);
        if (formatQuantity(to, input.unit) === formatQuantity(now, input.unit)) wrong.push(`${words}: unchanged`);
        if (input.possible && (to < Math.min(input.possible[0], now) || to > Math.max(input.possible[1], now))) wrong.push(`${words}: impossible`);
        if ((input.origin.from === 'measured' || input.origin.from === 'estimated') && (to / now > 2.001 || to / now < 0.499)) wrong.push(`${words}: no reading is that far off`);
        if (!turns(finding, flip)) wrong.push(`${words}: does not turn it`);
      }
    }
    expect(wrong.slice(0, 20)).toEqual([]);
    expect(count).toBeGreaterThan(1000);
  });
  it('give no number without an origin: every carried result is a step of the same chain', () => {
    for (const { finding, where } of offered) {
      const steps = [...finding.steps, ...(finding.limit?.steps ?? [])];
      for (const i of steps.flatMap((s) => s.inputs)) if (i.origin.from === 'step') expect(steps.some((s) => s.symbol === i.symbol), `${where}, ${finding.id}: ${i.symbol}`).toBe(true);
      for (const i of inputsOf(finding.steps, finding.limit)) expect(i.origin.from).toBeTruthy();
    }
  });
});
