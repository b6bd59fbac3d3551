// Drives Probe over the bench's boards as a maker would: takes what it proposes, answers with what the bench's meter shows.
import { edited, CONTROL_KINDS, freshJob, type ControlKind, type Job, type Reading } from '../../core/ground/job';
import { isolationOf, nextFor, surveyOf } from '../../core/rooms/probe';
import type { Random } from '../../core/ground/quantity';
import { chance } from './draw';
import { high, ladder, latch, low, scanned, selector } from './buttons';
import { battery, isolated, mainsLoad, tied } from './mains';
import { drawMeter } from './meters';
import { bus, dryPair, encoder } from './others';
import { load, motor, touch } from './others-loads';
import type { Control } from './board';
import { shortAmps, taken, type Bench } from './reading';
import type { Strange } from './strange';

const T = '2026-01-01T00:00:00Z';
const CONTROL = 'it';
const DRAW: Readonly<Record<ControlKind, (random: Random) => Control>> = {
  'low-when-pressed': low,
  'high-when-pressed': high,
  ladder,
  'scanned-matrix': scanned,
  'dry-pair': dryPair,
  'switched-load': load,
  'touch-pad': touch,
  'motor-pair': motor,
  'latching-switch': latch,
  selector,
  encoder,
  'serial-bus': bus,
};

/** How often each kind is met, by an estimate of the bench's own (common practice): buttons far ahead of all else. */
export const MET: Readonly<Record<ControlKind, number>> = {
  'low-when-pressed': 0.38,
  'high-when-pressed': 0.07,
  ladder: 0.08,
  'scanned-matrix': 0.13,
  'dry-pair': 0.11,
  'switched-load': 0.09,
  'touch-pad': 0.03,
  'motor-pair': 0.035,
  'latching-switch': 0.02,
  selector: 0.02,
  encoder: 0.02,
  'serial-bus': 0.015,
};

function drawBench(kind: ControlKind, random: Random, slips: number): Bench {
  const control = DRAW[kind](random);
  const mains = control.onMains
    ? mainsLoad(random)
    : control.battery || chance(random, 0.08)
      ? battery()
      : chance(random, 0.18)
        ? tied(random)
        : isolated(random);
  return { control, mains, meter: drawMeter(random), slips };
}

/** What a walk came to. */
export interface Went {
  readonly bench: Bench;
  readonly job: Job;
  readonly end: 'known' | 'remainder' | 'tie' | 'open' | 'not-isolated' | 'stuck';
  readonly kind: ControlKind;
  readonly readings: number;
  /** Readings, those of isolation included, when the kind was first known; null where it never was. */
  readonly firstKnown: number | null;
  /** Probability of the leading kind and whether it was right, at every step after isolation. */
  readonly stated: readonly { readonly probability: number; readonly right: boolean }[];
  /** Probability given to the truth at the end. */
  readonly truth: number;
  readonly broken: readonly string[];
}

/** Rules of order that a proposal may break, judged on what the board really is. */
function broken(b: Bench, n: Reading, isIsolated: boolean): string[] {
  const powered =
    n.kind !== 'ohms' &&
    n.kind !== 'look' &&
    n.kind !== 'continuity' &&
    n.kind !== 'insulation' &&
    n.kind !== 'diode' &&
    n.kind !== 'battery';
  const out: string[] = [];
  if (powered && !isIsolated && ![n.from, n.to].some((p) => p.kind === 'earth')) out.push('powered before isolation');
  if (n.kind === 'amps' && shortAmps(b, n.from.name, n.to.name) > 0.2)
    out.push(`short over 0.2 A: ${b.control.kind}, ${b.control.variant}`);
  if (n.kind === 'amps' && b.control.variant.startsWith('24 VAC')) out.push('short across 24 VAC');
  return out;
}

export function follow(b: Bench, random: Random, most = 16): Went {
  let job = edited(freshJob({ title: 'bench' }, 'bench', T), { do: 'add-control', id: CONTROL, name: 'it' }, T);
  job = edited(
    job,
    {
      do: 'set',
      at: 'survey',
      set: { mains: b.mains.said, ...(b.meter.stated ? { meter: b.meter.is } : {}) },
      say: 'bench',
    },
    T,
  );
  const stated: { probability: number; right: boolean }[] = [];
  const breaks: string[] = [];
  let readings = 0;
  let firstKnown: number | null = null;
  for (let n = 0; ; n++) {
    const survey = surveyOf(job, CONTROL);
    const state = isolationOf(job, CONTROL);
    const best = survey.candidates[0]!;
    const isIsolated = state.verdict === 'isolated';
    if (isIsolated && survey.known) firstKnown ??= n;
    if (isIsolated) stated.push({ probability: best.probability, right: best.kind === b.control.kind });
    const done = (end: Went['end']): Went => ({
      bench: b,
      job,
      end,
      kind: best.kind,
      readings,
      firstKnown,
      stated,
      truth: survey.posterior.kinds[b.control.kind],
      broken: breaks,
    });
    if (state.verdict === 'not-isolated') return done('not-isolated');
    const next = nextFor(job, survey);
    const remainder = survey.remainder.leads;
    if (isIsolated && survey.known && !next?.tellsKind) return done('known');
    if (!next || readings >= most || n > 40)
      return done(!isIsolated ? 'stuck' : survey.known ? 'known' : remainder ? 'remainder' : next ? 'open' : 'tie');
    const reading: Reading = {
      id: `r${n}`,
      at: T,
      control: [next.from, next.to].some((p) => p.kind === 'contact') ? CONTROL : '',
      from: next.from,
      to: next.to,
      state: next.state,
      kind: next.kind,
      by: 'hand',
      struck: false,
      ...taken(b, next, random),
    };
    breaks.push(...broken(b, reading, isIsolated));
    if (isIsolated) readings++;
    job = edited(job, { do: 'add-reading', say: '', reading }, T);
  }
}

/** Controls that are none of the kinds, of some structures in turn, on isolated boards. */
export function strangers(
  count: number,
  random: Random,
  of: readonly ((random: Random) => Strange)[],
  slips = 0.01,
): Bench[] {
  return Array.from({ length: count }, (_, i) => ({
    // What it is goes by none of the kinds: it is right only where it is not called known.
    control: of[i % of.length]!(random) as unknown as Control,
    mains: isolated(random),
    meter: drawMeter(random),
    slips,
  }));
}

/** Boards in turn, kind by kind. */
export function boards(count: number, random: Random, slips = 0.01): Bench[] {
  return Array.from({ length: count }, (_, i) => drawBench(CONTROL_KINDS[i % CONTROL_KINDS.length]!, random, slips));
}
