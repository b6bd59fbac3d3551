import { firstItem, present } from '../../ground/lists';
import { STRANGER_KINDS, type StrangerKind } from '../../engines/circuit';
import type { ControlFact, Facts } from '../../ground/facts';
import { CONTROL_KINDS, likeOf, onlyListens, type ControlKind, type Job, type Reading } from '../../ground/job';
import { dcOnAc } from './inference/dc-on-ac';
import { contradictionsIn, mayReckon, type Contradiction } from './inference/contradictions';
import { estimates } from './inference/estimate';
import type { Estimate } from './inference/estimate-parts';
import { farSideOf, ranked, shareWith, signalSide } from './inference/grid-estimate';
import { isolationOf } from './isolation/isolation';
import { KNOWN_AT, nextReading } from './next/next';
import { posteriorOf, type Prior, type Posterior } from './inference/posterior';
import { isIsolationReading, kindReadings, ownReadings } from './isolation/relevant';
import type { NextReading } from './next/say-next';
import { beforeWith, type KnownSibling } from './inference/siblings';

/** A kind that a control may be, with how likely. */
export interface Candidate {
  readonly kind: ControlKind;
  readonly probability: number;
  readonly estimates: Readonly<Record<string, Estimate>>;
}

/** Everything Probe can say about one control now. */
export interface ControlSurvey {
  readonly control: string;
  readonly posterior: Posterior;
  /** Most probable first. */
  readonly candidates: readonly Candidate[];
  readonly known: boolean;
  readonly signal: 'A' | 'B';
  readonly contradictions: readonly Contradiction[];
  /** None of the kinds, or built in a way not foreseen: how likely, whether it leads, and the readings that fit the leading kind least. */
  readonly remainder: Remainder;
}

/** A survey as the screens show it: without the weights of the builds, of which there are some ten thousand numbers a control. */
export type SeenSurvey = Omit<ControlSurvey, 'posterior'> & {
  readonly posterior: Omit<Posterior, 'before' | 'weights' | 'supplies'>;
};

/** A survey without what only the core needs of it. */
export function seenSurvey(s: ControlSurvey): SeenSurvey {
  const { kinds, other, leading, evidence, slip } = s.posterior;
  return { ...s, posterior: { kinds, other, leading, evidence, slip } };
}

/** A stranger is called what it is from here on, where chance is told as likely (`words-of-chance`). */
const CALLED_AT = 0.8;
const strangerOf = (p: Posterior): StrangerKind | null => STRANGER_KINDS.find((k) => p.kinds[k] >= CALLED_AT) ?? null;

/** How likely it is none of the kinds. */
export interface Remainder {
  readonly probability: number;
  readonly leads: boolean;
  /** What it goes together as, where that is likely: a structure that is none of the kinds. */
  readonly as: StrangerKind | null;
  readonly misfits: readonly string[];
}

/** From this share on a reading is taken for a slip. */
const SLIPPED = 0.5;
const kept = new Map<string, ControlSurvey>();
/** A survey is a pure function of its readings and what came before; the last few are kept, so that an edit elsewhere costs nothing. */
const MOST_KEPT = 300;

const keyOf = (job: Job, control: string, before: Prior): string =>
  JSON.stringify([control, kindReadings(job, control), before, mayReckon(job.controls.length)]);

function surveyWith(job: Job, control: string, before: Prior): ControlSurvey {
  const key = keyOf(job, control, before);
  const known = kept.get(key);
  if (known) return known;
  const all = kindReadings(job, control);
  const meters = dcOnAc(all);
  const readings = all.filter((r) => !meters.includes(r));
  const posterior = posteriorOf(readings, before);
  const candidates = ranked(posterior).map((kind) => ({
    kind,
    probability: posterior.kinds[kind],
    // Values of a kind that is as good as excluded interest nobody.
    estimates: posterior.kinds[kind] < 0.002 ? {} : estimates(kind, signalSide(kind, posterior), readings, posterior),
  }));
  const leads = posterior.other > posterior.kinds[posterior.leading];
  const misfits = readings.filter((r) => (posterior.slip[r.id] ?? 0) >= SLIPPED).map((r) => r.id);
  const survey: ControlSurvey = {
    control,
    posterior,
    remainder: { probability: posterior.other, leads, misfits, as: strangerOf(posterior) },
    candidates,
    signal: signalSide(posterior.leading, posterior),
    known: firstItem(candidates).probability >= KNOWN_AT,
    contradictions: contradictionsIn(readings, posterior, mayReckon(job.controls.length)),
  };
  if (kept.size >= MOST_KEPT) kept.delete(present(kept.keys().next().value));
  kept.set(key, survey);
  return survey;
}

/** What a control tells of its neighbours once it is known by its own readings. */
function siblingOf(s: ControlSurvey): KnownSibling[] {
  if (!s.known) return [];
  const supply = firstItem(s.candidates).estimates['supplyVolts'];
  return [
    {
      control: s.control,
      kind: firstItem(s.candidates).kind,
      supplyVolts: supply && supply.steps.length > 0 ? supply.value.nominal : null,
    },
  ];
}

