import { itemAt, lastItem } from '../../ground/lists';
import {
  atMost,
  chosen,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Remedy,
} from '../../ground/finding';
import { asKind, type Facts, type PressFact } from '../../ground/facts';
import {
  closedTimes,
  machineOf,
  pressedFor,
  stepOf,
  withSteps,
  sidesOf,
  type Job,
  type MachinePart,
  type MoveStep,
  type Way,
} from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { longestScan } from '../../build/ways';
import { closedAtMost, closedAtLeast, openAtLeast } from '../../build/times';
import { heardPress, heedsOf } from './heard';

/** The presses of the script against the shortest and the longest that the machine takes as meant. */
export function lengthFindings(job: Job, facts: Facts, shortest: number, longest: number): Finding[] {
  const holds = holdFinding(job, facts, longest);
  const press = heardPress(job);
  const heard: Heard = {
    part: machineOf(job),
    press,
    fact: facts.presses.find((p) => p.id === press),
    shortest,
    longest,
    called: (id) => id,
    words: '',
  };
  return [
    shortFinding(job, heard),
    ...(holds ? [holds] : []),
    longFinding(job, heard),
    ...scanFindings(job, facts, heard),
  ];
}

const longer = (job: Job, press: string, seconds: number): Remedy => ({
  text: `Press for ${formatQuantity(seconds, 's')}.`,
  label: `Use ${formatQuantity(seconds, 's')}`,
  edit: pressedFor(job, press, seconds, `press for ${formatQuantity(seconds, 's')}`),
});

/** A press of some part of the machine, as its moves make it. */
interface Heard {
  readonly part: MachinePart;
  readonly press: string;
  readonly fact: PressFact | undefined;
  /** Shortest and longest of its presses, s. */
  readonly shortest: number;
  readonly longest: number;
  /** How its findings are called beside those of the first. */
  readonly called: (id: string) => string;
  /** Its name before a title, where there are several. */
  readonly words: string;
}

/** Presses of every part that a move makes, those that the run follows first left out: they are judged with the script. */
export function otherLengths(job: Job, facts: Facts): Finding[] {
  const first = heardPress(job);
  const closures = job.act.moves.flatMap((m) =>
    closedTimes({ steps: m.steps.filter((s) => s.do !== 'hold') }).map((c) => ({ ...c, seconds: c.to - c.from })),
  );
  return job.act.parts.flatMap((part, at) =>
    [...new Set(heedsOf(job, part).map((h) => h.press))].flatMap((press) => {
      const made = closures.filter((c) => c.press === press).map((c) => c.seconds);
      if (made.length === 0 || part.kind === 'unknown' || (at === 0 && press === first)) return [];
      const name = job.presses.find((p) => p.id === press)?.name ?? press;
      const heard: Heard = {
        part,
        press,
        fact: facts.presses.find((p) => p.id === press),
        shortest: Math.min(...made),
        longest: Math.max(...made),
        called: (id) => `${id}.${press}`,
        words: `${name}: `,
      };
      return [shortFinding(job, heard), longFinding(job, heard), ...scanFindings(job, facts, heard)];
    }),
  );
}

/** A time as it is typed: two digits, and no shorter. */
const roundedUp = (seconds: number): number => {
  const step = 10 ** (Math.floor(Math.log10(seconds)) - 1);
  return Number((Math.ceil(seconds / step) * step).toPrecision(3));
};

/** A scanned key must stay closed for as many scans as its machine wants, wherever in a scan the press falls. */
function scanFindings(job: Job, facts: Facts, h: Heard): Finding[] {
  const press = h.fact;
  const known = press && facts.controls[press.control];
  const fact = known && asKind(known, 'scanned-matrix');
  if (!press || !fact || !PER_SCAN.includes(press.way)) return [];
  const period = longestScan(job, fact);
  const scans = job.presses.find((p) => p.id === press.id)?.scan.scansNeeded;
  if (!period || scans === undefined) return [];
  const wanted = derive('scans that it wants, and one that the press may just miss', 't_scan', '(n + 1) * T', 's', [
    chosen('n', 'scans in a row that the machine wants', scans, '1', 'set in Thumb', [1, 100]),
    { symbol: 'T', name: 'period of a scan, highest', value: period.seconds, unit: 's', origin: period.origin },
  ]);
  const length = closedAtLeast(job, press, h.shortest);
  const short = length.result.value < wanted.result.value;
  return [
    judged('act', h.called('press-scans'), {
      title: 'Shortest press against the scans that its key wants',
      caption: 'scans met',
      steps: [length],
      limit: derivedLimit('at least', [wanted], 'scans that it wants'),
      tightShare: 'met',
      remedy: short ? longer(job, h.press, roundedUp(h.shortest + wanted.result.value - length.result.value)) : null,
    }),
  ];
}
/** Ways that close a crossing of a pad, or answer each strobe by logic; a program that answers strobes is judged by its chances. */
const PER_SCAN: readonly Way[] = [
  'relay-contact',
  'relay-module',
  'optocoupler',
  'solid-state-relay',
  'analogue-switch',
  'logic-injector',
];

