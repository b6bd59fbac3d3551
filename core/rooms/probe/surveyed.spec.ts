import { describe, expect, it } from 'vitest';
import { benchJob } from '../../testing/jobs';
import { readCapture } from '../../engines/capture';
import { readNoteLine } from '../../ground/notes';
import { edited, freshRail, type Job, type Keypad, type Piece } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { padCapture, PROOFER_PAD, STANDINS } from '../../engines/standin';
import { decodeKeypad, ghosts, pinSides, sharedLines, type LabelledTiming } from '../../engines/scan';
import { dischargeSeconds, sourceOhms, sourcesTold, testLoad, usableAmps } from '../../engines/electrics';
import { practiceResult, probeFindings, stripState, walk } from '.';
import { isStripApart } from './strip/terminals';
import { isUneven, sizeOf } from '../../engines/mechanics';

const T = (i: number): string =>
  `2026-03-02T14:${String(Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}Z`;
function jobWith(...lines: string[]): Job {
  return lines.reduce((job, line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: T(i + 1) });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    return edited(job, u.edit, T(i + 1));
  }, benchJob());
}

describe('an unlabelled strip', () => {
  const begun = [
    'strip back 4',
    ...[1, 2, 3, 4].map((t) => `back ${t} to mains off >20M`),
    'back 1 to earth on 0.8 VAC',
    'back 1 to earth plug-turned 0.8 VAC',
  ];
  const state = (...lines: string[]) => {
    const job = jobWith(...begun, ...lines);
    return stripState(job, job.survey.strips[0]!);
  };

  it('asks for isolation, then volts from one terminal, then the pair itself, then a resistor, never a wire first', () => {
    const asked: string[] = [];
    const answers: Record<string, string> = {
      mains: '>20M',
      earth: '0.8 VAC',
      '1-2 idle': '12.1 V',
      '1-3 idle': '0.01 V',
      '1-4 idle': '24.2 V',
    };
    const lines = ['strip back 4'];
    for (let i = 0; i < 20; i++) {
      const job = jobWith(...lines);
      const { next, found } = stripState(job, job.survey.strips[0]!);
      if (found || !next) break;
      asked.push(next.notePrefix);
      const key = Object.keys(answers).find((k) => next.notePrefix.includes(k));
      const ac = next.kind === 'volts-ac' && next.b !== 'earth';
      const volts =
        next.b === 'earth' ? '0.2 VAC' : next.notePrefix.includes('loaded') ? '5 V' : (answers[key ?? ''] ?? '12.1 V');
      lines.push(`${next.notePrefix} ${ac ? '0.0 VAC' : next.kind === 'jumper' ? 'moves' : volts}`);
    }
    expect(asked.slice(0, 4).every((a) => a.includes('to mains off'))).toBe(true);
    expect(asked[4]).toBe('back 1 to earth loaded-100k');
    expect(asked[5]).toBe('back 1 to earth turned-100k');
    expect(asked[6]).toBe('back 1-2 idle');
    const firstJumper = asked.findIndex((a) => a.includes('jumper'));
    expect(asked[firstJumper]).toMatch(/1k$/);
    expect(asked[firstJumper - 1]).toMatch(/loaded$/);
    // Apart from mains, and found: nothing of the strip is open.
    const verdict = probeFindings(jobWith(...lines), []).find((f) => f.id === 'probe.strip.strip-back')!.verdict;
    expect(verdict).toBe('settled');
    // n − 1 volts and two AC looks instead of six pairs each.
    expect(asked.filter((a) => a.includes('idle') && !a.includes('earth')).length).toBeLessThanOrEqual(5);
  });

  it('adds volts up along a way, but not across terminals that may float apart', () => {
    const s = state('back 1-2 idle 12.1 V', 'back 1-4 idle 24.2 V', 'back 1-3 idle 0.01 V');
    const pair = (a: number, b: number) => s.pairs.find((p) => p.a === a && p.b === b)!;
    expect(pair(2, 4)).toMatchObject({ direct: false });
    expect(pair(2, 4).dcVolts).toBeCloseTo(12.1, 9);
    expect(pair(2, 3).dcVolts).toBeNull();
    expect(pair(2, 3).barred).toBe('volts not known');
  });

  it('bars an output that does not give way under 1 kΩ, and says what the source is', () => {
    const s = state(
      'back 1-2 idle 12.1 V',
      'back 1-2 loaded 12.0 V',
      'back 1-3 idle 0.01 V',
      'back 1-3 idle 0.1 VAC',
      'back 1-4 idle 0.0 V',
      'back 1-4 idle 0.1 VAC',
      'back 3-4 idle 8.2 V',
    );
    expect(s.pairs.find((p) => p.a === 1 && p.b === 2)).toMatchObject({ barred: 'an output that feeds something' });
    expect(s.pairs.find((p) => p.a === 1 && p.b === 2)!.sourceOhms).toBeCloseTo(1000 * (12.1 / 12 - 1), 6);
    expect(s.next!.notePrefix).toBe('back 3-4 loaded');
  });

  // A roller door: 1 is +24 V, 2 and 4 are 0 V, 3 is the start behind 4.7 kΩ from 24 V, 5 and 6 a dry lamp contact. Levels worked out by
  // hand: nothing stands between 1 and 3, which are not one; 3 listens against 2 and 4, with 24 · 1/5.7 = 4.2 V left under 1 kΩ.
  it('finds a line that is pulled up to the rail, though nothing stands between the two, and leaves what is dry alone', () => {
    const levels: Readonly<Record<number, number | null>> = { 1: 24, 2: 0, 3: 24, 4: 0, 5: null, 6: null };
    const open = (a: number, b: number): number => {
      const [x, y] = [levels[a], levels[b]];
      return typeof x === 'number' && typeof y === 'number' ? x - y : 0;
    };
    const lines = ['strip back 6'];
    const asked: string[] = [];
    const found = (): { a: number; b: number } | null => {
      for (let i = 0; i < 60; i++) {
        const job = jobWith(...lines);
        const s = stripState(job, job.survey.strips[0]!);
        if (s.found || !s.next) return s.found;
        const { notePrefix, a, b, kind, state: at } = s.next;
        asked.push(notePrefix);
        const t = typeof b === 'number' ? b : 0;
        const v = open(a, t);
        const left = Math.abs(v) > 1 && (a === 3 || t === 3) ? v / 5.7 : v;
        const said =
          b === 'mains'
            ? '>20M'
            : b === 'earth'
              ? '0.8 VAC'
              : kind === 'jumper'
                ? a === 3 || t === 3
                  ? 'moves'
                  : 'nothing'
                : kind === 'volts-ac'
                  ? '0.0 VAC'
                  : `${(at === 'loaded' ? left : v).toFixed(2)} V`;
        lines.push(`${notePrefix} ${said}`);
      }
      return null;
    };
    expect(found()).toMatchObject({ a: 2, b: 3 });
    expect(asked.filter((x) => x.includes('jumper'))).toEqual(['back jumper 2-3 1k']);
    // DC, AC and a load of all fifteen pairs would be forty-five.
    expect(asked.filter((x) => /\d-\d/.test(x)).length).toBeLessThan(20);
  });

  it('is tight where the pair was found and isolation was left open for want of a tester', () => {
    const verdictOf = (feed: Job['survey']['mains']['feed']): string => {
      const job = jobWith(...begun, 'back jumper 2-3 1k moves');
      const fed = { ...job, survey: { ...job.survey, mains: { ...job.survey.mains, feed } } };
      return probeFindings(fed, []).find((f) => f.id === 'probe.strip.strip-back')!.verdict;
    };
    expect(verdictOf('plug-one-way')).toBe('tight');
  });

  it('ends when a pair moves the machine, and stops at mains', () => {
    expect(state('back jumper 2-3 1k moves').found).toMatchObject({ a: 2, b: 3 });
    expect(state('back jumper 2-3 1k moves').next).toBeNull();
    const tied = jobWith('strip back 3', 'back 1 to mains off 180k');
    expect(stripState(tied, tied.survey.strips[0]!)).toMatchObject({
      next: null,
      stopped: expect.stringContaining('licensed'),
    });
    expect(probeFindings(tied, []).find((f) => f.id === 'probe.strip.strip-back')!.verdict).toBe('stop');
    // Whichever tip lies on the pins, and whichever setting tells.
    for (const line of [
      'mains to 1 off 180k',
      '1 to mains off beep',
      '1 to mains insulation 50k',
      '1 to mains diode 0.6 V',
    ])
      expect(state(`back ${line}`), line).toMatchObject({
        next: null,
        stopped: expect.stringContaining('tied to mains'),
      });
    // A test that was made and not passed proves nothing.
    const apart = (test: string): boolean => {
      const job = jobWith(...begun, 'back 1 to mains off 4M', 'back 2 to mains off 4M', test);
      return isStripApart(job, job.survey.strips[0]!);
    };
    expect(apart('back 1 to mains insulation 4M')).toBe(false);
    expect(state('back 1-2 idle 231 VAC').stopped).toMatch(/extra-low/);
    // A pair that moved the machine does not outlive dangerous volts, and a bare number answers the very question that was asked.
    expect(state('back jumper 2-3 1k moves', 'back 1-2 idle 231 VAC')).toMatchObject({
      found: null,
      stopped: expect.stringContaining('extra-low'),
    });
    expect(state('back 1 to earth on 60 VAC').next).toMatchObject({ kind: 'volts-ac', state: 'loaded-100k' });
  });
});

