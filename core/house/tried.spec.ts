import { describe, expect, it } from 'vitest';
import { answerFor, joined } from './answer';
import { policiesFor } from '../rooms/act';
import { finding, isGraver, type Verdict } from '../ground/finding';
import {
  applyEdit,
  checkJob,
  jobText,
  JOB_TEXT_LIMIT,
  loadJob,
  type Job,
  type JobEdit,
  type Reading,
} from '../ground/job';
import { jsonSize } from '../ground/job/gate/size';
import { demoJob } from '../testing/jobs';
import { withTriedRemedies } from './tried';

const pot = demoJob('rice-pot');

describe('what is offered', () => {
  it('is tried before: a remedy that would be refused stays as words', () => {
    const [taken, refused] = [0.2, 1e12].map((seconds) =>
      finding('act', 'x', {
        verdict: 'tight',
        title: 'x',
        caption: 'x',
        remedy: {
          text: 'Press for longer.',
          label: 'Use it',
          edit: { do: 'set', at: 'sheet', set: { reliability: seconds } },
        },
      }),
    );
    const ok = {
      ...taken!,
      remedy: { ...taken!.remedy!, edit: { do: 'set', at: 'sheet', set: { reliability: 0.9 } } as const },
    };
    expect(withTriedRemedies(pot, [ok])[0]!.remedy!.edit).toBeDefined();
    expect(withTriedRemedies(pot, [refused!])[0]!.remedy).toEqual({ text: 'Press for longer.' });
    // Of several answers those that would be refused are left out.
    const [good, bad] = [
      { label: 'this', edit: ok.remedy.edit },
      { label: 'that', edit: refused!.remedy!.edit! },
    ];
    type Offered = { label: string; edit: JobEdit };
    const offered = (first: Offered, ...others: Offered[]) =>
      withTriedRemedies(pot, [{ ...taken!, remedy: { text: 'Either.', ...first, others } }])[0]!.remedy;
    expect(offered(bad!, good!, bad!)).toEqual({ text: 'Either.', ...good });
    expect(offered(good!, bad!)).toEqual({ text: 'Either.', ...good });
    expect(offered(good!, good!)!.others).toHaveLength(1);
  });

  it.each([1e6, 20e6, 31e6])(
    'holds for a machine that runs for %f s: no remedy and no policy asks for over a year',
    (runSeconds) => {
      const gate = demoJob('yard-gate');
      const job: Job = {
        ...gate,
        act: {
          ...gate.act,
          parts: gate.act.parts.map((p) => ({ ...p, runSeconds, shortestPressSeconds: runSeconds })),
        },
      };
      expect(checkJob(job).ok).toBe(true);
      for (const f of answerFor(job).assessment.findings)
        if (f.remedy?.edit) expect(applyEdit(job, f.remedy.edit, job.touchedAt).ok, f.id).toBe(true);
      for (const p of policiesFor(job, job.act.moves[0]!))
        for (const s of p.steps) expect(s.seconds, p.kind).toBeLessThanOrEqual(366 * 86400);
    },
  );
});

describe('verdicts', () => {
  const one = (verdict: Verdict, value: number, caption = 'x') =>
    finding('feed', 'x', { verdict, title: 'x', caption, value: { value, unit: 'V' } });

  it.each([Number.NaN, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY])(
    'say unknown of %f, whatever a room meant',
    (x) => {
      for (const v of ['settled', 'tight', 'stop'] as const) expect(one(v, x).verdict).toBe('unknown');
      for (const v of ['settled', 'tight', 'stop'] as const) expect(one(v, 1).verdict).toBe(v);
    },
  );

  it('stand in one order', () => {
    const order: readonly Verdict[] = ['settled', 'tight', 'unknown', 'stop'];
    for (const [i, a] of order.entries()) for (const [j, b] of order.entries()) expect(isGraver(a, b)).toBe(i > j);
  });

  it('are not bettered by a study: the graver stays, but where a room looked only while nothing goes wrong', () => {
    const meet = (own: Verdict, study: Verdict, withoutFaults = false): Verdict =>
      joined([{ ...one(own, 1), ...(withoutFaults ? { holds: 'without-faults' as const } : {}) }], [one(study, 1)])[0]!
        .verdict;
    expect(meet('unknown', 'tight')).toBe('unknown');
    expect(meet('tight', 'unknown')).toBe('unknown');
    expect(meet('stop', 'settled')).toBe('stop');
    expect(meet('tight', 'settled')).toBe('tight');
    expect(meet('tight', 'settled', true)).toBe('settled');
  });
});

describe('what a job may be', () => {
  const no = (job: unknown): string => {
    const loaded = checkJob(job);
    return loaded.ok ? '' : loaded.problem.where;
  };

  it('has an id that an address can hold', () => {
    for (const id of ['.', '..', '...', 'a\ud83d']) expect(no({ ...pot, id })).toBe('field "id"');
    for (const id of ['a.b', '😀', pot.id]) expect(no({ ...pot, id })).toBe('');
  });

  it('can be opened again from its own file, however long it is', () => {
    const line = { at: pot.createdAt, room: 'probe', text: 'x'.repeat(3900) } as const;
    // Just under the limit as it is kept; in lines it would be over.
    const log = Array.from({ length: Math.floor((JOB_TEXT_LIMIT - jsonSize(pot)) / jsonSize(line)) - 1 }, () => ({
      ...line,
    }));
    const large = { ...pot, log };
    expect(no(large)).toBe('');
    const text = jobText(large);
    expect(text.length).toBeLessThanOrEqual(JOB_TEXT_LIMIT);
    expect(loadJob(text).ok).toBe(true);
    // What would be too large to be opened again is not taken.
    const note = { do: 'note', text: 'y'.repeat(3900) } as const;
    let [job, refused] = [large as Job, ''];
    for (let i = 0; i < 4 && !refused; i++) {
      const done = applyEdit(job, note, pot.touchedAt);
      if (done.ok) job = done.job;
      else refused = done.problem.what;
    }
    expect(refused).toMatch(/a job file is at most 20 MB/);
    expect(loadJob(jobText(job)).ok).toBe(true);
  });

  it('measures what it measured before once', () => {
    expect(jsonSize(pot)).toBeGreaterThanOrEqual(JSON.stringify(pot).length - 20_000);
    expect(jsonSize({ a: [1, 'x"', null, true], b: {} })).toBeGreaterThanOrEqual(
      JSON.stringify({ a: [1, 'x"', null, true], b: {} }).length - 4,
    );
  });

  it('has no more readings than can be reckoned with', () => {
    const sample = pot.readings.find((r) => r.kind === 'volts-dc' && r.control !== '')!;
    const many = Array.from({ length: 70 }, (_, i): Reading => ({
      ...sample,
      id: `many-${i}`,
      from: { kind: 'ground', name: `g${i}` },
    }));
    expect(no({ ...pot, readings: [...pot.readings, ...many] })).toMatch(/^field "readings\[\d+\]"$/);
    expect(no({ ...pot, readings: [...pot.readings, ...many.map((r) => ({ ...r, struck: true }))] })).toBe('');
  });
});
