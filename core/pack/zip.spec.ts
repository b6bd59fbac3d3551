import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess';
import { filesOf } from '../deliver';
import { jobText, loadJob, type Keypad } from '../job';
import { changed, demoJob } from '../testing/jobs';
import { injectorBench, injectorOf, injectorVerilog } from '../scan';
import { packZip, unpackZip } from '.';

const pot = demoJob('rice-pot');
const proofer = demoJob('dough-proofer');
const JPEG = Uint8Array.of(0xff, 0xd8, 0xff, 0xe0, 1, 2, 3);
const withPhoto = changed(pot, 'survey', {
  photos: [{ id: 'p1', name: 'board', width: 640, height: 480, pins: [{ x: 0.2, y: 0.3, label: 'start A' }] }],
});

describe('the zip', () => {
  const zip = packZip(filesOf(withPhoto, assess(withPhoto)), withPhoto.touchedAt, [{ id: 'p1', bytes: JPEG }]);

  it('gives the same job and the same picture back', () => {
    const { text, pictures } = unpackZip(zip);
    const loaded = loadJob(text);
    expect(loaded.ok && loaded.job).toEqual(withPhoto);
    expect(pictures).toEqual([{ id: 'p1', bytes: JPEG }]);
  });

  it('is the same bytes for the same job', () =>
    expect(packZip(filesOf(withPhoto, assess(withPhoto)), withPhoto.touchedAt, [{ id: 'p1', bytes: JPEG }])).toEqual(
      zip,
    ));

  it('is refused in words where it is cut off, or where it holds no job', () => {
    expect(() => unpackZip(zip.subarray(0, zip.length - 40))).toThrow(/damaged or cut off/);
    expect(() => unpackZip(Uint8Array.of(1, 2, 3))).toThrow(/damaged or cut off/);
    expect(() => unpackZip(zipSync({ 'readme.txt': strToU8('hello') }))).toThrow(/no job file/);
  });

  it('takes no picture that is none, and none beyond its size', () => {
    const odd = zipSync({
      'x.job.json': strToU8(jobText(pot)),
      'photographs/a.jpg': strToU8('<script>'),
      'photographs/b.jpg': new Uint8Array(9_000_000).fill(0xff),
      'photographs/c.jpg': JPEG,
    });
    expect(unpackZip(odd).pictures.map((p) => p.id)).toEqual(['c']);
  });
});

describe('the keypad injector', () => {
  const pad = proofer.survey.keypads[0]!;
  it('presses none at zero and numbers its keys from one', () => {
    const inj = injectorOf(pad)!;
    expect(inj.keys.map((k) => k.select)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
    expect(inj.keys.find((k) => k.label === 'start')).toMatchObject({ strobe: 3, sense: 2 });
    const text = injectorVerilog(inj);
    expect(text).toContain("(select == 4'd12 && strobe[3] == 1'b0)");
    expect(text.match(/assign sense/g)).toHaveLength(3);
    expect(injectorBench(inj)).toContain('pullup (sense[2]);');
  });

  it('turns round with strobes that go high, and lets nothing out of its comments', () => {
    const high: Keypad = {
      ...pad,
      name: '*/',
      scan: { ...pad.scan!, polarity: 'high' },
      keys: pad.keys.map((k) => (k.label === '1' ? { ...k, label: '`x" */ \n endmodule' } : k)),
    };
    const text = injectorVerilog(injectorOf(high)!);
    expect(text).toContain("strobe[0] == 1'b1");
    expect(text).not.toMatch(/[`"]|\*\//);
    expect(text.match(/endmodule$/gm)).toHaveLength(1);
  });

  it('is left out for keys whose lines are not known', () => {
    expect(injectorOf({ ...pad, keys: pad.keys.map((k) => ({ ...k, lines: [] })) })).toBeNull();
    const some = injectorOf({ ...pad, keys: pad.keys.map((k, i) => (i < 4 ? k : { ...k, lines: [] })) })!;
    expect(some.keys).toHaveLength(4);
    expect(some.bits).toBe(3);
    expect(filesOf(pot, assess(pot)).some((f) => f.name.endsWith('.v'))).toBe(false);
  });
});