/**
 * The candidates of every control of a job. Controls of one board share a supply and are often built alike: those that are
 * known by their own readings give the others a better beginning.
 */
export function surveysOf(job: Job): ControlSurvey[] {
  const alone = beforeWith([], job.survey.meter);
  const first = job.controls.map((c) => surveyWith(job, c.id, alone));
  const known = first.flatMap(siblingOf);
  return first.map((s) => {
    const others = known.filter((k) => k.control !== s.control);
    return s.known || others.length === 0 ? s : surveyWith(job, s.control, beforeWith(others, job.survey.meter));
  });
}

/** The candidates of one control. Throws RangeError for a control that the job does not have. */
export function surveyOf(job: Job, control: string): ControlSurvey {
  const found = surveysOf(job).find((s) => s.control === control);
  if (!found) throw new RangeError(`the job has no control ${control}`);
  return found;
}

const nexts = new WeakMap<ControlSurvey, Map<string, NextReading | null>>();

/**
 * The next reading of a surveyed control; see `nextReading`. Kept with the survey, so that an edit to one control does
 * not cost the others anything.
 */
export function nextFor(job: Job, survey: ControlSurvey, skip?: ReadonlySet<string>): NextReading | null {
  const name = job.controls.find((c) => c.id === survey.control)?.name;
  const key = JSON.stringify([
    name,
    job.wish.hazards,
    onlyListens(job),
    isolationOf(job, survey.control),
    [...(skip ?? [])],
  ]);
  const known = nexts.get(survey) ?? new Map<string, NextReading | null>();
  nexts.set(survey, known);
  let next = known.get(key);
  if (next === undefined) known.set(key, (next = nextReading(job, survey.control, survey.posterior, skip)));
  return next;
}

/** Candidates that no reading left could tell apart, where the control is isolated and not known; else empty. */
export function tieOf(job: Job, survey: ControlSurvey): ControlKind[] {
  if (
    survey.known ||
    survey.remainder.leads ||
    !['isolated', 'low-voltage'].includes(isolationOf(job, survey.control).verdict) ||
    nextFor(job, survey)
  )
    return [];
  let sum = 0;
  return survey.candidates
    .filter((c) => {
      const wanted = sum < KNOWN_AT;
      sum += c.probability;
      return wanted;
    })
    .map((c) => c.kind);
}

const sure = (share: number): 'yes' | 'no' | 'unknown' => (share > 0.95 ? 'yes' : share < 0.05 ? 'no' : 'unknown');

/** Which way strobes go, as a capture of the pad shows; undefined without one. */
function strobesOf(job: Job): 'yes' | 'no' | undefined {
  const polarity = job.survey.keypads.find((k) => k.scan)?.scan?.polarity;
  return polarity === undefined ? undefined : polarity === 'low' ? 'yes' : 'no';
}

/**
 * Under this an AC reading across a pair is hum, V; a DC reading of more than this share of it makes it a rectified
 * supply, which is neither.
 */
const HUM_VOLTS = 2;
const RECTIFIED_SHARE = 0.3;

/** Whether a pair that may alternate does, by what was read across it; undefined where that was not read. */
function readAlternating(job: Job, control: string, kind: ControlKind): ControlFact['alternating'] | undefined {
  if (kind !== 'dry-pair' && kind !== 'switched-load') return undefined;
  const across = kindReadings(job, control).filter(
    (r) => r.state === 'idle' && r.from.kind === 'contact' && r.to.kind === 'contact',
  );
  const most = (of: 'volts-ac' | 'volts-dc'): number | null =>
    across.filter((r) => r.kind === of).reduce<number | null>((m, r) => Math.max(m ?? 0, Math.abs(r.value)), null);
  const [ac, dc] = [most('volts-ac'), most('volts-dc')];
  if (ac === null || ac <= HUM_VOLTS) return dc !== null && dc > HUM_VOLTS && ac !== null ? 'no' : undefined;
  return dc !== null && dc > RECTIFIED_SHARE * ac ? 'unknown' : 'yes';
}

/** The highest current read through the closed pair; it is never averaged away. */
function mostAmps(job: Job, control: string): number | null {
  const amps = kindReadings(job, control)
    .filter((r) => r.kind === 'amps')
    .map((r) => Math.abs(r.value));
  return amps.length ? Math.max(...amps) : null;
}

/** Two of one make are read within this share of each other: parts of 5 %, and a meter (`alike-share`). */
const ALIKE_SHARE = 0.2;
/** Under this a reading is as good as nothing, in base units: what hand-held meters show of a short, of open leads, of no current. */
const AS_NOTHING: Readonly<Partial<Record<Reading['kind'], number>>> = {
  'volts-dc': 0.05,
  'volts-ac': 0.05,
  ohms: 1,
  amps: 1e-5,
};

const placeOfReading = (r: Reading): string => JSON.stringify([r.kind, r.state, r.from, r.to]);

