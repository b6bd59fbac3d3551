// What a meter of the bench shows at a board of the bench.
import type { Point, Reading } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import type { Control, Phase } from './board';
import { plugged, type Mains } from './mains';
import { shown, type BenchMeter } from './meters';
import { alternating, steady, type Part } from './solve';

export interface Bench {
  readonly control: Control;
  readonly mains: Mains;
  readonly meter: BenchMeter;
  /** Share of readings at which a hand slips. */
  readonly slips: number;
}
export type Spec = Pick<Reading, 'from' | 'to' | 'state' | 'kind'>;
export type Answer = Pick<Reading, 'value' | 'digit' | 'relation' | 'said'>;

const NODE: Partial<Record<Point['kind'], string>> = {
  ground: 'G',
  live: 'P',
  neutral: 'Q',
  mains: 'P',
  earth: 'E',
  rail: 'V',
};
const nodeOf = (p: Point): string => (p.kind === 'contact' ? p.name : NODE[p.kind]!);
const LOADS: Partial<Record<Spec['state'], number>> = {
  'loaded-10k': 10e3,
  'turned-10k': 10e3,
  'loaded-100k': 100e3,
  'turned-100k': 100e3,
  loaded: 1e3,
};
const TURNED: readonly Spec['state'][] = ['plug-turned', 'turned-10k', 'turned-100k'];

const number = (m: BenchMeter, truth: number, dc: boolean, random: Random, counter = false): Answer => ({
  ...shown(m, truth, dc, random, counter),
  relation: '=',
  said: '',
});

/** Volts of every phase with its share, the meter and what is clipped across it in place. */
function levels(
  phases: readonly Phase[],
  from: string,
  to: string,
  across: number,
): { share: number; volts: number }[] {
  return phases.map((p) => ({
    share: p.share,
    volts: steady([...p.parts, { is: 'r', a: from, b: to, ohms: across }], from, to),
  }));
}

/** The current through its own milliampere jack, A; what the hand must never let flow is judged on it too. */
export function shortAmps(b: Bench, from: string, to: string): number {
  const burden = b.meter.is.burdenOhms;
  return levels(b.control.phases('idle'), from, to, burden).reduce(
    (most, p) => Math.max(most, Math.abs(p.volts) / burden),
    0,
  );
}

/** A diode range puts so many volts behind so many ohms on its tips, and shows them up to its end. */
const DIODE = { volts: 2.9, ohms: 2.2e3, endsVolts: 2 } as const;
/** The battery of the bench, V. */
export const BATTERY_VOLTS = 9.1;

/** The second look at a way round: nothing is powered, live and neutral are clipped together. */
function secondLook(b: Bench, spec: Spec, from: string, to: string, random: Random): Answer {
  const dead: Part[] = [...b.control.dead(spec.state), ...b.mains.parts, { is: 'r', a: 'P', b: 'Q', ohms: 0.05 }];
  const put = (volts: number, ohms: number): number =>
    steady([...dead, { is: 'v', a: from, b: to, volts, ohms }], from, to);
  if (spec.kind === 'battery')
    return number(b.meter, BATTERY_VOLTS - put(BATTERY_VOLTS, b.meter.is.inputOhms), true, random);
  const across = put(DIODE.volts, DIODE.ohms);
  return across > DIODE.endsVolts
    ? { value: DIODE.endsVolts, digit: 0, relation: '>', said: '' }
    : number(b.meter, across, false, random);
}

/** What a setting without a capacitor shows: the mean of the one half wave, scaled for a sine, π/√2. */
const halfWave = (v: readonly { share: number; volts: number }[]): number =>
  (Math.PI / Math.SQRT2) * v.reduce((s, p) => s + p.share * Math.max(0, p.volts), 0);

