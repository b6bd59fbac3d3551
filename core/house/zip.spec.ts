import { createHash } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { assess } from './assess';
import { filesOf } from './deliver';
import { freshOf } from '../ground/field';
import { freshJob, jobText, recordingFields, type Job, type Keypad } from '../ground/job';
import { freshDrawer } from '../engines/parts';
import { zipBomb } from '../testing/bomb';
import { changed, demoJob } from '../testing/jobs';
import { injectorBench, injectorOf, injectorVerilog } from '../engines/scan';
import { packShelf, packZip, unpackZip } from './zip';

const pot = demoJob('rice-pot');
const proofer = demoJob('dough-proofer');
const JPEG = Uint8Array.of(0xff, 0xd8, 0xff, 0xe0, 1, 2, 3);
const PICTURE = { pictures: [{ id: 'p1', bytes: JPEG }], recordings: [] };
const withPhoto = changed(pot, 'survey', {
  photos: [{ id: 'p1', name: 'board', width: 640, height: 480, pins: [{ x: 0.2, y: 0.3, label: 'start A' }] }],
});

describe('recordings in a zip', () => {
  const bytes = strToU8('time,power (W)\n0,3\n1,120\n');
  const id = createHash('sha256').update(bytes).digest('hex');
  const facts = { ...freshOf(recordingFields), id, name: 'run 1.csv', bytes: bytes.length };
  const recorded: Job = { ...pot, recordings: [facts] };
  const zip = packZip(filesOf(recorded, assess(recorded)), pot.touchedAt, {
    pictures: [],
    recordings: [{ id, bytes }],
  });

  it('come back under their hash, and others than those that the job names stay where they are', () => {
    expect(unpackZip(zip).recordings).toEqual([{ id, bytes }]);
    const other = zipSync({ 'a.job.json': strToU8(jobText(pot)), [`recordings/${id}.csv`]: bytes });
    expect(unpackZip(other).recordings).toEqual([]);
  });

  it('come back from a backup of the shelf, and a missing one leaves the job whole', () => {
    const shelf = packShelf([recorded], freshDrawer(), { pictures: [], recordings: [] }, '2026-03-02T14:00:00Z');
    const back = unpackZip(shelf);
    expect(back.recordings).toEqual([]);
    expect(back.jobs[0]!.loaded).toMatchObject({ ok: true, job: { recordings: [facts] } });
  });
});

describe('the zip', () => {
  const zip = packZip(filesOf(withPhoto, assess(withPhoto)), withPhoto.touchedAt, PICTURE);

  it('gives the same job and the same picture back', () => {
    const { jobs, drawer, pictures } = unpackZip(zip);
    expect(jobs.map((j) => j.loaded)).toEqual([{ ok: true, job: withPhoto }]);
    expect(drawer).toBeNull();
    expect(pictures).toEqual([{ id: 'p1', bytes: JPEG }]);
  });

  it('is the same bytes for the same job', () =>
    expect(packZip(filesOf(withPhoto, assess(withPhoto)), withPhoto.touchedAt, PICTURE)).toEqual(zip));

  it('is refused in words where it is cut off, or where it holds no job', () => {
    expect(() => unpackZip(zip.subarray(0, zip.length - 40))).toThrow(/damaged or cut off/);
    expect(() => unpackZip(Uint8Array.of(1, 2, 3))).toThrow(/damaged or cut off/);
    expect(() => unpackZip(zipSync({ 'readme.txt': strToU8('hello') }))).toThrow(/no job file/);
  });

  it('takes no picture that is none, none beyond its size, and none that no job names', () => {
    const photo = (id: string) => ({ id, name: id, width: 1, height: 1, pins: [] });
    const named = changed(pot, 'survey', { photos: ['a', 'b', 'c'].map(photo) });
    const odd = zipSync({
      'x.job.json': strToU8(jobText(named)),
      'photographs/d.jpg': JPEG,
      'photographs/../../evil.jpg': JPEG,
      'photographs/a.jpg': strToU8('<script>'),
      'photographs/b.jpg': new Uint8Array(9_000_000).fill(0xff),
      'photographs/c.jpg': JPEG,
    });
    expect(unpackZip(odd).pictures.map((p) => p.id)).toEqual(['c']);
  });
});

describe('a backup of the shelf', () => {
  const jobs = [withPhoto, proofer, freshJob({ title: 'Rice pot' }, 'other', '2026-03-02T14:00:00Z')];
  const drawer = { ...freshDrawer(), currency: 'CHF', stock: [{ name: 'wire', price: 0.2, have: 9 }] };

  it('gives every job, the drawer and the pictures back, whatever they are called', () => {
    const zip = packShelf(jobs, drawer, PICTURE, '2026-03-02T14:00:00Z');
    const back = unpackZip(zip);
    expect(back.jobs.map((j) => j.loaded)).toEqual(jobs.map((job) => ({ ok: true, job })));
    expect(back.drawer).toEqual({ ok: true, drawer });
    expect(back.pictures).toEqual([{ id: 'p1', bytes: JPEG }]);
  });

  it('names the one file in it that cannot be read, and still gives the others', () => {
    const zip = zipSync({ 'jobs/1.job.json': strToU8('{'), 'jobs/2.job.json': strToU8(jobText(proofer)) });
    expect(unpackZip(zip).jobs.map((j) => [j.name, j.loaded.ok])).toEqual([
      ['jobs/1.job.json', false],
      ['jobs/2.job.json', true],
    ]);
  });

  it('holds what this version cannot read, and gives it back with why', () => {
    const later = { ...proofer, version: 999 };
    const unread = [
      { title: 'Of tomorrow', document: later },
      { title: 'Half', document: { format: 'no job' } },
    ];
    const back = unpackZip(packShelf(jobs, drawer, { pictures: [], recordings: [] }, '2026-03-02T14:00:00Z', unread));
    expect(back.jobs.filter((j) => j.loaded.ok)).toHaveLength(jobs.length);
    const others = back.jobs.filter((j) => !j.loaded.ok);
    expect(others.map((j) => !j.loaded.ok && j.loaded.problem.what)).toEqual([
      expect.stringContaining('version 999'),
      expect.stringContaining('not a Gentle Thumb job'),
    ]);
  });

  it('says what it left in the zip: a job that is too large, jobs beyond the most, a picture that is too large', () => {
    const large = strToU8(' '.repeat(61_000_000));
    const zip = zipSync({ 'jobs/1.job.json': large, 'jobs/2.job.json': strToU8(jobText(proofer)) }, { level: 1 });
    const told = unpackZip(zip).jobs.find((j) => j.name === 'jobs/1.job.json')!;
    expect(told.loaded).toMatchObject({ ok: false, problem: { what: expect.stringContaining('at most 20 MB') } });
    const text = strToU8('{}');
    const many = zipSync(Object.fromEntries(Array.from({ length: 2003 }, (_, i) => [`jobs/${i}.job.json`, text])));
    expect(unpackZip(many).left).toEqual(['3 of its 2003 jobs were left in the zip: 2000 are opened at once.']);
    const picture = zipSync({
      'a.job.json': strToU8(jobText(withPhoto)),
      'photographs/p1.jpg': new Uint8Array(9_000_000).fill(0xff),
    });
    expect(unpackZip(picture).left).toEqual(['1 photographs of over 8 MB were left in the zip.']);
  });

  it('is not unpacked beyond its budget, though each part keeps within its own bound', () => {
    const bomb = zipBomb(25);
    expect(bomb.length).toBeLessThan(4_000_000);
    expect(() => unpackZip(bomb)).toThrow(/more than 400 MB/);
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
