import {
  alikeSums,
  carries,
  energyOf,
  kilowattHours,
  legsOf,
  lookAt,
  noisyLevels,
  proposeBand,
  reserveOf,
  timeAlong,
  TraceProblem,
  TraceReader,
  type Band,
  type Finish,
  type Leg,
  type NoisyLevel,
  type FoundBands,
  type Recording,
} from '../core/engines/trace';
import { lastItem } from '../core/ground/lists';
import { readRecordingFile } from './recording-file';
import { Unusable } from './unusable';

/** Odd rows and points of a curve that are told; there are as many in the counts. */
const MOST_TOLD = 20;

async function read(file: string): Promise<Recording> {
  try {
    return await readRecordingFile(new TraceReader(file), file);
  } catch (error) {
    if (error instanceof TraceProblem) throw new Unusable(`${file}: ${error.message}`);
    throw new Unusable(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

const rounded = (x: number, digits = 6): number => Number(x.toPrecision(digits));

/** Energy and its price; only power has any. */
function costOf(trace: Recording, from: number, to: number, tariff: number | undefined): object {
  if (trace.kind !== 'power') return {};
  const { joules, gapSeconds } = energyOf(trace, { fromSeconds: from, toSeconds: to });
  const kWh = kilowattHours(joules);
  return {
    kWh: rounded(kWh),
    ...(tariff === undefined ? {} : { cost: rounded(kWh * tariff, 4) }),
    ...(gapSeconds > 0 ? { notRecordedSeconds: rounded(gapSeconds) } : {}),
  };
}

/** When its runs end; null where it stands at one level alone, and nothing begins or ends. */
function endsOf(
  trace: Recording,
  { bands, best }: FoundBands,
  count: number | undefined,
): (Finish & { readonly band: Band }) | null {
  const band = bands[best];
  return band ? { ...lookAt(trace, band, count).finish, band } : null;
}

/**
 * What a recording shows: how it was read and what was odd, its levels, its runs with their energy, and the hold that tells their ends.
 * @param tariff price of a kilowatt hour.
 * @param states levels to tell apart, 1 to 4; found where it is left out.
 * @param runs how many runs it holds, where that is known.
 */
export async function traceVerb(
  file: string,
  tariff: number | undefined,
  states: number | undefined,
  runs: number | undefined,
): Promise<unknown> {
  const trace = await read(file);
  const proposal = proposeBand([{ recording: trace, runs: runs ?? null }], states);
  const levels = proposal.states;
  const finish = endsOf(trace, proposal, runs);
  const end = lastItem(trace.seconds);
  return {
    rows: trace.rows,
    samples: trace.seconds.length,
    kind: trace.kind,
    unit: trace.unit,
    unitGuessed: trace.unitGuessed,
    columns: trace.columns,
    startsAt: trace.startsAtMs === null ? null : new Date(trace.startsAtMs).toISOString(),
    seconds: rounded(end, 12),
    stepSeconds: rounded(trace.stepSeconds),
    gaps: trace.gaps.slice(0, MOST_TOLD),
    gapCount: trace.gaps.length,
    odd: trace.odd,
    marks: trace.marks.slice(0, MOST_TOLD),
    dayOrMonth: trace.dayOrMonth,
    levels: levels.levels.map((l) => ({ at: rounded(l.at, 4), share: rounded(l.share, 4) })),
    thresholds: levels.thresholds.map((t) => rounded(t, 4)),
    ...costOf(trace, 0, end, tariff),
    finish: finish && {
      by: finish.by,
      over: finish.band.over,
      under: finish.band.under,
      shortestHoldSeconds: rounded(finish.shortestSeconds),
      holdSeconds: rounded(finish.holdSeconds),
      carries: rounded(carries(finish.runs.length), 3),
      curve: finish.curve.slice(-MOST_TOLD),
      runs: finish.runs.map((r) => ({
        fromSeconds: rounded(r.fromSeconds, 12),
        seconds: rounded(r.toSeconds - r.fromSeconds),
        rests: r.dips.length,
        ...costOf(trace, r.fromSeconds, r.toSeconds, tariff),
      })),
    },
  };
}

/** What a meter that two machines hang on cannot tell apart, from a recording of each by itself. */
export async function togetherVerb(files: readonly string[]): Promise<unknown> {
  const [first, second] = files;
  if (first === undefined || second === undefined || files.length > 2)
    throw new Unusable('name two recordings: one of each machine by itself');
  const [a, b] = [await read(first), await read(second)];
  if (a.kind !== b.kind) throw new Unusable(`${first} is of ${a.unit}, and ${second} of ${b.unit}`);
  const [one, other] = [noisyLevels(a), noisyLevels(b)];
  const shown = (list: readonly NoisyLevel[]): object[] =>
    list.map((l) => ({ at: rounded(l.at, 4), noise: rounded(l.noise, 3) }));
  const alike = alikeSums(one, other);
  return {
    unit: a.unit,
    first: shown(one),
    second: shown(other),
    told: alike.length === 0,
    alike: alike.map((x) => ({
      one: x.one,
      other: x.other,
      apart: rounded(x.apart, 3),
      noiseAsksFor: rounded(x.wanted, 3),
    })),
  };
}

/**
 * What a logged temperature says of its room: each stretch in which it got warmer or colder, with its time constant.
 * @param low and high a band, where it is to be told how long it is on and off in it.
 */
export async function roomVerb(file: string, low: number | undefined, high: number | undefined): Promise<unknown> {
  const trace = await read(file);
  if (trace.kind !== 'temperature') throw new Unusable(`${file}: it is of ${trace.unit}, and no temperature`);
  if ((low === undefined) !== (high === undefined)) throw new Unusable('--low and --high belong together');
  const legs = legsOf(trace);
  const least = (way: Leg['way'], from: number, to: number): number | null => {
    const times = legs.filter((l) => l.way === way).map((l) => timeAlong(l, from, to));
    const seconds = Math.min(...times);
    return Number.isFinite(seconds) ? rounded(seconds) : null;
  };
  const onSeconds = low === undefined || high === undefined ? null : least('warmer', low, high);
  const offSeconds = low === undefined || high === undefined ? null : least('colder', high, low);
  return {
    unit: trace.unit,
    legs: legs.map((l) => ({
      way: l.way,
      fromSeconds: rounded(l.fromSeconds),
      seconds: rounded(l.toSeconds - l.fromSeconds),
      startsAt: rounded(l.startsAt, 4),
      goesTo: rounded(l.goesTo, 4),
      goesToIsGuess: l.short,
      tauSeconds: rounded(l.tauSeconds, 4),
      deadSeconds: rounded(l.deadSeconds, 3),
      rms: rounded(l.rms, 3),
    })),
    ...(low === undefined
      ? {}
      : {
          leastOnSeconds: onSeconds,
          leastOffSeconds: offSeconds,
          cyclesAnHour: onSeconds === null || offSeconds === null ? null : rounded(3600 / (onSeconds + offSeconds), 3),
        }),
  };
}

/**
 * What some travel times say of the next ones: mean, spread, and what to allow with one-sided tolerance.
 * @param confidence share of 1, also of the times to come that it covers.
 */
export function travelVerb(texts: readonly string[], confidence: number): unknown {
  const times = texts.map((t, i) => {
    const seconds = Number(t.replace(',', '.').replace(/s$/, ''));
    if (!Number.isFinite(seconds)) throw new Unusable(`time ${i + 1}: "${t}" is no number of seconds`);
    return seconds;
  });
  try {
    const r = reserveOf(times, confidence, confidence);
    return Object.fromEntries(Object.entries(r).map(([k, v]: [string, number]) => [k, rounded(v)]));
  } catch (error) {
    if (error instanceof RangeError) throw new Unusable(error.message);
    throw error;
  }
}