/** What is seen of a button that was let go. */
const COMES_BACK: readonly Reading['said'][] = ['springs-back', 'stays-down'];

/** Whether two readings of one place, of two of one make, go together. */
function goTogether(r: Reading, same: Reading): boolean {
  // One place can be looked at for several things; only whether a button comes back has two answers.
  if (r.kind === 'look') return r.said === same.said || ![r, same].every((x) => COMES_BACK.includes(x.said));
  if (r.said !== same.said || r.relation !== same.relation) return false;
  if (r.relation !== '=') return true;
  const most = Math.max(Math.abs(r.value), Math.abs(same.value));
  return most <= (AS_NOTHING[r.kind] ?? 0) || Math.abs(r.value - same.value) <= ALIKE_SHARE * most;
}

/** Whether a reading bears out that two are alike: a look, or a value that is as good as nothing, is the same in many that are not. */
const bearsOut = (r: Reading, same: Reading): boolean =>
  goTogether(r, same) && r.relation === '=' && Math.abs(r.value) > (AS_NOTHING[r.kind] ?? 0);

/** Own readings of how a control is built, without those of its tie to mains. */
const builtReadings = (job: Job, control: string): readonly Reading[] =>
  ownReadings(job, control).filter((r) => !isIsolationReading(r));

/** Own readings of a control with what was read at the same place of the one that it is taken to be like; undefined where nothing was. */
function beside(job: Job, control: string): readonly (readonly [own: Reading, same: Reading | undefined])[] {
  const root = likeOf(job, control);
  if (root === control) return [];
  const there = builtReadings(job, root);
  return builtReadings(job, control).map((r) => [r, there.find((x) => placeOfReading(x) === placeOfReading(r))]);
}

/** Own readings that say a control is not like the one that it is taken for: other than what was read there, or fitting nothing. */
export const unlike = (
  job: Job,
  s: Pick<ControlSurvey, 'control'> & { posterior: Pick<Posterior, 'slip'> },
): readonly Reading[] =>
  beside(job, s.control).flatMap(([r, same]) =>
    (same ? !goTogether(r, same) : (s.posterior.slip[r.id] ?? 0) >= SLIPPED) ? [r] : [],
  );

/**
 * Whether all that is known of how a control is built was read of another, which it is taken to be like: until one value that was read
 * there was read of itself. What was read of its tie to mains, or elsewhere, bears out nothing of that.
 */
export function isBorrowed(job: Job, control: string): boolean {
  const root = likeOf(job, control);
  if (root === control) return false;
  const [own, there] = [builtReadings(job, control), builtReadings(job, root)];
  return own.length < Math.max(1, there.length) && !beside(job, control).some(([r, same]) => same && bearsOut(r, same));
}

/** A control as one of the kinds that it may be; `kind` is null while that is not known. */
function factAs(job: Job, s: ControlSurvey, as: Candidate, kind: ControlKind | null): ControlFact {
  const isolation = isolationOf(job, s.control);
  const times = Object.values(as.estimates)
    .map((e) => e.at)
    .sort();
  return {
    kind,
    leading: as.kind,
    probability: as.probability,
    parameters: Object.fromEntries(Object.entries(as.estimates).map(([k, e]) => [k, e.value])),
    read: Object.fromEntries(
      Object.entries(as.estimates).flatMap(([k, e]) => (e.steps.length > 0 && !e.guessed ? [[k, e.at]] : [])),
    ),
    borrowed: isBorrowed(job, s.control),
    readings: kindReadings(job, s.control).length,
    alternating:
      readAlternating(job, s.control, as.kind) ?? sure(shareWith(as.kind, s.posterior, (b) => b.alternating)),
    strobesLow: strobesOf(job) ?? sure(shareWith(as.kind, s.posterior, (b) => b.flag)),
    farSide: farSideOf(as.kind, s.posterior),
    mostAmps: mostAmps(job, s.control),
    contradicted: s.contradictions.length > 0,
    lastReadingAt: times[times.length - 1] ?? '',
    isolation: isolation.verdict,
    dangerous: isolation.dangerous,
    signal: s.signal,
    tied: [],
  };
}

/** What the other rooms may know of one control. */
function controlFact(job: Job, s: ControlSurvey): ControlFact {
  const alike = unlike(job, s).length === 0;
  const best = firstItem(s.candidates);
  const tie = alike ? tieOf(job, s) : [];
  return {
    ...factAs(job, s, best, s.known && alike ? present(CONTROL_KINDS.find((k) => k === best.kind)) : null),
    tied: tie.length < 2 ? [] : s.candidates.flatMap((c) => (tie.includes(c.kind) ? [factAs(job, s, c, c.kind)] : [])),
  };
}

/** What the other rooms may know of each control. */
export const controlFacts = (job: Job, surveys: readonly ControlSurvey[]): Facts['controls'] =>
  Object.fromEntries(surveys.map((s): [string, ControlFact] => [s.control, controlFact(job, s)]));
