import type { ReadingSpec } from '../../../engines/circuit';
import { ELV_AC_VOLTS } from '../../../engines/electrics';
import type { Isolation } from '../../../ground/facts';
import type { Job, MainsSide, Meter, Point, Reading } from '../../../ground/job';
import { acChecks, acMissing, loadsMissing, overLimits, type AcCheck } from './ac-checks';
import { joins, same } from './points';
import { isIsolationReading, readingsOf } from './relevant';
import { batteryWanted, hasBattery, showsNone, showsTie, throughJunction } from './second-look';

/** Ohms to a mains pin under which a control counts as tied to mains, and over which as apart (`isolation-bounds`). */
export const TIED_BELOW_OHMS = 1e6;
/** Ohms to a mains pin over which a control counts as apart from it (`isolation-bounds`). */
export const APART_ABOVE_OHMS = 10e6;
/** Insulation at 500 V DC, Ω: basic and reinforced (`insulation-test`). */
const BASIC_OHMS = 2e6;
/** Reinforced insulation at 500 V DC, Ω (`insulation-test`). */
export const REINFORCED_OHMS = 7e6;
/** A contact with less than this to ground is ground itself for the purpose of isolation, Ω. */
const SAME_NODE_OHMS = 2;
/**
 * Two points with no more than this between them, unplugged, are tied to mains together or not at all: what leads from the one to a pin
 * leads from the other over so little more (Kirchhoff). No junction reads so little on an ohmmeter's highest ranges, Ω.
 */
const JOINED_OHMS = 100e3;

const GROUND: Point = { kind: 'ground', name: '' };
const contact = (name: string): Point => ({ kind: 'contact', name });

/** What is asked of the machine before its isolation can be read. */
export type MainsQuestion = 'feed' | 'cables' | 'mainSwitch' | 'earth' | 'battery';

/** What is known of the isolation of a control, and what is still wanted. */
export interface IsolationState {
  readonly verdict: Isolation;
  /** Questions still open, in their order; no reading is asked for before they are answered. */
  readonly asks: readonly MainsQuestion[];
  /** Readings still wanted, in the safe order. */
  readonly missing: readonly ReadingSpec[];
  /** The lowest resistance to a mains pin, where one was read. */
  readonly lowest: Reading | null;
  readonly insulation: Reading | null;
  /** What was read on the diode range or by the battery, ties first. */
  readonly seconds: readonly Reading[];
  readonly ac: readonly AcCheck[];
  readonly dangerous: boolean;
  /** The reading that makes it dangerous. */
  readonly worst: Reading | null;
}

/** The questions that a machine's mains side leaves open, those that only the isolation of a control asks included. */
export const controlQuestionsOf = (m: MainsSide): MainsQuestion[] => [
  ...questionsOf(m),
  ...(!offMains(m) && batteryWanted(m) ? ['battery' as const] : []),
];

/** The questions that a machine's mains side leaves open. */
export function questionsOf(m: MainsSide): MainsQuestion[] {
  if (m.feed === 'unknown') return ['feed'];
  if (m.feed === 'none' && m.cables === 'unknown') return ['cables'];
  if (m.feed === 'none' && m.cables === 'none') return [];
  return [
    ...(m.mainSwitch === 'unknown' ? ['mainSwitch' as const] : []),
    ...(m.earth === 'unknown' ? ['earth' as const] : []),
  ];
}

/** True where nothing of mains can reach the machine: no plug, no charger, no cable. */
export const offMains = (m: MainsSide): boolean => m.feed === 'none' && m.cables === 'none';

/** What a reading proves at least, Ω: `over range` proves no more than where this meter ends. */
const provenOhms = (r: Reading, meter: Meter): number =>
  r.relation === '<' ? 0 : Math.min(r.value, r.kind === 'ohms' ? meter.mostOhms : Number.POSITIVE_INFINITY);

/** Whether a reading proves that a point is apart from a mains pin. */
export const provesApart = (r: Reading, meter: Meter): boolean => provenOhms(r, meter) >= APART_ABOVE_OHMS;

const PINS: readonly Point['kind'][] = ['live', 'neutral', 'mains'];

