import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { freshOf } from '../../ground/field';
import {
  edited,
  freshMove,
  freshSense,
  recordingFields,
  stepOf,
  type Job,
  type JobRecording,
  type Looked,
  type Sense,
} from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { recordedOf, thresholdEdit } from '.';

const NOW = '2026-03-02T14:00:00Z';
const LOOKED: Looked = {
  over: 20,
  under: 10,
  runs: 1,
  restSeconds: 100,
  tailSeconds: 3000,
  gapSeconds: 0,
  below: 3,
  above: 110,
  noiseBelow: 0.3,
  noiseAbove: 5,
  longestSeconds: 3600,
  shortestSeconds: 3600,
  joules: 4e6,
};
const recording = (n: number, looked: Partial<Looked> = {}, set: Partial<JobRecording> = {}): JobRecording => ({
  ...freshOf(recordingFields),
  id: String(n).repeat(64),
  name: `run ${n}`,
  unit: 'W',
  samples: 6000,
  seconds: 6000,
  stepSeconds: 1,
  sense: 'draw',
  shows: 'the usual programme',
  runs: 1,
  looked: { ...LOOKED, restSeconds: 100 + n, ...looked },
  ...set,
});
const sense = (holdSeconds: number): Sense => ({
  ...freshSense('draw', 'its draw'),
  kind: 'watts',
  tells: 'at-work',
  topic: 'meter',
  staleSeconds: 60,
  limit: { over: 20, under: 10, holdSeconds },
});
const job = (holdSeconds: number, ...recordings: JobRecording[]): Job => ({
  ...demoJob('glass-washer'),
  senses: [sense(holdSeconds)],
  recordings,
});
const ofLimit = (j: Job) => assess(j).findings.filter((f) => f.id.startsWith('sense.limit.draw'));
const verdicts = (j: Job): Record<string, string> =>
  Object.fromEntries(ofLimit(j).map((f) => [f.id.replace('sense.limit.draw.', ''), f.verdict]));

describe('a threshold and its recordings', () => {
  it('are settled where four alike bear the hold out, one was kept back, and levels are clear of noise', () => {
    const j = job(300, ...[1, 2, 3, 4].map((n) => recording(n)), recording(5, {}, { heldOut: true }));
    expect(verdicts(j)).toEqual({ rests: 'settled', few: 'settled', levels: 'settled' });
  });

  it('are stopped by a rest that is longer than the hold, and the hold that is offered mends it', () => {
    const j = job(90, ...[1, 2, 3, 4].map((n) => recording(n)));
    const stop = ofLimit(j).find((f) => f.id.endsWith('.rests'))!;
    expect(stop.verdict).toBe('stop');
    const mended = edited(j, stop.remedy!.edit!, NOW);
    expect(verdicts(mended)).toMatchObject({ rests: 'settled', few: 'settled' });
  });

  it('are stopped with a hold that a move does not wait for, and what is offered lengthens the wait as well', () => {
    const alike = job(90, ...[1, 2, 3, 4].map((n) => recording(n)));
    const move = {
      ...freshMove('m', 'tell when it is over'),
      steps: [stepOf('until', { sense: 'draw', is: false, seconds: 3700, orElse: 'call' })],
    };
    const j: Job = { ...alike, act: { ...alike.act, moves: [move] } };
    const mended = edited(j, ofLimit(j).find((f) => f.id.endsWith('.rests'))!.remedy!.edit!, NOW);
    expect(verdicts(mended)).toEqual({ rests: 'settled', few: 'settled', levels: 'settled' });
    // Where the wait alone is too short, that alone is offered.
    const long = { ...j, senses: [sense(300)] };
    expect(verdicts(long)).toMatchObject({ waits: 'stop' });
    const waited = edited(long, ofLimit(long).find((f) => f.id.endsWith('.waits'))!.remedy!.edit!, NOW);
    expect(verdicts(waited)).not.toHaveProperty('waits');
  });

  it('have no hold to offer where a run begins before any hold has passed', () => {
    const j = job(90, ...[1, 2, 3].map((n) => recording(n, { tailSeconds: 60 })));
    const stop = ofLimit(j).find((f) => f.id.endsWith('.rests'))!;
    expect(stop.remedy!.edit).toBeUndefined();
  });

  it('are told apart by what each recording is to them', () => {
    const j = job(
      300,
      recording(1),
      recording(2, {}, { heldOut: true }),
      recording(3, { over: 99 }),
      recording(4, {}, { shared: true }),
      recording(5, {}, { looked: null }),
    );
    const r = recordedOf(j, j.senses[0]!);
    const names = (list: readonly JobRecording[]): string[] => list.map((x) => x.name);
    expect([names(r.learned), names(r.kept), names(r.old), names(r.shared)]).toEqual([
      ['run 1'],
      ['run 2'],
      ['run 3', 'run 5'],
      ['run 4'],
    ]);
  });

  it('come as one step, which one undo takes back, with the hold that the recordings ask for', () => {
    const j = job(1, recording(1, { over: 1, under: 1 }), recording(2, { over: 1, under: 1 }));
    const found = new Map(j.recordings.map((r) => [r.id, { ...LOOKED, over: 30, under: 15 }]));
    const edit = thresholdEdit(j, j.senses[0]!, { over: 30, under: 15 }, found);
    const done = edited(j, edit, NOW);
    expect(done.senses[0]!.limit).toEqual({ over: 30, under: 15, holdSeconds: 180 });
    expect(done.recordings.every((r) => r.looked?.over === 30)).toBe(true);
    expect(done.log.length - j.log.length).toBe(1);
    expect(done.log.at(-1)!.text).toContain('from 2 recordings');
  });
});
