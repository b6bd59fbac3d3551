import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readNoteLine } from '../notes';
import { edited, checkJob, freshJob, jobText, LOOKS, loadJob, returnTo, type Job, type JobEdit } from '.';

const NOW = '2026-03-02T14:05:00Z';
const name = fc.constantFrom('start', 'stop', 'gate', 'back');
const volts = fc.double({ min: -400, max: 400, noNaN: true }).map((v) => `${v.toPrecision(4)} V`);
const ohms = fc.constantFrom('0.4 ohm', '>20M', '4k7', 'OL', '12R');

/** Lines as people say them, some of them nonsense. */
const line = fc.oneof(
  fc
    .tuple(name, fc.constantFrom('A', 'B'), fc.constantFrom('idle', 'pressed', 'neighbour', 'moving'), volts)
    .map((w) => w.join(' ')),
  fc
    .tuple(
      name,
      fc.constantFrom('A-B', 'A to mains', 'B to ground'),
      fc.constantFrom('off', 'pressed', 'released'),
      ohms,
    )
    .map((w) => w.join(' ')),
  fc.tuple(name, fc.constantFrom(...LOOKS)).map(([n, l]) => `${n} look ${l.replace(/-/g, ' ')}`),
  fc.tuple(name, fc.integer({ min: 1, max: 14 })).map(([n, k]) => `strip ${n} ${k}`),
  fc
    .tuple(name, fc.integer({ min: 0, max: 13 }), fc.integer({ min: 0, max: 13 }), volts)
    .map(([n, a, b, v]) => `${n} ${a}-${b} idle ${v}`),
  fc
    .tuple(name, fc.integer({ min: 0, max: 13 }), fc.constantFrom('green', ''))
    .map(([n, t, c]) => `${n} ${t} wire ${c}`),
  name.map((n) => `control ${n}`),
  volts.map((v) => `supply main ${v} always`),
  fc.string({ maxLength: 30 }).map((t) => `note: ${t}`),
  fc.string({ maxLength: 20 }),
);

describe('whatever is said', () => {
  it('leaves a job that its own border lets through, and that a file gives back', () => {
    fc.assert(
      fc.property(fc.array(line, { maxLength: 25 }), (lines) => {
        let job: Job = freshJob({ title: 'x' }, 'x', NOW);
        lines.forEach((l, i) => {
          const u = readNoteLine(l, job, { id: `r${i}`, now: NOW });
          if (u.ok) job = edited(job, u.edit, NOW);
        });
        const checked = checkJob(structuredClone(job));
        expect(checked, lines.join(' | ')).toMatchObject({ ok: true });
        expect(loadJob(jobText(job))).toEqual({ ok: true, job });
      }),
      { numRuns: 150 },
    );
  });

  it('can be taken back: the content before, with a log that only grows', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 12 }), (lines) => {
        let job: Job = freshJob({ title: 'x' }, 'x', NOW);
        for (const [i, l] of lines.entries()) {
          const u = readNoteLine(l, job, { id: `r${i}`, now: NOW });
          if (!u.ok) continue;
          const before = job;
          const after = edited(job, u.edit, NOW);
          const back = returnTo(after, before, NOW, 'undone');
          expect({ ...back, log: [], touchedAt: '' }).toEqual({ ...before, log: [], touchedAt: '' });
          expect(back.log.length).toBe(after.log.length + 1);
          expect(back.log.slice(0, after.log.length)).toEqual(after.log);
          job = after;
        }
      }),
      { numRuns: 80 },
    );
  });
});

describe('several edits at once', () => {
  it('are one line of the log and one step back', () => {
    const job = freshJob({ title: 'x' }, 'x', NOW);
    const edits: JobEdit[] = [
      { do: 'add-control', id: 'a', name: 'up' },
      { do: 'add-control', id: 'b', name: 'down' },
      { do: 'set', at: 'wish', set: { others: 'nobody' }, say: 'not said' },
    ];
    const after = edited(job, { do: 'several', say: 'two controls and a wish', edits }, NOW);
    expect(after.controls.map((c) => c.name)).toEqual(['up', 'down']);
    expect(after.wish.others).toBe('nobody');
    expect(after.log.map((e) => e.text)).toEqual(['job begun: x', 'two controls and a wish']);
    expect(after.presses[0]!.control).toBe('a');
  });

  it('fail as a whole where one of them cannot be', () => {
    const job = freshJob({ title: 'x' }, 'x', NOW);
    expect(() =>
      edited(
        job,
        {
          do: 'several',
          say: '',
          edits: [
            { do: 'add-control', id: 'a', name: 'up' },
            { do: 'strike-reading', id: 'none', struck: true },
          ],
        },
        NOW,
      ),
    ).toThrow(RangeError);
    expect(job.controls).toEqual([]);
  });
});
