import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CaptureProblem, MOST_LINES, readCapture, TimingRecorder, type Capture } from '.';

const HEAD =
  '$timescale 1 us $end\n$scope module m $end\n$var wire 1 ! a $end\n$var wire 1 " b $end\n$upscope $end\n$enddefinitions $end\n';
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Reads a text cut into pieces at the given places, as a stream would. */
async function read(
  text: string,
  name = 'x.vcd',
  cuts: readonly number[] = [],
  only: readonly string[] = [],
): Promise<Capture> {
  const all = bytes(text);
  const at = [...new Set([0, ...cuts.map((c) => c % (all.length + 1)), all.length])].sort((a, b) => a - b);
  async function* pieces() {
    for (let i = 1; i < at.length; i++) yield all.subarray(at[i - 1], at[i]);
  }
  return readCapture(name, pieces(), { only });
}
const each = (n: number, f: (i: number) => string): string => Array.from({ length: n }, (_, i) => f(i)).join('');
const square = (periods: number, T = 1000, w = 250): string =>
  `${HEAD}#0\n1!\n1"\n${each(periods, (i) => `#${i * T + 100}\n0!\n#${i * T + 100 + w}\n1!\n`)}#${periods * T}\n`;

describe('a value change dump', () => {
  it('gives up at a word that is longer than the widest signal, and reads over a long remark', async () => {
    await expect(read(`${HEAD}#0\n${'b' + '01'.repeat(45_000)} !\n`)).rejects.toMatchObject({
      what: /a word of it never ends/,
    });
    const { timing } = await read(`$comment ${'x'.repeat(90_000)} ${'y'.repeat(90_000)} $end\n${square(3)}`);
    expect(timing.lines).toHaveLength(2);
  });

  it('gives period, widths and shares of time', async () => {
    const { timing, cutOff } = await read(square(20));
    expect(cutOff).toBe(false);
    const [a, b] = timing.lines;
    expect(a).toMatchObject({ name: 'a', falls: 20, rises: 20 });
    expect(a!.periodSeconds).toBeCloseTo(1e-3, 9);
    expect(a!.lowWidthSeconds).toBeCloseTo(250e-6, 9);
    expect(a!.lowSeconds / timing.seconds).toBeCloseTo(0.25, 6);
    expect(b).toMatchObject({ falls: 0, periodSeconds: null });
    expect(a!.steadyShare).toBe(1);
  });

  it('reads the same wherever a stream cuts it', async () => {
    const whole = await read(square(5));
    await fc.assert(
      fc.asyncProperty(fc.array(fc.nat(400), { maxLength: 12 }), async (cuts) => {
        expect((await read(square(5), 'x.vcd', cuts)).timing).toEqual(whole.timing);
      }),
      { numRuns: 60 },
    );
  });

  it('follows vectors bit by bit, with codes of any printable character', async () => {
    const text =
      '$timescale 1ns $end\n$var wire 3 $ bus [2:0] $end\n$var wire 1 # clk ' +
      '$end\n$enddefinitions $end\n#0\nb101 $\n0#\n#5\nb1 $\n1#\n#9\nbx $\n';
    const { timing } = await read(text);
    expect(timing.lines.map((l) => l.name)).toEqual(['bus[2]', 'bus[1]', 'bus[0]', 'clk']);
    expect(timing.lines[0]).toMatchObject({ falls: 1, rises: 0 });
    expect(timing.lines[3]).toMatchObject({ rises: 1 });
    expect(timing.seconds).toBeCloseTo(9e-9, 15);
  });

  it('follows only the lines that are named', async () => {
    expect((await read(square(3), 'x.vcd', [], ['b'])).timing.lines.map((l) => l.name)).toEqual(['b']);
    await expect(read(square(3), 'x.vcd', [], ['zz'])).rejects.toThrow(/no signal zz.*The file has: a, b/);
  });

  it.each<[string, string, RegExp]>([
    ['times that run backwards', `${HEAD}#5\n0!\n#3\n1!\n`, /Time runs backwards here: 3 after 5\. \(line 9\)/],
    ['an unknown signal', `${HEAD}#5\n0!\n1?\n`, /unknown signal "\?"\. \(line 9\)/],
    ['definitions that never end', '$timescale 1 us $end\n$var wire 1 ! a $end\n', /ends before its definitions do/],
    ['no time at all', HEAD, /no times/],
    ['something else', `${HEAD}#1\nhello there\n`, /"hello" is neither a time nor a change/],
    ['a foreign time scale', '$timescale 1 fortnight $end\n', /no time scale/],
    ['no time scale', '$var wire 1 ! a $end\n$enddefinitions $end\n', /no time scale/],
    ['a damaged declaration', '$timescale 1us $end\n$var wire x ! a $end\n', /without width, code or name/],
    ['text before the definitions', '$timescale 1us $end\nhello\n', /before the definitions end/],
    [
      'more lines than can be followed',
      `$timescale 1us $end\n$var wire ${MOST_LINES + 1} ! bus $end\n$enddefinitions $end\n`,
      /17 lines; 16 can be followed/,
    ],
  ])('with %s is refused, with the place', async (_name, text, message) => {
    await expect(read(text)).rejects.toThrow(message);
    await expect(read(text)).rejects.toBeInstanceOf(CaptureProblem);
  });

  it('cut off in the middle of a word keeps what came before', async () => {
    const { timing, cutOff } = await read(`${square(8)}b10`);
    expect(cutOff).toBe(true);
    expect(timing.lines[0]!.falls).toBe(8);
  });

  it('stops when it is no longer wanted', async () => {
    async function* pieces() {
      yield bytes(square(3));
      yield bytes('#99999\n0!\n');
    }
    const signal = { aborted: false };
    await expect(readCapture('x.vcd', pieces(), { signal, onProgress: () => (signal.aborted = true) })).rejects.toThrow(
      /was stopped/,
    );
  });
});