function shortFinding(job: Job, h: Heard): Finding {
  const least = h.part.shortestPressSeconds;
  if (least === null)
    return finding('act', h.called('press-length'), {
      verdict: 'unknown',
      title: `${h.words}${h.words ? 'how' : 'How'} short a press the machine still obeys is not known`,
      caption: 'shortest press?',
      source: ['press-length'],
      remedy: {
        text: 'Press it by hand, ever shorter, until it no longer obeys; enter the shortest that it obeyed.',
      },
    });
  const wanted = derive('twice the shortest press that the machine obeys', 't_want', 'k * t_least', 's', [
    constant('k', 'margin', 2, '1', 'press-length'),
    chosen('t_least', 'shortest press that it obeys', least, 's', 'machine, in Act'),
  ]);
  const length = closedAtLeast(job, h.fact, h.shortest);
  const seen = length.result.value;
  const enough = seen >= wanted.result.value;
  return judged('act', h.called('press-length'), {
    title: `${h.words}${h.words ? 'shortest' : 'Shortest'} press against twice what the machine obeys`,
    caption: 'press length',
    steps: [length],
    limit: derivedLimit('at least', [wanted], 'twice the shortest press that it obeys'),
    tightShare: 'met',
    verdict: seen < least ? 'stop' : enough ? 'settled' : 'tight',
    remedy: enough ? null : longer(job, h.press, roundedUp(h.shortest + wanted.result.value - seen)),
  });
}

/** A switch that stays down is held for as long as the machine must run; null where the press is no such switch. */
function holdFinding(job: Job, facts: Facts, longest: number): Finding | null {
  const press = facts.presses.find((p) => p.id === heardPress(job));
  const fact = press && facts.controls[press.control];
  const latches = fact && asKind(fact, 'latching-switch');
  if (!latches || press.input !== 'level' || press.outputs !== 1) return null;
  const run = machineOf(job).runSeconds;
  if (run !== null && run > 0 && longest >= run)
    return finding('act', 'hold', {
      verdict: 'settled',
      title: 'The switch stays down by itself; the contact is held as long as the machine must run',
      caption: 'held for the run',
      source: ['press-length'],
    });
  const said = formatQuantity(longest, 's');
  return finding('act', 'hold', {
    verdict: run === null ? 'unknown' : 'stop',
    title: `This switch stays down by itself: a contact that closes for ${said} runs the machine for ${said} and no longer`,
    caption: 'press must be held',
    source: ['press-length'],
    remedy: {
      text: 'Hold the contact for as long as the machine must run, or push the switch itself with a finger.',
      ...(run ? { label: `Hold for ${formatQuantity(run, 's')}`, edit: longer(job, heardPress(job), run).edit } : {}),
    },
  });
}

function longFinding(job: Job, h: Heard): Finding {
  const most = h.part.longestPressSeconds;
  if (most === null)
    return finding('act', h.called('press-longest'), {
      verdict: 'unknown',
      title:
        `${h.words}${h.words ? 'how' : 'How'} long a press may last before the machine takes it for something else, ` +
        'or for a stuck button, is not known',
      caption: 'longest press?',
      source: ['press-longest'],
      remedy: {
        text: 'Hold it by hand for ten seconds and watch; enter the longest that did what a short one does.',
      },
    });
  const length = closedAtMost(job, h.fact, h.longest);
  return judged('act', h.called('press-longest'), {
    title: `${h.words}${h.words ? 'longest' : 'Longest'} press against what the machine still takes for one`,
    caption: 'longest press',
    steps: [length],
    limit: atMost(most, 's', 'longest press that it takes for one', { from: 'maker', what: 'machine, in Act' }),
    tightShare: 0.1,
    source: ['press-longest'],
  });
}

/** The steps with a wait of at least `seconds` between any two presses, those that are gone back to among them. */
function spread(script: readonly MoveStep[], seconds: number): MoveStep[] {
  const before = script.map((s, i): MoveStep[] => {
    const wanted = gapBefore(script, s, i).includes(0) || (s.do === 'again' && tooClose(script, s, i, seconds));
    return wanted ? [stepOf('wait', { seconds })] : [];
  });
  const place = (step: number): number => step + before.slice(0, step).reduce((n, w) => n + w.length, 0);
  return script.flatMap((s, i): MoveStep[] => {
    const within = s.do === 'wait' && script[i - 1]?.do === 'press' && script[i + 1]?.do === 'press';
    const kept = within ? { ...s, seconds: Math.max(s.seconds, seconds) } : s;
    return [...itemAt(before, i), s.do === 'again' ? { ...kept, to: place(s.to) } : kept];
  });
}

