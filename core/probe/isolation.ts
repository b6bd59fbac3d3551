import type { ReadingSpec } from '../circuit';
import { against, atLeast, atMost, derive, finding, judged, measured, type Finding, type Remedy } from '../finding';
import { sayPoint, sayValue, type Isolation, type Job, type Point, type Reading } from '../job';
import { isIsolationReading, readingsOf } from './relevant';

/** Ohms to a mains pin under which a control counts as tied to mains, and over which as apart (`isolation-bounds`). */
export const TIED_BELOW_OHMS = 1e6;
export const APART_ABOVE_OHMS = 10e6;
/** Extra-low voltage limits, V. Source: IEC 61140. */
export const ELV_AC_VOLTS = 50;
export const ELV_DC_VOLTS = 120;
/** A contact with less than this to ground is ground itself for the purpose of isolation, Ω. */
const SAME_NODE_OHMS = 2;

const GROUND: Point = { kind: 'ground', name: '' };
const contact = (name: string): Point => ({ kind: 'contact', name });
const same = (p: Point, q: Point): boolean => p.kind === q.kind && p.name === q.name;

export interface IsolationState {
  readonly verdict: Isolation;
  /** Readings still wanted, in the safe order. */
  readonly missing: readonly ReadingSpec[];
  /** The lowest resistance to a mains pin, where one was read. */
  readonly lowest: Reading | null;
  readonly highestAc: Reading | null;
  readonly dangerous: boolean;
}

function worstTo(readings: readonly Reading[], point: Point, pins: readonly Point['kind'][]): Reading | undefined {
  return readings
    .filter((r) => r.kind === 'ohms' && ((same(r.from, point) && pins.includes(r.to.kind)) || (same(r.to, point) && pins.includes(r.from.kind))))
    .sort((a, b) => a.value - b.value)[0];
}

/** True where the ohms from a point to live and to neutral have been read, singly or clipped together. */
function covered(readings: readonly Reading[], point: Point): boolean {
  const has = (kind: Point['kind']): boolean => worstTo(readings, point, [kind]) !== undefined;
  return has('mains') || (has('live') && has('neutral'));
}

/** What is known of the isolation of one control from mains, and what is still to be read. */
export function isolationOf(job: Job, control: string): IsolationState {
  const readings = readingsOf(job, control);
  const tiedToGround = (name: string): boolean =>
    readings.some((r) => r.kind === 'ohms' && r.state === 'off' && r.relation !== '>' && r.value <= SAME_NODE_OHMS && joins(r, contact(name), GROUND));
  const points = [GROUND, contact('A'), contact('B')].filter((p) => p.kind === 'ground' || !tiedToGround(p.name));
  const missing: ReadingSpec[] = points
    .filter((p) => !covered(readings, p))
    .map((p) => ({ from: p, to: { kind: halfDone(readings, p), name: '' }, state: 'off', kind: 'ohms' }));
  const ohms = readings.filter((r) => r.kind === 'ohms' && isIsolationReading(r) && r.from.kind !== 'earth' && r.to.kind !== 'earth');
  const lowest = [...ohms].sort((a, b) => a.value - b.value)[0] ?? null;
  const ac = readings.filter((r) => r.kind === 'volts-ac' && (r.to.kind === 'earth' || r.from.kind === 'earth'));
  const highestAc = [...ac].sort((a, b) => b.value - a.value)[0] ?? null;
  const acMissing: ReadingSpec[] = ac.length > 0 ? [] : [{ from: contact('A'), to: { kind: 'earth', name: '' }, state: 'idle', kind: 'volts-ac' }];
  const dangerous = readings.some((r) => (r.kind === 'volts-ac' && r.value > ELV_AC_VOLTS) || (r.kind === 'volts-dc' && Math.abs(r.value) > ELV_DC_VOLTS));
  const verdict: Isolation =
    dangerous || (lowest && lowest.relation !== '>' && lowest.value < TIED_BELOW_OHMS)
      ? 'not-isolated'
      : missing.length === 0 && acMissing.length === 0 && lowest && apart(lowest)
        ? 'isolated'
        : 'unknown';
  return { verdict, missing: [...missing, ...acMissing], lowest, highestAc, dangerous };
}

