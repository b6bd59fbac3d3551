import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { describe, expect, it } from 'vitest';
import { DEMO_NAMES } from './fuzz/names';
import { bundled, nonsense, withoutWords } from './wording/nonsense';

const root = fileURLToPath(new URL('../', import.meta.url));
type Judge = { readonly judgementOf: (text: string) => string[] };

describe('verdicts, orders and pictures', () => {
  const files = [
    ...DEMO_NAMES.map((n) => `demo/${n}.json`),
    ...readdirSync(`${root}checks/frozen`)
      .filter((f) => /\.v\d+\.json$/.test(f))
      .map((f) => `checks/frozen/${f}`),
  ];

  it('are the same when every text of the program is nonsense', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wording-'));
    const load = async (silent: boolean): Promise<[Judge, number]> => {
      const file = join(folder, silent ? 'nonsense.mjs' : 'words.mjs');
      const count = await bundled(`${root}checks/wording/verdicts.ts`, file, silent);
      return [(await import(/* @vite-ignore */ pathToFileURL(file).href)) as Judge, count];
    };
    const [[words], [without, count]] = [await load(false), await load(true)];
    expect(count).toBeGreaterThan(1500);
    for (const f of files) {
      const text = readFileSync(`${root}${f}`, 'utf8');
      expect(without.judgementOf(text), f).toEqual(words.judgementOf(text));
    }
  });

  it('would notice a verdict that reads a text: shown fields are replaced, keys and verdicts are not', () => {
    const source =
      "finding('thumb', `${way}.known`, { verdict: 'stop', title: n > 1 ? `${n} pins` : 'a pin', caption: 'two ' + x });";
    let count = 0;
    const silent = withoutWords('x.ts', source, (n) => (count = n));
    expect(count).toBe(4);
    expect(silent).toContain("verdict: 'stop'");
    expect(silent).toContain('`${way}.known`');
    expect(silent).not.toMatch(/pin|two/);
    expect(silent).toHaveLength(source.length);
  });

  it('turns letters into others of the same number', () => {
    expect(nonsense('Pin 4: 3.3 V')).toBe('Aty 4: 3.3 G');
  });
});
