import { describe, expect, it } from 'vitest';
import { PRESS_TIMES, readPress, settledLevels, type PressWave } from '../../engines/circuit';
import { JOINT_WAYS, WAY_WISHES, type Way } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { chosenIn, contextIn, demoJob, pressed, waysOf } from '../../testing/jobs';
import {
  agreementFinding,
  firstDifference,
  leastMarginFinding,
  proofCases,
  proofFindings,
  proofLevels,
  proofResult,
  proofTime,
  sensitivityFindings,
  toleranceFinding,
  toleranceOf,
  wishScore,
} from '.';
import { usualMs } from '../../testing/pace';

const pot = demoJob('rice-pot');
function contextOf(way: Way, job = pot) {
  const with_ = pressed(job, { way, resistorOhms: null });
  return { c: contextIn(with_), w: chosenIn(with_) };
}

/** A line of 5 V that falls 1 ms after the press with one hop, and rises again 2 ms after the release. */
function wave(): PressWave {
  const seconds: number[] = [];
  const line: number[] = [];
  for (let t = 0; t <= PRESS_TIMES.end + 1e-9; t += 1e-5) {
    const since = t - PRESS_TIMES.press;
    const after = t - PRESS_TIMES.release;
    const closed = since >= 1e-3 && after < 2e-3 && !(since > 1.2e-3 && since < 1.5e-3);
    seconds.push(t);
    line.push(closed ? 0.02 : t > 1e-3 && t < 1.4e-3 ? 4.2 : 5);
  }
  return { seconds, line, pin: line.map(() => 0) };
}

describe('reading a press', () => {
  it('finds levels, the first sight, the end of the chatter, the return, and what power-up did', () => {
    const r = readPress(wave(), true, 1.5, 3.5);
    expect(r.idleVolts).toBeCloseTo(5, 6);
    expect(r.pressedVolts).toBeCloseTo(0.02, 6);
    expect(r.powerUpVolts).toBeCloseTo(4.2, 6);
    expect(r.seenAfter).toBeCloseTo(1e-3, 4);
    expect(r.steadyAfter).toBeCloseTo(1.5e-3, 4);
    expect(r.goneAfter).toBeCloseTo(2e-3, 4);
    expect(r.chatter).toBeCloseTo(0.5e-3, 4);
  });

  // First-order step response: from 10 to 90 % in ln 9 = 2.197 time constants.
  it('measures the edges of an exponential, at the press and at the release', () => {
    const tau = 0.2e-3;
    const w = wave();
    const line = w.seconds.map((t) =>
      t < PRESS_TIMES.press
        ? 5
        : t < PRESS_TIMES.release
          ? 5 * Math.exp(-(t - PRESS_TIMES.press) / tau)
          : 5 * (1 - Math.exp(-(t - PRESS_TIMES.release) / tau)),
    );
    const r = readPress({ ...w, line }, true, 1.5, 3.5);
    expect(r.pressEdge! / tau).toBeCloseTo(Math.log(9), 2);
    expect(r.releaseEdge! / tau).toBeCloseTo(Math.log(9), 2);
    expect(r.chatter).toBe(0);
  });

  it('says never where the line does not get there', () => {
    const w = wave();
    const stuck = { ...w, line: w.line.map(() => 2.5) };
    expect(readPress(stuck, true, 1.5, 3.5)).toMatchObject({
      seenAfter: null,
      steadyAfter: null,
      goneAfter: null,
      chatter: null,
      pressEdge: null,
      releaseEdge: null,
    });
    expect(readPress({ ...w, line: w.line.map((v) => 5 - v) }, false, 1.5, 3.5).steadyAfter).toBeCloseTo(1.5e-3, 4);
  });
});

describe('proofs', () => {
  it.each(JOINT_WAYS)(
    'of %s carry their own id on the title line, at nominal values and at the worst corner',
    (way) => {
      const { c, w } = contextOf(way);
      const cases = proofCases(c, w, 'id7');
      expect(cases.map((p) => p.corner)).toEqual(['nominal', 'worst', 'idle']);
      for (const p of cases) expect(p.netlist.split('\n')[0]).toContain(p.id);
      expect(settledLevels(cases[1]!.joint).pressed).toBeGreaterThanOrEqual(settledLevels(cases[0]!.joint).pressed);
    },
  );

  it('hold the wave against the closed form, and refuse one that ends too early', () => {
    const { c, w } = contextOf('solid-state-relay');
    const [nominal] = proofCases(c, w, 'x');
    expect(proofLevels(c)).toMatchObject({ low: true });
    const result = proofResult(c, nominal!, wave());
    expect(result.apart).toBeCloseTo(Math.abs(0.02 - result.closedForm.pressed) / nominal!.joint.supplyVolts, 2);
    const cut = wave();
    expect(() =>
      proofResult(c, nominal!, { ...cut, seconds: cut.seconds.slice(0, 700), line: cut.line.slice(0, 700) }),
    ).toThrow(RangeError);
  });

  it('open like any number: level, limit, the closed form beside it', () => {
    const { c, w } = contextOf('solid-state-relay');
    const result = proofResult(c, proofCases(c, w, 'x')[1]!, wave());
    const { pressed, idle } = proofFindings(c, result);
    expect(pressed).toMatchObject({ verdict: 'settled', limit: { sense: 'at most' } });
    expect(pressed.value!.value).toBeCloseTo(0.02, 6);
    expect(idle).toMatchObject({ verdict: 'settled', limit: { sense: 'at least' } });
    const t = toleranceOf(c, w, 500, seededRandom(1))!;
    expect(toleranceFinding(t)).toMatchObject({ verdict: 'settled', value: { value: 100 } });
    expect(toleranceFinding({ ...t, yield: 0.99 }).verdict).toBe('stop');
    expect(leastMarginFinding(t).value!.value).toBeCloseTo(100 * t.leastMargin, 9);
    const { limit, supply } = t.closest;
    expect(leastMarginFinding({ ...t, closest: { level: limit - 0.1, limit, supply, side: 'above' } }).verdict).toBe(
      'stop',
    );
    // Times are from the pin's edge; a line that never gets there has none to show.
    expect(proofTime(result, 'seenAfter')!.value).toMatchObject({ unit: 's' });
    expect(proofTime(result, 'seenAfter')!.value!.value).toBeCloseTo(result.read.seenAfter!, 9);
    expect(proofTime(result, 'goneAfter')!.value!.value).toBeCloseTo(result.read.goneAfter!, 9);
    expect(proofTime({ ...result, read: { ...result.read, goneAfter: null } }, 'goneAfter')).toBeNull();
    expect(agreementFinding([result, { ...result, apart: 0.019 }])).toMatchObject({ verdict: 'settled' });
    expect(agreementFinding([result, { ...result, apart: 0.03 }])).toMatchObject({ verdict: 'stop' });
  });

  it('need a line: a switched load has none', () => {
    const { c, w } = contextOf('relay-contact');
    expect(proofCases({ ...c, line: null }, w, 'x')).toEqual([]);
    expect(toleranceOf({ ...c, line: null }, w, 10, seededRandom(1))).toBeNull();
  });
});