const joins = (r: Reading, p: Point, q: Point): boolean => (same(r.from, p) && same(r.to, q)) || (same(r.from, q) && same(r.to, p));

/** `> 10 MΩ` proves as much as the number says; a display that ends at 2 MΩ proves nothing. */
const apart = (r: Reading): boolean => r.value >= APART_ABOVE_OHMS && r.relation !== '<';

function halfDone(readings: readonly Reading[], p: Point): 'live' | 'neutral' | 'mains' {
  if (worstTo(readings, p, ['live'])) return 'neutral';
  if (worstTo(readings, p, ['neutral'])) return 'live';
  return 'mains';
}

const placeOf = (r: Reading): string => `${sayPoint(r.from)} to ${sayPoint(r.to)}`;

/** The isolation findings of one control, gravest facts first. */
export function isolationFindings(job: Job, control: string, name: string): Finding[] {
  const s = isolationOf(job, control);
  const out: Finding[] = [];
  if (s.lowest) {
    const r = s.lowest;
    const step = derive('lowest resistance to a mains pin', 'R_low', 'R', 'Ω', [measured('R', placeOf(r), r.value, 'Ω', r.at, `${placeOf(r)}, ${sayValue(r)}`)]);
    const limit = atLeast(APART_ABOVE_OHMS, 'Ω', 'taken as apart', { from: 'source', key: 'isolation-bounds' });
    const tied = r.relation !== '>' && r.value < TIED_BELOW_OHMS;
    out.push(judged('probe', `${control}.isolation-ohms`, {
      title: tied ? `${name} is not isolated from mains: ${placeOf(r)} ${sayValue(r)}` : `Lowest resistance from ${name} to a mains pin`,
      caption: tied ? 'not isolated from mains' : 'isolation by ohms',
      steps: [step],
      limit,
      verdict: tied ? 'stop' : apart(r) ? 'settled' : 'unknown',
      remedy: tied ? NOT_ISOLATED : apart(r) ? null : { text: 'Between 1 MΩ and 10 MΩ nothing is proven. Dry and clean the board, take the reading again with the probes the other way round.' },
    }));
  }
  if (s.highestAc) {
    const r = s.highestAc;
    const step = derive('highest AC voltage to earth', 'V_AC', 'V', 'V', [measured('V', placeOf(r), r.value, 'V', r.at, `${placeOf(r)}, ${sayValue(r)}`)]);
    const limit = atMost(ELV_AC_VOLTS, 'V', 'limit of extra-low voltage', { from: 'source', key: 'iec-61140' });
    out.push(judged('probe', `${control}.isolation-ac`, {
      title: `AC from ${name} to earth`, caption: 'AC to earth', steps: [step], limit,
      verdict: against(r.value, limit), remedy: r.value > ELV_AC_VOLTS ? DANGEROUS_SIDE : null,
    }));
  }
  if (s.verdict === 'unknown' && s.missing.length > 0) {
    out.push(finding('probe', `${control}.isolation`, {
      verdict: 'unknown', title: `Isolation of ${name} from mains is not proven`, caption: 'isolation not proven', source: ['isolation-bounds', 'iec-61140'],
      remedy: { text: `Still to read: ${s.missing.map((m) => `${sayPoint(m.from)} to ${sayPoint(m.to)}, ${m.state === 'off' ? 'unplugged' : 'powered, AC volts'}`).join('; ')}. Until then no wire may join the two grounds.` },
    }));
  }
  if (s.verdict === 'isolated') {
    out.push(finding('probe', `${control}.isolation`, {
      verdict: 'settled', title: `${name} is isolated from mains, as far as these readings tell`, caption: 'isolated from mains', source: ['isolation-bounds', 'iec-61140'],
    }));
  }
  return out;
}

const NOT_ISOLATED: Remedy = {
  text: 'No shared ground, no transistor to ground, no USB lead while it is plugged in. Only a contact or an optocoupler with reinforced insulation, with a controller on its own isolated supply; the part inside belongs to someone licensed.',
};
const DANGEROUS_SIDE: Remedy = {
  text: 'This control is on the dangerous side. Press it from outside with a finger, or hand the inside to a licensed electrician.',
};
