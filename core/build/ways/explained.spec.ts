import { describe, expect, it } from 'vitest';
import { reevaluate } from '../../ground/finding';
import { SOURCES } from '../../ground/sources';
import { edited, checkJob, WAYS, type Job } from '../../ground/job';
import { contextIn, demoJob, pressed } from '../../testing/jobs';
import { contextOf } from '../../rooms/thumb';
import { evaluateWay, WAY_WORDS, wayPhrase } from '.';

const NAMES = [
  'rice-pot',
  'yard-gate',
  'dough-proofer',
  'cold-room-alarm',
  'hatch-shutter',
  'extractor-rocker',
  'hood-fan',
] as const;
/** Every way on every demo job, the plan of each as the job has it. */
const all = NAMES.flatMap((name) => {
  const job = pressed(demoJob(name), { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } });
  const context = contextIn(job);
  return WAYS.map((way) => ({ name, job, way, result: evaluateWay(way, contextOf(context, way)) }));
});

describe('every way on every demo job', () => {
  it('explains each of its numbers: the steps, worked out anew, give the value that is shown', () => {
    let checked = 0;
    for (const { name, way, result } of all)
      for (const f of result.findings) {
        if (!f.value || f.steps.length === 0) continue;
        checked++;
        expect(reevaluate(f.steps, {}), `${name} ${f.id}`).toBe(f.value.value);
        for (const s of f.steps)
          for (const i of s.inputs) expect(Number.isFinite(i.value), `${name} ${way} ${f.id} ${i.symbol}`).toBe(true);
      }
    expect(checked).toBeGreaterThan(300);
  });

  it('names a source that exists for every constant, and a unit that fits its limit', () => {
    for (const { name, result } of all)
      for (const f of result.findings) {
        for (const key of f.source) expect(SOURCES[key], `${name} ${f.id}`).toBeDefined();
        if (f.value && f.limit) expect(f.limit.unit, `${name} ${f.id}`).toBe(f.value.unit);
      }
  });

  it('offers remedies that can be done: each edit leaves a whole job behind, and each changes something', () => {
    const done = new Set<string>();
    for (const { name, job, result } of all)
      for (const f of result.findings) {
        if (!f.remedy?.edit) continue;
        const edit = f.remedy.edit;
        const after: Job = edited(job, edit, '2026-03-02T14:00:00Z');
        expect(checkJob(JSON.parse(JSON.stringify(after))), `${name} ${f.id}`).toMatchObject({ ok: true });
        expect({ ...after, log: [], touchedAt: '' }, `${name} ${f.id} ${f.remedy.label}`).not.toEqual({
          ...job,
          log: [],
          touchedAt: '',
        });
        done.add(f.id);
      }
    expect(done.size).toBeGreaterThan(5);
  });

  it('has parts with a quantity, wires numbered from one, and a reason in words', () => {
    for (const { name, way, result } of all) {
      const at = `${name} ${way}`;
      expect(result.reason.length, at).toBeGreaterThan(10);
      for (const p of result.parts) expect(p.quantity, `${at} ${p.name}`).toBeGreaterThan(0);
      expect(
        result.wires.map((w) => w.number),
        at,
      ).toEqual(result.wires.map((_, i) => i + 1));
      expect(new Set(result.findings.map((f) => f.id)).size, at).toBe(result.findings.length);
    }
  });

  it('joins the sides only where it says that it shares the ground', () => {
    for (const { name, way, result } of all)
      if (result.applies && !result.press.sharesGround)
        expect(
          result.wires.filter((w) => w.crosses),
          `${name} ${way}`,
        ).toEqual([]);
  });

  it('never calls work at the mains settled', () => {
    for (const { name, way, result } of all)
      if (way === 'control-box' || way === 'switched-supply')
        expect(result.verdict, `${name} ${way}`).not.toBe('settled');
  });
});

describe('names', () => {
  it('stand in a sentence in lower case, but for abbreviations', () => {
    expect(wayPhrase('relay-module')).toBe('relay module');
    expect(wayPhrase('nmos-to-ground')).toBe('MOSFET to ground');
    for (const way of WAYS) expect(WAY_WORDS[way].costs).not.toMatch(/[.]$/);
  });
});