describe('a keypad', () => {
  async function captures(keys: readonly (string | null)[], periods = 30): Promise<LabelledTiming[]> {
    const random = seededRandom(9);
    const out: LabelledTiming[] = [];
    for (const key of keys) {
      async function* pieces() {
        yield new TextEncoder().encode(padCapture(PROOFER_PAD, key, periods, random));
      }
      out.push({ label: key ?? 'idle', timing: (await readCapture('p.vcd', pieces())).timing });
    }
    return out;
  }

  it('is decoded from one capture at rest and one per key', async () => {
    const map = decodeKeypad(await captures([null, ...PROOFER_PAD.keys.flat()]));
    expect(map.problems).toEqual([]);
    expect(map.scan).toMatchObject({ polarity: 'low', strobes: ['R1', 'R2', 'R3', 'R4'], senses: ['C1', 'C2', 'C3'] });
    expect(map.scan!.periodSeconds).toBeCloseTo(16e-3, 4);
    expect(map.scan!.widthSeconds).toBeCloseTo(2e-3, 4);
    for (const k of map.keys) expect(PROOFER_PAD.keys[Number(k.strobe[1]) - 1]![Number(k.sense[1]) - 1]).toBe(k.label);
  });

  it('needs no capture at rest where several keys were held', async () => {
    const map = decodeKeypad(await captures(['1', '5', 'start']));
    expect(map.keys.map((k) => [k.label, k.strobe, k.sense])).toEqual([
      ['1', 'R1', 'C1'],
      ['5', 'R2', 'C2'],
      ['start', 'R4', 'C3'],
    ]);
  });

  it('says so where a key did not close, where nothing pulses, and where one capture is not enough', async () => {
    const [idle] = await captures([null]);
    expect(decodeKeypad([idle!, { ...idle!, label: '7' }]).problems[0]!.text).toMatch(/no further line pulsed/);
    expect(decodeKeypad(await captures([null], 1)).scan).toBeNull();
    expect(decodeKeypad(await captures(['1'])).problems[0]!.text).toMatch(/one more while nobody presses/);
    expect(() => decodeKeypad([])).toThrow(RangeError);
  });

  const pad = (lines: Record<string, [string, string]>): Keypad => ({
    id: 'p',
    name: 'p',
    rows: 1,
    columns: 9,
    scan: null,
    keys: Object.entries(lines).map(([label, l], i) => ({ label, row: 0, column: i, lines: l, from: 'hand' })),
  });

  it('knows shared lines and the ghosts of a rectangle', () => {
    const four = pad({ a: ['r1', 'c1'], b: ['r1', 'c2'], c: ['r2', 'c1'], d: ['r2', 'c2'] });
    expect(sharedLines(four)).toHaveLength(4);
    expect(ghosts(four)).toEqual([{ held: ['a', 'b', 'c'], appears: 'd' }]);
    expect(ghosts(pad({ a: ['r1', 'c1'], b: ['r1', 'c2'], c: ['r2', 'c1'] }))).toEqual([]);
    // A 4 by 3 pad has C(4,2)·C(3,2) = 18 rectangles.
    expect(
      ghosts(
        pad(
          Object.fromEntries(
            PROOFER_PAD.keys.flatMap((row, r) => row.map((k, c) => [k, [`r${r}`, `c${c}`] as [string, string]])),
          ),
        ),
      ).length,
    ).toBe(18);
  });

  it('splits tail pins into two sides, and finds the odd ring', () => {
    expect(
      pinSides([
        { key: 'a', a: '1', b: '4' },
        { key: 'b', a: '4', b: '2' },
        { key: 'c', a: '2', b: '5' },
      ]),
    ).toMatchObject({ one: ['1', '2'], other: ['4', '5'], contradiction: [] });
    expect(
      pinSides([
        { key: 'a', a: '1', b: '2' },
        { key: 'b', a: '2', b: '3' },
        { key: 'c', a: '3', b: '1' },
      ]).contradiction.length,
    ).toBeGreaterThan(0);
  });
});

