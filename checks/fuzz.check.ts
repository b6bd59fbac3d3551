// Generated edits and spoiled files: nothing that the border lets through may surprise what stands behind it. `npm run fuzz` runs
// a hundred thousand edits and a million files; these are some of them.
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import { freshJob, loadJob } from '../core/ground/job';
import { demoJob } from '../core/testing/jobs';
import { DEMO_NAMES } from './fuzz/names';
import { runEdits, runFiles } from './fuzz/run';
import { usualMs } from '../core/testing/pace';

const starts = [freshJob({ title: 'x' }, 'x', '2026-03-02T14:00:00Z'), ...DEMO_NAMES.map((n) => demoJob(n))];
const documents = DEMO_NAMES.map((n) =>
  JSON.parse(readFileSync(new URL(`../demo/${n}.json`, import.meta.url), 'utf8')),
);

describe('what is let in', () => {
  it('3,000 edits: what is taken opens again, is the same, and is judged without a throw', () => {
    const run = runEdits(starts, 3000, 1, 25);
    expect(run.problems).toEqual([]);
    expect(run.taken).toBeGreaterThan(900);
  });

  it('6,000 spoiled files: each is refused in words or judged without a throw', () => {
    const run = runFiles(documents, 6000, 1, 10);
    expect(run.problems).toEqual([]);
    expect(run.accepted).toBeGreaterThan(50);
  });

  it('a file of a megabyte is read or refused within a tenth of a second', () => {
    const pot = demoJob('rice-pot');
    const log = Array.from({ length: 9000 }, (_, i) => ({
      at: pot.createdAt,
      room: 'probe' as const,
      text: `line ${i} ${'x'.repeat(60)}`,
    }));
    const large = JSON.stringify({ ...pot, log });
    expect(large.length).toBeGreaterThan(900_000);
    for (const text of [large, large.replace('"line 8999', '7,"line'), `${large}x`])
      expect(usualMs(() => void loadJob(text))).toBeLessThan(100);
  });
});

// Each of these once brought the whole shelf to a stand: by a throw, or by a loop that did not end.
describe('what stalled the shelf', () => {
  const pot = demoJob('rice-pot');
  const proofer = demoJob('dough-proofer');
  const pad = proofer.survey.keypads[0]!;
  const opened = (job: unknown): string => {
    const loaded = loadJob(JSON.stringify(job));
    if (!loaded.ok) return loaded.problem.where;
    expect(usualMs(() => void assess(loaded.job), 1)).toBeLessThan(5000);
    return 'judged';
  };
  const control = (name: string) => ({ ...pot, controls: pot.controls.map((c) => ({ ...c, name })) });
  const separate = Array.from({ length: 256 }, (_, i) => ({
    label: `k${i}`,
    row: i >> 4,
    column: i & 15,
    lines: [`a${i}`, `b${i}`],
    from: 'hand',
  }));
  it.each<[string, unknown, string]>([
    ['a control called constructor', control('constructor'), 'field "controls[0].name"'],
    [
      'a profile that every object has',
      { ...pot, board: { ...pot.board, profile: 'hasOwnProperty' } },
      'field "board.profile"',
    ],
    ['a profile that nobody knows', { ...pot, board: { ...pot.board, profile: 'other' } }, 'judged'],
    ['a stand-in that every object has', { ...pot, standin: { model: 'toString', seed: 1 } }, 'field "standin.model"'],
    [
      'a pad of 256 keys on lines of their own',
      { ...proofer, survey: { ...proofer.survey, keypads: [{ ...pad, rows: 16, columns: 16, keys: separate }] } },
      'field "survey.keypads[0]"',
    ],
    [
      'a scan of a microsecond under a press of a minute',
      {
        ...proofer,
        presses: proofer.presses.map((p) => ({ ...p, scan: { ...p.scan, holdSeconds: 60 } })),
        survey: { ...proofer.survey, keypads: [{ ...pad, scan: { ...pad.scan, periodSeconds: 1e-6 } }] },
      },
      'field "survey.keypads[0].scan.periodSeconds"',
    ],
    [
      'a pulse frequency of next to nothing',
      { ...pot, presses: [{ ...pot.presses[0]!, signal: { ...pot.presses[0]!.signal, pwmHertz: 5e-324 } }] },
      'field "presses[0].signal.pwmHertz"',
    ],
    [
      'a time zone that is an offset',
      { ...pot, region: { ...pot.region, timeZone: 'GMT+5' } },
      'field "region.timeZone"',
    ],
    [
      'a time zone of another planet',
      { ...pot, region: { ...pot.region, timeZone: 'Mars/Base' } },
      'field "region.timeZone"',
    ],
    ['a date before every zip', { ...pot, touchedAt: '1979-12-31T00:00:00Z' }, 'field "touchedAt"'],
    ['a day that there is not', { ...pot, touchedAt: '2026-02-31T00:00:00Z' }, 'field "touchedAt"'],
    ['a month that there is not', { ...pot, touchedAt: '2026-13-01T00:00:00Z' }, 'field "touchedAt"'],
    ['two controls of one id', { ...pot, controls: [pot.controls[0], pot.controls[0]] }, 'field "controls[1].id"'],
    [
      'a reading of a control that is not there',
      { ...pot, readings: pot.readings.map((r) => ({ ...r, control: 'gone' })) },
      'field "readings[0].control"',
    ],
    [
      'a press of a control that is not there',
      { ...pot, presses: [{ ...pot.presses[0]!, control: 'gone' }] },
      'field "presses[0].control"',
    ],
  ])('%s', (_, job, where) => expect(opened(job)).toBe(where));
});
