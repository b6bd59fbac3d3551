// Judgements of all rooms worked out a second time: with formulas of our own, standards' numbers and handbook figures, none of the core's.
// Each row names its source; numbers of standards and handbooks are from memory unless the row says otherwise.
import { chosenIn, pressed, waysOf } from '../core/testing/jobs';
import { describe, expect, it } from 'vitest';
import { assess, type Assessment } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import type { Finding } from '../core/ground/finding';
import { formatQuantity } from '../core/ground/quantity';
import { finished, put, said } from './bench-jobs';
import { JOINTS } from './judgements/joints';
import { MEASURED } from './judgements/measured';
import { PLANS } from './judgements/plans';
import { plan, button, key, unreadKey, load, not, type Row } from './judgements/row';

const ROWS: readonly Row[] = [...JOINTS, ...MEASURED, ...PLANS];

const found = (a: Assessment, id: string): Finding => {
  const f = a.findings.find((x) => x.id === id);
  if (!f) throw new Error(`no finding ${id}; there are ${a.findings.map((x) => x.id).join(', ')}`);
  return f;
};

describe('judgements worked out a second time', () => {
  it('are sixty at least, over every room that judges', () => {
    expect(ROWS.length).toBeGreaterThanOrEqual(60);
    expect([...new Set(ROWS.map((r) => r.id.split('.')[0]))].sort()).toEqual([
      'act',
      'board',
      'feed',
      'guard',
      'probe',
      'routine',
      'thumb',
      'try',
    ]);
    for (const r of ROWS) expect(r.source.length).toBeGreaterThan(6);
  });

  it.each(ROWS.map((r) => [`${r.what} (${r.source})`, r] as const))('%s', (_, r) => {
    const f = found(assess(r.job()), r.id);
    const said_ = `${f.title}: ${f.value ? formatQuantity(f.value.value, f.value.unit) : 'no value'}`;
    // Estimates carry the meter's own bounds; our corners are taken to a hundredth of the value.
    if (r.own !== undefined) expect(Math.abs(f.value!.value / r.own - 1), `${said_}, own ${r.own}`).toBeLessThan(0.03);
    if (r.limit !== undefined)
      expect(Math.abs(f.limit!.value / r.limit - 1), `${said_}, limit ${f.limit!.value}, own ${r.limit}`).toBeLessThan(
        0.02,
      );
    if (r.verdict !== undefined)
      expect(typeof r.verdict === 'string' ? [r.verdict] : r.verdict, said_).toContain(f.verdict);
  });
});

describe('what a screen must never say', () => {
  it('that a scanned key pressed by an optocoupler has its collector on the strobe that goes low', () => {
    const wires = chosenIn(plan(key, 'optocoupler')).wires;
    // The strobe is A here, the sense line B: A alone shows pulses.
    expect(wires.find((w) => w.from === 'collector')!.to).toBe('it B');
    expect(wires.find((w) => w.from === 'emitter')!.to).toBe('it A');
  });
  it('with nothing read, that anything is settled or stopped, or a voltage that nobody measured', () => {
    const job = pressed(finished(said(['control it'])), { way: 'solid-state-relay' });
    const a = assess(job);
    for (const w of waysOf(job, a).filter((x) => x.applies && x.way !== 'finger'))
      expect(['unknown', 'tight'], w.way).toContain(w.verdict);
    const svg = filesOf(job, a).find((f) => f.name === 'wiring.svg')!.text;
    const written = [...svg.matchAll(/<text[^>]*>(.*?)<\/text>/g)].map((m) => m[1]).join('\n');
    expect(written).toContain('controller, supply in');
    expect(written).not.toMatch(/\d(\.\d+)? ?k?(V|Ω)/);
  });
  it.each([230, 120])(
    'that a mains conductor has another colour than its function has at %i V, whatever was chosen',
    (mainsVolts) => {
      const rules =
        mainsVolts === 230
          ? { live: /^(brown|black|grey)$/, neutral: /^blue$/, earth: /^green-yellow$/ }
          : { live: /^(black|red)$/, neutral: /^(white|grey)$/, earth: /^(green|green-yellow)$/ };
      for (const way of ['control-box', 'switched-supply'] as const)
        for (const mirrored of [false, true])
          for (const colours of [
            {},
            Object.fromEntries(
              Array.from({ length: 40 }, (_, i) => [
                `${load.presses[0]!.id}/${i + 1}`,
                ['green-yellow', 'blue', 'orange'][i % 3]!,
              ]),
            ),
          ]) {
            const job = put(plan(load, way, { colours, motor: { ...load.presses[0]!.motor, mirrored } }), 'region', {
              mainsVolts,
              mainsHertz: 50,
            });
            const { wires } = chosenIn(job);
            const ends = (pattern: RegExp) => wires.filter((w) => pattern.test(w.from) || pattern.test(w.to));
            expect(ends(/earth$/).length).toBeGreaterThan(0);
            for (const w of ends(/earth$/)) expect(w.colour).toMatch(rules.earth);
            for (const w of ends(/neutral$/)) expect(w.colour).toMatch(rules.neutral);
            for (const w of ends(/live$/)) expect(w.colour).toMatch(rules.live);
            for (const w of wires.filter((x) => x.role === 'signal')) expect(w.colour).not.toMatch(/green|blue|brown/);
            // Each of two motors has its neutral, its earth, and run wires of its own.
            if (way === 'control-box' && mirrored)
              for (const end of ['M2 up', 'M2 down', 'M2 neutral', 'M2 earth'])
                expect(
                  wires.some((w) => w.to === end || w.from === end),
                  end,
                ).toBe(true);
          }
    },
  );
  it('that no verdict is kinder than its inputs', () => {
    expect(not).not.toContain(found(assess(plan(button, 'solid-state-relay')), 'thumb.choice').verdict);
    expect(not).toContain(found(assess(plan(unreadKey, 'solid-state-relay')), 'thumb.choice').verdict);
  });
});
