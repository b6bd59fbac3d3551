import type { Job, Meter, Point, Reading, Strip } from '../../../ground/job';
import { acChecks, acMissing, loadsMissing, overLimits } from '../isolation/ac-checks';
import { leadsToPin, offMains, provesApart, questionsOf, REINFORCED_OHMS, toPin } from '../isolation/isolation';
import { MAINS_QUESTIONS } from '../isolation/findings';
import { formatQuantity } from '../../../ground/quantity';
import { NO_VOLTS, type Pair, terminalNumber, pairTable } from './pairs';
import { voltsStep, type StripStep } from './step';
import { crossStep, starStep } from './volts-steps';

/** What is known of a strip, and what to read next. */
export interface StripState {
  readonly strip: Strip;
  readonly pairs: readonly Pair[];
  readonly next: StripStep | null;
  /** The pair that moves the machine. */
  readonly found: Pair | null;
  /** Why it stops here, where it does; empty otherwise. */
  readonly stopped: string;
}

const terminal = (t: number): Point => ({ kind: 'contact', name: String(t) });
/** The terminal that is read against earth; what was read of another counts as well. */
const FIRST = 1;
const AC_WORDS: Partial<Record<Reading['state'], string>> = {
  'plug-turned': ', the plug turned round',
  'loaded-10k': ', with 10 kΩ across the tips',
  'turned-10k': ', the plug turned round, with 10 kΩ across the tips',
  'loaded-100k': ', with 100 kΩ across the tips',
  'turned-100k': ', the plug turned round, with 100 kΩ across the tips',
};

/**
 * What is known of a strip and the one next step: volts first, then a jumper through 1 kΩ on the best pair; never all pairs by trial. Where
 * nobody has a tester of 500 V, and all else was read and showed nothing, it goes on, and isolation stays open.
 */
export function stripState(job: Job, strip: Strip): StripState {
  const readings = job.readings.filter((r) => r.control === strip.id && !r.struck);
  const n = strip.wires.length;
  const tied = readings.some((r) => leadsToPin(r, job.survey));
  const ac = strip.wires.flatMap((_, i) => acChecks(readings, terminal(i + 1)));
  const high = readings.some(overLimits) || ac.some((c) => c.is === 'tied');
  const pairs = pairTable(n, readings);
  const found = pairs.find((p) => p.jumper === 'moves') ?? null;
  if (high)
    return {
      strip,
      pairs,
      next: null,
      found: null,
      stopped: 'A terminal is over the limits of extra-low voltage. No pair is joined here; hand it to licensed work.',
    };
  if (tied)
    return {
      strip,
      pairs,
      next: null,
      found: null,
      stopped: 'A terminal is tied to mains. No pair is joined here; hand it to licensed work.',
    };
  if (found) return { strip, pairs, next: null, found, stopped: '' };
  const asks = questionsOf(job.survey.mains);
  if (asks.length)
    return {
      strip,
      pairs,
      next: null,
      found: null,
      stopped: `First say ${asks.map((q) => MAINS_QUESTIONS[q]).join(' and ')}: it is asked above.`,
    };
  if (!offMains(job.survey.mains) && job.survey.mains.mainSwitch === 'open')
    return {
      strip,
      pairs,
      next: null,
      found: null,
      stopped: 'Close the machine’s main switch with the plug out, withdraw the ohms readings, and take them again.',
    };
  const next = nextStep(job, strip, readings, pairs);
  return {
    strip,
    pairs,
    next,
    found: null,
    stopped: next
      ? ''
      : 'No pair is left that may be joined. The strip may want a pair that was not seen at rest: read again while the machine runs.',
  };
}

/** Likelier pairs first: near 12 V, then 24 V, then 5 V (`loop-volts`); wires of the thin signal kind are not told by colour. */
const LOOPS: readonly { readonly volts: number; readonly weight: number }[] = [
  { volts: 12, weight: 1 },
  { volts: 24, weight: 0.8 },
  { volts: 8, weight: 0.6 },
  { volts: 5, weight: 0.6 },
];
/** How far a loop lies from its nominal voltage, as a share of it, and what a pair that was read itself has over one that follows. */
const LOOP_SPREAD = 0.2;
const READ_ITSELF = 0.05;
const likeness = (p: Pair): number => {
  const v = Math.max(Math.abs(p.dcVolts ?? 0), p.acVolts ?? 0);
  const near = LOOPS.map((l) => l.weight * Math.exp(-(((v - l.volts) / (LOOP_SPREAD * l.volts)) ** 2) / 2));
  return Math.max(...near) + (p.direct ? READ_ITSELF : 0);
};

/** The next reading or trial of a strip: what proves it apart from mains, then how its grounds lie, then its likeliest pair. */
const nextStep = (job: Job, strip: Strip, readings: readonly Reading[], pairs: readonly Pair[]): StripStep | null => {
  const step = apartStep(job, strip, readings);
  const noTester = job.survey.mains.tester === 'none';
  const apart = noTester && step !== 'stuck' && step?.kind === 'insulation' ? null : step;
  return apart === 'stuck'
    ? null
    : (apart ?? starStep(strip, readings) ?? pairStep(strip, pairs) ?? crossStep(strip, readings));
};