const tooClose = (script: readonly MoveStep[], s: MoveStep, i: number, seconds: number): boolean =>
  roundGap(script, s, i).some((gap) => gap < seconds);

/** Steps that let time go by between presses; a wait for a sense may end at once. */
const TAKES: readonly MoveStep['do'][] = ['wait', 'warn'];

const spent = (steps: readonly MoveStep[]): number =>
  steps.reduce((t, s) => t + (TAKES.includes(s.do) ? s.seconds : 0), 0);

/**
 * Between the last press before a step that goes back and the first one after it: a wait for the very thing that it goes back for has
 * run out by then.
 */
function roundGap(script: readonly MoveStep[], again: MoveStep, i: number): number[] {
  const round = script.slice(again.to - 1, i);
  const pressing = round.flatMap((s, at) => (s.do === 'press' || s.do === 'hold' ? [at] : []));
  if (pressing.length === 0) return [];
  const ends = round.slice(lastItem(pressing) + 1);
  const waited = ends.reduce(
    (t, s) => t + (s.do === 'until' && s.sense === again.sense && s.is === again.is ? s.seconds : 0),
    0,
  );
  return [spent(ends) + waited + spent(round.slice(0, pressing[0]))];
}

const keysOf = (s: MoveStep): readonly string[] => sidesOf(s).map((x) => `${x.press} ${x.other}`);

/**
 * How long nothing was pressed before a step that presses, s; empty for the first one, and for one that goes on from the step before while
 * others come, or go. Where one comes in the very moment in which another goes there is no wait between those two.
 */
function gapBefore(script: readonly MoveStep[], s: MoveStep, i: number): number[] {
  const last = s.do === 'press' ? script.slice(0, i).findLastIndex((x) => x.do === 'press') : -1;
  const before = script[last];
  if (!before) return [];
  const gap = spent(script.slice(last + 1, i));
  const [was, is] = [keysOf(before), keysOf(s)];
  const comes = is.some((key) => !was.includes(key));
  const goes = was.some((key) => !is.includes(key));
  const stays = is.some((key) => was.includes(key));
  return gap === 0 && stays && comes !== goes ? [] : [gap];
}

/** The shortest wait between two presses: a contact that is not open for long enough makes one press of two. */
export function gapFinding(job: Job, facts: Facts): Finding[] {
  const machine = machineOf(job);
  const script = job.act.moves[0]?.steps ?? [];
  const gaps = [
    ...script.flatMap((s, i) => gapBefore(script, s, i)),
    ...script.flatMap((s, i) => (s.do === 'again' ? roundGap(script, s, i) : [])),
  ];
  if (gaps.length === 0) return [];
  const least = Math.min(...gaps);
  const usual = Math.max(0.2, 2 * (machine.shortestPressSeconds ?? 0));
  const remedy: Remedy = {
    text: `Let go for ${formatQuantity(usual, 's')} between two presses.`,
    label: `Wait ${formatQuantity(usual, 's')}`,
    edit: withSteps(job, spread(script, usual), `wait ${formatQuantity(usual, 's')} between presses`),
  };
  if (least === 0)
    return [
      finding('act', 'press-gap', {
        verdict: 'stop',
        title: 'Two presses without a wait between them are one long press',
        caption: 'no wait between',
        source: ['press-gap'],
        remedy,
      }),
    ];
  if (machine.shortestPressSeconds === null) return [];
  const wanted = derive('twice the shortest press that the machine obeys', 't_want', 'k * t_least', 's', [
    constant('k', 'margin', 2, '1', 'press-gap'),
    chosen('t_least', 'shortest press that it obeys', machine.shortestPressSeconds, 's', 'machine, in Act'),
  ]);
  const gap = openAtLeast(
    job,
    facts.presses.find((p) => p.id === heardPress(job)),
    least,
  );
  const open = gap.result.value;
  const met = open >= wanted.result.value;
  return [
    judged('act', 'press-gap', {
      title: 'Wait between two presses against twice what the machine obeys',
      caption: 'wait between',
      steps: [gap],
      limit: derivedLimit('at least', [wanted], 'twice the shortest press that it obeys'),
      tightShare: 'met',
      source: ['press-gap'],
      verdict: open < machine.shortestPressSeconds ? 'stop' : met ? 'settled' : 'tight',
      remedy: met ? null : remedy,
    }),
  ];
}