function lowestTo(
  readings: readonly Reading[],
  kind: Reading['kind'],
  point: Point,
  pins: readonly Point['kind'][],
): Reading | undefined {
  return readings
    .filter(
      (r) =>
        r.kind === kind &&
        ((same(r.from, point) && pins.includes(r.to.kind)) || (same(r.to, point) && pins.includes(r.from.kind))),
    )
    .sort((a, b) => a.value - b.value)[0];
}

/** True where a point was read against live and neutral, singly or clipped together. */
function covered(readings: readonly Reading[], kind: Reading['kind'], point: Point): boolean {
  const has = (pin: Point['kind']): boolean => lowestTo(readings, kind, point, [pin]) !== undefined;
  return has('mains') || (has('live') && has('neutral'));
}

/** What was read of one control's isolation, whatever is still wanted. */
interface Evidence {
  readonly readings: readonly Reading[];
  /** Points that are read: ground, and each terminal that is not ground itself. */
  readonly points: readonly Point[];
  readonly lowest: Reading | null;
  readonly insulation: Reading | null;
  readonly seconds: readonly Reading[];
  /** Every point passed an insulation test of reinforced insulation. */
  readonly tested: boolean;
  /** Points of those that are joined to none that was read to the pins. */
  readonly unread: readonly Point[];
  /** The point whose volts to earth are asked for, and what was read there; what was read of the other points counts as well. */
  readonly acPoint: Point;
  readonly acOfA: readonly AcCheck[];
  readonly ac: readonly AcCheck[];
  /** AC readings under a load that other points than A still want. */
  readonly loads: readonly ReadingSpec[];
  readonly tied: boolean;
  /** The reading that is over extra-low voltage. */
  readonly worst: Reading | null;
}

/**
 * Whether a battery is what tells a tie to either pin: nobody has a tester, and the plug goes in one way only, or there is none, or the
 * meter's ohms end too soon to prove anything.
 */
const byBattery = ({ mains, meter }: Job['survey']): boolean =>
  mains.tester === 'none' && hasBattery(mains) && (mains.feed !== 'plug-turns' || meter.mostOhms < APART_ABOVE_OHMS);

function evidenceOf(job: Job, control: string): Evidence {
  const { meter, mains } = job.survey;
  const readings = readingsOf(job, control);
  const points = [GROUND, contact('A'), contact('B')].filter(
    (p) => p.kind === 'ground' || !isGround(readings, contact(p.name)),
  );
  const to = (kind: Reading['kind']): Reading | null =>
    readings
      .filter((r) => r.kind === kind && isIsolationReading(r) && r.from.kind !== 'earth' && r.to.kind !== 'earth')
      .sort((a, b) => a.value - b.value)[0] ?? null;
  const [lowest, insulation] = [to('ohms'), to('insulation')];
  const seconds = readings
    .filter((r) => (r.kind === 'diode' || r.kind === 'battery') && isIsolationReading(r))
    .sort((a, b) => Number(leadsToPin(b, job.survey)) - Number(leadsToPin(a, job.survey)));
  const [ofA, ofGround] = [acChecks(readings, contact('A')), acChecks(readings, GROUND)];
  // Whoever reads the ground has read all that is joined to it, of every control.
  const byGround = ofA.length === 0 && joined(readings, contact('A'), GROUND, JOINED_OHMS);
  const [acPoint, acOfA] = byGround ? [GROUND, ofGround] : [contact('A'), ofA];
  const others = [contact('B'), byGround ? contact('A') : GROUND].map((p) => ({ p, checks: acChecks(readings, p) }));
  const ac = [...acOfA, ...others.flatMap(({ checks }) => checks)];
  return {
    readings,
    points,
    unread: points.filter((p) => !reaches(readings, points, p, meter)),
    acPoint,
    lowest,
    insulation,
    seconds,
    tested:
      oneOfEach(readings, points).every((p) => covered(readings, 'insulation', p)) &&
      insulation !== null &&
      provenOhms(insulation, meter) >= REINFORCED_OHMS,
    acOfA,
    ac,
    loads: others.flatMap(({ p, checks }) => (checks.length > 0 ? loadsMissing(checks, p) : [])),
    tied:
      readings.some((r) => leadsToPin(r, job.survey)) ||
      throughJunction(seconds, mains.batteryVolts) !== undefined ||
      ac.some((c) => c.is === 'tied'),
    worst: worstOf(readings, ac),
  };
}