describe('supplies', () => {
  const rail = { ...freshRail('r', 'logic'), openVolts: 5, loadedVolts: 4.8, loadAmps: 0.1 };
  it('tell their source resistance and what they can spare', () => {
    expect(sourceOhms(rail)!.result.value).toBeCloseTo(2, 9);
    // A sag of a twentieth of 5 V through 2 Ω is 125 mA, more than the 100 mA that were tried; half of those are used.
    expect(usableAmps(rail)!.amps).toBeCloseTo(0.05, 9);
    // Never more than was tried, whatever a display's last digit promises: 4.99 V would extrapolate to 0.625 A.
    for (const loadedVolts of [4.99, 5])
      expect(usableAmps({ ...rail, loadedVolts, loadAmps: 0.05 })!.amps).toBeCloseTo(0.025, 9);
    expect(usableAmps({ ...rail, loadedVolts: 4 })!.amps).toBeCloseTo(0.0125, 9);
    expect(usableAmps(freshRail('x', 'x'))).toBeNull();
    const [source] = sourcesTold([rail, freshRail('x', 'unread')]);
    expect(source).toMatchObject({
      value: { value: expect.closeTo(2, 9), unit: 'Ω' },
      steps: [{ what: 'source resistance' }],
    });
    expect(sourcesTold([freshRail('x', 'unread')])).toEqual([]);
    expect(testLoad(5, 0.05).map((s) => s.result.value)).toEqual([100, 0.25]);
  });

  // Discharge through a resistor, t = R·C·ln(V0/V): 100 kΩ, 100 µF, 325 V to 10 V is 10·ln(32.5) = 34.8 s.
  it('tell how long to wait before touching', () => {
    expect(
      dischargeSeconds({ ...rail, storedFarads: 100e-6, bleedOhms: 100e3, storedVolts: 325 })!.result.value,
    ).toBeCloseTo(34.81, 2);
    expect(dischargeSeconds({ ...rail, storedFarads: 100e-6, bleedOhms: 100e3, storedVolts: 8 })!.result.value).toBe(0);
    expect(dischargeSeconds(rail)).toBeNull();
  });
});

