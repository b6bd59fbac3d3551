import { describe, expect, it } from 'vitest';
import { edited, type Keypad } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { controlFromKey, controlNameOf, decodingTroubles, keyOfName, mapOnto, readPad, scanReadings } from '.';

const NOW = '2026-03-02T14:05:00Z';
const drawn = (): Keypad => {
  const read = readPad('1 2\nwarm . \n* start');
  if (!read.ok) throw new Error(read.message);
  const { rows, columns, keys } = read;
  return { id: 'p', name: 'front pad', rows, columns, keys, scan: null };
};
const scan = {
  periodSeconds: 16e-3,
  widthSeconds: 2e-3,
  polarity: 'low',
  strobes: ['R1', 'R2'],
  senses: ['C1', 'C2'],
} as const;
const counted = (): (() => string) => {
  let n = 0;
  return () => `id-${++n}`;
};

describe('a pad drawn as text', () => {
  it('has a key where a word stands and none at a dot', () => {
    const pad = drawn();
    expect(pad).toMatchObject({ rows: 3, columns: 2 });
    expect(pad.keys.map((k) => [k.label, k.row, k.column])).toEqual([
      ['1', 0, 0],
      ['2', 0, 1],
      ['warm', 1, 0],
      ['*', 2, 0],
      ['start', 2, 1],
    ]);
  });

  it.each([
    [' \n . ', /no key yet/],
    ['1 2\n1', /1 stands twice/],
    [
      Array(17)
        .fill('a')
        .map((_, i) => `k${i}`)
        .join('\n'),
      /16 rows/,
    ],
  ])('%j is refused in words', (text, why) =>
    expect(readPad(text)).toEqual({ ok: false, message: expect.stringMatching(why) }),
  );
});

describe('captures and keys', () => {
  it('a capture called key-1 is of key 1, one that is no key keeps its name', () => {
    const pad = drawn();
    expect(['1', 'key-1', 'Key_2', 'button warm', 'WARM', 'idle'].map((n) => keyOfName(pad, n))).toEqual([
      '1',
      '1',
      '2',
      'warm',
      'warm',
      'idle',
    ]);
  });

  it('lays a map onto the pad: found once gets its lines, found twice does not, strangers are told', () => {
    const at = (label: string, strobe: string, sense: string) => ({ label, strobe, sense, overlap: 1 });
    const keys = [at('1', 'R1', 'C1'), at('2', 'R1', 'C2'), at('2', 'R2', 'C2'), at('foo', 'R2', 'C1')];
    const laid = mapOnto(drawn(), {
      scan: { ...scan, strobes: [...scan.strobes], senses: [...scan.senses] },
      keys,
      problems: [],
    });
    expect(laid.pad.keys[0]).toMatchObject({ lines: ['R1', 'C1'], from: 'capture' });
    expect(laid.pad.keys[1]!.lines).toEqual([]);
    expect(laid.strangers).toEqual(['foo']);
  });

  it('sixty captures with one fault are one question', () => {
    const labels = Array.from({ length: 60 }, (_, i) => `run ${i}`);
    const problems = labels.map((label) => ({ label, text: `${label} has lines that the others lack.` }));
    expect(decodingTroubles({ scan: null, keys: [], problems }, ['a', 'b', 'c', 'd', 'e'])).toEqual([
      'run 0, run 1, run 2 and 57 more: each has lines that the others lack.',
      'No key of the pad is called a, b, c and 2 more: rename those captures above.',
    ]);
  });
});

describe('a fault that several captures share', () => {
  it('is told as it stands where one has it, and takes no digit for a name', () => {
    const fault = (label: string) => ({ label, text: `${label} repeats every 10 ms, not every 16 ms.` });
    expect(decodingTroubles({ scan: null, keys: [], problems: [fault('1')] }, [])).toEqual([fault('1').text]);
    expect(decodingTroubles({ scan: null, keys: [], problems: [fault('1'), fault('6')] }, [])).toEqual([
      '1, 6: each repeats every 10 ms, not every 16 ms.',
    ]);
  });
});

describe('a key as a control', () => {
  it('has a name that notes can say', () => {
    expect(drawn().keys.map(controlNameOf)).toEqual(['key.1', 'key.2', 'warm', 'key.r3c1', 'start']);
  });

  it('knows its scan: rate and share of time high, the other way round where strobes go high', () => {
    const pad = { ...drawn(), scan: { ...scan, strobes: ['R1'], senses: ['C1'] } };
    const ids = [
      { id: 'a', at: NOW },
      { id: 'b', at: NOW },
    ] as const;
    expect(scanReadings(pad, 'c', 'A', ids).map((r) => [r.kind, r.value])).toEqual([
      ['hertz', 62.5],
      ['duty', 0.875],
    ]);
    const high = { ...pad, scan: { ...pad.scan, polarity: 'high' as const } };
    expect(scanReadings(high, 'c', 'A', ids)[1]!.value).toBe(0.125);
    expect(scanReadings(drawn(), 'c', 'A', ids)).toEqual([]);
  });

  it('is let through by the gate, is found scanned, and is not made twice', () => {
    const job = demoJob('dough-proofer');
    const pad = job.survey.keypads[0]!;
    const five = pad.keys.find((k) => k.label === '5')!;
    const once = edited(job, controlFromKey(job, pad, five, NOW, counted()), NOW);
    expect(once.controls.map((c) => c.name)).toContain('key.5');
    const again = controlFromKey(once, pad, five, NOW, counted());
    expect(again.do === 'several' && again.edits.some((e) => e.do === 'add-control')).toBe(false);
    expect(() => controlFromKey(job, drawn(), five, NOW, counted())).toThrow(RangeError);
  });
});