/** Whether two points were read with no more than so many ohms between them, unplugged, in every such reading. */
function joined(readings: readonly Reading[], p: Point, q: Point, most: number): boolean {
  const between = readings.filter((r) => r.kind === 'ohms' && r.state === 'off' && joins(r, p, q));
  return between.length > 0 && between.every((r) => r.relation !== '>' && r.value <= most);
}

/** One point of each group that is joined. */
const oneOfEach = (readings: readonly Reading[], points: readonly Point[]): readonly Point[] =>
  points.filter((p, i) => !points.slice(0, i).some((q) => joined(readings, p, q, JOINED_OHMS)));

/** A contact that is as good as ground for the purpose of isolation. */
const isGround = (readings: readonly Reading[], point: Point): boolean =>
  joined(readings, point, GROUND, SAME_NODE_OHMS);

/**
 * The terminal that is ground in every state of the button; null where neither reads so, or both do: then the button itself may join them
 * at rest.
 */
export function groundSide(readings: readonly Reading[]): Point | null {
  const [a, b] = [contact('A'), contact('B')].map((p) => (isGround(readings, p) ? p : null));
  return a && b ? null : (a ?? b ?? null);
}

/** Whether a point was read against both pins by a reading that proves it apart with room for what joins others to it. */
const anchors = (readings: readonly Reading[], p: Point, meter: Meter): boolean => {
  const r = lowestTo(readings, 'ohms', p, PINS);
  return covered(readings, 'ohms', p) && r !== undefined && provenOhms(r, meter) >= APART_ABOVE_OHMS + 2 * JOINED_OHMS;
};

/** Whether a point was read against both pins, or is joined, over one other at most, to a point that was and is apart from them. */
function reaches(readings: readonly Reading[], points: readonly Point[], p: Point, meter: Meter): boolean {
  if (covered(readings, 'ohms', p)) return true;
  const next = (from: Point): readonly Point[] =>
    points.filter((q) => !same(q, from) && joined(readings, from, q, JOINED_OHMS));
  const near = next(p);
  return [...near, ...near.flatMap(next)].some((q) => anchors(readings, q, meter));
}

/** A reading that may spare one to the pins: from a point to another that is apart from them, not taken yet. */
function sparing(e: Evidence, p: Point, meter: Meter): ReadingSpec | null {
  const order = p.kind === 'contact' ? [contact(p.name === 'A' ? 'B' : 'A'), GROUND] : [];
  const other = order.find(
    (q) =>
      e.points.some((x) => same(x, q)) &&
      !e.unread.some((x) => same(x, q)) &&
      (anchors(e.readings, q, meter) || q.kind === 'contact') &&
      !e.readings.some((r) => r.kind === 'ohms' && r.state === 'off' && joins(r, p, q)),
  );
  if (!other) return null;
  const [from, to] = other.kind === 'contact' && p.kind === 'contact' && p.name === 'B' ? [other, p] : [p, other];
  return { from, to, state: 'off', kind: 'ohms' };
}

/** Whether a reading shows less than a bound; one that only says more than something does not. */
const isUnder = (r: Reading, ohms: number): boolean => r.relation !== '>' && r.value < ohms;

/** Whether a reading shows that its place is tied to a pin of the plug, whichever tip lay there and whichever setting tells. */
export function leadsToPin(r: Reading, { mains, meter }: Pick<Job['survey'], 'mains' | 'meter'>): boolean {
  if (!toPin(r)) return false;
  if (r.kind === 'ohms') return isUnder(r, TIED_BELOW_OHMS);
  if (r.kind === 'continuity') return r.said === 'beep';
  return r.kind === 'insulation' ? isUnder(r, BASIC_OHMS) : showsTie(r, mains.batteryVolts, meter, TIED_BELOW_OHMS);
}

const worstOf = (readings: readonly Reading[], ac: readonly AcCheck[]): Reading | null =>
  readings.filter(overLimits).sort((a, b) => Math.abs(b.value) - Math.abs(a.value))[0] ??
  ac.flatMap((c) => (c.is === 'tied' ? [c.open, c.loaded?.reading] : [])).find((r) => r && r.value > ELV_AC_VOLTS) ??
  null;