describe('a table', () => {
  const rows = (head: string, n: number, high = 1): string =>
    `${head}\n${Array.from({ length: n }, (_, i) => `${i},${i % 4 === 0 ? 0 : high},${high}`).join('\n')}\n`;

  it('is read with its unit of time, as levels or as volts', async () => {
    const { timing } = await read(rows('time ms,r1,c1', 40), 'pad.csv');
    expect(timing.lines[0]!.periodSeconds).toBeCloseTo(4e-3, 9);
    const volts = await read(rows('Time (us),r1,c1', 40, 3.28), 'pad.csv');
    expect(volts.timing.lines[0]!.periodSeconds).toBeCloseTo(4e-6, 12);
    expect(volts.timing.lines[1]).toMatchObject({ falls: 0, rises: 0 });
  });

  it('reads the same wherever a stream cuts it, and with semicolons', async () => {
    const text = rows('time,r1,c1', 12);
    const whole = await read(text, 'a.csv');
    await fc.assert(
      fc.asyncProperty(fc.array(fc.nat(120), { maxLength: 8 }), async (cuts) => {
        expect((await read(text, 'a.csv', cuts)).timing).toEqual(whole.timing);
      }),
      { numRuns: 40 },
    );
    expect((await read(text.replace(/,/g, ';'), 'a.csv')).timing.lines).toEqual(whole.timing.lines);
  });

  it.each<[string, string, RegExp]>([
    ['without a head', '0,1,0\n1,0,0\n', /no head line.*row 1/],
    ['with words for a time', 'time,a\nsoon,1\n', /"soon" is no time\. \(row 2\)/],
    ['with a hole', 'time,a,b\n0,1,1\n1,,1\n', /no level\. \(row 3, column 2\)/],
    ['with times that run backwards', 'time,a\n0,1\n2,0\n1,1\n', /backwards.*row 4/],
    ['with a head alone', 'time,a\n', /no rows/],
  ])('%s is refused, with the place', async (_name, text, message) =>
    expect(read(text, 'a.csv')).rejects.toThrow(message),
  );
});

describe('anything else', () => {
  it('is refused: nothing, and bytes that are no text', async () => {
    await expect(read('', 'a.vcd')).rejects.toThrow(/empty/);
    await expect(read('a\u0000b', 'a.vcd')).rejects.toThrow(/no text file/);
  });

  it('keeps to its number of lines', () =>
    expect(() => new TimingRecorder(Array.from({ length: MOST_LINES + 1 }, (_, i) => `l${i}`))).toThrow(RangeError));
});