describe('scatter of parts', () => {
  it('passes a good joint in ten thousand draws within a second, the same for the same seed', () => {
    const { c, w } = contextOf('npn-to-ground');
    const t = toleranceOf(c, w, 10_000, seededRandom(3))!;
    expect(usualMs(() => void toleranceOf(c, w, 10_000, seededRandom(3)), 3)).toBeLessThan(1000);
    expect(t.yield).toBe(1);
    expect(t.leastMargin).toBeGreaterThan(0.1);
    expect(toleranceOf(c, w, 10_000, seededRandom(3))).toEqual(t);
    expect(t.sensitivity.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
  });

  it('counts the failures of a poor one, and names the value that matters', () => {
    const { c, w } = contextOf('solid-state-relay');
    // A machine that takes low only under a fraction of a millivolt: whether it is obeyed hangs on the on-resistance.
    const strict = { ...c, line: { ...c.line!, lowBelow: { ...c.line!.lowBelow, volts: 0.0006 } } };
    const t = toleranceOf(strict, w, 5000, seededRandom(5))!;
    expect(t.yield).toBeGreaterThan(0.05);
    expect(t.yield).toBeLessThan(0.95);
    expect(t.leastMargin).toBeLessThan(0);
    expect(t.sensitivity[0]!.name).toBe('on-resistance');
  });
});

describe('the order of wishes', () => {
  it('ranks ways of one verdict, each wish counting half as much as the one before', () => {
    expect(wishScore('solid-state-relay', ['isolated', 'cheap'])).toBeCloseTo(1.25, 9);
    const by = (first: (typeof WAY_WISHES)[number]): Way[] => {
      const job = pressed(pot, {
        picks: { optocoupler: 'opto-ranked' },
        wishes: [first, ...WAY_WISHES.filter((w) => w !== first)],
      });
      return waysOf(job)
        .filter((w) => w.verdict === 'settled')
        .map((w) => w.way);
    };
    expect(by('isolated')[0]).toBe('solid-state-relay');
    expect(by('cheap')[0]).toBe('optocoupler');
    expect(firstDifference('solid-state-relay', 'npn-to-ground', WAY_WISHES)).toBe('isolated');
    expect(firstDifference('npn-to-ground', 'solid-state-relay', ['isolated', 'cheap'])).toBe('cheap');
  });
});

describe('scattered parts of the other joints', () => {
  const yieldOf = (way: Way, picks: Record<string, string> = {}): number => {
    const job = pressed(pot, { way, resistorOhms: null, picks });
    return toleranceOf(contextIn(job), chosenIn(job), 2000, seededRandom(5))!.yield;
  };
  it('are all obeyed by a module behind two LEDs, and none by one that never lets go', () => {
    expect(yieldOf('relay-module', { 'relay-module': 'module-leds' })).toBe(1);
    expect(yieldOf('relay-module', { 'relay-module': 'module-base' })).toBe(0);
    expect(yieldOf('relay-module', { 'relay-module': 'module-high' })).toBe(1);
  });
  it('move the margin of an analogue switch by its on-resistance, and of a contact by next to nothing but the supply', () => {
    const moves = (way: Way): string => {
      const { c, w } = contextOf(way);
      return toleranceOf(c, w, 2000, seededRandom(5))!.sensitivity[0]!.name;
    };
    expect(moves('analogue-switch')).toMatch(/on-resistance|supply/);
    expect(moves('relay-contact')).toMatch(/supply/);
  });
  it('share out what moves the margin, each share openable, all together one', () => {
    const { c, w } = contextOf('optocoupler');
    const t = toleranceOf(c, w, 2000, seededRandom(5))!;
    const shares = sensitivityFindings(t).map((f) => f.value!.value);
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(100, 6);
    shares.forEach((s, i) => expect(s).toBeCloseTo(100 * t.sensitivity[i]!.share, 6));
  });
});