/** What still has to be read before the strip is proven apart from mains; `stuck` where a reading says that it is not. */
function apartStep(job: Job, { wires, name }: Strip, readings: readonly Reading[]): StripStep | 'stuck' | null {
  const has = (t: number, kind: Reading['kind'], to: Reading['to']['kind']): boolean =>
    readings.some((r) => r.kind === kind && terminalNumber(r.from) === t && r.to.kind === to);
  const all = wires.map((_, i) => i + 1);
  const { mains, meter } = job.survey;
  const off = offMains(mains);
  const unread = off
    ? undefined
    : all.find((t) => !has(t, 'ohms', 'mains') && !(has(t, 'ohms', 'live') && has(t, 'ohms', 'neutral')));
  if (unread)
    return {
      title: `Ohms from terminal ${unread} to live and neutral together, unplugged`,
      why: 'Isolation from mains comes before everything else, terminal by terminal.',
      caution: 'Plug pulled and in sight; wait for capacitors to empty. Clip live and neutral of the plug together.',
      notePrefix: `${name} ${unread} to mains off`,
      a: unread,
      b: 'mains',
      kind: 'ohms',
      state: 'off',
    };
  if (!isProven(readings, meter)) return 'stuck';
  const ac = all.flatMap((t) =>
    (t === FIRST && !off ? acMissing : loadsMissing)(
      acChecks(readings, terminal(t)),
      terminal(t),
      mains.feed === 'plug-turns',
    ).map((spec) => ({ t, ...spec })),
  )[0];
  if (ac)
    return {
      title: `AC volts from terminal ${ac.t} to earth, powered${AC_WORDS[ac.state] ?? ''}`,
      why: 'The last check of isolation.',
      caution: 'One hand in the pocket, a meter rated for the mains.',
      notePrefix: `${name} ${ac.t} to earth ${ac.state}`,
      a: ac.t,
      b: 'earth',
      kind: 'volts-ac',
      state: ac.state,
    };
  if (off || mains.feed === 'plug-turns' || has(1, 'insulation', 'mains')) return null;
  return {
    title: 'Insulation from terminal 1 to live and neutral together, 500 V, by whoever may',
    why: 'The plug goes in one way only, so a tie in the other position is found by this test alone.',
    caution: 'Licensed work: plug pulled, nothing else connected.',
    notePrefix: `${name} 1 to mains insulation`,
    a: 1,
    b: 'mains',
    kind: 'insulation',
    state: 'off',
  };
}

/** Whether all that proves a strip apart from mains was read, nothing of it left to read. */
export const isStripApart = (job: Job, strip: Strip): boolean =>
  questionsOf(job.survey.mains).length === 0 &&
  apartStep(
    job,
    strip,
    job.readings.filter((r) => r.control === strip.id && !r.struck),
  ) === null;

/** Whether every insulation test was passed, or every resistance to a mains pin is high enough without one. */
const isProven = (readings: readonly Reading[], meter: Meter): boolean => {
  const tests = readings.filter((r) => r.kind === 'insulation' && toPin(r));
  if (tests.length > 0) return tests.every((r) => r.relation !== '<' && r.value >= REINFORCED_OHMS);
  return readings.filter((r) => r.kind === 'ohms' && toPin(r)).every((r) => provesApart(r, meter));
};

/** What the likeliest pair that may be joined still wants: its volts, its volts under a load, then to be joined. */
function pairStep({ name }: Strip, pairs: readonly Pair[]): StripStep | null {
  const best = pairs
    .filter((p) => p.barred === '' && (p.jumper === 'untried' || p.jumper === 'nothing-by-1k'))
    .sort((x, y) => likeness(y) - likeness(x))[0];
  if (!best) return null;
  const pair = `${best.a}-${best.b}`;
  if (!best.direct)
    return voltsStep(name, best.a, best.b, 'volts-dc', 'A pair is read across itself before it is joined.');
  if (best.loadedVolts === null)
    return {
      ...voltsStep(
        name,
        best.a,
        best.b,
        best.dcVolts !== null && Math.abs(best.dcVolts) >= NO_VOLTS ? 'volts-dc' : 'volts-ac',
        'A listening loop gives way under 1 kΩ; an output that feeds something does not and must never be joined.',
      ),
      title: `Volts from ${best.a} to ${best.b} with 1 kΩ across`,
      notePrefix: `${name} ${pair} loaded`,
      state: 'loaded',
      caution: `This may press the machine: keep it safe to start. Touch the resistor by its sleeve.${heatWords(best)}`,
    };
  const wire = best.jumper === 'nothing-by-1k';
  return {
    title: wire
      ? `Join ${best.a} and ${best.b} with a wire for a second: does it move?`
      : `Join ${best.a} and ${best.b} through 1 kΩ: does it move?`,
    why: wire ? 'Its current is limited and 1 kΩ was not enough.' : 'The likeliest pair, through a resistor first.',
    caution: 'The machine may move: nobody near what closes, lifts or turns.',
    notePrefix: `${name} jumper ${pair} ${wire ? 'wire' : '1k'}`,
    a: best.a,
    b: best.b,
    kind: 'jumper',
    state: 'idle',
  };
}

/** What a resistor of 1 kΩ bears for long, W: the usual small one is good for a quarter of a watt, used to half of it (`small-parts`). */
const SMALL_WATTS = 0.125;
/** A word where 1 kΩ across a pair turns more into heat than a small resistor bears. */
function heatWords({ dcVolts, acVolts }: Pair): string {
  const watts = Math.max(Math.abs(dcVolts ?? 0), acVolts ?? 0) ** 2 / 1000;
  return watts > SMALL_WATTS
    ? ` It takes ${formatQuantity(watts, 'W')}: a resistor of ${watts > 1 ? 5 : 1} W, or a small one for no longer than the reading.`
    : '';
}