/** The answer to a spec, before any slip of the hand. */
function answer(b: Bench, spec: Spec, random: Random): Answer {
  const [from, to] = [nodeOf(spec.from), nodeOf(spec.to)];
  const m = b.meter;
  if (spec.kind === 'look') return { value: 0, digit: 0, relation: '=', said: b.control.look };
  if (spec.kind === 'insulation') return number(m, b.mains.insulationOhms, false, random);
  if (spec.kind === 'ohms' || spec.kind === 'continuity') {
    const clip: Part[] =
      spec.to.kind === 'mains' || spec.from.kind === 'mains' ? [{ is: 'r', a: 'P', b: 'Q', ohms: 0.05 }] : [];
    const parts: Part[] = [
      ...b.control.dead(spec.state),
      ...b.mains.parts,
      ...clip,
      { is: 'v', a: from, b: to, volts: m.testVolts, ohms: m.testOhms },
    ];
    const volts = steady(parts, from, to);
    const ohms = volts / Math.max(1e-12, (m.testVolts - volts) / m.testOhms);
    if (spec.kind === 'continuity')
      return { value: 0, digit: 0, relation: '=', said: ohms < m.is.beepBelowOhms ? 'beep' : 'silent' };
    return ohms > m.is.mostOhms
      ? { value: m.is.mostOhms, digit: 0, relation: '>', said: '' }
      : number(m, ohms, false, random);
  }
  if (spec.kind === 'diode' || spec.kind === 'battery') return secondLook(b, spec, from, to, random);
  const across = LOADS[spec.state];
  const input = across ? 1 / (1 / across + 1 / m.is.inputOhms) : m.is.inputOhms;
  if (spec.kind === 'volts-ac' && [spec.from, spec.to].some((p) => p.kind === 'earth')) {
    const dead = b.control.phases('idle')[0]!.parts.map((p): Part => (p.is === 'v' ? { ...p, volts: 0 } : p));
    const stray: Part[] = [
      { is: 'c', a: 'A', b: 'G', farads: 5e-12 },
      { is: 'c', a: 'B', b: 'G', farads: 5e-12 },
      { is: 'c', a: 'G', b: 'E', farads: 60e-12 },
    ];
    const volts = alternating(
      [...dead, ...stray, ...plugged(b.mains, TURNED.includes(spec.state)), { is: 'r', a: from, b: to, ohms: input }],
      from,
      to,
    );
    return number(m, Math.hypot(volts, across ? 0 : m.hum), false, random);
  }
  const phases = b.control.phases(spec.state === 'plug-turned' || across ? 'idle' : spec.state);
  if (spec.kind === 'amps')
    return number(
      m,
      levels(phases, from, to, m.is.burdenOhms).reduce((s, p) => s + (p.share * p.volts) / m.is.burdenOhms, 0),
      true,
      random,
    );
  const v = levels(phases, from, to, input);
  const mean = v.reduce((s, p) => s + p.share * p.volts, 0);
  if (spec.kind === 'volts-dc') return number(m, mean, true, random);
  const most = Math.max(...v.map((p) => p.volts));
  const least = Math.min(...v.map((p) => p.volts));
  if (spec.kind === 'volts-ac') {
    const rms = Math.sqrt(v.reduce((s, p) => s + p.share * (p.volts - mean) ** 2, 0));
    const average = 1.11 * v.reduce((s, p) => s + p.share * Math.abs(p.volts - mean), 0);
    if (m.showsDc) return number(m, Math.hypot(halfWave(v), m.hum), false, random);
    return number(m, Math.hypot(m.is.trueRms ? rms : average, m.hum), false, random);
  }
  const hertz = b.control.hertz(spec.state);
  const counts = hertz > 0 && most - least > m.countsFrom;
  if (spec.kind === 'hertz') return number(m, counts ? hertz : 0, false, random, true);
  const middle = (most + least) / 2;
  const duty = number(
    m,
    counts ? v.reduce((s, p) => s + (p.volts > middle ? p.share : 0), 0) : most > 1 ? 1 : 0,
    false,
    random,
    true,
  );
  // No share of time is more than all of it.
  return { ...duty, value: Math.min(1, duty.value) };
}

const other = (p: Point): Point => (p.kind === 'contact' ? { kind: 'contact', name: p.name === 'A' ? 'B' : 'A' } : p);

/** The same, by a hand that now and then swaps its leads, takes the wrong terminal, makes no contact or forgets to press. */
export function taken(b: Bench, spec: Spec, random: Random): Answer {
  const asked = random.next();
  const which = random.next();
  if (spec.kind === 'look' || spec.kind === 'insulation' || asked >= b.slips) return answer(b, spec, random);
  if (which < 0.3) {
    return answer(b, { ...spec, from: spec.to, to: spec.from }, random);
  }
  if (which < 0.6) return answer(b, { ...spec, from: other(spec.from), to: other(spec.to) }, random);
  if (which < 0.8 && spec.state !== 'off' && spec.state !== 'idle' && !LOADS[spec.state])
    return answer(b, { ...spec, state: spec.kind === 'ohms' ? 'off' : 'idle' }, random);
  if (spec.kind === 'diode') return { value: DIODE.endsVolts, digit: 0, relation: '>', said: '' };
  return spec.kind === 'ohms'
    ? { value: b.meter.is.mostOhms, digit: 0, relation: '>', said: '' }
    : number(b.meter, 0, spec.kind === 'volts-dc', random);
}
