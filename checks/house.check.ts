import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { wrongImport } from '../eslint/house-law.js';
import { circlesIn, importsUnder } from './imports';

const root = fileURLToPath(new URL('../', import.meta.url));

describe('the house', () => {
  const core = importsUnder(root, 'core');
  const app = importsUnder(root, 'app');
  const plain = (all: ReadonlyMap<string, readonly string[]>) =>
    new Map([...all].filter(([f]) => !f.endsWith('.spec.ts')));

  it('has no circle of imports, neither in the core nor in the app', () => {
    expect(circlesIn(plain(core))).toEqual([]);
    expect(circlesIn(plain(app))).toEqual([]);
  });

  it('has no arrow among rooms and none that goes up', () => {
    const floors = ['ground', 'engines', 'build', 'rooms', 'house'];
    const floor = (f: string): number => floors.indexOf(f.split('/')[1]!);
    const arrows = [...plain(core)].flatMap(([from, all]) => all.map((to) => [from, to] as const));
    expect(arrows.length).toBeGreaterThan(1000);
    expect(arrows.filter(([a, b]) => floor(a) >= 0 && floor(b) > floor(a))).toEqual([]);
    const room = (f: string): string => (f.startsWith('core/rooms/') ? f.split('/')[2]! : '');
    expect(arrows.filter(([a, b]) => room(a) && room(b) && room(a) !== room(b))).toEqual([]);
  });

  it('exports no name of the core for two things', () => {
    const homes = new Map<string, string[]>();
    for (const file of plain(core).keys()) {
      if (file.startsWith('core/testing/')) continue;
      const own = readFileSync(`${root}${file}`, 'utf8').matchAll(
        /^export (?:abstract )?(?:const|interface|type|function\*?|class) (\w+)/gm,
      );
      for (const name of new Set([...own].map((m) => m[1] ?? ''))) homes.set(name, [...(homes.get(name) ?? []), file]);
    }
    expect(homes.size).toBeGreaterThan(1000);
    expect([...homes].filter(([, files]) => files.length > 1)).toEqual([]);
  });

  it('finds an arrow that breaks the law', () => {
    expect(wrongImport(`${root}core/rooms/act/x.ts`, '../feed')).toMatch(/knows no other room/);
    expect(wrongImport(`${root}core/ground/job/x.ts`, '../../engines/world')).toMatch(/stands below/);
    expect(wrongImport(`${root}core/ground/job/x.ts`, '../finding')).toMatch(/stands below/);
    expect(wrongImport(`${root}core/rooms/act/x.ts`, '../../ground/job/edit/edit')).toMatch(/by its index/);
    expect(wrongImport(`${root}core/ground/job/versions/to-8.ts`, '../document/types')).toMatch(/its own values/);
    expect(wrongImport(`${root}app/kit/x.ts`, '../store/bench')).toMatch(/stands below/);
    expect(wrongImport(`${root}core/rooms/act/x.ts`, '../../engines/world')).toBeNull();
  });
});