/** Readings still wanted of a machine that mains can reach, in the safe order. */
function missingOf(e: Evidence, survey: Job['survey']): ReadingSpec[] {
  const { mains, meter } = survey;
  const turns = mains.feed === 'plug-turns';
  const ohms = e.unread.map(
    (p): ReadingSpec =>
      sparing(e, p, meter) ?? { from: p, to: { kind: halfDone(e.readings, p), name: '' }, state: 'off', kind: 'ohms' },
  );
  const exchanged =
    ohms.length > 0 || e.tested
      ? []
      : e.points
          .filter((p) => covered(e.readings, 'ohms', p) && (between(e.readings, p, meter) || unheard(e, p)))
          .flatMap((p): ReadingSpec[] => {
            const pins: Point = { kind: 'mains', name: '' };
            const ohms = { state: 'off', kind: 'ohms' } as const;
            // What is not apart is not made so by reading it once more.
            const slips = p.kind === 'ground' && unheard(e, p);
            const times = slips && e.lowest && provesApart(e.lowest, meter) ? timesWanted(e, p) : 1;
            return [
              ...(redOn('point', e.readings, p) < times ? [{ from: p, to: pins, ...ohms }] : []),
              ...(redOn('pins', e.readings, p) < times ? [{ from: pins, to: p, ...ohms }] : []),
            ];
          });
  const past = ohms.length + exchanged.length > 0 || e.tested ? [] : pastBattery(e, survey);
  // What this meter cannot prove, or what lies between tied and apart, is found by an insulation test alone, before anything is plugged in.
  const unproven =
    e.lowest !== null && ohms.length === 0 && exchanged.length === 0 && !provesApart(e.lowest, meter) && !e.tested;
  // So is a tie that shows in the other position only, where the plug goes in one way, or there is none.
  const tests =
    (turns && !unproven) || e.tested || mains.tester === 'none'
      ? []
      : oneOfEach(e.readings, e.points)
          .filter((p) => !covered(e.readings, 'insulation', p))
          .map((p): ReadingSpec => ({ from: p, to: { kind: 'mains', name: '' }, state: 'off', kind: 'insulation' }));
  const ac = [...acMissing(e.acOfA, e.acPoint, turns && !e.tested), ...e.loads];
  return unproven ? [...past, ...tests, ...ac] : [...ohms, ...exchanged, ...past, ...ac, ...tests];
}

/** Whether all that proves a control apart from mains was read, with nothing left to ask or to read. */
function isProven(e: Evidence, { mains, meter }: Job['survey']): boolean {
  const switched = mains.mainSwitch === 'closed' || mains.mainSwitch === 'none';
  const apart = e.lowest !== null && (provesApart(e.lowest, meter) || e.tested);
  return switched && apart && (mains.feed === 'plug-turns' || e.tested);
}

/** Whether ohms leave it open that it is apart: over range proves little on a meter that ends soon, and a battery proves the rest. */
const mayBeApart = ({ lowest }: Evidence, meter: Meter): boolean =>
  lowest !== null && (lowest.relation === '>' || provesApart(lowest, meter));

/**
 * Whether everything was read that tells of a tie at low voltage, and shows none: each point to both pins, both ways round, with a meter
 * that can prove it, and AC to earth, under a load where it read high. A spark gap, a varistor or a damp board between the sides is not
 * seen so.
 */
const isApartAtLowVoltage = (e: Evidence, survey: Job['survey']): boolean =>
  byBattery(survey) &&
  (survey.mains.mainSwitch === 'closed' || survey.mains.mainSwitch === 'none') &&
  mayBeApart(e, survey.meter) &&
  e.unread.length === 0 &&
  pastBattery(e, survey).length === 0 &&
  e.seconds
    .filter((r) => r.kind === 'battery')
    .every((r) => showsNone(r, survey.mains.batteryVolts, survey.meter, APART_ABOVE_OHMS)) &&
  e.acOfA.length > 0;