describe('sizes', () => {
  const piece = (readings: number[], caliperMetres = 20e-6): Piece => ({
    id: 'p',
    name: 'shaft',
    kind: 'shaft',
    readings,
    caliperMetres,
  });
  // JCGM 100: u_A = s/√n, u_B = a/√3, U = 2·√(u_A² + u_B²).
  it('carry the uncertainty of the Guide', () => {
    const size = sizeOf(piece([0.00998, 0.01, 0.01002]))!;
    expect(size.metres).toBeCloseTo(0.01, 9);
    expect(size.uncertainty).toBeCloseTo(2 * Math.hypot(20e-6 / Math.sqrt(3), 20e-6 / Math.sqrt(3)), 9);
    expect(sizeOf(piece([0.01]))!.uncertainty).toBeCloseTo((2 * 20e-6) / Math.sqrt(3), 9);
    expect(sizeOf(piece([]))).toBeNull();
    expect(isUneven(piece([0.0399, 0.0404]))).toBe(true);
    expect(isUneven(piece([0.03999, 0.04001]))).toBe(false);
  });
});

describe('the practice shelf and the stand-ins', () => {
  it('judges a guess against the truth and the shortest way', () => {
    const job = edited(
      jobWith('it look glass'),
      { do: 'set', at: 'standin', set: { model: 'practice', seed: 12 }, say: '' },
      T(50),
    );
    const truth = practiceResult(job, 'selector').truth;
    expect(practiceResult(job, truth)).toMatchObject({ right: true, taken: 1 });
    expect(practiceResult(job, truth).fewest).toBeGreaterThan(0);
    const other = truth === 'ladder' ? 'encoder' : 'ladder';
    expect(practiceResult(job, other)).toMatchObject({ right: false, words: expect.stringContaining('Not so') });
    expect(() => practiceResult(jobWith('it look glass'), 'ladder')).toThrow(RangeError);
  });

  it.each(Object.values(STANDINS).filter((s) => s.key !== 'extractor-rocker'))(
    'the $name is found out by its own readings',
    (standin) => {
      const { build, faults } = standin;
      // A button looks like one; a look that misleads leaves a pair with a grounded side as likely.
      const look = build.kind === 'low-when-pressed' ? { look: 'springs-back' as const } : {};
      const w = walk({ build, faults, ...look }, seededRandom(6), 10);
      expect(w).toMatchObject({ end: 'known', kind: build.kind });
    },
  );

  it('the extractor rocker is named unplugged and never touched live', () => {
    const { build, faults } = STANDINS['extractor-rocker']!;
    const w = walk({ build, faults, look: 'rocker' }, seededRandom(6), 10);
    expect(w.kind).toBe('switched-load');
    expect(w.proposed.every((p) => p.next.kind === 'ohms' || p.next.kind === 'look')).toBe(true);
  });
});
