import { describe, expect, it } from 'vitest';
import { freshOf, type AnyField, type AnyFields } from '../../ground/field';
import { freshLink, jobFields, type Job } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { basisOf, stillCounts } from '.';

/** Another value than this one; what it means does not matter here. */
function another(field: AnyField, value: unknown): unknown {
  switch (field.is) {
    case 'quantity':
      return typeof value === 'number' ? value + 1 : 1;
    case 'flag':
      return !value;
    case 'choice':
      return Object.keys(field.words).find((k) => k !== value) ?? `${String(value)} `;
    case 'text':
      return `${String(value)}x`;
    case 'record':
      return { ...(value as object), another: 1 };
    case 'list':
      return [...(value as unknown[]), field.of.usual ?? 'x'];
    case 'group':
      return value ?? freshOf(field.fields as never);
  }
}

/** Every version of a value with one field of it changed, by path, and whether that field says that it cannot matter. */
function* changes(
  fields: AnyFields,
  of: Readonly<Record<string, unknown>>,
  path: string,
  free: boolean,
): Generator<{ path: string; free: boolean; value: unknown }> {
  for (const [key, field] of Object.entries(fields)) {
    const at = `${path}.${key}`;
    const out = free || field.untried === true;
    const put = (value: unknown): unknown => ({ ...of, [key]: value });
    if (field.is === 'group' && of[key] !== null)
      for (const c of changes(field.fields, of[key] as Record<string, unknown>, at, out))
        yield { ...c, value: put(c.value) };
    else yield { path: at, free: out, value: put(another(field, of[key])) };
    if (field.is === 'list' && field.of.is === 'group') {
      const [first, ...rest] = of[key] as Record<string, unknown>[];
      if (first)
        for (const c of changes(field.of.fields, first, `${at}[0]`, out))
          yield { ...c, value: put([c.value, ...rest]) };
    }
  }
}

describe('what a trial rests on', () => {
  const names = ['rice-pot', 'yard-gate', 'steam-flaps', 'dough-proofer', 'hatch-shutter'] as const;

  it('is everything but what says that it cannot matter: each field of five jobs, changed by itself', () => {
    const seen = { matters: new Set<string>(), free: new Set<string>() };
    for (const name of names) {
      const job = demoJob(name);
      const before = basisOf(job);
      for (const c of changes(jobFields as unknown as AnyFields, job as never, name, false)) {
        expect(basisOf(c.value as Job) === before, c.path).toBe(c.free);
        seen[c.free ? 'free' : 'matters'].add(c.path.replace(name, ''));
      }
    }
    expect(seen.matters.size).toBeGreaterThan(250);
    // What is left out is a short list: names, prices, colours, notes, recordings, what was read and tried.
    expect(seen.free.size).toBeLessThan(180);
  });

  it.each<[string, (j: Job) => Job]>([
    ['what must never happen', (j) => ({ ...j, wish: { ...j.wish, never: 'let it run without rice' } })],
    [
      'which way round its one sense tells',
      (j) => ({ ...j, senses: j.senses.map((s) => ({ ...s, closedThen: !s.closedThen })) }),
    ],
    ['a debounce', (j) => ({ ...j, senses: j.senses.map((s) => ({ ...s, debounceSeconds: 0.2 })) })],
    [
      'when it starts',
      (j) => ({ ...j, routine: { ...j.routine, sentences: j.routine.sentences.map((s) => ({ ...s, at: '03:00' })) } }),
    ],
    ['a lead or fuse', (j) => ({ ...j, feed: { ...j.feed, links: [...j.feed.links, freshLink('more', 'one more')] } })],
    [
      'what the source gives',
      (j) => ({ ...j, feed: { ...j.feed, sources: j.feed.sources.map((s) => ({ ...s, amps: 9 })) } }),
    ],
  ])('ends with a change of %s', (_, change) => {
    const pot = demoJob('rice-pot');
    expect(pot.trials.every((t) => stillCounts(pot, t))).toBe(true);
    const changed = change(pot);
    expect(changed).not.toEqual(pot);
    expect(changed.trials.some((t) => stillCounts(changed, t))).toBe(false);
  });

  it('is nothing for a key of an earlier program, which held less than everything', () => {
    const pot = demoJob('rice-pot');
    for (const basis of ['', '0123456789abcdef']) expect(stillCounts(pot, { ...pot.trials[0]!, basis })).toBe(false);
  });
});