/** What is known of the isolation of one control from mains, and what is still to be asked and read. */
export function isolationOf(job: Job, control: string): IsolationState {
  const { survey } = job;
  const evidence = evidenceOf(job, control);
  const { lowest, insulation, seconds, ac, acOfA, acPoint, loads, tied, worst } = evidence;
  const asks = controlQuestionsOf(survey.mains);
  // Nothing of mains reaches it, as was said: what is left is what its own readings show, and they may say otherwise.
  const off = offMains(survey.mains);
  const missing = off ? [...loadsMissing(acOfA, acPoint), ...loads] : missingOf(evidence, survey);
  const done = missing.length === 0 && (off || asks.length === 0);
  const proven = done && (off || isProven(evidence, survey));
  const low = done && isApartAtLowVoltage(evidence, survey);
  const verdict: Isolation = worst || tied ? 'not-isolated' : proven ? 'isolated' : low ? 'low-voltage' : 'unknown';
  return { verdict, asks, missing, lowest, insulation, seconds, ac, dangerous: worst !== null, worst };
}

/** True where the lowest that was read of a point is neither tied nor apart: a rectifier's junctions read so, and so does a bleeder. */
function between(readings: readonly Reading[], p: Point, meter: Meter): boolean {
  const r = lowestTo(readings, 'ohms', p, PINS);
  return r !== undefined && r.relation !== '>' && r.value >= TIED_BELOW_OHMS && !provesApart(r, meter);
}

/**
 * How often a point was read against both pins with the red tip on it, or on the pins: a junction shows one way round alone, so what was
 * read the other way, or at one pin, says nothing of it.
 */
function redOn(
  which: 'point' | 'pins',
  readings: readonly Reading[],
  p: Point,
  kind: Reading['kind'] = 'ohms',
): number {
  const times = (pin: Point['kind']): number =>
    readings.filter((r) => {
      const [point, other] = which === 'point' ? [r.from, r.to] : [r.to, r.from];
      return r.kind === kind && same(point, p) && other.kind === pin;
    }).length;
  return times('mains') + Math.min(times('live'), times('neutral'));
}

/**
 * Readings with the battery still wanted, twice each way round, so that no slip of the hand at the one that shows a junction hides it: at
 * each point, or at one of those that are joined.
 */
function pastBattery(e: Evidence, survey: Job['survey']): ReadingSpec[] {
  if (!byBattery(survey) || !mayBeApart(e, survey.meter)) return [];
  const pins: Point = { kind: 'mains', name: '' };
  const how = { state: 'off', kind: 'battery' } as const;
  return oneOfEach(e.readings, e.points).flatMap((p) => [
    ...(redOn('point', e.readings, p, 'battery') < TWICE ? [{ from: p, to: pins, ...how }] : []),
    ...(redOn('pins', e.readings, p, 'battery') < TWICE ? [{ from: pins, to: p, ...how }] : []),
  ]);
}
const TWICE = 2;

/**
 * How often each way round a point is to be read where volts to earth tell nothing of it: once where another that is joined to it is read
 * as well, else twice, so that no slip of the hand at the one reading that shows a junction hides it.
 */
const timesWanted = ({ readings, points }: Evidence, p: Point): number =>
  points.some((q) => !same(p, q) && joined(readings, p, q, JOINED_OHMS)) ? 1 : 2;

/**
 * Whether volts to earth tell nothing of a point: none were read there, and it was read to be joined to none where they were. A junction to
 * one pin of the plug shows there by ohms the other way round alone.
 */
function unheard({ readings, points, acPoint }: Evidence, p: Point): boolean {
  const heard = (q: Point): boolean => same(q, acPoint) || acChecks(readings, q).length > 0;
  const read = (q: Point): boolean => readings.some((r) => r.kind === 'ohms' && r.state === 'off' && joins(r, p, q));
  const others = points.filter((q) => !same(p, q));
  const joinedTo = (q: Point): readonly Point[] =>
    others.filter((x) => !same(x, q) && joined(readings, q, x, JOINED_OHMS));
  return (
    !heard(p) &&
    others.some((q) => heard(q) && read(q)) &&
    ![p, ...joinedTo(p)].some((q) => heard(q) || joinedTo(q).some(heard))
  );
}

function halfDone(readings: readonly Reading[], p: Point): 'live' | 'neutral' | 'mains' {
  if (lowestTo(readings, 'ohms', p, ['live'])) return 'neutral';
  if (lowestTo(readings, 'ohms', p, ['neutral'])) return 'live';
  return 'mains';
}

/** Whether a reading goes to a pin of the plug, whichever tip lies there. */
export const toPin = (r: Pick<Reading, 'from' | 'to'>): boolean => [r.from, r.to].some((p) => PINS.includes(p.kind));
