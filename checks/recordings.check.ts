// Thresholds and holds that were learned from some recordings of a machine, tried on others of the same machine, drawn by a program of
// their own that knows nothing of the reader: washers with pauses, a soak, turns against creases and steps of standby.
import { describe, expect, it } from 'vitest';
import { legsOf, lookAt, proposeBand, reserveOf, TraceReader, type Recording } from '../core/engines/trace';
import { freshOf } from '../core/ground/field';
import { freshSense, recordingFields, type Job, type JobRecording, type Sense } from '../core/ground/job';
import { seededRandom, type Random } from '../core/ground/quantity';
import { thresholdEdit } from '../core/rooms/sense';
import { demoJob } from '../core/testing/jobs';
import { transient } from './spice';

const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();
/** Twelve uniform numbers make nearly a normal one. */
const normal = (r: Random): number => Array.from({ length: 12 }, () => r.next()).reduce((a, b) => a + b, -6);

/** A washer as it leaves the shop: what it draws, how long its drum turns and rests, whether it soaks and turns on behind the end. */
interface Washer {
  readonly standby: number;
  readonly afterwards: number;
  readonly drum: number;
  readonly heater: number;
  readonly turn: number;
  readonly rest: number;
  readonly soak: number;
  readonly creases: number;
  readonly step: number;
}
const washer = (r: Random): Washer => ({
  standby: between(r, 0.4, 4),
  afterwards: between(r, 0, 3),
  drum: between(r, 90, 320),
  heater: between(r, 900, 2300),
  turn: between(r, 12, 55),
  rest: between(r, 4, 18),
  soak: r.next() < 0.5 ? between(r, 200, 900) : 0,
  creases: r.next() < 0.4 ? 3 + Math.floor(6 * r.next()) : 0,
  step: [1, 2, 5, 10][Math.floor(4 * r.next())]!,
});

/** One run as a file, and when the last turn of its drum ended, s. */
function recorded(r: Random, w: Washer): { text: string; end: number } {
  const rows: string[] = [];
  let [t, left, end] = [0, 0, 0];
  const phase = (seconds: number, watts: number, scatter: number): void => {
    left += seconds;
    for (; left >= w.step; left -= w.step) {
      rows.push(`${t},${Math.max(0, watts + scatter * normal(r)).toFixed(1)}`);
      t += w.step;
    }
  };
  const drum = (seconds: number): void => {
    for (let s = 0; s < seconds;) {
      const [turn, rest] = [between(r, 0.8, 1.2) * w.turn, between(r, 0.8, 1.2) * w.rest];
      phase(turn, w.drum, w.drum / 12);
      end = t;
      phase(rest, w.standby + w.afterwards, 0.1);
      s += turn + rest;
    }
  };
  phase(between(r, 60, 600), w.standby, 0.1);
  phase(between(r, 300, 1500), w.heater, 12);
  drum(between(r, 600, 1800));
  if (w.soak > 0) phase(between(r, 0.9, 1.1) * w.soak, w.standby + w.afterwards, 0.1);
  drum(between(r, 900, 2400));
  phase(between(r, 200, 500), 1.4 * w.drum, w.drum / 10);
  end = t;
  for (let n = 0; n < w.creases; n++) {
    phase(between(r, 100, 140), w.standby + w.afterwards, 0.1);
    phase(between(r, 8, 15), w.drum, w.drum / 12);
    end = t;
  }
  phase(5400, w.standby + w.afterwards, 0.1);
  return { text: `seconds,power (W)\n${rows.join('\n')}\n`, end };
}

function read(text: string): Recording {
  const reader = new TraceReader('r');
  reader.push(new TextEncoder().encode(text));
  return reader.end();
}

/** When a run is told as over by a band and a hold, by hand: sample after sample, s; null where it is not told, and how often before. */
function told({ seconds, values }: Recording, over: number, under: number, hold: number): number[] {
  const out: number[] = [];
  let [is, since] = [false, Number.POSITIVE_INFINITY];
  for (let i = 0; i < values.length; i++) {
    if (values[i]! > over) [is, since] = [true, Number.POSITIVE_INFINITY];
    else if (values[i]! < under && is && since === Number.POSITIVE_INFINITY) since = seconds[i]!;
    else if (values[i]! >= under) since = Number.POSITIVE_INFINITY;
    if (is && seconds[i]! - since >= hold) {
      out.push(seconds[i]!);
      is = false;
    }
  }
  return out;
}

/** The sense of a job that learned from some recordings, by the very edit that the room makes. */
function learned(list: readonly Recording[]): Sense {
  const { bands, best } = proposeBand(list.map((recording) => ({ recording, runs: 1 })));
  const sense: Sense = { ...freshSense('draw', 'draw'), kind: 'watts', tells: 'at-work' };
  const recordings = list.map((r, i): JobRecording => ({
    ...freshOf(recordingFields),
    id: String(i).padStart(64, '0'),
    name: `${i}`,
    sense: 'draw',
    runs: 1,
    samples: r.seconds.length,
    stepSeconds: r.stepSeconds,
  }));
  const job: Job = { ...demoJob('glass-washer'), senses: [sense], recordings };
  const band = bands[best]!;
  const found = new Map(recordings.map((r, i) => [r.id, lookAt(list[i]!, band, 1).looked]));
  const edit = thresholdEdit(job, sense, band, found);
  if (edit.do !== 'several' || edit.edits[0]?.do !== 'put') throw new Error('no threshold');
  return edit.edits[0].item as Sense;
}

describe('what was learned from four recordings', () => {
  it('tells the end of 99 of 100 others within its hold, and none in mid-run', () => {
    const r = seededRandom(2029);
    let [right, early, missed] = [0, 0, 0];
    let longest = 0;
    for (let n = 0; n < 25; n++) {
      const w = washer(r);
      const { limit } = learned(Array.from({ length: 4 }, () => read(recorded(r, w).text)));
      longest = Math.max(longest, limit!.holdSeconds);
      for (let k = 0; k < 4; k++) {
        const one = recorded(r, w);
        const ends = told(read(one.text), limit!.over, limit!.under, limit!.holdSeconds);
        if (ends.some((t) => t < one.end)) early++;
        else if (ends.length === 1 && ends[0]! <= one.end + limit!.holdSeconds + 3 * w.step) right++;
        else missed++;
      }
    }
    console.log(
      `of 100 ends ${right} are told in time, ${early} in mid-run, ${missed} not; longest hold ${Math.round(longest)} s`,
    );
    expect(early).toBe(0);
    expect(right).toBeGreaterThanOrEqual(99);
  });
});

describe('a room of the first order in native ngspice', () => {
  it.each([900, 3600])('has its time constant of %i s read out of its log, warming and cooling', (tau) => {
    const rows = transient(
      [
        'a room that is heated and left',
        `V1 heat 0 PULSE(20 58 0 1 1 ${4 * tau} 100000)`,
        'R1 heat room 1k',
        `C1 room 0 ${tau / 1000} IC=20`,
        `.tran ${tau / 200} ${8 * tau} UIC`,
        '.end',
        '',
      ].join('\n'),
      ['v(room)'],
    );
    const text = rows.map(([t, v]) => `${t!.toFixed(1)},${v!.toFixed(3)}`).join('\n');
    const legs = legsOf(read(`time (s),temperature (°C)\n${text}\n`));
    expect(legs.map((l) => l.way)).toEqual(['warmer', 'colder']);
    for (const l of legs) expect(Math.abs(l.tauSeconds / tau - 1)).toBeLessThan(0.01);
    expect(legs[0]!.goesTo).toBeCloseTo(58, 0);
  });
});

describe('what is stated with 95 % confidence', () => {
  it.each([5, 10, 20])(
    'reserve of %i timings: it covers 95 % of those to come in 93 to 97 of 100 draws, over 2,000',
    (n) => {
      const r = seededRandom(7 * n);
      let held = 0;
      for (let k = 0; k < 2000; k++) {
        const { allow } = reserveOf(Array.from({ length: n }, () => 100 + normal(r)));
        // Of a normal time with mean 100 and spread 1, 95 % lie under 101.645 (NIST e-Handbook 1.3.6.7.1).
        if (allow >= 101.645) held++;
      }
      console.log(
        `${n} timings: in ${(held / 20).toFixed(1)} % of 2,000 draws the reserve covers 95 % of those to come`,
      );
      expect(held / 2000).toBeGreaterThan(0.93);
      expect(held / 2000).toBeLessThan(0.97);
    },
  );

  it.each([3, 4, 9])('the greatest of %i stays the greatest with n/(n + 1), whatever the distribution', (n) => {
    const r = seededRandom(n);
    for (const draw of [() => r.next(), () => -Math.log(1 - r.next()), () => r.next() ** 4]) {
      let stays = 0;
      for (let k = 0; k < 4000; k++) {
        const most = Math.max(...Array.from({ length: n }, draw));
        if (draw() <= most) stays++;
      }
      expect(stays / 4000).toBeCloseTo(n / (n + 1), 1);
    }
  });
});
